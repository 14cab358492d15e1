-- A unit that came back: which job of this house it was before. It names no row that has to be here: a bundle may bring a job without the one before.
ALTER TABLE jobs ADD COLUMN comeback_of TEXT;
CREATE INDEX jobs_by_comeback ON jobs (comeback_of) WHERE comeback_of IS NOT NULL;
CREATE INDEX jobs_by_machine ON jobs (machine COLLATE NOCASE, customer COLLATE NOCASE, booked_at);
