-- What a restore must not bring back. An id is kept as what it hashes to: it is found again in a copy, and says nothing by
-- itself.
CREATE TABLE ended (
  kind     TEXT NOT NULL CHECK (kind IN ('Person', 'Account', 'CoachOf', 'CoachOfGroup', 'Consent')),
  key_hash BLOB NOT NULL CHECK (length(key_hash) = 32),
  at       TEXT NOT NULL,
  PRIMARY KEY (kind, key_hash)
) STRICT, WITHOUT ROWID;

-- Grows with every change of who may come in and what has ended, so that the copy of it beside the backups follows.
CREATE TABLE access_state (
  id  INTEGER PRIMARY KEY CHECK (id = 1),
  seq INTEGER NOT NULL
) STRICT;
INSERT INTO access_state (id, seq) VALUES (1, 1);
CREATE TRIGGER access_account_added AFTER INSERT ON account BEGIN UPDATE access_state SET seq = seq + 1; END;
CREATE TRIGGER access_account AFTER UPDATE OF role, some_only, ended_at, password_hash ON account BEGIN UPDATE access_state SET seq = seq + 1; END;
CREATE TRIGGER access_account_gone AFTER DELETE ON account BEGIN UPDATE access_state SET seq = seq + 1; END;
CREATE TRIGGER access_factor_added AFTER INSERT ON second_factor BEGIN UPDATE access_state SET seq = seq + 1; END;
CREATE TRIGGER access_factor AFTER UPDATE OF secret, begun_at ON second_factor BEGIN UPDATE access_state SET seq = seq + 1; END;
CREATE TRIGGER access_factor_gone AFTER DELETE ON second_factor BEGIN UPDATE access_state SET seq = seq + 1; END;
CREATE TRIGGER access_code_gone AFTER DELETE ON recovery_code BEGIN UPDATE access_state SET seq = seq + 1; END;
CREATE TRIGGER access_guardian AFTER UPDATE OF until ON guardian BEGIN UPDATE access_state SET seq = seq + 1; END;
CREATE TRIGGER access_ended AFTER INSERT ON ended BEGIN UPDATE access_state SET seq = seq + 1; END;
CREATE TRIGGER access_lifted AFTER DELETE ON ended BEGIN UPDATE access_state SET seq = seq + 1; END;
CREATE TRIGGER access_sign_in_gone AFTER DELETE ON sign_in BEGIN UPDATE access_state SET seq = seq + 1; END;
CREATE TRIGGER access_device_gone AFTER DELETE ON known_device BEGIN UPDATE access_state SET seq = seq + 1; END;
CREATE TRIGGER access_link_gone AFTER DELETE ON link BEGIN UPDATE access_state SET seq = seq + 1; END;
CREATE TRIGGER access_receipt AFTER INSERT ON erasure BEGIN UPDATE access_state SET seq = seq + 1; END;

-- What the club thinks in: accounts that have not chosen follow it.
ALTER TABLE club ADD COLUMN unit TEXT NOT NULL DEFAULT 'Kg' CHECK (unit IN ('Kg', 'Lb'));
ALTER TABLE club ADD COLUMN first_day INTEGER NULL CHECK (first_day BETWEEN 1 AND 7);
