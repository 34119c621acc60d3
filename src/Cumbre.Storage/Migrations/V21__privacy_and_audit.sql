-- What the club tells people of their data: every version stays, as consents name one.
CREATE TABLE privacy_text (
  version    INTEGER PRIMARY KEY,
  text       TEXT NOT NULL,
  written_at TEXT NOT NULL,
  written_by BLOB NOT NULL
) STRICT;

CREATE TABLE consent (
  id           BLOB PRIMARY KEY CHECK (length(id) = 16),
  athlete_id   BLOB NOT NULL REFERENCES athlete (id),
  -- Themselves, a guardian, or on paper, noted by a coach.
  given_as     TEXT NOT NULL CHECK (given_as IN ('Athlete', 'Guardian', 'Paper')),
  name         TEXT NOT NULL,
  day          TEXT NOT NULL,
  text_version INTEGER NOT NULL,
  given_at     TEXT NOT NULL,
  given_by     BLOB NOT NULL,
  withdrawn_at TEXT,
  withdrawn_by BLOB
) STRICT;
CREATE INDEX consent_of_athlete ON consent (athlete_id, given_at);

-- Months after which an archived athlete is erased; null: only by hand.
ALTER TABLE club ADD COLUMN keep_months INTEGER NULL CHECK (keep_months BETWEEN 1 AND 240);

-- A chain: each entry seals the one before. What an entry says lies beside it, under a salt, so that it can be erased without
-- breaking the chain.
CREATE TABLE audit_entry (
  seq    INTEGER PRIMARY KEY,
  at     TEXT NOT NULL,
  kind   TEXT NOT NULL,
  digest BLOB NOT NULL CHECK (length(digest) = 32),
  seal   BLOB NOT NULL CHECK (length(seal) = 32)
) STRICT;
CREATE TRIGGER audit_entry_is_not_changed BEFORE UPDATE ON audit_entry BEGIN SELECT RAISE(ABORT, 'the audit is append-only'); END;
CREATE TRIGGER audit_entry_is_not_removed BEFORE DELETE ON audit_entry BEGIN SELECT RAISE(ABORT, 'the audit is append-only'); END;

CREATE TABLE audit_value (
  seq        INTEGER PRIMARY KEY REFERENCES audit_entry (seq),
  salt       BLOB NOT NULL CHECK (length(salt) = 16),
  account_id BLOB,
  athlete_id BLOB,
  subject_id BLOB,
  before     TEXT,
  after      TEXT,
  reason     TEXT
) STRICT;
CREATE TRIGGER audit_value_is_not_changed BEFORE UPDATE ON audit_value BEGIN SELECT RAISE(ABORT, 'the audit is append-only'); END;
CREATE INDEX audit_of_athlete ON audit_value (athlete_id, seq);
CREATE INDEX audit_of_account ON audit_value (account_id, seq);
CREATE INDEX audit_of_subject ON audit_value (subject_id, seq);

-- By the club's rule nobody presses anything.
CREATE TABLE new_erasure (
  id        BLOB PRIMARY KEY CHECK (length(id) = 16),
  at        TEXT NOT NULL,
  by        BLOB,
  rows_json TEXT NOT NULL,
  mentions  INTEGER NOT NULL CHECK (mentions >= 0),
  messages  INTEGER NOT NULL CHECK (messages >= 0),
  copies    INTEGER NOT NULL CHECK (copies >= 0)
) STRICT;
INSERT INTO new_erasure SELECT id, at, by, rows_json, mentions, messages, copies FROM erasure;
DROP TABLE erasure;
ALTER TABLE new_erasure RENAME TO erasure;
