-- Work in the bin stays where it is and says since when it is there: moving it took a second for a hundred attempts.
alter table work_orders add column binned_at timestamptz;
alter table attempt_results add column binned_at timestamptz;
create index work_orders_binned on work_orders (binned_at) where binned_at is not null;

-- What lies in the bin leaves its place in a round, and in a chain of practice, to what comes after it.
drop index work_orders_round;
create unique index work_orders_round on work_orders (lab_day_id, round, student_id) where binned_at is null;
drop index work_orders_like_open;
create unique index work_orders_like_open on work_orders (like_of) where concluded_at is null and binned_at is null;

-- Read without the rows, so these hold only what is seen.
drop index work_orders_unjudged;
create index work_orders_unjudged on work_orders (concluded_at desc)
  where concluded_at is not null and judged_at is null and binned_at is null;
drop index work_orders_open;
create index work_orders_open on work_orders (created_at desc, id) where concluded_at is null and binned_at is null;
drop index work_orders_unreleased;
create index work_orders_unreleased on work_orders (concluded_at desc, id)
  where concluded_at is not null and released_at is null and binned_at is null;
drop index work_orders_given;
create index work_orders_given on work_orders (concluded_at desc, id)
  where concluded_at is not null and released_at is not null and binned_at is null;
drop index attempt_results_fault;
create index attempt_results_fault on attempt_results (circuit, fault, found, tests, minutes, wrong) where binned_at is null;
drop index attempt_results_sure;
create index attempt_results_sure on attempt_results (sure, found) where binned_at is null;
drop index attempt_results_engine;
create index attempt_results_engine on attempt_results (engine, concluded_at desc) where binned_at is null;

-- What everybody sees: all but the bin. Whoever adds a column to the table adds it here.
create view current_orders as
  select id, circuit_id, student_id, instructor_id, complaint, document, faults, rubric, created_at, concluded_at, frame, bench,
    taken, released_at, started_at, extra_minutes, like_of, meter_id, lesson_id, lab_day_id, station, round, stopped, judged_at,
    circuit
  from work_orders where binned_at is null;
create view current_results as
  select work_order_id, student_id, concluded_at, circuit, fault, found, tests, minutes, doubt, marks, total, most, uncapped, mark,
    evidence, verdicts, wrong, sure, engine, rubric, marked_before, marked_anew_at, at
  from attempt_results where binned_at is null;
