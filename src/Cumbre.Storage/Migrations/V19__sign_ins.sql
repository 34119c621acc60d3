-- A sign-in on a device. The key lies in the device's cookie; here only what it hashes to.
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

CREATE INDEX sign_in_of_account ON sign_in (account_id);
