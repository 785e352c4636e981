-- Groups with a term, and who is in them. `sourced` is what another system calls a person or a group (OneRoster sourcedId).
create table classes (
  id uuid primary key default gen_random_uuid(),
  name text not null,
  term text not null default '',
  sourced text unique,
  created_at timestamptz not null default now(),
  unique (name, term)
);
create table class_members (
  class_id uuid not null references classes (id) on delete cascade,
  user_id uuid not null references users (id) on delete cascade,
  primary key (class_id, user_id)
);
alter table users add column sourced text unique;

-- A lesson: circuit, fault sets to draw from, complaint and frame, as they were when it was made. Every version is kept.
create table lessons (
  id uuid primary key default gen_random_uuid(),
  name text not null,
  folder text not null default '',
  version integer not null default 1,
  body jsonb not null,
  updated_at timestamptz not null default now()
);
create table lesson_versions (
  lesson_id uuid not null references lessons (id) on delete cascade,
  version integer not null,
  body jsonb not null,
  at timestamptz not null default now(),
  primary key (lesson_id, version)
);

-- A day in the workshop: stations, rounds, and who stands where, as one document.
create table lab_days (
  id uuid primary key default gen_random_uuid(),
  name text not null,
  day date not null,
  class_id uuid references classes (id) on delete set null,
  revision integer not null default 1,
  body jsonb not null,
  updated_at timestamptz not null default now()
);
alter table work_orders add column lesson_id uuid references lessons (id) on delete set null;
alter table work_orders add column lab_day_id uuid references lab_days (id) on delete set null;
alter table work_orders add column station text;
alter table work_orders add column round integer;
create index work_orders_day on work_orders (lab_day_id, round);

-- Work that was stopped for safety says why; it goes on when the instructor lets it.
alter table work_orders add column stopped text;
-- What an instructor said to a student at work, or did for them.
create table acts (
  id bigint generated always as identity primary key,
  work_order_id uuid not null references work_orders (id) on delete cascade,
  type text not null,
  body text not null default '',
  instructor_id uuid references users (id),
  at timestamptz not null default now()
);
create index acts_order on acts (work_order_id);

-- What a school's computers know of themselves: when it was last backed up.
create table facts (
  name text primary key,
  body text not null,
  at timestamptz not null default now()
);
