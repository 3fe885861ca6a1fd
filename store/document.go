package store

import (
	"context"
	"errors"
	"fmt"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"

	"warmanvil/job"
)

// The revision that stands is the last one.
const documentColumns = `d.id::text, d.kind, coalesce(d.owner::text, ''), r.revision, r.body, r.summary, r.who, r.undo_to, r.redo_to,
	d.archived, d.created_at, greatest(d.updated_at, r.created_at)
	FROM document d JOIN LATERAL (SELECT * FROM document_revision WHERE document = d.id ORDER BY revision DESC LIMIT 1) r ON true`

func scanDocument(row pgx.Row) (d job.Document, err error) {
	err = row.Scan(&d.ID, &d.Kind, &d.JobID, &d.Revision, &d.Body, &d.Summary, &d.Who, &d.UndoTo, &d.RedoTo,
		&d.Archived, &d.Created, &d.Updated)
	return d, missing(err)
}

func collectDocuments(rows pgx.Rows) ([]job.Document, error) {
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (job.Document, error) { return scanDocument(row) })
}

// Document answers one document as it stands.
func (s *Store) Document(ctx context.Context, id string) (job.Document, error) {
	return scanDocument(s.pool.QueryRow(ctx, `SELECT `+documentColumns+` WHERE d.id = $1`, id))
}

// nobody stands for the owner of what is the installation's own.
const nobody = `'00000000-0000-0000-0000-000000000000'::uuid`

// Only answers the one document of a kind that a job has, or of an empty id the
// installation, at revision 0 when there is
// none yet.
func (s *Store) Only(ctx context.Context, jobID string, k job.Kind) (job.Document, error) {
	d, err := scanDocument(s.pool.QueryRow(ctx, `SELECT `+documentColumns+` WHERE coalesce(d.owner, `+nobody+`) =
		coalesce(nullif($1, '')::uuid, `+nobody+`) AND d.kind = $2 AND d.single`, jobID, k))
	if errors.Is(err, job.ErrNotFound) {
		return job.Document{Kind: k, Kept: job.Kept{JobID: jobID}}, nil
	}
	return d, err
}

// Documents lists a job's documents of a kind that are not put away, oldest first.
func (s *Store) Documents(ctx context.Context, jobID string, k job.Kind) ([]job.Document, error) {
	rows, err := s.pool.Query(ctx, `SELECT `+documentColumns+
		` WHERE d.owner = $1 AND d.kind = $2 AND NOT d.archived ORDER BY d.created_at, d.id`, jobID, k)
	if err != nil {
		return nil, err
	}
	return collectDocuments(rows)
}

// PutAway lists a job's documents that were put away, oldest first.
func (s *Store) PutAway(ctx context.Context, jobID string) ([]job.Document, error) {
	rows, err := s.pool.Query(ctx, `SELECT `+documentColumns+` WHERE d.owner = $1 AND d.archived ORDER BY d.created_at, d.id`, jobID)
	if err != nil {
		return nil, err
	}
	return collectDocuments(rows)
}

// Following lists the parts of its job that are of the family of one or blanks of a body, put away or not, oldest first.
func (s *Store) Following(ctx context.Context, head string) ([]job.Document, error) {
	rows, err := s.pool.Query(ctx, `SELECT `+documentColumns+` WHERE d.owner = (SELECT owner FROM document WHERE id = $1) AND d.kind = $2
		AND $3 IN (r.body -> 'recipe' -> 'kin' ->> 'of', r.body -> 'recipe' -> 'facet' ->> 'of') ORDER BY d.created_at, d.id`, head, job.KindSheet, head)
	if err != nil {
		return nil, err
	}
	return collectDocuments(rows)
}

// AddDocuments adds documents with their first state, all or none.
func (s *Store) AddDocuments(ctx context.Context, list ...job.Document) error {
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		for _, d := range list {
			state := job.Revision{Number: d.Revision, Body: d.Body, Summary: d.Summary, Who: d.Who, UndoTo: d.UndoTo,
				RedoTo: d.RedoTo, Created: d.Updated}
			if err := addDocument(ctx, tx, d); err != nil {
				return err
			}
			if err := addRevision(ctx, tx, d.ID, state); err != nil {
				return err
			}
		}
		return nil
	})
}

func addDocument(ctx context.Context, tx pgx.Tx, d job.Document) error {
	_, err := tx.Exec(ctx, `INSERT INTO document (id, owner, kind, single, archived, created_at, updated_at)
		VALUES ($1, nullif($2, '')::uuid, $3, $4, $5, $6, $7)`,
		d.ID, d.JobID, d.Kind, !d.Kind.Many(), d.Archived, d.Created, d.Updated)
	if taken(err) {
		return job.ErrConflict
	}
	if err != nil {
		return fmt.Errorf("add document: %w", err)
	}
	return nil
}

func addRevision(ctx context.Context, tx pgx.Tx, document string, r job.Revision) error {
	_, err := tx.Exec(ctx, `INSERT INTO document_revision (document, revision, body, summary, who, undo_to, redo_to, created_at)
		VALUES ($1, $2, $3, $4, $5, $6, $7, $8)`,
		document, r.Number, r.Body, r.Summary, r.Who, r.UndoTo, r.RedoTo, r.Created)
	if err != nil {
		return fmt.Errorf("add revision: %w", err)
	}
	return nil
}

