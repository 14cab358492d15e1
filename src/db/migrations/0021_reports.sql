-- Reports are of kinds: what was issued before is the customer's. The number counts all reports of a job, so that it names one alone; each kind
-- has its own chain of digests.
ALTER TABLE report_issues ADD COLUMN kind TEXT NOT NULL DEFAULT 'customer' CHECK (kind IN ('customer', 'colleague', 'parts'));
CREATE INDEX report_issues_by_kind ON report_issues (job_id, kind, number);

-- What the shop replied to an owner's question; it stands in his letter under the question.
ALTER TABLE quote_answers ADD COLUMN reply TEXT NOT NULL DEFAULT '';
ALTER TABLE quote_answers ADD COLUMN replied_by TEXT REFERENCES people (id);
ALTER TABLE quote_answers ADD COLUMN replied_at TEXT;

-- What would be sent by mail. The message itself lies as a file in the shop's outbox.
CREATE TABLE mails (
  id TEXT PRIMARY KEY,
  job_id TEXT NOT NULL REFERENCES jobs (id),
  recipient TEXT NOT NULL,
  subject TEXT NOT NULL,
  file TEXT NOT NULL,
  by_id TEXT NOT NULL REFERENCES people (id),
  at TEXT NOT NULL
) STRICT;
CREATE INDEX mails_by_job ON mails (job_id, at);
CREATE INDEX mails_by_time ON mails (at DESC, id);
