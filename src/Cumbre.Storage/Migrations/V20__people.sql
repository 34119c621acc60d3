-- Guardians, coaches of some athletes only, and access that has ended. The role is checked by the table: it is made anew.
CREATE TABLE kept_sign_in AS SELECT * FROM sign_in;
DROP TABLE sign_in;
CREATE TABLE new_account (
  id            BLOB PRIMARY KEY CHECK (length(id) = 16),
  sign_in_name  TEXT NOT NULL UNIQUE COLLATE NOCASE,
  name          TEXT NOT NULL,
  password_hash TEXT,
  role          TEXT NOT NULL CHECK (role IN ('owner', 'coach', 'athlete', 'guardian')),
  athlete_id    BLOB REFERENCES athlete (id),
  unit          TEXT NOT NULL CHECK (unit IN ('Kg', 'Lb')),
  created_at    TEXT NOT NULL,
  locale        TEXT NULL,
  hours         INTEGER NULL CHECK (hours IN (12, 24)),
  first_day     INTEGER NULL CHECK (first_day BETWEEN 1 AND 7),
  -- A coach who is given athletes and groups sees these alone.
  some_only     INTEGER NOT NULL DEFAULT 0 CHECK (some_only IN (0, 1)),
  ended_at      TEXT,
  CHECK ((role = 'athlete') = (athlete_id IS NOT NULL)),
  CHECK (some_only = 0 OR role = 'coach')
) STRICT;
INSERT INTO new_account (id, sign_in_name, name, password_hash, role, athlete_id, unit, created_at, locale, hours, first_day)
  SELECT id, sign_in_name, name, password_hash, role, athlete_id, unit, created_at, locale, hours, first_day FROM account;
DROP TABLE account;
ALTER TABLE new_account RENAME TO account;
CREATE INDEX account_of_athlete ON account (athlete_id);

CREATE TABLE sign_in (
  id         BLOB PRIMARY KEY CHECK (length(id) = 16),
  key_hash   BLOB NOT NULL UNIQUE CHECK (length(key_hash) = 32),
  account_id BLOB NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  device     TEXT NOT NULL,
  -- Somebody's own device, on which they stay signed in for longer.
  kept       INTEGER NOT NULL CHECK (kept IN (0, 1)),
  begun_at   TEXT NOT NULL,
  seen_at    TEXT NOT NULL
) STRICT;
INSERT INTO sign_in (id, key_hash, account_id, device, kept, begun_at, seen_at)
  SELECT id, key_hash, account_id, device, kept, begun_at, seen_at FROM kept_sign_in;
DROP TABLE kept_sign_in;
CREATE INDEX sign_in_of_account ON sign_in (account_id);

CREATE TABLE coach_athlete (
  account_id BLOB NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  athlete_id BLOB NOT NULL REFERENCES athlete (id) ON DELETE CASCADE,
  PRIMARY KEY (account_id, athlete_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX coach_of_athlete ON coach_athlete (athlete_id);

CREATE TABLE coach_group (
  account_id BLOB NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  group_id   BLOB NOT NULL REFERENCES block_group (id) ON DELETE CASCADE,
  PRIMARY KEY (account_id, group_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX coach_of_group ON coach_group (group_id);

-- Whom a coach of some athletes sees.
CREATE VIEW coach_reach AS
  SELECT account_id, athlete_id FROM coach_athlete
  UNION
  SELECT g.account_id, m.athlete_id FROM coach_group g JOIN block_group_member m ON m.group_id = g.group_id;

-- Until the athlete comes of age, by the law of the place; the day is written by whoever invites.
CREATE TABLE guardian (
  account_id BLOB NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  athlete_id BLOB NOT NULL REFERENCES athlete (id) ON DELETE CASCADE,
  until      TEXT NOT NULL,
  PRIMARY KEY (account_id, athlete_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX guardian_of_athlete ON guardian (athlete_id);

-- A link that lets somebody in once: it was sent to them, and here is only what it hashes to.
CREATE TABLE link (
  id         BLOB PRIMARY KEY CHECK (length(id) = 16),
  token_hash BLOB NOT NULL UNIQUE CHECK (length(token_hash) = 32),
  -- An account that exists and has lost its password; null: an invitation to a new one.
  account_id BLOB REFERENCES account (id) ON DELETE CASCADE,
  athlete_id BLOB REFERENCES athlete (id) ON DELETE CASCADE,
  role       TEXT NOT NULL CHECK (role IN ('owner', 'coach', 'athlete', 'guardian')),
  name       TEXT NOT NULL,
  some_only  INTEGER NOT NULL CHECK (some_only IN (0, 1)),
  until      TEXT,
  made_at    TEXT NOT NULL,
  made_by    BLOB,
  ends_at    TEXT NOT NULL
) STRICT;
CREATE INDEX link_of_athlete ON link (athlete_id);
CREATE INDEX link_of_account ON link (account_id);

-- Whom an invited coach of some will see.
CREATE TABLE link_athlete (
  link_id    BLOB NOT NULL REFERENCES link (id) ON DELETE CASCADE,
  athlete_id BLOB NOT NULL REFERENCES athlete (id) ON DELETE CASCADE,
  PRIMARY KEY (link_id, athlete_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX link_of_some_athlete ON link_athlete (athlete_id);

CREATE TABLE link_group (
  link_id  BLOB NOT NULL REFERENCES link (id) ON DELETE CASCADE,
  group_id BLOB NOT NULL REFERENCES block_group (id) ON DELETE CASCADE,
  PRIMARY KEY (link_id, group_id)
) STRICT, WITHOUT ROWID;

-- A device on which somebody has signed in before: tries from elsewhere never keep them out of it.
CREATE TABLE known_device (
  key_hash   BLOB NOT NULL CHECK (length(key_hash) = 32),
  account_id BLOB NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  seen_at    TEXT NOT NULL,
  PRIMARY KEY (key_hash, account_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX known_device_of_account ON known_device (account_id);

-- Tries that failed, by what is slowed down: a name, an address or a device, as a hash. Nothing stays longer than a day.
CREATE TABLE failed_try (
  key_hash BLOB PRIMARY KEY CHECK (length(key_hash) = 32),
  count    INTEGER NOT NULL CHECK (count > 0),
  last_at  TEXT NOT NULL
) STRICT, WITHOUT ROWID;

CREATE TABLE second_factor (
  account_id BLOB PRIMARY KEY REFERENCES account (id) ON DELETE CASCADE,
  -- Protected by the keys of the data folder.
  secret     TEXT NOT NULL,
  -- Null: shown, and not yet confirmed by a code.
  begun_at   TEXT,
  last_step  INTEGER NOT NULL DEFAULT 0
) STRICT;

CREATE TABLE recovery_code (
  account_id BLOB NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  code_hash  BLOB NOT NULL CHECK (length(code_hash) = 32),
  PRIMARY KEY (account_id, code_hash)
) STRICT, WITHOUT ROWID;
