-- Cured resin is denser than what stands in the bottle; null: not known.
ALTER TABLE resin ADD COLUMN cured_g_per_ml numeric CHECK (cured_g_per_ml > 0);
-- A raft follows its thickness and the copies that stand on it, unless somebody has weighed one.
ALTER TABLE profile ALTER COLUMN raft_ml DROP NOT NULL;
UPDATE profile SET raft_ml = NULL WHERE raft_ml = 1.5;
