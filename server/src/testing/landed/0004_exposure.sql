-- Resin and printer records whole, profiles in versions, and what was tried with resins.
ALTER TABLE resin
  ADD COLUMN print_to_c numeric NOT NULL DEFAULT 35,
  ADD COLUMN solid_below_c numeric,
  ADD COLUMN shake_min numeric NOT NULL DEFAULT 2 CHECK (shake_min >= 0),
  ADD COLUMN filter boolean NOT NULL DEFAULT false,
  ADD COLUMN priming_coats integer NOT NULL DEFAULT 0 CHECK (priming_coats >= 0),
  ADD COLUMN raft_mm numeric NOT NULL DEFAULT 1 CHECK (raft_mm > 0),
  ADD COLUMN reported jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(reported) = 'array'),
  ADD COLUMN bottles jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(bottles) = 'array'),
  ADD COLUMN vats jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(vats) = 'array'),
  ADD COLUMN bottle_life_days numeric DEFAULT 365 CHECK (bottle_life_days > 0),
  ADD COLUMN vat_life_days numeric DEFAULT 14 CHECK (vat_life_days > 0),
  ADD COLUMN uncured_life_days numeric DEFAULT 2 CHECK (uncured_life_days > 0),
  ADD COLUMN cured_life_days numeric DEFAULT 30 CHECK (cured_life_days > 0),
  ADD COLUMN lead_days numeric CHECK (lead_days >= 0),
  ADD COLUMN blend_of jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(blend_of) = 'array'),
  ADD COLUMN attachments jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(attachments) = 'array'),
  ADD COLUMN colour_cured text NOT NULL DEFAULT '',
  ADD COLUMN feel_uncured text NOT NULL DEFAULT '',
  ADD COLUMN feel_cured text NOT NULL DEFAULT '',
  ADD COLUMN cuts_and_sands text NOT NULL DEFAULT '',
  ADD COLUMN viscosity text NOT NULL DEFAULT '',
  ADD COLUMN odour text NOT NULL DEFAULT '',
  ADD COLUMN climate text NOT NULL DEFAULT '',
  ADD COLUMN sticks_to_wax text NOT NULL DEFAULT 'not known',
  ADD COLUMN floats_in_glycerin text NOT NULL DEFAULT 'not known',
  ADD COLUMN alcohol_attacks text NOT NULL DEFAULT 'not known',
  ADD COLUMN cures_silicone text NOT NULL DEFAULT 'not known',
  ADD COLUMN survives_c numeric,
  ADD COLUMN retired boolean NOT NULL DEFAULT false;

ALTER TABLE printer
  ADD COLUMN irradiance_mw_per_cm2 numeric CHECK (irradiance_mw_per_cm2 > 0),
  ADD COLUMN irradiance_at timestamptz,
  ADD COLUMN exposure_least_s numeric NOT NULL DEFAULT 0.5 CHECK (exposure_least_s > 0),
  ADD COLUMN exposure_most_s numeric NOT NULL DEFAULT 60,
  ADD COLUMN exposure_step_s numeric NOT NULL DEFAULT 0.1 CHECK (exposure_step_s > 0),
  ADD COLUMN needs_levelling boolean NOT NULL DEFAULT false,
  ADD COLUMN light_hours numeric NOT NULL DEFAULT 0 CHECK (light_hours >= 0),
  ADD COLUMN light_rated_h numeric DEFAULT 2000 CHECK (light_rated_h > 0),
  ADD COLUMN light_price numeric NOT NULL DEFAULT 0 CHECK (light_price >= 0),
  ADD COLUMN events jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(events) = 'array'),
  ADD COLUMN retired boolean NOT NULL DEFAULT false,
  ADD CHECK (exposure_most_s > exposure_least_s);

