-- What a unit looked like when it came, and where in the work a photograph was taken.
ALTER TABLE jobs ADD COLUMN received_json TEXT NOT NULL DEFAULT '{"signs":[],"note":""}';
ALTER TABLE photographs ADD COLUMN station TEXT;
ALTER TABLE photographs ADD COLUMN step_id TEXT;
