-- Up Migration
-- What is put on cards and what holds it, a row a thing as all that a maker owns.
create table trimmings (like stocks including all, foreign key (studio_id) references studios (id));
create table adhesives (like stocks including all, foreign key (studio_id) references studios (id));

-- Trimmings are counted, and a run that is finished takes what its good cards carry: of one thing once a run.
alter table movements add column run_id uuid;
alter table movements drop constraint movements_shelf_check, drop constraint movements_cause_check;
alter table movements
  add constraint movements_shelf_check check (shelf in ('stocks', 'envelopes', 'trimmings')),
  add constraint movements_cause_check check (cause in ('opening', 'counted', 'away', 'made') and (cause = 'made') = (run_id is not null));
create unique index movements_by_run on movements (studio_id, run_id, shelf, thing_id) where run_id is not null;

-- Down Migration
delete from movements where shelf = 'trimmings';
drop index movements_by_run;
alter table movements drop constraint movements_shelf_check, drop constraint movements_cause_check;
alter table movements drop column run_id;
alter table movements
  add constraint movements_shelf_check check (shelf in ('stocks', 'envelopes')),
  add constraint movements_cause_check check (cause in ('opening', 'counted', 'away'));
drop table adhesives;
drop table trimmings;
