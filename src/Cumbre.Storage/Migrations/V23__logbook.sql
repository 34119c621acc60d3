-- The sessions of a movement are found by it.
CREATE INDEX session_item_of_movement ON session_item (movement, session_id);

-- Filters of the logbook that somebody keeps by a name. athlete_id: of whom the filter is, where it is of one.
CREATE TABLE log_view (
  account_id BLOB NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  name       TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 40),
  address    TEXT NOT NULL CHECK (length(address) <= 500),
  athlete_id BLOB REFERENCES athlete (id),
  written_at TEXT NOT NULL,
  PRIMARY KEY (account_id, name)
) STRICT, WITHOUT ROWID;
CREATE INDEX log_view_of_athlete ON log_view (athlete_id) WHERE athlete_id IS NOT NULL;
