-- What a conclusion rests on: the chosen causes, the network's revision, the evidence and the ranking as they were then.
ALTER TABLE causes ADD COLUMN conclusion_json TEXT;
-- Conclusions that were checked later are found without going through every record.
CREATE INDEX bench_records_checked ON bench_records (job_id) WHERE what = 'cause-checked';
CREATE INDEX causes_by_time ON causes (at DESC, job_id) WHERE conclusion_json IS NOT NULL;
