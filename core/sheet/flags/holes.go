package flags

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// checkHoles asks of every hole: on its face, clear of bends, clear of the
// edge and of other holes, and large enough for the process.
func (b *flagger) checkHoles() {
	outline := b.Outline.Flatten(.02)
	for i := range b.Holes {
		h := &b.Holes[i]
		b.checkProcess(h)
		if !b.checkFace(h) {
			continue
		}
		b.checkEdge(h, outline)
	}
	for _, p := range b.Panels {
		b.lines[p] = tangents(p)
	}
	b.checkBends()
	b.checkSeams()
	b.checkWebs()
}

func (b *flagger) checkProcess(h *lay.Hole) {
	least := b.Process.SmallestHole(b.Recipe.Thickness)
	if !h.Cut() || h.Recipe.Made == sheet.MadePilot || narrowest(h) >= least-sheet.Tiny {
		return
	}
	at := len(b.Findings)
	b.Stop("hole-small", "Small holes", h.Subject(),
		fmt.Sprintf("%s cannot cut a hole under %s in %s sheet (%s).", b.Process.Name, b.Len(least), b.Len(b.Recipe.Thickness), b.Process.Source),
		b.smallFixes(h, least)...)
	b.Attach(at, func() working.Working {
		return working.Working{Method: "Smallest hole", Source: b.Process.Source, Formula: "least = max(factor·T, floor)",
			Inputs: []working.Quantity{{Symbol: "factor", Name: b.Process.Name, Value: b.Process.PerT},
				working.MM("T", "thickness", b.Recipe.Thickness),
				working.MM("floor", "floor", b.Process.Least)},
			Result: working.MM("least", "smallest hole", least)}
	})
}

func (b *flagger) smallFixes(h *lay.Hole, least float64) (out []working.Fix) {
	if h.Recipe.Kind == sheet.RoundHole {
		out = append(out, b.Fix("Centre-mark and drill it", h.Path+"/made", sheet.MadeDrilled))
	}
	if h.Recipe.Kind != sheet.CutoutHole && h.Recipe.Kind != sheet.KeyholeHole && h.Recipe.Diameter > 0 {
		out = append(out, b.Fix("Make it "+b.Len(sheet.HalfUp(least)), h.Path+"/diameter", sheet.HalfUp(least)))
	}
	return out
}

// checkFace tells whether the hole lies on its panel's flat face at all.
func (b *flagger) checkFace(h *lay.Hole) bool {
	w, ht := h.Panel.Size()
	r := h.R()
	rectangular := h.Panel.Rectangular()
	outside := func(c profile.Point) bool {
		if rectangular {
			return c.X-r < -sheet.Tiny || c.Y-r < -sheet.Tiny || c.X+r > w+sheet.Tiny || c.Y+r > ht+sheet.Tiny
		}
		rim := h.Panel.Outlined()
		return !profile.Inside(c, rim) || profile.Distance(c, rim) < r-.02-sheet.Tiny // chords lie so far inside arcs
	}
	for _, c := range h.Core() {
		if outside(c) {
			var fixes []working.Fix
			if rectangular && h.Recipe.Pattern == nil && h.Recipe.Kind == sheet.RoundHole && 2*r < w && 2*r < ht {
				fixes = append(fixes, b.bringIn(h, w, ht))
			}
			b.Stop("off-face", "Off its face", h.Subject(),
				fmt.Sprintf("%s runs off the flat of %s, which is %s × %s between its tangent lines.", h.Name, lay.Lower(h.Panel.Name),
					b.Len(w), b.Len(ht)), fixes...)
			return false
		}
	}
	return true
}

// bringIn moves a round hole to the nearest place on its face with a web of
// two thicknesses, or to the middle where there is less room.
func (b *flagger) bringIn(h *lay.Hole, w, ht float64) working.Fix {
	web := 2*b.Recipe.Thickness + h.Dia/2
	clamp := func(v, size float64) float64 {
		m := math.Min(web, size/2)
		return math.Max(m, math.Min(v, size-m))
	}
	by := profile.Point{X: clamp(h.Centre.X, w), Y: clamp(h.Centre.Y, ht)}.Sub(h.Centre)
	return b.Moved("Bring it onto the face", h, by)
}

