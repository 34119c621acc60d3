-- The part that an item plays: a decision about a movement changes the items of the same role. Without one it was written by hand.
ALTER TABLE session_item ADD COLUMN role TEXT;

-- What a decision made lighter: such an exposure says nothing about progress.
ALTER TABLE session_item ADD COLUMN relief TEXT CHECK (relief IN ('Deload', 'Ease'));

-- The rest of what is told of a set.
ALTER TABLE logged_set ADD COLUMN total INTEGER;
ALTER TABLE logged_set ADD COLUMN contact TEXT CHECK (contact IN ('Chin', 'Collarbone', 'Chest', 'Belly', 'Hip'));
ALTER TABLE logged_set ADD COLUMN sagged INTEGER NOT NULL DEFAULT 0 CHECK (sagged IN (0, 1));
ALTER TABLE logged_set ADD COLUMN rested_seconds INTEGER;
ALTER TABLE logged_set ADD COLUMN sign TEXT;
ALTER TABLE benchmark_result ADD COLUMN sign TEXT;

-- A decision may rest on a test or a check-in, and speaks for one role of a movement, and for one place that hurts. What it renews was decided
-- before the log was corrected.
CREATE TABLE decision_now (
  id               BLOB PRIMARY KEY CHECK (length(id) = 16),
  athlete_id       BLOB NOT NULL REFERENCES athlete (id),
  movement         TEXT NOT NULL,
  role             TEXT,
  kind             TEXT NOT NULL,
  cause            TEXT NOT NULL,
  basis_session_id BLOB REFERENCES session (id),
  state            TEXT NOT NULL CHECK (state IN ('Proposed', 'Accepted', 'Edited', 'Deferred', 'Superseded')),
  deferred_until   TEXT,
  cleared          INTEGER NOT NULL DEFAULT 0 CHECK (cleared IN (0, 1)),
  proposal_json    TEXT NOT NULL,
  created_at       TEXT NOT NULL,
  place            TEXT,
  renews           TEXT
) STRICT;
INSERT INTO decision_now (id, athlete_id, movement, kind, cause, basis_session_id, state, deferred_until, cleared, proposal_json, created_at)
SELECT id, athlete_id, movement, kind, cause, basis_session_id, state, deferred_until, cleared, proposal_json, created_at FROM decision;
CREATE TABLE decision_event_now (
  id           BLOB PRIMARY KEY CHECK (length(id) = 16),
  decision_id  BLOB NOT NULL REFERENCES decision_now (id),
  kind         TEXT NOT NULL CHECK (kind IN ('Proposed', 'Accepted', 'Edited', 'Deferred', 'Undone', 'Superseded', 'Cleared')),
  payload_json TEXT,
  at           TEXT NOT NULL,
  by           BLOB
) STRICT;
INSERT INTO decision_event_now SELECT id, decision_id, kind, payload_json, at, by FROM decision_event;
DROP TABLE decision_event;
DROP TABLE decision;
ALTER TABLE decision_now RENAME TO decision;
ALTER TABLE decision_event_now RENAME TO decision_event;
CREATE UNIQUE INDEX decision_open ON decision (athlete_id, movement, coalesce(role, ''), cause, coalesce(place, '')) WHERE state IN ('Proposed', 'Deferred');
CREATE INDEX decision_basis ON decision (basis_session_id);
CREATE INDEX decision_event_of ON decision_event (decision_id);

-- The coach lets a stopped place go on. Those that were cleared before hold for the place that was told then.
CREATE TABLE stop_clearance (
  id         BLOB PRIMARY KEY CHECK (length(id) = 16),
  athlete_id BLOB NOT NULL REFERENCES athlete (id),
  day        TEXT NOT NULL,
  place      TEXT NOT NULL,
  reason     TEXT NOT NULL,
  written_at TEXT NOT NULL,
  written_by BLOB NOT NULL
) STRICT;
CREATE INDEX stop_clearance_of ON stop_clearance (athlete_id);

-- What is asked before a session, and on the morning after it.
CREATE TABLE check_in (
  id            BLOB PRIMARY KEY CHECK (length(id) = 16),
  athlete_id    BLOB NOT NULL REFERENCES athlete (id),
  day           TEXT NOT NULL,
  sleep_hours   TEXT,
  soreness      INTEGER CHECK (soreness BETWEEN 0 AND 10),
  readiness     INTEGER CHECK (readiness BETWEEN 0 AND 10),
  hard_training INTEGER NOT NULL DEFAULT 0 CHECK (hard_training IN (0, 1)),
  pain_json     TEXT NOT NULL,
  written_at    TEXT NOT NULL,
  written_by    BLOB NOT NULL
) STRICT;
CREATE UNIQUE INDEX check_in_of ON check_in (athlete_id, day);
CREATE TABLE morning_answer (
  session_id BLOB PRIMARY KEY REFERENCES session (id) ON DELETE CASCADE,
  level      INTEGER NOT NULL CHECK (level BETWEEN 0 AND 10),
  place      TEXT,
  sign       TEXT,
  written_at TEXT NOT NULL,
  written_by BLOB NOT NULL
) STRICT;

INSERT INTO stop_clearance (id, athlete_id, day, place, reason, written_at, written_by)
SELECT d.id, d.athlete_id, substr(e.at, 1, 10),
  coalesce((SELECT l.pain_place FROM logged_set l JOIN session_item i ON i.id = l.item_id WHERE i.session_id = d.basis_session_id AND l.pain_place IS NOT NULL ORDER BY l.pain DESC LIMIT 1), 'elsewhere'),
  coalesce(json_extract(e.payload_json, '$'), ''), e.at, coalesce(e.by, zeroblob(16))
FROM decision d JOIN decision_event e ON e.decision_id = d.id AND e.kind = 'Cleared' WHERE d.cleared = 1;
