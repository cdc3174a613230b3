-- Rehearsals stand apart from the record: nothing is learned from them, and no run knows of them.

create table rehearsal (
  id bigint generated always as identity primary key,
  dish_id uuid not null references dish (id) on delete cascade,
  plan_stamp text not null,
  data jsonb not null,
  at timestamptz not null
);
create index rehearsal_dish on rehearsal (dish_id, id);
