-- Administrators do what their role does, and also say which sources there are.
ALTER TABLE account ADD COLUMN administrator BOOLEAN NOT NULL DEFAULT FALSE;

-- Sources besides the database that the server was started with. A password is sealed with a key that is kept outside this file.
CREATE TABLE source (
  id TEXT PRIMARY KEY,
  label TEXT NOT NULL UNIQUE,
  kind TEXT NOT NULL CHECK (kind IN ('SQLITE', 'POSTGRESQL')),
  file TEXT,
  host TEXT,
  port INTEGER,
  database_name TEXT,
  user_name TEXT,
  sealed_password TEXT,
  account_id INTEGER NOT NULL REFERENCES account (id),
  saved_at INTEGER NOT NULL
);
