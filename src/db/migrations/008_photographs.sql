-- A photograph of a run is an entry like the others; the picture itself is a file beside the database, named by the sum of its bytes.
alter table record_entry drop constraint record_entry_kind_check;
alter table record_entry add constraint record_entry_kind_check
  check (kind in ('timer', 'timer-answer', 'reading', 'device', 'round', 'tally', 'note', 'amount', 'verdict', 'handover', 'photograph', 'tick', 'withdrawn'));
create index record_entry_photograph on record_entry (id) where kind = 'photograph';
