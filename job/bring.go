package job

import (
	"context"
	"errors"
	"fmt"
	"io"
	"unicode/utf8"

	"warmanvil/core/working"
	"warmanvil/strictjson"
)

// Brought is a job's file that is to be brought in. It is read from its start more than
// once, and never held whole.
type Brought struct {
	Size int64 // bytes
	Open func() io.Reader
	// Tell hears how many bytes of all there are to read are through; what it fails with
	// ends the work. It may be left out.
	Tell func(done, total int64) error
}

// contents is what a file holds, gone through from its start at each call.
type contents func(v visit) error

// Bring adds the job of a file under the id given, with ids of its own for all that is in
// it. Nothing is kept when anything in the file is refused. What was brought in under that
// id before is answered as it is.
func (s *Service) Bring(ctx context.Context, id string, f Brought) (Job, error) {
	through, err := s.contents(f)
	if err != nil {
		return Job{}, err
	}
	o, err := s.looked(through)
	if err != nil {
		return Job{}, err
	}
	now := s.Now()
	err = s.Store.AddJob(ctx, Row{ID: id, Created: now, Updated: now}, func(add Adding) error { return s.fill(id, o, through, add) })
	if err != nil && !errors.Is(err, ErrConflict) {
		return Job{}, err
	}
	return s.Job(ctx, id)
}

// contents looks at a file's form before anything else in it: one of a newer form is
// refused as that.
func (s *Service) contents(f Brought) (contents, error) {
	format, version, err := head(f.Open())
	switch {
	case err != nil:
		return nil, err
	case format != fileFormat:
		return nil, working.Refuse("/format", "This is not a job's file: its format is %q, not %q.", clipped(format), fileFormat)
	case version > fileVersion:
		return nil, newerFile(version)
	case version >= 1 && version < fileVersion:
		return s.oldContents(f)
	}
	read := int64(0)
	return func(v visit) error {
		from := f.Open()
		if f.Tell != nil {
			from = io.TeeReader(from, teller(func(n int) error { read += int64(n); return f.Tell(read, 2*f.Size) }))
		}
		return walk(from, v)
	}, nil
}

// teller hears how much went by.
type teller func(n int) error

func (t teller) Write(p []byte) (int, error) { return len(p), t(len(p)) }

// oldContents reads a file of the first forms, which cannot be gone through piece by
// piece.
func (s *Service) oldContents(f Brought) (contents, error) {
	if f.Size > maxOldFile {
		return nil, working.Refuse("", "A file of the first forms is read up to %d MB; this one has %d.", maxOldFile>>20, f.Size>>20)
	}
	raw, err := io.ReadAll(f.Open())
	if err != nil {
		return nil, err
	}
	var old File
	if err := strictjson.Decode(raw, &old); err != nil {
		return nil, err
	}
	list, err := old.documents(s.Now())
	if err != nil {
		return nil, err
	}
	return func(v visit) error {
		for i, d := range list {
			for k, r := range d.Revisions {
				if err := v.revision(i, k, r); err != nil {
					return err
				}
			}
			d.Revisions = nil
			if err := v.document(i, d); err != nil {
				return err
			}
		}
		for i, n := range old.Numbers {
			if err := v.number(i, n); err != nil {
				return err
			}
		}
		return nil
	}, nil
}

// looked goes through a file once and answers its documents without their bodies, when
// all but the bodies can be kept.
func (s *Service) looked(through contents) (list []FileDocument, err error) {
	states, numbers, asked := 0, 0, 0
	var history []FileRevision
	seen, only := map[string]bool{}, map[Kind]bool{}
	err = through(visit{
		revision: func(d, i int, r FileRevision) error {
			if i == 0 {
				history = nil
			}
			if states++; states > maxRevisions {
				return working.Refuse(fmt.Sprintf("/documents/%d/revisions", d), "A job holds up to %d revisions of all that is in it.", maxRevisions)
			}
			r.Body = nil
			history = append(history, r)
			return checkRevision(fmt.Sprintf("/documents/%d/revisions/%d", d, i), i, history)
		},
		document: func(i int, d FileDocument) error {
			if len(list) == maxDocuments {
				return working.Refuse("/documents", "A job holds up to %d documents.", maxDocuments)
			}
			if d.at == "" {
				d.at = fmt.Sprintf("/documents/%d", i)
			}
			d.Revisions, history = history, nil
			list = append(list, d)
			return checkDocument(d, seen, only)
		},
		number: func(i int, n FileNumber) error {
			if numbers++; numbers > maxNumbers {
				return working.Refuse("/numbers", "A job keeps up to %d numbers, and the file has more.", maxNumbers)
			}
			if asked += len(n.Request); asked > maxRequests {
				return working.Refuse(fmt.Sprintf("/numbers/%d/request", i), "What a job's kept numbers ask has up to %d MB together.", maxRequests>>20)
			}
			return working.Under(fmt.Sprintf("/numbers/%d", i), s.checkNumber(n.Calc, n.Title, n.Request))
		},
	})
	if err == nil && !only[KindBrief] {
		err = working.Refuse("/documents", "The file has no brief: there is no job without one.")
	}
	return list, err
}

