alter table circuits add column folder text not null default '';
alter table circuits add column tags jsonb not null default '[]';

create table circuit_versions (
  id uuid primary key default gen_random_uuid(),
  circuit_id uuid not null references circuits (id) on delete cascade,
  name text not null,
  document jsonb not null,
  created_at timestamptz not null default now()
);
create index circuit_versions_circuit on circuit_versions (circuit_id);

create table fault_sets (
  id uuid primary key default gen_random_uuid(),
  circuit_id uuid not null references circuits (id) on delete cascade,
  name text not null,
  plant jsonb not null,
  created_at timestamptz not null default now(),
  unique (circuit_id, name)
);
