-- What a work order fixes besides circuit, fault and rubric; and where its bench stands after its last step.
alter table work_orders add column frame jsonb;
alter table work_orders add column bench jsonb;
alter table work_orders add column taken integer not null default 0;
update work_orders set taken = (select count(*) from steps where work_order_id = work_orders.id);

-- A judgement is made anew only when steps, rubric or engine have changed: `sign` tells.
create table judgements (
  work_order_id uuid primary key references work_orders (id) on delete cascade,
  sign text not null,
  body jsonb not null,
  at timestamptz not null default now()
);
create index work_orders_created on work_orders (created_at desc);
