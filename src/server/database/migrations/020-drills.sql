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

-- How often a wrong idea could have shown in an attempt or a drill, how often it did, and what that says for it.
create table misbelief_evidence (
  student_id uuid not null references users (id) on delete cascade deferrable initially immediate,
  -- The work order or the item of a drill: one of the two, by which it goes when that goes.
  source_id uuid not null,
  order_id uuid references work_orders (id) on delete cascade deferrable initially immediate,
  item_id uuid references drill_items (id) on delete cascade deferrable initially immediate,
  misbelief text not null,
  shown integer not null,
  occasions integer not null,
  -- Natural logarithm of how much likelier all this is from somebody who holds it.
  weight double precision not null,
  -- Step of the attempt, from 0, at which it showed; null where it did not, and of a drill.
  step integer,
  at timestamptz not null default now(),
  primary key (source_id, misbelief)
);
create index misbelief_evidence_student on misbelief_evidence (student_id, misbelief, weight, shown, occasions);
create index misbelief_evidence_order on misbelief_evidence (order_id);
create index misbelief_evidence_item on misbelief_evidence (item_id);
