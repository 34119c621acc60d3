-- That somebody was erased, and how much it was: no name, no id, nothing that was theirs.
CREATE TABLE erasure (
  id        BLOB PRIMARY KEY CHECK (length(id) = 16),
  at        TEXT NOT NULL,
  by        BLOB NOT NULL,
  rows_json TEXT NOT NULL,
  mentions  INTEGER NOT NULL CHECK (mentions >= 0),
  messages  INTEGER NOT NULL CHECK (messages >= 0),
  copies    INTEGER NOT NULL CHECK (copies >= 0)
) STRICT;
