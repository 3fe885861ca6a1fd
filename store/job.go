package store

import (
	"context"
	"fmt"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"

	"warmanvil/job"
)

// asker is the pool or a transaction.
type asker interface {
	QueryRow(ctx context.Context, sql string, args ...any) pgx.Row
	Query(ctx context.Context, sql string, args ...any) (pgx.Rows, error)
	Exec(ctx context.Context, sql string, args ...any) (pgconn.CommandTag, error)
}

// A job with its brief, the last change of anything in it, and how many parts it has.
const jobColumns = `j.id::text, j.archived, j.created_at, greatest(j.updated_at, c.at), c.parts, b.id::text, b.revision, b.body
	FROM job j
	JOIN LATERAL (SELECT d.id, r.revision, r.body FROM document d JOIN document_revision r ON r.document = d.id
		WHERE d.owner = j.id AND d.kind = 'brief' ORDER BY r.revision DESC LIMIT 1) b ON true
	JOIN LATERAL (SELECT max(greatest(d.updated_at, r.created_at)) AS at, count(*) FILTER (WHERE NOT d.single) AS parts
		FROM document d JOIN LATERAL (SELECT created_at FROM document_revision WHERE document = d.id ORDER BY revision DESC LIMIT 1) r ON true
		WHERE d.owner = j.id AND NOT d.archived) c ON true`

func scanJob(row pgx.Row) (r job.Row, err error) {
	err = row.Scan(&r.ID, &r.Archived, &r.Created, &r.Updated, &r.Parts, &r.Brief.ID, &r.Brief.Revision, &r.Brief.Body)
	r.Brief.Kind, r.Brief.JobID = job.KindBrief, r.ID
	return r, missing(err)
}

// Jobs lists jobs, last touched first.
func (s *Store) Jobs(ctx context.Context, archived bool) ([]job.Row, error) {
	rows, err := s.pool.Query(ctx, `SELECT `+jobColumns+` WHERE j.archived = $1 ORDER BY 4 DESC, 1 DESC`, archived)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (job.Row, error) { return scanJob(row) })
}

// Job answers one job.
func (s *Store) Job(ctx context.Context, id string) (job.Row, error) { return jobIn(ctx, s.pool, id) }

func jobIn(ctx context.Context, on asker, id string) (job.Row, error) {
	return scanJob(on.QueryRow(ctx, `SELECT `+jobColumns+` WHERE j.id = $1`, id))
}

// ArchiveJob puts a job away or brings it back.
func (s *Store) ArchiveJob(ctx context.Context, id string, archived bool, now time.Time) error {
	tag, err := s.pool.Exec(ctx, `UPDATE job SET archived = $2, updated_at = $3 WHERE id = $1`, id, archived, now)
	if err != nil {
		return fmt.Errorf("put away job: %w", err)
	}
	if tag.RowsAffected() == 0 {
		return job.ErrNotFound
	}
	return nil
}

// Whole answers all there is of a job as it was at one moment.
func (s *Store) Whole(ctx context.Context, id string) (w job.Whole, err error) {
	err = pgx.BeginTxFunc(ctx, s.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) error {
		if w.Job, err = jobIn(ctx, tx, id); err != nil {
			return err
		}
		rows, err := tx.Query(ctx, `SELECT `+documentColumns+` WHERE d.owner = $1 ORDER BY d.created_at, d.id`, id)
		if err != nil {
			return err
		}
		list, err := collectDocuments(rows)
		if err != nil {
			return err
		}
		for _, d := range list {
			rows, err := tx.Query(ctx, `SELECT `+revisionColumns+` WHERE document = $1 ORDER BY revision`, d.ID)
			if err != nil {
				return err
			}
			history, err := collectRevisions(rows)
			if err != nil {
				return err
			}
			w.Documents = append(w.Documents, job.WholeDocument{Document: d, Revisions: history})
		}
		w.Numbers, err = numbersIn(ctx, tx, id)
		return err
	})
	return w, err
}

// AddWhole adds a job with its history in one transaction.
func (s *Store) AddWhole(ctx context.Context, w job.Whole) error {
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		_, err := tx.Exec(ctx, `INSERT INTO job (id, archived, created_at, updated_at) VALUES ($1, $2, $3, $4)`, w.Job.ID, w.Job.Archived,
			w.Job.Created, w.Job.Updated)
		if err != nil {
			return fmt.Errorf("add job: %w", err)
		}
		for _, d := range w.Documents {
			if err := addDocument(ctx, tx, d.Document, d.Revisions...); err != nil {
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
