-- What an athlete says when they come in, and evenings on which a group is tested.

ALTER TABLE athlete ADD COLUMN training_years TEXT;
-- ISO numbers of the days, for instance 1,4.
ALTER TABLE athlete ADD COLUMN training_days TEXT NOT NULL DEFAULT '';
ALTER TABLE athlete ADD COLUMN minutes INTEGER;
ALTER TABLE athlete ADD COLUMN place TEXT NOT NULL DEFAULT 'Hall' CHECK (place IN ('Hall', 'Home'));
ALTER TABLE athlete ADD COLUMN shoulders TEXT CHECK (shoulders IN ('Loose', 'Usual', 'Tight'));
ALTER TABLE athlete ADD COLUMN guardian_consent INTEGER NOT NULL DEFAULT 0 CHECK (guardian_consent IN (0, 1));
ALTER TABLE athlete ADD COLUMN intake_finished INTEGER NOT NULL DEFAULT 0 CHECK (intake_finished IN (0, 1));
ALTER TABLE athlete ADD COLUMN archived_at TEXT;

-- Athletes who were there before went through their intake on paper.
UPDATE athlete SET intake_finished = 1;

CREATE TABLE athlete_goal (
  athlete_id BLOB NOT NULL REFERENCES athlete (id),
  position   INTEGER NOT NULL,
  ladder     TEXT NOT NULL,
  kind       TEXT NOT NULL CHECK (kind IN ('Advance', 'Maintain')),
  PRIMARY KEY (athlete_id, ladder)
) STRICT;

CREATE TABLE athlete_complaint (
  athlete_id BLOB NOT NULL REFERENCES athlete (id),
  position   INTEGER NOT NULL,
  place      TEXT NOT NULL,
  level      INTEGER NOT NULL CHECK (level BETWEEN 0 AND 10),
  note       TEXT,
  PRIMARY KEY (athlete_id, position)
) STRICT;

CREATE TABLE athlete_clearance (
  athlete_id BLOB NOT NULL REFERENCES athlete (id),
  question   TEXT NOT NULL,
  yes        INTEGER NOT NULL CHECK (yes IN (0, 1)),
  cleared    INTEGER NOT NULL CHECK (cleared IN (0, 1)),
  PRIMARY KEY (athlete_id, question)
) STRICT;

CREATE TABLE test_day (
  id         BLOB PRIMARY KEY CHECK (length(id) = 16),
  day        TEXT NOT NULL,
  name       TEXT NOT NULL,
  version    INTEGER NOT NULL,
  written_at TEXT NOT NULL,
  written_by BLOB NOT NULL
) STRICT;
CREATE INDEX test_day_on ON test_day (day);

CREATE TABLE test_day_athlete (
  test_day_id BLOB NOT NULL REFERENCES test_day (id) ON DELETE CASCADE,
  athlete_id  BLOB NOT NULL REFERENCES athlete (id),
  position    INTEGER NOT NULL,
  PRIMARY KEY (test_day_id, athlete_id)
) STRICT;

CREATE TABLE test_day_test (
  test_day_id BLOB NOT NULL REFERENCES test_day (id) ON DELETE CASCADE,
  benchmark   TEXT NOT NULL,
  position    INTEGER NOT NULL,
  PRIMARY KEY (test_day_id, benchmark)
) STRICT;

-- A result that was typed into the grid of an evening.
ALTER TABLE benchmark_result ADD COLUMN test_day_id BLOB REFERENCES test_day (id) ON DELETE SET NULL;
CREATE INDEX benchmark_result_test_day ON benchmark_result (test_day_id);
