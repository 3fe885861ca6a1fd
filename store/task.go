package store

import (
	"context"
	"fmt"
	"time"

	"github.com/jackc/pgx/v5"

	"warmanvil/job"
	"warmanvil/task"
)

const taskColumns = `id::text, kind, coalesce(who::text, ''), name, state, done, total, says, path, coalesce(job::text, ''), created_at, size, run
	FROM task`

func scanTask(row pgx.Row) (t task.Task, err error) {
	err = row.Scan(&t.ID, &t.Kind, &t.Who, &t.Name, &t.State, &t.Done, &t.Total, &t.Says, &t.Path, &t.Job, &t.Created, &t.Size, &t.Run)
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
		_, err := tx.Exec(ctx, `DELETE FROM task WHERE created_at < $1 AND state NOT IN ('waiting', 'running')
			OR state = 'arriving' AND seen_at < now() - interval '1 minute'`, old)
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

// AddPart adds a part of what a task works on, while it arrives.
func (s *Store) AddPart(ctx context.Context, id string, part int, content []byte) error {
	return s.addPart(ctx, `WITH arriving AS (UPDATE task SET seen_at = now() WHERE id = $1 AND state = 'arriving' RETURNING id)
		INSERT INTO task_part (task, made, part, content) SELECT id, false, $2, $3 FROM arriving`, id, part, content)
}

// MakePart adds a part of what a task makes, while it runs.
func (s *Store) MakePart(ctx context.Context, t task.Task, part int, content []byte) error {
	return s.addPart(ctx, `INSERT INTO task_part (task, made, part, content) SELECT id, true, $2, $3 FROM task
		WHERE id = $1 AND state = 'running' AND run = $4`, t.ID, part, content, t.Run)
}

func (s *Store) addPart(ctx context.Context, sql string, args ...any) error {
	tag, err := s.pool.Exec(ctx, sql, args...)
	if err != nil {
		return fmt.Errorf("keep a part: %w", err)
	}
	if tag.RowsAffected() == 0 {
		return job.ErrNotFound
	}
	return nil
}

// Part answers a part of what a task works on, or of what it made.
func (s *Store) Part(ctx context.Context, id string, made bool, part int) (content []byte, err error) {
	err = s.pool.QueryRow(ctx, `SELECT content FROM task_part WHERE task = $1 AND made = $2 AND part = $3`, id, made, part).Scan(&content)
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

// ClaimTask answers a task that is to be done now, with nothing made of it yet. One that
// still runs elsewhere is answered too: who is asked to do it again knows that the other is
// not to be waited for, and that one breaks off.
func (s *Store) ClaimTask(ctx context.Context, id string) (t task.Task, err error) {
	err = pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		tag, err := tx.Exec(ctx, `UPDATE task SET state = 'running', run = run + 1, seen_at = now() WHERE id = $1 AND state IN ('waiting', 'running')`,
			id)
		if err != nil {
			return err
		}
		if tag.RowsAffected() == 0 {
			return job.ErrNotFound
		}
		if _, err := tx.Exec(ctx, `DELETE FROM task_part WHERE task = $1 AND made`, id); err != nil {
			return err
		}
		t, err = scanTask(tx.QueryRow(ctx, `SELECT `+taskColumns+` WHERE id = $1`, id))
		return err
	})
	return t, err
}

// TellTask keeps how far a task is and answers whether it is to go on.
func (s *Store) TellTask(ctx context.Context, t task.Task, p task.Progress) (bool, error) {
	tag, err := s.pool.Exec(ctx, `UPDATE task SET done = $3, total = $4, says = $5, seen_at = now() WHERE id = $1 AND run = $2 AND state = 'running'`,
		t.ID, t.Run, p.Done, p.Total, p.Says)
	return tag.RowsAffected() > 0, err
}

// EndTask keeps how a task ended, and of its parts what one that is done has made. One that
// is done is never made another; one that was stopped and is done all the same is done. Who
// did not begin it last has no say.
func (s *Store) EndTask(ctx context.Context, t task.Task) error {
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		tag, err := tx.Exec(ctx, `UPDATE task SET state = $2, says = $3, path = $4, job = coalesce(nullif($5, '')::uuid, job), seen_at = now()
			WHERE id = $1 AND (state = ANY($6) OR $2 = 'done') AND (run = $7 OR $2 = 'stopped')`,
			t.ID, t.State, t.Says, t.Path, t.Job, unended, t.Run)
		if err != nil || tag.RowsAffected() == 0 {
			return err
		}
		_, err = tx.Exec(ctx, `DELETE FROM task_part WHERE task = $1 AND NOT (made AND $2 = 'done')`, t.ID, t.State)
		return err
	})
}

// DropTask forgets a task that ended.
func (s *Store) DropTask(ctx context.Context, id string) error {
	_, err := s.pool.Exec(ctx, `DELETE FROM task WHERE id = $1 AND state <> ALL($2)`, id, unended)
	return err
}
