-- Bests that a finished session brought, each told once to the coaches and once to the athlete. They can be worked out
-- from the log again; who has been told cannot.
CREATE TABLE record (
  session_id      BLOB NOT NULL REFERENCES session (id) ON DELETE CASCADE,
  movement        TEXT NOT NULL,
  set_up          TEXT NOT NULL,
  style           TEXT NOT NULL,
  side            TEXT NOT NULL CHECK (side IN ('', 'Left', 'Right')),
  athlete_id      BLOB NOT NULL REFERENCES athlete (id),
  measure         TEXT NOT NULL,
  value           TEXT NOT NULL,
  before          TEXT NOT NULL,
  before_day      TEXT NOT NULL,
  day             TEXT NOT NULL,
  coach_told_at   TEXT,
  athlete_told_at TEXT,
  PRIMARY KEY (session_id, movement, set_up, style, side)
) STRICT, WITHOUT ROWID;
CREATE INDEX record_of_athlete ON record (athlete_id, day);
CREATE INDEX record_untold ON record (day) WHERE coach_told_at IS NULL;
