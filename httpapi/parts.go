package httpapi

import (
	"context"
	"errors"
	"fmt"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/load"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/flags"
	"warmanvil/core/sheet/made"
	"warmanvil/core/stock"
	"warmanvil/core/told"
	"warmanvil/core/working"
	"warmanvil/job"
)

// PartView is a part as it stands.
type PartView struct {
	DocumentHead
	State job.PartState `json:"state"`
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
	Part    BuildRequest `json:"part"`
	Subject made.Subject `json:"subject"`
}

// StockView is the engineering tables the forms offer.
type StockView struct {
	Materials []stock.Material `json:"materials"`
	Processes []stock.Process  `json:"processes"`
	Gauges    []GaugeFamily    `json:"gauges"`
	Threads   []ThreadView     `json:"threads"`
	Grades    []stock.Grade    `json:"grades"`
	Rivets    []RivetView      `json:"rivets"`
	Threaded  []stock.Threaded `json:"threaded" doc:"what a bolt may be screwed into"`
	Fillers   []stock.Filler   `json:"fillers" doc:"what welds are laid of"`
	Roads     []RoadView       `json:"roads" doc:"accelerations by use; shop practice, to be changed"`
}

// ThreadView is a thread as it is written.
type ThreadView struct {
	stock.Thread
	Name string `json:"name" doc:"M8×1.25, 3/8-16"`
}

