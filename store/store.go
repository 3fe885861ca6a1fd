// Package store keeps jobs in PostgreSQL. One file a table; every write is one
// statement or one transaction.
package store

import (
	"context"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"runtime"
	"strings"
	"sync"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgxpool"

	"warmanvil/job"
)

//go:embed migrations/*.sql
var migrations embed.FS

// Store keeps jobs; it implements job.Store. It is safe for concurrent use.
type Store struct {
	pool    *pgxpool.Pool
	plain   *pgxpool.Config // without limits to waiting
	circuit *circuit
	ended   chan struct{} // closed with the store
	end     func()
}

// errClosed is what a closed store answers.
var errClosed = errors.New("the store is closed")

// Open connects to a database. Close must be called.
func Open(ctx context.Context, url string) (*Store, error) { return open(ctx, url, patience) }

func open(ctx context.Context, url string, wait time.Duration) (*Store, error) {
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
	cfg.ShouldPing = func(context.Context, pgxpool.ShouldPingParams) bool { return false } // the socket is looked at instead
	if !strings.Contains(url, "pool_max_conns") {
		cfg.MaxConns = connections()
	}
	s := &Store{plain: cfg.Copy()}
	s.connect(cfg, wait)
	if s.pool, err = pgxpool.NewWithConfig(ctx, cfg); err != nil {
		return nil, fmt.Errorf("connect to the database: %w", err)
	}
	if err := s.pool.Ping(ctx); err != nil {
		s.Close()
		return nil, fmt.Errorf("connect to the database: %w", err)
	}
	return s, nil
}

// connections answers how many are held at most: commits wait for the disk, not for the
// processors, and go to it together.
func connections() int32 { return int32(min(max(8, 4*runtime.NumCPU()), 32)) }

// connect bounds every wait for the database, and lends no connection that is dead.
func (s *Store) connect(cfg *pgxpool.Config, wait time.Duration) {
	s.ended = make(chan struct{})
	s.end = sync.OnceFunc(func() { close(s.ended) })
	s.circuit = &circuit{try: s.ask, pause: wait / 5, ended: s.ended}
	cfg.ConnConfig.ConnectTimeout = wait
	cfg.ConnConfig.DialFunc = patient(cfg.ConnConfig.DialFunc, wait, s.circuit.open)
	cfg.BeforeConnect = func(context.Context, *pgx.ConnConfig) error { return s.circuit.is() }
	cfg.PrepareConn = func(_ context.Context, c *pgx.Conn) (bool, error) {
		if err := s.circuit.is(); err != nil {
			return true, err
		}
		w := wired(c.PgConn().Conn())
		return w == nil || w.sound(), nil
	}
}

// unhurried answers a store that waits as long as it takes, for what reads or writes
// everything.
func (s *Store) unhurried(ctx context.Context) (*Store, error) {
	if s.closed() {
		return nil, errClosed
	}
	pool, err := pgxpool.NewWithConfig(ctx, s.plain.Copy())
	if err != nil {
		return nil, fmt.Errorf("connect to the database: %w", err)
	}
	return s.sharing(pool, s.plain), nil
}

// sharing answers a store on other connections that lives no longer than this one.
func (s *Store) sharing(pool *pgxpool.Pool, cfg *pgxpool.Config) *Store {
	return &Store{pool: pool, plain: cfg, circuit: s.circuit, ended: s.ended, end: func() {}}
}

func (s *Store) closed() bool {
	select {
	case <-s.ended:
		return true
	default:
		return false
	}
}

// Close gives the connections back.
func (s *Store) Close() {
	s.end()
	s.pool.Close()
}

// Pool answers the connections, for measuring beside the store.
func (s *Store) Pool() *pgxpool.Pool { return s.pool }

// Health asks the database on a fresh connection, since one that stands may lead to what
// is left of a server that died, and answers when that server started.
func (s *Store) Health(ctx context.Context) (since time.Time, err error) {
	if err := s.circuit.is(); err != nil {
		return since, err
	}
	if s.closed() {
		return since, errClosed
	}
	ctx, cancel := context.WithTimeout(ctx, patience)
	defer cancel()
	conn, err := pgx.ConnectConfig(ctx, s.plain.ConnConfig.Copy())
	if err != nil {
		return since, s.silence(ctx, err)
	}
	defer func() { _ = conn.Close(context.WithoutCancel(ctx)) }()
	err = conn.QueryRow(ctx, `SELECT pg_postmaster_start_time()`).Scan(&since)
	return since, s.silence(ctx, err)
}

// silence names a question that was given up for what it met, and lets nobody else wait.
func (s *Store) silence(ctx context.Context, err error) error {
	if err != nil && errors.Is(ctx.Err(), context.DeadlineExceeded) {
		s.circuit.open()
		return fmt.Errorf("%w: %w", errSilent, err)
	}
	return err
}

// ask is one question on a fresh connection.
func (s *Store) ask(ctx context.Context) error {
	conn, err := pgx.ConnectConfig(ctx, s.plain.ConnConfig.Copy())
	if err != nil {
		return err
	}
	return errors.Join(conn.Ping(ctx), conn.Close(ctx))
}

// Migrate brings the database to this version.
func (s *Store) Migrate(ctx context.Context) error {
	if err := s.tables(ctx); err != nil {
		return err
	}
	if err := s.queueTables(ctx); err != nil {
		return fmt.Errorf("migrate the queue: %w", err)
	}
	return nil
}

// tables brings what a backup holds to this version.
func (s *Store) tables(ctx context.Context) error {
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
