-- The newest prints and sizes of each group are found along an index, group by group: reading and sorting all pours took longer every
-- year. What has no resin, printer or metal is a group too.
DROP INDEX pour_prints;
DROP INDEX pour_sizes;
CREATE INDEX pour_print_groups ON pour ((coalesce(resin_id::text, '') || ' ' || coalesce(print_printer, '')), number DESC)
  WHERE told_print IS NOT NULL AND NOT discarded;
CREATE INDEX pour_size_groups ON pour ((coalesce(resin_id::text, '') || ' ' || coalesce(alloy_id::text, '')), number DESC)
  WHERE told_sizes IS NOT NULL AND NOT discarded;
CREATE INDEX pour_prints_newest ON pour (number DESC) WHERE told_print IS NOT NULL AND NOT discarded;
CREATE INDEX pour_sizes_newest ON pour (number DESC) WHERE told_sizes IS NOT NULL AND NOT discarded;

-- How many pieces of each recorded pour were good, in rows so narrow that adding up years of them takes milliseconds.
CREATE TABLE pour_yield (
  pour_id uuid PRIMARY KEY REFERENCES pour (id) ON DELETE CASCADE,
  resin_id uuid NOT NULL,
  cast_class text NOT NULL,
  printed_good integer NOT NULL,
  printed_of integer NOT NULL,
  cast_good integer NOT NULL,
  cast_of integer NOT NULL
);
CREATE FUNCTION keep_pour_yield() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  DELETE FROM pour_yield WHERE pour_id = NEW.id;
  IF NEW.recorded_at IS NOT NULL AND NOT NEW.discarded AND NEW.told_yields IS NOT NULL THEN
    INSERT INTO pour_yield SELECT NEW.id, "resinId", "castClass", "printedGood", "printedOf", "castGood", "castOf"
    FROM jsonb_to_record(NEW.told_yields) AS t("resinId" uuid, "castClass" text, "printedGood" integer, "printedOf" integer,
      "castGood" integer, "castOf" integer);
  END IF;
  RETURN NULL;
END $$;
CREATE TRIGGER pour_yield_in AFTER INSERT OR UPDATE OF told_yields, recorded_at, discarded ON pour
  FOR EACH ROW EXECUTE FUNCTION keep_pour_yield();
INSERT INTO pour_yield SELECT p.id, "resinId", "castClass", "printedGood", "printedOf", "castGood", "castOf"
FROM pour p, jsonb_to_record(p.told_yields) AS t("resinId" uuid, "castClass" text, "printedGood" integer, "printedOf" integer,
  "castGood" integer, "castOf" integer)
WHERE p.recorded_at IS NOT NULL AND NOT p.discarded AND p.told_yields IS NOT NULL;
