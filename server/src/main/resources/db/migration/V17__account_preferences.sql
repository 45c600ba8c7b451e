-- What a person sets for the own account.

create table account_preference (
  account_id int primary key,
  mail varchar(254),
  keys_on boolean default true not null,
  keys varchar(4000) not null
);
comment on table account_preference is 'What people set for their own accounts; an account without a line has the defaults.';
comment on column account_preference.mail is 'Address that mail to this person goes to; null where the name of the account is one, or there is none.';
comment on column account_preference.keys_on is 'Whether single keys act on the page.';
comment on column account_preference.keys is 'Keys that differ from the usual ones as JSON, by what they do.';
