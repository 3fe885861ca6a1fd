package httpapi

import (
	"context"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"warmanvil/core/brief"
	"warmanvil/core/hold"
	"warmanvil/core/sheet"
	"warmanvil/core/site"
	"warmanvil/job"
)

// HoldingView is what a job says about strength and about its brief.
type HoldingView struct {
	Revision int             `json:"revision" doc:"of the job it was worked out from"`
	Holding  site.Holding    `json:"holding"`
	Told     brief.Told      `json:"told"`
	Rules    *site.RulesTold `json:"rules,omitempty" doc:"what changed rules turned since the job was last looked at"`
	Features []Fastenable    `json:"features" doc:"hole features of the parts, to fasten and to carry with"`

	Weldings []site.Welding `json:"weldings" doc:"what is welded besides: frames, bodies, parts with welded corners"`

	Touching []site.Touch `json:"touching" doc:"placed parts whose edges lie on each other, and nothing holds them together"`
	Edges    []WeldEdge   `json:"edges" doc:"edges of the parts, to weld along"`

	Sides  []site.SideChoice  `json:"sides" doc:"what plies of a joint may belong to"`
	Places []site.StandChoice `json:"places" doc:"where a joint may stand"`
}

// WeldEdge is an edge of a part that seams may run along.
type WeldEdge struct {
	Part  string     `json:"part" doc:"id of the part"`
	Panel string     `json:"panel" doc:"id of the panel"`
	Name  string     `json:"name" doc:"of the panel"`
	Edge  sheet.Edge `json:"edge"`
	Long  float64    `json:"long" doc:"mm"`
}

// Fastenable is one hole feature of a part.
type Fastenable struct {
	Part  string `json:"part" doc:"id of the part"`
	ID    string `json:"id" doc:"of the feature"`
	Name  string `json:"name"`
	Panel string `json:"panel"`
	Size  string `json:"size"`
	Count int    `json:"count"`
}

func (s *server) holdingRoutes() {
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}/holding", id: "getHolding", work: whole,
		summary: "Whether the job's brackets hold, how its devices stand, what its brief says back"}, s.holding)
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/rules-seen", id: "seeRules", work: whole,
		summary: "Somebody has read what changed rules turned: keep what is said now"}, func(c call, _ none) (Done, error) {
		return Done{true}, s.jobs.RulesSeen(c.Request.Context(), c.id)
	})
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}/assembly", id: "getAssembly", work: whole,
		summary: "Everything with a mass together: sum, centre of gravity, lifts, a trailer's balance"},
		func(c call, _ none) (site.Assembled, error) {
			return s.jobs.Assembly(c.Request.Context(), c.id)
		})
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}/whole", id: "getWhole", work: whole,
		summary: "Everything as it stands on the vehicle, with what is said of it, to be looked at"},
		func(c call, _ none) (site.Whole, error) {
			_, all, err := s.jobs.Site(c.Request.Context(), c.id)
			if err != nil {
				return site.Whole{}, err
			}
			return all.Whole(), nil
		})
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}/suggestions", id: "getSuggestions", work: whole,
		summary: "Changes that would help a bracket or save on it, each worked out",
		query:   []*huma.Param{query("mount", "id of the mount")}}, func(c call, _ none) ([]hold.Suggestion, error) {
		return s.jobs.Suggest(c.Request.Context(), c.id, c.Query("mount"))
	})
}

// holding is worked out once for each state of the job and day.
func (s *server) holding(c call, _ none) (HoldingView, error) {
	ctx, now := c.Request.Context(), time.Now()
	standing, err := s.jobs.Store.Standing(ctx, c.id)
	if err != nil {
		return HoldingView{}, err
	}
	key := c.id + " " + now.UTC().Format(time.DateOnly) + " " + standing
	if v, known := s.holdings.Get(key); known {
		return v, nil
	}
	v, err := s.workHolding(ctx, c.id, now)
	if err == nil && ctx.Err() == nil && v.Rules == nil { // what rules turned is told until it is read
		s.holdings.Add(key, v)
	}
	return v, err
}

func (s *server) workHolding(ctx context.Context, id string, now time.Time) (HoldingView, error) {
	j, all, err := s.jobs.Site(ctx, id)
	if err != nil {
		return HoldingView{}, err
	}
	measured, parts := all.Survey, all.Parts
	held := all.Hold()
	v := HoldingView{Revision: j.Revision, Holding: held, Told: all.Tell(held.Joints), Features: []Fastenable{}, Edges: []WeldEdge{},
		Touching: all.Touching(), Weldings: all.Weldings(),
		Sides: all.Sides(), Places: all.Places()}
	if v.Rules, err = s.jobs.Rules(ctx, id, all, held); err != nil {
		return HoldingView{}, err
	}
	job.Due(&v.Told, j.Brief.Limits.Date, now, held.Unsettled())
	v.Told.Measure(j.Brief, site.MeasuredTargets(measured, j.Brief, parts))
	for _, p := range parts {
		v.Features = append(v.Features, fastenable(p)...)
		v.Edges = append(v.Edges, weldEdges(p)...)
	}
	return v, nil
}

// weldEdges lists the edges of a part that no bend lies along.
func weldEdges(p site.BuiltPart) (out []WeldEdge) {
	if p.Built.Round != nil {
		return nil
	}
	for _, q := range p.Built.Panels {
		for _, e := range q.Edges {
			if e.Role == "free" || e.Role == "tip" {
				out = append(out, WeldEdge{Part: p.ID, Panel: q.ID, Name: q.Name, Edge: e.Edge, Long: e.To.Sub(e.From).Len()})
			}
		}
	}
	return out
}

// fastenable lists the hole features of a part with the name they go by.
func fastenable(p site.BuiltPart) []Fastenable {
	var out []Fastenable
	at := map[string]int{}
	for _, h := range p.Built.Holes {
		i, known := at[h.Feature]
		if !known {
			i = len(out)
			at[h.Feature] = i
			out = append(out, Fastenable{Part: p.ID, ID: h.Feature, Name: h.Name, Panel: h.Panel, Size: h.Size})
		}
		out[i].Count++
	}
	return out
}
