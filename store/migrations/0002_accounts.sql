-- +goose Up
CREATE TABLE account (
    id         uuid PRIMARY KEY,
    name       text NOT NULL,
    role       text NOT NULL CHECK (role IN ('owner', 'maker', 'reader')),
    password   text NOT NULL, -- argon2id, in the usual string form
    created_at timestamptz NOT NULL
);
CREATE UNIQUE INDEX account_name ON account (lower(name));

-- A short word that lets somebody in once: an invitation to a new account, or
-- the pairing of another device with one. Only its hash is kept.
CREATE TABLE pass (
    hash       bytea PRIMARY KEY,
    kind       text NOT NULL CHECK (kind IN ('invitation', 'pairing')),
    role       text NOT NULL,
    account_id uuid NOT NULL REFERENCES account (id) ON DELETE CASCADE, -- who gave it
    expires_at timestamptz NOT NULL
);

-- Kept by the session library; the token is hashed before it gets here.
CREATE TABLE sessions (
    token  text PRIMARY KEY,
    data   bytea NOT NULL,
    expiry timestamptz NOT NULL
);
CREATE INDEX sessions_expiry ON sessions (expiry);

-- +goose Down
DROP TABLE sessions;
DROP TABLE pass;
DROP TABLE account;
