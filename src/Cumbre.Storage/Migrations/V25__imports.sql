-- A file that was read in: what came with it carries its number, so that it can be taken back as a whole.
CREATE TABLE import_file (
  no          INTEGER PRIMARY KEY AUTOINCREMENT,
  id          BLOB NOT NULL UNIQUE CHECK (length(id) = 16),
  name        TEXT NOT NULL,
  -- A table adds to the log of athletes, an archive brings athletes with all that is known of them.
  kind        TEXT NOT NULL CHECK (kind IN ('Table', 'Archive')),
  counts_json TEXT NOT NULL,
  written_at  TEXT NOT NULL,
  written_by  BLOB NOT NULL,
  undone_at   TEXT,
  undone_by   BLOB
) STRICT;

-- Whose log a file changed, and from which day on.
CREATE TABLE import_athlete (
  import_no  INTEGER NOT NULL REFERENCES import_file (no),
  athlete_id BLOB NOT NULL REFERENCES athlete (id),
  since      TEXT NOT NULL,
  PRIMARY KEY (import_no, athlete_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX import_athlete_of ON import_athlete (athlete_id);

-- How tables with these headers were read last.
CREATE TABLE import_profile (
  headers      TEXT PRIMARY KEY,
  name         TEXT NOT NULL,
  mapping_json TEXT NOT NULL,
  written_at   TEXT NOT NULL,
  written_by   BLOB NOT NULL
) STRICT, WITHOUT ROWID;

ALTER TABLE athlete ADD COLUMN import_no INTEGER REFERENCES import_file (no);
ALTER TABLE body_mass ADD COLUMN import_no INTEGER REFERENCES import_file (no);
ALTER TABLE benchmark_result ADD COLUMN import_no INTEGER REFERENCES import_file (no);
ALTER TABLE session ADD COLUMN import_no INTEGER REFERENCES import_file (no);
ALTER TABLE session_item ADD COLUMN import_no INTEGER REFERENCES import_file (no);
ALTER TABLE logged_set ADD COLUMN import_no INTEGER REFERENCES import_file (no);
ALTER TABLE template ADD COLUMN import_no INTEGER REFERENCES import_file (no);

-- What a file brings marks an athlete's standing once, at its end.
DROP TRIGGER standing_set;
CREATE TRIGGER standing_set AFTER INSERT ON logged_set WHEN NEW.import_no IS NULL BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce(
      (SELECT s.day < standing.shown_until FROM session s JOIN session_item i ON i.session_id = s.id WHERE i.id = NEW.item_id), 0))
  WHERE athlete_id = (
    SELECT s.athlete_id FROM session s JOIN session_item i ON i.session_id = s.id
    WHERE i.id = NEW.item_id AND (s.status = 'Done' OR s.day <> standing.day)); END;
DROP TRIGGER standing_session_added;
CREATE TRIGGER standing_session_added AFTER INSERT ON session WHEN NEW.import_no IS NULL BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = NEW.athlete_id; END;
DROP TRIGGER standing_item_added;
CREATE TRIGGER standing_item_added AFTER INSERT ON session_item WHEN NEW.import_no IS NULL BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce((SELECT day FROM session WHERE id = NEW.session_id) < shown_until, 0))
  WHERE athlete_id = (SELECT athlete_id FROM session WHERE id = NEW.session_id); END;
DROP TRIGGER standing_result_added;
CREATE TRIGGER standing_result_added AFTER INSERT ON benchmark_result WHEN NEW.import_no IS NULL BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce(NEW.day < shown_until, 0)) WHERE athlete_id = NEW.athlete_id; END;
DROP TRIGGER standing_mass_added;
CREATE TRIGGER standing_mass_added AFTER INSERT ON body_mass WHEN NEW.import_no IS NULL BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce(NEW.day < shown_until, 0)) WHERE athlete_id = NEW.athlete_id; END;

CREATE TRIGGER standing_imported AFTER INSERT ON import_athlete BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce(NEW.since < shown_until, 0)) WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_import_undone AFTER UPDATE OF undone_at ON import_file BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = 1
  WHERE athlete_id IN (SELECT athlete_id FROM import_athlete WHERE import_no = NEW.no); END;
