-- Which shop this is: what a browser keeps of one shop is never taken for another's on the same port.
CREATE TABLE shop_identity (
  only_row boolean PRIMARY KEY DEFAULT true CHECK (only_row),
  id uuid NOT NULL
);

-- 0004 and 0006 were once reworded after folders had been made with them: those folders catch up here.
ALTER TABLE profile ADD COLUMN IF NOT EXISTS print_adds_mm numeric CHECK (print_adds_mm BETWEEN -1 AND 1);
UPDATE pour SET used = jsonb_set(used, '{profile}', '{"printAddsMm": null}'::jsonb || (used -> 'profile'))
WHERE used ? 'profile' AND NOT (used -> 'profile') ? 'printAddsMm';

DROP VIEW pour_print;
CREATE VIEW pour_print AS
SELECT p.id AS pour_id, p.number, p.doc #>> '{print,startedAt}' AS started_at, p.doc #>> '{resin,resinId}' AS resin_id,
  p.doc #>> '{brief,castClass}' AS cast_class, p.doc #>> '{brief,route}' AS route, p.doc #> '{brief,patterns}' AS patterns,
  (p.doc #>> '{print,spares}')::integer AS spares,
  (SELECT jsonb_object_agg(e.key, e.value) FROM jsonb_each(p.doc -> 'print') AS e
    WHERE e.key IN ('plate', 'finishedAt', 'hoursTyped', 'resinMlTyped', 'resinUsedMl', 'pausesMm', 'pieces', 'why')) AS print,
  (SELECT max(e.value ->> 'doneAt') FROM jsonb_each(p.doc #> '{clean,steps}') AS e
    WHERE split_part(e.key, '~', 1) IN (
      SELECT step ->> 'key' FROM jsonb_array_elements(p.doc #> '{clean,begun,protocol}') AS step
      WHERE step ->> 'kind' = 'wash')) AS washed_at,
  p.doc #> '{clean,pieces}' AS verdicts,
  coalesce((SELECT jsonb_object_agg(e.key, e.value ->> 'outcome') FROM jsonb_each(p.doc #> '{result,castings}') AS e
    WHERE e.value ? 'outcome'), '{}'::jsonb) AS outcomes
FROM pour p
WHERE NOT p.discarded AND p.doc #>> '{print,startedAt}' IS NOT NULL;
