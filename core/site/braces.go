package site

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/member/shape"
	"warmanvil/core/section"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Brace keeps an opening of a frame square while it is welded: tacked on corner to corner, and taken off again.
type Brace struct {
	ID      string           `json:"id" doc:"of the opening"`
	Name    string           `json:"name"`
	Path    [2]solid.Vector  `json:"path" doc:"mm, from corner to corner"`
	Section string           `json:"section" doc:"of the table, or of what lies in the Shop; empty where none is long and stiff enough"`
	Long    float64          `json:"long" doc:"mm, to be cut"`
	Kilos   float64          `json:"kilos"`
	Lies    bool             `json:"lies" doc:"it is cut from a stick that lies in the Shop"`
	On      bool             `json:"on" doc:"it is on the parts list"`
	Says    string           `json:"says"`
	Working *working.Working `json:"working"`
}

const (
	braceLap  = 50.  // mm a brace lies on what it braces at each end (practice)
	braceSlim = 200. // L/r of what may be pressed (AISC 360 E2, user note)
)

// opening is an opening of a frame between four pieces, named.
type opening struct {
	shape.Quad
	id    string
	names [4]string // of its pieces
}

// across names the corners a tape is held in, from the first corner or from the second.
func (o opening) across(k int) string {
	corner := func(i int) string { return o.names[i%4] + " / " + o.names[(i+1)%4] }
	return fmt.Sprintf("%s to %s", corner(k), corner(k+2))
}

// openings lists the largest openings of a frame, as a tape is held across them. Of those that have two pieces in
// common, as between the rungs of a ladder, the largest is enough.
func openings(built *shape.Built) (out []opening) {
	for _, q := range built.Quads() {
		common := func(o opening) bool {
			n := 0
			for _, k := range q.Pieces {
				if slices.Contains(o.Pieces[:], k) {
					n++
				}
			}
			return n > 1
		}
		if slices.ContainsFunc(out, common) {
			continue
		}
		o := opening{Quad: q}
		for i, k := range q.Pieces {
			o.id, o.names[i] = strings.TrimSpace(o.id+" "+built.Runs[k].ID), built.Runs[k].Named()
		}
		out = append(out, o)
	}
	return out
}

// braces answers a brace for every opening: of the shortest stick of the Shop that does, else of the lightest tube that
// is sold.
func (s Site) braces(built *shape.Built, on []string) []Brace {
	out := []Brace{}
	whole := 10. // mm it is cut to
	if s.Brief.Inches() {
		whole = 25.4 / 2
	}
	for _, q := range openings(built) {
		b := Brace{ID: q.id, Name: q.across(0), Path: [2]solid.Vector{q.Corners[0], q.Corners[2]}, On: slices.Contains(on, q.id)}
		across, other := q.Diagonals()
		if other < across {
			across, b.Name, b.Path = other, q.across(1), [2]solid.Vector{q.Corners[1], q.Corners[3]}
		}
		b.Long = whole * math.Ceil((across+2*braceLap)/whole-1e-9)
		s.braceOf(&b, built.Steel, across)
		out = append(out, b)
	}
	return out
}

// braceOf chooses what a brace is cut from: of the frame's own metal, that it may be tacked on.
func (s Site) braceOf(b *Brace, m stock.Material, across float64) {
	pen := s.seamPen()
	least := across / braceSlim
	radius := 0.
	for _, stick := range s.Shop.Sticks(m.Key) {
		p, known := sectionNamed(stick.Section, m.Density)
		if known && stick.Long >= b.Long && p.RMin >= least {
			b.Section, b.Lies, b.Kilos, radius = stick.Section, true, p.MassPerMetre*b.Long/1000, p.RMin
			break
		}
	}
	if b.Section == "" {
		lightest := math.Inf(1)
		for _, t := range section.Table() {
			if t.Inches != s.Brief.Inches() || t.Sizes.Kind != "rectTube" {
				continue
			}
			if p, known := workedOf(t, m.Density); known && p.RMin >= least && p.MassPerMetre < lightest {
				b.Section, lightest, radius = t.Name, p.MassPerMetre, p.RMin
				b.Kilos = p.MassPerMetre * b.Long / 1000
			}
		}
	}
	if b.Section == "" {
		b.Says = fmt.Sprintf("%s: no tube of the table is stiff enough over %s. Brace it in two.", b.Name, pen.MM(across))
		return
	}
	from := ""
	if b.Lies {
		from = ", from a stick that lies in the Shop"
	}
	b.Says = fmt.Sprintf("%s: a brace of %s, %s long%s, over both corners on one face, two short tacks at each end, once it is tacked and "+
		"square. It comes off after the last run has cooled, its tacks ground.", b.Name, b.Section, pen.MM(b.Long), from)
	w := working.Working{Method: "Brace", Source: "AISC 360 E2, user note: L/r of what is pressed at most 200; what pulls it is not worked " +
		"out",
		Formula: "r ≥ L / 200; long = L + 2 · lap",
		Inputs:  []working.Quantity{working.MM("L", "corner to corner, the shorter way", across), working.MM("lap", "on what it braces", braceLap)},
		Steps:   []working.Quantity{working.MM("r", b.Section+", least radius of gyration", radius), working.MM("need", "least", least)},
		Assumptions: []string{"the lightest that does; a stick that lies there goes before",
			"it holds the opening square, not flat: clamp it down, or to a straight back"},
		Result: working.MM("long", "cut to", b.Long)}
	k := w.Written(s.Brief.Inches())
	b.Working = &k
}

// sectionNamed works a section of the table out, of a metal of so many kg/m³.
func sectionNamed(name string, density float64) (section.Properties, bool) {
	for _, t := range section.Table() {
		if t.Name == name {
			return workedOf(t, density)
		}
	}
	return section.Properties{}, false
}

func workedOf(t section.Stock, density float64) (section.Properties, bool) {
	t.Sizes.Density = density
	p, err := section.Work(t.Sizes)
	return p, err == nil
}
