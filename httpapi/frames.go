package httpapi

import (
	"time"

	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/site"
	"warmanvil/core/strength"
	"warmanvil/core/working"
	"warmanvil/job"
)

// FramePage is a frame as it stands with everything that follows from it.
type FramePage struct {
	ID       string         `json:"id" format:"uuid"`
	JobID    string         `json:"jobId" format:"uuid"`
	Revision int            `json:"revision"`
	Summary  string         `json:"summary"`
	CanUndo  bool           `json:"canUndo"`
	CanRedo  bool           `json:"canRedo"`
	Archived bool           `json:"archived"`
	State    FrameSave      `json:"state"`
	Worked   site.FrameTold `json:"worked"`
}

// FrameSave is a frame's state.
type FrameSave struct {
	Name     string     `json:"name"`
	Quantity int        `json:"quantity"`
	Frame    member.Doc `json:"frame"`

	Continues bool `json:"continues,omitempty" doc:"the change still goes on that made the revision this is made on, a number typed digit by digit: undo goes back to before it"`
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

// FrameRevision is one kept state of a frame.
type FrameRevision struct {
	Number  int       `json:"number"`
	Summary string    `json:"summary"`
	Created time.Time `json:"created"`
}

// StockIn names a section in use.
type StockIn struct {
	Stock string `json:"stock"`
}

// MembersView is what frames are made of.
type MembersView struct {
	Sections []SectionView    `json:"sections"`
	Starters []member.Starter `json:"starters"`
}

// SectionView is a section as sold.
type SectionView struct {
	section.Stock
	Kilos float64 `json:"kilos" doc:"kg a metre in steel"`
}

func (s *server) framePage(c call, p job.Part) (FramePage, error) {
	f, err := s.jobs.WorkedFrame(c.Request.Context(), p)
	if err != nil {
		return FramePage{}, err
	}
	return FramePage{ID: p.ID, JobID: p.JobID, Revision: p.Revision, Summary: p.Summary, CanUndo: p.UndoTo != nil, CanRedo: p.RedoTo != nil, Archived: p.Archived,
		State: FrameSave{Name: p.Name, Quantity: p.Quantity, Frame: *p.Frame}, Worked: f.Worked}, nil
}

func (s *server) frameRoutes() {
	sections := membersView()
	route(s, operation{method: "GET", path: "/api/v1/sections", id: "getSections", summary: "Sections as sold and starters of frames"}, func(call, none) (MembersView, error) { return sections, nil })
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}/frames", id: "listFrames", summary: "A job's frames with how hard they work"}, s.frameHeads)
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/frames", id: "createFrame", summary: "Add a frame, from a starter or empty"}, func(c call, in job.FrameStart) (FramePage, error) {
		p, err := s.jobs.StartFrame(c.Request.Context(), c.id, in.Name, in)
		if err != nil {
			return FramePage{}, err
		}
		return s.framePage(c, p)
	})
	route(s, operation{method: "GET", path: "/api/v1/frames/{id}", id: "getFrame", summary: "A frame with everything that follows from it"}, func(c call, _ none) (FramePage, error) {
		p, err := s.jobs.Store.Part(c.Request.Context(), c.id)
		if err != nil {
			return FramePage{}, err
		}
		return s.framePage(c, p)
	})
	kept := func(do func(c call, in FrameSave, n int) (job.Part, error)) func(c call, in FrameSave) (FramePage, error) {
		return func(c call, in FrameSave) (FramePage, error) {
			n, err := c.ifMatch()
			if err != nil {
				return FramePage{}, err
			}
			p, err := do(c, in, n)
			if err != nil {
				return FramePage{}, err
			}
			return s.framePage(c, p)
		}
	}
	route(s, operation{method: "PUT", path: "/api/v1/frames/{id}", id: "saveFrame", summary: "Keep a new state as a revision", match: true}, kept(func(c call, in FrameSave, n int) (job.Part, error) {
		return s.jobs.SaveFrame(c.Request.Context(), c.id, job.On{Revision: n, Continues: in.Continues}, in.Name, in.Quantity, in.Frame)
	}))
	back := func(do func(c call, n int) (job.Part, error)) func(c call, _ none) (FramePage, error) {
		one := kept(func(c call, _ FrameSave, n int) (job.Part, error) { return do(c, n) })
		return func(c call, _ none) (FramePage, error) { return one(c, FrameSave{}) }
	}
	route(s, operation{method: "POST", path: "/api/v1/frames/{id}/undo", id: "undoFrame", summary: "Bring back the state before the last change", match: true}, back(func(c call, n int) (job.Part, error) { return s.jobs.Undo(c.Request.Context(), c.id, n) }))
	route(s, operation{method: "POST", path: "/api/v1/frames/{id}/redo", id: "redoFrame", summary: "Take back the last undo", match: true}, back(func(c call, n int) (job.Part, error) { return s.jobs.Redo(c.Request.Context(), c.id, n) }))
	route(s, operation{method: "POST", path: "/api/v1/frames/{id}/duplicate", id: "duplicateFrame", summary: "Copy a frame within its job"}, func(c call, _ none) (FramePage, error) {
		p, err := s.jobs.DuplicatePart(c.Request.Context(), c.id)
		if err != nil {
			return FramePage{}, err
		}
		return s.framePage(c, p)
	})
	route(s, operation{method: "POST", path: "/api/v1/frames/{id}/archive", id: "archiveFrame", summary: "Put a frame away or bring it back"}, func(c call, in PartArchive) (Done, error) {
		return Done{true}, s.jobs.Store.ArchivePart(c.Request.Context(), c.id, in.Archived, s.jobs.Now())
	})
	route(s, operation{method: "GET", path: "/api/v1/frames/{id}/revisions", id: "listFrameRevisions", summary: "Kept states of a frame, newest first"}, func(c call, _ none) ([]FrameRevision, error) {
		list, err := s.jobs.Revisions(c.Request.Context(), c.id)
		out := make([]FrameRevision, len(list))
		for i, r := range list {
			out[i] = FrameRevision{r.Number, r.Summary, r.Created}
		}
		return out, err
	})
	route(s, operation{method: "POST", path: "/api/v1/frames/{id}/sections", id: "compareSections", access: reading, summary: "Other sections tried in the members of one stock, lightest first"}, func(c call, in StockIn) ([]member.Option, error) {
		return s.jobs.CompareSections(c.Request.Context(), c.id, in.Stock)
	})
}

func membersView() MembersView {
	v := MembersView{Starters: member.Starters}
	for _, x := range section.Table() {
		p, err := section.Work(x.Sizes)
		if err == nil {
			v.Sections = append(v.Sections, SectionView{x, p.MassPerMetre})
		}
	}
	return v
}

func (s *server) frameHeads(c call, _ none) ([]FrameHead, error) {
	list, err := s.jobs.Store.Frames(c.Request.Context(), c.id)
	out := []FrameHead{}
	for _, p := range list {
		f, err := s.jobs.WorkedFrame(c.Request.Context(), p)
		if err != nil {
			return nil, err
		}
		h := FrameHead{ID: p.ID, Name: p.Name, Quantity: p.Quantity, Revision: p.Revision, Members: len(f.Worked.Pieces), Stocks: f.Worked.Stocks, Mass: f.Worked.Figures[0].Text, Verdict: f.Worked.Hold.Verdict, Use: f.Worked.Hold.Use, Why: f.Worked.Hold.Why, Updated: p.Updated}
		for _, x := range f.Worked.Findings {
			if x.Severity == working.Stop && x.SetAside == "" {
				h.Stops++
			}
		}
		out = append(out, h)
	}
	return out, err
}
