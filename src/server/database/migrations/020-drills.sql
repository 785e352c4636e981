-- What an instructor has set a class to do by itself.
create table drill_sets (
  id uuid primary key default gen_random_uuid(),
  class_id uuid not null references classes (id) on delete cascade deferrable initially immediate,
  instructor_id uuid references users (id) on delete set null deferrable initially immediate,
  name text not null,
  -- Kinds of question.
  kinds text[] not null,
  items integer not null,
  due date not null,
  created_at timestamptz not null default now()
);
create index drill_sets_class on drill_sets (class_id, due desc);
create index drill_sets_instructor on drill_sets (instructor_id);

-- One question that somebody was asked, with its key, and what was answered.
create table drill_items (
  id uuid primary key default gen_random_uuid(),
  user_id uuid not null references users (id) on delete cascade deferrable initially immediate,
  set_id uuid references drill_sets (id) on delete set null deferrable initially immediate,
  kind text not null,
  -- Logits.
  difficulty double precision not null,
  circuit jsonb not null,
  item jsonb not null,
  given_at timestamptz not null default now(),
  answer jsonb,
  -- 0 to 1; null while it is not answered.
  share double precision,
  answered_at timestamptz
);
create index drill_items_user on drill_items (user_id, answered_at desc);
create index drill_items_set on drill_items (set_id, user_id);
alter table drill_items alter column item set statistics 0, alter column circuit set statistics 0,
  alter column answer set statistics 0;
