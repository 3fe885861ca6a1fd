-- +goose Up
-- Browsers that signed in to an account before: a wrong guess from elsewhere does not
-- keep them out. Only the hash of what the browser holds is kept.
CREATE TABLE known_device (
    hash       bytea PRIMARY KEY,
    account_id uuid NOT NULL REFERENCES account (id) ON DELETE CASCADE,
    device     uuid NOT NULL, -- as it stands in the list of signed-in devices
    seen_at    timestamptz NOT NULL
);
CREATE INDEX known_device_device ON known_device (device);

-- +goose Down
DROP TABLE known_device;
