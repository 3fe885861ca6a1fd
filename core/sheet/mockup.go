package sheet

import (
	"strconv"

	"warmanvil/core/bend"
)

// Mockup answers the recipe for board or card of another thickness: sizes stay
// as they are measured, folds are creases without a radius whose middle keeps
// its length, and slots for tabs take the board's thickness. Rolls keep the round
// they sit on.
func (r Recipe) Mockup(thickness float64) Recipe {
	half := .5
	r.Thickness, r.Gauge, r.Process = thickness, nil, "hand"
	r.Bend = bend.Rule{School: bend.SchoolFixed, Method: bend.MethodHand, K: &half}
	r.Tool = bend.Tool{Kind: bend.ToolVice}
	r.SetAside, r.Reasons = nil, nil
	r.Base.Holes, r.Base.Flanges = boardHoles(r.Base.Holes), creased(r.Base.Flanges)
	r.Base.Shape = r.Base.Shape.mockup()
	r.Base.Flanges = r.Facet.glued(r.Base.ID, r.Base.Flanges)
	if r.Facet != nil { // it is glued, not located
		r.Base.Edges = PartsOwn(r.Base.Edges)
	}
	return r
}

// glueTab is what a mock-up's seam is glued on where the part's own is butted, mm.
const glueTab = 15.

// mockup answers a round as it is made of paper or board: creased sharp, with a tab to glue and nothing
// for rolls.
func (s *Shape) mockup() *Shape {
	if s == nil || s.Round == nil {
		return s
	}
	out, f := *s, *s.Round
	f.Radius, f.Pinch = 0, 0
	if f.Cone != nil && f.Cone.Lap == 0 {
		c := *f.Cone
		c.Lap, f.Cone = glueTab, &c
	}
	if f.Transition != nil && f.Transition.Lap == 0 {
		t := *f.Transition
		t.Lap, f.Transition = glueTab, &t
	}
	out.Round = &f
	return &out
}

func creased(list []Flange) []Flange {
	if list == nil {
		return nil
	}
	out := make([]Flange, len(list))
	for i, f := range list {
		if !f.Form().Keeps(&f) {
			f.InsideRadius = 0
		}
		f.Holes, f.Flanges = boardHoles(f.Holes), creased(f.Flanges)
		out[i] = f
	}
	return out
}

// boardHoles lets slots for tabs take the board's own thickness, and holes be cut
// that would be drilled later.
func boardHoles(list []Hole) []Hole {
	if list == nil {
		return nil
	}
	out := make([]Hole, len(list))
	for i, h := range list {
		if h.Use != nil && h.Use.Kind == UseTab {
			u := *h.Use
			u.Thick = 0
			h.Use = &u
		}
		h.Made = MadeCut
		out[i] = h
	}
	return out
}

// glued answers the flanges on a panel of a body's blank with a tab along every edge that is glued when
// the body is made of board, its ends cut slanting so that tabs clear each other in the corners.
func (f *Facet) glued(panel string, list []Flange) []Flange {
	if f == nil {
		return list
	}
	out := append([]Flange{}, list...)
	for i := range out {
		out[i].Flanges, out[i].Edges = f.glued(out[i].ID, out[i].Flanges), PartsOwn(out[i].Edges)
	}
	taken := map[Edge]bool{}
	for _, x := range out {
		taken[x.Edge] = true
	}
	for _, e := range f.Glued[panel] {
		edge := Edge(strconv.Itoa(e))
		if !taken[edge] {
			out = append(out, Flange{ID: panel + "-glue-" + string(edge), Name: "Tab to glue", Edge: edge, Length: glueTab, Measure: Flat,
				Angle: 90, Up: true, Taper: SetIn{Start: 45, End: 45}, Relief: Relief{Kind: Tear}})
		}
	}
	return out
}
