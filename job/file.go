package job

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"time"

	"warmanvil/core/brief"
	"warmanvil/core/member"
	"warmanvil/core/sheet"
	"warmanvil/core/site"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// FileFormat and FileVersion stand at the head of a job's file. Version 1 held
// the brief of the first form, 2 had no survey, 3 no frames; all are read.
const (
	FileFormat  = "warmanvil-job"
	FileVersion = 4
)

// File is a whole job as one document: brief, parts with every revision, kept
// numbers. docs/jobfile.md describes it.
type File struct {
	Format  string          `json:"format" doc:"warmanvil-job"`
	Version int             `json:"version" doc:"4; 1 to 3 are read"`
	Brief   brief.Brief     `json:"brief"`
	Survey  *vehicle.Survey `json:"survey,omitempty" doc:"the vehicle as measured, if it was"`
	Parts   []FilePart      `json:"parts"`
	Numbers []FileNumber    `json:"numbers"`
}

// FilePart is a part with its history, oldest revision first; the last one
// stands.
type FilePart struct {
	ID        string         `json:"id" doc:"names the part inside the file"`
	Archived  bool           `json:"archived,omitempty"`
	Revisions []FileRevision `json:"revisions"`
}

// FileRevision is one kept state.
type FileRevision struct {
	Number   int          `json:"number"`
	Name     string       `json:"name"`
	Quantity int          `json:"quantity"`
	Recipe   sheet.Recipe `json:"recipe,omitzero" doc:"of a folded part"`
	Frame    *member.Doc  `json:"frame,omitempty" doc:"of a frame"`
	Summary  string       `json:"summary"`
	UndoTo   *int         `json:"undoTo,omitempty"`
	RedoTo   *int         `json:"redoTo,omitempty"`
	Created  time.Time    `json:"created"`
}

// FileNumber is a kept quick calculation.
type FileNumber struct {
	Calc    string          `json:"calc"`
	Title   string          `json:"title"`
	Request json.RawMessage `json:"request"`
	Created time.Time       `json:"created"`
}

// Whole is a job with all there is of it, archived parts and history included.
type Whole struct {
	Job     Job
	Survey  *vehicle.Survey // nil when there is none
	Parts   []WholePart
	Numbers []Number
}

// WholePart is a part with its revisions, oldest first.
type WholePart struct {
	Part
	Revisions []Revision
}

// Export answers a job as a file.
func (s *Service) Export(ctx context.Context, id string) (File, error) {
	w, err := s.Store.Whole(ctx, id)
	if err != nil {
		return File{}, err
	}
	f := File{Format: FileFormat, Version: FileVersion, Brief: w.Job.Brief, Survey: w.Survey, Parts: make([]FilePart, len(w.Parts)), Numbers: make([]FileNumber, len(w.Numbers))}
	for i, p := range w.Parts {
		f.Parts[i] = FilePart{ID: p.ID, Archived: p.Archived, Revisions: make([]FileRevision, len(p.Revisions))}
		for k, r := range p.Revisions {
			f.Parts[i].Revisions[k] = FileRevision{r.Number, r.Name, r.Quantity, r.Recipe, r.Frame, r.Summary, r.UndoTo, r.RedoTo, r.Created.UTC()}
		}
	}
	for i, n := range w.Numbers {
		f.Numbers[i] = FileNumber{n.Calc, n.Title, n.Request, n.Created.UTC()}
	}
	return f, nil
}

const (
	maxParts     = 2000
	maxRevisions = 20_000
)

