-- What the generator wrote last in a block, and why: held against what the coach made of it when the block is generated again.
CREATE TABLE block_generated (
  block_id       BLOB PRIMARY KEY REFERENCES block (id) ON DELETE CASCADE,
  generated_json TEXT NOT NULL,
  written_at     TEXT NOT NULL,
  written_by     BLOB NOT NULL
) STRICT;
