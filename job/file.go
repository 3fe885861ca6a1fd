package job

import (
	"context"
	"encoding/json"
	"fmt"
	"time"
	"unicode/utf8"

	"warmanvil/core/working"
	"warmanvil/strictjson"
)

// fileFormat and fileVersion stand at the head of a job's file. Version 1 held
// the brief of the first form, 2 had no survey, 3 no frames, 4 listed each of these in a
// place of its own; all are read.
const (
	fileFormat  = "warmanvil-job"
	fileVersion = 5
)

// File is a whole job as one file: its documents with every revision and its kept
// numbers. docs/jobfile.md describes it.
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

// Export answers a job as a file.
func (s *Service) Export(ctx context.Context, id string) (File, string, error) {
	w, err := s.Store.Whole(ctx, id)
	if err != nil {
		return File{}, "", err
	}
	j, err := jobOf(w.Job)
	if err != nil {
		return File{}, "", err
	}
	f := File{Format: fileFormat, Version: fileVersion, Documents: make([]FileDocument, len(w.Documents)),
		Numbers: make([]FileNumber, len(w.Numbers))}
	for i, d := range w.Documents {
		k, err := d.Kind.known()
		if err != nil {
			return File{}, "", err
		}
		f.Documents[i] = FileDocument{ID: d.ID, Kind: d.Kind, Archived: d.Archived, Revisions: make([]FileRevision, len(d.Revisions))}
		for n, r := range d.Revisions {
			raw, err := k.today(r.Body)
			if err != nil {
				return File{}, "", err
			}
			f.Documents[i].Revisions[n] = FileRevision{Number: r.Number, Body: raw, Summary: r.Summary, Who: r.Who, UndoTo: r.UndoTo,
				RedoTo: r.RedoTo, Created: r.Created.UTC()}
		}
	}
	for i, n := range w.Numbers {
		f.Numbers[i] = FileNumber{n.Calc, n.Title, n.Request, n.Created.UTC()}
	}
	return f, j.Brief.Name, nil
}

const (
	maxDocuments = 2000
	maxRevisions = 20_000 // of all documents together
	maxNumbers   = 500
	maxRequest   = 256 << 10 // bytes
	maxSummary   = 2000      // characters
	maxWho       = 200
	maxFileID    = 100
)

// Read reads a job's file strictly. One of a newer form is refused as that, whatever else
// is in it. It fails with *working.Fault.
func (f *File) Read(raw []byte) error {
	var head struct {
		Format  string  `json:"format"`
		Version float64 `json:"version"`
	}
	if json.Unmarshal(raw, &head) == nil && head.Format == fileFormat && head.Version > fileVersion {
		return newerFile(head.Version)
	}
	return strictjson.Decode(raw, f)
}

func newerFile(version float64) error {
	return working.Refuse("/version", "The file is of version %g and this program reads 1 to %d: take a newer program.", version, fileVersion)
}

