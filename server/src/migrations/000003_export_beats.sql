-- Up Migration
-- While a worker writes, it says so again and again; one that has gone silent is taken over from.
alter table exports add column beat_at timestamptz;
-- Work that brings down one worker after the other is given up.
alter table exports add column attempts integer not null default 0;

-- Down Migration
alter table exports drop column beat_at, drop column attempts;
