-- Snapshots of deals.

alter table load add column as_of date;
comment on column load.as_of is 'The day as of which the source knew the deals of a snapshot; null for other kinds.';

create table deal_part (
  id bigint primary key,
  load_id int not null,
  row_count int not null,
  content varbinary(1048576) not null
);
comment on table deal_part is 'Deals of snapshots, some thousand in one piece; numbered load x 2^32 + number.';
comment on column deal_part.content is 'The columns of the deals: CBOR, deflated.';
