-- +goose Up
-- What lies in the shop's racks and bins, how many of it there are and who keeps them, and the
-- ledger of what came and went. A movement is one transaction that holds the line's row.
CREATE TABLE stock_line (
    id         uuid PRIMARY KEY,
    body       jsonb NOT NULL,
    here       double precision NOT NULL DEFAULT 0,
    ordered    double precision NOT NULL DEFAULT 0,
    revision   integer NOT NULL DEFAULT 1,
    archived   boolean NOT NULL DEFAULT false,
    created_at timestamptz NOT NULL,
    updated_at timestamptz NOT NULL
);

CREATE TABLE stock_held (
    line  uuid NOT NULL REFERENCES stock_line (id) ON DELETE CASCADE,
    job   uuid NOT NULL REFERENCES job (id) ON DELETE CASCADE,
    count double precision NOT NULL,
    PRIMARY KEY (line, job)
);
CREATE INDEX stock_held_job ON stock_held (job);

CREATE TABLE stock_move (
    id      uuid PRIMARY KEY,
    line    uuid NOT NULL REFERENCES stock_line (id) ON DELETE CASCADE,
    kind    text NOT NULL,
    count   double precision NOT NULL,
    job     uuid, -- it outlives the job
    of      text NOT NULL DEFAULT '', -- the job's name then
    who     text NOT NULL DEFAULT '',
    note    text NOT NULL DEFAULT '',
    here    double precision NOT NULL, -- after it
    made_at timestamptz NOT NULL
);
CREATE INDEX stock_move_line ON stock_move (line, made_at);

-- +goose Down
DROP TABLE stock_move;
DROP TABLE stock_held;
DROP TABLE stock_line;
