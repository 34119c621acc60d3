-- What became of a result, a block or a block's caution is read where it stands.
CREATE INDEX audit_of ON audit (subject_id, at);
