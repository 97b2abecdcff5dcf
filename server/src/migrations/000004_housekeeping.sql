-- Up Migration
-- When something last named a picture; one that nothing has named for a month goes.
alter table pictures add column named_at timestamptz not null default now();
-- Pictures are packed already: kept as they are, a piece of one can be read without the rest.
alter table pictures alter column bytes set storage external, alter column preview set storage external;
-- A maker who does not wait for a file any more says so.
alter table exports drop constraint exports_state_check;
alter table exports add constraint exports_state_check
  check (state in ('waiting', 'working', 'done', 'failed', 'cancelled'));

-- Workers that are at hand, each heard of every few seconds.
create table workers (id uuid primary key, beat_at timestamptz not null default now());

-- Down Migration
drop table workers;
update exports set state = 'failed' where state = 'cancelled';
alter table exports drop constraint exports_state_check;
alter table exports add constraint exports_state_check check (state in ('waiting', 'working', 'done', 'failed'));
alter table pictures alter column bytes set storage extended, alter column preview set storage extended;
alter table pictures drop column named_at;
