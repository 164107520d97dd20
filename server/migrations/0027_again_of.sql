-- Which thing of its kind another was begun as: “same again, but …”. What differs is found by comparing the two.
ALTER TABLE resin ADD COLUMN again_of_id uuid;
ALTER TABLE printer ADD COLUMN again_of_id uuid;
ALTER TABLE profile ADD COLUMN again_of_id uuid;
ALTER TABLE powder ADD COLUMN again_of_id uuid;
ALTER TABLE flask ADD COLUMN again_of_id uuid;
ALTER TABLE kiln ADD COLUMN again_of_id uuid;
ALTER TABLE alloy ADD COLUMN again_of_id uuid;
ALTER TABLE programme ADD COLUMN again_of_id uuid;
