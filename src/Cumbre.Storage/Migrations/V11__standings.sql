-- Where each athlete stands, and what training of long ago still says. Both are made from the log and can be thrown
-- away: the log is the truth.
CREATE TABLE standing (
  athlete_id   BLOB PRIMARY KEY REFERENCES athlete (id) ON DELETE CASCADE,
  -- The day and the rules for which json was worked out; stale: something was written since.
  day          TEXT,
  rules        INTEGER NOT NULL DEFAULT 0,
  stale        INTEGER NOT NULL DEFAULT 1 CHECK (stale IN (0, 1)),
  json         TEXT,
  waiting_json TEXT,
  -- Grows with every write that the rules read: what was read at one figure is true while it stands.
  seq          INTEGER NOT NULL DEFAULT 0,
  -- Grows each time that json is kept anew.
  put          INTEGER NOT NULL DEFAULT 0,
  -- Evidence holds what was shown before this day; anew: something older than it was written since.
  shown_until  TEXT,
  anew         INTEGER NOT NULL DEFAULT 1 CHECK (anew IN (0, 1)),
  -- The oldest day on which a stop that still holds rests; null: none holds.
  stopped_since TEXT
) STRICT;
CREATE INDEX standing_stale ON standing (athlete_id) WHERE stale = 1;
INSERT INTO standing (athlete_id) SELECT id FROM athlete;

CREATE TABLE evidence (
  athlete_id   BLOB NOT NULL REFERENCES athlete (id) ON DELETE CASCADE,
  session_id   BLOB NOT NULL,
  day          TEXT NOT NULL,
  benchmark    TEXT NOT NULL,
  side         TEXT,
  reps         INTEGER NOT NULL,
  sets         INTEGER NOT NULL,
  seconds      TEXT,
  contact      TEXT,
  degrees      TEXT,
  rest_seconds INTEGER,
  added_value  TEXT NOT NULL,
  added_unit   TEXT NOT NULL,
  reserve      INTEGER NOT NULL,
  body_mass_kg TEXT NOT NULL,
  origin       TEXT NOT NULL
) STRICT;
CREATE INDEX evidence_of ON evidence (athlete_id, day);

CREATE INDEX decision_of ON decision (athlete_id, state);
CREATE INDEX decision_event_at ON decision_event (at);
CREATE INDEX session_open ON session (athlete_id, day) WHERE status <> 'Done';

-- A set of a session that does not count yet changes nothing that stands.
CREATE TRIGGER standing_of_athlete AFTER INSERT ON athlete BEGIN
  INSERT OR IGNORE INTO standing (athlete_id) VALUES (NEW.id); END;
CREATE TRIGGER standing_athlete AFTER UPDATE ON athlete BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = NEW.id; END;
CREATE TRIGGER standing_set AFTER INSERT ON logged_set BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce(
      (SELECT s.day < standing.shown_until FROM session s JOIN session_item i ON i.session_id = s.id WHERE i.id = NEW.item_id), 0))
  WHERE athlete_id = (
    SELECT s.athlete_id FROM session s JOIN session_item i ON i.session_id = s.id
    WHERE i.id = NEW.item_id AND (s.status = 'Done' OR s.day <> standing.day)); END;
CREATE TRIGGER standing_session_added AFTER INSERT ON session BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_session AFTER UPDATE OF day, status, easy, athlete_id ON session BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce(min(OLD.day, NEW.day) < shown_until, 0))
  WHERE athlete_id IN (OLD.athlete_id, NEW.athlete_id); END;
CREATE TRIGGER standing_session_gone AFTER DELETE ON session BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce(OLD.day < shown_until, 0)) WHERE athlete_id = OLD.athlete_id; END;
CREATE TRIGGER standing_item_added AFTER INSERT ON session_item BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce((SELECT day FROM session WHERE id = NEW.session_id) < shown_until, 0))
  WHERE athlete_id = (SELECT athlete_id FROM session WHERE id = NEW.session_id); END;
CREATE TRIGGER standing_item AFTER UPDATE OF movement, plan_json, frozen_json, role, joined, relief, skipped, position ON session_item BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce((SELECT day FROM session WHERE id = NEW.session_id) < shown_until, 0))
  WHERE athlete_id = (SELECT athlete_id FROM session WHERE id = NEW.session_id); END;
