package facet

import (
	"fmt"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// FacetsInput is a body of flat panels between named points.
type FacetsInput struct {
	Points       map[string][3]float64 `json:"points" doc:"mm, by name"`
	Panels       []FacetsPanel         `json:"panels"`
	Bends        [][2]string           `json:"bends,omitempty" doc:"edges that are bent; all others are welded corner to corner where no seam says otherwise"`
	Seams        []FacetsSeam          `json:"seams,omitempty" doc:"edges that are not welded corner to corner"`
	Thickness    float64               `json:"thickness" doc:"mm"`
	Side         Side                  `json:"side" enum:"inside,middle,outside" doc:"face of the sheet the points lie on"`
	InsideRadius *float64              `json:"insideRadius,omitempty" doc:"mm, of its bends; the thickness when left out"`
	KFactor      *float64              `json:"kFactor,omitempty" doc:"0.42 when left out"`
	Tolerance    float64               `json:"tolerance,omitempty" doc:"mm a corner may stand off its panel's plane; 0.05 when left out"`
}

// FacetsPanel is a panel by its corners in turn.
type FacetsPanel struct {
	ID     string   `json:"id"`
	Points []string `json:"points" doc:"names, in turn, either way round"`
}

// FacetsSeam is how two panels meet.
type FacetsSeam struct {
	Points [2]string `json:"points"`
	Kind   Kind      `json:"kind" enum:"corner,open,lap,bevel"`
	Over   string    `json:"over,omitempty" doc:"of a lap: the panel that covers the other's end"`
	Gap    float64   `json:"gap,omitempty" doc:"mm, of an open one"`
}

// FacetsPanelMade is a panel as it lies in the body.
type FacetsPanelMade struct {
	ID      string       `json:"id"`
	Points  []string     `json:"points" doc:"anticlockwise seen from outside"`
	Area    float64      `json:"area" doc:"mm², between its points"`
	Outline [][2]float64 `json:"outline" doc:"mm, between its points, x along its first edge, outside up"`
	Normal  [3]float64   `json:"normal" doc:"the way it looks"`
}

// FacetsBlank is panels cut in one piece.
type FacetsBlank struct {
	Panels    []string     `json:"panels"`
	Area      float64      `json:"area" doc:"mm², as cut"`
	Outline   [][2]float64 `json:"outline" doc:"mm, as cut, anticlockwise, outside up"`
	BendLines []FacetsBend `json:"bendLines"`
}

// FacetsBend is the middle of a bend on its blank.
type FacetsBend struct {
	Points        [2]string  `json:"points"`
	From          [2]float64 `json:"from"`
	To            [2]float64 `json:"to"`
	Angle         float64    `json:"angle" doc:"degrees turned from flat"`
	Up            bool       `json:"up" doc:"towards the outside, which lies up"`
	BendAllowance float64    `json:"bendAllowance" doc:"mm"`
}

// FacetsEdge is where panels end.
type FacetsEdge struct {
	Points [2]string `json:"points"`
	Panels []string  `json:"panels" doc:"one where it is free"`
	Length float64   `json:"length" doc:"mm"`
	Angle  *float64  `json:"angle" doc:"degrees between the faces, 180 flat; null where it is free"`
	Hollow bool      `json:"hollow,omitempty" doc:"the body is hollow there, seen from outside"`
	Kind   Kind      `json:"kind,omitempty" enum:"corner,open,lap,bevel,bend"`
}

// FacetsUnflat is a panel that is not flat.
type FacetsUnflat struct {
	ID string  `json:"id"`
	By float64 `json:"by" doc:"mm its worst corner stands off the plane of the others"`
}

// FacetsResult is a body worked out.
type FacetsResult struct {
	Panels   []FacetsPanelMade `json:"panels"`
	Blanks   []FacetsBlank     `json:"blanks"`
	Edges    []FacetsEdge      `json:"edges"`
	Unflat   []FacetsUnflat    `json:"unflat"`
	Closed   bool              `json:"closed" doc:"no edge is free"`
	Area     float64           `json:"area" doc:"mm², of all panels between their points"`
	Weld     float64           `json:"weld" doc:"mm, of all welded edges"`
	Findings []working.Finding `json:"findings"`
	Working  working.Working   `json:"working"`
}

// usualK is taken where nobody says K (practice, air bends of mild steel); the answer says so.
const usualK = .42

// Work works a body out of its points. It fails with *working.Fault where it is none.
func Work(in FacetsInput) (FacetsResult, error) {
	s := Shell{Thickness: in.Thickness, Side: in.Side, Radius: in.Thickness, K: usualK, Tolerance: in.Tolerance}
	var assumed []string
	switch {
	case in.KFactor != nil:
		s.K = *in.KFactor
	case len(in.Bends) > 0:
		assumed = append(assumed, fmt.Sprintf("K was not said: %g is taken", usualK))
	}
	switch {
	case in.InsideRadius != nil:
		s.Radius = *in.InsideRadius
	case len(in.Bends) > 0:
		assumed = append(assumed, "the inside radius was not said: the thickness is taken")
	}
	names := make([]string, 0, len(in.Points))
	for n := range in.Points {
		names = append(names, n)
	}
	slices.Sort(names)
	for _, n := range names {
		s.Points = append(s.Points, Point{n, solid.Vector(in.Points[n])})
	}
	for _, p := range in.Panels {
		s.Panels = append(s.Panels, Panel(p))
	}
	for _, l := range in.Bends {
		s.Seams = append(s.Seams, Seam{A: l[0], B: l[1], Kind: BentOne})
	}
	for _, l := range in.Seams {
		s.Seams = append(s.Seams, Seam{A: l.Points[0], B: l.Points[1], Kind: l.Kind, Over: l.Over, Gap: l.Gap})
	}
	b, err := Build(s)
	if err != nil {
		return FacetsResult{}, err
	}
	return b.result(assumed), nil
}

func (b *Built) result(assumed []string) FacetsResult {
	out := FacetsResult{Panels: []FacetsPanelMade{}, Blanks: []FacetsBlank{}, Edges: []FacetsEdge{}, Unflat: []FacetsUnflat{},
		Closed: b.Closed, Findings: b.Findings}
	cut := 0.
	for _, f := range b.Faces {
		out.Panels = append(out.Panels, FacetsPanelMade{f.ID, f.Points, f.Area, pairs(f.Outline), f.Pose.Z})
		out.Area += f.Area
		if f.Off > b.Tolerance {
			out.Unflat = append(out.Unflat, FacetsUnflat{f.ID, f.Off})
		}
	}
	for _, k := range b.Blanks {
		o := FacetsBlank{Panels: []string{}, Area: k.Area, Outline: pairs(k.Outline), BendLines: []FacetsBend{}}
		for _, f := range k.Faces {
			o.Panels = append(o.Panels, b.Faces[f].ID)
		}
		for _, l := range k.Lines {
			o.BendLines = append(o.BendLines, FacetsBend{[2]string{l.A, l.B}, [2]float64{l.From.X, l.From.Y}, [2]float64{l.To.X,
				l.To.Y}, l.Angle,
				l.Up, l.Allowance})
		}
		cut += k.Area
		out.Blanks = append(out.Blanks, o)
	}
	for _, e := range b.Edges {
		o := FacetsEdge{Points: [2]string{e.A, e.B}, Panels: []string{}, Length: e.Long}
		for _, f := range e.Faces {
			o.Panels = append(o.Panels, b.Faces[f].ID)
		}
		if len(e.Faces) == 2 {
			angle := e.Between()
			o.Angle, o.Hollow, o.Kind = &angle, e.Turn < -1e-9, e.Seam.Kind
			if e.Seam.Kind != BentOne {
				out.Weld += e.Long
			}
		}
		out.Edges = append(out.Edges, o)
	}
	out.Working = working.Working{Method: "Panels between points, unfolded",
		Source: "plane geometry; bend allowance as in Machinery's Handbook",
		Formula: "turn at an edge = angle of the normals; a bent edge goes back by (R + d)·tan(turn/2), a seam corner to corner by " +
			"d·tan(turn/2), d from " +
			"the points to the hollow side of the sheet; BA = turn·(R + K·T)",
		Inputs: []working.Quantity{working.MM("T", "thickness", b.Thickness), working.MM("R", "inside radius", b.Radius),
			{Symbol: "K", Name: "neutral line", Value: b.K}},
		Steps: []working.Quantity{{Symbol: "A", Name: "all panels between their points", Value: out.Area, Unit: "mm²"},
			working.MM("w", "welded edges", out.Weld)},
		Assumptions: append([]string{"the points lie on the " + string(b.Side) + " of the sheet"}, assumed...),
		Result:      working.Quantity{Symbol: "Ac", Name: "all blanks as cut", Value: cut, Unit: "mm²"}}
	return out
}

func pairs(list []profile.Point) [][2]float64 {
	out := make([][2]float64, len(list))
	for i, p := range list {
		out[i] = [2]float64{p.X, p.Y}
	}
	return out
}
