package store

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"time"

	"github.com/jackc/pgx/v5"

	"warmanvil/core/goods"
	"warmanvil/job"
)

const stockColumns = `l.id, l.body, l.here, l.ordered, l.revision, l.archived, l.updated_at,
	coalesce((SELECT jsonb_object_agg(h.job, h.count) FROM stock_held h WHERE h.line = l.id), '{}')`

func stockLine(row pgx.Row) (l job.StockLine, err error) {
	var body, held []byte
	var id string
	if err := row.Scan(&id, &body, &l.Here, &l.Ordered, &l.Revision, &l.Archived, &l.Updated, &held); err != nil {
		return l, err
	}
	if err := json.Unmarshal(body, &l.Goods); err != nil {
		return l, fmt.Errorf("stock line %s: %w", id, err)
	}
	l.ID = id
	return l, json.Unmarshal(held, &l.Held)
}

// StockLines lists what lies in the shop, as it was added.
func (s *Store) StockLines(ctx context.Context, archived bool) ([]job.StockLine, error) {
	rows, err := s.pool.Query(ctx, `SELECT `+stockColumns+` FROM stock_line l WHERE l.archived = $1 ORDER BY l.created_at, l.id`,
		archived)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (job.StockLine, error) { return stockLine(row) })
}

// StockVersion changes with every line added or changed and with every movement.
func (s *Store) StockVersion(ctx context.Context) (version string, err error) {
	err = s.pool.QueryRow(ctx, `SELECT count(*) || ' ' || coalesce(max(updated_at)::text, '') || ' ' || coalesce(sum(revision), 0) ||
		' ' ||
		coalesce(sum(here) || ' ' || sum(ordered), '') || ' ' || (SELECT coalesce(sum(count)::text, '') ||
			count(*) FROM stock_held) FROM stock_line`).Scan(&version)
	return version, err
}

// StockLine answers one line.
func (s *Store) StockLine(ctx context.Context, id string) (job.StockLine, error) {
	l, err := stockLine(s.pool.QueryRow(ctx, `SELECT `+stockColumns+` FROM stock_line l WHERE l.id = $1`, id))
	if errors.Is(err, pgx.ErrNoRows) {
		err = job.ErrNotFound
	}
	return l, err
}

// AddStockLine adds a line of which nothing is there yet.
func (s *Store) AddStockLine(ctx context.Context, l goods.Goods, now time.Time) error {
	body, err := json.Marshal(l)
	if err != nil {
		return err
	}
	_, err = s.pool.Exec(ctx, `INSERT INTO stock_line (id, body, created_at, updated_at) VALUES ($1, $2, $3, $3)`, l.ID, body, now)
	return err
}

// SaveStockLine replaces what is said of a line that is at a revision.
func (s *Store) SaveStockLine(ctx context.Context, l goods.Goods, archived bool, revision int, now time.Time) error {
	body, err := json.Marshal(l)
	if err != nil {
		return err
	}
	tag, err := s.pool.Exec(ctx, `UPDATE stock_line SET body = $2, archived = $3, revision = revision + 1, updated_at = $5
		WHERE id = $1 AND revision = $4`, l.ID, body, archived, revision, now)
	if err != nil || tag.RowsAffected() > 0 {
		return err
	}
	if _, err := s.StockLine(ctx, l.ID); err != nil {
		return err
	}
	return job.ErrConflict
}

// MoveStock holds the line's row while its counts are changed: of two who keep the last one,
// one is told that it is kept.
func (s *Store) MoveStock(ctx context.Context, m job.StockMoved, change func(l goods.Goods, c goods.Counts) (goods.Counts,
	error)) (l job.StockLine,
	err error) {
	err = pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		if l, err = stockLine(tx.QueryRow(ctx, `SELECT `+stockColumns+` FROM stock_line l WHERE l.id = $1 FOR UPDATE OF l`,
			m.Line)); err != nil {
			if errors.Is(err, pgx.ErrNoRows) {
				err = job.ErrNotFound
			}
			return err
		}
		// What is kept is read once the row is held: it was read as of before.
		var held []byte
		if err := tx.QueryRow(ctx, `SELECT coalesce(jsonb_object_agg(job, count), '{}') FROM stock_held WHERE line = $1`,
			m.Line).Scan(&held); err != nil {
			return err
		}
		l.Held = nil
		if err := json.Unmarshal(held, &l.Held); err != nil {
			return err
		}
		was := l.Counts
		if l.Counts, err = change(l.Goods, was); err != nil {
			return err
		}
		return s.writeMove(ctx, tx, m, was, l)
	})
	return l, err
}

func (s *Store) writeMove(ctx context.Context, tx pgx.Tx, m job.StockMoved, was goods.Counts, l job.StockLine) error {
	if _, err := tx.Exec(ctx, `UPDATE stock_line SET here = $2, ordered = $3, updated_at = $4 WHERE id = $1`, m.Line, l.Here, l.Ordered,
		m.At); err != nil {
		return err
	}
	for jobID := range was.Held {
		if _, kept := l.Held[jobID]; !kept {
			if _, err := tx.Exec(ctx, `DELETE FROM stock_held WHERE line = $1 AND job = $2`, m.Line, jobID); err != nil {
				return err
			}
		}
	}
	for jobID, n := range l.Held {
		if was.Held[jobID] != n {
			if _, err := tx.Exec(ctx, `INSERT INTO stock_held (line, job, count) VALUES ($1, $2, $3) ON CONFLICT (line,
				job) DO UPDATE SET count = $3`,
				m.Line, jobID, n); err != nil {
				return err
			}
		}
	}
	_, err := tx.Exec(ctx, `INSERT INTO stock_move (id, line, kind, count, job, of, who, note, here, made_at)
		VALUES ($1, $2, $3, $4, nullif($5, '')::uuid, $6, $7, $8, $9, $10)`, m.ID, m.Line, m.Kind, m.Count, m.Job, m.Of, m.Who,
		m.Note, l.Here, m.At)
	return err
}

// StockMoves lists a line's ledger, newest first.
func (s *Store) StockMoves(ctx context.Context, line string, most int) ([]job.StockMoved, error) {
	rows, err := s.pool.Query(ctx, `SELECT id, line, kind, count, coalesce(job::text, ''), of, who, note, here, made_at FROM stock_move
		WHERE line = $1 ORDER BY made_at DESC, id DESC LIMIT $2`, line, most)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (m job.StockMoved, err error) {
		err = row.Scan(&m.ID, &m.Line, &m.Kind, &m.Count, &m.Job, &m.Of, &m.Who, &m.Note, &m.Here, &m.At)
		return m, err
	})
}
