-- A hold is a record of the job: why, since when, until when, at which station, who acts. What stood in a field of the job until now
-- becomes one, by whoever booked the job in.
INSERT INTO bench_records (id, job_id, what, content_json, author_id, device_time, received_at, content_digest, happened_at, clock_jumped)
SELECT
  lower(hex(randomblob(4)) || '-' || hex(randomblob(2)) || '-7' || substr(hex(randomblob(2)), 2) || '-8' || substr(hex(randomblob(2)), 2)
    || '-' || hex(randomblob(6))),
  id, 'held', json_object('what', 'held', 'reason', hold_reason, 'station', 'book-in', 'whoActs', ''),
  booked_by, booked_at, booked_at, 'from-before', booked_at, 0
FROM jobs WHERE hold_reason <> '';
-- They stand among what was there before the stream went on.
UPDATE bench_records SET changed_seq = 0 WHERE content_digest = 'from-before';
ALTER TABLE jobs DROP COLUMN hold_reason;

-- What holds it in words, as the rack shows it.
ALTER TABLE rack_rows ADD COLUMN hold TEXT NOT NULL DEFAULT '';
