// Package job is what a job is and what may be done to it. It owns the
// interfaces it needs: a store, a clock, a source of ids.
package job

import (
	"context"
	"errors"
	"time"

	"warmanvil/core/brief"
	"warmanvil/core/member"
	"warmanvil/core/sheet"
	"warmanvil/core/site"
)

// Job is one vehicle's or customer's work: a short brief and its parts.
type Job struct {
	ID       string
	Brief    brief.Brief
	Archived bool
	Revision int
	Created  time.Time
	Updated  time.Time
}

// Part is one part as it stands in the store.
type Part struct {
	site.Part
	JobID    string
	Summary  string
	UndoTo   *int
	RedoTo   *int
	Archived bool
	Created  time.Time
	Updated  time.Time

	Continues bool // of a save: undo goes where it goes from the revision before
}

// Bare answers parts without what the store keeps of them.
func Bare(parts []Part) []site.Part {
	out := make([]site.Part, len(parts))
	for i, p := range parts {
		out[i] = p.Part
	}
	return out
}

// Revision is one kept state of a part. UndoTo and RedoTo are the revisions
// whose content undo and redo bring back, nil when there is none.
type Revision struct {
	Number   int
	Name     string
	Quantity int
	Recipe   sheet.Recipe
	Frame    *member.Doc // of a frame; nil for a folded part
	Summary  string
	UndoTo   *int
	RedoTo   *int
	Created  time.Time
}

// Number is a quick calculation kept in a job. The request is kept, the answer
// is worked out anew.
type Number struct {
	ID      string
	JobID   string
	Calc    string
	Title   string
	Request []byte
	Created time.Time
}

// Counted is a job with how many parts it has.
type Counted struct {
	Job
	Parts int
}

// Errors a caller decides on.
var (
	ErrNotFound = site.ErrNoSuch
	ErrConflict = errors.New("somebody saved it meanwhile")
	ErrNothing  = errors.New("there is nothing to undo or redo")
)

// Store keeps jobs. Save calls fail with ErrConflict when the stored revision
// is not the expected one, and with ErrNotFound when there is no such row.
type Store interface {
	Jobs(ctx context.Context, archived bool) ([]Counted, error)
	Job(ctx context.Context, id string) (Job, error)
	CreateJob(ctx context.Context, j Job, parts []Part) error
	SaveJob(ctx context.Context, j Job, expected int) error
	Parts(ctx context.Context, jobID string) ([]Part, error)
	// Frames lists what is built of members, as Parts does what is folded.
	Frames(ctx context.Context, jobID string) ([]Part, error)
	Part(ctx context.Context, id string) (Part, error)
	CreatePart(ctx context.Context, p Part) error
	// SavePart keeps p as a new revision and answers it as it stands; when
	// nothing differs from what stands, that is answered and nothing is kept.
	SavePart(ctx context.Context, p Part, expected int) (Part, error)
	ArchivePart(ctx context.Context, id string, archived bool, now time.Time) error
	Revisions(ctx context.Context, partID string) ([]Revision, error)
	Revision(ctx context.Context, partID string, number int) (Revision, error)
	Numbers(ctx context.Context, jobID string) ([]Number, error)
	KeepNumber(ctx context.Context, n Number) error
	DropNumber(ctx context.Context, id string) error
	SurveyStore
	VerdictStore
	// Whole answers all there is of a job, parts in the order they were added.
	Whole(ctx context.Context, id string) (Whole, error)
	// AddWhole adds a job with its history in one transaction.
	AddWhole(ctx context.Context, w Whole) error
	Ping(ctx context.Context) error
}
