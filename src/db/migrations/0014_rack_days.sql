-- How many units hang on the rack for each day, so that the rack can show all its dates without reading all its units.
CREATE TABLE rack_days (
  due_on TEXT PRIMARY KEY,
  units INTEGER NOT NULL
) STRICT, WITHOUT ROWID;
INSERT INTO rack_days (due_on, units) SELECT due_on, count(*) FROM jobs WHERE on_rack = 1 GROUP BY due_on;
CREATE TRIGGER rack_days_insert AFTER INSERT ON jobs WHEN NEW.on_rack = 1 BEGIN
  INSERT INTO rack_days (due_on, units) VALUES (NEW.due_on, 1) ON CONFLICT (due_on) DO UPDATE SET units = units + 1;
END;
CREATE TRIGGER rack_days_leave AFTER UPDATE OF due_on, on_rack ON jobs WHEN OLD.on_rack = 1 BEGIN
  UPDATE rack_days SET units = units - 1 WHERE due_on = OLD.due_on;
  DELETE FROM rack_days WHERE due_on = OLD.due_on AND units <= 0;
END;
CREATE TRIGGER rack_days_come AFTER UPDATE OF due_on, on_rack ON jobs WHEN NEW.on_rack = 1 BEGIN
  INSERT INTO rack_days (due_on, units) VALUES (NEW.due_on, 1) ON CONFLICT (due_on) DO UPDATE SET units = units + 1;
END;