// checkDocument refuses a document that a job cannot have beside those before it.
func checkDocument(d FileDocument, seen map[string]bool, only map[Kind]bool) error {
	k, err := d.Kind.known()
	switch {
	case err != nil:
		return working.Under(d.at, err)
	case k.own:
		return working.Refuse(d.at+"/kind", "A %s belongs to the shop, not to a job: it is brought in there.", d.Kind)
	case len(d.Revisions) == 0:
		return working.Refuse(d.at+"/revisions", "The document has no revision.")
	case len(d.ID) > maxFileID:
		return working.Refuse(d.at+"/id", "The name of a document inside the file has up to %d bytes.", maxFileID)
	case d.ID != "" && seen[d.ID]:
		return working.Refuse(d.at+"/id", "Two documents of the file go by the name %q.", d.ID)
	case !k.many && only[d.Kind]:
		return working.Refuse(d.at+"/kind", "A job has one %s, and this is a second.", d.Kind)
	case !k.many && d.Archived:
		return working.Refuse(d.at+"/archived", "A job's %s cannot be put away.", d.Kind)
	}
	seen[d.ID], only[d.Kind] = true, true
	return nil
}

// checkRevision refuses the last of a history that does not follow those before it.
func checkRevision(here string, i int, history []FileRevision) error {
	r, first := history[i], history[0].Number // a history may begin late
	if r.Number != first+i || r.Number < 1 {
		return working.Refuse(here+"/number", "Revisions count up from 1 without a gap: %d is wanted, not %d.", max(first, 1)+i, r.Number)
	}
	for _, text := range []struct {
		name, says string
		most       int
	}{{"summary", r.Summary, maxSummary}, {"who", r.Who, maxWho}} {
		if n := utf8.RuneCountInString(text.says); n > text.most {
			return working.Refuse(here+"/"+text.name, "It has up to %d characters, not %d.", text.most, n)
		}
	}
	for _, back := range []struct {
		name string
		to   *int
	}{{"undoTo", r.UndoTo}, {"redoTo", r.RedoTo}} {
		if back.to != nil && (*back.to < first || *back.to >= r.Number) {
			return working.Refuse(here+"/"+back.name, "It leads to revision %d, which is not there yet.", *back.to)
		}
	}
	return nil
}

// fill goes through a file that was looked at and adds all of it.
func (s *Service) fill(jobID string, list []FileDocument, through contents, add Adding) error {
	ids := map[string]string{}
	mine := make([]string, len(list))
	for i, d := range list {
		mine[i] = s.NewID()
		if d.ID != "" {
			ids[d.ID] = mine[i]
		}
	}
	return through(visit{
		revision: func(d, i int, r FileRevision) error {
			if i == 0 {
				if err := add.Document(list[d].document(mine[d], jobID)); err != nil {
					return err
				}
			}
			at := r.at
			if at == "" {
				at = fmt.Sprintf("/documents/%d/revisions/%d/body", d, i)
			}
			k, err := list[d].Kind.known()
			if err != nil {
				return err
			}
			raw, err := k.read(r.Body)
			if err != nil {
				return working.Under(at, err)
			}
			if raw, err = k.renamed(raw, ids); err != nil {
				return err
			}
			return add.Revision(mine[d], Revision{r.Number, raw, r.Summary, r.Who, r.UndoTo, r.RedoTo, r.Created})
		},
		document: func(int, FileDocument) error { return nil },
		number: func(_ int, n FileNumber) error {
			return add.Number(Number{ID: s.NewID(), JobID: jobID, Calc: n.Calc, Title: n.Title, Request: n.Request, Created: n.Created})
		},
	})
}

// document answers what is kept of a document of a file beside its states.
func (d FileDocument) document(id, jobID string) Document {
	last := d.Revisions[len(d.Revisions)-1]
	return Document{ID: id, Kind: d.Kind, Revision: last.Number, Kept: Kept{JobID: jobID, Summary: last.Summary, Who: last.Who,
		UndoTo: last.UndoTo, RedoTo: last.RedoTo, Archived: d.Archived, Created: d.Revisions[0].Created, Updated: last.Created}}
}
