-- Answers to a report's prompts under a name: those of one person, or, kept by an author, for everybody who runs it.
CREATE TABLE kept_answers (
  id INTEGER PRIMARY KEY,
  report_id TEXT NOT NULL,
  account_id INTEGER NOT NULL REFERENCES account (id),
  name TEXT NOT NULL,
  for_all BOOLEAN NOT NULL,
  answers TEXT NOT NULL,
  saved_at INTEGER NOT NULL,
  UNIQUE (report_id, account_id, name)
);