// Import adds a job from a file, with ids of its own. Nothing is kept when
// anything in the file is refused.
func (s *Service) Import(ctx context.Context, f File) (Job, error) {
	if f.Format != FileFormat {
		return Job{}, working.Refuse("/format", "This is not a job's file: its format is %q, not %q.", f.Format, FileFormat)
	}
	if f.Version < 1 || f.Version > FileVersion {
		return Job{}, working.Refuse("/version", "The file is of version %d and this program reads 1 to %d: take a newer program.", f.Version, FileVersion)
	}
	b := f.Brief.Upgraded()
	b.Mounts = slices.Clone(b.Mounts) // their parts get other names below
	if err := b.Check(); err != nil {
		return Job{}, within("/brief", err)
	}
	if len(f.Parts) > maxParts {
		return Job{}, working.Refuse("/parts", "A job holds up to %d parts.", maxParts)
	}
	w := Whole{Job: s.newJob(b)}
	ids := map[string]string{}
	for i, p := range f.Parts {
		at := fmt.Sprintf("/parts/%d", i)
		part, err := s.imported(at, p, w.Job.ID)
		if err != nil {
			return Job{}, err
		}
		if _, twice := ids[p.ID]; twice {
			return Job{}, working.Refuse(at+"/id", "Two parts of the file go by the name %q.", p.ID)
		}
		ids[p.ID] = part.ID
		w.Parts = append(w.Parts, part)
	}
	w.Job.Brief = w.Job.Brief.Renamed(ids)
	for i := range w.Parts {
		p := &w.Parts[i]
		p.Part.Recipe = renamed(p.Part.Recipe, ids)
		for k := range p.Revisions {
			p.Revisions[k].Recipe = renamed(p.Revisions[k].Recipe, ids)
		}
	}
	if f.Survey != nil {
		if err := f.Survey.Check(); err != nil {
			return Job{}, within("/survey", err)
		}
		v := f.Survey.Renamed(ids)
		w.Survey = &v
	}
	for i, n := range f.Numbers {
		if err := brief.CheckName(fmt.Sprintf("/numbers/%d/title", i), n.Title); err != nil {
			return Job{}, err
		}
		w.Numbers = append(w.Numbers, Number{ID: s.NewID(), JobID: w.Job.ID, Calc: n.Calc, Title: n.Title, Request: n.Request, Created: n.Created})
	}
	return w.Job, s.Store.AddWhole(ctx, w)
}

// imported checks a part of a file: its revisions count up, every one can be
// kept, and undo and redo lead to revisions that are there.
func (s *Service) imported(at string, p FilePart, jobID string) (WholePart, error) {
	if len(p.Revisions) == 0 {
		return WholePart{}, working.Refuse(at+"/revisions", "The part has no revision.")
	}
	if len(p.Revisions) > maxRevisions {
		return WholePart{}, working.Refuse(at+"/revisions", "A part holds up to %d revisions.", maxRevisions)
	}
	out := WholePart{}
	there := map[int]bool{}
	for k, r := range p.Revisions {
		here := fmt.Sprintf("%s/revisions/%d", at, k)
		if r.Number != k+1 {
			return WholePart{}, working.Refuse(here+"/number", "Revisions count up from 1 without a gap: %d is wanted, not %d.", k+1, r.Number)
		}
		err := s.checkPart(r.Name, r.Quantity, r.Recipe)
		if r.Frame != nil {
			r.Recipe, err = sheet.Recipe{}, s.checkFrame(r.Name, r.Quantity, *r.Frame)
		}
		if (r.Frame == nil) != (p.Revisions[0].Frame == nil) {
			err = working.Refuse("/frame", "A part is folded or a frame in all its revisions, not both.")
		}
		if err != nil {
			return WholePart{}, within(here, err)
		}
		there[r.Number] = true
		for name, to := range map[string]*int{"undoTo": r.UndoTo, "redoTo": r.RedoTo} {
			if to != nil && !there[*to] {
				return WholePart{}, working.Refuse(here+"/"+name, "It leads to revision %d, which is not there yet.", *to)
			}
		}
		out.Revisions = append(out.Revisions, Revision{r.Number, r.Name, r.Quantity, r.Recipe, r.Frame, r.Summary, r.UndoTo, r.RedoTo, r.Created})
	}
	first, last := out.Revisions[0], out.Revisions[len(out.Revisions)-1]
	out.Part = Part{Part: site.Part{ID: s.NewID(), Name: last.Name, Quantity: last.Quantity, Recipe: last.Recipe, Frame: last.Frame, Revision: last.Number}, JobID: jobID, Summary: last.Summary,
		UndoTo: last.UndoTo, RedoTo: last.RedoTo, Archived: p.Archived, Created: first.Created, Updated: last.Created}
	return out, nil
}

func within(path string, err error) error {
	if f, ok := err.(*working.Fault); ok {
		return &working.Fault{Path: path + f.Path, Message: f.Message}
	}
	return err
}
