-- The installation's fiscal calendar, once an administrator has set it; before that it is the one that the server was started with.
CREATE TABLE installation_calendar (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  fiscal_year_start INTEGER NOT NULL CHECK (fiscal_year_start BETWEEN 1 AND 12),
  year_name TEXT NOT NULL CHECK (year_name IN ('BOTH', 'START', 'END')),
  account_id INTEGER NOT NULL REFERENCES account (id),
  saved_at INTEGER NOT NULL
);
