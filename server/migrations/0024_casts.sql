-- What a pour tells of its castings: with what, how hot, what came out and why; and the facts that the record finds it by
-- (contracts/src/pour/tellPour, recordFacts).
ALTER TABLE pour ADD COLUMN told_cast jsonb, ADD COLUMN told_facts jsonb;
-- Few pours say why: they are found without reading the others.
CREATE INDEX pour_causes ON pour (number) WHERE told_cast ? 'why';
