-- Ids are UUIDv7 as 16-byte blobs. Instants are UTC in ISO 8601; days are local dates of the club.
-- Masses are decimal text, so that what was written comes back exactly; *_unit is 'Kg' or 'Lb'.

CREATE TABLE club (
  id            INTEGER PRIMARY KEY CHECK (id = 1),
  name          TEXT NOT NULL,
  time_zone     TEXT NOT NULL,
  training_days TEXT NOT NULL,
  created_at    TEXT NOT NULL
) STRICT;

CREATE TABLE athlete (
  id              BLOB PRIMARY KEY CHECK (length(id) = 16),
  name            TEXT NOT NULL,
  birth_year      INTEGER,
  unit            TEXT NOT NULL CHECK (unit IN ('Kg', 'Lb')),
  loading_school  TEXT NOT NULL,
  increase_school TEXT NOT NULL,
  cleared         INTEGER NOT NULL CHECK (cleared IN (0, 1)),
  has_belt        INTEGER NOT NULL CHECK (has_belt IN (0, 1)),
  vest_value      TEXT,
  vest_unit       TEXT CHECK (vest_unit IN ('Kg', 'Lb')),
  created_at      TEXT NOT NULL,
  version         INTEGER NOT NULL,
  CHECK ((vest_value IS NULL) = (vest_unit IS NULL))
) STRICT;

CREATE TABLE kit_plate (
  athlete_id BLOB NOT NULL REFERENCES athlete (id),
  size_value TEXT NOT NULL,
  size_unit  TEXT NOT NULL CHECK (size_unit IN ('Kg', 'Lb')),
  count      INTEGER NOT NULL CHECK (count > 0),
  PRIMARY KEY (athlete_id, size_value, size_unit)
) STRICT;

CREATE TABLE account (
  id            BLOB PRIMARY KEY CHECK (length(id) = 16),
  sign_in_name  TEXT NOT NULL UNIQUE COLLATE NOCASE,
  name          TEXT NOT NULL,
  password_hash TEXT,
  role          TEXT NOT NULL CHECK (role IN ('owner', 'coach', 'athlete')),
  athlete_id    BLOB REFERENCES athlete (id),
  unit          TEXT NOT NULL CHECK (unit IN ('Kg', 'Lb')),
  created_at    TEXT NOT NULL,
  CHECK ((role = 'athlete') = (athlete_id IS NOT NULL))
) STRICT;

CREATE TABLE body_mass (
  id         BLOB PRIMARY KEY CHECK (length(id) = 16),
  athlete_id BLOB NOT NULL REFERENCES athlete (id),
  day        TEXT NOT NULL,
  value      TEXT NOT NULL,
  unit       TEXT NOT NULL CHECK (unit IN ('Kg', 'Lb')),
  written_at TEXT NOT NULL,
  written_by BLOB NOT NULL
) STRICT;
CREATE INDEX body_mass_of ON body_mass (athlete_id, day);

-- One table for every kind of test: what was measured, never whether it meets a threshold.
CREATE TABLE benchmark_result (
  id           BLOB PRIMARY KEY CHECK (length(id) = 16),
  athlete_id   BLOB NOT NULL REFERENCES athlete (id),
  benchmark    TEXT NOT NULL,
  day          TEXT NOT NULL,
  reps         INTEGER NOT NULL,
  added_value  TEXT NOT NULL,
  added_unit   TEXT NOT NULL CHECK (added_unit IN ('Kg', 'Lb')),
  reserve      INTEGER NOT NULL,
  side         TEXT CHECK (side IN ('Left', 'Right')),
  set_up       TEXT,
  body_mass_kg TEXT NOT NULL,
  form         TEXT NOT NULL CHECK (form IN ('Clean', 'Broken')),
  written_at   TEXT NOT NULL,
  written_by   BLOB NOT NULL
) STRICT;
CREATE INDEX benchmark_result_of ON benchmark_result (athlete_id, day);

