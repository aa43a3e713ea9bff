-- A source may be a DuckDB file, too; a check cannot be changed in place.
CREATE TABLE source_with_duckdb (
  id TEXT PRIMARY KEY,
  label TEXT NOT NULL UNIQUE,
  kind TEXT NOT NULL CHECK (kind IN ('SQLITE', 'DUCKDB', 'POSTGRESQL')),
  file TEXT,
  host TEXT,
  port INTEGER,
  database_name TEXT,
  user_name TEXT,
  sealed_password TEXT,
  account_id INTEGER NOT NULL REFERENCES account (id),
  saved_at INTEGER NOT NULL
);
INSERT INTO source_with_duckdb SELECT * FROM source;
DROP TABLE source;
ALTER TABLE source_with_duckdb RENAME TO source;
