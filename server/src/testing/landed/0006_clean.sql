-- Cleaning steps with their medium, protocols with a name and a version, baths and the curing lamp.
CREATE FUNCTION steps_with_medium(steps jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
  SELECT coalesce(jsonb_agg('{"medium": null, "tempC": null, "motion": null, "times": 1}'::jsonb || step ORDER BY n), '[]'::jsonb)
  FROM jsonb_array_elements(steps) WITH ORDINALITY AS e (step, n)
$$;
ALTER TABLE resin ADD COLUMN protocol_name text NOT NULL DEFAULT '';
ALTER TABLE resin ADD COLUMN protocol_version integer NOT NULL DEFAULT 1;
ALTER TABLE resin ALTER COLUMN protocol_name DROP DEFAULT;
ALTER TABLE resin ALTER COLUMN protocol_version DROP DEFAULT;
UPDATE resin SET protocol = steps_with_medium(protocol);
UPDATE pour SET used = jsonb_set(used, '{resin}', '{"protocolName": "", "protocolVersion": 1}'::jsonb || (used -> 'resin')
  || jsonb_build_object('protocol', steps_with_medium(used #> '{resin,protocol}')))
WHERE used ? 'resin';
UPDATE settings SET data = '{"cure": {"lampNm": null, "litSides": 1, "turntable": false, "reflector": false, "vessel": "none"}, "baths": []}'::jsonb || data;
DROP FUNCTION steps_with_medium;

-- What each pour tells of its print: those that were started.
CREATE VIEW pour_print AS
SELECT p.id AS pour_id, p.number, p.doc #>> '{print,startedAt}' AS started_at, p.doc #>> '{resin,resinId}' AS resin_id,
  p.doc #>> '{brief,castClass}' AS cast_class, p.doc #> '{brief,patterns}' AS patterns,
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
WHERE NOT p.discarded AND p.doc #> '{print,startedAt}' IS NOT NULL;
