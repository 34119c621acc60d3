-- Blocks of weeks, and sessions of several items. The week of a session follows from its day and the block's first Monday.
-- weeks_json lists what each week is for; kept_json the cautions that the coach keeps, with reasons.
CREATE TABLE block (
  id         BLOB PRIMARY KEY CHECK (length(id) = 16),
  athlete_id BLOB NOT NULL REFERENCES athlete (id),
  name       TEXT NOT NULL,
  start      TEXT NOT NULL,
  weeks_json TEXT NOT NULL,
  kept_json  TEXT NOT NULL,
  version    INTEGER NOT NULL,
  written_at TEXT NOT NULL,
  written_by BLOB NOT NULL
) STRICT;
CREATE INDEX block_of ON block (athlete_id, start);

ALTER TABLE session ADD COLUMN block_id BLOB REFERENCES block (id) ON DELETE CASCADE;
ALTER TABLE session ADD COLUMN title TEXT NOT NULL DEFAULT '';
ALTER TABLE session ADD COLUMN warm_up_seconds INTEGER NOT NULL DEFAULT 0;
ALTER TABLE session ADD COLUMN warm_up TEXT;
ALTER TABLE session ADD COLUMN cool_down_seconds INTEGER NOT NULL DEFAULT 0;
ALTER TABLE session ADD COLUMN cool_down TEXT;
CREATE INDEX session_block ON session (block_id);

-- Done in turn with the item before it; seen_json is what it resolved to when the coach last saw it.
ALTER TABLE session_item ADD COLUMN joined INTEGER NOT NULL DEFAULT 0 CHECK (joined IN (0, 1));
ALTER TABLE session_item ADD COLUMN seen_json TEXT;

-- A hold is logged in seconds.
ALTER TABLE logged_set ADD COLUMN seconds INTEGER;

-- Weeks taken from one athlete, to be fitted to others. Days count from origin, a Monday.
CREATE TABLE template (
  id         BLOB PRIMARY KEY CHECK (length(id) = 16),
  name       TEXT NOT NULL,
  origin     TEXT NOT NULL,
  weeks_json TEXT NOT NULL,
  written_at TEXT NOT NULL,
  written_by BLOB NOT NULL
) STRICT;
