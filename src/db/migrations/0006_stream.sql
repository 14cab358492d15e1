-- One stream of changes: every row of a job says at which line of the change log it was last touched. A device asks for what
-- lies behind its cursor. Triggers do it, so that no write can forget it: the line that follows in the same transaction gets
-- the next number. Rows from before this migration stand at 0: whoever holds a cursor has been given them.

-- Which life of the database a cursor belongs to; a restore begins another. And the revision of what the whole shop shares.
CREATE TABLE stream (
  only_one INTEGER PRIMARY KEY CHECK (only_one = 1),
  life TEXT NOT NULL,
  shop_revision INTEGER NOT NULL DEFAULT 1
) STRICT;
INSERT INTO stream (only_one, life) VALUES (1, lower(hex(randomblob(8))));

CREATE TRIGGER gauges_insert_shop AFTER INSERT ON gauges BEGIN UPDATE stream SET shop_revision = shop_revision + 1; END;
CREATE TRIGGER shop_insert_shop AFTER INSERT ON shop BEGIN UPDATE stream SET shop_revision = shop_revision + 1; END;
CREATE TRIGGER people_insert_shop AFTER INSERT ON people BEGIN UPDATE stream SET shop_revision = shop_revision + 1; END;
CREATE TRIGGER gauges_update_shop AFTER UPDATE ON gauges BEGIN UPDATE stream SET shop_revision = shop_revision + 1; END;
CREATE TRIGGER shop_update_shop AFTER UPDATE ON shop BEGIN UPDATE stream SET shop_revision = shop_revision + 1; END;
CREATE TRIGGER people_update_shop AFTER UPDATE ON people BEGIN UPDATE stream SET shop_revision = shop_revision + 1; END;

ALTER TABLE jobs ADD COLUMN changed_seq INTEGER NOT NULL DEFAULT 0;
CREATE TRIGGER jobs_insert_seq AFTER INSERT ON jobs BEGIN
  UPDATE jobs SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;
CREATE TRIGGER jobs_update_seq AFTER UPDATE ON jobs WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE jobs SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;

ALTER TABLE readings ADD COLUMN changed_seq INTEGER NOT NULL DEFAULT 0;
CREATE INDEX readings_by_change ON readings (job_id, changed_seq);
CREATE TRIGGER readings_insert_seq AFTER INSERT ON readings BEGIN
  UPDATE readings SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;
CREATE TRIGGER readings_update_seq AFTER UPDATE ON readings WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE readings SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;
CREATE TRIGGER readings_strike_seq AFTER INSERT ON strikes WHEN NEW.kind = 'reading' BEGIN
  UPDATE readings SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.capture_id;
END;

ALTER TABLE findings ADD COLUMN changed_seq INTEGER NOT NULL DEFAULT 0;
CREATE INDEX findings_by_change ON findings (job_id, changed_seq);
CREATE TRIGGER findings_insert_seq AFTER INSERT ON findings BEGIN
  UPDATE findings SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;
CREATE TRIGGER findings_update_seq AFTER UPDATE ON findings WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE findings SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;
CREATE TRIGGER findings_strike_seq AFTER INSERT ON strikes WHEN NEW.kind = 'finding' BEGIN
  UPDATE findings SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.capture_id;
END;

ALTER TABLE photographs ADD COLUMN changed_seq INTEGER NOT NULL DEFAULT 0;
CREATE INDEX photographs_by_change ON photographs (job_id, changed_seq);
CREATE TRIGGER photographs_insert_seq AFTER INSERT ON photographs BEGIN
  UPDATE photographs SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;
CREATE TRIGGER photographs_update_seq AFTER UPDATE ON photographs WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE photographs SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;
CREATE TRIGGER photographs_strike_seq AFTER INSERT ON strikes WHEN NEW.kind = 'photograph' BEGIN
  UPDATE photographs SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.capture_id;
END;

ALTER TABLE bench_records ADD COLUMN changed_seq INTEGER NOT NULL DEFAULT 0;
CREATE INDEX bench_records_by_change ON bench_records (job_id, changed_seq);
CREATE TRIGGER bench_records_insert_seq AFTER INSERT ON bench_records BEGIN
  UPDATE bench_records SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;
CREATE TRIGGER bench_records_update_seq AFTER UPDATE ON bench_records WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE bench_records SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.id;
END;
CREATE TRIGGER bench_records_strike_seq AFTER INSERT ON strikes WHEN NEW.kind = 'record' BEGIN
  UPDATE bench_records SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE id = NEW.capture_id;
END;

ALTER TABLE grades ADD COLUMN changed_seq INTEGER NOT NULL DEFAULT 0;
CREATE INDEX grades_by_change ON grades (job_id, changed_seq);
CREATE TRIGGER grades_insert_seq AFTER INSERT ON grades BEGIN
  UPDATE grades SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE job_id = NEW.job_id AND position_id = NEW.position_id;
END;
CREATE TRIGGER grades_update_seq AFTER UPDATE ON grades WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE grades SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE job_id = NEW.job_id AND position_id = NEW.position_id;
END;

ALTER TABLE part_decisions ADD COLUMN changed_seq INTEGER NOT NULL DEFAULT 0;
CREATE INDEX part_decisions_by_change ON part_decisions (job_id, changed_seq);
CREATE TRIGGER part_decisions_insert_seq AFTER INSERT ON part_decisions BEGIN
  UPDATE part_decisions SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE job_id = NEW.job_id AND position_id = NEW.position_id;
