package job

import (
	"context"
	"errors"
	"time"

	"warmanvil/core/site"
)

// Errors a caller decides on.
var (
	ErrNotFound = site.ErrNoSuch
	ErrConflict = errors.New("somebody saved it meanwhile")
	ErrNothing  = errors.New("there is nothing to undo or redo")
	ErrBusy     = errors.New("it is being added by somebody else just now")
)

// Store keeps jobs and their documents.
type Store interface {
	JobStore
	DocumentStore
	NumberStore
	VerdictStore
	// Health asks on a fresh connection and answers since when the database that answers runs.
	Health(ctx context.Context) (since time.Time, err error)
	// Trouble tells what an error means for the store as a whole.
	Trouble(err error) Trouble
}

// Trouble is what a store may be in that is nobody's fault who asks: it passes, and what
// was asked can be asked again.
type Trouble int

// Troubles of a store.
const (
	NoTrouble Trouble = iota
	Away              // it cannot be reached
	Full              // there is no room to write; what is kept can be read
)

// Row is a job as the store has it.
type Row struct {
	ID       string
	Archived bool
	Created  time.Time
	Updated  time.Time // the last change of anything in it
	Parts    int       // documents of a part's kind that are not put away
	Brief    Document
}

// JobStore keeps jobs.
type JobStore interface {
	// Jobs lists them, last touched first.
	Jobs(ctx context.Context, archived bool) ([]Row, error)
	Job(ctx context.Context, id string) (Row, error)
	ArchiveJob(ctx context.Context, id string, archived bool, now time.Time) error
	// Outline answers all there is of a job but its states, as it is at one moment.
	Outline(ctx context.Context, id string) (Outline, error)
	// AddJob adds a job with all that fill adds, or, when that fails, nothing. It fails with
	// ErrConflict when there is one of that id, and with ErrBusy while one is being added.
	AddJob(ctx context.Context, r Row, fill func(Adding) error) error
}

// Adding takes what a new job has: each document before its states, those in order.
type Adding interface {
	Document(d Document) error
	Revision(document string, r Revision) error
	Number(n Number) error
}

// DocumentStore keeps documents. Saves fail with ErrConflict when the stored revision is
// not the expected one, and with ErrNotFound when there is no such document of the kind.
type DocumentStore interface {
	Document(ctx context.Context, id string) (Document, error)
	// Only answers the one document of a kind that a job has, at revision 0 and without a
	// body when there is none yet.
	Only(ctx context.Context, jobID string, k Kind) (Document, error)
	// Documents lists a job's documents of a kind that are not put away, oldest first.
	Documents(ctx context.Context, jobID string, k Kind) ([]Document, error)
	// PutAway lists a job's documents that were put away, oldest first.
	PutAway(ctx context.Context, jobID string) ([]Document, error)
	// Following lists the parts that are of the family of one, or blanks of a body, of the same job,
	// put away or not, oldest first.
	Following(ctx context.Context, head string) ([]Document, error)
	// AddDocuments adds documents with their first state, all or none. A second of a kind
	// that a job has one of fails with ErrConflict.
	AddDocuments(ctx context.Context, list ...Document) error
	// SaveDocument keeps a new state and answers it as it stands; when nothing differs
	// from what stands, that is answered and nothing is kept.
	SaveDocument(ctx context.Context, d Document, expected int) (Document, error)
	ArchiveDocument(ctx context.Context, id string, archived bool, now time.Time) error
	// Revisions lists kept states, newest first.
	Revisions(ctx context.Context, id string) ([]Revision, error)
	// States lists up to n kept states from a revision on, oldest first.
	States(ctx context.Context, id string, from, n int) ([]Revision, error)
	// Standing names the state of all documents of a job, and of the installation's own,
	// together: two alike say the same.
	Standing(ctx context.Context, jobID string) (string, error)
	Revision(ctx context.Context, id string, number int) (Revision, error)
}

// NumberStore keeps quick calculations.
type NumberStore interface {
	Numbers(ctx context.Context, jobID string) ([]Number, error)
	KeepNumber(ctx context.Context, n Number) error
	DropNumber(ctx context.Context, id string) error
}
