package httpapi

import (
	"context"
	"time"

	"warmanvil/core/member/held"
	"warmanvil/core/member/starters"
	"warmanvil/core/section"
	"warmanvil/core/site"
	"warmanvil/core/strength"
	"warmanvil/core/working"
	"warmanvil/job"
)

// FramePage is a frame as it stands with everything that follows from it.
type FramePage struct {
	DocumentHead
	State  job.FrameState `json:"state"`
	Worked site.FrameTold `json:"worked"`
}

// FrameHead is a frame in lists.
type FrameHead struct {
	ID       string           `json:"id" format:"uuid"`
	Name     string           `json:"name"`
	Quantity int              `json:"quantity"`
	Revision int              `json:"revision"`
	Members  int              `json:"members"`
	Stocks   []string         `json:"stocks"`
	Mass     string           `json:"mass"`
	Verdict  strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	Use      *float64         `json:"use" doc:"largest utilisation"`
	Why      string           `json:"why,omitempty" doc:"why it cannot be said"`
	Stops    int              `json:"stops"`
	Updated  time.Time        `json:"updated"`
}

// StockIn names a section in use.
type StockIn struct {
	Stock string `json:"stock"`
}

// MembersView is what frames are made of.
type MembersView struct {
	Sections []SectionView      `json:"sections"`
	Starters []starters.Starter `json:"starters"`
}

// SectionView is a section as sold.
type SectionView struct {
	section.Stock
	Kilos float64       `json:"kilos" doc:"kg a metre in steel"`
	Real  *section.Real `json:"real,omitempty" doc:"of a tube: how far it may be off, and its inside"`
}

func (s *server) framePage(ctx context.Context, d job.Saved) (FramePage, error) {
	f, err := job.FrameOf(d.Document)
	if err != nil {
		return FramePage{}, err
	}
	w, err := s.jobs.WorkFrame(ctx, f)
	return FramePage{headOf(d), f.State(), w.Worked}, err
}

// newFrame answers a frame that was made.
func (s *server) newFrame(c call, f job.Frame, err error) (FramePage, error) {
	if err != nil {
		return FramePage{}, err
	}
	d, err := s.jobs.Find(c.Request.Context(), job.KindFrame, f.ID)
	if err != nil {
		return FramePage{}, err
	}
	return s.framePage(c.Request.Context(), job.Saved{Document: d})
}

func (s *server) frameRoutes() {
	sections := membersView()
	route(s, operation{method: "GET", path: "/api/v1/sections", id: "getSections", access: fixed,
		summary: "Sections as sold and starters of frames"},
		func(call, none) (MembersView, error) { return sections, nil })
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}/frames", id: "listFrames", work: whole,
		summary: "A job's frames with how hard they work"},
		s.frameHeads)
	documentRoutes(s, documented[job.FrameState, FramePage]{kind: job.KindFrame, path: "/api/v1/frames/{id}", name: "Frame",
		word: "frame", view: s.framePage})
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/frames", id: "createFrame", work: brisk,
		summary: "Add a frame, from a starter or empty"},
		func(c call, in job.FrameStart) (FramePage, error) {
			f, err := s.jobs.StartFrame(c.Request.Context(), c.id, in.Name, in)
			return s.newFrame(c, f, err)
		})
	route(s, operation{method: "POST", path: "/api/v1/frames/{id}/duplicate", id: "duplicateFrame", work: brisk,
		summary: "Copy a frame within its job"},
		func(c call, _ none) (FramePage, error) {
			f, err := s.jobs.DuplicateFrame(c.Request.Context(), c.id)
			return s.newFrame(c, f, err)
		})
	route(s, operation{method: "POST", path: "/api/v1/frames/{id}/sections", id: "compareSections", work: whole, access: reading,
		summary: "Other sections tried in the members of one stock, lightest first"}, func(c call, in StockIn) ([]held.Option, error) {
		return s.jobs.CompareSections(c.Request.Context(), c.id, in.Stock)
	})
}

func membersView() MembersView {
	v := MembersView{Starters: starters.Starters}
	for _, x := range section.Table() {
		p, err := section.Work(x.Sizes)
		if err == nil {
			view := SectionView{Stock: x, Kilos: p.MassPerMetre}
			if r, tube := x.Real(); tube {
				view.Real = &r
			}
			v.Sections = append(v.Sections, view)
		}
	}
	return v
}

// frameHeads answers a job's frames with how hard they work, worked out once for each state
// of the job.
func (s *server) frameHeads(c call, _ none) ([]FrameHead, error) {
	ctx := c.Request.Context()
	standing, err := s.jobs.Store.Standing(ctx, c.id)
	if err != nil {
		return nil, err
	}
	if list, known := s.heads.Get(c.id + " " + standing); known {
		return list, nil
	}
	list, err := s.jobs.WorkFrames(ctx, c.id)
	if err != nil {
		return nil, err
	}
	out := make([]FrameHead, 0, len(list))
	for _, f := range list {
		out = append(out, frameHead(f))
	}
	if ctx.Err() == nil { // else it is not whole
		s.heads.Add(c.id+" "+standing, out)
	}
	return out, nil
}

func frameHead(f job.WorkedFrame) FrameHead {
	h := FrameHead{ID: f.ID, Name: f.Name, Quantity: f.Quantity, Revision: f.Revision, Members: len(f.Worked.Pieces), Stocks: f.Worked.Stocks,
		Mass: f.Worked.Figures[0].Text, Verdict: f.Worked.Hold.Verdict, Use: f.Worked.Hold.Use, Why: f.Worked.Hold.Why, Updated: f.Updated}
	for _, x := range f.Worked.Findings {
		if x.Severity == working.Stop && x.SetAside == "" {
			h.Stops++
		}
	}
	return h
}
