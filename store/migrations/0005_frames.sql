-- +goose Up
-- A part is folded from sheet (recipe) or built of members (frame): of a frame
-- the recipe is empty.
ALTER TABLE part_revision ADD COLUMN frame jsonb;

-- +goose Down
ALTER TABLE part_revision DROP COLUMN frame;
