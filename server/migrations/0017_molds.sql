-- Molds, and how rubber and silicone took to a resin, are documents too; a mold may be of no resin and no pattern yet.
ALTER TABLE bench_record DROP CONSTRAINT bench_record_kind_check;
ALTER TABLE bench_record ADD CONSTRAINT bench_record_kind_check
  CHECK (kind IN ('trial', 'cureTest', 'testSetRun', 'sizeSeries', 'metalLot', 'mold', 'moldTest'));
ALTER TABLE bench_record DROP CONSTRAINT bench_record_of;
ALTER TABLE bench_record ADD CONSTRAINT bench_record_of
  CHECK (kind IN ('metalLot', 'mold') OR resin_id IS NOT NULL);
ALTER TABLE bench_record ADD COLUMN mold_pattern_id uuid
  GENERATED ALWAYS AS (CASE WHEN kind = 'mold' THEN (doc ->> 'patternId')::uuid END) STORED REFERENCES pattern (id);
