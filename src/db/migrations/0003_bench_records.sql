-- What is recorded at the bench beside readings, findings and photographs: drained oil, debris, steps of the strip, counts.
CREATE TABLE bench_records (
  id TEXT PRIMARY KEY,
  job_id TEXT NOT NULL REFERENCES jobs (id),
  what TEXT NOT NULL,
  content_json TEXT NOT NULL,
  author_id TEXT NOT NULL REFERENCES people (id),
  device_time TEXT NOT NULL,
  received_at TEXT NOT NULL,
  content_digest TEXT NOT NULL
) STRICT;
CREATE INDEX bench_records_by_job ON bench_records (job_id, id);
