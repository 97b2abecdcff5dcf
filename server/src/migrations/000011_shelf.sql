-- Up Migration
-- The shelf's books: what things cost as they came, by lot, and why they went. A run takes for its good cards and for its
-- spoiled ones, each told apart.
alter table movements add column price_minor bigint check (price_minor >= 0), add column lot text, add column note text;
alter table movements drop constraint movements_cause_check;
alter table movements add constraint movements_cause_check check (
  cause in ('opening', 'bought', 'counted', 'made', 'spoiled', 'offcut', 'other', 'away')
  and (cause in ('made', 'spoiled')) = (run_id is not null));
drop index movements_by_run;
create unique index movements_by_run on movements (studio_id, run_id, shelf, thing_id, cause) where run_id is not null;

-- What each card of a run takes off the shelf, as it was planned when the run was released. Of older runs nothing is known.
alter table runs add column takes jsonb;
-- And the minutes that each of its stages was to take.
alter table runs add column stage_minutes jsonb;

-- Down Migration
alter table runs drop column takes, drop column stage_minutes;
-- A count stays what it was: what was told apart is counted anew.
delete from movements m using movements n
  where m.cause = 'spoiled' and n.cause = 'made' and m.studio_id = n.studio_id and m.run_id = n.run_id
    and m.shelf = n.shelf and m.thing_id = n.thing_id and m.change = 0;
drop index movements_by_run;
alter table movements drop constraint movements_cause_check;
update movements set cause = 'counted', run_id = null where cause in ('bought', 'spoiled', 'offcut', 'other');
alter table movements drop column price_minor, drop column lot, drop column note;
create unique index movements_by_run on movements (studio_id, run_id, shelf, thing_id) where run_id is not null;
alter table movements add constraint movements_cause_check check (
  cause in ('opening', 'counted', 'away', 'made') and (cause = 'made') = (run_id is not null));
