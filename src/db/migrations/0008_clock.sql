-- When a capture happened, by the shop's clock: the device's time and how far its clock was off when it was sent. Where a clock has
-- jumped since the device was heard last, nobody knows by which it was taken: then the receipt counts, and the capture is marked.
CREATE TABLE device_clocks (
  device_id TEXT PRIMARY KEY,
  offset_ms INTEGER NOT NULL,
  heard_at TEXT NOT NULL
) STRICT;

ALTER TABLE readings ADD COLUMN happened_at TEXT NOT NULL DEFAULT '';
ALTER TABLE readings ADD COLUMN clock_jumped INTEGER NOT NULL DEFAULT 0;

ALTER TABLE findings ADD COLUMN happened_at TEXT NOT NULL DEFAULT '';
ALTER TABLE findings ADD COLUMN clock_jumped INTEGER NOT NULL DEFAULT 0;

ALTER TABLE photographs ADD COLUMN happened_at TEXT NOT NULL DEFAULT '';
ALTER TABLE photographs ADD COLUMN clock_jumped INTEGER NOT NULL DEFAULT 0;

ALTER TABLE bench_records ADD COLUMN happened_at TEXT NOT NULL DEFAULT '';
ALTER TABLE bench_records ADD COLUMN clock_jumped INTEGER NOT NULL DEFAULT 0;

ALTER TABLE judgement_captures ADD COLUMN happened_at TEXT NOT NULL DEFAULT '';
ALTER TABLE judgement_captures ADD COLUMN clock_jumped INTEGER NOT NULL DEFAULT 0;

-- From before: the device's own time was all there was. The rows keep their place in the stream.
DROP TRIGGER readings_update_seq;
UPDATE readings SET happened_at = device_time;
CREATE TRIGGER readings_update_seq AFTER UPDATE ON readings WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE readings SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;
DROP TRIGGER findings_update_seq;
UPDATE findings SET happened_at = device_time;
CREATE TRIGGER findings_update_seq AFTER UPDATE ON findings WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE findings SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;
DROP TRIGGER photographs_update_seq;
UPDATE photographs SET happened_at = device_time;
CREATE TRIGGER photographs_update_seq AFTER UPDATE ON photographs WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE photographs SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;
DROP TRIGGER bench_records_update_seq;
UPDATE bench_records SET happened_at = device_time;
CREATE TRIGGER bench_records_update_seq AFTER UPDATE ON bench_records WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE bench_records SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;
UPDATE judgement_captures SET happened_at = device_time;
