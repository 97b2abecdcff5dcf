-- Up Migration
-- What a press at the bench says beside its kind: minutes of a timer, a piece measured, a note.
alter table run_events add column detail jsonb;
alter table run_events drop constraint run_events_kind_check;
alter table run_events add constraint run_events_kind_check check (
  kind in ('good', 'spoiled', 'step', 'finish', 'undo', 'timer', 'measured', 'note'));
create index run_events_measured on run_events (studio_id, at desc) where kind = 'measured';

-- What a card lost at each stage has cost, as it was planned when the run was released. Of older runs nothing is known.
alter table runs add column loss_costs jsonb;

-- Down Migration
alter table runs drop column loss_costs;
drop index run_events_measured;
-- A taking back of what goes with them goes too.
delete from run_events u using run_events e
  where u.studio_id = e.studio_id and u.undoes = e.id and e.kind in ('timer', 'measured', 'note');
delete from run_events where kind in ('timer', 'measured', 'note');
alter table run_events drop constraint run_events_kind_check;
alter table run_events add constraint run_events_kind_check check (kind in ('good', 'spoiled', 'step', 'finish', 'undo'));
alter table run_events drop column detail;
