-- Up Migration
-- What a maker owns: a row a thing, with a version that rises when that thing is changed. What is asked of a thing stands
-- in `facts`, as the core describes it; its key, its place on the shelf and its count are columns.
create table rates (
  studio_id uuid primary key references studios (id),
  facts jsonb not null,
  version integer not null default 1
);

create table stocks (
  studio_id uuid not null references studios (id),
  id text not null,
  place integer not null,
  facts jsonb not null,
  version integer not null default 1,
  primary key (studio_id, id)
);
create table envelopes (like stocks including all, foreign key (studio_id) references studios (id));
create table printers (like stocks including all, foreign key (studio_id) references studios (id));
create table trimmers (like stocks including all, foreign key (studio_id) references studios (id));
create table boards (like stocks including all, foreign key (studio_id) references studios (id));

create table feed_paths (
  studio_id uuid not null,
  printer_id text not null,
  id text not null,
  place integer not null,
  facts jsonb not null,
  version integer not null default 1,
  primary key (studio_id, printer_id, id),
  foreign key (studio_id, printer_id) references printers (studio_id, id) on delete cascade
);
create table calibrations (
  studio_id uuid not null,
  printer_id text not null,
  path_id text not null,
  id text not null,
  place integer not null,
  facts jsonb not null,
  version integer not null default 1,
  primary key (studio_id, printer_id, path_id, id),
  foreign key (studio_id, printer_id, path_id) references feed_paths (studio_id, printer_id, id) on delete cascade
);

-- What comes on the shelf and goes: a count is the sum of its movements. They outlive the thing, so that the books do too.
create table movements (
  studio_id uuid not null references studios (id),
  id uuid not null,
  shelf text not null check (shelf in ('stocks', 'envelopes')),
  thing_id text not null,
  cause text not null check (cause in ('opening', 'counted', 'away')),
  change integer not null,
  at timestamptz not null default now(),
  primary key (studio_id, id)
);
create index movements_by_thing on movements (studio_id, shelf, thing_id);

-- Where an older workshop has an id twice, whoever looks it up finds the first.
insert into rates (studio_id, facts)
  select id, jsonb_build_object('hourlyMinor', workshop->'hourlyMinor', 'pace', workshop->'pace') from studios;
insert into stocks (studio_id, id, place, facts)
  select s.id, t->>'id', n, t - 'id' - 'onShelf'
  from studios s, jsonb_array_elements(s.workshop->'stocks') with ordinality as a (t, n) order by n on conflict do nothing;
insert into envelopes (studio_id, id, place, facts)
  select s.id, t->>'id', n, t - 'id' - 'onShelf'
  from studios s, jsonb_array_elements(s.workshop->'envelopes') with ordinality as a (t, n) order by n on conflict do nothing;
insert into trimmers (studio_id, id, place, facts)
  select s.id, t->>'id', n, t - 'id'
  from studios s, jsonb_array_elements(s.workshop->'trimmers') with ordinality as a (t, n) order by n on conflict do nothing;
insert into boards (studio_id, id, place, facts)
  select s.id, t->>'id', n, t - 'id'
  from studios s, jsonb_array_elements(s.workshop->'boards') with ordinality as a (t, n) order by n on conflict do nothing;
insert into printers (studio_id, id, place, facts)
  select s.id, t->>'id', n, t - 'id' - 'paths'
  from studios s, jsonb_array_elements(s.workshop->'printers') with ordinality as a (t, n) order by n on conflict do nothing;
insert into feed_paths (studio_id, printer_id, id, place, facts)
  select s.id, p->>'id', t->>'id', n, t - 'id' - 'calibrations'
  from studios s, jsonb_array_elements(s.workshop->'printers') with ordinality as b (p, m),
    jsonb_array_elements(p->'paths') with ordinality as a (t, n) order by m, n on conflict do nothing;
insert into calibrations (studio_id, printer_id, path_id, id, place, facts)
  select s.id, p->>'id', f->>'id', t->>'id', n, t - 'id'
  from studios s, jsonb_array_elements(s.workshop->'printers') with ordinality as c (p, l),
    jsonb_array_elements(p->'paths') with ordinality as b (f, m),
    jsonb_array_elements(coalesce(f->'calibrations', '[]')) with ordinality as a (t, n) order by l, m, n on conflict do nothing;
insert into movements (studio_id, id, shelf, thing_id, cause, change)
  select distinct on (s.id, shelf, t->>'id') s.id, gen_random_uuid(), shelf, t->>'id', 'opening', (t->>'onShelf')::integer
  from studios s, (values ('stocks'), ('envelopes')) as kinds (shelf),
    jsonb_array_elements(s.workshop->shelf) with ordinality as a (t, n)
  where (t->>'onShelf')::integer <> 0 order by s.id, shelf, t->>'id', n;

alter table studios add column settings jsonb;
update studios set settings = jsonb_strip_nulls(jsonb_build_object(
  'currency', workshop->'currency', 'unit', workshop->'unit', 'keepOffcutMm', workshop->'keepOffcutMm'));
alter table studios alter column settings set not null, drop column workshop;

-- A run keeps the workshop that it was released in: its rates, prices and pace. Of older runs nothing is known.
alter table runs add column workshop jsonb;

-- Down Migration
alter table runs drop column workshop;
alter table studios add column workshop jsonb;
update studios s set workshop = s.settings || (select facts from rates r where r.studio_id = s.id) || jsonb_build_object(
  'studioName', s.name,
  'stocks', (select coalesce(jsonb_agg(t.facts || jsonb_build_object('id', t.id, 'onShelf',
      (select coalesce(sum(m.change), 0) from movements m where m.studio_id = s.id and m.shelf = 'stocks' and m.thing_id = t.id))
      order by t.place), '[]') from stocks t where t.studio_id = s.id),
  'envelopes', (select coalesce(jsonb_agg(t.facts || jsonb_build_object('id', t.id, 'onShelf',
      (select coalesce(sum(m.change), 0) from movements m where m.studio_id = s.id and m.shelf = 'envelopes' and m.thing_id = t.id))
      order by t.place), '[]') from envelopes t where t.studio_id = s.id),
  'trimmers', (select coalesce(jsonb_agg(t.facts || jsonb_build_object('id', t.id) order by t.place), '[]')
      from trimmers t where t.studio_id = s.id),
  'boards', (select coalesce(jsonb_agg(t.facts || jsonb_build_object('id', t.id) order by t.place), '[]')
      from boards t where t.studio_id = s.id),
  'printers', (select coalesce(jsonb_agg(p.facts || jsonb_build_object('id', p.id, 'paths',
      (select coalesce(jsonb_agg(f.facts || jsonb_build_object('id', f.id, 'calibrations',
          (select coalesce(jsonb_agg(c.facts || jsonb_build_object('id', c.id) order by c.place), '[]')
            from calibrations c where c.studio_id = s.id and c.printer_id = p.id and c.path_id = f.id)) order by f.place), '[]')
        from feed_paths f where f.studio_id = s.id and f.printer_id = p.id)) order by p.place), '[]')
      from printers p where p.studio_id = s.id));
alter table studios alter column workshop set not null, drop column settings;
drop table movements, calibrations, feed_paths, boards, trimmers, printers, envelopes, stocks, rates;
