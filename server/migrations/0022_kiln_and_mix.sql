ALTER TABLE powder
  -- Working time at another water than 22 °C; null: not known.
  ADD COLUMN other_water_c double precision,
  ADD COLUMN working_min_at_other double precision;
ALTER TABLE resin
  -- What its maker asks for in the mix; null: not known.
  ADD COLUMN boric_school text,
  ADD COLUMN boric_percent double precision;
ALTER TABLE kiln
  -- Null: not known.
  ADD COLUMN open_tau_h double precision,
  ADD COLUMN power_kw double precision;
