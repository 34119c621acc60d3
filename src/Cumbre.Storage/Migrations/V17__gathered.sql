-- Grows each time that evidence is gathered anew: what was read of it at one figure is true while it stands.
ALTER TABLE standing ADD COLUMN gathered INTEGER NOT NULL DEFAULT 0;
