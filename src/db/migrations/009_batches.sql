-- Batches that are followed without a plan: a starter and its feedings, a vinegar, a ham that dries. What is written of one is append-only.

create table batch (
  id uuid primary key default gen_random_uuid(),
  name text not null check (char_length(name) between 1 and 200),
  aim jsonb,
  started_at timestamptz not null,
  ended_at timestamptz
);

create table batch_entry (
  id bigint generated always as identity primary key,
  batch_id uuid not null references batch (id),
  key uuid not null unique,
  kind text not null check (kind in ('reading', 'done', 'note', 'photograph', 'withdrawn')),
  at timestamptz not null,
  data jsonb not null,
  recorded_at timestamptz not null
);
create index batch_entry_batch on batch_entry (batch_id, id);
create index batch_entry_photograph on batch_entry (id) where kind = 'photograph';

create function refuse_batch_change() returns trigger language plpgsql as $$
begin
  raise exception 'what was written of a batch is append-only';
end $$;
create trigger batch_entry_append_only before update or delete on batch_entry for each row execute function refuse_batch_change();
create trigger batch_entry_no_truncate before truncate on batch_entry for each statement execute function refuse_truncate();
