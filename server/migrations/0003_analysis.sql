-- What a resin can hold: its finest feature, and the thickest part that burns out without cracking the mold.
ALTER TABLE resin
  ADD COLUMN finest_mm numeric NOT NULL DEFAULT 0.3 CHECK (finest_mm > 0),
  ADD COLUMN thickest_mm numeric NOT NULL DEFAULT 4 CHECK (thickest_mm > 0);
UPDATE resin SET thickest_mm = 8 WHERE family = 'wax-free';
ALTER TABLE resin ALTER COLUMN finest_mm DROP DEFAULT, ALTER COLUMN thickest_mm DROP DEFAULT;

-- Versions of a pattern, and the shop's own class for it.
ALTER TABLE pattern
  ADD COLUMN former_id uuid REFERENCES pattern (id),
  ADD COLUMN class_override text CHECK (class_override IN ('filigree', 'standard', 'heavy', 'mixed')),
  ADD CHECK (former_id IS NULL OR former_id <> id);
CREATE INDEX pattern_former ON pattern (former_id);

-- Measures kept before overlaps were known: the plain sum stands until the file is analysed.
UPDATE pattern
SET measure = measure || jsonb_build_object(
  'volumePlusMinusMm3', 0, 'bodySumMm3', measure -> 'volumeMm3', 'overlapMm3', 0)
WHERE NOT measure ? 'overlapMm3';

-- An analysis belongs to the bytes and the unit they are read in, whichever patterns have them.
CREATE TABLE pattern_analysis (
  file_hash text NOT NULL REFERENCES blob (hash),
  unit_mm double precision NOT NULL CHECK (unit_mm > 0),
  version integer NOT NULL CHECK (version > 0),
  result jsonb NOT NULL,
  shape_hash text REFERENCES blob (hash),
  made_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (file_hash, unit_mm),
  CHECK ((result ->> 'status' = 'analysed') = (shape_hash IS NOT NULL))
);

-- What became of each casting of each pattern. Castings are numbered through the brief's patterns in their order.
CREATE VIEW pattern_casting AS
WITH named AS (
  SELECT p.id AS pour_id, (e.value ->> 'patternId')::uuid AS pattern_id, (e.value ->> 'count')::integer AS count,
    e.ordinality
  FROM pour p, jsonb_array_elements(p.doc #> '{brief,patterns}') WITH ORDINALITY AS e
  WHERE p.recorded_at IS NOT NULL
), ranged AS (
  SELECT pour_id, pattern_id,
    sum(count) OVER (PARTITION BY pour_id ORDER BY ordinality) - count + 1 AS first_number,
    sum(count) OVER (PARTITION BY pour_id ORDER BY ordinality) AS last_number
  FROM named
)
SELECT r.pattern_id, c.pour_id, c.casting, c.outcome, c.data
FROM ranged r
JOIN pour_casting c ON c.pour_id = r.pour_id AND c.casting::integer BETWEEN r.first_number AND r.last_number
WHERE c.outcome IS NOT NULL;
