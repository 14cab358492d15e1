-- What the rack shows of a job beside the job itself, so that a page of it reads sixty rows and no job whole. A change of the job
-- marks its row as stale in the same transaction; whoever reads the rack next makes it anew. So a reading at the bench doesn't pay
-- for counting a whole unit, and the rack never shows what isn't so.
CREATE TABLE rack_rows (
  job_id TEXT PRIMARY KEY REFERENCES jobs (id),
  unit_family TEXT NOT NULL,
  weight_kg REAL,
  station TEXT NOT NULL,
  station_open INTEGER NOT NULL,
  -- Empty where the job can be read; else why it can't.
  trouble TEXT NOT NULL DEFAULT '',
  -- Of the code that made it: rows of an older one are made anew.
  made_by INTEGER NOT NULL,
  stale INTEGER NOT NULL DEFAULT 0
) STRICT;
CREATE TRIGGER rack_rows_stale AFTER INSERT ON change_log WHEN NEW.job_id IS NOT NULL BEGIN
  UPDATE rack_rows SET stale = 1 WHERE job_id = NEW.job_id;
END;

-- What was handed over leaves the rack: by whom, and when.
ALTER TABLE jobs ADD COLUMN handed_over_at TEXT;
ALTER TABLE jobs ADD COLUMN handed_over_by TEXT REFERENCES people (id);
CREATE INDEX jobs_by_serial ON jobs (serial COLLATE NOCASE);
CREATE INDEX jobs_by_type ON jobs (unit_type_id, booked_at);
