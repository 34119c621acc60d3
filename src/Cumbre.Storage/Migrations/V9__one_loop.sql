-- The part that an item plays: a decision about a movement changes the items of the same role. Without one it was written by hand.
ALTER TABLE session_item ADD COLUMN role TEXT;
