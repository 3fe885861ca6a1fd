package store

import (
	"context"
	"fmt"
	"time"

	"github.com/jackc/pgx/v5"

	"warmanvil/job"
	"warmanvil/task"
)

const taskColumns = `id::text, kind, coalesce(who::text, ''), name, state, done, total, says, path, coalesce(job::text, ''), created_at, size
	FROM task`

func scanTask(row pgx.Row) (t task.Task, err error) {
	err = row.Scan(&t.ID, &t.Kind, &t.Who, &t.Name, &t.State, &t.Done, &t.Total, &t.Says, &t.Path, &t.Job, &t.Created, &t.Size)
	return t, missing(err)
}

// unended are the states in which something more comes of a task.
var unended = []task.State{task.Arriving, task.Waiting, task.Running}

// AddTask adds one, unless its person has as many unfinished.
func (s *Store) AddTask(ctx context.Context, t task.Task, atOnce int, old time.Time) error {
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		if _, err := tx.Exec(ctx, `SELECT pg_advisory_xact_lock(hashtext('task ' || $1))`, t.Who); err != nil {
			return err
		}
		_, err := tx.Exec(ctx, `DELETE FROM task WHERE created_at < $1 AND state NOT IN ('waiting', 'running')`, old)
		if err != nil {
			return err
		}
		var have int
		if err := tx.QueryRow(ctx, `SELECT count(*) FROM task WHERE coalesce(who::text, '') = $1 AND state = ANY($2)`, t.Who, unended).
			Scan(&have); err != nil {
			return err
		}
		if have >= atOnce {
			return task.ErrMany
		}
		_, err = tx.Exec(ctx, `INSERT INTO task (id, kind, who, name, state, job, created_at)
			VALUES ($1, $2, nullif($3, '')::uuid, $4, $5, nullif($6, '')::uuid, $7)`, t.ID, t.Kind, t.Who, t.Name, t.State, t.Job, t.Created)
		return err
	})
}

// AddPart adds a part of what a task works on.
func (s *Store) AddPart(ctx context.Context, id string, part int, content []byte) error {
	tag, err := s.pool.Exec(ctx, `INSERT INTO task_part (task, part, content) SELECT id, $2, $3 FROM task WHERE id = $1 AND state = 'arriving'`,
		id, part, content)
	if err != nil {
		return fmt.Errorf("keep a part: %w", err)
	}
	if tag.RowsAffected() == 0 {
		return job.ErrNotFound
	}
	return nil
}

// Part answers a part of what a task works on.
func (s *Store) Part(ctx context.Context, id string, part int) (content []byte, err error) {
	err = s.pool.QueryRow(ctx, `SELECT content FROM task_part WHERE task = $1 AND part = $2`, id, part).Scan(&content)
	return content, missing(err)
}

// Task answers one task.
func (s *Store) Task(ctx context.Context, id string) (task.Task, error) {
	return scanTask(s.pool.QueryRow(ctx, `SELECT `+taskColumns+` WHERE id = $1`, id))
}

// Tasks lists a person's tasks, newest first.
func (s *Store) Tasks(ctx context.Context, who string) ([]task.Task, error) {
	rows, err := s.pool.Query(ctx, `SELECT `+taskColumns+` WHERE who IS NOT DISTINCT FROM nullif($1, '')::uuid
		ORDER BY created_at DESC, id DESC LIMIT 50`, who)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (task.Task, error) { return scanTask(row) })
}

// QueueTask lets a task be done.
func (s *Store) QueueTask(ctx context.Context, id string, size int64) error {
	return s.enqueue(ctx, `UPDATE task SET state = 'waiting', size = $2, seen_at = now() WHERE id = $1 AND state = 'arriving' RETURNING id::text`,
		id, size)
}

// ClaimTask answers a task that is to be done now. One that still runs elsewhere is
// answered too: who is asked to do it again knows that the other is not to be waited for.
func (s *Store) ClaimTask(ctx context.Context, id string) (task.Task, error) {
	return scanTask(s.pool.QueryRow(ctx, `UPDATE task SET state = 'running', seen_at = now() WHERE id = $1 AND state IN ('waiting', 'running')
		RETURNING id::text, kind, coalesce(who::text, ''), name, state, done, total, says, path, coalesce(job::text, ''), created_at, size`, id))
}

// TellTask keeps how far a task is and answers whether it is to go on.
func (s *Store) TellTask(ctx context.Context, id string, p task.Progress) (bool, error) {
	tag, err := s.pool.Exec(ctx, `UPDATE task SET done = $2, total = $3, says = $4, seen_at = now() WHERE id = $1 AND state = 'running'`,
		id, p.Done, p.Total, p.Says)
	return tag.RowsAffected() > 0, err
}

// EndTask keeps how a task ended and drops what it worked on. One that is done is never
// made another; one that was stopped and is done all the same is done.
func (s *Store) EndTask(ctx context.Context, t task.Task) error {
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		tag, err := tx.Exec(ctx, `UPDATE task SET state = $2, says = $3, path = $4, job = coalesce(nullif($5, '')::uuid, job), seen_at = now()
			WHERE id = $1 AND (state = ANY($6) OR $2 = 'done')`, t.ID, t.State, t.Says, t.Path, t.Job, unended)
		if err != nil || tag.RowsAffected() == 0 {
			return err
		}
		_, err = tx.Exec(ctx, `DELETE FROM task_part WHERE task = $1`, t.ID)
		return err
	})
}

// DropTask forgets a task that ended.
func (s *Store) DropTask(ctx context.Context, id string) error {
	_, err := s.pool.Exec(ctx, `DELETE FROM task WHERE id = $1 AND state <> ALL($2)`, id, unended)
	return err
}
