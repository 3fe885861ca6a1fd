package httpapi

import (
	"errors"
	"strconv"
	"strings"
	"time"

	"warmanvil/core/brief"
	"warmanvil/core/load"
	"warmanvil/core/sheet"
	"warmanvil/core/stock"
	"warmanvil/core/working"
	"warmanvil/job"
)

// PartView is a part as it stands.
type PartView struct {
	ID       string       `json:"id" format:"uuid"`
	JobID    string       `json:"jobId" format:"uuid"`
	Name     string       `json:"name"`
	Quantity int          `json:"quantity"`
	Recipe   sheet.Recipe `json:"recipe"`
	Revision int          `json:"revision"`
	Summary  string       `json:"summary"`
	CanUndo  bool         `json:"canUndo"`
	CanRedo  bool         `json:"canRedo"`
	Archived bool         `json:"archived"`
	Updated  time.Time    `json:"updated"`
}

// PartSave is a part's new state.
type PartSave struct {
	Name     string       `json:"name"`
	Quantity int          `json:"quantity"`
	Recipe   sheet.Recipe `json:"recipe"`

	Continues bool `json:"continues,omitempty" doc:"the change still goes on that made the revision this is made on, a number typed digit by digit: undo goes back to before it"`
}

// PartArchive puts a part away or brings it back.
type PartArchive struct {
	Archived bool `json:"archived"`
}

// RevisionView is one kept state.
type RevisionView struct {
	Number   int          `json:"number"`
	Name     string       `json:"name"`
	Quantity int          `json:"quantity"`
	Recipe   sheet.Recipe `json:"recipe"`
	Summary  string       `json:"summary"`
	Created  time.Time    `json:"created"`
}

// BuildRequest asks for everything a recipe says, without keeping it.
type BuildRequest struct {
	Recipe     sheet.Recipe `json:"recipe"`
	Unit       brief.Unit   `json:"unit" enum:"mm,fraction,decimal"`
	Grain      float64      `json:"grain" doc:"mm"`
	Mirrored   bool         `json:"mirrored,omitempty" doc:"show the other hand"`
	Lift       float64      `json:"lift,omitempty" doc:"kg one person lifts; 0 is not asked"`
	NearPeople bool         `json:"nearPeople,omitempty" doc:"it stands in a space with people"`
	Quantity   int          `json:"quantity,omitempty" doc:"how many are made"`
	Sections   bool         `json:"sections,omitempty" doc:"cut the folded part too"`
	Part       string       `json:"part,omitempty" format:"uuid" doc:"the part it is a state of, which is then looked at among the others of its job"`
}

// FixesView is what is said of a part, with fixes.
type FixesView struct {
	Findings []working.Finding `json:"findings" doc:"each fix was tried: its flag is gone with it, and nothing worse has come"`
}

// WorkingRequest asks for the working of one number of a part.
type WorkingRequest struct {
	Part    BuildRequest  `json:"part"`
	Subject sheet.Subject `json:"subject"`
}

// CompareRequest asks what two states of a part differ in.
type CompareRequest struct {
	Was   job.State  `json:"was"`
	Now   job.State  `json:"now"`
	Unit  brief.Unit `json:"unit" enum:"mm,fraction,decimal"`
	Grain float64    `json:"grain" doc:"mm"`
}

// StockView is the engineering tables the forms offer.
type StockView struct {
	Materials []stock.Material `json:"materials"`
	Processes []stock.Process  `json:"processes"`
	Gauges    []GaugeFamily    `json:"gauges"`
	Threads   []stock.Thread   `json:"threads"`
	Grades    []stock.Grade    `json:"grades"`
	Rivets    []stock.Rivet    `json:"rivets"`
	Roads     []RoadView       `json:"roads" doc:"accelerations by use; shop practice, to be changed"`
}

// RoadView is one way to drive.
type RoadView struct {
	Use    load.Use  `json:"use" enum:"smooth,rough,off-road"`
	Road   load.Road `json:"road"`
	Source string    `json:"source"`
}

// GaugeFamily is one gauge table.
type GaugeFamily struct {
	Family stock.Family  `json:"family"`
	Source string        `json:"source"`
	Gauges []stock.Gauge `json:"gauges"`
}

func partView(p job.Part) PartView {
	return PartView{ID: p.ID, JobID: p.JobID, Name: p.Name, Quantity: p.Quantity, Recipe: p.Recipe, Revision: p.Revision, Summary: p.Summary,
		CanUndo: p.UndoTo != nil, CanRedo: p.RedoTo != nil, Archived: p.Archived, Updated: p.Updated}
}

