-- The burnout that a maker prescribes, and what it was written for; null: not known.
ALTER TABLE resin ADD COLUMN maker_programme jsonb;
ALTER TABLE powder
  ADD COLUMN maker_programme jsonb,
  -- Of the set plaster; null: not known.
  ADD COLUMN strength_kpa double precision,
  ADD COLUMN setting_percent double precision,
  ADD COLUMN thermal_percent double precision,
  -- When the bag in use was opened.
  ADD COLUMN opened_at timestamptz;
