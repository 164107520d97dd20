-- What lists want of a reading stands beside it: an output is a hundred kilobytes, and was unpacked for every pattern of a list.
ALTER TABLE reading
  ADD COLUMN of_file text GENERATED ALWAYS AS (coalesce(input ->> 'file', input #>> '{part,file}')) STORED,
  ADD COLUMN unit_mm double precision GENERATED ALWAYS AS ((input ->> 'unitMm')::double precision) STORED,
  ADD COLUMN thinnest_mm double precision
    GENERATED ALWAYS AS ((output #>> '{result,analysis,thickness,thinnestMm}')::double precision) STORED,
  ADD COLUMN histogram_mm3 jsonb GENERATED ALWAYS AS (output #> '{result,analysis,thickness,histogramMm3}') STORED;
CREATE INDEX reading_newest ON reading (job, of_file, version DESC);

-- Castings of recorded pours that were looked at, by pattern, in rows so narrow that adding up years of them takes milliseconds.
CREATE TABLE told_casting (
  pour_id uuid NOT NULL REFERENCES pour (id) ON DELETE CASCADE,
  pattern_id uuid NOT NULL,
  outcome text NOT NULL,
  flaws text[] NOT NULL
);
CREATE INDEX told_casting_pour ON told_casting (pour_id);
CREATE FUNCTION castings_told(castings jsonb) RETURNS TABLE (pattern_id uuid, outcome text, flaws text[]) LANGUAGE sql IMMUTABLE AS $$
  SELECT (c ->> 'patternId')::uuid, c ->> 'outcome', ARRAY(SELECT jsonb_array_elements_text(c -> 'flaws'))
  FROM jsonb_array_elements(castings) AS c WHERE c ->> 'patternId' IS NOT NULL AND c ->> 'outcome' IS NOT NULL $$;
CREATE FUNCTION keep_told_castings() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  DELETE FROM told_casting WHERE pour_id = NEW.id;
  IF NEW.recorded_at IS NOT NULL THEN
    INSERT INTO told_casting SELECT NEW.id, t.* FROM castings_told(NEW.told_castings) AS t;
  END IF;
  RETURN NULL;
END $$;
CREATE TRIGGER told_casting_in AFTER INSERT OR UPDATE OF told_castings, recorded_at ON pour
  FOR EACH ROW EXECUTE FUNCTION keep_told_castings();
INSERT INTO told_casting SELECT p.id, t.* FROM pour p, castings_told(p.told_castings) AS t WHERE p.recorded_at IS NOT NULL;
