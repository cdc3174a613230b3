-- Dishes and kitchens are documents with a history for undo; plans belong to the versions they were made for;
-- a run is an append-only log from which everything else about it is derived.

create table kitchen (
  id uuid primary key default gen_random_uuid(),
  name text not null,
  version integer not null,
  document jsonb not null,
  updated_at timestamptz not null default now()
);

create table kitchen_history (
  kitchen_id uuid not null references kitchen (id) on delete cascade,
  version integer not null,
  parent integer,
  document jsonb not null,
  change text not null,
  at timestamptz not null default now(),
  primary key (kitchen_id, version)
);

create table dish (
  id uuid primary key default gen_random_uuid(),
  slug text not null unique,
  name text not null,
  version integer not null,
  document jsonb not null,
  kitchen_id uuid not null references kitchen (id),
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now()
);

create table dish_history (
  dish_id uuid not null references dish (id) on delete cascade,
  version integer not null,
  parent integer,
  document jsonb not null,
  change text not null,
  at timestamptz not null default now(),
  primary key (dish_id, version)
);

create table run (
  id uuid primary key default gen_random_uuid(),
  dish_id uuid not null references dish (id) on delete cascade,
  started_at timestamptz not null,
  ended_at timestamptz
);
create unique index run_one_open on run (dish_id) where ended_at is null;

create table plan (
  id bigint generated always as identity primary key,
  dish_id uuid not null references dish (id) on delete cascade,
  dish_version integer not null,
  kitchen_version integer not null,
  run_id uuid references run (id) on delete cascade,
  run_sequence integer not null default 0,
  status text not null check (status in ('feasible', 'infeasible')),
  document jsonb not null,
  made_at timestamptz not null
);
create index plan_newest on plan (dish_id, id desc);

create table run_event (
  run_id uuid not null references run (id) on delete cascade,
  sequence integer not null,
  key uuid not null unique,
  kind text not null,
  step text,
  at timestamptz not null,
  data jsonb not null default '{}',
  recorded_at timestamptz not null default now(),
  primary key (run_id, sequence)
);

create function refuse_change() returns trigger language plpgsql as $$
begin
  raise exception 'the log of a run is append-only';
end $$;
create trigger run_event_append_only before update or delete on run_event for each row execute function refuse_change();
