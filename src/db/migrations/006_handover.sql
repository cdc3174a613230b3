-- The night is handed over at bedtime: what was confirmed then, and from when on the morning is told what happened.
alter table record_entry drop constraint record_entry_kind_check;
alter table record_entry add constraint record_entry_kind_check
  check (kind in ('timer', 'timer-answer', 'reading', 'device', 'round', 'tally', 'note', 'amount', 'verdict', 'handover', 'tick', 'withdrawn'));
