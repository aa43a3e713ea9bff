-- Faces that were added for house styles. One is never changed: pages that were set in it stay as they are.
CREATE TABLE face (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  licence TEXT NOT NULL,
  regular BLOB NOT NULL,
  semibold BLOB,
  account_id INTEGER NOT NULL REFERENCES account (id),
  added_at INTEGER NOT NULL
);
