package sheet

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// describe fills in the part's drawing: panels, bend lines, holes, body.
func (b *maker) describe(part *Part) {
	faces := make([]profile.Loop, len(b.panels))
	part.Panels, part.BendLines, part.Holes = make([]PanelMade, 0, len(b.panels)), make([]BendLine, 0, len(b.panels)),
		make([]HoleMade, 0, len(b.holes))
	for i, p := range b.panels {
		faces[i] = b.face(p)
		part.Panels = append(part.Panels, b.panelMade(p, faces[i]))
		if p.flange != nil {
			part.BendLines = append(part.BendLines, b.bendLine(p, part.Bounds.Min))
		}
	}
	for i := range b.holes {
		part.Holes = append(part.Holes, b.holeMade(&b.holes[i], part.Bounds.Min))
	}
	part.Body = Body{Thickness: b.recipe.Thickness, Panels: []BodyPanel{}, Bends: []BodyBend{}, Edges: [][]solid.Vector{}}
	if b.opt.Body {
		part.Body = b.body(faces)
	}
	part.Body.Min, part.Body.Max = b.extent()
	part.Ordinates = b.ordinates(part)
}

func (b *maker) panelMade(p *panel, face profile.Loop) PanelMade {
	m := PanelMade{ID: p.id, Name: p.name, Path: p.path, Edges: make([]EdgeMade, 0, 4), Seat: p.seat(), pose: p.pose}
	if p.parent != nil {
		m.Parent = p.parent.id
		w, _ := p.size()
		for _, q := range []profile.Point{{X: 0, Y: -p.taken.Allowance}, {X: w, Y: -p.taken.Allowance}, {X: w}, {}} {
			m.Zone = append(m.Zone, p.pose.apply(q))
		}
	}
	for _, q := range face.Flatten(.1) {
		m.Flat = append(m.Flat, p.pose.apply(q))
	}
	w, h := p.size()
	m.Middle = p.pose.apply(profile.Point{X: w / 2, Y: h / 2})
	if p.flange == nil && !p.rectangular() {
		m.Middle = middle(p.outlined())
	}
	for i := range p.corners {
		role := "free"
		switch {
		case !p.straight(i):
			role = "round"
		case i == 0 && p.flange != nil:
			role = "bend"
		case len(p.kids[i]) > 0:
			role = "bent"
		case i == 2 && p.flange != nil:
			role = "tip"
		}
		m.Edges = append(m.Edges, EdgeMade{p.facing(i), p.pose.apply(p.corners[i]), p.pose.apply(p.corners[p.next(i)]), role})
	}
	return m
}

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

func (b *maker) bendLine(p *panel, zero profile.Point) BendLine {
	f, t := p.flange, b.recipe.Thickness
	w, _ := p.size()
	half := p.taken.Allowance / 2
	l := BendLine{ID: p.id, Name: p.name, Angle: f.Angle, Opens: 180 - f.Angle, Up: f.Up, InsideRadius: f.InsideRadius,
		Radius:        b.length(f.InsideRadius),
		BendAllowance: p.taken.Allowance, Allowance: b.length(p.taken.Allowance), BendDeduction: p.taken.Deduction,
		Deduction: b.length(p.taken.Deduction),
		KFactor:   p.taken.K, School: p.taken.School, Length: b.length(w), Working: p.taken.Working, TangentOffsets: [2]float64{-half, half},
		From: p.pose.apply(profile.Point{X: w, Y: -half}), To: p.pose.apply(profile.Point{Y: -half})}
	switch {
	case math.Abs(l.From.X-l.To.X) < tiny:
		l.Axis, l.Place = "x", b.length(l.From.X-zero.X)
	case math.Abs(l.From.Y-l.To.Y) < tiny:
		l.Axis, l.Place = "y", b.length(l.From.Y-zero.Y)
	default: // slanted: both its ends are marked
		l.Axis = "slanted"
		l.Place = Length{Text: fmt.Sprintf("%s, %s to %s, %s", b.len(l.From.X-zero.X), b.len(l.From.Y-zero.Y), b.len(l.To.X-zero.X),
			b.len(l.To.Y-zero.Y)), Lies: "exact"}
	}
	if f.Angle > maxApex {
		l.Deduction = Length{Text: "none", Lies: "exact"}
	}
	for _, k := range b.known {
		if k.radius == f.InsideRadius && k.angle == f.Angle {
			l.Aim, l.AimWorking = k.aim, k.aimWorking
		}
	}
	if tool, assumed := b.recipe.Tool.Effective(t); tool.Kind == bend.ToolVDie && f.Kind != Roll && f.Kind != Hem {
		if force, err := bend.Force(bend.ForceInput{Thickness: t, Length: w, DieOpening: tool.Opening, Tensile: b.material.Tensile}); err == nil {
			l.Force, l.ForceWorking = &force.Newtons, b.explain(force.Working)
			if assumed {
				l.ForceWorking.Assumptions = append(l.ForceWorking.Assumptions, "the usual die opening is taken because none is given")
			}
		}
	}
	return l
}

func (b *maker) holeMade(h *hole, zero profile.Point) HoleMade {
	m := HoleMade{ID: h.id, Feature: h.recipe.ID, Panel: h.panel.id, Name: h.name, Kind: h.recipe.Kind, Made: h.recipe.Made, Diameter: h.dia,
		Cut: h.pre, Says: h.says,
		Centre: h.panel.pose.apply(h.centre), Body: h.panel.frame.apply(h.centre, 0), Normal: h.panel.frame.ez}
	if m.Made == "" {
		m.Made = MadeCut
	}
	m.X, m.Y = b.length(m.Centre.X-zero.X), b.length(m.Centre.Y-zero.Y)
	if h.recipe.Use != nil {
		m.Use, m.Back = h.recipe.Use.Kind, h.recipe.Use.Back
	}
	m.Size = "Ø " + b.len(h.dia)
	switch h.recipe.Kind {
	case RoundHole:
		return m
	case SlotHole, RectangleHole, KeyholeHole:
		m.Length = h.recipe.Length
		if h.tab[0] > 0 {
			m.Length = h.tab[0]
		}
		m.Size = b.len(h.dia) + " × " + b.len(m.Length)
	case SquareHole:
		m.Size = b.len(h.dia) + " square"
	case DHole:
		m.Size += ", " + b.len(h.recipe.Flat) + " across"
	case CutoutHole:
		x, y := h.form.Bounds().Size()
		m.Size = b.len(x) + " × " + b.len(y)
	}
	m.Loop = h.loop()
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
		m.Dist = b.length(m.At - zero)
		out = append(out, m)
	}
	return out
}