// RivetView is a rivet as a metric and as an inch shop name it.
type RivetView struct {
	stock.Rivet
	Metric string `json:"metric" doc:"4.8 mm"`
	Inch   string `json:"inch" doc:"3/16 in"`
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

func partView(d job.Saved) (PartView, error) {
	p, err := job.PartOf(d.Document)
	return PartView{headOf(d), p.State()}, err
}

// viewOfPart is a part as it stands, told like its document.
func viewOfPart(p job.Part) PartView {
	return PartView{headOf(job.Saved{Document: job.Document{ID: p.ID, Kind: job.KindSheet, Revision: p.Revision, Kept: p.Kept}}), p.State()}
}

func (h *PartHead) fill(p job.Part, opt made.Options) {
	m, err := stock.MaterialByKey(p.Recipe.Material)
	if err == nil {
		h.Material = m.Name
	}
	built, err := made.Build(p.Recipe, opt)
	if err != nil {
		h.Stops = 1
		return
	}
	pen := told.Pen{Display: opt.Display} // no room to say how a fraction is rounded
	for _, f := range built.Figures {
		switch f.Key {
		case "blankX":
			h.Blank = pen.MM(f.Value)
		case "blankY":
			h.Blank += " × " + pen.MM(f.Value)
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
	documentRoutes(s, documented[job.PartState, PartView]{kind: job.KindSheet, path: "/api/v1/parts/{id}", name: "Part", word: "part",
		view: func(_ context.Context, d job.Saved) (PartView, error) { return partView(d) }})
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/parts", id: "createPart", work: brisk, summary: "Add a part"},
		func(c call, in job.PartState) (PartView, error) {
			p, err := s.jobs.CreatePart(c.Request.Context(), c.id, in)
			return viewOfPart(p), err
		})
	route(s, operation{method: "POST", path: "/api/v1/parts/{id}/duplicate", id: "duplicatePart", work: brisk,
		summary: "Copy a part within its job"},
		func(c call, _ none) (PartView, error) {
			p, err := s.jobs.DuplicatePart(c.Request.Context(), c.id)
			return viewOfPart(p), err
		})
	route(s, operation{method: "POST", path: "/api/v1/build", id: "build", work: brisk, access: reading,
		summary: "Flat pattern, figures and flags of a recipe; its body is asked for beside"}, s.buildPart)
	route(s, operation{method: "POST", path: "/api/v1/fixes", id: "fixes", work: brisk, access: reading,
		summary: "The findings of a recipe with fixes, each tried"}, s.fixPart)
	route(s, operation{method: "POST", path: "/api/v1/body", id: "fold", work: brisk, access: reading,
		summary: "The folded body of a recipe, for drawing"},
		s.foldPart)
	route(s, operation{method: "POST", path: "/api/v1/working", id: "explain", work: brisk, access: reading,
		summary: "Working of a hole's centre, a bend line or a school's blank"}, s.explainPart)
	tables := stockView()
	route(s, operation{method: "GET", path: "/api/v1/stock", id: "getStock", access: fixed,
		summary: "Materials, processes, gauges, threads, grades and roads"}, func(call, none) (StockView, error) { return tables, nil })
}

func stockView() StockView {
	v := StockView{Materials: stock.Materials, Processes: stock.Processes, Grades: stock.Grades, Threaded: stock.ThreadedInto(),
		Fillers: stock.Fillers}
	for _, t := range stock.Threads {
		v.Threads = append(v.Threads, ThreadView{t, t.Name()})
	}
	inches := quantity.Display{Style: quantity.Fraction, Denominator: 32}
	for _, r := range stock.Rivets {
		v.Rivets = append(v.Rivets, RivetView{r, fmt.Sprintf("%g mm", r.Diameter), inches.Text(r.Diameter)})
	}
	for _, u := range []load.Use{load.Smooth, load.Rough, load.OffRoad} {
		v.Roads = append(v.Roads, RoadView{u, load.Roads[u], load.RoadSource})
	}
	for _, f := range []stock.Family{stock.Steel, stock.Galvanized, stock.Stainless, stock.Aluminum} {
		v.Gauges = append(v.Gauges, GaugeFamily{f, stock.GaugeSource[f], stock.GaugeTable(f)})
	}
	return v
}

// buildPart answers a part without fixes: each is tried before it is told, which takes
// as long as many builds.
func (s *server) buildPart(c call, in BuildRequest) (made.Part, error) {
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

func (s *server) built(c call, in BuildRequest, proved bool) (made.Part, error) {
	r, opt := s.read(c, in)
	if m := r.Master; m != nil && in.Part != "" {
		p, err := s.jobs.Part(c.Request.Context(), m.Part)
		switch {
		case errors.Is(err, job.ErrNotFound):
		case err != nil:
			return made.Part{}, err
		case !p.Archived:
			opt.Master = &flags.MasterTold{Name: p.Name, Recipe: p.Recipe, Itself: p.ID == in.Part}
		}
	}
	opt.Proved, opt.Ordered = proved, proved
	p, err := made.Build(r, opt)
	return p, working.Under("/recipe", err)
}

// foldPart answers the body alone: it is over a third of what is said of a part,
// and drawn after the flat pattern.
func (s *server) foldPart(c call, in BuildRequest) (made.Body, error) {
	r, opt := s.read(c, in)
	opt.Body, opt.Sections = true, false
	p, err := made.Build(r, opt)
	return p.Rounded().Body, working.Under("/recipe", err)
}

func (s *server) explainPart(c call, in WorkingRequest) (working.Working, error) {
	r, opt := s.read(c, in.Part)
	w, err := made.Explain(r, opt, in.Subject)
	var f *working.Fault
	if errors.As(err, &f) && !strings.HasPrefix(f.Path, "/subject") {
		err = working.Under("/part/recipe", err)
	}
	return w, err
}

// read answers the recipe of the hand asked for and how it is to be shown.
func (s *server) read(c call, in BuildRequest) (sheet.Recipe, made.Options) {
	opt := made.Options{Until: c.Request.Context(), Display: brief.Brief{Unit: in.Unit, Grain: in.Grain}.Display(), Sections: in.Sections,
		Lift: in.Lift, NearPeople: in.NearPeople, Quantity: in.Quantity}
	w := s.shop(opt.Until).ToldIn(opt.Display)
	in.Recipe = w.Fill(in.Recipe)
	opt.Machines = w.For(in.Recipe, in.Unit != brief.UnitMM)
	opt.Brakes, opt.Others = w.Bends(in.Recipe, in.Unit != brief.UnitMM)
	if in.Mirrored {
		return in.Recipe.Mirror(), opt
	}
	return in.Recipe, opt
}
