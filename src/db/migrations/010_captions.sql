-- What a photograph shows is said afterwards, as an entry of its own that names it.
alter table record_entry drop constraint record_entry_kind_check;
alter table record_entry add constraint record_entry_kind_check
  check (kind in ('timer', 'timer-answer', 'reading', 'device', 'round', 'tally', 'note', 'amount', 'verdict', 'handover', 'photograph', 'caption', 'tick', 'withdrawn'));

-- Words of the notebook are searched over all runs.
create index record_entry_words on record_entry using gin (to_tsvector('simple', coalesce(data->>'text', '')))
  where kind in ('note', 'verdict', 'photograph', 'caption');
