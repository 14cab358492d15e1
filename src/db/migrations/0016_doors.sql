-- Wrong PINs in a row; after a few the PIN stays closed until its owner gives his password.
CREATE TABLE pin_tries (
  person_id TEXT PRIMARY KEY REFERENCES people (id),
  tries INTEGER NOT NULL
) STRICT;

-- Devices on which somebody has signed in: each has a budget of wrong tries of its own, so that a stranger can't use up a colleague's.
CREATE TABLE known_devices (
  token_hash TEXT PRIMARY KEY,
  last_used TEXT NOT NULL
) STRICT;
CREATE INDEX sessions_by_expiry ON sessions (expires_at);
