-- How somebody reads dates, numbers and clocks; where nothing stands, their browser says.
ALTER TABLE account ADD COLUMN locale TEXT NULL;
ALTER TABLE account ADD COLUMN hours INTEGER NULL CHECK (hours IN (12, 24));
ALTER TABLE account ADD COLUMN first_day INTEGER NULL CHECK (first_day BETWEEN 1 AND 7);
