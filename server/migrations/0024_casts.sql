-- What a pour tells of its castings: with what, how hot, what came out and why (contracts/src/pour/tellPour).
ALTER TABLE pour ADD COLUMN told_cast jsonb;
