-- Bytes of pattern files and photos lie in files/ under their SHA-256; this table says which are whole.
CREATE TABLE blob (
  hash text PRIMARY KEY CHECK (hash ~ '^[0-9a-f]{64}$'),
  bytes bigint NOT NULL CHECK (bytes >= 0),
  media_type text NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now()
);

CREATE TABLE pattern (
  id uuid PRIMARY KEY,
  name text NOT NULL,
  file_name text NOT NULL,
  file_hash text NOT NULL REFERENCES blob (hash),
  measure jsonb NOT NULL,
  note text NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX pattern_name ON pattern (lower(name));

-- A pour is one document (docs/decisions/0003). What the database must vouch for, or search by, is derived from it:
-- generated columns hold the references, so nothing that a pour names can be removed.
CREATE TABLE pour (
  id uuid PRIMARY KEY,
  number integer NOT NULL UNIQUE CHECK (number > 0),
  doc jsonb NOT NULL CHECK (doc ->> 'format' = 'zero-pour/pour'),
  used jsonb,
  discarded boolean NOT NULL DEFAULT false,
  created_at timestamptz NOT NULL DEFAULT now(),
  changed_at timestamptz NOT NULL DEFAULT now(),
  zero_at timestamptz,
  poured_at timestamptz,
  recorded_at timestamptz,
  alloy_id uuid GENERATED ALWAYS AS ((doc #>> '{brief,alloyId}')::uuid) STORED REFERENCES alloy (id),
  resin_id uuid GENERATED ALWAYS AS ((doc #>> '{resin,resinId}')::uuid) STORED REFERENCES resin (id),
  printer_id uuid GENERATED ALWAYS AS ((doc #>> '{resin,printerId}')::uuid) STORED REFERENCES printer (id),
  profile_id uuid GENERATED ALWAYS AS ((doc #>> '{resin,profileId}')::uuid) STORED REFERENCES profile (id),
  flask_id uuid GENERATED ALWAYS AS ((doc #>> '{sprue,flaskId}')::uuid) STORED REFERENCES flask (id),
  powder_id uuid GENERATED ALWAYS AS ((doc #>> '{invest,powderId}')::uuid) STORED REFERENCES powder (id),
  kiln_id uuid GENERATED ALWAYS AS ((doc #>> '{burnout,kilnId}')::uuid) STORED REFERENCES kiln (id),
  programme_id uuid GENERATED ALWAYS AS ((doc #>> '{burnout,programmeId}')::uuid) STORED REFERENCES programme (id),
  CHECK ((poured_at IS NULL) = (used IS NULL))
);
CREATE INDEX pour_recorded ON pour (recorded_at, poured_at);

CREATE TABLE pour_pattern (
  pour_id uuid NOT NULL REFERENCES pour (id) ON DELETE CASCADE,
  pattern_id uuid NOT NULL REFERENCES pattern (id),
  count integer NOT NULL CHECK (count > 0),
  PRIMARY KEY (pour_id, pattern_id)
);

-- Castings and their flaws, one row each, for searching and later for learning.
CREATE VIEW pour_casting AS
SELECT p.id AS pour_id, c.key AS casting, c.value ->> 'outcome' AS outcome, c.value AS data
FROM pour p, jsonb_each(p.doc #> '{result,castings}') AS c;

CREATE VIEW pour_flaw AS
SELECT c.pour_id, c.casting, f.value ->> 'kind' AS kind, f.value ->> 'place' AS place
FROM pour_casting c, jsonb_array_elements(c.data -> 'flaws') AS f;