END;
CREATE TRIGGER part_decisions_update_seq AFTER UPDATE ON part_decisions WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE part_decisions SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE job_id = NEW.job_id AND position_id = NEW.position_id;
END;

ALTER TABLE causes ADD COLUMN changed_seq INTEGER NOT NULL DEFAULT 0;
CREATE INDEX causes_by_change ON causes (job_id, changed_seq);
CREATE TRIGGER causes_insert_seq AFTER INSERT ON causes BEGIN
  UPDATE causes SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE job_id = NEW.job_id;
END;
CREATE TRIGGER causes_update_seq AFTER UPDATE ON causes WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE causes SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE job_id = NEW.job_id;
END;

ALTER TABLE unit_decisions ADD COLUMN changed_seq INTEGER NOT NULL DEFAULT 0;
CREATE INDEX unit_decisions_by_change ON unit_decisions (job_id, changed_seq);
CREATE TRIGGER unit_decisions_insert_seq AFTER INSERT ON unit_decisions BEGIN
  UPDATE unit_decisions SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE job_id = NEW.job_id;
END;
CREATE TRIGGER unit_decisions_update_seq AFTER UPDATE ON unit_decisions WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE unit_decisions SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE job_id = NEW.job_id;
END;

ALTER TABLE check_acceptances ADD COLUMN changed_seq INTEGER NOT NULL DEFAULT 0;
CREATE INDEX check_acceptances_by_change ON check_acceptances (job_id, changed_seq);
CREATE TRIGGER check_acceptances_insert_seq AFTER INSERT ON check_acceptances BEGIN
  UPDATE check_acceptances SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE job_id = NEW.job_id AND position_id = NEW.position_id AND check_id = NEW.check_id AND readings_mark = NEW.readings_mark;
END;
CREATE TRIGGER check_acceptances_update_seq AFTER UPDATE ON check_acceptances WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE check_acceptances SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE job_id = NEW.job_id AND position_id = NEW.position_id AND check_id = NEW.check_id AND readings_mark = NEW.readings_mark;
END;

ALTER TABLE identity_counts ADD COLUMN changed_seq INTEGER NOT NULL DEFAULT 0;
CREATE INDEX identity_counts_by_change ON identity_counts (job_id, changed_seq);
CREATE TRIGGER identity_counts_insert_seq AFTER INSERT ON identity_counts BEGIN
  UPDATE identity_counts SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE job_id = NEW.job_id AND pair_id = NEW.pair_id;
END;
CREATE TRIGGER identity_counts_update_seq AFTER UPDATE ON identity_counts WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE identity_counts SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE job_id = NEW.job_id AND pair_id = NEW.pair_id;
END;

ALTER TABLE capture_conflicts ADD COLUMN changed_seq INTEGER NOT NULL DEFAULT 0;
CREATE INDEX capture_conflicts_by_change ON capture_conflicts (job_id, changed_seq);
CREATE TRIGGER capture_conflicts_insert_seq AFTER INSERT ON capture_conflicts BEGIN
  UPDATE capture_conflicts SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE capture_id = NEW.capture_id AND content_digest = NEW.content_digest;
END;
CREATE TRIGGER capture_conflicts_update_seq AFTER UPDATE ON capture_conflicts WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE capture_conflicts SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE capture_id = NEW.capture_id AND content_digest = NEW.content_digest;
END;

ALTER TABLE report_issues ADD COLUMN changed_seq INTEGER NOT NULL DEFAULT 0;
CREATE INDEX report_issues_by_change ON report_issues (job_id, changed_seq);
CREATE TRIGGER report_issues_insert_seq AFTER INSERT ON report_issues BEGIN
  UPDATE report_issues SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE job_id = NEW.job_id AND number = NEW.number;
END;
CREATE TRIGGER report_issues_update_seq AFTER UPDATE ON report_issues WHEN NEW.changed_seq = OLD.changed_seq BEGIN
  UPDATE report_issues SET changed_seq = (SELECT coalesce(max(seq), 0) + 1 FROM change_log) WHERE job_id = NEW.job_id AND number = NEW.number;
END;

-- Grades and decisions that came from a device: under its own mark, so that sending one twice is harmless. One that lost
-- against another person's stays here, and lies as a conflict beside it until somebody settles it.
CREATE TABLE judgement_captures (
  id TEXT PRIMARY KEY,
  job_id TEXT NOT NULL REFERENCES jobs (id),
  kind TEXT NOT NULL,
  content_json TEXT NOT NULL,
  author_id TEXT NOT NULL REFERENCES people (id),
  device_time TEXT NOT NULL,
  received_at TEXT NOT NULL,
  content_digest TEXT NOT NULL
) STRICT;
CREATE INDEX judgement_captures_by_job ON judgement_captures (job_id, id);

-- What each device said last of what waits on it for a job.
CREATE TABLE device_words (
  job_id TEXT NOT NULL REFERENCES jobs (id),
  device_id TEXT NOT NULL,
  waiting INTEGER NOT NULL,
  person_id TEXT NOT NULL REFERENCES people (id),
  said_at TEXT NOT NULL,
  PRIMARY KEY (job_id, device_id)
) STRICT;
