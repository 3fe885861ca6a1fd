package store

import (
	"context"
	"crypto/sha256"
	"encoding/json"
	"errors"
	"fmt"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"

	"warmanvil/core/member"
	"warmanvil/core/sheet"
	"warmanvil/job"
)

// The revision that stands is the last one.
const partColumns = `p.id::text, p.job_id::text, r.name, r.quantity, r.recipe, r.frame, r.revision, r.summary, r.undo_to, r.redo_to, p.archived, p.created_at, greatest(p.updated_at, r.created_at)
	FROM part p JOIN LATERAL (SELECT * FROM part_revision WHERE part_id = p.id ORDER BY revision DESC LIMIT 1) r ON true`

func scanPart(row pgx.Row) (p job.Part, err error) {
	err = row.Scan(&p.ID, &p.JobID, &p.Name, &p.Quantity, &p.Recipe, &p.Frame, &p.Revision, &p.Summary, &p.UndoTo, &p.RedoTo, &p.Archived, &p.Created, &p.Updated)
	return p, missing(err)
}

// Parts lists a job's folded parts that are not archived, oldest first.
func (s *Store) Parts(ctx context.Context, jobID string) ([]job.Part, error) {
	return s.list(ctx, jobID, "r.frame IS NULL")
}

// Frames lists a job's frames that are not archived, oldest first.
func (s *Store) Frames(ctx context.Context, jobID string) ([]job.Part, error) {
	return s.list(ctx, jobID, "r.frame IS NOT NULL")
}

func (s *Store) list(ctx context.Context, jobID, which string) ([]job.Part, error) {
	rows, err := s.pool.Query(ctx, `SELECT `+partColumns+` WHERE p.job_id = $1 AND NOT p.archived AND `+which+` ORDER BY p.created_at, p.id`, jobID)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (job.Part, error) { return scanPart(row) })
}

// Part answers one part as it stands.
func (s *Store) Part(ctx context.Context, id string) (job.Part, error) {
	return scanPart(s.pool.QueryRow(ctx, `SELECT `+partColumns+` WHERE p.id = $1`, id))
}

// CreatePart adds a part with its first revision.
func (s *Store) CreatePart(ctx context.Context, p job.Part) error {
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error { return createPart(ctx, tx, p) })
}

func createPart(ctx context.Context, tx pgx.Tx, p job.Part) error {
	if err := addPart(ctx, tx, p); err != nil {
		return err
	}
	return addRevision(ctx, tx, p.ID, job.Revision{Number: p.Revision, Name: p.Name, Quantity: p.Quantity, Recipe: p.Recipe, Frame: p.Frame, Summary: p.Summary, UndoTo: p.UndoTo, RedoTo: p.RedoTo, Created: p.Updated})
}

// addPart adds a part's own row, without its revisions.
func addPart(ctx context.Context, tx pgx.Tx, p job.Part) error {
	_, err := tx.Exec(ctx, `INSERT INTO part (id, job_id, archived, created_at, updated_at) VALUES ($1, $2, $3, $4, $5)`, p.ID, p.JobID, p.Archived, p.Created, p.Updated)
	if err != nil {
		return fmt.Errorf("add part: %w", err)
	}
	return nil
}

func addRevision(ctx context.Context, tx pgx.Tx, partID string, r job.Revision) error {
	digest, err := digestOf(r.Name, r.Quantity, r.Recipe, r.Frame)
	if err != nil {
		return err
	}
	_, err = tx.Exec(ctx, `INSERT INTO part_revision (part_id, revision, name, quantity, recipe, summary, undo_to, redo_to, created_at, digest, frame)
		VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`, partID, r.Number, r.Name, r.Quantity, r.Recipe, r.Summary, r.UndoTo, r.RedoTo, r.Created, digest, r.Frame)
	if err != nil {
		return fmt.Errorf("add revision: %w", err)
	}
	return nil
}

