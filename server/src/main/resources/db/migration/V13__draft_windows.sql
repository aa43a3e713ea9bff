-- Which of its author's windows kept a draft; nothing where that is not known.
ALTER TABLE draft ADD COLUMN window_id TEXT;
