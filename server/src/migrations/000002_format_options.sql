-- Up Migration
-- A size now also holds what its format asks and the layers glued on; older jobs start with neither.
update jobs set document = jsonb_set(document, '{size}', '{"options": {}, "layers": []}'::jsonb || (document -> 'size'));
update job_revisions set document = jsonb_set(document, '{size}', '{"options": {}, "layers": []}'::jsonb || (document -> 'size'));
update runs set document = jsonb_set(document, '{size}', '{"options": {}, "layers": []}'::jsonb || (document -> 'size'));
update exports set document = jsonb_set(document, '{size}', '{"options": {}, "layers": []}'::jsonb || (document -> 'size'));
