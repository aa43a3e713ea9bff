-- Days on which nobody works, besides Saturdays and Sundays: 2026-12-25.
CREATE TABLE holiday (
  day TEXT PRIMARY KEY
);
