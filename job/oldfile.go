package job

import (
	"encoding/json"
	"fmt"
	"time"

	"warmanvil/core/brief"
	"warmanvil/core/member"
	"warmanvil/core/sheet"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// OldFile is what files up to version 4 held in the place of documents.
type OldFile struct {
	Brief  *brief.Brief    `json:"brief,omitempty" doc:"up to version 4"`
	Survey *vehicle.Survey `json:"survey,omitempty" doc:"up to version 4: the vehicle as measured, if it was"`
	Parts  []OldPart       `json:"parts,omitempty" doc:"up to version 4"`
}

// OldPart is a part with its history, oldest revision first.
type OldPart struct {
	ID        string        `json:"id" doc:"names the part inside the file"`
	Archived  bool          `json:"archived,omitempty"`
	Revisions []OldRevision `json:"revisions"`
}

// OldRevision is one kept state of a part.
type OldRevision struct {
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

// documents answers what an old file holds as documents. The ones it has no time for are
// of now.
func (f OldFile) documents(now time.Time) (out []FileDocument, err error) {
	one := func(k Kind, at string, v any) error {
		raw, err := json.Marshal(v)
		if err != nil {
			return fmt.Errorf("read an old file: %w", err)
		}
		out = append(out, FileDocument{Kind: k, at: at,
			Revisions: []FileRevision{{Number: 1, Body: raw, Summary: "brought in", Created: now, at: at}}})
		return nil
	}
	if f.Brief == nil {
		return nil, working.Refuse("/brief", "The file has no brief: there is no job without one.")
	}
	if err := one(KindBrief, "/brief", f.Brief.Upgraded()); err != nil {
		return nil, err
	}
	for i, p := range f.Parts {
		d := FileDocument{ID: p.ID, Kind: KindSheet, Archived: p.Archived, at: fmt.Sprintf("/parts/%d", i)}
		for k, r := range p.Revisions {
			at := fmt.Sprintf("%s/revisions/%d", d.at, k)
			if r.Frame != nil && k == 0 {
				d.Kind = KindFrame
			}
			var state any = PartState{r.Name, r.Quantity, r.Recipe}
			if r.Frame != nil {
				state = FrameState{r.Name, r.Quantity, *r.Frame}
			}
			if (r.Frame != nil) != (d.Kind == KindFrame) {
				return nil, working.Refuse(at+"/frame", "A part is folded or a frame in all its revisions, not both.")
			}
			raw, err := json.Marshal(state)
			if err != nil {
				return nil, fmt.Errorf("read an old file: %w", err)
			}
			d.Revisions = append(d.Revisions, FileRevision{Number: r.Number, Body: raw, Summary: r.Summary, UndoTo: r.UndoTo, RedoTo: r.RedoTo,
				Created: r.Created, at: at})
		}
		out = append(out, d)
	}
	if f.Survey != nil {
		if err := one(KindSurvey, "/survey", *f.Survey); err != nil {
			return nil, err
		}
	}
	return out, nil
}
