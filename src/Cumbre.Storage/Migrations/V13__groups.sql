-- Outlines for several athletes, and who follows them. The block of a member is their own; when it is removed, the member stays.
CREATE TABLE block_group (
  id           BLOB PRIMARY KEY CHECK (length(id) = 16),
  name         TEXT NOT NULL,
  start        TEXT NOT NULL,
  outline_json TEXT NOT NULL,
  version      INTEGER NOT NULL,
  written_at   TEXT NOT NULL,
  written_by   BLOB NOT NULL
) STRICT;

CREATE TABLE block_group_member (
  group_id   BLOB NOT NULL REFERENCES block_group (id) ON DELETE CASCADE,
  athlete_id BLOB NOT NULL REFERENCES athlete (id) ON DELETE CASCADE,
  block_id   BLOB NOT NULL,
  position   INTEGER NOT NULL,
  PRIMARY KEY (group_id, athlete_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX block_group_of_athlete ON block_group_member (athlete_id);
CREATE INDEX block_group_of_block ON block_group_member (block_id);
