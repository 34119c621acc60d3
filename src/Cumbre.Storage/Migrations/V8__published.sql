-- A published block is frozen: what was planned and what it meant for the athlete that day. It is never changed, only followed by the next number.
CREATE TABLE block_version (
  block_id      BLOB NOT NULL REFERENCES block (id) ON DELETE CASCADE,
  number        INTEGER NOT NULL CHECK (number > 0),
  note          TEXT,
  snapshot_json TEXT NOT NULL,
  published_at  TEXT NOT NULL,
  published_by  BLOB NOT NULL,
  PRIMARY KEY (block_id, number)
) STRICT;
