-- Where a load's lines come from, so that a source that is late can be named.

alter table load add column source varchar(400);
comment on column load.source is 'The system it was pulled from, or the header of its file without titles that hold figures; null where it was staged before this was kept.';
