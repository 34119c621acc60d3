-- The atlas: every kind of score, sides and set-up in use, the body from which levers are worked out, schools by question,
-- and steps that a coach sets against the rule.

ALTER TABLE athlete ADD COLUMN sex TEXT CHECK (sex IN ('Male', 'Female'));
ALTER TABLE athlete ADD COLUMN stature_cm TEXT;
ALTER TABLE athlete ADD COLUMN arm_cm TEXT;
ALTER TABLE athlete ADD COLUMN trunk_cm TEXT;
ALTER TABLE athlete ADD COLUMN thigh_cm TEXT;
ALTER TABLE athlete ADD COLUMN shank_cm TEXT;

-- What the club chose where practitioners disagree; a question without a row has the catalogue's default.
CREATE TABLE club_school (
  question TEXT PRIMARY KEY,
  choice   TEXT NOT NULL
) STRICT;

-- Where an athlete's coach chose otherwise than the club.
CREATE TABLE athlete_school (
  athlete_id BLOB NOT NULL REFERENCES athlete (id),
  question   TEXT NOT NULL,
  choice     TEXT NOT NULL,
  PRIMARY KEY (athlete_id, question)
) STRICT;

INSERT INTO athlete_school (athlete_id, question, choice) SELECT id, 'loading', 'rep-first' FROM athlete WHERE loading_school = 'RepFirst';
INSERT INTO athlete_school (athlete_id, question, choice) SELECT id, 'increase', 'one-clean-session' FROM athlete WHERE increase_school = 'OneCleanSession';
ALTER TABLE athlete DROP COLUMN loading_school;
ALTER TABLE athlete DROP COLUMN increase_school;

ALTER TABLE benchmark_result ADD COLUMN sets INTEGER NOT NULL DEFAULT 1;
ALTER TABLE benchmark_result ADD COLUMN seconds TEXT;
ALTER TABLE benchmark_result ADD COLUMN contact TEXT CHECK (contact IN ('Chin', 'Collarbone', 'Chest', 'Belly', 'Hip'));
ALTER TABLE benchmark_result ADD COLUMN degrees TEXT;
ALTER TABLE benchmark_result ADD COLUMN rest_seconds INTEGER;
ALTER TABLE benchmark_result ADD COLUMN pain INTEGER CHECK (pain BETWEEN 0 AND 10);
ALTER TABLE benchmark_result ADD COLUMN pain_place TEXT;

-- A step set by the coach against the rule, with the reason; every change is in the audit too.
CREATE TABLE coach_placement (
  athlete_id BLOB NOT NULL REFERENCES athlete (id),
  ladder     TEXT NOT NULL,
  step       TEXT NOT NULL,
  reason     TEXT NOT NULL,
  day        TEXT NOT NULL,
  written_at TEXT NOT NULL,
  written_by BLOB NOT NULL,
  PRIMARY KEY (athlete_id, ladder)
) STRICT;
