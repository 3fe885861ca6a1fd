package store

import (
	"context"
	"errors"
	"fmt"
	"time"

	"github.com/jackc/pgx/v5"

	"warmanvil/core/site"
)

// Verdicts answers what a job's things were last said to be; none where nobody looked.
func (s *Store) Verdicts(ctx context.Context, jobID string) (v site.Verdicts, err error) {
	err = s.pool.QueryRow(ctx, `SELECT rules, said FROM verdict WHERE job_id = $1`, jobID).Scan(&v.Rules, &v.Said)
	if errors.Is(err, pgx.ErrNoRows) {
		return site.Verdicts{}, nil
	}
	return v, err
}

// SaveVerdicts keeps what they are said to be now.
func (s *Store) SaveVerdicts(ctx context.Context, jobID string, v site.Verdicts, now time.Time) error {
	_, err := s.pool.Exec(ctx, `INSERT INTO verdict (job_id, rules, said, updated_at) VALUES ($1, $2, $3, $4)
		ON CONFLICT (job_id) DO UPDATE SET rules = $2, said = $3, updated_at = $4`, jobID, v.Rules, v.Said, now)
	if err != nil {
		return fmt.Errorf("keep verdicts: %w", err)
	}
	return nil
}
