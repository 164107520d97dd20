-- Recipes are documents too, each version one; a recipe may be of no resin yet.
ALTER TABLE bench_record DROP CONSTRAINT bench_record_kind_check;
ALTER TABLE bench_record ADD CONSTRAINT bench_record_kind_check
  CHECK (kind IN ('trial', 'cureTest', 'testSetRun', 'sizeSeries', 'metalLot', 'mold', 'moldTest', 'recipe'));
ALTER TABLE bench_record DROP CONSTRAINT bench_record_of;
ALTER TABLE bench_record ADD CONSTRAINT bench_record_of
  CHECK (kind IN ('metalLot', 'mold', 'recipe') OR resin_id IS NOT NULL);
-- Castings of a metal that were looked at: temperatures are learnt from them, and what came out best.
CREATE INDEX pour_looked ON pour (alloy_id, number DESC) WHERE told_facts ? 'looked';
