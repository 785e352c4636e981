-- Work that became too old lies here for thirty days before it is gone: every row of it as it was, by table.
create table bin (
  work_order_id uuid primary key,
  student_id uuid not null references users (id) on delete cascade deferrable initially immediate,
  rows jsonb not null,
  at timestamptz not null default now()
);
create index bin_at on bin (at);
create index bin_student on bin (student_id);
