-- +goose Up
-- The vehicle as measured: one document a job, saved whole against its revision.
CREATE TABLE survey (
    job_id     uuid PRIMARY KEY REFERENCES job (id) ON DELETE CASCADE,
    survey     jsonb NOT NULL,
    revision   integer NOT NULL,
    updated_at timestamptz NOT NULL
);

-- +goose Down
DROP TABLE survey;
