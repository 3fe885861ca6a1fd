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

// Outline answers all there is of a job but its states, as it was at one moment.
func (s *Store) Outline(ctx context.Context, id string) (o job.Outline, err error) {
	err = pgx.BeginTxFunc(ctx, s.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) error {
		if o.Job, err = jobIn(ctx, tx, id); err != nil {
			return err
		}
		rows, err := tx.Query(ctx, `SELECT d.id::text, d.kind, d.archived, min(r.revision), max(r.revision)
			FROM document d JOIN document_revision r ON r.document = d.id WHERE d.owner = $1 GROUP BY d.id ORDER BY d.created_at, d.id`, id)
		if err != nil {
			return err
		}
		if o.Documents, err = pgx.CollectRows(rows, pgx.RowToStructByPos[job.Outlined]); err != nil {
			return err
		}
		o.Numbers, err = numbersIn(ctx, tx, id)
		return err
	})
	return o, err
}

// AddJob adds a job with all that fill adds in one transaction.
func (s *Store) AddJob(ctx context.Context, r job.Row, fill func(job.Adding) error) error {
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		var alone bool // one that is being added would be waited for
		if err := tx.QueryRow(ctx, `SELECT pg_try_advisory_xact_lock(hashtextextended('job ' || $1, 0))`, r.ID).Scan(&alone); err != nil {
			return err
		}
		if !alone {
			return job.ErrBusy
		}
		_, err := tx.Exec(ctx, `INSERT INTO job (id, archived, created_at, updated_at) VALUES ($1, $2, $3, $4)`, r.ID, r.Archived, r.Created,
			r.Updated)
		if taken(err) {
			return job.ErrConflict
		}
		if err != nil {
			return fmt.Errorf("add job: %w", err)
		}
		return fill(adding{ctx, tx})
	})
}

// adding adds to a job within its transaction.
type adding struct {
	ctx context.Context
	tx  pgx.Tx
}

func (a adding) Document(d job.Document) error { return addDocument(a.ctx, a.tx, d) }

func (a adding) Revision(document string, r job.Revision) error {
	return addRevision(a.ctx, a.tx, document, r)
}

func (a adding) Number(n job.Number) error { return keepNumber(a.ctx, a.tx, n) }
