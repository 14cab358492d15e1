-- The last few units under a serial number, without reading all that ever bore it.
DROP INDEX jobs_by_serial;
CREATE INDEX jobs_by_serial ON jobs (serial COLLATE NOCASE, booked_at);
