-- What is proposed, put off or superseded is nothing that the rules read; what was taken is.
DROP TRIGGER standing_decision;
CREATE TRIGGER standing_decision AFTER UPDATE ON decision BEGIN
  UPDATE standing SET stale = 1,
    seq = seq + (OLD.state IN ('Accepted', 'Edited') OR NEW.state IN ('Accepted', 'Edited'))
  WHERE athlete_id = NEW.athlete_id; END;
DROP TRIGGER standing_event;
CREATE TRIGGER standing_event AFTER INSERT ON decision_event BEGIN
  UPDATE standing SET stale = 1, seq = seq + (NEW.kind NOT IN ('Proposed', 'Superseded', 'Deferred'))
  WHERE athlete_id = (SELECT athlete_id FROM decision WHERE id = NEW.decision_id); END;
