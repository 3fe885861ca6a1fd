package made

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/solid"
)

// describe fills in the part's drawing: panels, bend lines, holes, body.
func (b *maker) describe(part *Part) {
	faces := make([]profile.Loop, len(b.Panels))
	part.Panels, part.BendLines, part.Holes = make([]PanelMade, 0, len(b.Panels)), make([]BendLine, 0, len(b.Panels)),
		make([]HoleMade, 0, len(b.Holes))
	for i, p := range b.Panels {
		faces[i] = b.Face(p)
		part.Panels = append(part.Panels, b.panelMade(p, faces[i]))
		if p.Flange != nil {
			part.BendLines = append(part.BendLines, b.bendLine(p, part.Bounds.Min))
		}
	}
	for i := range b.Holes {
		part.Holes = append(part.Holes, b.holeMade(&b.Holes[i], part.Bounds.Min))
	}
	part.Body = Body{Thickness: b.Recipe.Thickness, Panels: []BodyPanel{}, Bends: []BodyBend{}, Edges: [][]solid.Vector{}}
	switch {
	case b.Round != nil:
		part.Round = b.roundMade()
		facets, rows := b.Round.Facets(b.Recipe.Thickness, chordDeviation)
		if b.opt.Body {
			part.Body = b.roundBody(facets, rows)
		}
		part.Body.Min, part.Body.Max = roundExtent(rows)
	case b.opt.Body:
		part.Body = b.body(faces)
		fallthrough
	default:
		part.Body.Min, part.Body.Max = b.extent()
	}
	part.Ordinates = b.ordinates(part)
}

func (b *maker) panelMade(p *lay.Panel, face profile.Loop) PanelMade {
	m := PanelMade{ID: p.ID, Name: p.Name, Path: p.Path, Edges: make([]EdgeMade, 0, 4), Seat: p.Seat(), Pose: p.Pose}
	if p.Parent != nil {
		m.Parent = p.Parent.ID
		w, _ := p.Size()
		for _, q := range []profile.Point{{X: 0, Y: -p.Taken.Allowance}, {X: w, Y: -p.Taken.Allowance}, {X: w}, {}} {
			m.Zone = append(m.Zone, p.Pose.Apply(q))
		}
	}
	for _, q := range face.Flatten(.1) {
		m.Flat = append(m.Flat, p.Pose.Apply(q))
	}
	w, h := p.Size()
	m.Middle = p.Pose.Apply(profile.Point{X: w / 2, Y: h / 2})
	if p.Flange == nil && !p.Rectangular() {
		m.Middle = middle(p.Outlined())
	}
	for i := range p.Corners {
		role := "free"
		switch {
		case !p.Straight(i), b.Round != nil && !slices.Contains(straightSides, p.Facing(i)):
			role = "round"
		case i == 0 && p.Flange != nil:
			role = "bend"
		case len(p.Kids[i]) > 0:
			role = "bent"
		case i == 2 && p.Flange != nil:
			role = "tip"
		}
		m.Edges = append(m.Edges, EdgeMade{p.Facing(i), p.Pose.Apply(p.Corners[i]), p.Pose.Apply(p.Corners[p.Next(i)]), role})
	}
	return m
}

// straightSides are those of a round's blank that have one direction.
var straightSides = []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left}

// middle answers the middle of an outline's area.
func middle(p []profile.Point) (m profile.Point) {
	sum := 0.0
	for i, q := range p {
		r := p[(i+1)%len(p)]
		c := q.Cross(r)
		sum += c
		m = m.Add(q.Add(r).Mul(c / 3))
	}
	return m.Mul(1 / sum)
}

