-- What is done with a reading that is too close to call: the shop's rule, and a job's own where it differs.
ALTER TABLE shop ADD COLUMN too_close_policy TEXT NOT NULL DEFAULT 'hold';
ALTER TABLE jobs ADD COLUMN too_close_policy TEXT NOT NULL DEFAULT '';

-- The units that a person reads in; what is stored never changes with them.
ALTER TABLE people ADD COLUMN reads_in TEXT NOT NULL DEFAULT 'metric';

-- Temperature of the part beside a reading, where it matters.
ALTER TABLE readings ADD COLUMN temperature_c REAL;

-- Who took the risk of a reading that is too close to call. It holds for the readings it was made on.
CREATE TABLE check_acceptances (
  job_id TEXT NOT NULL REFERENCES jobs (id),
  position_id TEXT NOT NULL,
  check_id TEXT NOT NULL,
  readings_mark TEXT NOT NULL,
  reason TEXT NOT NULL,
  by_id TEXT NOT NULL REFERENCES people (id),
  at TEXT NOT NULL,
  PRIMARY KEY (job_id, position_id, check_id, readings_mark)
) STRICT;

-- Why a revision of a unit type's limit sheet was made.
ALTER TABLE unit_types ADD COLUMN note TEXT NOT NULL DEFAULT '';

-- Teeth and splines counted by hand, against tag, casting and mate.
CREATE TABLE identity_counts (
  job_id TEXT NOT NULL REFERENCES jobs (id),
  pair_id TEXT NOT NULL,
  version INTEGER NOT NULL,
  content_json TEXT NOT NULL,
  by_id TEXT NOT NULL REFERENCES people (id),
  at TEXT NOT NULL,
  PRIMARY KEY (job_id, pair_id)
) STRICT;

-- A gauge study: parts by people by repeats, in a blind order fixed when it was planned.
CREATE TABLE gauge_studies (
  id TEXT PRIMARY KEY,
  title TEXT NOT NULL,
  gauge_id TEXT NOT NULL REFERENCES gauges (id),
  unit TEXT NOT NULL,
  parts INTEGER NOT NULL,
  trials INTEGER NOT NULL,
  appraisers_json TEXT NOT NULL,
  tolerance REAL,
  tolerance_words TEXT NOT NULL,
  seed INTEGER NOT NULL,
  planned_by TEXT NOT NULL REFERENCES people (id),
  planned_at TEXT NOT NULL
) STRICT;
CREATE INDEX gauge_studies_by_gauge ON gauge_studies (gauge_id, planned_at);

CREATE TABLE gauge_study_readings (
  study_id TEXT NOT NULL REFERENCES gauge_studies (id),
  appraiser_id TEXT NOT NULL REFERENCES people (id),
  trial INTEGER NOT NULL,
  part INTEGER NOT NULL,
  raw TEXT NOT NULL,
  unit TEXT NOT NULL,
  value REAL NOT NULL,
  at TEXT NOT NULL,
  PRIMARY KEY (study_id, appraiser_id, trial, part)
) STRICT;
