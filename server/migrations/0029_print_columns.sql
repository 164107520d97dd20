-- Prints are learnt from the newest of each printer and resin: found without reading what pours tell, which is stored out of line.
ALTER TABLE pour ADD COLUMN print_printer text GENERATED ALWAYS AS (told_print #>> '{print,plate,printerId}') STORED;
CREATE INDEX pour_prints ON pour (resin_id, print_printer, number DESC) WHERE told_print IS NOT NULL AND NOT discarded;
CREATE INDEX pour_sizes ON pour (resin_id, number DESC) WHERE told_sizes IS NOT NULL AND NOT discarded;
-- Patterns are fetched page by page, the newest first.
CREATE INDEX pattern_newest ON pattern (created_at DESC, id);
