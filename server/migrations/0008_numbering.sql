-- Numbers of pours are given out by a row: with several connections the highest number that one of them sees is not the
-- highest that there is, and a number is not given out again when the newest pour is gone.
CREATE TABLE numbering (
  only_row boolean PRIMARY KEY DEFAULT true CHECK (only_row),
  pour integer NOT NULL CHECK (pour >= 0)
);
INSERT INTO numbering (pour) SELECT coalesce(max(number), 0) FROM pour;