// taken tells that a key is there already.
func taken(err error) bool {
	var pg *pgconn.PgError
	return errors.As(err, &pg) && pg.Code == "23505"
}

// SaveDocument keeps a new revision of a document that still stands at the expected
// one: one insert. A state that differs in nothing is not kept again. Revisions follow
// one another without a gap, so that the key refuses whoever saves on one that does not
// stand any more.
func (s *Store) SaveDocument(ctx context.Context, d job.Document, expected int) (job.Document, error) {
	var own struct { // the document's own row, looked up once
		Owner    *string
		Archived bool
		Created  time.Time
	}
	err := s.pool.QueryRow(ctx, `INSERT INTO document_revision (document, revision, body, summary, who, undo_to, redo_to, created_at)
		SELECT was.document, $3, $4::jsonb, $5, $6,
			CASE WHEN $10 AND was.redo_to IS NULL THEN coalesce(was.undo_to, $7) ELSE $7 END, $8, $9 FROM document_revision was
		WHERE was.document = $1 AND was.revision = $2 AND was.body IS DISTINCT FROM $4::jsonb
			AND EXISTS (SELECT FROM document WHERE id = $1 AND kind = $11)
		RETURNING undo_to, (SELECT jsonb_build_object('owner', owner, 'archived', archived, 'created', created_at)
			FROM document WHERE id = document_revision.document)`,
		d.ID, expected, d.Revision, d.Body, d.Summary, d.Who, d.UndoTo, d.RedoTo, d.Updated, d.Continues, d.Kind).
		Scan(&d.UndoTo, &own)
	switch {
	case taken(err): // another save took the number
		return d, job.ErrConflict
	case errors.Is(err, pgx.ErrNoRows):
		// Nothing was added: it stands at another revision, says the same, or is gone.
		now, err := s.Document(ctx, d.ID)
		switch {
		case err != nil:
			return now, err
		case now.Kind != d.Kind:
			return now, job.ErrNotFound
		case now.Revision != expected:
			return now, job.ErrConflict
		}
		return now, nil
	case err != nil:
		return d, fmt.Errorf("save document: %w", err)
	}
	if own.Owner != nil {
		d.JobID = *own.Owner
	}
	d.Archived, d.Created, d.Continues = own.Archived, own.Created, false
	return d, nil
}

// ArchiveDocument puts a document away or brings it back.
func (s *Store) ArchiveDocument(ctx context.Context, id string, archived bool, now time.Time) error {
	tag, err := s.pool.Exec(ctx, `UPDATE document SET archived = $2, updated_at = $3 WHERE id = $1 AND NOT single`, id, archived, now)
	if err != nil {
		return fmt.Errorf("put away document: %w", err)
	}
	if tag.RowsAffected() == 0 {
		return job.ErrNotFound
	}
	return nil
}

const revisionColumns = `revision, body, summary, who, undo_to, redo_to, created_at FROM document_revision`

func scanRevision(row pgx.Row) (r job.Revision, err error) {
	err = row.Scan(&r.Number, &r.Body, &r.Summary, &r.Who, &r.UndoTo, &r.RedoTo, &r.Created)
	return r, missing(err)
}

func collectRevisions(rows pgx.Rows) ([]job.Revision, error) {
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (job.Revision, error) { return scanRevision(row) })
}

// Revisions lists a document's kept states, newest first.
func (s *Store) Revisions(ctx context.Context, id string) ([]job.Revision, error) {
	rows, err := s.pool.Query(ctx, `SELECT `+revisionColumns+` WHERE document = $1 ORDER BY revision DESC LIMIT 500`, id)
	if err != nil {
		return nil, err
	}
	return collectRevisions(rows)
}

// Revision answers one kept state.
func (s *Store) Revision(ctx context.Context, id string, number int) (job.Revision, error) {
	return scanRevision(s.pool.QueryRow(ctx, `SELECT `+revisionColumns+` WHERE document = $1 AND revision = $2`, id, number))
}

// States lists up to n kept states from a revision on, oldest first.
func (s *Store) States(ctx context.Context, id string, from, n int) ([]job.Revision, error) {
	rows, err := s.pool.Query(ctx, `SELECT `+revisionColumns+` WHERE document = $1 AND revision >= $2 ORDER BY revision LIMIT $3`, id, from, n)
	if err != nil {
		return nil, err
	}
	return collectRevisions(rows)
}

// Standing names the state of all documents of a job and of the installation together:
// what is said of a job hangs on both.
func (s *Store) Standing(ctx context.Context, jobID string) (name string, err error) {
	err = s.pool.QueryRow(ctx, `SELECT coalesce(string_agg(concat(d.id, ' ', d.archived, ' ',
		(SELECT max(revision) FROM document_revision WHERE document = d.id)), ',' ORDER BY d.id), '') FROM document d WHERE d.owner = $1 OR d.owner IS NULL`,
		jobID).Scan(&name)
	return name, err
}
