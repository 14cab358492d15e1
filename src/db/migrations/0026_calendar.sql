-- On which days the shop works and how long, as JSON; what isn't said is the usual week.
ALTER TABLE shop ADD COLUMN calendar_json TEXT NOT NULL DEFAULT '{}';

-- Units that are gone and about which the shop still owes something: a reply to their owner, a wrong part to its supplier. Whether a part that
-- came is wrong only the program can say; what came in marks its job, and the program takes the mark off where all of it is right.
ALTER TABLE jobs ADD COLUMN return_owed INTEGER NOT NULL DEFAULT 0;
UPDATE jobs SET return_owed = 1 WHERE EXISTS (SELECT 1 FROM bench_records WHERE bench_records.job_id = jobs.id AND bench_records.what = 'goods-in');
CREATE INDEX jobs_return_owed ON jobs (id) WHERE return_owed = 1;
CREATE TRIGGER bench_records_return_owed AFTER INSERT ON bench_records WHEN NEW.what IN ('goods-in', 'goods-compared') BEGIN
  UPDATE jobs SET return_owed = 1 WHERE id = NEW.job_id;
END;
CREATE INDEX quote_answers_unanswered ON quote_answers (job_id) WHERE question <> '' AND reply = '' AND taken_back_at IS NULL;
