-- What a kiln showed in its logs, by temperature; null: its two figures stand for all.
ALTER TABLE kiln ADD COLUMN measured jsonb;

-- A stretch in which a kiln's temperature was written down: a log's file, or a device that the shop listens to.
CREATE TABLE kiln_run (
  id uuid PRIMARY KEY,
  kiln_id uuid NOT NULL REFERENCES kiln (id),
  pour_id uuid REFERENCES pour (id) ON DELETE SET NULL,
  source text NOT NULL CHECK (source IN ('file', 'device')),
  name text NOT NULL,
  started_at timestamptz NOT NULL,
  -- Kept beside the readings, so that a list of runs reads none of them.
  last_s double precision NOT NULL DEFAULT 0 CHECK (last_s >= 0),
  rows integer NOT NULL DEFAULT 0 CHECK (rows >= 0)
);
CREATE INDEX kiln_run_kiln ON kiln_run (kiln_id, started_at DESC);
CREATE INDEX kiln_run_pour ON kiln_run (pour_id) WHERE pour_id IS NOT NULL;

-- Away from the record, so that years of them slow none of it. No reading comes twice.
CREATE TABLE kiln_reading (
  run_id uuid NOT NULL REFERENCES kiln_run (id) ON DELETE CASCADE,
  at_s double precision NOT NULL CHECK (at_s >= 0),
  temp_c real NOT NULL,
  set_c real,
  PRIMARY KEY (run_id, at_s)
);
