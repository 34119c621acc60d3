-- Dumbbells, chains and the weights of a vest beside plates: the same size may stand there once for each sort.
CREATE TABLE kit_piece (
  athlete_id BLOB NOT NULL REFERENCES athlete (id),
  sort       TEXT NOT NULL CHECK (sort IN ('Plate', 'Dumbbell', 'Chain', 'Insert')),
  size_value TEXT NOT NULL,
  size_unit  TEXT NOT NULL CHECK (size_unit IN ('Kg', 'Lb')),
  count      INTEGER NOT NULL CHECK (count > 0),
  PRIMARY KEY (athlete_id, sort, size_value, size_unit)
) STRICT;
INSERT INTO kit_piece (athlete_id, sort, size_value, size_unit, count)
  SELECT athlete_id, 'Plate', size_value, size_unit, count FROM kit_plate;
DROP TABLE kit_plate;
CREATE TRIGGER standing_pieces_added AFTER INSERT ON kit_piece BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = NEW.athlete_id; END;
CREATE TRIGGER standing_pieces_gone AFTER DELETE ON kit_piece BEGIN
  UPDATE standing SET seq = seq + 1, stale = 1 WHERE athlete_id = OLD.athlete_id; END;
