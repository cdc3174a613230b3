-- Settings of the house; what the log may hold is checked by the database too; what is referred to is found by an index.

create table setting (
  key text primary key,
  value jsonb not null,
  updated_at timestamptz not null default now()
);

alter table run_event
  add constraint run_event_kind check (kind in ('started', 'ended', 'estimate', 'put-down', 'taken-up', 'withdrawn')),
  add constraint run_event_step check (step is null or char_length(step) between 3 and 161),
  add constraint run_event_sequence check (sequence >= 1);

create index dish_kitchen on dish (kitchen_id);
create index run_dish on run (dish_id);
create index plan_run on plan (run_id);

-- A dish that was made is removed with its runs on purpose only: by this function, for this transaction, once it has been exported.
create or replace function refuse_change() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' and current_setting('rondeau.removing', true) = old.run_id::text then
    return old;
  end if;
  raise exception 'the log of a run is append-only';
end $$;

create function refuse_truncate() returns trigger language plpgsql as $$
begin
  raise exception 'the log of a run is append-only';
end $$;
create trigger run_event_no_truncate before truncate on run_event for each statement execute function refuse_truncate();

create function remove_dish(which uuid) returns integer language plpgsql as $$
declare
  one uuid;
  removed integer := 0;
begin
  for one in select id from run where dish_id = which loop
    perform set_config('rondeau.removing', one::text, true);
    delete from run_event where run_id = one;
    removed := removed + 1;
  end loop;
  perform set_config('rondeau.removing', '', true);
  delete from plan where dish_id = which;
  delete from run where dish_id = which;
  delete from dish where id = which;
  return removed;
end $$;
