-- +goose Up
-- What a job's things were last said to be, and by which rules: where a rule changes a
-- verdict, the job says so on opening. Of jobs that are there nothing was kept: they
-- were worked by the first rules.
CREATE TABLE verdict (
    job_id     uuid PRIMARY KEY REFERENCES job (id) ON DELETE CASCADE,
    rules      integer NOT NULL,
    said       jsonb NOT NULL,
    updated_at timestamptz NOT NULL
);
INSERT INTO verdict (job_id, rules, said, updated_at) SELECT id, 1, '{}', now() FROM job;

-- +goose Down
DROP TABLE verdict;