CREATE TRIGGER standing_item_gone AFTER DELETE ON session_item BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce((SELECT day FROM session WHERE id = OLD.session_id) < shown_until, 0))
  WHERE athlete_id = (SELECT athlete_id FROM session WHERE id = OLD.session_id); END;
CREATE TRIGGER standing_result_added AFTER INSERT ON benchmark_result BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce(NEW.day < shown_until, 0)) WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_result_gone AFTER DELETE ON benchmark_result BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce(OLD.day < shown_until, 0)) WHERE athlete_id = OLD.athlete_id; END;
CREATE TRIGGER standing_mass_added AFTER INSERT ON body_mass BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce(NEW.day < shown_until, 0)) WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_mass_gone AFTER DELETE ON body_mass BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce(OLD.day < shown_until, 0)) WHERE athlete_id = OLD.athlete_id; END;
CREATE TRIGGER standing_decision_added AFTER INSERT ON decision BEGIN
  UPDATE standing SET stale = 1 WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_decision AFTER UPDATE ON decision BEGIN
  UPDATE standing SET stale = 1 WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_event AFTER INSERT ON decision_event BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = (SELECT athlete_id FROM decision WHERE id = NEW.decision_id); END;
CREATE TRIGGER standing_check_in_added AFTER INSERT ON check_in BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce(NEW.day < shown_until, 0)) WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_check_in AFTER UPDATE ON check_in BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce(NEW.day < shown_until, 0)) WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_morning_added AFTER INSERT ON morning_answer BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce((SELECT day FROM session WHERE id = NEW.session_id) < shown_until, 0))
  WHERE athlete_id = (SELECT athlete_id FROM session WHERE id = NEW.session_id); END;
CREATE TRIGGER standing_morning AFTER UPDATE ON morning_answer BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce((SELECT day FROM session WHERE id = NEW.session_id) < shown_until, 0))
  WHERE athlete_id = (SELECT athlete_id FROM session WHERE id = NEW.session_id); END;
CREATE TRIGGER standing_cleared AFTER INSERT ON stop_clearance BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = max(anew, coalesce(NEW.day < shown_until, 0)) WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_placed_added AFTER INSERT ON coach_placement BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_placed AFTER UPDATE ON coach_placement BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_placed_gone AFTER DELETE ON coach_placement BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = OLD.athlete_id; END;
CREATE TRIGGER standing_goal_added AFTER INSERT ON athlete_goal BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_goal_gone AFTER DELETE ON athlete_goal BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = OLD.athlete_id; END;
CREATE TRIGGER standing_complaint_added AFTER INSERT ON athlete_complaint BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_complaint_gone AFTER DELETE ON athlete_complaint BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = OLD.athlete_id; END;
CREATE TRIGGER standing_clearance_added AFTER INSERT ON athlete_clearance BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_clearance_gone AFTER DELETE ON athlete_clearance BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = OLD.athlete_id; END;
CREATE TRIGGER standing_school_added AFTER INSERT ON athlete_school BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_school_gone AFTER DELETE ON athlete_school BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = OLD.athlete_id; END;
CREATE TRIGGER standing_plates_added AFTER INSERT ON kit_plate BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_plates_gone AFTER DELETE ON kit_plate BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = OLD.athlete_id; END;
-- The club's own kit, schools, ladders and movements are everybody's.
CREATE TRIGGER standing_kit_added AFTER INSERT ON kit_book BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = NEW.owner_id OR NOT EXISTS (SELECT 1 FROM athlete WHERE id = NEW.owner_id); END;
CREATE TRIGGER standing_kit AFTER UPDATE ON kit_book BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = NEW.owner_id OR NOT EXISTS (SELECT 1 FROM athlete WHERE id = NEW.owner_id); END;
CREATE TRIGGER standing_club_school_added AFTER INSERT ON club_school BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1; END;
CREATE TRIGGER standing_club_school AFTER UPDATE ON club_school BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1; END;
CREATE TRIGGER standing_club_school_gone AFTER DELETE ON club_school BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1; END;
CREATE TRIGGER standing_ladders AFTER INSERT ON catalogue_version WHEN NEW.kind = 'ladder' BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1; END;
CREATE TRIGGER standing_movements AFTER INSERT ON catalogue_version WHEN NEW.kind = 'movement' BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1, anew = 1; END;
CREATE TRIGGER standing_club AFTER UPDATE ON club BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1; END;
