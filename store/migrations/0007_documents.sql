-- +goose Up
-- All that is designed in a job is a document: a body whose form its kind knows, and
-- every state of it that was kept. One without an owner is the installation's own.
CREATE TABLE document (
    id         uuid PRIMARY KEY,
    owner      uuid REFERENCES job (id) ON DELETE CASCADE,
    kind       text NOT NULL,
    single     boolean NOT NULL, -- its owner has one of the kind
    archived   boolean NOT NULL DEFAULT false,
    created_at timestamptz NOT NULL,
    updated_at timestamptz NOT NULL
);
CREATE INDEX document_owner ON document (owner, kind);
CREATE UNIQUE INDEX document_only ON document (coalesce(owner, '00000000-0000-0000-0000-000000000000'), kind) WHERE single;

-- Which revision stands follows from the revisions themselves: a save is one insert and
-- touches no other row. There is no foreign key to document: a revision is only ever
-- inserted beside one that is there, and documents are put away, never deleted.
CREATE TABLE document_revision (
    document   uuid NOT NULL,
    revision   integer NOT NULL,
    body       jsonb NOT NULL,
    summary    text NOT NULL,
    who        text NOT NULL DEFAULT '',
    undo_to    integer,
    redo_to    integer,
    created_at timestamptz NOT NULL,
    PRIMARY KEY (document, revision)
);

INSERT INTO document (id, owner, kind, single, archived, created_at, updated_at)
    SELECT p.id, p.job_id, CASE WHEN (SELECT r.frame FROM part_revision r WHERE r.part_id = p.id ORDER BY r.revision DESC LIMIT 1) IS NULL THEN 'sheet' ELSE 'frame' END,
        false, p.archived, p.created_at, p.updated_at FROM part p;
INSERT INTO document_revision (document, revision, body, summary, undo_to, redo_to, created_at)
    SELECT part_id, revision, jsonb_build_object('name', name, 'quantity', quantity) ||
        CASE WHEN frame IS NULL THEN jsonb_build_object('recipe', recipe) ELSE jsonb_build_object('frame', frame) END,
        summary, undo_to, redo_to, created_at FROM part_revision;

-- Brief and survey had no history: what stands is its first state. It keeps its number,
-- for changes that wait in a browser were made on it.
CREATE TEMPORARY TABLE brought AS
    SELECT gen_random_uuid() AS id, id AS owner, 'brief' AS kind, revision, brief AS body, created_at, updated_at FROM job
    UNION ALL
    SELECT gen_random_uuid(), s.job_id, 'survey', s.revision, s.survey, j.created_at, s.updated_at FROM survey s JOIN job j ON j.id = s.job_id;
INSERT INTO document (id, owner, kind, single, created_at, updated_at) SELECT id, owner, kind, true, created_at, updated_at FROM brought;
INSERT INTO document_revision (document, revision, body, summary, created_at) SELECT id, revision, body, 'brought over', updated_at FROM brought;
DROP TABLE brought;

ALTER TABLE job DROP COLUMN brief, DROP COLUMN revision;
DROP TABLE survey;
DROP TABLE part_revision;
DROP TABLE part;

-- +goose Down
ALTER TABLE job ADD COLUMN brief jsonb, ADD COLUMN revision integer;
UPDATE job j SET (brief, revision) = (SELECT r.body, r.revision FROM document d JOIN document_revision r ON r.document = d.id
    WHERE d.owner = j.id AND d.kind = 'brief' ORDER BY r.revision DESC LIMIT 1);
ALTER TABLE job ALTER COLUMN brief SET NOT NULL, ALTER COLUMN revision SET NOT NULL;

CREATE TABLE part (
    id         uuid PRIMARY KEY,
    job_id     uuid NOT NULL REFERENCES job (id) ON DELETE CASCADE,
    archived   boolean NOT NULL DEFAULT false,
    created_at timestamptz NOT NULL,
    updated_at timestamptz NOT NULL
) WITH (fillfactor = 50);
CREATE INDEX part_job ON part (job_id);
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
    digest     bytea,
    frame      jsonb,
    PRIMARY KEY (part_id, revision)
);
INSERT INTO part (id, job_id, archived, created_at, updated_at) SELECT id, owner, archived, created_at, updated_at FROM document WHERE kind IN ('sheet', 'frame');
INSERT INTO part_revision (part_id, revision, name, quantity, recipe, summary, undo_to, redo_to, created_at, frame)
    SELECT r.document, r.revision, r.body->>'name', (r.body->>'quantity')::integer, coalesce(r.body->'recipe', '{}'), r.summary, r.undo_to, r.redo_to, r.created_at, r.body->'frame'
    FROM document d JOIN document_revision r ON r.document = d.id WHERE d.kind IN ('sheet', 'frame');
CREATE TABLE survey (
    job_id     uuid PRIMARY KEY REFERENCES job (id) ON DELETE CASCADE,
    survey     jsonb NOT NULL,
    revision   integer NOT NULL,
    updated_at timestamptz NOT NULL
);
INSERT INTO survey (job_id, survey, revision, updated_at)
    SELECT d.owner, r.body, r.revision, r.created_at FROM document d
    JOIN LATERAL (SELECT * FROM document_revision WHERE document = d.id ORDER BY revision DESC LIMIT 1) r ON true WHERE d.kind = 'survey';
DROP TABLE document_revision;
DROP TABLE document;
