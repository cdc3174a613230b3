-- A step may be left out, or be marked to be done again; the log keeps what was pressed of it before.
alter table run_event drop constraint run_event_kind;
alter table run_event add constraint run_event_kind
  check (kind in ('started', 'ended', 'estimate', 'put-down', 'taken-up', 'withdrawn', 'skipped', 'void'));

-- What is written down beside the presses of a run: timers, readings, rounds, counts, notes, amounts as used, what was handed over or ticked off.
-- None of it moves the plan by itself, so it has a log of its own. A dish has entries before its run too: a list that is ticked off while shopping.

create table record_entry (
  id bigint generated always as identity primary key,
  dish_id uuid not null references dish (id) on delete cascade,
  run_id uuid references run (id) on delete cascade,
  key uuid not null unique,
  kind text not null check (kind in ('timer', 'timer-answer', 'reading', 'device', 'round', 'tally', 'note', 'amount', 'verdict', 'tick', 'withdrawn')),
  step text check (step is null or char_length(step) between 3 and 161),
  at timestamptz not null,
  data jsonb not null,
  recorded_at timestamptz not null
);
create index record_entry_run on record_entry (run_id, id);
create index record_entry_dish on record_entry (dish_id, id) where run_id is null;
create index record_entry_step on record_entry (run_id, step, at) where kind = 'reading';

create function refuse_entry_change() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' and current_setting('rondeau.removing', true) = old.dish_id::text then
    return old;
  end if;
  raise exception 'what was written down is append-only';
end $$;
create trigger record_entry_append_only before update or delete on record_entry for each row execute function refuse_entry_change();

create trigger record_entry_no_truncate before truncate on record_entry for each statement execute function refuse_truncate();

create or replace function remove_dish(which uuid) returns integer language plpgsql as $$
declare
  one uuid;
  removed integer := 0;
begin
  perform set_config('rondeau.removing', which::text, true);
  delete from record_entry where dish_id = which;
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
