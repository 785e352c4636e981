-- What was done under a key that the page made: asked for twice, it is done once.
create table done_requests (
  key uuid primary key,
  user_id uuid not null references users (id) on delete cascade deferrable initially immediate,
  answer jsonb,
  at timestamptz not null default now()
);
create index done_requests_user on done_requests (user_id);
create index done_requests_at on done_requests (at);

-- One order for each student in each round of a lab day. Doubles of before stay orders of the day, of no round.
update work_orders o set round = null
 where round is not null and exists (
   select 1 from work_orders other
    where other.lab_day_id = o.lab_day_id and other.round = o.round and other.student_id = o.student_id
      and (other.taken, other.created_at, other.id) > (o.taken, o.created_at, o.id));
create unique index work_orders_round on work_orders (lab_day_id, round, student_id);

-- One open practice like an order at a time.
update work_orders o set like_of = null
 where like_of is not null and concluded_at is null and exists (
   select 1 from work_orders other
    where other.like_of = o.like_of and other.concluded_at is null
      and (other.taken, other.created_at, other.id) > (o.taken, o.created_at, o.id));
create unique index work_orders_like_open on work_orders (like_of) where concluded_at is null;
