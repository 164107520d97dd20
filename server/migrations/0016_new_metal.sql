-- New metal in a charge of this alloy; null: as the shop does with all of them.
ALTER TABLE alloy ADD COLUMN new_percent numeric CHECK (new_percent BETWEEN 0 AND 100);
