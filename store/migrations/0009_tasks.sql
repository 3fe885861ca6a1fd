-- +goose Up
-- Work that takes longer than anybody waits at a page. Who does it next is in the queue's
-- own tables, in a schema beside.
CREATE TABLE task (
    id         uuid PRIMARY KEY,
    kind       text NOT NULL,
    who        uuid REFERENCES account (id) ON DELETE CASCADE, -- nobody where nobody signs in
    name       text NOT NULL,
    state      text NOT NULL,
    done       bigint NOT NULL DEFAULT 0,
    total      bigint NOT NULL DEFAULT 0,
    says       text NOT NULL DEFAULT '',
    path       text NOT NULL DEFAULT '',
    job        uuid,
    size       bigint NOT NULL DEFAULT 0,
    run        integer NOT NULL DEFAULT 0, -- how often it was begun: only who began it last says what becomes of it
    created_at timestamptz NOT NULL,
    seen_at    timestamptz NOT NULL DEFAULT now() -- when who does it last said so
);
CREATE INDEX task_who ON task (who, created_at);
CREATE INDEX task_state ON task (state, seen_at);

-- What a task works on, and the file it makes, in parts.
CREATE TABLE task_part (
    task    uuid NOT NULL REFERENCES task (id) ON DELETE CASCADE,
    made    boolean NOT NULL,
    part    integer NOT NULL,
    content bytea NOT NULL,
    PRIMARY KEY (task, made, part)
);
ALTER TABLE task_part ALTER content SET STORAGE EXTERNAL;

-- +goose Down
DROP TABLE task_part;
DROP TABLE task;
