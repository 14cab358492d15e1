-- A job that came from another shop: from which, its peg there, and by which ids its unit type, gauges and documents are known here, so that it
-- goes out again as it came.
CREATE TABLE job_homes (
  job_id TEXT PRIMARY KEY REFERENCES jobs (id),
  shop TEXT NOT NULL,
  peg INTEGER NOT NULL,
  maps_json TEXT NOT NULL,
  by_id TEXT NOT NULL REFERENCES people (id),
  at TEXT NOT NULL
) STRICT;

-- People and gauges of another shop: they are named in its jobs, and nobody signs in as the ones or measures with the others here.
ALTER TABLE people ADD COLUMN home TEXT NOT NULL DEFAULT '';
ALTER TABLE gauges ADD COLUMN home TEXT NOT NULL DEFAULT '';
