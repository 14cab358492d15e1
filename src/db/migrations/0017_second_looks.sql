-- Questions to colleagues that are open, told on the rack.
ALTER TABLE rack_rows ADD COLUMN asked INTEGER NOT NULL DEFAULT 0;

-- A part graded once more by somebody else, from its photographs alone; where both differ it is settled with a note.
CREATE TABLE second_looks (
  id TEXT PRIMARY KEY,
  job_id TEXT NOT NULL REFERENCES jobs (id),
  position_id TEXT NOT NULL,
  family TEXT NOT NULL,
  part_name TEXT NOT NULL,
  -- The grade as it stood: by whom, and which version of it.
  first_grade INTEGER NOT NULL,
  first_reason TEXT NOT NULL,
  first_by TEXT NOT NULL REFERENCES people (id),
  first_version INTEGER NOT NULL,
  grade INTEGER NOT NULL,
  by_id TEXT NOT NULL REFERENCES people (id),
  at TEXT NOT NULL,
  settled_grade INTEGER,
  settled_note TEXT NOT NULL DEFAULT '',
  settled_by TEXT REFERENCES people (id),
  settled_at TEXT,
  UNIQUE (job_id, position_id, first_version)
) STRICT;

-- What somebody who learns answered to a settled look, before he saw the shop's answer.
CREATE TABLE training_answers (
  look_id TEXT NOT NULL REFERENCES second_looks (id),
  person_id TEXT NOT NULL REFERENCES people (id),
  grade INTEGER NOT NULL,
  at TEXT NOT NULL,
  PRIMARY KEY (person_id, look_id)
) STRICT, WITHOUT ROWID;

-- The newest jobs first, and the oldest grades first, without going through all of them.
CREATE INDEX jobs_by_booking ON jobs (booked_at DESC, id);
CREATE INDEX grades_by_time ON grades (at, job_id, position_id);
CREATE INDEX second_looks_by_time ON second_looks (at DESC, id);
