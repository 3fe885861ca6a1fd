// Package store keeps jobs in PostgreSQL. One file a table; every write is one
// statement or one transaction.
package store

import (
	"context"
	"embed"
	"errors"
	"fmt"
	"io/fs"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgxpool"

	"warmanvil/job"
)

//go:embed migrations/*.sql
var migrations embed.FS

// Store keeps jobs; it implements job.Store. It is safe for concurrent use.
type Store struct{ pool *pgxpool.Pool }

// Open connects to a database. Close must be called.
func Open(ctx context.Context, url string) (*Store, error) {
	cfg, err := pgxpool.ParseConfig(url)
	if err != nil {
		return nil, fmt.Errorf("read the database address: %w", err)
	}
	// Every statement is prepared once and meets one row; planning it anew each
	// time would cost more than running it.
	cfg.ConnConfig.RuntimeParams["plan_cache_mode"] = "force_generic_plan"
	// They all go by a key. Planned while a table is small they would read the
	// whole of it, and go on doing so as it grows.
	cfg.ConnConfig.RuntimeParams["enable_seqscan"] = "off"
	// That makes a list of rows look so dear that the database would compile the
	// statement first, for a quarter of a second each time.
	cfg.ConnConfig.RuntimeParams["jit"] = "off"
	pool, err := pgxpool.NewWithConfig(ctx, cfg)
	if err != nil {
		return nil, fmt.Errorf("connect to the database: %w", err)
	}
	if err := pool.Ping(ctx); err != nil {
		pool.Close()
		return nil, fmt.Errorf("connect to the database: %w", err)
	}
	return &Store{pool}, nil
}

// Close gives the connections back.
func (s *Store) Close() { s.pool.Close() }

// Pool answers the connections, for measuring beside the store.
func (s *Store) Pool() *pgxpool.Pool { return s.pool }

// Ping tells whether the database answers.
func (s *Store) Ping(ctx context.Context) error { return s.pool.Ping(ctx) }

// Migrate brings the database to this version.
func (s *Store) Migrate(ctx context.Context) error {
	p, done, err := s.provider()
	if err != nil {
		return err
	}
	defer done()
	if _, err := p.Up(ctx); err != nil {
		return fmt.Errorf("migrate: %w", err)
	}
	return nil
}

func migrationFiles() (fs.FS, error) {
	sub, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return nil, fmt.Errorf("read migrations: %w", err)
	}
	return sub, nil
}

// Once runs f in a transaction unless that was done before.
func (s *Store) Once(ctx context.Context, what string, f func() error) error {
	tx, err := s.pool.Begin(ctx)
	if err != nil {
		return err
	}
	defer func() { _ = tx.Rollback(context.WithoutCancel(ctx)) }() // no effect once committed
	tag, err := tx.Exec(ctx, `INSERT INTO done_once (what) VALUES ($1) ON CONFLICT DO NOTHING`, what)
	if err != nil || tag.RowsAffected() == 0 {
		return err
	}
	if err := f(); err != nil {
		return err
	}
	return tx.Commit(ctx)
}

// missing turns an empty answer into job.ErrNotFound.
func missing(err error) error {
	if errors.Is(err, pgx.ErrNoRows) {
		return job.ErrNotFound
	}
	return err
}
