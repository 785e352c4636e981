-- A question put to a class from Show: what a student's screen says, and nothing that gives the answer away.
create table questions (
  id uuid primary key default gen_random_uuid(),
  instructor_id uuid not null references users (id) on delete cascade,
  -- Null: everybody of the school.
  class_id uuid references classes (id) on delete cascade,
  body jsonb not null,
  asked_at timestamptz not null default now(),
  closed_at timestamptz
);
create index questions_open on questions (asked_at) where closed_at is null;
create table answers (
  question_id uuid not null references questions (id) on delete cascade,
  user_id uuid not null references users (id) on delete cascade,
  body jsonb not null,
  at timestamptz not null default now(),
  primary key (question_id, user_id)
);

-- The word of the day: whoever stands at a bench signs in with the bench's card and this, until the day is over.
alter table lab_days add column word text;
-- A session that came of a card: its account's own password is none of its business.
alter table sessions add column by_card boolean not null default false;
