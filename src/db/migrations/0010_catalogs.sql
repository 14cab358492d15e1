-- Words, rules, thresholds and cautions as they were shipped, each revision once: it never changes. A job pins those by which it is
-- judged; those from before pin what was in force until now.
CREATE TABLE catalog_documents (
  kind TEXT NOT NULL,
  revision INTEGER NOT NULL,
  document_json TEXT NOT NULL,
  stored_at TEXT NOT NULL,
  PRIMARY KEY (kind, revision)
) STRICT;
CREATE TRIGGER catalog_documents_insert_shop AFTER INSERT ON catalog_documents BEGIN
  UPDATE stream SET shop_revision = shop_revision + 1;
END;
ALTER TABLE jobs ADD COLUMN catalogs_json TEXT NOT NULL
  DEFAULT '{"damage-words":2,"grade-rules":1,"oil-thresholds":1,"cautions":1}';
