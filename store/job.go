package store

import (
	"context"
	"fmt"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"

	"warmanvil/job"
)

// Jobs lists jobs, last touched first.
func (s *Store) Jobs(ctx context.Context, archived bool) ([]job.Counted, error) {
	rows, err := s.pool.Query(ctx, `SELECT j.id::text, j.brief, j.archived, j.revision, j.created_at,
		greatest(j.updated_at, max(p.updated_at), max(r.created_at), max(v.updated_at)), count(p.id)
		FROM job j LEFT JOIN survey v ON v.job_id = j.id LEFT JOIN part p ON p.job_id = j.id AND NOT p.archived
			LEFT JOIN LATERAL (SELECT created_at FROM part_revision WHERE part_id = p.id ORDER BY revision DESC LIMIT 1) r ON true
		WHERE j.archived = $1 GROUP BY j.id ORDER BY 6 DESC, 1 DESC`, archived)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (c job.Counted, err error) {
		err = row.Scan(&c.ID, &c.Brief, &c.Archived, &c.Revision, &c.Created, &c.Updated, &c.Parts)
		c.Brief = c.Brief.Upgraded()
		return c, err
	})
}

// Job answers one job.
func (s *Store) Job(ctx context.Context, id string) (job.Job, error) { return jobIn(ctx, s.pool, id) }

// asker is the pool or a transaction.
type asker interface {
	QueryRow(ctx context.Context, sql string, args ...any) pgx.Row
	Query(ctx context.Context, sql string, args ...any) (pgx.Rows, error)
	Exec(ctx context.Context, sql string, args ...any) (pgconn.CommandTag, error)
}

func jobIn(ctx context.Context, on asker, id string) (j job.Job, err error) {
	err = on.QueryRow(ctx, `SELECT id::text, brief, archived, revision, created_at, updated_at FROM job WHERE id = $1`, id).
		Scan(&j.ID, &j.Brief, &j.Archived, &j.Revision, &j.Created, &j.Updated)
	j.Brief = j.Brief.Upgraded()
	return j, missing(err)
}

// CreateJob adds a job and its parts in one transaction.
func (s *Store) CreateJob(ctx context.Context, j job.Job, parts []job.Part) error {
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		if err := createJob(ctx, tx, j); err != nil {
			return err
		}
		for _, p := range parts {
			if err := createPart(ctx, tx, p); err != nil {
				return err
			}
		}
		return nil
	})
}

func createJob(ctx context.Context, tx pgx.Tx, j job.Job) error {
	_, err := tx.Exec(ctx, `INSERT INTO job (id, brief, archived, revision, created_at, updated_at) VALUES ($1, $2, $3, $4, $5, $6)`,
		j.ID, j.Brief, j.Archived, j.Revision, j.Created, j.Updated)
	if err != nil {
		return fmt.Errorf("add job: %w", err)
	}
	return nil
}

// SaveJob changes a job that still stands at the expected revision.
func (s *Store) SaveJob(ctx context.Context, j job.Job, expected int) error {
	tag, err := s.pool.Exec(ctx, `UPDATE job SET brief = $3, archived = $4, revision = $5, updated_at = $6 WHERE id = $1 AND revision = $2`,
		j.ID, expected, j.Brief, j.Archived, j.Revision, j.Updated)
	if err != nil {
		return fmt.Errorf("save job: %w", err)
	}
	if tag.RowsAffected() == 0 {
		return job.ErrConflict
	}
	return nil
}
