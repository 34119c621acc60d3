-- What a club has, and what an athlete has at home besides the plates that lie with them: one book each, read and written as a whole.
-- owner_id is the athlete; the club's own book has 16 zero bytes.
CREATE TABLE kit_book (
  owner_id   BLOB PRIMARY KEY CHECK (length(owner_id) = 16),
  book_json  TEXT NOT NULL,
  version    INTEGER NOT NULL,
  written_at TEXT NOT NULL,
  written_by BLOB NOT NULL
) STRICT;
