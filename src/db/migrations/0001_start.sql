-- People, sessions, the units that come in, and everything captured about them.
-- Times are UTC instants as ISO text; ids are text; JSON columns are named *_json.

CREATE TABLE people (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL COLLATE NOCASE UNIQUE,
  role TEXT NOT NULL,
  password_hash TEXT NOT NULL,
  pin_hash TEXT,
  active INTEGER NOT NULL DEFAULT 1,
  is_demo INTEGER NOT NULL DEFAULT 0,
  created_at TEXT NOT NULL
) STRICT;

CREATE TABLE sessions (
  token_hash TEXT PRIMARY KEY,
  person_id TEXT NOT NULL REFERENCES people (id),
  created_at TEXT NOT NULL,
  expires_at TEXT NOT NULL
) STRICT;
CREATE INDEX sessions_by_person ON sessions (person_id);

CREATE TABLE unit_types (
  id TEXT NOT NULL,
  revision INTEGER NOT NULL,
  title TEXT NOT NULL,
  family TEXT NOT NULL,
  own_of_job TEXT,
  document_json TEXT NOT NULL,
  stored_at TEXT NOT NULL,
  stored_by TEXT NOT NULL,
  PRIMARY KEY (id, revision)
) STRICT;

CREATE TABLE gauges (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  kind TEXT NOT NULL,
  unit TEXT NOT NULL,
  resolution REAL NOT NULL,
  max_permissible_error REAL NOT NULL,
  repeatability REAL,
  calibrated_until TEXT NOT NULL
) STRICT;

CREATE TABLE jobs (
  id TEXT PRIMARY KEY,
  version INTEGER NOT NULL DEFAULT 1,
  peg INTEGER NOT NULL UNIQUE,
  customer TEXT NOT NULL,
  customer_contact TEXT NOT NULL,
  machine TEXT NOT NULL,
  distance_km REAL,
  unit_title TEXT NOT NULL,
  unit_type_id TEXT NOT NULL,
  unit_type_revision INTEGER NOT NULL,
  serial TEXT NOT NULL,
  tag TEXT NOT NULL,
  complaint TEXT NOT NULL,
  symptoms_json TEXT NOT NULL,
  oil_claimed TEXT NOT NULL,
  history TEXT NOT NULL,
  due_on TEXT NOT NULL,
  hold_reason TEXT NOT NULL DEFAULT '',
  waits_for TEXT NOT NULL DEFAULT '',
  on_rack INTEGER NOT NULL DEFAULT 1,
  booked_at TEXT NOT NULL,
  booked_by TEXT NOT NULL,
  FOREIGN KEY (unit_type_id, unit_type_revision) REFERENCES unit_types (id, revision)
) STRICT;
CREATE INDEX jobs_on_rack ON jobs (on_rack, due_on, peg);

CREATE TABLE readings (
  id TEXT PRIMARY KEY,
  job_id TEXT NOT NULL REFERENCES jobs (id),
  position_id TEXT NOT NULL,
  check_id TEXT NOT NULL,
  place TEXT NOT NULL,
  raw TEXT NOT NULL,
  unit TEXT NOT NULL,
  value REAL NOT NULL,
  gauge_id TEXT NOT NULL REFERENCES gauges (id),
  author_id TEXT NOT NULL REFERENCES people (id),
  device_time TEXT NOT NULL,
  received_at TEXT NOT NULL,
  content_digest TEXT NOT NULL
) STRICT;
CREATE INDEX readings_by_job ON readings (job_id, position_id, id);

CREATE TABLE findings (
  id TEXT PRIMARY KEY,
  job_id TEXT NOT NULL REFERENCES jobs (id),
  position_id TEXT NOT NULL,
  content_json TEXT NOT NULL,
  author_id TEXT NOT NULL REFERENCES people (id),
  device_time TEXT NOT NULL,
  received_at TEXT NOT NULL,
  content_digest TEXT NOT NULL
) STRICT;
CREATE INDEX findings_by_job ON findings (job_id, position_id, id);

CREATE TABLE photographs (
  id TEXT PRIMARY KEY,
  job_id TEXT NOT NULL REFERENCES jobs (id),
  position_id TEXT,
  file_name TEXT NOT NULL,
  digest TEXT NOT NULL,
  bytes INTEGER NOT NULL,
  mime TEXT NOT NULL,
  width INTEGER NOT NULL,
  height INTEGER NOT NULL,
  taken_at TEXT,
  author_id TEXT NOT NULL REFERENCES people (id),
  device_time TEXT NOT NULL,
  received_at TEXT NOT NULL,
  content_digest TEXT NOT NULL
) STRICT;
CREATE INDEX photographs_by_job ON photographs (job_id, position_id, id);

