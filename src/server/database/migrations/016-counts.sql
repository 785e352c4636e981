-- How many tests and hints there are among the steps: counting them read every step of the day for each look at the Floor.
-- Null for work of before, which is counted when it is shown.
alter table work_orders add column tests integer, add column hints integer;

create or replace view current_orders as
  select id, circuit_id, student_id, instructor_id, complaint, document, faults, rubric, created_at, concluded_at, frame, bench,
    taken, released_at, started_at, extra_minutes, like_of, meter_id, lesson_id, lab_day_id, station, round, stopped, judged_at,
    circuit, tests, hints
  from work_orders where binned_at is null;