func (h *PartHead) fill(p job.Part, opt sheet.Options) {
	m, err := stock.MaterialByKey(p.Recipe.Material)
	if err == nil {
		h.Material = m.Name
	}
	built, err := sheet.Build(p.Recipe, opt)
	if err != nil {
		h.Stops = 1
		return
	}
	for _, f := range built.Figures {
		switch f.Key {
		case "blankX":
			h.Blank = f.Text
		case "blankY":
			h.Blank += " × " + f.Text
		case "mass":
			h.Mass = f.Text
		}
	}
	for _, f := range built.Findings {
		if f.Severity == working.Stop && f.SetAside == "" {
			h.Stops++
		}
	}
}

func (s *server) partRoutes() {
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/parts", id: "createPart", summary: "Add a part"}, func(c call, in PartSave) (PartView, error) {
		p, err := s.jobs.CreatePart(c.Request.Context(), c.id, in.Name, in.Quantity, in.Recipe)
		return partView(p), err
	})
	route(s, operation{method: "GET", path: "/api/v1/parts/{id}", id: "getPart", summary: "A part as it stands"}, func(c call, _ none) (PartView, error) {
		p, err := s.jobs.Store.Part(c.Request.Context(), c.id)
		return partView(p), err
	})
	route(s, operation{method: "PUT", path: "/api/v1/parts/{id}", id: "savePart", summary: "Keep a new state as a revision", match: true}, func(c call, in PartSave) (PartView, error) {
		n, err := c.ifMatch()
		if err != nil {
			return PartView{}, err
		}
		p, err := s.jobs.SavePart(c.Request.Context(), c.id, job.On{Revision: n, Continues: in.Continues}, in.Name, in.Quantity, in.Recipe)
		return s.saved(c, p, err)
	})
	route(s, operation{method: "POST", path: "/api/v1/parts/{id}/archive", id: "archivePart", summary: "Put a part away or bring it back"}, func(c call, in PartArchive) (Done, error) {
		return Done{true}, s.jobs.Store.ArchivePart(c.Request.Context(), c.id, in.Archived, s.jobs.Now())
	})
	route(s, operation{method: "POST", path: "/api/v1/parts/{id}/duplicate", id: "duplicatePart", summary: "Copy a part within its job"}, func(c call, _ none) (PartView, error) {
		p, err := s.jobs.DuplicatePart(c.Request.Context(), c.id)
		return partView(p), err
	})
	route(s, operation{method: "POST", path: "/api/v1/parts/{id}/undo", id: "undoPart", summary: "Bring back the state before the last change", match: true}, func(c call, _ none) (PartView, error) {
		n, err := c.ifMatch()
		if err != nil {
			return PartView{}, err
		}
		p, err := s.jobs.Undo(c.Request.Context(), c.id, n)
		return s.saved(c, p, err)
	})
	route(s, operation{method: "POST", path: "/api/v1/parts/{id}/redo", id: "redoPart", summary: "Take back the last undo", match: true}, func(c call, _ none) (PartView, error) {
		n, err := c.ifMatch()
		if err != nil {
			return PartView{}, err
		}
		p, err := s.jobs.Redo(c.Request.Context(), c.id, n)
		return s.saved(c, p, err)
	})
	route(s, operation{method: "GET", path: "/api/v1/parts/{id}/revisions", id: "listRevisions", summary: "Kept states, newest first"}, s.revisions)
	route(s, operation{method: "GET", path: "/api/v1/parts/{id}/revisions/{number}", id: "getRevision", summary: "One kept state"}, func(c call, _ none) (RevisionView, error) {
		n, err := strconv.Atoi(c.Param("number"))
		if err != nil {
			return RevisionView{}, job.ErrNotFound
		}
		r, err := s.jobs.Store.Revision(c.Request.Context(), c.id, n)
		return revisionView(r), err
	})
	route(s, operation{method: "POST", path: "/api/v1/build", id: "build", access: reading, summary: "Flat pattern, figures and flags of a recipe; its body is asked for beside"}, s.buildPart)
	route(s, operation{method: "POST", path: "/api/v1/fixes", id: "fixes", access: reading, summary: "The findings of a recipe with fixes, each tried"}, s.fixPart)
	route(s, operation{method: "POST", path: "/api/v1/body", id: "fold", access: reading, summary: "The folded body of a recipe, for drawing"}, foldPart)
	route(s, operation{method: "POST", path: "/api/v1/working", id: "explain", access: reading, summary: "Working of a hole's centre, a bend line or a school's blank"}, explainPart)
	route(s, operation{method: "POST", path: "/api/v1/compare", id: "compare", access: reading, summary: "What two states of a part differ in, in words"}, func(_ call, in CompareRequest) ([]job.Difference, error) {
		for member, state := range map[string]job.State{"/was": in.Was, "/now": in.Now} {
			if err := state.Recipe.Validate(); err != nil {
				return nil, under(member+"/recipe", err)
			}
		}
		return job.Compare(in.Was, in.Now, brief.Brief{Unit: in.Unit, Grain: in.Grain}.Display()), nil
	})
	route(s, operation{method: "GET", path: "/api/v1/stock", id: "getStock", summary: "Materials, processes, gauges, threads, grades and roads"}, func(call, none) (StockView, error) {
		v := StockView{Materials: stock.Materials, Processes: stock.Processes, Threads: stock.Threads, Grades: stock.Grades, Rivets: stock.Rivets}
		for _, u := range []load.Use{load.Smooth, load.Rough, load.OffRoad} {
			v.Roads = append(v.Roads, RoadView{u, load.Roads[u], load.RoadSource})
		}
		for _, f := range []stock.Family{stock.Steel, stock.Galvanized, stock.Stainless, stock.Aluminum} {
			v.Gauges = append(v.Gauges, GaugeFamily{f, stock.GaugeSource[f], stock.GaugeTable(f)})
		}
		return v, nil
	})
}

