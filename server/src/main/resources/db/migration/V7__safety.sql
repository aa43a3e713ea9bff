-- Sessions that began before an account's password was changed are over: each session knows the number it began with.
ALTER TABLE account ADD COLUMN epoch INTEGER NOT NULL DEFAULT 0;

-- How a connection to a database server is kept from being read on its way: off, encrypted, or encrypted to a server that is known.
ALTER TABLE source ADD COLUMN tls TEXT NOT NULL DEFAULT 'OFF' CHECK (tls IN ('OFF', 'REQUIRE', 'VERIFY'));
-- For VERIFY: the certificates, in PEM, that the server's must lead to.
ALTER TABLE source ADD COLUMN authorities TEXT;
-- Whether the password may be sent as it is where the connection is not encrypted.
ALTER TABLE source ADD COLUMN clear_password BOOLEAN NOT NULL DEFAULT FALSE;

CREATE INDEX run_by_end ON run (ended_at);
