-- A set that was taken back at the bar: a row that supersedes it and is withdrawn itself. done_at: when it was done, where a device told.
ALTER TABLE logged_set ADD COLUMN withdrawn INTEGER NOT NULL DEFAULT 0 CHECK (withdrawn IN (0, 1));
ALTER TABLE logged_set ADD COLUMN done_at TEXT;

-- Why the rest of an item was left out after its first set, and the item whose rest this one took over.
ALTER TABLE session_item ADD COLUMN ended TEXT;
ALTER TABLE session_item ADD COLUMN instead_of BLOB;

ALTER TABLE session ADD COLUMN begun_at TEXT;
ALTER TABLE session ADD COLUMN ended_at TEXT;

-- What devices reported while sessions were run, as it came: nothing that arrived is ever lost, also where somebody has to choose.
CREATE TABLE run_entry (
  id          BLOB PRIMARY KEY CHECK (length(id) = 16),
  athlete_id  BLOB NOT NULL REFERENCES athlete (id),
  session_id  BLOB NOT NULL,
  item_id     BLOB,
  kind        TEXT NOT NULL,
  -- By the server's clock, whatever the device's said.
  at          TEXT NOT NULL,
  received_at TEXT NOT NULL,
  by          BLOB NOT NULL,
  outcome     TEXT NOT NULL CHECK (outcome IN ('Kept', 'Same', 'Asked', 'Refused')),
  json        TEXT NOT NULL,
  -- What was chosen of two that differ.
  answer      TEXT CHECK (answer IN ('Stored', 'Other', 'Both'))
) STRICT;
CREATE INDEX run_entry_of ON run_entry (athlete_id, session_id);
CREATE INDEX run_entry_asked ON run_entry (athlete_id) WHERE outcome = 'Asked' AND answer IS NULL;

-- What ends or takes over an item is read by the rules.
CREATE TRIGGER standing_item_ended AFTER UPDATE OF ended ON session_item BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = (SELECT athlete_id FROM session WHERE id = NEW.session_id); END;

-- What stands on a wall of the hall about somebody: the name that they chose, and pain only where they agreed.
CREATE TABLE wall (
  athlete_id BLOB PRIMARY KEY REFERENCES athlete (id),
  name       TEXT NOT NULL,
  pain       INTEGER NOT NULL CHECK (pain IN (0, 1)),
  written_at TEXT NOT NULL,
  written_by BLOB NOT NULL
) STRICT;

-- Who stands on the board today, and at which station; none: everybody who trains.
CREATE TABLE board_place (
  session_id BLOB PRIMARY KEY REFERENCES session (id) ON DELETE CASCADE,
  station    TEXT,
  position   INTEGER NOT NULL
) STRICT;