// saved answers a save; on a conflict the part as it stands goes along.
func (s *server) saved(c call, p job.Part, err error) (PartView, error) {
	if errors.Is(err, job.ErrConflict) {
		now, readErr := s.jobs.Store.Part(c.Request.Context(), c.id)
		if readErr != nil {
			return PartView{}, readErr
		}
		v := partView(now)
		return PartView{}, conflict{&v}
	}
	return partView(p), err
}

func (s *server) revisions(c call, _ none) ([]RevisionView, error) {
	if _, err := s.jobs.Store.Part(c.Request.Context(), c.id); err != nil {
		return nil, err
	}
	list, err := s.jobs.Revisions(c.Request.Context(), c.id)
	views := make([]RevisionView, len(list))
	for i, r := range list {
		views[i] = revisionView(r)
	}
	return views, err
}

func revisionView(r job.Revision) RevisionView {
	return RevisionView{r.Number, r.Name, r.Quantity, r.Recipe, r.Summary, r.Created}
}

// buildPart answers a part without fixes: each is tried before it is told, which takes
// as long as many builds.
func (s *server) buildPart(c call, in BuildRequest) (sheet.Part, error) {
	p, err := s.built(c, in, false)
	for i := range p.Findings {
		p.Findings[i].Fixes = nil
	}
	return p.Rounded(), err
}

// fixPart answers the findings of a part with the fixes that hold up.
func (s *server) fixPart(c call, in BuildRequest) (FixesView, error) {
	p, err := s.built(c, in, true)
	return FixesView{append([]working.Finding{}, p.Rounded().Findings...)}, err
}

func (s *server) built(c call, in BuildRequest, proved bool) (sheet.Part, error) {
	r, opt := in.read()
	if m := r.Master; m != nil && in.Part != "" {
		p, err := s.jobs.Store.Part(c.Request.Context(), m.Part)
		switch {
		case errors.Is(err, job.ErrNotFound):
		case err != nil:
			return sheet.Part{}, err
		case !p.Archived && p.Frame == nil:
			opt.Master = &sheet.MasterTold{Name: p.Name, Recipe: p.Recipe, Itself: p.ID == in.Part}
		}
	}
	opt.Proved = proved
	p, err := sheet.Build(r, opt)
	return p, under("/recipe", err)
}

// foldPart answers the body alone: it is over a third of what is said of a part,
// and drawn after the flat pattern.
func foldPart(_ call, in BuildRequest) (sheet.Body, error) {
	r, opt := in.read()
	opt.Body, opt.Sections = true, false
	p, err := sheet.Build(r, opt)
	return p.Rounded().Body, under("/recipe", err)
}

func explainPart(_ call, in WorkingRequest) (working.Working, error) {
	r, opt := in.Part.read()
	w, err := sheet.Explain(r, opt, in.Subject)
	var f *working.Fault
	if errors.As(err, &f) && !strings.HasPrefix(f.Path, "/subject") {
		err = under("/part/recipe", err)
	}
	return w, err
}

// read answers the recipe of the hand asked for and how it is to be shown.
func (in BuildRequest) read() (sheet.Recipe, sheet.Options) {
	opt := sheet.Options{Display: brief.Brief{Unit: in.Unit, Grain: in.Grain}.Display(), Sections: in.Sections, Lift: in.Lift, NearPeople: in.NearPeople, Quantity: in.Quantity}
	if in.Mirrored {
		return in.Recipe.Mirror(), opt
	}
	return in.Recipe, opt
}

// under puts a fault's path below the member of the request it came from.
func under(member string, err error) error {
	var f *working.Fault
	if errors.As(err, &f) {
		return &working.Fault{Path: member + f.Path, Message: f.Message}
	}
	return err
}
