-- What an administrator says of a person, such as their region or depot; reports may begin with it.
CREATE TABLE account_attribute (
  account_id INTEGER NOT NULL REFERENCES account (id),
  name TEXT NOT NULL,
  value TEXT NOT NULL,
  PRIMARY KEY (account_id, name)
);