-- Nothing captured is deleted: a strike lies beside it and can be read.
CREATE TABLE strikes (
  kind TEXT NOT NULL,
  capture_id TEXT NOT NULL,
  job_id TEXT NOT NULL REFERENCES jobs (id),
  reason TEXT NOT NULL,
  slip INTEGER NOT NULL,
  struck_by TEXT NOT NULL REFERENCES people (id),
  struck_at TEXT NOT NULL,
  PRIMARY KEY (kind, capture_id)
) STRICT;
CREATE INDEX strikes_by_job ON strikes (job_id);

-- The same capture id that came again with other content: both are kept.
CREATE TABLE capture_conflicts (
  capture_id TEXT NOT NULL,
  kind TEXT NOT NULL,
  job_id TEXT NOT NULL REFERENCES jobs (id),
  content_json TEXT NOT NULL,
  content_digest TEXT NOT NULL,
  author_id TEXT NOT NULL REFERENCES people (id),
  received_at TEXT NOT NULL,
  PRIMARY KEY (capture_id, content_digest)
) STRICT;
CREATE INDEX capture_conflicts_by_job ON capture_conflicts (job_id);

CREATE TABLE grades (
  job_id TEXT NOT NULL REFERENCES jobs (id),
  position_id TEXT NOT NULL,
  version INTEGER NOT NULL,
  grade INTEGER NOT NULL,
  proposed INTEGER,
  reason TEXT NOT NULL,
  rules_revision INTEGER NOT NULL,
  evidence_json TEXT NOT NULL,
  by_id TEXT NOT NULL REFERENCES people (id),
  at TEXT NOT NULL,
  PRIMARY KEY (job_id, position_id)
) STRICT;

CREATE TABLE part_decisions (
  job_id TEXT NOT NULL REFERENCES jobs (id),
  position_id TEXT NOT NULL,
  version INTEGER NOT NULL,
  decision TEXT NOT NULL,
  proposed TEXT NOT NULL,
  reason TEXT NOT NULL,
  by_id TEXT NOT NULL REFERENCES people (id),
  at TEXT NOT NULL,
  PRIMARY KEY (job_id, position_id)
) STRICT;

CREATE TABLE causes (
  job_id TEXT PRIMARY KEY REFERENCES jobs (id),
  version INTEGER NOT NULL,
  words TEXT NOT NULL,
  plain_words TEXT NOT NULL,
  sureness TEXT NOT NULL,
  first_failure TEXT,
  by_id TEXT NOT NULL REFERENCES people (id),
  at TEXT NOT NULL
) STRICT;

CREATE TABLE unit_decisions (
  job_id TEXT PRIMARY KEY REFERENCES jobs (id),
  version INTEGER NOT NULL,
  decision TEXT NOT NULL,
  reason TEXT NOT NULL,
  watch TEXT NOT NULL,
  by_id TEXT NOT NULL REFERENCES people (id),
  at TEXT NOT NULL
) STRICT;

CREATE TABLE report_issues (
  job_id TEXT NOT NULL REFERENCES jobs (id),
  number INTEGER NOT NULL,
  document_json TEXT NOT NULL,
  digest TEXT NOT NULL,
  previous_digest TEXT,
  changes_json TEXT NOT NULL,
  issued_by TEXT NOT NULL REFERENCES people (id),
  issued_at TEXT NOT NULL,
  PRIMARY KEY (job_id, number)
) STRICT;

CREATE TABLE report_links (
  token_hash TEXT PRIMARY KEY,
  job_id TEXT NOT NULL,
  number INTEGER NOT NULL,
  created_at TEXT NOT NULL,
  created_by TEXT NOT NULL REFERENCES people (id),
  expires_at TEXT NOT NULL,
  withdrawn_at TEXT,
  FOREIGN KEY (job_id, number) REFERENCES report_issues (job_id, number)
) STRICT;
CREATE INDEX report_links_by_job ON report_links (job_id, number);

CREATE TABLE change_log (
  seq INTEGER PRIMARY KEY,
  at TEXT NOT NULL,
  by_id TEXT NOT NULL,
  job_id TEXT,
  topic TEXT NOT NULL,
  subject TEXT NOT NULL,
  before_json TEXT,
  after_json TEXT
) STRICT;
CREATE INDEX change_log_by_job ON change_log (job_id, seq);

-- The shop itself: one row.
CREATE TABLE shop (
  only_one INTEGER PRIMARY KEY CHECK (only_one = 1),
  name TEXT NOT NULL,
  place TEXT NOT NULL,
  contact TEXT NOT NULL
) STRICT;
INSERT INTO shop (only_one, name, place, contact) VALUES (1, 'Our drivetrain shop', '', '');
