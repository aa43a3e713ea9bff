-- Datasets that authors changed: every saved state, the newest of which counts. What comes with the product has none.
CREATE TABLE dataset_revision (
  dataset_id TEXT NOT NULL,
  number INTEGER NOT NULL,
  definition TEXT NOT NULL,
  account_id INTEGER NOT NULL REFERENCES account (id),
  saved_at INTEGER NOT NULL,
  PRIMARY KEY (dataset_id, number)
);
