create table users (
  id uuid primary key default gen_random_uuid(),
  login text not null unique,
  name text not null,
  role text not null check (role in ('instructor', 'student')),
  password_hash text not null,
  created_at timestamptz not null default now()
);

create table sessions (
  token_hash text primary key,
  user_id uuid not null references users (id) on delete cascade,
  expires_at timestamptz not null
);

create table circuits (
  id uuid primary key default gen_random_uuid(),
  owner_id uuid references users (id),
  document jsonb not null,
  revision integer not null default 1,
  plant jsonb,
  updated_at timestamptz not null default now()
);

create table circuit_edits (
  circuit_id uuid not null references circuits (id) on delete cascade,
  position integer not null,
  edit jsonb not null,
  inverse jsonb not null,
  undone boolean not null default false,
  primary key (circuit_id, position)
);

create table work_orders (
  id uuid primary key default gen_random_uuid(),
  circuit_id uuid references circuits (id) on delete set null,
  student_id uuid not null references users (id),
  instructor_id uuid not null references users (id),
  complaint text not null,
  document jsonb not null,
  faults jsonb not null,
  rubric jsonb not null,
  created_at timestamptz not null default now(),
  concluded_at timestamptz
);
create index work_orders_student on work_orders (student_id);

create table steps (
  work_order_id uuid not null references work_orders (id) on delete cascade,
  position integer not null,
  key uuid not null,
  body jsonb not null,
  at timestamptz not null default now(),
  primary key (work_order_id, position),
  unique (work_order_id, key)
);
