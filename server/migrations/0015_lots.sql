-- Lots of metal are documents beside what was tried with resins; they are of an alloy, not of a resin.
ALTER TABLE bench_record DROP CONSTRAINT bench_record_kind_check;
ALTER TABLE bench_record ADD CONSTRAINT bench_record_kind_check
  CHECK (kind IN ('trial', 'cureTest', 'testSetRun', 'sizeSeries', 'metalLot'));
ALTER TABLE bench_record ALTER COLUMN resin_id DROP NOT NULL;
ALTER TABLE bench_record ADD CONSTRAINT bench_record_of CHECK (kind = 'metalLot' OR resin_id IS NOT NULL);
ALTER TABLE bench_record ADD COLUMN lot_alloy_id uuid
  GENERATED ALWAYS AS (CASE WHEN kind = 'metalLot' THEN (doc ->> 'alloyId')::uuid END) STORED REFERENCES alloy (id);
