-- What the camera says of its lens, where it says anything.
ALTER TABLE photographs ADD COLUMN lens TEXT;
