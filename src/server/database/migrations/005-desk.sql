-- A time limit runs from the moment when the student first opened the order; an instructor may give more.
alter table work_orders add column started_at timestamptz;
alter table work_orders add column extra_minutes integer not null default 0;

-- The order that this one is like: what its student asked for after reading the review.
alter table work_orders add column like_of uuid references work_orders (id) on delete set null;

-- What a student answers to a verdict of the review, by step and verdict.
create table replies (
  work_order_id uuid not null references work_orders (id) on delete cascade,
  step integer not null,
  verdict text not null,
  body text not null,
  at timestamptz not null default now(),
  primary key (work_order_id, step, verdict)
);

-- Meters that can be read over the network, and the station that each stands at.
create table meters (
  id uuid primary key default gen_random_uuid(),
  name text not null unique,
  host text not null,
  port integer not null,
  at timestamptz not null default now()
);
alter table work_orders add column meter_id uuid references meters (id) on delete set null;
