-- Sprues that a pattern's file holds, and the bytes of the piece without them.
ALTER TABLE pattern
  ADD COLUMN sprues jsonb,
  ADD COLUMN piece_hash text GENERATED ALWAYS AS (sprues ->> 'pieceHash') STORED REFERENCES blob (hash);
