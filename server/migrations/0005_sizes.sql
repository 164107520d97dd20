-- Any number of wanted sizes, measured sizes that arrive by themselves, and series that are typed.
ALTER TABLE resin ADD COLUMN cure_z_percent numeric;
UPDATE pour SET used = jsonb_set(used, '{resin}', '{"cureZPercent": null}'::jsonb || (used -> 'resin')) WHERE used ? 'resin';

-- The one size of the brief becomes the first of many.
UPDATE pour SET doc = jsonb_set(doc #- '{brief,holdSize}', '{brief,sizes}', CASE
  WHEN doc #> '{brief,holdSize}' IS NULL THEN '[]'::jsonb
  ELSE jsonb_build_array(jsonb_strip_nulls(jsonb_build_object(
    'key', 'held',
    'name', CASE doc #>> '{brief,holdSize,surface}' WHEN 'inner' THEN 'Bore' ELSE 'Size' END,
    'of', CASE doc #>> '{brief,holdSize,surface}' WHEN 'inner' THEN 'bore' ELSE 'outside' END,
    'finishedMm', doc #> '{brief,holdSize,mm}',
    'toleranceMm', doc #> '{brief,holdSize,toleranceMm}',
    'ring', doc #> '{brief,holdSize,ring}',
    'holds', true)) || '{"patternId": null}'::jsonb)
END);

-- What was measured of a casting was measured when it was finished.
UPDATE pour SET doc = jsonb_set(doc, '{result,castings}', (
  SELECT jsonb_object_agg(key, CASE WHEN value ? 'measuredMm'
    THEN (value - 'measuredMm') || jsonb_build_object('sizes', jsonb_build_object('held', jsonb_build_object('finished', value -> 'measuredMm')))
    ELSE value END)
  FROM jsonb_each(doc #> '{result,castings}')))
WHERE doc #> '{result,castings}' <> '{}'::jsonb;

-- Own values of the chain's steps stand together.
UPDATE pour SET doc = jsonb_set(doc, '{scale}',
  ((doc -> 'scale') - 'resinPercent' - 'investmentPercent' - 'metalPercent') || jsonb_build_object('own', jsonb_strip_nulls(jsonb_build_object(
    'resin', doc #> '{scale,resinPercent}',
    'investment', doc #> '{scale,investmentPercent}',
    'metal', doc #> '{scale,metalPercent}'))));

ALTER TABLE bench_record DROP CONSTRAINT bench_record_kind_check;
ALTER TABLE bench_record ADD CONSTRAINT bench_record_kind_check CHECK (kind IN ('trial', 'cureTest', 'testSetRun', 'sizeSeries'));

-- What each pour tells of sizes: only those whose printed scale is known, and of which something was measured.
CREATE VIEW poured_sizes AS
SELECT p.id AS pour_id, p.number, coalesce(p.doc #>> '{pour,pouredAt}', p.doc #>> '{scale,printedAs,at}') AS at,
  p.doc #>> '{resin,resinId}' AS resin_id, p.doc #>> '{resin,printerId}' AS printer_id,
  p.doc #>> '{resin,profileId}' AS profile_id, p.doc #>> '{invest,powderId}' AS powder_id,
  p.doc #>> '{brief,alloyId}' AS alloy_id, p.doc #>> '{brief,route}' AS route, p.doc #>> '{brief,finish}' AS finish,
  p.doc #> '{brief,patterns}' AS patterns, p.doc #> '{wayUp,rotations}' AS rotations, p.doc #> '{brief,sizes}' AS sizes,
  p.doc -> 'scale' AS scale, coalesce(c.castings, '{}'::jsonb) AS castings
FROM pour p
LEFT JOIN LATERAL (
  SELECT jsonb_object_agg(e.key, e.value -> 'sizes') AS castings
  FROM jsonb_each(p.doc #> '{result,castings}') AS e WHERE e.value ? 'sizes'
) c ON true
WHERE NOT p.discarded AND p.doc #> '{scale,printedAs}' IS NOT NULL AND p.doc #> '{brief,sizes}' <> '[]'::jsonb
  AND (c.castings IS NOT NULL OR p.doc #> '{scale,measured}' IS NOT NULL);
