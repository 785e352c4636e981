-- The language that each reads: none has been chosen yet, and the browser's own is taken.
alter table users add column language text not null default '';
