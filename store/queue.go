package store

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/riverqueue/river"
	"github.com/riverqueue/river/riverdriver/riverpgxv5"
	"github.com/riverqueue/river/rivermigrate"

	"warmanvil/task"
)

// queueSchema is where the queue's own tables are: beside ours, in no backup.
const queueSchema = "queue"

// Of a task in the queue.
const (
	taskTime  = 5 * time.Minute // it is given up after
	taskTries = 50
	tryAgain  = 5 * time.Second
	stale     = 15 * time.Second // without a word from who does it somebody else does
	looks     = 5 * time.Second  // between two looks for such
	lastWords = 5 * time.Second  // to break off in
)

// queued is a task as the queue knows it.
type queued struct {
	ID string `json:"id"`
}

// Kind names it in the queue.
func (queued) Kind() string { return "task" }

// queueTables brings the queue's tables to this version.
func (s *Store) queueTables(ctx context.Context) error {
	slow, err := s.unhurried(ctx)
	if err != nil {
		return err
	}
	defer slow.Close()
	m, err := rivermigrate.New(riverpgxv5.New(slow.pool), &rivermigrate.Config{Schema: queueSchema, Logger: slog.New(slog.DiscardHandler)})
	if err != nil {
		return err
	}
	lock, err := slow.pool.Acquire(ctx) // servers may start together
	if err != nil {
		return err
	}
	defer lock.Release()
	if _, err := lock.Exec(ctx, `SELECT pg_advisory_lock(hashtext('queue tables'))`); err != nil {
		return err
	}
	defer func() { _ = lock.Conn().Close(context.WithoutCancel(ctx)) }() // lets go of the lock
	var there bool
	if err := lock.QueryRow(ctx, `SELECT EXISTS (SELECT FROM pg_namespace WHERE nspname = $1)`, queueSchema).Scan(&there); err != nil {
		return err
	}
	if !there {
		if _, err := lock.Exec(ctx, `CREATE SCHEMA `+queueSchema); err != nil {
			return fmt.Errorf("make room for the queue: %w", err)
		}
	}
	_, err = m.Migrate(ctx, rivermigrate.DirectionUp, nil)
	return err
}

func (s *Store) riverConfig() *river.Config {
	return &river.Config{Schema: queueSchema, Logger: slog.New(slog.DiscardHandler), MaxAttempts: taskTries}
}

// enqueue changes tasks by a statement that answers their ids, and queues those.
func (s *Store) enqueue(ctx context.Context, sql string, args ...any) error {
	client, err := river.NewClient(riverpgxv5.New(s.pool), s.riverConfig())
	if err != nil {
		return err
	}
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		rows, err := tx.Query(ctx, sql, args...)
		if err != nil {
			return err
		}
		ids, err := pgx.CollectRows(rows, pgx.RowTo[string])
		if err != nil {
			return err
		}
		for _, id := range ids {
			if _, err := client.InsertTx(ctx, tx, queued{id}, nil); err != nil {
				return fmt.Errorf("queue a task: %w", err)
			}
		}
		return nil
	})
}

// worker does tasks as they come out of the queue.
type worker struct {
	river.WorkerDefaults[queued]
	do func(ctx context.Context, id string, last bool) error
}

func (w *worker) Work(ctx context.Context, j *river.Job[queued]) error {
	return w.do(ctx, j.Args.ID, j.Attempt >= j.MaxAttempts)
}

func (w *worker) NextRetry(*river.Job[queued]) time.Time { return time.Now().Add(tryAgain) }

// WorkTasks has queued tasks done, one at a time on each server, until the context ends.
// A task whose server died is queued again.
func (s *Store) WorkTasks(ctx context.Context, do func(ctx context.Context, id string, last bool) error) error {
	cfg := s.riverConfig()
	cfg.Workers = river.NewWorkers()
	river.AddWorker(cfg.Workers, &worker{do: do})
	cfg.Queues = map[string]river.QueueConfig{river.QueueDefault: {MaxWorkers: 1}}
	cfg.PollOnly = true // one that listens would wait, and no wait for the database is endless
	cfg.FetchPollInterval = 250 * time.Millisecond
	cfg.ReindexerIndexNames = []string{} // that may take longer than any wait
	cfg.JobTimeout, cfg.RescueStuckJobsAfter = taskTime, taskTime+time.Minute
	client, err := river.NewClient(riverpgxv5.New(s.pool), cfg)
	if err != nil {
		return err
	}
	if err := client.Start(context.WithoutCancel(ctx)); err != nil {
		return fmt.Errorf("start the queue: %w", err)
	}
	tick := time.NewTicker(looks)
	defer tick.Stop()
	for {
		// What fails now is looked at again.
		_ = s.enqueue(ctx, `UPDATE task SET state = 'waiting', seen_at = now() WHERE state = 'running' AND seen_at < now() - make_interval(secs => $1)
			RETURNING id::text`, stale.Seconds())
		select {
		case <-tick.C:
			continue
		case <-ctx.Done():
		}
		quit, cancel := context.WithTimeout(context.WithoutCancel(ctx), lastWords)
		defer cancel()
		if err := client.StopAndCancel(quit); err != nil && !errors.Is(err, context.DeadlineExceeded) {
			return err
		}
		return nil
	}
}

var _ task.Store = (*Store)(nil)