ALTER TABLE profile
  ADD COLUMN raft_mm numeric NOT NULL DEFAULT 1 CHECK (raft_mm > 0),
  ADD COLUMN lift_mm numeric NOT NULL DEFAULT 6 CHECK (lift_mm >= 0),
  ADD COLUMN rest_s numeric NOT NULL DEFAULT 0.5 CHECK (rest_s >= 0),
  ADD COLUMN anti_aliasing integer NOT NULL DEFAULT 1 CHECK (anti_aliasing >= 1),
  ADD COLUMN vat_c numeric,
  ADD COLUMN version integer NOT NULL DEFAULT 1 CHECK (version > 0),
  ADD COLUMN former_id uuid REFERENCES profile (id) CHECK (former_id <> id),
  ADD COLUMN replaced boolean NOT NULL DEFAULT false,
  ADD COLUMN found_at timestamptz;

-- Poured pours keep copies of what they used: the copies gain the same fields.
UPDATE pour SET used = jsonb_set(used, '{resin}', '{"printToC": 35, "solidBelowC": null, "shakeMin": 2, "filter": false,
  "primingCoats": 0, "raftMm": 1, "reported": [], "bottles": [], "vats": [], "bottleLifeDays": 365, "vatLifeDays": 14,
  "uncuredLifeDays": 2, "curedLifeDays": 30, "leadDays": null, "blendOf": [], "attachments": [], "colourCured": "",
  "feelUncured": "", "feelCured": "", "cutsAndSands": "", "viscosity": "", "odour": "", "climate": "",
  "sticksToWax": "not known", "floatsInGlycerin": "not known", "alcoholAttacks": "not known",
  "curesSilicone": "not known", "survivesC": null, "retired": false}'::jsonb || (used -> 'resin'))
WHERE used ? 'resin';
UPDATE pour SET used = jsonb_set(used, '{printer}', '{"irradianceMwPerCm2": null, "irradianceAt": null,
  "exposureLeastS": 0.5, "exposureMostS": 60, "exposureStepS": 0.1, "needsLevelling": false, "lightHours": 0,
  "lightRatedH": 2000, "lightPrice": 0, "events": [], "retired": false}'::jsonb || (used -> 'printer'))
WHERE used ? 'printer';
UPDATE pour SET used = jsonb_set(used, '{profile}', '{"raftMm": 1, "liftMm": 6, "restS": 0.5, "antiAliasing": 1,
  "vatC": null, "version": 1, "formerId": null, "replaced": false, "foundAt": null}'::jsonb || (used -> 'profile'))
WHERE used ? 'profile';
UPDATE settings SET data = '{"testSet": []}'::jsonb || data;

-- How things of the shop stood before they were changed.
CREATE TABLE item_history (
  kind text NOT NULL,
  item_id uuid NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  before jsonb NOT NULL,
  PRIMARY KEY (kind, item_id, at)
);

-- Trials, cure-depth tests and test-set runs: documents, with what they name derived from them.
CREATE TABLE bench_record (
  id uuid PRIMARY KEY,
  kind text NOT NULL CHECK (kind IN ('trial', 'cureTest', 'testSetRun')),
  doc jsonb NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now(),
  resin_id uuid NOT NULL GENERATED ALWAYS AS ((doc ->> 'resinId')::uuid) STORED REFERENCES resin (id),
  printer_id uuid GENERATED ALWAYS AS ((doc ->> 'printerId')::uuid) STORED REFERENCES printer (id)
);
CREATE INDEX bench_record_resin ON bench_record (resin_id, kind);

-- What recorded pours say of resins: printed pieces that were looked at, castings that were judged.
CREATE VIEW resin_yield AS
SELECT p.resin_id, p.doc #>> '{brief,castClass}' AS cast_class,
  (SELECT count(*) FROM jsonb_each(p.doc #> '{print,pieces}') AS e WHERE e.value ->> 'outcome' = 'good') AS printed_good,
  (SELECT count(*) FROM jsonb_each(p.doc #> '{print,pieces}') AS e) AS printed_of,
  (SELECT count(*) FROM pour_casting c WHERE c.pour_id = p.id AND c.outcome = 'sellable') AS cast_good,
  (SELECT count(*) FROM pour_casting c WHERE c.pour_id = p.id AND c.outcome IS NOT NULL) AS cast_of
FROM pour p
WHERE p.resin_id IS NOT NULL AND p.recorded_at IS NOT NULL AND NOT p.discarded;
