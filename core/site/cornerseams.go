package site

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/effort"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/weld"
)

// weldingPart gathers the corners of a folded part that are welded.
func (s Site) weldingPart(p *BuiltPart) (g welding) {
	g.name, g.sizes = p.Name, s.holesApart(p.ID)
	if p.Err != nil || !p.Built.Whole {
		g.why = p.Name + " cannot be built as it stands: look at it on the Shape bench."
		return g
	}
	g.sketch = outlines(&p.Built, solid.Ground)
	if b, err := made.Build(p.Recipe, made.Options{Body: true}); err == nil {
		body := b.Body.Solid()
		g.bulks, g.trees, g.names = []solid.Body{body}, []*solid.Tree{solid.NewTree(body)}, []string{"the part itself"}
	}
	m, err := stock.MaterialByKey(p.Recipe.Material)
	if err != nil {
		g.why = err.Error()
		return g
	}
	t := p.Recipe.Thickness
	by := s.layerOf("", m, t, t, false)
	for _, meet := range p.Recipe.WeldedMeets() {
		c, is := cornerOf(&p.Built, meet)
		if !is {
			continue
		}
		q := PlannedSeam{ID: meet.A + " " + meet.B, Name: c.name, Path: c.path[:], Leg: t, Long: lengthOf(c.path[:]), thin: t, metal: m,
			face: c.out, open: c.out, area: t * t / 2, by: by}
		q.Carries = s.carries(weld.Seam{ID: q.ID, Name: q.Name, Form: weld.CornerForm, Path: q.Path, Leg: t, Angle: c.between,
			Sides: [2]weld.SeamSide{{Name: c.names[0], Material: p.Recipe.Material, Thickness: t, Guessed: p.Recipe.Guessed, Normal: c.normals[0]},
				{Name: c.names[1], Material: p.Recipe.Material, Thickness: t, Guessed: p.Recipe.Guessed, Normal: c.normals[1]}}})
		g.laid = append(g.laid, effort.Weld{Long: q.Long / 1000, Leg: t, By: effort.By(by.process), Metal: string(m.Family)})
		g.seams = append(g.seams, q)
	}
	if from, to, out, closed := p.Built.Round.SeamLine(); closed && to.Sub(from).Len() > 0 {
		q := PlannedSeam{ID: "ends", Name: "its seam, end to end", Path: []solid.Vector{from, to}, Leg: t, Long: to.Sub(from).Len(), thin: t,
			metal: m, face: out, open: out, area: t * t / 2, by: by}
		side := weld.SeamSide{Name: p.Name, Material: p.Recipe.Material, Thickness: t, Guessed: p.Recipe.Guessed, Normal: out}
		form := weld.Seam{ID: q.ID, Name: q.Name, Form: weld.ButtForm, Path: q.Path, Sides: [2]weld.SeamSide{side, side}}
		if p.Built.Round.Lap != nil {
			form.Form, form.Leg = weld.LapForm, t
		}
		q.Carries = s.carries(form)
		g.laid = append(g.laid, effort.Weld{Long: q.Long / 1000, Leg: t, By: effort.By(by.process), Metal: string(m.Family)})
		g.seams = append(g.seams, q)
	}
	if len(g.seams) == 0 {
		g.why = fmt.Sprintf("No corner of %s is welded.", p.Name)
	}
	return g
}

// weldsItself tells whether a part has seams of its own: corners, or the ends of a round.
func (p *BuiltPart) weldsItself() bool {
	return len(p.Recipe.WeldedMeets()) > 0 || p.Err == nil && p.Built.Round != nil && p.Built.Round.Closed
}

// partCorner is where two flanges of a part meet once it is bent.
type partCorner struct {
	name    string
	names   [2]string
	path    [2]solid.Vector // mm, in the part's own axes, along the shorter of its edges
	edge    made.EdgeMade   // that edge, as it lies on the flat
	normals [2]solid.Vector // of the two panels, looking out of the corner
	out     solid.Vector    // the way it opens
	between float64         // degrees between its faces
}

