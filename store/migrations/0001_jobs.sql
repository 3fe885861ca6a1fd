-- +goose Up
CREATE TABLE job (
    id         uuid PRIMARY KEY,
    brief      jsonb NOT NULL,
    archived   boolean NOT NULL DEFAULT false,
    revision   integer NOT NULL,
    created_at timestamptz NOT NULL,
    updated_at timestamptz NOT NULL
);

CREATE TABLE part (
    id         uuid PRIMARY KEY,
    job_id     uuid NOT NULL REFERENCES job (id) ON DELETE CASCADE,
    revision   integer NOT NULL,
    digest     bytea NOT NULL, -- of the state that stands, to know a save that changes nothing
    archived   boolean NOT NULL DEFAULT false,
    created_at timestamptz NOT NULL,
    updated_at timestamptz NOT NULL
) WITH (fillfactor = 50); -- a save updates the row in its own page
CREATE INDEX part_job ON part (job_id);

-- Every state of a part is kept. The part's own row only says which revision
-- stands, so that a save is one insert and one small update. There is no
-- foreign key to part: a revision is only ever inserted from the part's own row,
-- in the same statement or transaction, and parts are archived, never deleted.
CREATE TABLE part_revision (
    part_id    uuid NOT NULL,
    revision   integer NOT NULL,
    name       text NOT NULL,
    quantity   integer NOT NULL,
    recipe     jsonb NOT NULL,
    summary    text NOT NULL,
    undo_to    integer,
    redo_to    integer,
    created_at timestamptz NOT NULL,
    PRIMARY KEY (part_id, revision)
);

CREATE TABLE kept_number (
    id         uuid PRIMARY KEY,
    job_id     uuid NOT NULL REFERENCES job (id) ON DELETE CASCADE,
    calc       text NOT NULL,
    title      text NOT NULL,
    request    jsonb NOT NULL,
    created_at timestamptz NOT NULL
);
CREATE INDEX kept_number_job ON kept_number (job_id);

-- What was done once to this database, such as loading the demo jobs.
CREATE TABLE done_once (
    what text PRIMARY KEY,
    done_at timestamptz NOT NULL DEFAULT now()
);

-- +goose Down
DROP TABLE done_once;
DROP TABLE kept_number;
DROP TABLE part_revision;
DROP TABLE part;
DROP TABLE job;
