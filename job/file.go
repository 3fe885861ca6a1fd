package job

import (
	"encoding/json"
	"time"

	"warmanvil/core/working"
)

// fileFormat and fileVersion stand at the head of a job's file. Version 1 held
// the brief of the first form, 2 had no survey, 3 no frames, 4 listed each of these in a
// place of its own; all are read.
const (
	fileFormat  = "warmanvil-job"
	fileVersion = 5
)

// File is a whole job as one file: its documents with every revision and its kept
// numbers. docs/jobfile.md describes it. It is written and read piece by piece, never
// held whole.
type File struct {
	Format    string         `json:"format" doc:"warmanvil-job"`
	Version   int            `json:"version" doc:"5; 1 to 4 are read"`
	Documents []FileDocument `json:"documents,omitempty"`
	Numbers   []FileNumber   `json:"numbers"`
	OldFile
}

// FileDocument is a document with its history, oldest revision first; the last one
// stands.
type FileDocument struct {
	ID        string         `json:"id" doc:"names the document inside the file"`
	Kind      Kind           `json:"kind" enum:"brief,survey,sheet,frame"`
	Archived  bool           `json:"archived,omitempty"`
	Revisions []FileRevision `json:"revisions"`

	at string // its place in the file
}

// FileRevision is one kept state.
type FileRevision struct {
	Number  int             `json:"number"`
	Body    json.RawMessage `json:"body" doc:"in the form of its kind"`
	Summary string          `json:"summary"`
	Who     string          `json:"who,omitempty"`
	UndoTo  *int            `json:"undoTo,omitempty"`
	RedoTo  *int            `json:"redoTo,omitempty"`
	Created time.Time       `json:"created"`

	at string // the body's place in the file
}

// FileNumber is a kept quick calculation.
type FileNumber struct {
	Calc    string          `json:"calc"`
	Title   string          `json:"title"`
	Request json.RawMessage `json:"request"`
	Created time.Time       `json:"created"`
}

// What a job's file may hold.
const (
	maxDocuments = 2000
	maxRevisions = 20_000 // of all documents together
	maxNumbers   = 500
	maxRequest   = 256 << 10 // bytes
	maxRequests  = 16 << 20  // bytes of all of them together
	maxSummary   = 2000      // characters
	maxWho       = 200
	maxFileID    = 100
	maxPiece     = 4 << 20  // bytes of one state
	maxOldFile   = 32 << 20 // bytes: files of the first forms are read whole
)

func newerFile(version float64) error {
	return working.Refuse("/version", "The file is of version %g and this program reads 1 to %d: take a newer program.", version, fileVersion)
}
