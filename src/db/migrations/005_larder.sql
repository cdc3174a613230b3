-- What happens to things that are kept in the house, whatever made them. What a run made is worked out from its log; here stands what was put in by
-- hand, and all that was done with either since.

create table larder_event (
  id bigint generated always as identity primary key,
  key uuid not null unique,
  item text not null check (char_length(item) between 3 and 240),
  kind text not null check (kind in ('added', 'taken', 'moved', 'opened', 'counted', 'reserved', 'discarded', 'withdrawn')),
  at timestamptz not null,
  data jsonb not null,
  recorded_at timestamptz not null
);
create index larder_event_item on larder_event (item, id);

create function refuse_larder_change() returns trigger language plpgsql as $$
begin
  raise exception 'what was written of the larder is append-only';
end $$;
create trigger larder_event_append_only before update or delete on larder_event for each row execute function refuse_larder_change();
create trigger larder_event_no_truncate before truncate on larder_event for each statement execute function refuse_truncate();
