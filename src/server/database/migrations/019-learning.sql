-- How hard an order is before anybody has tried it, by a digest of all that this follows from.
create table difficulties (
  hash text primary key,
  circuit text not null,
  -- The planted faults as they are described.
  fault text not null,
  -- Logits, and their standard deviation.
  difficulty double precision not null,
  spread double precision not null,
  -- What makes it hard, the most first.
  reasons jsonb not null,
  at timestamptz not null default now()
);
create index difficulties_fault on difficulties (circuit, fault, difficulty, spread);
create index difficulties_newest on difficulties (at desc);

-- Of each set of a lesson, as that was in its version: {"version", "sets": [...]}.
alter table lessons add column difficulty jsonb;

-- What an attempt says beside its mark (how hard its fault was made, which wrong ideas it speaks for) has been taken down.
alter table attempt_results add column learned boolean not null default false;
create or replace view current_results as
  select work_order_id, student_id, concluded_at, circuit, fault, found, tests, minutes, doubt, marks, total, most, uncapped, mark,
    evidence, verdicts, wrong, sure, engine, rubric, marked_before, marked_anew_at, at, learned
  from attempt_results where binned_at is null;
create index attempt_results_unlearned on attempt_results (concluded_at desc) where not learned and binned_at is null;
