-- Where a load's lines come from, so that a source that is late can be named.

alter table load add column source varchar(400);
comment on column load.source is 'The system it was pulled from, or the header of its file without titles that hold figures; null where it was staged before this was kept.';

alter table ladder add column per_month boolean default false not null;
comment on column ladder.per_month is 'Whether bounds in amounts are those of one month, scaled by the months with actuals in the span.';
