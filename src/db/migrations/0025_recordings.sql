-- Recordings of a noise: the file lies by its digest as photographs do; what is known of it (gear, speed) is told in records beside it.
CREATE TABLE recordings (
  id TEXT PRIMARY KEY,
  job_id TEXT NOT NULL REFERENCES jobs (id),
  station TEXT,
  file_name TEXT NOT NULL,
  digest TEXT NOT NULL,
  bytes INTEGER NOT NULL,
  rate INTEGER NOT NULL,
  channels INTEGER NOT NULL,
  seconds REAL NOT NULL,
  author_id TEXT NOT NULL REFERENCES people (id),
  device_time TEXT NOT NULL,
  received_at TEXT NOT NULL,
  content_digest TEXT NOT NULL,
  happened_at TEXT NOT NULL DEFAULT '',
  clock_jumped INTEGER NOT NULL DEFAULT 0,
  changed_seq INTEGER NOT NULL DEFAULT 0
) STRICT;
CREATE INDEX recordings_by_job ON recordings (job_id, id);
CREATE INDEX recordings_by_change ON recordings (job_id, changed_seq);
CREATE TRIGGER recordings_insert_seq AFTER INSERT ON recordings BEGIN
  UPDATE recordings SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;
CREATE TRIGGER recordings_update_seq AFTER UPDATE ON recordings WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE recordings SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;
CREATE TRIGGER recordings_strike_seq AFTER INSERT ON strikes WHEN NEW.kind = 'recording' BEGIN
  UPDATE recordings SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.capture_id;
END;
