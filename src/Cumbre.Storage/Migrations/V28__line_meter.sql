-- Lines that were measured in a side picture: the marks alone, from which everything else is worked out. The picture is kept
-- only where the person says so, for a minor a guardian; then it lies here, so that export and erasure find it.
CREATE TABLE line_measure (
  id          BLOB NOT NULL PRIMARY KEY,
  athlete_id  BLOB NOT NULL REFERENCES athlete (id),
  ladder      TEXT NOT NULL,
  step        TEXT NOT NULL,
  day         TEXT NOT NULL,
  marks       TEXT NOT NULL CHECK (length(marks) <= 1000),
  width       INTEGER NOT NULL CHECK (width BETWEEN 1 AND 20000),
  height      INTEGER NOT NULL CHECK (height BETWEEN 1 AND 20000),
  pictures    INTEGER NOT NULL CHECK (pictures BETWEEN 1 AND 100),
  picture     TEXT CHECK (length(picture) <= 1500000),
  kept_as     TEXT CHECK (kept_as IN ('Athlete', 'Guardian', 'Paper')),
  kept_name   TEXT CHECK (length(kept_name) BETWEEN 1 AND 80),
  written_at  TEXT NOT NULL,
  written_by  BLOB NOT NULL,
  CHECK ((picture IS NULL) = (kept_as IS NULL) AND (picture IS NULL) = (kept_name IS NULL))
) STRICT;
CREATE INDEX line_measure_of ON line_measure (athlete_id, ladder, day);
