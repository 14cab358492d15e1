-- Measured shims on hand: of each type of unit, of each drawer (stacks of one kind and range take the same pieces), how many of which thickness.
ALTER TABLE shop ADD COLUMN shims_json TEXT NOT NULL DEFAULT '{}';