// cornerOf finds the edges of two panels that lie along each other; false where there are none.
func cornerOf(p *made.Part, m sheet.Meet) (c partCorner, is bool) {
	panel := func(id string) *made.PanelMade {
		if k := slices.IndexFunc(p.Panels, func(x made.PanelMade) bool { return x.ID == id }); k >= 0 {
			return &p.Panels[k]
		}
		return nil
	}
	a, b := panel(m.A), panel(m.B)
	if a == nil || b == nil {
		return c, false
	}
	at := func(q *made.PanelMade, e made.EdgeMade) [2]solid.Vector {
		return [2]solid.Vector{q.Seat.At(q.Pose.Undo(e.From)), q.Seat.At(q.Pose.Undo(e.To))}
	}
	near := math.Inf(1)
	for _, ea := range a.Edges {
		for _, eb := range b.Edges {
			if ea.Role != "free" && ea.Role != "tip" || eb.Role != "free" && eb.Role != "tip" {
				continue
			}
			x, y, edge := at(a, ea), at(b, eb), ea
			dx, dy := x[1].Sub(x[0]), y[1].Sub(y[0])
			if dx.Len() < 1e-6 || dy.Len() < 1e-6 || math.Abs(dx.Unit().Dot(dy.Unit())) < .9 {
				continue
			}
			if dy.Len() < dx.Len() {
				x, y, dx, dy, edge = y, x, dy, dx, eb
			}
			mid := x[0].Add(x[1]).Mul(.5).Sub(y[0])
			apart := mid.Sub(dy.Unit().Mul(mid.Dot(dy.Unit()))).Len()
			if apart < near {
				near, c.path, c.edge = apart, x, edge
			}
		}
	}
	if near > 4*p.Body.Thickness+2 {
		return c, false
	}
	c.names = [2]string{a.Name, b.Name}
	c.name = a.Name + " to " + b.Name
	mid := c.path[0].Add(c.path[1]).Mul(.5)
	for k, q := range [2]*made.PanelMade{a, b} {
		c.normals[k] = q.Seat.Z
		other := [2]*made.PanelMade{b, a}[k]
		if c.normals[k].Dot(other.Seat.At(other.Pose.Undo(other.Middle)).Sub(mid)) > 0 {
			c.normals[k] = c.normals[k].Mul(-1)
		}
	}
	c.out = c.normals[0].Add(c.normals[1]).Unit()
	c.between = 180 - math.Acos(max(-1, min(1, c.normals[0].Dot(c.normals[1]))))*180/math.Pi
	return c, true
}

// SeamCarries is what a seam carries by itself, in words.
type SeamCarries struct {
	weld.Carried
	Says string `json:"says"`
}

// carries answers what a seam of a body or a corner carries by itself; nil where it is none.
func (s Site) carries(q weld.Seam) *SeamCarries {
	filler := ""
	m, err := stock.MaterialByKey(q.Sides[0].Material)
	if err != nil {
		return nil
	}
	for _, f := range stock.Fillers {
		if filler == "" && f.Metal == string(m.Family) && m.Family != stock.Steel { // the weakest of its metal, as of steel
			filler = f.Key
		}
	}
	c, err := weld.Carries(q, filler, s.Brief.Strength)
	if err != nil {
		return nil
	}
	out := SeamCarries{Carried: c}
	pen := s.seamPen()
	one := func(way string, v *float64, of float64, why string) string {
		if v == nil {
			return way + " nobody can say: " + strings.TrimSuffix(pen.Spoken(why), ".")
		}
		return fmt.Sprintf("%s %s, %.0f %% of the sheet beside it", way, s.perLength(*v), 100*math.Min(*v/of, 9.99))
	}
	out.Says = one("Along", c.Along, c.Sheared, c.WhyAlong) + ". " + one("Across", c.Across, c.Pulled, c.WhyAcross)
	if c.Along == nil && c.Across == nil && c.WhyAlong == c.WhyAcross {
		out.Says = "Nobody can say: " + strings.TrimPrefix(pen.Spoken(c.WhyAlong), q.Called()+": ")
	}
	out.Working = c.Working.Written(s.Brief.Inches())
	return &out
}

// perLength writes a force on each length as the job does.
func (s Site) perLength(v float64) string {
	if s.Brief.Inches() {
		return fmt.Sprintf("%.0f lbf/in", v*25.4/4.4482216152605)
	}
	return fmt.Sprintf("%.0f N/mm", v)
}

// Welding is a thing of the job with seams of its own: a frame, a faceted body, a part with welded corners,
// a round.
type Welding struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// Weldings lists what is welded besides the welded joints.
func (s Site) Weldings() []Welding {
	out := []Welding{}
	for _, f := range s.Frames {
		out = append(out, Welding{f.ID, f.Name})
	}
	for _, b := range s.Bodies {
		out = append(out, Welding{b.ID, b.Name})
	}
	for i := range s.Parts {
		if p := &s.Parts[i]; p.weldsItself() {
			out = append(out, Welding{p.ID, p.Name})
		}
	}
	return out
}
