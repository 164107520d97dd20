-- How many rows each table should have, told beside them: pages of a table that a disk lost read as if they had never been.
-- Added to, never changed, so that writers do not wait for each other; summed at each start.
CREATE TABLE row_tally (
  of_table text NOT NULL,
  delta bigint NOT NULL
);

CREATE FUNCTION tally_rows() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO row_tally (of_table, delta)
  SELECT TG_TABLE_NAME, CASE TG_OP WHEN 'INSERT' THEN count(*) ELSE -count(*) END FROM changed HAVING count(*) > 0;
  RETURN NULL;
END $$;

DO $$
DECLARE one text;
BEGIN
  FOREACH one IN ARRAY ARRAY['settings', 'resin', 'printer', 'profile', 'powder', 'flask', 'kiln', 'alloy', 'programme',
    'blob', 'pattern', 'pour', 'bench_record', 'item_history', 'kiln_run'] LOOP
    EXECUTE format('CREATE TRIGGER tally_in AFTER INSERT ON %I REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION tally_rows()', one);
    EXECUTE format('CREATE TRIGGER tally_out AFTER DELETE ON %I REFERENCING OLD TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION tally_rows()', one);
    EXECUTE format('INSERT INTO row_tally SELECT %L, count(*) FROM %I', one, one);
  END LOOP;
END $$;
