package job

import (
	"encoding/json"
	"time"
)

// Kind names what a document is.
type Kind string

// The kinds of documents of a job.
const (
	KindBrief  Kind = "brief"  // what is wanted; one a job
	KindSurvey Kind = "survey" // the vehicle as measured; one a job
	KindSheet  Kind = "sheet"  // a part folded of sheet
	KindFrame  Kind = "frame"  // a part built of members
	KindFacets Kind = "facets" // a body of flat panels between points
	KindShop   Kind = "shop"   // machines and people; the installation's own, not a job's
)

// Document is one document as it stands: a body whose form its kind knows, and what is
// kept of every document alike. Revision 0 has not been saved yet.
type Document struct {
	ID       string
	Kind     Kind
	Revision int
	Body     json.RawMessage
	Kept

	Continues bool // of a save: undo goes where it goes from the revision before
}

// Kept is what is kept of a document beside its body. UndoTo and RedoTo are the
// revisions whose content undo and redo bring back, nil when there is none.
type Kept struct {
	JobID    string
	Summary  string
	Who      string // who made this state, empty when nobody signs in
	UndoTo   *int
	RedoTo   *int
	Archived bool
	Created  time.Time
	Updated  time.Time
}

// Revision is one kept state of a document.
type Revision struct {
	Number  int
	Body    json.RawMessage
	Summary string
	Who     string
	UndoTo  *int
	RedoTo  *int
	Created time.Time
}

// state answers what stands as a kept state.
func (d Document) state() Revision {
	return Revision{Number: d.Revision, Body: d.Body, Summary: d.Summary, Who: d.Who, UndoTo: d.UndoTo, RedoTo: d.RedoTo, Created: d.Updated}
}

// On is what a new state was made from.
type On struct {
	Revision int
	// Continues tells that the change still goes on that made that revision, a number
	// typed digit by digit: undo goes back to before it.
	Continues bool
	Who       string
	// Settled is the revision whose clashes were looked at, and Mine the places of them,
	// as JSON pointers, where this state is to stand; theirs stands in the others.
	Settled int
	Mine    []string
}
