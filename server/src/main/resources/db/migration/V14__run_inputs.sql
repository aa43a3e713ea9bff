-- What a run depends on besides its answers and its business date, as JSON: the revisions of the report, its datasets and its house style,
-- how its reader looked at it, the time zone and the holidays. Nothing for runs from before.
ALTER TABLE run ADD COLUMN inputs TEXT;
