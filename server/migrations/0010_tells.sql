-- What a pour tells others of its print and of sizes is worked out when it is written (contracts/src/pour/tellPour), by
-- the very code that the page uses; what was kept before is told anew at the next start.
DROP VIEW pour_print;
DROP VIEW poured_sizes;
ALTER TABLE pour
  ADD COLUMN told_print jsonb,
  ADD COLUMN told_sizes jsonb,
  ADD COLUMN told_version integer NOT NULL DEFAULT 0;
CREATE INDEX pour_told ON pour (told_version);
