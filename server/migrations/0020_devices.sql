-- Where a kiln's controller answers; null: nobody reads it.
ALTER TABLE kiln ADD COLUMN device_url text;

-- A run that a device writes: whether it goes on, what was sent, which device it is, the first reading's time by the device's own
-- clock (the run's start is by ours), and its last reading that was kept.
ALTER TABLE kiln_run
  ADD COLUMN going boolean NOT NULL DEFAULT false,
  ADD COLUMN sent jsonb,
  ADD COLUMN device_id uuid,
  ADD COLUMN device_began_at timestamptz,
  ADD COLUMN device_n double precision NOT NULL DEFAULT 0 CHECK (device_n >= 0),
  ADD COLUMN missing integer NOT NULL DEFAULT 0 CHECK (missing >= 0),
  ADD CHECK (NOT going OR source = 'device');
-- A kiln has one run at a time.
CREATE UNIQUE INDEX kiln_run_going ON kiln_run (kiln_id) WHERE going;
