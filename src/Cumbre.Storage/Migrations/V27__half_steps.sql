-- Steps between two steps of a ladder that a coach took from the lever lab for an athlete.
CREATE TABLE half_step (
  id          BLOB NOT NULL PRIMARY KEY,
  athlete_id  BLOB NOT NULL REFERENCES athlete (id),
  ladder      TEXT NOT NULL,
  after_step  TEXT NOT NULL,
  before_step TEXT NOT NULL,
  kind        TEXT NOT NULL CHECK (kind IN ('Line', 'Help', 'AnkleWeight')),
  hip         REAL NOT NULL,
  knee        REAL NOT NULL,
  other_hip   REAL NOT NULL,
  other_knee  REAL NOT NULL,
  apart       REAL NOT NULL,
  kilograms   REAL NOT NULL CHECK (kilograms BETWEEN 0 AND 250),
  place       TEXT NOT NULL CHECK (place IN ('Waist', 'Hips', 'Ankles')),
  moment      REAL NOT NULL,
  share       REAL NOT NULL CHECK (share BETWEEN 0 AND 1),
  written_at  TEXT NOT NULL,
  written_by  BLOB NOT NULL
) STRICT;
CREATE INDEX half_step_of ON half_step (athlete_id, ladder);
