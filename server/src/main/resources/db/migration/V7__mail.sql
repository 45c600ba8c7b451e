-- Where a rep's statements go.

alter table stay_row add column mail varchar(120);
comment on column stay_row.mail is 'The rep''s mail address; null where the line gave none.';
