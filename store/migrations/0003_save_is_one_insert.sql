-- +goose Up
-- Which revision stands follows from the revisions themselves: a save is one
-- insert and touches no other row. The fingerprint that knows a save that
-- changes nothing lies with the state it is of.
ALTER TABLE part_revision ADD COLUMN digest bytea; -- null: not known, counts as different
UPDATE part_revision r SET digest = p.digest FROM part p WHERE p.id = r.part_id AND p.revision = r.revision;
ALTER TABLE part DROP COLUMN revision, DROP COLUMN digest;

-- +goose Down
ALTER TABLE part ADD COLUMN revision integer, ADD COLUMN digest bytea;
UPDATE part p SET (revision, digest) = (SELECT r.revision, coalesce(r.digest, '') FROM part_revision r WHERE r.part_id = p.id ORDER BY r.revision DESC LIMIT 1);
ALTER TABLE part ALTER COLUMN revision SET NOT NULL, ALTER COLUMN digest SET NOT NULL;
ALTER TABLE part_revision DROP COLUMN digest;
