-- Up Migration
-- A row is named by its studio and its own id: two studios may use the same id, and no reference leads to another studio.
alter table job_revisions drop constraint job_revisions_job_id_fkey;
alter table runs drop constraint runs_job_id_fkey;
alter table run_events drop constraint run_events_run_id_fkey;
alter table exports drop constraint exports_job_id_fkey;
alter table export_files drop constraint export_files_export_id_fkey;

alter table jobs drop constraint jobs_pkey, add primary key (studio_id, id);
alter table job_revisions drop constraint job_revisions_pkey, add primary key (studio_id, job_id, version);
alter table runs drop constraint runs_pkey, add primary key (studio_id, id);
alter table run_events drop constraint run_events_pkey, add primary key (studio_id, id);
alter table exports drop constraint exports_pkey, add primary key (studio_id, id);
alter table export_files drop constraint export_files_pkey, add primary key (studio_id, export_id, number);

alter table job_revisions add foreign key (studio_id, job_id) references jobs (studio_id, id);
alter table runs add foreign key (studio_id, job_id) references jobs (studio_id, id);
alter table run_events add foreign key (studio_id, run_id) references runs (studio_id, id);
alter table exports add foreign key (studio_id, job_id) references jobs (studio_id, id);
alter table export_files add foreign key (studio_id, export_id) references exports (studio_id, id) on delete cascade;

drop index runs_by_job;
create index runs_by_job on runs (studio_id, job_id, started_at desc);
drop index run_events_by_run;
create index run_events_by_run on run_events (studio_id, run_id, at);

-- Down Migration
drop index run_events_by_run;
create index run_events_by_run on run_events (run_id, at);
drop index runs_by_job;
create index runs_by_job on runs (job_id, started_at desc);

alter table job_revisions drop constraint job_revisions_studio_id_job_id_fkey;
alter table runs drop constraint runs_studio_id_job_id_fkey;
alter table run_events drop constraint run_events_studio_id_run_id_fkey;
alter table exports drop constraint exports_studio_id_job_id_fkey;
alter table export_files drop constraint export_files_studio_id_export_id_fkey;

alter table jobs drop constraint jobs_pkey, add primary key (id);
alter table job_revisions drop constraint job_revisions_pkey, add primary key (job_id, version);
alter table runs drop constraint runs_pkey, add primary key (id);
alter table run_events drop constraint run_events_pkey, add primary key (id);
alter table exports drop constraint exports_pkey, add primary key (id);
alter table export_files drop constraint export_files_pkey, add primary key (export_id, number);

alter table job_revisions add foreign key (job_id) references jobs (id);
alter table runs add foreign key (job_id) references jobs (id);
alter table run_events add foreign key (run_id) references runs (id);
alter table exports add foreign key (job_id) references jobs (id);
alter table export_files add foreign key (export_id) references exports (id) on delete cascade;