// Import adds a job from a file, with ids of its own. Nothing is kept when
// anything in the file is refused.
func (s *Service) Import(ctx context.Context, f File) (Job, error) {
	if f.Format != fileFormat {
		return Job{}, working.Refuse("/format", "This is not a job's file: its format is %q, not %q.", f.Format, fileFormat)
	}
	if f.Version < 1 || f.Version > fileVersion {
		return Job{}, newerFile(float64(f.Version))
	}
	list := f.Documents
	for i := range list {
		list[i].at = fmt.Sprintf("/documents/%d", i)
		for k := range list[i].Revisions {
			list[i].Revisions[k].at = fmt.Sprintf("%s/revisions/%d/body", list[i].at, k)
		}
	}
	if f.Version < 5 {
		var err error
		if list, err = f.documents(s.Now()); err != nil {
			return Job{}, err
		}
	}
	if len(list) > maxDocuments {
		return Job{}, working.Refuse("/documents", "A job holds up to %d documents.", maxDocuments)
	}
	if len(f.Numbers) > maxNumbers {
		return Job{}, working.Refuse("/numbers", "A job keeps up to %d numbers, and the file has %d.", maxNumbers, len(f.Numbers))
	}
	states := 0
	for _, d := range list {
		if states += len(d.Revisions); states > maxRevisions {
			return Job{}, working.Refuse(d.at+"/revisions", "A job holds up to %d revisions of all that is in it.", maxRevisions)
		}
	}
	now := s.Now()
	w := Whole{Job: Row{ID: s.NewID(), Created: now, Updated: now}}
	seen, only := map[string]bool{}, map[Kind]bool{}
	for _, d := range list {
		doc, err := s.imported(d, w.Job.ID)
		if err != nil {
			return Job{}, err
		}
		k, _ := d.Kind.known() // imported has asked
		switch {
		case d.ID != "" && seen[d.ID]:
			return Job{}, working.Refuse(d.at+"/id", "Two documents of the file go by the name %q.", d.ID)
		case !k.many && only[d.Kind]:
			return Job{}, working.Refuse(d.at+"/kind", "A job has one %s, and this is a second.", d.Kind)
		case !k.many && d.Archived:
			return Job{}, working.Refuse(d.at+"/archived", "A job's %s cannot be put away.", d.Kind)
		}
		seen[d.ID], only[d.Kind] = true, true
		w.Documents = append(w.Documents, doc)
	}
	if !only[KindBrief] {
		return Job{}, working.Refuse("/documents", "The file has no brief: there is no job without one.")
	}
	for i, n := range f.Numbers {
		if err := s.checkNumber(n.Calc, n.Title, n.Request); err != nil {
			return Job{}, working.Under(fmt.Sprintf("/numbers/%d", i), err)
		}
		w.Numbers = append(w.Numbers, Number{ID: s.NewID(), JobID: w.Job.ID, Calc: n.Calc, Title: n.Title,
			Request: n.Request, Created: n.Created})
	}
	if err := s.rename(&w); err != nil {
		return Job{}, err
	}
	return s.add(ctx, w)
}

// imported checks a document of a file: its revisions count up, every one can be
// kept, and undo and redo lead to revisions that are there.
func (s *Service) imported(d FileDocument, jobID string) (WholeDocument, error) {
	k, err := d.Kind.known()
	if err != nil {
		return WholeDocument{}, working.Under(d.at, err)
	}
	if len(d.Revisions) == 0 {
		return WholeDocument{}, working.Refuse(d.at+"/revisions", "The document has no revision.")
	}
	if len(d.ID) > maxFileID {
		return WholeDocument{}, working.Refuse(d.at+"/id", "The name of a document inside the file has up to %d bytes.", maxFileID)
	}
	out := WholeDocument{}
	first := d.Revisions[0].Number // a history may begin late
	for i, r := range d.Revisions {
		here := fmt.Sprintf("%s/revisions/%d", d.at, i)
		if r.Number != first+i || r.Number < 1 {
			return WholeDocument{}, working.Refuse(here+"/number", "Revisions count up from 1 without a gap: %d is wanted, not %d.",
				max(first, 1)+i, r.Number)
		}
		for _, text := range []struct {
			name, says string
			most       int
		}{{"summary", r.Summary, maxSummary}, {"who", r.Who, maxWho}} {
			if n := utf8.RuneCountInString(text.says); n > text.most {
				return WholeDocument{}, working.Refuse(here+"/"+text.name, "It has up to %d characters, not %d.", text.most, n)
			}
		}
		for _, back := range []struct {
			name string
			to   *int
		}{{"undoTo", r.UndoTo}, {"redoTo", r.RedoTo}} {
			if back.to != nil && (*back.to < first || *back.to >= r.Number) {
				return WholeDocument{}, working.Refuse(here+"/"+back.name, "It leads to revision %d, which is not there yet.", *back.to)
			}
		}
		raw, err := k.read(r.Body)
		if err != nil {
			return WholeDocument{}, working.Under(r.at, err)
		}
		out.Revisions = append(out.Revisions, Revision{r.Number, raw, r.Summary, r.Who, r.UndoTo, r.RedoTo, r.Created})
	}
	created, last := out.Revisions[0].Created, out.Revisions[len(out.Revisions)-1]
	out.Document = Document{ID: d.ID, Kind: d.Kind, Revision: last.Number, Body: last.Body,
		Kept: Kept{JobID: jobID, Summary: last.Summary, Who: last.Who, UndoTo: last.UndoTo, RedoTo: last.RedoTo, Archived: d.Archived,
			Created: created, Updated: last.Created}}
	return out, nil
}
