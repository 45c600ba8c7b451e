-- The record: entries and seals linked by hashes, rows with a digest, decisions with who took them.

create table record_head (
  id int primary key,
  place bigint not null,
  hash varchar(64) not null
);
comment on table record_head is 'The last link of the audit trail; one row, locked while another entry is added.';

alter table audit_entry add place bigint;
alter table audit_entry add previous_hash varchar(64);
alter table audit_entry add hash varchar(64);
alter table audit_entry add load_id int;
comment on column audit_entry.hash is 'SHA-256 over the entry and the hash of the one before (docs/decisions/0024).';
create index audit_by_load on audit_entry (load_id);

alter table seal add form int default 1 not null;
alter table seal add previous_hash varchar(64);
alter table seal add hash varchar(64);
comment on column seal.hash is 'SHA-256 over the seal and the hash of the one before.';

alter table load add row_digest varchar(64);
comment on column load.row_digest is 'SHA-256 over the rows of a posted load, compared whenever they are read.';

alter table fix add was varchar(32767);
alter table fix add decided_by varchar(80);
alter table fix add decided_at timestamp(3) with time zone;

alter table alias add written varchar(120);
alter table alias add accepted_by varchar(80);
alter table alias add accepted_at timestamp(3) with time zone;
