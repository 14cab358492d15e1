-- In the matters in which good shops disagree, what this one does.
ALTER TABLE shop ADD COLUMN policies_json TEXT NOT NULL DEFAULT '{}';
-- In what it counts its money, and what an hour costs.
ALTER TABLE shop ADD COLUMN money_json TEXT NOT NULL DEFAULT '{}';
-- Who takes the risk of a piece that is kept although it must go.
ALTER TABLE part_decisions ADD COLUMN risk_by TEXT NOT NULL DEFAULT '';
-- Price lists as they were read in; of a supplier and a type of unit the newest counts.
CREATE TABLE price_lists (
  id TEXT PRIMARY KEY,
  supplier TEXT NOT NULL,
  unit_type_id TEXT NOT NULL,
  lines_json TEXT NOT NULL,
  by_id TEXT NOT NULL REFERENCES people (id),
  at TEXT NOT NULL
) STRICT;
CREATE INDEX price_lists_newest ON price_lists (unit_type_id, supplier, at DESC, id DESC);
-- Sound parts of units that were given up: for which place of which type, how good, what they cost here.
CREATE TABLE shelf_parts (
  id TEXT PRIMARY KEY,
  unit_type_id TEXT NOT NULL,
  position_id TEXT NOT NULL,
  name TEXT NOT NULL,
  grade INTEGER NOT NULL CHECK (grade BETWEEN 0 AND 5),
  price INTEGER NOT NULL CHECK (price > 0),
  from_peg INTEGER NOT NULL,
  note TEXT NOT NULL,
  by_id TEXT NOT NULL REFERENCES people (id),
  at TEXT NOT NULL,
  taken_at TEXT,
  taken_by TEXT REFERENCES people (id),
  taken_for TEXT
) STRICT;
CREATE INDEX shelf_parts_there ON shelf_parts (unit_type_id, position_id) WHERE taken_at IS NULL;