func (b *maker) bendLine(p *lay.Panel, zero profile.Point) BendLine {
	f, t := p.Flange, b.Recipe.Thickness
	w, _ := p.Size()
	half := p.Taken.Allowance / 2
	l := BendLine{ID: p.ID, Name: p.Name, Angle: f.Angle, Opens: 180 - f.Angle, Up: f.Up, InsideRadius: f.InsideRadius,
		Radius:        lay.Length{MM: f.InsideRadius, Text: b.Given(f.InsideRadius), Lies: "exact"},
		BendAllowance: p.Taken.Allowance, Allowance: b.Fine(p.Taken.Allowance), BendDeduction: p.Taken.Deduction,
		Deduction: b.Fine(p.Taken.Deduction),
		KFactor:   p.Taken.K, School: p.Taken.School, Length: b.Length(w), Working: p.Taken.Working,
		TangentOffsets: [2]float64{-half, half},
		From:           p.Pose.Apply(profile.Point{X: w, Y: -half}), To: p.Pose.Apply(profile.Point{Y: -half})}
	switch {
	case math.Abs(l.From.X-l.To.X) < sheet.Tiny:
		l.Axis, l.Place = "x", b.Length(l.From.X-zero.X)
	case math.Abs(l.From.Y-l.To.Y) < sheet.Tiny:
		l.Axis, l.Place = "y", b.Length(l.From.Y-zero.Y)
	default: // slanted: both its ends are marked
		l.Axis = "slanted"
		l.Place = lay.Length{Text: fmt.Sprintf("%s, %s to %s, %s", b.Len(l.From.X-zero.X), b.Len(l.From.Y-zero.Y), b.Len(l.To.X-zero.X),
			b.Len(l.To.Y-zero.Y)), Lies: "exact"}
	}
	if f.Angle > sheet.MaxApex {
		l.Deduction = lay.Length{Text: "none", Lies: "exact"}
	}
	for _, k := range b.Known {
		if k.Radius == f.InsideRadius && k.Angle == f.Angle {
			l.Aim, l.AimWorking = k.Aim, k.AimWorking
		}
	}
	if tool, assumed := b.Recipe.Tool.Effective(t); tool.Kind == bend.ToolVDie && f.Form().Die {
		if force, err := bend.Force(bend.ForceInput{Thickness: t, Length: w, DieOpening: tool.Opening,
			Tensile: b.Material.Tensile}); err == nil {
			l.Force, l.ForceWorking = &force.Newtons, b.Explain(force.Working)
			if assumed {
				l.ForceWorking.Assumptions = append(l.ForceWorking.Assumptions, "the usual die opening is taken because none is given")
			}
		}
	}
	return l
}

func (b *maker) holeMade(h *lay.Hole, zero profile.Point) HoleMade {
	m := HoleMade{ID: h.ID, Feature: h.Recipe.ID, Panel: h.Panel.ID, Name: h.Name, Kind: h.Recipe.Kind, Made: h.Recipe.Made,
		Diameter: h.Dia,
		Cut:      h.Pre, Says: h.Says,
		Centre: h.Panel.Pose.Apply(h.Centre), On: b.onRound(h.Panel, h.Centre)}
	m.Body, m.Normal, _ = b.OnBody(h.Panel, h.Centre)
	if m.Made == "" {
		m.Made = sheet.MadeCut
	}
	m.X, m.Y = b.Length(m.Centre.X-zero.X), b.Length(m.Centre.Y-zero.Y)
	if h.Recipe.Use != nil {
		m.Use, m.Back = h.Recipe.Use.Kind, h.Recipe.Use.Back
	}
	m.Size = "Ø " + b.Given(h.Dia)
	switch h.Recipe.Kind {
	case sheet.RoundHole:
		return m
	case sheet.SlotHole, sheet.RectangleHole, sheet.KeyholeHole:
		m.Length = h.Recipe.Length
		if h.Tab[0] > 0 {
			m.Length = h.Tab[0]
		}
		m.Size = b.Given(h.Dia) + " × " + b.Given(m.Length)
	case sheet.SquareHole:
		m.Size = b.Given(h.Dia) + " square"
	case sheet.DHole:
		m.Size += ", " + b.Given(h.Recipe.Flat) + " across"
	case sheet.CutoutHole:
		x, y := h.Form.Bounds().Size()
		m.Size = b.Given(x) + " × " + b.Given(y)
	}
	m.Loop = h.Loop()
	return m
}

// ordinates lists the blank's edges and bend lines by their distance from its
// front left corner.
func (b *maker) ordinates(part *Part) Ordinates {
	var o Ordinates
	min, max := part.Bounds.Min, part.Bounds.Max
	xs := []Ordinate{{At: max.X, What: "edge"}}
	ys := []Ordinate{{At: max.Y, What: "edge"}}
	for _, l := range part.BendLines {
		switch l.Axis {
		case "x":
			xs = append(xs, Ordinate{At: l.From.X, What: "bend"})
		case "y":
			ys = append(ys, Ordinate{At: l.From.Y, What: "bend"})
		}
	}
	o.X, o.Y = b.marks(xs, min.X), b.marks(ys, min.Y)
	return o
}

func (b *maker) marks(list []Ordinate, zero float64) []Ordinate {
	slices.SortFunc(list, func(a, b Ordinate) int { return cmp.Compare(a.At, b.At) })
	out := list[:0]
	for _, m := range list {
		if n := len(out); n > 0 && math.Abs(out[n-1].At-m.At) < .01 {
			continue
		}
		m.Dist = b.Length(m.At - zero)
		out = append(out, m)
	}
	return out
}
