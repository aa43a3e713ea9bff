-- Times are milliseconds since 1970-01-01 UTC.
CREATE TABLE account (
  id INTEGER PRIMARY KEY,
  name TEXT NOT NULL UNIQUE,
  display_name TEXT NOT NULL,
  role TEXT NOT NULL CHECK (role IN ('AUTHOR', 'READER')),
  password_hash TEXT NOT NULL,
  created_at INTEGER NOT NULL
);

-- A report's definition is one JSON document; its id is unique among all reports.
CREATE TABLE report (
  id TEXT PRIMARY KEY,
  title TEXT NOT NULL,
  description TEXT,
  definition TEXT NOT NULL,
  owner_id INTEGER REFERENCES account (id),
  starter BOOLEAN NOT NULL,
  created_at INTEGER NOT NULL,
  updated_at INTEGER NOT NULL
);

CREATE TABLE run (
  id TEXT PRIMARY KEY,
  report_id TEXT NOT NULL REFERENCES report (id),
  account_id INTEGER NOT NULL REFERENCES account (id),
  answers TEXT NOT NULL,
  business_date TEXT NOT NULL,
  state TEXT NOT NULL,
  started_at INTEGER NOT NULL,
  ended_at INTEGER,
  rows_read INTEGER NOT NULL DEFAULT 0,
  rows_kept INTEGER NOT NULL DEFAULT 0,
  pages INTEGER NOT NULL DEFAULT 0,
  problem TEXT
);

CREATE INDEX run_by_report ON run (report_id, account_id, started_at);
