package task

import (
	"context"
	"fmt"
	"io"
	"time"

	"warmanvil/job"
)

// Bring is the kind of a task that brings in a job's file.
const Bring Kind = "bring"

// New answers a service that does every kind of task there is.
func New(store Store, jobs *job.Service, now func() time.Time, newID func() string) *Service {
	return &Service{Store: store, Now: now, NewID: newID, Kinds: map[Kind]Work{Bring: Bringing(jobs)}}
}

// Bringing brings the jobs of files in. The job goes by the task's id, so that one that is
// done twice makes one job.
func Bringing(jobs *job.Service) Work {
	return func(ctx context.Context, t Task, in Content, _ io.Writer, tell func(Progress)) (Task, error) {
		j, err := jobs.Bring(ctx, t.ID, job.Brought{Size: in.Size, Open: in.Open, Tell: func(done, total int64) error {
			says := "Looking through it."
			if 2*done > total {
				says = "Keeping it."
			}
			tell(Progress{done, total, says})
			return ctx.Err()
		}})
		if err != nil {
			return t, err
		}
		t.Job, t.Says = j.ID, fmt.Sprintf("%s brought in.", j.Brief.Name)
		return t, nil
	}
}