// SavePart keeps a new revision of a part that still stands at the expected
// one: one insert. A state that differs in nothing is not kept again. Revisions
// follow one another without a gap, so that the key refuses whoever saves on one
// that does not stand any more.
func (s *Store) SavePart(ctx context.Context, p job.Part, expected int) (job.Part, error) {
	digest, err := digestOf(p.Name, p.Quantity, p.Recipe, p.Frame)
	if err != nil {
		return p, err
	}
	var own struct { // the part's own row, looked up once
		JobID    string
		Archived bool
		Created  time.Time
	}
	err = s.pool.QueryRow(ctx, `INSERT INTO part_revision (part_id, revision, name, quantity, recipe, summary, undo_to, redo_to, created_at, digest, frame)
		SELECT was.part_id, $3, $4, $5, $6::jsonb, $7, CASE WHEN $13 AND was.redo_to IS NULL THEN coalesce(was.undo_to, $8) ELSE $8 END, $9, $10, $11, $12::jsonb FROM part_revision was
		WHERE was.part_id = $1 AND was.revision = $2 AND was.digest IS DISTINCT FROM $11 AND (was.frame IS NULL) = ($12::jsonb IS NULL)
		RETURNING undo_to, (SELECT jsonb_build_object('jobID', job_id, 'archived', archived, 'created', created_at) FROM part WHERE id = part_id)`,
		p.ID, expected, p.Revision, p.Name, p.Quantity, p.Recipe, p.Summary, p.UndoTo, p.RedoTo, p.Updated, digest, p.Frame, p.Continues).
		Scan(&p.UndoTo, &own)
	p.JobID, p.Archived, p.Created = own.JobID, own.Archived, own.Created
	var pg *pgconn.PgError
	switch {
	case errors.As(err, &pg) && pg.Code == "23505": // another save took the number
		return p, job.ErrConflict
	case errors.Is(err, pgx.ErrNoRows):
		// Nothing was added: it stands at another revision, says the same, or is gone.
		now, err := s.Part(ctx, p.ID)
		if err == nil && now.Revision != expected {
			err = job.ErrConflict
		}
		if err == nil && (now.Frame == nil) != (p.Frame == nil) {
			err = job.ErrNotFound // a frame is no folded part
		}
		return now, err
	case err != nil:
		return p, fmt.Errorf("save part: %w", err)
	}
	return p, nil
}

// digestOf answers a fingerprint of what a save keeps.
func digestOf(name string, quantity int, r sheet.Recipe, f *member.Doc) ([]byte, error) {
	h := sha256.New()
	says := []any{name, quantity, r}
	if f != nil {
		says = append(says, f)
	}
	if err := json.NewEncoder(h).Encode(says); err != nil {
		return nil, fmt.Errorf("fingerprint part: %w", err)
	}
	return h.Sum(nil), nil
}

// ArchivePart puts a part away or brings it back.
func (s *Store) ArchivePart(ctx context.Context, id string, archived bool, now time.Time) error {
	tag, err := s.pool.Exec(ctx, `UPDATE part SET archived = $2, updated_at = $3 WHERE id = $1`, id, archived, now)
	if err != nil {
		return fmt.Errorf("archive part: %w", err)
	}
	if tag.RowsAffected() == 0 {
		return job.ErrNotFound
	}
	return nil
}

const revisionColumns = `revision, name, quantity, recipe, frame, summary, undo_to, redo_to, created_at FROM part_revision`

func scanRevision(row pgx.Row) (r job.Revision, err error) {
	err = row.Scan(&r.Number, &r.Name, &r.Quantity, &r.Recipe, &r.Frame, &r.Summary, &r.UndoTo, &r.RedoTo, &r.Created)
	return r, missing(err)
}

// Revisions lists a part's kept states, newest first.
func (s *Store) Revisions(ctx context.Context, partID string) ([]job.Revision, error) {
	rows, err := s.pool.Query(ctx, `SELECT `+revisionColumns+` WHERE part_id = $1 ORDER BY revision DESC LIMIT 500`, partID)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (job.Revision, error) { return scanRevision(row) })
}

// Revision answers one kept state.
func (s *Store) Revision(ctx context.Context, partID string, number int) (job.Revision, error) {
	return scanRevision(s.pool.QueryRow(ctx, `SELECT `+revisionColumns+` WHERE part_id = $1 AND revision = $2`, partID, number))
}
