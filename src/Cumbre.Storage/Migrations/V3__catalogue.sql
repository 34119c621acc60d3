-- What a club writes over the shipped catalogue, or beside it. Every version stays and the newest counts; seq grows with each
-- change, so that whatever was read before is known to be old. shipped_json is the ladder as it shipped when the version was written
-- (none for the club's own); without entry_json the ladder is back to the shipped one, or retired.
CREATE TABLE catalogue_version (
  seq          INTEGER PRIMARY KEY AUTOINCREMENT,
  kind         TEXT NOT NULL CHECK (kind IN ('ladder', 'movement')),
  slug         TEXT NOT NULL,
  version      INTEGER NOT NULL CHECK (version > 0),
  shipped_json TEXT,
  entry_json   TEXT,
  reason       TEXT NOT NULL,
  written_at   TEXT NOT NULL,
  written_by   BLOB NOT NULL,
  UNIQUE (kind, slug, version)
) STRICT;
