-- Version 2 of the pour's document names what version 1 numbered (contracts/src/pour/upgrade). The documents themselves
-- are rewritten at the next start, by the code that also reads imports and copies; here goes what counted through them.
DROP VIEW resin_yield;
DROP VIEW pattern_casting;
DROP VIEW pour_flaw;
DROP VIEW pour_casting;

-- A pour may fill several flasks.
CREATE TABLE pour_flask (
  pour_id uuid NOT NULL REFERENCES pour (id) ON DELETE CASCADE,
  key text NOT NULL,
  flask_id uuid NOT NULL CONSTRAINT pour_flask_id_fkey REFERENCES flask (id),
  PRIMARY KEY (pour_id, key)
);
INSERT INTO pour_flask (pour_id, key, flask_id) SELECT id, 'f1', flask_id FROM pour WHERE flask_id IS NOT NULL;
ALTER TABLE pour DROP COLUMN flask_id;

-- What became of its castings, by name, and how many came out: worked out when the pour is written, like its other tells.
ALTER TABLE pour
  ADD COLUMN told_castings jsonb NOT NULL DEFAULT '[]',
  ADD COLUMN told_yields jsonb;

-- What long computations said, under the SHA-256 of the job's name, version and input.
CREATE TABLE reading (
  key text PRIMARY KEY CHECK (key ~ '^[0-9a-f]{64}$'),
  job text NOT NULL,
  version integer NOT NULL CHECK (version > 0),
  input jsonb NOT NULL,
  output jsonb NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX reading_of_part ON reading (job, coalesce(input ->> 'file', input #>> '{part,file}'), made_at);
CREATE TABLE reading_blob (
  key text NOT NULL REFERENCES reading (key) ON DELETE CASCADE,
  hash text NOT NULL REFERENCES blob (hash),
  PRIMARY KEY (key, hash)
);

-- Analyses become readings of the job "pattern"; a file's format is that of its name.
CREATE TEMPORARY TABLE carried ON COMMIT DROP AS
SELECT DISTINCT ON (a.file_hash, a.unit_mm, f.format)
  encode(sha256(convert_to(format('pattern@%s {"file":"%s","format":"%s","unitMm":%s}', a.version, a.file_hash, f.format, a.unit_mm), 'UTF8')), 'hex') AS key,
  a.version, a.shape_hash, a.made_at,
  jsonb_build_object('file', a.file_hash, 'format', f.format, 'unitMm', a.unit_mm) AS input,
  jsonb_build_object('measure', f.measure, 'result', a.result) AS output
FROM pattern_analysis a
JOIN (SELECT file_hash, measure, coalesce(lower(substring(file_name FROM '(?i)\.(stl|obj|ply|3mf)$')), 'stl') AS format FROM pattern) f
  ON f.file_hash = a.file_hash AND (f.measure ->> 'unitMm')::double precision = a.unit_mm;
INSERT INTO reading (key, job, version, input, output, made_at)
SELECT key, 'pattern', version, input, output, made_at FROM carried;
INSERT INTO reading_blob (key, hash) SELECT key, shape_hash FROM carried WHERE shape_hash IS NOT NULL;
DROP TABLE pattern_analysis;
