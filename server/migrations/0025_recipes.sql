-- Recipes are documents too, each version one; a recipe may be of no resin yet.
ALTER TABLE bench_record DROP CONSTRAINT bench_record_kind_check;
ALTER TABLE bench_record ADD CONSTRAINT bench_record_kind_check
  CHECK (kind IN ('trial', 'cureTest', 'testSetRun', 'sizeSeries', 'metalLot', 'mold', 'moldTest', 'recipe'));
ALTER TABLE bench_record DROP CONSTRAINT bench_record_of;
ALTER TABLE bench_record ADD CONSTRAINT bench_record_of
  CHECK (kind IN ('metalLot', 'mold', 'recipe') OR resin_id IS NOT NULL);
-- Facts that all pours are added up by stand in columns: taking them out of what is told takes longer than the sums.
ALTER TABLE pour
  ADD COLUMN looked integer GENERATED ALWAYS AS ((told_facts ->> 'looked')::integer) STORED,
  ADD COLUMN sellable integer GENERATED ALWAYS AS ((told_facts ->> 'sellable')::integer) STORED,
  ADD COLUMN cast_class text GENERATED ALWAYS AS (told_facts ->> 'castClass') STORED,
  ADD COLUMN powder_fact text GENERATED ALWAYS AS (told_facts ->> 'powderId') STORED,
  ADD COLUMN programme_fact text GENERATED ALWAYS AS (told_facts ->> 'programmeId') STORED,
  ADD COLUMN recipe_fact text GENERATED ALWAYS AS (told_facts ->> 'recipeId') STORED,
  -- Read of every pour that a search passes over: kept in its row, not beside it.
  ALTER COLUMN told_facts SET STORAGE MAIN;
-- Castings of a metal that were looked at: temperatures are learnt from them.
CREATE INDEX pour_looked ON pour (alloy_id, cast_class, number DESC) WHERE looked IS NOT NULL;
