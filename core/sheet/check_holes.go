package sheet

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// checkHoles asks of every hole: on its face, clear of bends, clear of the
// edge and of other holes, and large enough for the process.
func (b *flagger) checkHoles() {
	outline := b.outline.Flatten(.02)
	for i := range b.holes {
		h := &b.holes[i]
		b.checkProcess(h)
		if !b.checkFace(h) {
			continue
		}
		b.checkEdge(h, outline)
	}
	for _, p := range b.panels {
		b.lines[p] = tangents(p)
	}
	b.checkBends()
	b.checkSeams()
	b.checkWebs()
}

func (b *flagger) checkProcess(h *hole) {
	least := b.process.SmallestHole(b.recipe.Thickness)
	if !h.cut() || h.recipe.Made == MadePilot || narrowest(h) >= least-tiny {
		return
	}
	at := len(b.findings)
	b.stop("hole-small", "Small holes", h.subject(),
		fmt.Sprintf("%s cannot cut a hole under %s in %s sheet (%s).", b.process.Name, b.len(least), b.len(b.recipe.Thickness), b.process.Source),
		b.smallFixes(h, least)...)
	b.attach(at, func() working.Working {
		return working.Working{Method: "Smallest hole", Source: b.process.Source, Formula: "least = max(factor·T, floor)",
			Inputs: []working.Quantity{{Symbol: "factor", Name: b.process.Name, Value: b.process.PerT}, working.MM("T", "thickness", b.recipe.Thickness),
				working.MM("floor", "floor", b.process.Least)},
			Result: working.MM("least", "smallest hole", least)}
	})
}

func (b *flagger) smallFixes(h *hole, least float64) (out []working.Fix) {
	if h.recipe.Kind == RoundHole {
		out = append(out, b.fix("Centre-mark and drill it", h.path+"/made", MadeDrilled))
	}
	if h.recipe.Kind != CutoutHole && h.recipe.Kind != KeyholeHole && h.recipe.Diameter > 0 {
		out = append(out, b.fix("Make it "+b.len(ceil(least)), h.path+"/diameter", ceil(least)))
	}
	return out
}

// checkFace tells whether the hole lies on its panel's flat face at all.
func (b *flagger) checkFace(h *hole) bool {
	w, ht := h.panel.size()
	r := h.r()
	rectangular := h.panel.rectangular()
	outside := func(c profile.Point) bool {
		if rectangular {
			return c.X-r < -tiny || c.Y-r < -tiny || c.X+r > w+tiny || c.Y+r > ht+tiny
		}
		rim := h.panel.outlined()
		return !profile.Inside(c, rim) || profile.Distance(c, rim) < r-.02-tiny // chords lie so far inside arcs
	}
	for _, c := range h.core() {
		if outside(c) {
			var fixes []working.Fix
			if rectangular && h.recipe.Pattern == nil && h.recipe.Kind == RoundHole && 2*r < w && 2*r < ht {
				fixes = append(fixes, b.bringIn(h, w, ht))
			}
			b.stop("off-face", "Off its face", h.subject(),
				fmt.Sprintf("%s runs off the flat of %s, which is %s × %s between its tangent lines.", h.name, lower(h.panel.name),
					b.len(w), b.len(ht)), fixes...)
			return false
		}
	}
	return true
}

// bringIn moves a round hole to the nearest place on its face with a web of
// two thicknesses, or to the middle where there is less room.
func (b *flagger) bringIn(h *hole, w, ht float64) working.Fix {
	web := 2*b.recipe.Thickness + h.dia/2
	clamp := func(v, size float64) float64 {
		m := math.Min(web, size/2)
		return math.Max(m, math.Min(v, size-m))
	}
	by := profile.Point{X: clamp(h.centre.X, w), Y: clamp(h.centre.Y, ht)}.Sub(h.centre)
	return b.moved("Bring it onto the face", h, by)
}

