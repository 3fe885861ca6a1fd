package store

import (
	"context"

	"github.com/jackc/pgx/v5"

	"warmanvil/job"
)

// Whole answers all there is of a job as it was at one moment.
func (s *Store) Whole(ctx context.Context, id string) (w job.Whole, err error) {
	err = pgx.BeginTxFunc(ctx, s.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) error {
		if w.Job, err = jobIn(ctx, tx, id); err != nil {
			return err
		}
		rows, err := tx.Query(ctx, `SELECT `+partColumns+` WHERE p.job_id = $1 ORDER BY p.created_at, p.id`, id)
		if err != nil {
			return err
		}
		parts, err := pgx.CollectRows(rows, func(row pgx.CollectableRow) (job.Part, error) { return scanPart(row) })
		if err != nil {
			return err
		}
		for _, p := range parts {
			rows, err := tx.Query(ctx, `SELECT `+revisionColumns+` WHERE part_id = $1 ORDER BY revision`, p.ID)
			if err != nil {
				return err
			}
			list, err := pgx.CollectRows(rows, func(row pgx.CollectableRow) (job.Revision, error) { return scanRevision(row) })
			if err != nil {
				return err
			}
			w.Parts = append(w.Parts, job.WholePart{Part: p, Revisions: list})
		}
		if w.Numbers, err = numbersIn(ctx, tx, id); err != nil {
			return err
		}
		v, revision, err := surveyIn(ctx, tx, id)
		if revision > 0 {
			w.Survey = &v
		}
		return err
	})
	return w, err
}

// AddWhole adds a job with its history in one transaction.
func (s *Store) AddWhole(ctx context.Context, w job.Whole) error {
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		if err := createJob(ctx, tx, w.Job); err != nil {
			return err
		}
		for _, p := range w.Parts {
			if err := addPart(ctx, tx, p.Part); err != nil {
				return err
			}
			for _, r := range p.Revisions {
				if err := addRevision(ctx, tx, p.ID, r); err != nil {
					return err
				}
			}
		}
		if w.Survey != nil {
			if err := addSurvey(ctx, tx, w.Job.ID, *w.Survey, w.Job.Created); err != nil {
				return err
			}
		}
		for _, n := range w.Numbers {
			if err := keepNumber(ctx, tx, n); err != nil {
				return err
			}
		}
		return nil
	})
}
