package site

import (
	"fmt"
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/member/shape"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shell"
	"warmanvil/core/shell/facet"
	"warmanvil/core/shop"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// FacetsTold is a faceted body with what follows from it, in the units of its job.
type FacetsTold struct {
	Why      string            `json:"why,omitempty" doc:"why it is no body yet"`
	Where    string            `json:"where,omitempty" doc:"pointer into the body to what is wrong then"`
	Points   []FacetPointTold  `json:"points"`
	Panels   []FacetPanelTold  `json:"panels"`
	Edges    []FacetEdgeTold   `json:"edges" doc:"longest first"`
	Blanks   []FacetBlankTold  `json:"blanks"`
	Figures  []FacetFigure     `json:"figures"`
	Order    []string          `json:"order" doc:"in which its blanks are put together"`
	Closing  []string          `json:"closing" doc:"what the last seams gape where every angle before is a little off"`
	Fits     []FacetFitTold    `json:"fits" doc:"what must fit inside"`
	Findings []working.Finding `json:"findings"`
}

// FacetPointTold is a point in its place.
type FacetPointTold struct {
	ID   string      `json:"id"`
	At   *[3]float64 `json:"at,omitempty" doc:"mm; left out where it has none"`
	Text string      `json:"text" doc:"its place, or why it has none"`
	Now  *[3]float64 `json:"now,omitempty" doc:"mm, where the survey has the point it was taken over from, when that is elsewhere"`
}

// FacetPanelTold is a panel as it stands.
type FacetPanelTold struct {
	ID   string     `json:"id"`
	Name string     `json:"name"`
	Area string     `json:"area"`
	Off  string     `json:"off,omitempty" doc:"how far a corner stands off the others, where it is not flat"`
	Mesh shape.Mesh `json:"mesh"`
}

// FacetEdgeTold is an edge between two points.
type FacetEdgeTold struct {
	A      string     `json:"a" doc:"id of a point"`
	B      string     `json:"b"`
	Name   string     `json:"name" doc:"of the two points"`
	Panels string     `json:"panels" doc:"names of those that end there"`
	Free   bool       `json:"free" doc:"one panel ends there"`
	Long   string     `json:"long"`
	Opens  string     `json:"opens,omitempty" doc:"angle between the faces"`
	Turn   float64    `json:"turn" doc:"degrees from flat"`
	Hollow bool       `json:"hollow,omitempty" doc:"the body is hollow there, seen from outside"`
	Kind   facet.Kind `json:"kind,omitempty" enum:"corner,open,lap,bevel,bend"`
	Number int        `json:"number" doc:"seams are numbered, on both sides of them"`
	Blend  string     `json:"blend,omitempty" doc:"what it is ground round to"`
}

// FacetBlankTold is panels cut in one piece.
type FacetBlankTold struct {
	Root    string       `json:"root" doc:"id of the panel it is known by"`
	Name    string       `json:"name"`
	Panels  []string     `json:"panels" doc:"names"`
	Size    string       `json:"size" doc:"of its box"`
	Mass    string       `json:"mass"`
	Part    string       `json:"part,omitempty" doc:"id of the part that is made of it"`
	Called  string       `json:"called,omitempty" doc:"name of that part"`
	Outline [][2]float64 `json:"outline" doc:"mm"`
	Lines   [][4]float64 `json:"lines" doc:"mm, ends of bend lines"`
	Corners []FlatCorner `json:"corners" doc:"the body's points as they lie on it: outline and corners differ by what is cut back for the seams"`
	Stops   []string     `json:"stops" doc:"flags that say do not cut"`
	Minds   []string     `json:"minds"`
	Why     string       `json:"why,omitempty" doc:"why it is no part"`
}

// FlatCorner is a point of the body on the flat of a blank, once for each panel it is a corner of there.
type FlatCorner struct {
	Point string     `json:"point" doc:"id"`
	Panel string     `json:"panel" doc:"id"`
	At    [2]float64 `json:"at" doc:"mm, on the flat"`
	X     [3]float64 `json:"x" doc:"where the point goes in the body when it goes 1 mm along x of the flat, within its panel"`
	Y     [3]float64 `json:"y" doc:"the same along y"`
}

// flatCorners answers the corners of a blank's panels on its flat.
func flatCorners(b *facet.Built, blank int) []FlatCorner {
	out := []FlatCorner{}
	k := b.Blanks[blank]
	for i, f := range k.Faces {
		face, place := b.Faces[f], k.Places[i]
		along := func(x, y float64) [3]float64 { return [3]float64(face.Pose.X.Mul(x).Add(face.Pose.Y.Mul(y))) }
		for n, id := range face.Points {
			at := place.Apply(face.Outline[n])
			out = append(out, FlatCorner{Point: id, Panel: face.ID, At: [2]float64{at.X, at.Y},
				X: along(place.X.X, place.Y.X), Y: along(place.X.Y, place.Y.Y)})
		}
	}
	return out
}

// FacetFigure is one number of the body.
type FacetFigure struct {
	Key     string           `json:"key"`
	Name    string           `json:"name"`
	Text    string           `json:"text"`
	Working *working.Working `json:"working"`
}

// off is what an angle of a seam may be off when it is held by a gauge, degrees (practice).
const angleOff = .5

// Faceted works a body out. parts are those that are made of its blanks; measured says where surveyed
// points are, nil where none is asked for.
func Faceted(b brief.Brief, w shop.Shop, f shell.Facets, id, name string, quantity int, parts []Part, measured Measured) FacetsTold {
	p := told.Pen{Display: b.Display()}
	t := FacetsTold{Points: []FacetPointTold{}, Panels: []FacetPanelTold{}, Edges: []FacetEdgeTold{}, Blanks: []FacetBlankTold{},
		Figures: []FacetFigure{}, Order: []string{}, Closing: []string{}, Fits: []FacetFitTold{},
		Findings: []working.Finding{}}
	at, why := f.Places()
	for _, q := range f.Points {
		x := FacetPointTold{ID: q.ID, Text: why[q.ID]}
		if v, placed := at[q.ID]; placed {
			v := [3]float64(v)
			x.At, x.Text = &v, fmt.Sprintf("%s, %s, %s", p.MM(v[0]), p.MM(v[1]), p.MM(v[2]))
		}
		t.Points = append(t.Points, x)
	}
	t.takenOver(p, f, measured)
	if len(f.Panels) == 0 { // begun, and nothing wrong with it
		return t
	}
	built, recipes, err := f.Blanks(id, name)
	if err != nil {
		t.unbuilt(p, err)
		return t
	}
	t.Findings = append(t.Findings, built.Findings...)
	for i := range t.Findings {
		t.Findings[i].Reason = p.Spoken(t.Findings[i].Reason)
	}
	t.panels(p, f, &built)
	t.edges(p, f, &built)
	mass, area := t.blanks(p, b, w, f, recipes, quantity, parts)
	for i := range t.Blanks {
		t.Blanks[i].Corners = flatCorners(&built, i)
	}
	t.figures(p, &built, mass, area)
	t.inside(p, f, &built)
	t.together(p, f, &built)
	return t
}

// unbuilt says why a body is none yet, and where.
func (t *FacetsTold) unbuilt(p told.Pen, err error) {
	t.Why = p.Refused(err)
	if f, is := err.(*working.Fault); is {
		t.Where = "/body" + f.Path
	}
}

func (t *FacetsTold) panels(p told.Pen, f shell.Facets, b *facet.Built) {
	for i, x := range b.Faces {
		told := FacetPanelTold{ID: x.ID, Name: f.Called(x.ID), Area: p.Area(x.Area * 1e-6), Mesh: plateOf(b, i)}
		if x.Off > b.Tolerance {
			told.Off = p.MM(x.Off)
		}
		t.Panels = append(t.Panels, told)
	}
}

// plateOf answers a panel as a closed surface.
func plateOf(b *facet.Built, i int) (m shape.Mesh) {
	outer, inner := b.Plate(i)
	n := len(outer)
	m.Corners = append(append(m.Corners, outer...), inner...)
	for _, tri := range b.Triangles(i) {
		m.Triangles = append(m.Triangles, tri, [3]int{tri[2] + n, tri[1] + n, tri[0] + n})
	}
	for k := range n {
		next := (k + 1) % n
		m.Triangles = append(m.Triangles, [3]int{k, k + n, next + n}, [3]int{k, next + n, next})
		m.Edges = append(m.Edges, []solid.Vector{outer[k], outer[next]}, []solid.Vector{inner[k], inner[next]},
			[]solid.Vector{outer[k], inner[k]})
	}
	return m
}

func (t *FacetsTold) edges(p told.Pen, f shell.Facets, b *facet.Built) {
	for i, e := range b.Edges {
		x := FacetEdgeTold{A: e.A, B: e.B, Name: f.Called(e.A) + " – " + f.Called(e.B), Free: len(e.Faces) < 2, Long: p.MM(e.Long),
			Turn: e.Turn, Hollow: e.Turn < -1e-9, Kind: e.Seam.Kind, Number: i + 1}
		var names []string
		for _, k := range e.Faces {
			names = append(names, f.Called(b.Faces[k].ID))
		}
		x.Panels = strings.Join(names, " and ")
		if !x.Free {
			x.Opens = p.Degrees(e.Between())
		}
		if e.Seam.Blend > 0 {
			x.Blend = p.Said(e.Seam.Blend)
			t.blend(p, f, e, x.Name)
		}
		t.Edges = append(t.Edges, x)
	}
	slices.SortStableFunc(t.Edges, func(a, c FacetEdgeTold) int {
		return int(1e3 * (b.Edges[c.Number-1].Long - b.Edges[a.Number-1].Long))
	})
}

// blend flags a seam that is ground away: a corner of two edges holds about a plate's thickness of weld.
func (t *FacetsTold) blend(p told.Pen, f shell.Facets, e facet.Edge, name string) {
	if e.Seam.Blend <= f.Thickness+1e-9 {
		return
	}
	t.Findings = append(t.Findings, working.Finding{Code: "facet.blend", Severity: working.Mind, Cause: "Welding", Feature: e.A, Name: name,
		Reason: fmt.Sprintf("%s is ground round to %s, more than the plate is thick (%s): outside its corner that takes the weld "+
			"itself. Build it up "+
			"first, weld it inside too, or bend the edge instead.", name, p.MM(e.Seam.Blend), p.MM(f.Thickness))})
}

// blanks builds every blank as the part it would be, by the shop's machines; it answers what all of
// them weigh, kg, and their area, mm².
func (t *FacetsTold) blanks(p told.Pen, b brief.Brief, w shop.Shop, f shell.Facets, recipes []sheet.Recipe, quantity int,
	parts []Part) (mass, area float64) {
	for i, r := range recipes {
		x := FacetBlankTold{Root: r.Base.ID, Name: f.Called(r.Base.ID), Panels: []string{}, Outline: [][2]float64{},
			Lines: [][4]float64{}, Corners: []FlatCorner{},
			Stops: []string{}, Minds: []string{}}
		for _, q := range f.Panels {
			if _, of := r.Facet.Corners[q.ID]; of {
				x.Panels = append(x.Panels, f.Called(q.ID))
			}
		}
		for _, q := range parts {
			if q.Recipe.Facet != nil && shell.Root(q.Recipe, recipes) == i {
				x.Part, x.Called = q.ID, q.Name
				break
			}
		}
		r = w.Fill(r)
		built, err := made.Build(r, PartOptions(b, w, Part{Recipe: r, Quantity: quantity}, nil))
		if err != nil {
			x.Why = p.Refused(err)
			t.Blanks = append(t.Blanks, x)
			continue
		}
		wide, high := built.Bounds.Size()
		x.Size, x.Mass = p.MM(wide)+" × "+p.MM(high), p.Kilos(built.Mass)
		for _, q := range built.Outline.Flatten(.2) {
			x.Outline = append(x.Outline, [2]float64{q.X, q.Y})
		}
		for _, l := range built.BendLines {
			x.Lines = append(x.Lines, [4]float64{l.From.X, l.From.Y, l.To.X, l.To.Y})
		}
		for _, g := range built.Findings {
			switch g.Severity {
			case working.Stop:
				x.Stops = append(x.Stops, g.Reason)
			case working.Mind:
				x.Minds = append(x.Minds, g.Reason)
			}
		}
		mass, area = mass+built.Mass, area+built.Area
		t.Blanks = append(t.Blanks, x)
	}
	return mass, area
}

func (t *FacetsTold) figures(p told.Pen, b *facet.Built, mass, area float64) {
	weld, seams, panels := 0., 0, 0.
	for _, e := range b.Edges {
		if len(e.Faces) == 2 && e.Seam.Kind != facet.BentOne {
			weld, seams = weld+e.Long, seams+1
		}
	}
	var middle solid.Vector
	for _, f := range b.Faces {
		panels += f.Area
		var c solid.Vector
		whole := 0.
		o := f.Outline[0]
		for k := 1; k+1 < len(f.Outline); k++ { // signed, so that hollows are taken off
			u, v := f.Outline[k].Sub(o), f.Outline[k+1].Sub(o)
			a := u.Cross(v) / 2
			m := o.Add(u.Add(v).Mul(1. / 3))
			c, whole = c.Add(solid.Vector{m.X, m.Y, 0}.Mul(a)), whole+a
		}
		middle = middle.Add(f.Pose.Apply(c.Mul(1 / whole)).Mul(f.Area))
	}
	middle = middle.Mul(1 / panels)
	t.figure(p, "mass", "Mass", p.Kilos(mass), working.Working{Method: "Mass of a body", Source: "sum over its blanks as parts",
		Formula: "m = Σ A·T·ρ", Inputs: []working.Quantity{{Symbol: "A", Name: "blanks, net of what is cut out", Value: area, Unit: "mm²"},
			working.MM("T", "thickness", b.Thickness)}, Assumptions: []string{"weld and paint are not counted", "nominal density"},
		Result: working.Quantity{Symbol: "m", Name: "mass", Value: mass, Unit: "kg"}})
	t.figure(p, "gravity", "Centre of gravity, by its panels", fmt.Sprintf("%s, %s, %s", p.MM(middle[0]), p.MM(middle[1]), p.MM(middle[2])),
		working.Working{Method: "Centre of gravity of panels", Source: "plane geometry", Formula: "c = Σ A·c / Σ A",
			Inputs:      []working.Quantity{{Symbol: "A", Name: "panels between their points", Value: panels, Unit: "mm²"}},
			Steps:       []working.Quantity{working.MM("x", "forward", middle[0]), working.MM("y", "left", middle[1])},
			Assumptions: []string{"of the panels between their points: holes and lips of their parts are not counted"},
			Result:      working.MM("z", "up", middle[2])})
	t.figure(p, "area", "Blanks as cut", p.Area(area*1e-6), working.Working{Method: "Area of the blanks", Source: "flat patterns of " +
		"its parts",
		Formula: "A = Σ (outline − cut holes)", Result: working.Quantity{Symbol: "A", Name: "area", Value: area, Unit: "mm²"}})
	t.figure(p, "paint", "To paint, both faces", p.Area(2*panels*1e-6), working.Working{Method: "Area to paint", Source: "plane geometry",
		Formula: "2·Σ A", Inputs: []working.Quantity{{Symbol: "A", Name: "panels between their points", Value: panels, Unit: "mm²"}},
		Assumptions: []string{"edges, holes and lips are not counted"}, Result: working.Quantity{Symbol: "P", Name: "to paint",
			Value: 2 * panels,
			Unit:  "mm²"}})
	t.figure(p, "weld", fmt.Sprintf("To weld, %d seams", seams), p.MM(weld), working.Working{Method: "Length to weld",
		Source: "edges between two panels that are not bent", Formula: "L = Σ lengths between points",
		Inputs:      []working.Quantity{{Symbol: "n", Name: "seams", Value: float64(seams)}},
		Assumptions: []string{"welded all along, on one side"}, Result: working.MM("L", "to weld", weld)})
}

// figure puts down one number of a body with its working.
func (t *FacetsTold) figure(p told.Pen, key, name, text string, w working.Working) {
	t.Figures = append(t.Figures, FacetFigure{key, name, text, p.Explain(w)})
}

// together says in which order blanks are put together, and what angles that are off make of the seams
// that are closed last.
func (t *FacetsTold) together(p told.Pen, f shell.Facets, b *facet.Built) {
	of := func(k int) string {
		var names []string
		for _, i := range b.Blanks[k].Faces {
			names = append(names, f.Called(b.Faces[i].ID))
		}
		if len(names) > 3 {
			return fmt.Sprintf("%s and %d more", names[0], len(names)-1)
		}
		return strings.Join(names, ", ")
	}
	number := func(edges []int) string {
		var out []string
		for _, e := range edges {
			out = append(out, fmt.Sprint(e+1))
		}
		return strings.Join(out, ", ")
	}
	for i, s := range b.Assembly() {
		switch {
		case i == 0:
			t.Order = append(t.Order, "Begin with "+of(s.Blank)+".")
		case len(s.Touches) == 0:
			t.Order = append(t.Order, of(s.Blank)+": it meets nothing that stands.")
		case s.Held:
			t.Order = append(t.Order, fmt.Sprintf("%s: seams %s hold it in place.", of(s.Blank), number(s.Touches)))
		default:
			t.Order = append(t.Order, fmt.Sprintf("%s: it swings about seam %s, set it by the gauge.", of(s.Blank), number(s.Touches)))
		}
	}
	type gap struct {
		says  string
		worst float64
	}
	var gaps []gap
	for i, e := range b.Edges {
		c, closes := b.Closes(i, angleOff)
		if !closes || e.Seam.Kind == facet.BentOne || len(c.Seams) < 2 {
			continue
		}
		gaps = append(gaps, gap{fmt.Sprintf("Seam %d, %s: it may gape %s at worst, likely %s; gauge seam %d first.", i+1,
			f.Called(e.A)+" – "+f.Called(e.B), p.MM(c.Worst), p.MM(c.Likely), c.Seams[c.First]+1), c.Worst})
	}
	slices.SortStableFunc(gaps, func(a, c gap) int { return int(1e6 * (c.worst - a.worst)) })
	for _, g := range gaps[:min(len(gaps), 5)] {
		t.Closing = append(t.Closing, g.says)
	}
	if m, err := stock.MaterialByKey(f.Material); err == nil && len(b.Edges) > 0 && m.Family == stock.Galvanized {
		t.Findings = append(t.Findings, working.Finding{Code: "zinc", Severity: working.Mind, Cause: "Welding",
			Reason: "Zinc is welded off: " +
				"its fumes harm. Grind it back beside every seam, air and a mask, and coat the seams after."})
	}
}
