-- What lists show of a dish, beside its document: sorting a hundred dishes by day then does not read a hundred large documents.
-- A trigger fills it whenever a document is written, so it always matches.
create function dish_summary(document jsonb) returns jsonb language sql immutable as $$
  select jsonb_build_object(
    'id', document->'dish'->>'id',
    'serveAt', document->'dish'->>'serveAt',
    'serves', document->'dish'->'serves',
    'timezone', document->'dish'->>'timezone',
    'components', (
      select coalesce(jsonb_agg(jsonb_build_object('id', c->>'id', 'name', c->>'name') order by n), '[]')
        from jsonb_array_elements(document->'components') with ordinality as x (c, n)))
$$;

-- What it makes, "component.output", and what goes into it.
create function dish_contents(document jsonb) returns jsonb language sql immutable as $$
  select jsonb_build_object(
    'outputs', (
      select coalesce(jsonb_agg(distinct (c->>'id') || '.' || (o->>'id')), '[]')
        from jsonb_array_elements(document->'components') c, jsonb_array_elements(c->'methods') m,
             jsonb_array_elements(m->'steps') s, jsonb_array_elements(coalesce(s->'makes', '[]'::jsonb)) o),
    'ingredients', (
      select coalesce(jsonb_agg(distinct i->>'name'), '[]')
        from jsonb_array_elements(document->'components') c, jsonb_array_elements(c->'methods') m,
             jsonb_array_elements(coalesce(m->'ingredients', '[]'::jsonb)) i))
$$;

alter table dish add column summary jsonb, add column contents jsonb;
update dish set summary = dish_summary(document), contents = dish_contents(document);
alter table dish alter column summary set not null, alter column contents set not null;

create function summarise_dish() returns trigger language plpgsql as $$
begin
  new.summary := dish_summary(new.document);
  new.contents := dish_contents(new.document);
  return new;
end $$;
create trigger dish_summarised before insert or update of document on dish for each row execute function summarise_dish();