// checkBends finds, for every hole feature and every bend of its panel, the
// hole nearest to the tangent line. A hole drilled after bending is exempt.
func (b *flagger) checkBends() {
	type key struct {
		feature string
		bend    *panel
	}
	worst := map[key]float64{}
	var order []key
	first := map[key]*hole{}
	for i := range b.holes {
		h := &b.holes[i]
		if !h.cut() {
			continue
		}
		for _, line := range b.lines[h.panel] {
			clear := profile.Between(h.core(), line.seg[:]) - h.r()
			need := b.bendClearance(h, line.dir)
			k := key{h.recipe.ID, line.bend}
			if short := need - clear; short > tiny && clear > -tiny {
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
		for _, line := range b.lines[h.panel] {
			if line.bend != k.bend {
				continue
			}
			need := b.bendClearance(h, line.dir)
			at := len(b.findings)
			b.mind("hole-near-bend", "Holes near a bend", h.subject(),
				fmt.Sprintf("%s is %s clear of the tangent line of %s and needs %s, or it bulges when bent.", h.name, b.len(need-short),
					lower(k.bend.name), b.len(need)),
				b.moved("Move it "+b.len(ceil(short)), h, line.away.Mul(ceil(short))), b.fix("Drill it after bending", h.path+"/made", MadeDrilled))
			b.attach(at, func() working.Working {
				return working.Working{Method: "Clear distance from a bend", Source: "practice: 2·T for a round hole, 3·T for a slot along the bend",
					Formula: "clear = distance to the tangent line − radius",
					Inputs:  []working.Quantity{working.MM("T", "thickness", b.recipe.Thickness), working.MM("clear", "clear distance", need-short)},
					Result:  working.MM("least", "needed", need)}
			})
		}
	}
}

// bendClearance answers the clear distance a hole needs from a bend that runs
// along dir: 2·T, and 3·T for a slot within 45° of the bend.
func (b *flagger) bendClearance(h *hole, dir profile.Point) float64 {
	if (h.recipe.Kind == SlotHole || h.recipe.Kind == RectangleHole || h.recipe.Kind == KeyholeHole) &&
		math.Abs(h.along.Dot(dir)) > math.Sqrt2/2-tiny {
		return 3 * b.recipe.Thickness
	}
	return 2 * b.recipe.Thickness
}

type tangent struct {
	bend      *panel
	seg       [2]profile.Point
	dir, away profile.Point
}

// checkEdge measures the web to the outline and the edge distance from the
// hole's centre.
func (b *flagger) checkEdge(h *hole, outline []profile.Point) {
	d, t := h.dia, b.recipe.Thickness
	core := h.flatCore()
	edge := profile.Between(core, outline)
	web := edge - h.r()
	at := len(b.findings)
	switch {
	case web <= tiny:
		b.stop("hole-breaks-edge", "Holes near an edge", h.subject(), fmt.Sprintf("%s breaks through the edge or a relief.", h.name))
	case web < t-tiny:
		b.mind("hole-near-edge", "Holes near an edge", h.subject(),
			fmt.Sprintf("Only %s is left between %s and the edge, less than the thickness.", b.len(web), lower(h.name)), b.inwards(h, t-web)...)
	case h.form == nil && h.recipe.Use.bolted() && edge < 1.5*d-tiny && d <= 26:
		b.note("edge-distance", "Holes near an edge", h.subject(),
			fmt.Sprintf("%s lies %s from the edge, under 1.5 diameters: as a bolt hole it tears out early.", h.name, b.len(edge)),
			b.inwards(h, 1.5*d-edge)...)
	}
	b.attach(at, func() working.Working {
		return working.Working{Method: "Edge distance",
			Source: "practice: 1.5·d to a cut edge as a floor, 2·d usual; a web of at least one thickness", Formula: "web = e − d/2",
			Inputs: []working.Quantity{working.MM("e", "centre to the nearest edge", edge), working.MM("d", "hole", 2*h.r())}, Result: working.MM("web", "left", web)}
	})
}

// inwards proposes to move a feature away from its nearest free edge.
func (b *flagger) inwards(h *hole, by float64) []working.Fix {
	best, dir := math.Inf(1), profile.Point{}
	for i := range h.panel.corners {
		if len(h.panel.kids[i]) > 0 || i == 0 && h.panel.flange != nil {
			continue
		}
		start, _, out, _ := h.panel.edge(i)
		if d := -out.Dot(h.centre.Sub(start)); d < best {
			best, dir = d, out.Mul(-1)
		}
	}
	if math.IsInf(best, 1) || best > 2*h.dia+h.recipe.Length+h.reach() {
		return nil
	}
	return []working.Fix{b.moved("Move it "+b.len(ceil(by)), h, dir.Mul(ceil(by)))}
}

// checkWebs finds holes of one panel that run into each other or leave less
// than a thickness between them.
func (b *flagger) checkWebs() {
	t := b.recipe.Thickness
	told := map[[2]string]bool{}
	for i := range b.holes {
		h := &b.holes[i]
		for j := i + 1; j < len(b.holes); j++ {
			o := &b.holes[j]
			key := [2]string{h.recipe.ID, o.recipe.ID}
			if o.panel != h.panel || told[key] {
				continue
			}
			reach := h.reach() + o.reach() + t
			if d := o.centre.Sub(h.centre); math.Abs(d.X) > reach || math.Abs(d.Y) > reach {
				continue
			}
			web := profile.Between(h.core(), o.core()) - h.r() - o.r()
			if h.holds(o.centre) || o.holds(h.centre) {
				web = 0
			}
			if web >= t-tiny {
				continue
			}
			told[key] = true
			other := o.name
			if o.recipe.ID == h.recipe.ID {
				other = "its neighbour"
			}
			if web <= tiny {
				b.stop("holes-meet", "Holes too close", h.subject(), fmt.Sprintf("%s runs into %s.", h.name, lower(other)))
			} else {
				b.mind("holes-close", "Holes too close", h.subject(),
					fmt.Sprintf("Only %s is left between %s and %s, less than the thickness.", b.len(web), lower(h.name), lower(other)))
			}
		}
	}
}

// narrowest answers the narrowest place of a hole.
func narrowest(h *hole) float64 {
	if h.recipe.Kind == KeyholeHole {
		return h.recipe.Narrow
	}
	if h.recipe.Kind == CutoutHole { // a corner is cut as fine as its kerf: its size is what counts
		w, ht := h.form.Bounds().Size()
		return math.Min(w, ht)
	}
	return h.dia
}

// tangents lists the tangent lines that border a panel, in its axes.
func tangents(p *panel) []tangent {
	var out []tangent
	if p.flange != nil {
		_, dir, n, _ := p.edge(0)
		out = append(out, tangent{p, [2]profile.Point{{}, {X: p.zone}}, dir, n.Mul(-1)})
	}
	for i := range p.corners {
		_, dir, n, _ := p.edge(i)
		for _, k := range p.kids[i] {
			out = append(out, tangent{k, [2]profile.Point{p.point(i, k.at[0], 0), p.point(i, k.at[1], 0)}, dir, n.Mul(-1)})
		}
	}
	return out
}
