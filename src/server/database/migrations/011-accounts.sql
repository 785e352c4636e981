-- A session knows when it began, so that one that a wrong clock has made does not outlive it, and whether it is for one
-- bench of one day only: {"day": …, "stand": …}.
alter table sessions add column id uuid not null default gen_random_uuid();
alter table sessions add column begun_at timestamptz not null default now();
alter table sessions add column bench jsonb;
delete from sessions where by_card;
alter table sessions drop column by_card;
create unique index sessions_id on sessions (id);
create index sessions_user on sessions (user_id);

-- Browsers from which an account was signed in to before: wrong tries of others do not slow these.
create table devices (
  token_hash text not null,
  user_id uuid not null references users (id) on delete cascade deferrable initially immediate,
  seen_at timestamptz not null default now(),
  primary key (token_hash, user_id)
);
create index devices_user on devices (user_id);

-- Wrong tries by account and where they came from. When the last one was, not until when to wait: a clock that was wrong
-- for a while must not shut anybody out for years.
drop table tries;
create table wrong_tries (
  account text not null,
  source text not null,
  wrong integer not null default 0,
  last_at timestamptz not null default now(),
  primary key (account, source)
);
create index wrong_tries_at on wrong_tries (last_at);

-- Requests counted over a while, by whom and what for; for all server processes together. Lost in a crash, which is no harm.
create unlogged table request_counts (
  key text primary key,
  count integer not null,
  since timestamptz not null default now()
);

-- A student's own code for a bench: hashed like a password.
alter table users add column bench_code_hash text;

-- Somebody at a bench who waits for the instructor to say that they are who they say.
create table bench_claims (
  id uuid primary key default gen_random_uuid(),
  secret_hash text not null,
  lab_day_id uuid not null references lab_days (id) on delete cascade deferrable initially immediate,
  stand integer not null,
  user_id uuid not null references users (id) on delete cascade deferrable initially immediate,
  asked_at timestamptz not null default now(),
  confirmed_at timestamptz
);
create index bench_claims_open on bench_claims (asked_at) where confirmed_at is null;
create index bench_claims_day on bench_claims (lab_day_id);
create index bench_claims_user on bench_claims (user_id);

-- Who an account is in the school's own directory (OpenID Connect: issuer and subject).
create table identities (
  issuer text not null,
  subject text not null,
  user_id uuid not null references users (id) on delete cascade deferrable initially immediate,
  at timestamptz not null default now(),
  primary key (issuer, subject)
);
create index identities_user on identities (user_id);
-- A sign-in at the directory that is under way, by the hash of what the browser was given.
create table directory_visits (
  token_hash text primary key,
  body jsonb not null,
  at timestamptz not null default now()
);
