-- How the shop is reached from its own network: nowhere, until somebody says so.
CREATE TABLE network_door (
  only_row boolean PRIMARY KEY DEFAULT true CHECK (only_row),
  is_on boolean NOT NULL DEFAULT false,
  address text,
  port integer NOT NULL CHECK (port BETWEEN 1024 AND 65535),
  -- scrypt: its numbers, the salt and the key, never the passcode.
  passcode_hash text,
  CHECK (NOT is_on OR (address IS NOT NULL AND passcode_hash IS NOT NULL))
);
-- Devices that signed in. Only a hash of what each of them holds is kept.
CREATE TABLE network_session (
  id uuid PRIMARY KEY,
  token_hash text NOT NULL UNIQUE,
  name text NOT NULL CHECK (length(name) <= 120),
  signed_in_at timestamptz NOT NULL,
  seen_at timestamptz NOT NULL,
  ends_at timestamptz NOT NULL
);
-- Slips that were noted at the bench, and taking-ins of old records, are documents too, of no resin.
ALTER TABLE bench_record DROP CONSTRAINT bench_record_kind_check;
ALTER TABLE bench_record ADD CONSTRAINT bench_record_kind_check CHECK (kind IN
  ('trial', 'cureTest', 'testSetRun', 'sizeSeries', 'metalLot', 'mold', 'moldTest', 'recipe', 'slip', 'scrapBatch'));
ALTER TABLE bench_record DROP CONSTRAINT bench_record_of;
ALTER TABLE bench_record ADD CONSTRAINT bench_record_of
  CHECK (kind IN ('metalLot', 'mold', 'recipe', 'slip', 'scrapBatch') OR resin_id IS NOT NULL);
-- Which pours each taking-in brought; a day that spans months is of none of them.
ALTER TABLE pour
  ADD COLUMN scrap_batch uuid GENERATED ALWAYS AS ((doc #>> '{scrap,batchId}')::uuid) STORED,
  ADD COLUMN month_vague boolean NOT NULL GENERATED ALWAYS AS
    (coalesce(left(doc #>> '{scrap,days,from}', 7) <> left(doc #>> '{scrap,days,to}', 7), false)) STORED;
CREATE INDEX pour_scrap_batch ON pour (scrap_batch) WHERE scrap_batch IS NOT NULL;
