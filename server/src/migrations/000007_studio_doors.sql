-- Up Migration
-- The studio that was entered last is the one that pages open; one that was never entered waits to be chosen. Whoever
-- has worked here before is in theirs already.
alter table studios add column entered_at timestamptz;
update studios set entered_at = now();

-- What ships to be looked round in, and is nobody's own.
alter table studios add column is_demo boolean not null default false;

-- Down Migration
alter table studios drop column is_demo, drop column entered_at;
