-- Every unit that ever hung here is found by the words on it; a peg's number belongs to one job for ever, so it is the row's too. Each
-- length of a word's beginning that people type has an index, so that a common one isn't gathered whole for twenty rows.
CREATE VIRTUAL TABLE job_words USING fts5 (
  peg, machine, customer, unit_title, serial, tag, complaint,
  content = '', contentless_delete = 1, tokenize = 'unicode61 remove_diacritics 2', prefix = '1 2 3 4 5 6 7 8'
);
INSERT INTO job_words (rowid, peg, machine, customer, unit_title, serial, tag, complaint)
SELECT peg, peg, machine, customer, unit_title, serial, tag, complaint FROM jobs;
CREATE TRIGGER job_words_insert AFTER INSERT ON jobs BEGIN
  INSERT INTO job_words (rowid, peg, machine, customer, unit_title, serial, tag, complaint)
  VALUES (NEW.peg, NEW.peg, NEW.machine, NEW.customer, NEW.unit_title, NEW.serial, NEW.tag, NEW.complaint);
END;
CREATE TRIGGER job_words_update
AFTER UPDATE OF peg, machine, customer, unit_title, serial, tag, complaint ON jobs BEGIN
  DELETE FROM job_words WHERE rowid = OLD.peg;
  INSERT INTO job_words (rowid, peg, machine, customer, unit_title, serial, tag, complaint)
  VALUES (NEW.peg, NEW.peg, NEW.machine, NEW.customer, NEW.unit_title, NEW.serial, NEW.tag, NEW.complaint);
END;
