-- What the shop owns. Column names are the fields of contracts/src/shop in snake case.

CREATE TABLE settings (
  only_row boolean PRIMARY KEY DEFAULT true CHECK (only_row),
  data jsonb NOT NULL
);

CREATE TABLE resin (
  id uuid PRIMARY KEY,
  name text NOT NULL UNIQUE,
  family text NOT NULL,
  for_burnout boolean NOT NULL,
  density_g_per_ml numeric NOT NULL CHECK (density_g_per_ml > 0),
  price_per_kg numeric NOT NULL CHECK (price_per_kg >= 0),
  bottle_g numeric NOT NULL CHECK (bottle_g > 0),
  colour text NOT NULL,
  cure_percent numeric NOT NULL,
  supports_percent numeric NOT NULL CHECK (supports_percent >= 0),
  clean_out_h numeric NOT NULL CHECK (clean_out_h >= 0),
  ramp_max_c_per_h numeric NOT NULL CHECK (ramp_max_c_per_h > 0),
  fast_allowed boolean NOT NULL,
  print_from_c numeric NOT NULL,
  skin text NOT NULL,
  protocol jsonb NOT NULL CHECK (jsonb_typeof(protocol) = 'array'),
  note text NOT NULL
);

CREATE TABLE printer (
  id uuid PRIMARY KEY,
  name text NOT NULL UNIQUE,
  light text NOT NULL CHECK (light IN ('screen', 'projector')),
  wavelength_nm numeric NOT NULL CHECK (wavelength_nm > 0),
  pixel_um numeric NOT NULL CHECK (pixel_um > 0),
  plate_x_mm numeric NOT NULL CHECK (plate_x_mm > 0),
  plate_y_mm numeric NOT NULL CHECK (plate_y_mm > 0),
  plate_z_mm numeric NOT NULL CHECK (plate_z_mm > 0),
  heated_vat boolean NOT NULL,
  motion_s numeric NOT NULL CHECK (motion_s >= 0),
  cost_per_h numeric NOT NULL CHECK (cost_per_h >= 0),
  note text NOT NULL
);

CREATE TABLE profile (
  id uuid PRIMARY KEY,
  name text NOT NULL UNIQUE,
  resin_id uuid NOT NULL REFERENCES resin (id),
  printer_id uuid NOT NULL REFERENCES printer (id),
  cast_class text NOT NULL,
  layer_mm numeric NOT NULL CHECK (layer_mm > 0),
  exposure_s numeric NOT NULL CHECK (exposure_s > 0),
  base_exposure_s numeric NOT NULL CHECK (base_exposure_s > 0),
  base_layers integer NOT NULL CHECK (base_layers >= 0),
  transition_layers integer NOT NULL CHECK (transition_layers >= 0),
  raft_ml numeric NOT NULL CHECK (raft_ml >= 0),
  tested boolean NOT NULL,
  provenance text NOT NULL,
  note text NOT NULL
);

CREATE TABLE powder (
  id uuid PRIMARY KEY,
  name text NOT NULL UNIQUE,
  grade text NOT NULL CHECK (grade IN ('standard', 'resin')),
  ratio_least numeric NOT NULL CHECK (ratio_least > 0),
  ratio_usual numeric NOT NULL CHECK (ratio_usual BETWEEN ratio_least AND ratio_most),
  ratio_most numeric NOT NULL,
  working_min_at22_c numeric NOT NULL CHECK (working_min_at22_c > 0),
  set_h numeric NOT NULL CHECK (set_h > 0),
  ceiling_c numeric NOT NULL,
  price_per_kg numeric NOT NULL CHECK (price_per_kg >= 0),
  note text NOT NULL
);

CREATE TABLE flask (
  id uuid PRIMARY KEY,
  name text NOT NULL UNIQUE,
  inner_diameter_mm numeric NOT NULL CHECK (inner_diameter_mm > 0),
  height_mm numeric NOT NULL CHECK (height_mm > 0),
  cone_diameter_mm numeric NOT NULL CHECK (cone_diameter_mm > 0),
  cone_height_mm numeric NOT NULL CHECK (cone_height_mm > 0),
  perforated boolean NOT NULL,
  note text NOT NULL
);

CREATE TABLE kiln (
  id uuid PRIMARY KEY,
  name text NOT NULL UNIQUE,
  litres numeric NOT NULL CHECK (litres > 0),
  max_c numeric NOT NULL,
  max_ramp_c_per_h numeric NOT NULL CHECK (max_ramp_c_per_h > 0),
  cool_tau_h numeric NOT NULL CHECK (cool_tau_h > 0),
  cost_per_h numeric NOT NULL CHECK (cost_per_h >= 0),
  note text NOT NULL
);

CREATE TABLE alloy (
  id uuid PRIMARY KEY,
  name text NOT NULL UNIQUE,
  composition jsonb NOT NULL CHECK (jsonb_typeof(composition) = 'object'),
  density_g_per_cm3 numeric NOT NULL CHECK (density_g_per_cm3 > 0),
  liquidus_c numeric NOT NULL,
  solidus_c numeric NOT NULL,
  flask jsonb NOT NULL,
  metal jsonb NOT NULL,
  shrink_percent numeric NOT NULL,
  loss_percent numeric NOT NULL CHECK (loss_percent >= 0),
  divest text NOT NULL,
  quench_wait_min jsonb NOT NULL,
  price_per_g numeric NOT NULL CHECK (price_per_g >= 0),
  caution text NOT NULL,
  note text NOT NULL
);

CREATE TABLE programme (
  id uuid PRIMARY KEY,
  name text NOT NULL UNIQUE,
  suits text NOT NULL,
  flask_max_mm numeric NOT NULL CHECK (flask_max_mm > 0),
  segments jsonb NOT NULL CHECK (jsonb_array_length(segments) > 0),
  note text NOT NULL
);