CREATE TABLE session (
  id              BLOB PRIMARY KEY CHECK (length(id) = 16),
  athlete_id      BLOB NOT NULL REFERENCES athlete (id),
  day             TEXT NOT NULL,
  status          TEXT NOT NULL CHECK (status IN ('Planned', 'Started', 'Done')),
  easy            INTEGER NOT NULL CHECK (easy IN (0, 1)),
  override_reason TEXT,
  version         INTEGER NOT NULL,
  written_at      TEXT NOT NULL,
  written_by      BLOB NOT NULL
) STRICT;
CREATE INDEX session_of ON session (athlete_id, day);
CREATE INDEX session_on ON session (day);

-- plan_json is the rule; frozen_json is what it resolved to when the first set was logged.
CREATE TABLE session_item (
  id          BLOB PRIMARY KEY CHECK (length(id) = 16),
  session_id  BLOB NOT NULL REFERENCES session (id) ON DELETE CASCADE,
  position    INTEGER NOT NULL,
  movement    TEXT NOT NULL,
  plan_json   TEXT NOT NULL,
  frozen_json TEXT,
  UNIQUE (session_id, position)
) STRICT;

-- Append-only: a correction is a new row that supersedes.
CREATE TABLE logged_set (
  id          BLOB PRIMARY KEY CHECK (length(id) = 16),
  item_id     BLOB NOT NULL REFERENCES session_item (id),
  set_no      INTEGER NOT NULL,
  part_no     INTEGER NOT NULL,
  reps        INTEGER NOT NULL,
  added_value TEXT NOT NULL,
  added_unit  TEXT NOT NULL CHECK (added_unit IN ('Kg', 'Lb')),
  reserve     INTEGER,
  form        TEXT NOT NULL CHECK (form IN ('Clean', 'Broken')),
  pain        INTEGER,
  pain_place  TEXT,
  supersedes  BLOB REFERENCES logged_set (id),
  written_at  TEXT NOT NULL,
  written_by  BLOB NOT NULL
) STRICT;
CREATE INDEX logged_set_of ON logged_set (item_id);
CREATE UNIQUE INDEX logged_set_supersedes ON logged_set (supersedes) WHERE supersedes IS NOT NULL;

CREATE TRIGGER logged_set_is_append_only BEFORE UPDATE ON logged_set
BEGIN SELECT RAISE(ABORT, 'logged sets are append-only'); END;

-- state repeats the last event, so that the Desk is one indexed read.
CREATE TABLE decision (
  id               BLOB PRIMARY KEY CHECK (length(id) = 16),
  athlete_id       BLOB NOT NULL REFERENCES athlete (id),
  movement         TEXT NOT NULL,
  kind             TEXT NOT NULL,
  cause            TEXT NOT NULL,
  basis_session_id BLOB NOT NULL REFERENCES session (id),
  state            TEXT NOT NULL CHECK (state IN ('Proposed', 'Accepted', 'Edited', 'Deferred', 'Superseded')),
  deferred_until   TEXT,
  cleared          INTEGER NOT NULL DEFAULT 0 CHECK (cleared IN (0, 1)),
  proposal_json    TEXT NOT NULL,
  created_at       TEXT NOT NULL
) STRICT;
CREATE UNIQUE INDEX decision_open ON decision (athlete_id, movement, cause) WHERE state IN ('Proposed', 'Deferred');
CREATE INDEX decision_basis ON decision (basis_session_id);

CREATE TABLE decision_event (
  id           BLOB PRIMARY KEY CHECK (length(id) = 16),
  decision_id  BLOB NOT NULL REFERENCES decision (id),
  kind         TEXT NOT NULL CHECK (kind IN ('Proposed', 'Accepted', 'Edited', 'Deferred', 'Undone', 'Superseded', 'Cleared')),
  payload_json TEXT,
  at           TEXT NOT NULL,
  by           BLOB
) STRICT;
CREATE INDEX decision_event_of ON decision_event (decision_id);

CREATE TABLE audit (
  id         BLOB PRIMARY KEY CHECK (length(id) = 16),
  subject    TEXT NOT NULL,
  subject_id BLOB NOT NULL,
  what       TEXT NOT NULL,
  reason     TEXT,
  at         TEXT NOT NULL,
  by         BLOB NOT NULL
) STRICT;
