package store

import (
	"context"
	"fmt"

	"github.com/jackc/pgx/v5"

	"warmanvil/job"
)

// Numbers lists the quick calculations kept in a job, newest first.
func (s *Store) Numbers(ctx context.Context, jobID string) ([]job.Number, error) {
	return numbersIn(ctx, s.pool, jobID)
}

func numbersIn(ctx context.Context, on asker, jobID string) ([]job.Number, error) {
	rows, err := on.Query(ctx, `SELECT id::text, job_id::text, calc, title, request::text, created_at FROM kept_number
		WHERE job_id = $1 ORDER BY created_at DESC, id DESC`, jobID)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (n job.Number, err error) {
		var request string
		err = row.Scan(&n.ID, &n.JobID, &n.Calc, &n.Title, &request, &n.Created)
		n.Request = []byte(request)
		return n, err
	})
}

// KeepNumber adds one.
func (s *Store) KeepNumber(ctx context.Context, n job.Number) error {
	return keepNumber(ctx, s.pool, n)
}

func keepNumber(ctx context.Context, on asker, n job.Number) error {
	_, err := on.Exec(ctx, `INSERT INTO kept_number (id, job_id, calc, title, request, created_at) VALUES ($1, $2, $3, $4, $5::jsonb, $6)`,
		n.ID, n.JobID, n.Calc, n.Title, string(n.Request), n.Created)
	if err != nil {
		return fmt.Errorf("keep number: %w", err)
	}
	return nil
}

// DropNumber removes one.
func (s *Store) DropNumber(ctx context.Context, id string) error {
	tag, err := s.pool.Exec(ctx, `DELETE FROM kept_number WHERE id = $1`, id)
	if err != nil {
		return fmt.Errorf("drop number: %w", err)
	}
	if tag.RowsAffected() == 0 {
		return job.ErrNotFound
	}
	return nil
}
