-- Up Migration
-- Typefaces that makers bring, as they came; what is said of them beside their bytes follows from these.
create table typefaces (
  studio_id uuid not null references studios (id),
  sha256 char(64) not null,
  name text not null,
  facts jsonb not null,
  bytes bytea not null,
  created_at timestamptz not null default now(),
  primary key (studio_id, sha256)
);
-- Packed or drawn as tightly as they can be, most of them.
alter table typefaces alter column bytes set storage external;

-- Down Migration
drop table typefaces;
