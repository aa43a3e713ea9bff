-- House styles: every saved state, the newest of which counts. Those that come with the product have none until they are changed.
CREATE TABLE style_revision (
  style_id TEXT NOT NULL,
  number INTEGER NOT NULL,
  definition TEXT NOT NULL,
  account_id INTEGER NOT NULL REFERENCES account (id),
  saved_at INTEGER NOT NULL,
  PRIMARY KEY (style_id, number)
);
