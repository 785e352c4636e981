-- What the judge makes of work that goes on: what the Floor shows of it.
create table attempt_progress (
  work_order_id uuid primary key references work_orders (id) on delete cascade deferrable initially immediate,
  -- Steps that it has looked at.
  steps integer not null,
  -- Pieces still in doubt after each of them.
  suspects jsonb not null,
  idle integer not null,
  unsafe jsonb not null,
  total double precision,
  at timestamptz not null default now()
);

-- One finished attempt with all that lists and reports ask of it, written when it is judged.
create table attempt_results (
  work_order_id uuid primary key references work_orders (id) on delete cascade deferrable initially immediate,
  student_id uuid not null references users (id) on delete cascade deferrable initially immediate,
  concluded_at timestamptz not null,
  circuit text not null,
  -- The planted faults as they are described.
  fault text not null,
  found boolean not null,
  tests integer not null,
  minutes double precision not null,
  -- Share of the doubt that the evidence has left, 0 to 1.
  doubt double precision not null,
  -- The judge's own: [{"aspect", "points", "of"}], and the cap of a grave error of safety.
  marks jsonb not null,
  total double precision not null,
  most double precision not null,
  uncapped double precision,
  -- The mark that counts, of 100: with what an instructor has put in place of the judge's points.
  mark double precision not null,
  -- [skill, share, weight] of each thing that it says of a skill.
  evidence jsonb not null,
  -- Step and code of each verdict, as 3:assessment.sound.
  verdicts text[] not null,
  -- The first conclusion: the piece where it was none of the guilty ones, and how sure the student was.
  wrong text,
  sure integer,
  -- What judged it, and by which rubric: digests.
  engine text not null,
  rubric text not null,
  at timestamptz not null default now()
);
create index attempt_results_student on attempt_results (student_id, concluded_at desc, work_order_id);
create index attempt_results_concluded on attempt_results (concluded_at desc, work_order_id);
-- Read without the rows: what each fault has shown, and what confidence was worth, over a whole school.
create index attempt_results_fault on attempt_results (circuit, fault, found, tests, minutes, wrong);
create index attempt_results_sure on attempt_results (sure, found);
create index attempt_results_engine on attempt_results (engine, concluded_at desc);

-- A mark that its student has been given does not change by itself: what a newer judge would give waits here.
create table rejudgements (
  work_order_id uuid primary key references work_orders (id) on delete cascade deferrable initially immediate,
  sign text not null,
  body jsonb not null,
  mark double precision not null,
  -- An instructor has looked at it and left the mark as it was.
  declined boolean not null default false,
  at timestamptz not null default now()
);
-- When a mark was changed after it had been given back, and what it was before.
alter table attempt_results add column marked_before double precision;
alter table attempt_results add column marked_anew_at timestamptz;

-- When finished work got its result; null: it has none yet.
alter table work_orders add column judged_at timestamptz;
create index work_orders_unjudged on work_orders (concluded_at desc) where concluded_at is not null and judged_at is null;

-- The circuit's name beside its document: a list need not open hundreds of documents. Null in rows of before that come back
-- from a bin or a backup.
alter table work_orders add column circuit text;
update work_orders set circuit = document->>'name';

-- What lists look for.
create index work_orders_concluded on work_orders (concluded_at desc, id);
create index work_orders_age on work_orders (coalesce(concluded_at, created_at));
create index work_orders_open on work_orders (created_at desc, id) where concluded_at is null;
create index work_orders_unreleased on work_orders (concluded_at desc, id) where concluded_at is not null and released_at is null;
create index work_orders_given on work_orders (concluded_at desc, id) where concluded_at is not null and released_at is not null;
drop index work_orders_student;
create index work_orders_student on work_orders (student_id, created_at desc, id);
create index sign_ins_login on sign_ins (login);
create index lab_days_day on lab_days (day desc);

-- A row that is looked for by what it belongs to: without these, taking one thing away reads whole tables.
create index work_orders_circuit on work_orders (circuit_id);
create index work_orders_instructor on work_orders (instructor_id);
create index work_orders_lesson on work_orders (lesson_id);
create index work_orders_meter on work_orders (meter_id);
create index work_orders_like on work_orders (like_of);
create index circuits_owner on circuits (owner_id);
create index overrides_instructor on overrides (instructor_id);
create index rubrics_instructor on rubrics (instructor_id);
create index class_members_user on class_members (user_id);
create index lab_days_class on lab_days (class_id);
create index acts_instructor on acts (instructor_id);
create index questions_instructor on questions (instructor_id);
create index questions_class on questions (class_id);
create index answers_user on answers (user_id);

-- Who teaches a class: these come first where one is chosen.
create table class_instructors (
  class_id uuid not null references classes (id) on delete cascade deferrable initially immediate,
  user_id uuid not null references users (id) on delete cascade deferrable initially immediate,
  primary key (class_id, user_id)
);
create index class_instructors_user on class_instructors (user_id);
-- The classes and people that an instructor looked at last.
alter table users add column scope jsonb;
