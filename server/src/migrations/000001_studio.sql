-- Up Migration
-- Every row belongs to a studio from the first day, so that more studios never mean a rewrite.
create table studios (
  id uuid primary key,
  name text not null,
  workshop jsonb not null,
  workshop_version integer not null default 1,
  created_at timestamptz not null default now()
);

create table jobs (
  id uuid primary key,
  studio_id uuid not null references studios (id),
  document jsonb not null,
  -- Rises by one with every save; a save that expects another number is a conflict, not a loss.
  version integer not null default 1,
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now(),
  deleted_at timestamptz
);
create index jobs_by_studio on jobs (studio_id, updated_at desc);

create table job_revisions (
  studio_id uuid not null references studios (id),
  job_id uuid not null references jobs (id),
  version integer not null,
  document jsonb not null,
  saved_at timestamptz not null default now(),
  primary key (job_id, version)
);

create table pictures (
  studio_id uuid not null references studios (id),
  sha256 char(64) not null,
  mime text not null,
  width_px double precision not null,
  height_px double precision not null,
  bytes bytea not null,
  preview_mime text not null,
  preview bytea not null,
  created_at timestamptz not null default now(),
  primary key (studio_id, sha256)
);

create table runs (
  id uuid primary key,
  studio_id uuid not null references studios (id),
  job_id uuid not null references jobs (id),
  -- The job and its steps as they were when the run was released to the bench.
  document jsonb not null,
  steps jsonb not null,
  wanted integer not null,
  started_at timestamptz not null default now(),
  finished_at timestamptz
);
create index runs_by_job on runs (job_id, started_at desc);

create table run_events (
  id uuid primary key,
  studio_id uuid not null references studios (id),
  run_id uuid not null references runs (id),
  kind text not null check (kind in ('good', 'spoiled', 'step', 'finish', 'undo')),
  cards integer not null default 1,
  cause text,
  step_id text,
  undoes uuid,
  at timestamptz not null default now()
);
create index run_events_by_run on run_events (run_id, at);

create table exports (
  id uuid primary key,
  studio_id uuid not null references studios (id),
  job_id uuid not null references jobs (id),
  document jsonb not null,
  what text not null,
  format text not null,
  state text not null default 'waiting' check (state in ('waiting', 'working', 'done', 'failed')),
  done integer not null default 0,
  total integer not null default 0,
  message text,
  created_at timestamptz not null default now()
);

create table export_files (
  studio_id uuid not null references studios (id),
  export_id uuid not null references exports (id) on delete cascade,
  number integer not null,
  name text not null,
  mime text not null,
  bytes bytea not null,
  primary key (export_id, number)
);

-- Down Migration
drop table export_files, exports, run_events, runs, pictures, job_revisions, jobs, studios;
