-- What owners answered to a quote that stands in an issued report, or asked about it. An answer is never changed: it is taken back, and another given.
CREATE TABLE quote_answers (
  id TEXT PRIMARY KEY,
  job_id TEXT NOT NULL,
  number INTEGER NOT NULL,
  digest TEXT NOT NULL,
  -- The slip as it was read; none where something was only asked.
  slip_json TEXT,
  name TEXT NOT NULL,
  question TEXT NOT NULL,
  at TEXT NOT NULL,
  taken_back_at TEXT,
  FOREIGN KEY (job_id, number) REFERENCES report_issues (job_id, number)
) STRICT;
-- Of two answers at once the first holds.
CREATE UNIQUE INDEX quote_answers_one ON quote_answers (job_id, number) WHERE slip_json IS NOT NULL AND taken_back_at IS NULL;
CREATE INDEX quote_answers_by_job ON quote_answers (job_id, at);
