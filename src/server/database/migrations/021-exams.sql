-- An examination: a lesson's sets, alike in difficulty, to a class in a window of time.
create table exams (
  id uuid primary key default gen_random_uuid(),
  name text not null,
  lesson_id uuid references lessons (id) on delete set null deferrable initially immediate,
  instructor_id uuid references users (id) on delete set null deferrable initially immediate,
  opens_at timestamptz not null,
  closes_at timestamptz not null,
  minutes integer not null,
  room text not null default '',
  -- open, part or closed.
  handbook text not null,
  -- By how much one variant is harder than another, logits.
  apart double precision not null default 0,
  released_at timestamptz,
  created_at timestamptz not null default now()
);
create index exams_opens on exams (opens_at desc);
create index exams_lesson on exams (lesson_id);
create index exams_instructor on exams (instructor_id);

alter table work_orders add column exam_id uuid references exams (id) on delete set null deferrable initially immediate,
  -- When it is handed in by itself, and which of the lesson's sets it is, from 0.
  add column closes_at timestamptz, add column variant integer;
create index work_orders_exam on work_orders (exam_id);
create index work_orders_closing on work_orders (closes_at) where concluded_at is null and closes_at is not null and binned_at is null;

create or replace view current_orders as
  select id, circuit_id, student_id, instructor_id, complaint, document, faults, rubric, created_at, concluded_at, frame, bench,
    taken, released_at, started_at, extra_minutes, like_of, meter_id, lesson_id, lab_day_id, station, round, stopped, judged_at,
    circuit, tests, hints, exam_id, closes_at, variant
  from work_orders where binned_at is null;