// checkBends finds, for every hole feature and every bend of its panel, the
// hole nearest to the tangent line. A hole drilled after bending is exempt.
func (b *flagger) checkBends() {
	type key struct {
		feature string
		bend    *lay.Panel
	}
	worst := map[key]float64{}
	var order []key
	first := map[key]*lay.Hole{}
	for i := range b.Holes {
		h := &b.Holes[i]
		if !h.Cut() {
			continue
		}
		for _, line := range b.lines[h.Panel] {
			clear := profile.Between(h.Core(), line.seg[:]) - h.R()
			need := b.bendClearance(h, line.dir)
			k := key{h.Recipe.ID, line.bend}
			if short := need - clear; short > sheet.Tiny && clear > -sheet.Tiny {
				if _, ok := worst[k]; !ok {
					order = append(order, k)
				}
				if short > worst[k] {
					worst[k], first[k] = short, h
				}
			}
		}
	}
	for _, k := range order {
		h, short := first[k], worst[k]
		for _, line := range b.lines[h.Panel] {
			if line.bend != k.bend {
				continue
			}
			need := b.bendClearance(h, line.dir)
			at := len(b.Findings)
			b.Mind("hole-near-bend", "Holes near a bend", h.Subject(),
				fmt.Sprintf("%s is %s clear of the tangent line of %s and needs %s, or it bulges when bent.", h.Name, b.Len(need-short),
					lay.Lower(k.bend.Name), b.Len(need)),
				b.Moved("Move it "+b.Len(sheet.HalfUp(short)), h, line.away.Mul(sheet.HalfUp(short))),
				b.Fix("Drill it after bending", h.Path+"/made", sheet.MadeDrilled))
			b.Attach(at, func() working.Working {
				return working.Working{Method: "Clear distance from a bend", Source: "practice: 2·T for a round hole, 3·T for a slot along the bend",
					Formula: "clear = distance to the tangent line − radius",
					Inputs:  []working.Quantity{working.MM("T", "thickness", b.Recipe.Thickness), working.MM("clear", "clear distance", need-short)},
					Result:  working.MM("least", "needed", need)}
			})
		}
	}
}

// bendClearance answers the clear distance a hole needs from a bend that runs
// along dir: 2·T, and 3·T for a slot within 45° of the bend.
func (b *flagger) bendClearance(h *lay.Hole, dir profile.Point) float64 {
	if (h.Recipe.Kind == sheet.SlotHole || h.Recipe.Kind == sheet.RectangleHole || h.Recipe.Kind == sheet.KeyholeHole) &&
		math.Abs(h.Along.Dot(dir)) > math.Sqrt2/2-sheet.Tiny {
		return 3 * b.Recipe.Thickness
	}
	return 2 * b.Recipe.Thickness
}

type tangent struct {
	bend      *lay.Panel
	seg       [2]profile.Point
	dir, away profile.Point
}

// checkEdge measures the web to the outline and the edge distance from the
// hole's centre.
func (b *flagger) checkEdge(h *lay.Hole, outline []profile.Point) {
	d, t := h.Dia, b.Recipe.Thickness
	core := h.FlatCore()
	edge := profile.Between(core, outline)
	web := edge - h.R()
	at := len(b.Findings)
	switch {
	case web <= sheet.Tiny:
		b.Stop("hole-breaks-edge", "Holes near an edge", h.Subject(), fmt.Sprintf("%s breaks through the edge or a relief.", h.Name))
	case web < t-sheet.Tiny:
		b.Mind("hole-near-edge", "Holes near an edge", h.Subject(),
			fmt.Sprintf("Only %s is left between %s and the edge, less than the thickness.", b.Len(web), lay.Lower(h.Name)), b.inwards(h, t-web)...)
	case h.Form == nil && h.Recipe.Use.Bolted() && edge < 1.5*d-sheet.Tiny && d <= 26:
		b.Note("edge-distance", "Holes near an edge", h.Subject(),
			fmt.Sprintf("%s lies %s from the edge, under 1.5 diameters: as a bolt hole it tears out early.", h.Name, b.Len(edge)),
			b.inwards(h, 1.5*d-edge)...)
	}
	b.Attach(at, func() working.Working {
		return working.Working{Method: "Edge distance",
			Source: "practice: 1.5·d to a cut edge as a floor, 2·d usual; a web of at least one thickness", Formula: "web = e − d/2",
			Inputs: []working.Quantity{working.MM("e", "centre to the nearest edge", edge), working.MM("d", "hole", 2*h.R())},
			Result: working.MM("web", "left", web)}
	})
}

