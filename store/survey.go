package store

import (
	"context"
	"errors"
	"fmt"
	"time"

	"github.com/jackc/pgx/v5"

	"warmanvil/core/vehicle"
	"warmanvil/job"
)

// Survey answers a job's survey and its revision, 0 when there is none yet.
func (s *Store) Survey(ctx context.Context, jobID string) (vehicle.Survey, int, error) {
	return surveyIn(ctx, s.pool, jobID)
}

func surveyIn(ctx context.Context, on asker, jobID string) (v vehicle.Survey, revision int, err error) {
	err = on.QueryRow(ctx, `SELECT survey, revision FROM survey WHERE job_id = $1`, jobID).Scan(&v, &revision)
	if errors.Is(err, pgx.ErrNoRows) {
		return vehicle.Survey{Schema: vehicle.SurveySchema}, 0, nil
	}
	return v, revision, err
}

// SaveSurvey keeps a survey that still stands at the expected revision.
func (s *Store) SaveSurvey(ctx context.Context, jobID string, v vehicle.Survey, expected int, now time.Time) error {
	sql := `UPDATE survey SET survey = $3, revision = $2 + 1, updated_at = $4 WHERE job_id = $1 AND revision = $2`
	if expected == 0 { // the first one; of two who write it the key lets one through
		sql = `INSERT INTO survey (job_id, revision, survey, updated_at) VALUES ($1, $2 + 1, $3, $4) ON CONFLICT DO NOTHING`
	}
	tag, err := s.pool.Exec(ctx, sql, jobID, expected, v, now)
	if err != nil {
		return fmt.Errorf("save survey: %w", err)
	}
	if tag.RowsAffected() == 0 {
		return job.ErrConflict
	}
	return nil
}

func addSurvey(ctx context.Context, tx pgx.Tx, jobID string, v vehicle.Survey, now time.Time) error {
	if _, err := tx.Exec(ctx, `INSERT INTO survey (job_id, survey, revision, updated_at) VALUES ($1, $2, 1, $3)`, jobID, v, now); err != nil {
		return fmt.Errorf("add survey: %w", err)
	}
	return nil
}
