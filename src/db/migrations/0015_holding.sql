-- How the part was held while a reading was taken; empty where nobody said it, which is a holding of its own.
ALTER TABLE readings ADD COLUMN held TEXT NOT NULL DEFAULT '';

-- An acceptance is bound to the readings that were seen, by their ids. Marks from before say how many there were and which was the
-- last: where both still match they become the ids; where they don't, other readings count by now, and the acceptance lapses: its
-- old mark stands alone in the list, which is the id of no reading.
CREATE TABLE accepted_readings (
  job_id TEXT NOT NULL,
  position_id TEXT NOT NULL,
  check_id TEXT NOT NULL,
  readings_mark TEXT NOT NULL,
  ids_json TEXT NOT NULL,
  PRIMARY KEY (job_id, position_id, check_id, readings_mark)
) STRICT;
INSERT INTO accepted_readings (job_id, position_id, check_id, readings_mark, ids_json)
SELECT a.job_id, a.position_id, a.check_id, a.readings_mark, json_group_array(r.id)
FROM check_acceptances a
JOIN readings r ON r.job_id = a.job_id AND r.position_id = a.position_id AND r.check_id = a.check_id
WHERE NOT EXISTS (SELECT 1 FROM strikes WHERE strikes.kind = 'reading' AND strikes.capture_id = r.id)
GROUP BY a.job_id, a.position_id, a.check_id, a.readings_mark
HAVING a.readings_mark = count(r.id) || ':' || max(r.id);
UPDATE check_acceptances SET readings_mark = coalesce(
  (SELECT ids_json FROM accepted_readings seen WHERE seen.job_id = check_acceptances.job_id
     AND seen.position_id = check_acceptances.position_id AND seen.check_id = check_acceptances.check_id
     AND seen.readings_mark = check_acceptances.readings_mark),
  '["' || readings_mark || '"]')
WHERE readings_mark NOT LIKE '[%';
DROP TABLE accepted_readings;
