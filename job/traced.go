package job

import (
	"fmt"
	"math"

	"warmanvil/core/brief"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/site"
	"warmanvil/core/told"
	"warmanvil/core/trace"
	"warmanvil/core/working"
)

// TracedPart is one outline of a drawing as a part's base, in mm.
type TracedPart struct {
	Base   sheet.Base `json:"base"`
	Text   string     `json:"text" doc:"size and holes in words"`
	Width  float64    `json:"width" doc:"mm"`
	Height float64    `json:"height" doc:"mm"`

	Compared []site.Compared `json:"compared" doc:"its holes laid on what was measured"`
}

// TracedParts answers every outline that lies in no other as a base, with what
// lies in it as holes and cutouts. mm is what a unit of the file is; what cannot
// be a base is told among the findings.
func (s *Service) TracedParts(t *trace.Traced, mm float64, down bool, b brief.Brief) (parts []TracedPart, findings []working.Finding) {
	p := told.Pen{Display: b.Display()}
	findings = []working.Finding{}
	for i := range t.Loops {
		l := &t.Loops[i]
		if l.Depth != 0 {
			continue
		}
		if len(parts) == 20 {
			findings = append(findings, working.Finding{Code: "many-outlines", Severity: working.Mind, Cause: "Outlines",
				Reason: "The drawing has more than 20 outlines: the largest are taken."})
			break
		}
		base, left := s.tracedBase(t, i, mm, down)
		size := base.Shape
		w, h := l.Outline.Bounds().Size()
		holes := fmt.Sprintf("%d holes", len(base.Holes))
		if len(base.Holes) == 1 {
			holes = "1 hole"
		}
		words := fmt.Sprintf("%s × %s, %s", p.MM(w*mm), p.MM(h*mm), holes)
		if size != nil && size.Kind == sheet.Disc {
			words = fmt.Sprintf("Ø %s, %s", p.MM(base.Length), holes)
		}
		if left > 0 {
			findings = append(findings, working.Finding{Code: "inner-left", Severity: working.Mind, Cause: "Outlines",
				Reason: fmt.Sprintf("%d outlines lie in holes of another: they are parts of their own, and left out here.", left)})
		}
		parts = append(parts, TracedPart{base, words, w * mm, h * mm, []site.Compared{}})
	}
	return parts, findings
}

// placed carries a file's loop into mm with y up.
func placed(l profile.Loop, mm float64, down bool) profile.Loop {
	out := make(profile.Loop, len(l))
	for i, v := range l {
		out[i] = profile.Vertex{X: v.X * mm, Y: v.Y * mm, Bulge: v.Bulge}
		if down {
			out[i].Y, out[i].Bulge = -out[i].Y, -v.Bulge
		}
	}
	if down {
		return out.Reversed()
	}
	return out
}

// tracedBase makes a base of loop k and holes of the loops in it.
func (s *Service) tracedBase(t *trace.Traced, k int, mm float64, down bool) (base sheet.Base, left int) {
	outer := &t.Loops[k]
	loop := lowestFirst(placed(outer.Outline, mm, down))
	base = sheet.Base{ID: s.NewID(), Measure: sheet.Flat, Shape: &sheet.Shape{Kind: sheet.Polygon, Points: loop}}
	if outer.Round {
		base.Shape, base.Length = &sheet.Shape{Kind: sheet.Disc}, 2*outer.Radius*mm
	}
	// The base's own axes: its first corner, its first edge along x.
	o, along := loop[0].P(), profile.Point{X: 1}
	if loop[0].Bulge == 0 {
		d := loop[1].P().Sub(o)
		along = d.Mul(1 / d.Len())
	}
	into := func(q profile.Point) profile.Point {
		d := q.Sub(o)
		return profile.Point{X: d.Dot(along), Y: along.Cross(d)}
	}
	box := profile.Empty()
	for _, q := range loop.Flatten(.02) {
		box.Include(into(q))
	}
	middle := box.Min.Add(box.Max).Mul(.5)
	rim := placed(outer.Outline, mm, down).Flatten(.05)
	for i := range t.Loops {
		l := &t.Loops[i]
		if i == k || l.Depth == 0 {
			continue
		}
		in := placed(l.Outline, mm, down)
		if !profile.Inside(in[0].P(), rim) {
			continue
		}
		if l.Depth > 1 {
			left++
			continue
		}
		h := sheet.Hole{ID: s.NewID(), Kind: sheet.RoundHole, Diameter: 2 * l.Radius * mm}
		at := in.Bounds()
		c := at.Min.Add(at.Max).Mul(.5)
		if !l.Round {
			h.Kind, h.Diameter = sheet.CutoutHole, 0
			for j, v := range in {
				q := into(v.P()).Sub(into(c))
				in[j].X, in[j].Y = q.X, q.Y
			}
			h.Cut = in
		}
		q := into(c).Sub(middle)
		h.X, h.Y = sheet.Offset{Edge: sheet.Middle, Distance: fine(q.X)}, sheet.Offset{Edge: sheet.Middle, Distance: fine(q.Y)}
		base.Holes = append(base.Holes, h)
	}
	return base, left
}

// TracedCutouts answers every outline that lies in no other as a hole or cutout
// about the drawing's middle, to be cut into a panel.
func (s *Service) TracedCutouts(t *trace.Traced, mm float64, down bool) (out []sheet.Hole) {
	whole := profile.Empty()
	var loops []profile.Loop
	var round []float64
	for _, l := range t.Loops {
		if l.Depth != 0 || len(loops) == 200 {
			continue
		}
		p := placed(l.Outline, mm, down)
		b := p.Bounds()
		whole.Include(b.Min)
		whole.Include(b.Max)
		loops, round = append(loops, p), append(round, l.Radius*mm)
	}
	middle := whole.Min.Add(whole.Max).Mul(.5)
	for i, l := range loops {
		b := l.Bounds()
		c := b.Min.Add(b.Max).Mul(.5)
		h := sheet.Hole{ID: s.NewID(), Kind: sheet.RoundHole, Diameter: 2 * round[i]}
		if round[i] == 0 {
			h.Kind = sheet.CutoutHole
			for k, v := range l {
				l[k].X, l[k].Y = v.X-c.X, v.Y-c.Y
			}
			h.Cut = l
		}
		h.X, h.Y = sheet.Offset{Edge: sheet.Middle, Distance: fine(c.X - middle.X)},
			sheet.Offset{Edge: sheet.Middle, Distance: fine(c.Y - middle.Y)}
		out = append(out, h)
	}
	return out
}

// fine drops what lies below a millionth of a millimetre.
func fine(mm float64) float64 { return math.Round(mm*1e6) / 1e6 }

// lowestFirst turns a loop so that the straight edge that lies most in front
// comes first, or its first corner stays where there is none.
func lowestFirst(l profile.Loop) profile.Loop {
	best, at := math.Inf(1), 0
	n := len(l)
	for i, v := range l {
		d := l[(i+1)%n].P().Sub(v.P())
		if v.Bulge != 0 || d.X <= 0 || math.Abs(d.Y) > 1e-6*d.X {
			continue
		}
		if v.Y < best-1e-9 {
			best, at = v.Y, i
		}
	}
	if math.IsInf(best, 1) { // none runs to the right: the longest straight one
		long := 0.0
		for i, v := range l {
			if d := l[(i+1)%n].P().Sub(v.P()).Len(); v.Bulge == 0 && d > long {
				long, at = d, i
			}
		}
	}
	return append(append(profile.Loop{}, l[at:]...), l[:at]...)
}
