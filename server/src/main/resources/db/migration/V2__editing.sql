-- Where a report is filed, whether it is offered to everyone, and what can be searched for; a deleted one can be restored.
ALTER TABLE report ADD COLUMN folder TEXT NOT NULL DEFAULT '';
ALTER TABLE report ADD COLUMN offered BOOLEAN NOT NULL DEFAULT FALSE;
ALTER TABLE report ADD COLUMN fields TEXT NOT NULL DEFAULT '';
ALTER TABLE report ADD COLUMN revision INTEGER NOT NULL DEFAULT 1;
ALTER TABLE report ADD COLUMN deleted_at INTEGER;

-- Every saved state of a report, so that nobody's work is overwritten for good.
CREATE TABLE revision (
  report_id TEXT NOT NULL REFERENCES report (id),
  number INTEGER NOT NULL,
  definition TEXT NOT NULL,
  account_id INTEGER REFERENCES account (id),
  saved_at INTEGER NOT NULL,
  PRIMARY KEY (report_id, number)
);

INSERT INTO revision (report_id, number, definition, account_id, saved_at)
SELECT id, 1, definition, owner_id, updated_at FROM report;

-- What a person has changed but not saved. It may be a document that is wrong in the middle of an edit.
CREATE TABLE draft (
  report_id TEXT NOT NULL REFERENCES report (id),
  account_id INTEGER NOT NULL REFERENCES account (id),
  definition TEXT NOT NULL,
  base_revision INTEGER NOT NULL,
  updated_at INTEGER NOT NULL,
  PRIMARY KEY (report_id, account_id)
);
