-- How a set was set up (JSON, parts of the movement's set-up by name), where a failed rep stopped, what broke the standard, and a note.
ALTER TABLE logged_set ADD COLUMN set_up_json TEXT;
ALTER TABLE logged_set ADD COLUMN failed_at TEXT CHECK (failed_at IN ('Start', 'Top'));
ALTER TABLE logged_set ADD COLUMN fault TEXT;
ALTER TABLE logged_set ADD COLUMN note TEXT;

-- Why an item was left out on the day. What it was before the easy version of the day, so that it can come back.
ALTER TABLE session_item ADD COLUMN skipped TEXT;
ALTER TABLE session_item ADD COLUMN before_easy_json TEXT;

-- Effort of the whole session, 1 to 10; decimal text.
ALTER TABLE session ADD COLUMN effort TEXT;

-- What the athlete said to the easy version of the day.
ALTER TABLE check_in ADD COLUMN easy_answer TEXT CHECK (easy_answer IN ('Taken', 'Refused'));

-- Climbing, running, a game: what else was trained.
CREATE TABLE other_training (
  id         BLOB PRIMARY KEY CHECK (length(id) = 16),
  athlete_id BLOB NOT NULL REFERENCES athlete (id),
  day        TEXT NOT NULL,
  what       TEXT NOT NULL,
  minutes    INTEGER NOT NULL CHECK (minutes BETWEEN 1 AND 600),
  effort     INTEGER NOT NULL CHECK (effort BETWEEN 1 AND 10),
  written_at TEXT NOT NULL,
  written_by BLOB NOT NULL
) STRICT;
CREATE INDEX other_training_of ON other_training (athlete_id, day);
