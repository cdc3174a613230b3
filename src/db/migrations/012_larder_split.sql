-- Some of an item can go to another place and be an item of its own there.
alter table larder_event drop constraint larder_event_kind_check;
alter table larder_event add constraint larder_event_kind_check
  check (kind in ('added', 'taken', 'moved', 'split', 'opened', 'counted', 'reserved', 'discarded', 'withdrawn'));
