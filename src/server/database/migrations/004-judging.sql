-- A review is the student's from the moment when the instructor gives it back.
alter table work_orders add column released_at timestamptz;

-- What a predictor believes after the complaint, by the hash of all that it follows from: worked out once, at hand-out.
create table prepared (
  hash text primary key,
  body jsonb not null,
  at timestamptz not null default now()
);

-- Rubrics by their version; the latest marks the orders that are handed out from then on.
create table rubrics (
  version integer primary key,
  body jsonb not null,
  instructor_id uuid references users (id),
  at timestamptz not null default now()
);

-- What an instructor puts in place of a mark of the judge: both values are kept.
create table overrides (
  work_order_id uuid not null references work_orders (id) on delete cascade,
  aspect text not null,
  points double precision not null,
  note text not null,
  instructor_id uuid not null references users (id),
  at timestamptz not null default now(),
  primary key (work_order_id, aspect)
);
