ALTER TABLE kiln
  -- Flasks that stand in it at once, and its floor. Null: not known.
  ADD COLUMN flasks_most double precision,
  ADD COLUMN floor_wide_mm double precision,
  ADD COLUMN floor_deep_mm double precision;
