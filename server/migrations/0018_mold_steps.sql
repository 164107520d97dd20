-- A step of making a mold has its begin and its end, as any timed step: what was a moment becomes its end.
UPDATE bench_record
SET doc = (doc - 'done') || jsonb_build_object(
  'steps',
  COALESCE((SELECT jsonb_object_agg(key, jsonb_build_object('doneAt', value)) FROM jsonb_each(doc -> 'done')), '{}'::jsonb)
)
WHERE kind = 'mold' AND doc ? 'done';
