-- Wrong tries by sign-in name, whether there is such an account or not; kept here, so that a restart or a second server
-- does not begin anew.
create table tries (
  login text primary key,
  wrong integer not null default 0,
  until timestamptz not null default now()
);

-- Who signed in and who failed to: account, address and outcome, no secrets.
create table sign_ins (
  id bigint generated always as identity primary key,
  at timestamptz not null default now(),
  login text not null,
  address text not null,
  outcome text not null
);
create index sign_ins_at on sign_ins (at);

-- A password that somebody else chose is to be changed at the first sign-in.
alter table users add column must_change boolean not null default false;
