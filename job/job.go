// Package job is what a job is and what may be done to it. It owns the
// interfaces it needs: a store, a clock, a source of ids.
package job

import (
	"context"
	"errors"
	"slices"
	"time"

	"warmanvil/core/member"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
)

// Job is one vehicle's or customer's work: a short brief and its parts.
type Job struct {
	ID       string
	Brief    Brief
	Archived bool
	Revision int
	Created  time.Time
	Updated  time.Time
}

// Unit is how a job writes lengths.
type Unit string

// Millimetres, inches with fractions, decimal inches.
const (
	UnitMM       Unit = "mm"
	UnitFraction Unit = "fraction"
	UnitDecimal  Unit = "decimal"
)

// BuildOptions answers what a part is built and checked with in the job.
func (b Brief) BuildOptions() sheet.Options {
	opt := sheet.Options{Display: b.Display(), NearPeople: slices.ContainsFunc(b.Devices, func(d Device) bool { return d.NearPeople })}
	if b.Limits.Lift != nil {
		opt.Lift = b.Limits.Lift.Value
	}
	return opt
}

// PartOptions answers what one of a job's parts is built and checked with.
func (b Brief) PartOptions(p BarePart, parts []BarePart) sheet.Options {
	opt := b.BuildOptions()
	opt.Quantity = p.Quantity * max(b.Quantity, 1)
	if m := p.Recipe.Master; m != nil {
		for _, o := range parts {
			if o.ID == m.Part {
				opt.Master = &sheet.MasterTold{Name: o.Name, Recipe: o.Recipe, Itself: o.ID == p.ID}
			}
		}
	}
	return opt
}

// Display answers how the job writes lengths.
func (b Brief) Display() quantity.Display {
	switch b.Unit {
	case UnitFraction:
		den := 16
		for den < 64 && 25.4/float64(den) > b.Grain+1e-9 {
			den *= 2
		}
		return quantity.Display{Style: quantity.Fraction, Denominator: den}
	case UnitDecimal:
		return quantity.Display{Style: quantity.Decimal}
	}
	return quantity.Display{Style: quantity.Metric}
}

// BarePart is what a part is: folded by its recipe, or a frame.
type BarePart struct {
	ID       string
	Name     string
	Quantity int
	Recipe   sheet.Recipe
	Frame    *member.Doc // of a frame; nil for a folded part
	Revision int         // number of this state among those kept of it
}

// Part is one part as it stands in the store.
type Part struct {
	BarePart
	JobID    string
	Summary  string
	UndoTo   *int
	RedoTo   *int
	Archived bool
	Created  time.Time
	Updated  time.Time
}

// Bare answers parts without what the store keeps of them.
func Bare(parts []Part) []BarePart {
	out := make([]BarePart, len(parts))
	for i, p := range parts {
		out[i] = p.BarePart
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
	ErrNotFound = errNoSuch
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
