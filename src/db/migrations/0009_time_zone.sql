-- The time zone by which the shop counts its days (IANA); empty: the machine's.
ALTER TABLE shop ADD COLUMN time_zone TEXT NOT NULL DEFAULT '';