// inwards proposes to move a feature away from its nearest free edge.
func (b *flagger) inwards(h *lay.Hole, by float64) []working.Fix {
	best, dir := math.Inf(1), profile.Point{}
	for i := range h.Panel.Corners {
		if len(h.Panel.Kids[i]) > 0 || i == 0 && h.Panel.Flange != nil {
			continue
		}
		start, _, out, _ := h.Panel.Edge(i)
		if d := -out.Dot(h.Centre.Sub(start)); d < best {
			best, dir = d, out.Mul(-1)
		}
	}
	if math.IsInf(best, 1) || best > 2*h.Dia+h.Recipe.Length+h.Reach() {
		return nil
	}
	return []working.Fix{b.Moved("Move it "+b.Len(sheet.HalfUp(by)), h, dir.Mul(sheet.HalfUp(by)))}
}

// checkWebs finds holes of one panel that run into each other or leave less
// than a thickness between them.
func (b *flagger) checkWebs() {
	t := b.Recipe.Thickness
	told := map[[2]string]bool{}
	reaches := make([]float64, len(b.Holes))
	for i := range b.Holes {
		reaches[i] = b.Holes[i].Reach()
	}
	for i := range b.Holes {
		h := &b.Holes[i]
		for j := i + 1; j < len(b.Holes); j++ {
			o := &b.Holes[j]
			reach := reaches[i] + reaches[j] + t
			if d := o.Centre.Sub(h.Centre); o.Panel != h.Panel || math.Abs(d.X) > reach || math.Abs(d.Y) > reach {
				continue
			}
			key := [2]string{h.Recipe.ID, o.Recipe.ID}
			if told[key] {
				continue
			}
			web := profile.Between(h.Core(), o.Core()) - h.R() - o.R()
			if h.Holds(o.Centre) || o.Holds(h.Centre) {
				web = 0
			}
			if web >= t-sheet.Tiny {
				continue
			}
			if h.Recipe.Pattern != nil || o.Recipe.Pattern != nil { // else no two of theirs meet again
				told[key] = true
			}
			if meet := web <= sheet.Tiny; meet && b.Enough(working.Stop, "holes-meet") || !meet && b.Enough(working.Mind, "holes-close") {
				continue
			}
			other := o.Name
			if o.Recipe.ID == h.Recipe.ID {
				other = "its neighbour"
			}
			if web <= sheet.Tiny {
				b.Stop("holes-meet", "Holes too close", h.Subject(), fmt.Sprintf("%s runs into %s.", h.Name, lay.Lower(other)))
			} else {
				b.Mind("holes-close", "Holes too close", h.Subject(),
					fmt.Sprintf("Only %s is left between %s and %s, less than the thickness.", b.Len(web), lay.Lower(h.Name), lay.Lower(other)))
			}
		}
	}
}

// narrowest answers the narrowest place of a hole.
func narrowest(h *lay.Hole) float64 {
	if h.Recipe.Kind == sheet.KeyholeHole {
		return h.Recipe.Narrow
	}
	if h.Recipe.Kind == sheet.CutoutHole { // a corner is cut as fine as its kerf: its size is what counts
		w, ht := h.Form.Bounds().Size()
		return math.Min(w, ht)
	}
	return h.Dia
}

// tangents lists the tangent lines that border a panel, in its axes.
func tangents(p *lay.Panel) []tangent {
	var out []tangent
	if p.Flange != nil {
		_, dir, n, _ := p.Edge(0)
		out = append(out, tangent{p, [2]profile.Point{{}, {X: p.Zone}}, dir, n.Mul(-1)})
	}
	for i := range p.Corners {
		_, dir, n, _ := p.Edge(i)
		for _, k := range p.Kids[i] {
			out = append(out, tangent{k, [2]profile.Point{p.Point(i, k.At[0], 0), p.Point(i, k.At[1], 0)}, dir, n.Mul(-1)})
		}
	}
	return out
}
