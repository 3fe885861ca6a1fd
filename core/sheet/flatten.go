package sheet

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
)

// quarterBulge is tan(90°/4).
var quarterBulge = math.Tan(math.Pi / 8)

// reaches tells which ends of its edge a flange reaches.
func (p *panel) reachesStart() bool { return p.at[0] < tiny }
func (p *panel) reachesEnd() bool {
	_, _, _, l := p.parent.edge(p.on)
	return p.at[1] > l-tiny
}

// cornerReliefs decides where two bends meet at a corner and how large the
// cut there is: as deep as the deeper relief of the two, within both bend
// zones.
func (b *layer) cornerReliefs(p *panel) {
	for i := range p.corners {
		prev, next := p.kids[p.before(i)], p.kids[i]
		if len(prev) == 0 || len(next) == 0 {
			continue
		}
		a, c := prev[len(prev)-1], next[0]
		if !a.reachesEnd() || !c.reachesStart() {
			continue
		}
		if a.relief.Kind == Tear || c.relief.Kind == Tear {
			b.mind("corner-tear", "Reliefs", a, fmt.Sprintf("%s and %s meet at a corner with nothing cut away: it bulges and may crack.", a.name,
				c.name),
				b.fix("Cut a round relief", a.path+"/relief/kind", Round, c.path+"/relief/kind", Round))
			continue
		}
		p.cornersRound[i] = a.relief.Kind == Round || c.relief.Kind == Round
		p.corners90[i] = min(max(a.relief.Depth, c.relief.Depth), a.taken.Allowance, c.taken.Allowance)
	}
}

// walker follows the outline of the flat pattern, or of one panel's face.
type walker struct {
	b    *laid
	loop profile.Loop
}

func (w *walker) put(p *panel, q profile.Point, bulge float64) {
	q = p.pose.apply(q)
	w.loop = append(w.loop, profile.Vertex{X: q.X, Y: q.Y, Bulge: bulge})
}

// walk answers the flat pattern's outer loop, anticlockwise.
func (b *laid) walk(base *panel) profile.Loop {
	w := &walker{b: b}
	for e := range base.corners {
		w.edge(base, e, true)
	}
	return w.loop.Tidy()
}

// face answers the outline of the panel's own flat part, in its own axes.
func (b *laid) face(p *panel) profile.Loop {
	w := &walker{b: b}
	bare := *p
	bare.pose = pose{ex: profile.Point{X: 1}, ey: profile.Point{Y: 1}}
	for e := range p.corners {
		w.edge(&bare, e, false)
	}
	return w.loop.Tidy()
}

// edge walks one edge from its start to its end, flanges and reliefs included,
// and the corner at its end.
func (w *walker) edge(p *panel, e int, whole bool) {
	_, _, _, length := p.edge(e)
	kids := p.kids[e]
	if !p.straight(e) {
		w.put(p, p.corners[e], p.bulges[e])
		return
	}
	if p.corners90[e] == 0 && w.treated(p, e) == 0 {
		w.put(p, p.point(e, 0, 0), 0)
	}
	cuts := 0
	upTo := func(t float64) {
		for p.cuts != nil && cuts < len(p.cuts[e]) && p.cuts[e][cuts].from < t {
			w.edgeCut(p, e, p.cuts[e][cuts])
			cuts++
		}
	}
	for i, k := range kids {
		upTo(k.at[0])
		cut := w.b.reliefs(k)
		if !(i == 0 && p.corners90[e] > 0) {
			w.notch(p, e, k.at[0], k.relief, cut[0], -1)
		}
		if whole {
			w.flange(k)
		}
		if !(i == len(kids)-1 && p.corners90[p.next(e)] > 0) {
			w.notch(p, e, k.at[1], k.relief, cut[1], 1)
		}
	}
	upTo(length)
	w.cornerAt(p, e, length, whole)
}

// flange walks the three free edges of a flange, and its feet where they run on
// past the bend.
func (w *walker) flange(k *panel) {
	start, end := k.runsOn()
	if end {
		w.put(k, profile.Point{X: k.zone}, 0)
	}
	for e := 1; e < 4; e++ {
		w.edge(k, e, true)
	}
	if start {
		w.put(k, k.corners[0], 0)
	}
	if start || math.Abs(k.corners[3].X) > tiny {
		w.put(k, profile.Point{}, 0)
	}
}

// notch cuts the relief beside a bend's end at t; side −1 before it, 1 after.
// Without a relief the bend simply ends on the edge.
func (w *walker) notch(p *panel, e int, t float64, r Relief, cut bool, side float64) {
	if !cut {
		w.put(p, p.point(e, t, 0), 0)
		return
	}
	far := t + side*r.Width
	floor, bulge := r.Depth, 0.0
	if r.Kind == Round {
		floor, bulge = max(r.Depth-r.Width/2, 0), -1
	}
	// Walked in the edge's direction: into the sheet at the first side, out at
	// the second; the floor of a round relief is a half circle bulging inwards.
	a, c := t, far
	if side < 0 {
		a, c = far, t
		w.put(p, p.point(e, a, 0), 0)
	}
	w.put(p, p.point(e, a, -floor), bulge)
	w.put(p, p.point(e, c, -floor), 0)
	if side > 0 {
		w.put(p, p.point(e, c, 0), 0)
	}
}

// reliefs tells at which ends of a flange a relief is cut.
func (b *laid) reliefs(k *panel) [2]bool {
	if k.relief.Kind == Tear {
		return [2]bool{}
	}
	before, after := k.room()
	need := k.relief.Width - tiny
	return [2]bool{!k.reachesStart() && before >= need, !k.reachesEnd() && after >= need}
}

// room answers the length of edge free for a relief on both sides of a flange:
// to the corner, or to the relief of the next flange on the edge.
func (k *panel) room() (before, after float64) {
	_, _, _, l := k.parent.edge(k.on)
	before, after = k.at[0], l-k.at[1]
	for _, other := range k.parent.kids[k.on] {
		switch {
		case other == k:
		case other.at[1] <= k.at[0]+tiny:
			before = min(before, k.at[0]-other.at[1]-other.relief.Width)
		default:
			after = min(after, other.at[0]-other.relief.Width-k.at[1])
		}
	}
	return before, after
}

// treated answers the size of the radius or chamfer at corner i, 0 where a
// bend reaches it or none is asked for.
func (w *walker) treated(p *panel, i int) float64 {
	if p.corner.Size <= 0 || p.corner.Kind == Square || p.corner.Kind == "" {
		return 0
	}
	if p.flange != nil && i < 2 { // ends of the panel's own bend
		return 0
	}
	if !p.straight(i) || !p.straight(p.before(i)) {
		return 0
	}
	prev, next := p.kids[p.before(i)], p.kids[i]
	_, in, _, before := p.edge(p.before(i))
	_, out, _, after := p.edge(i)
	turn := math.Atan2(in.Cross(out), in.Dot(out)) // 90° at a square corner
	if turn < .02 {
		return 0
	}
	size := p.corner.Size
	if p.corner.Kind == Radius {
		size *= math.Tan(turn / 2) // from the corner to where the arc begins
	}
	size = min(size, before/2, after/2)
	if len(prev) > 0 && prev[len(prev)-1].at[1] > before-size-prev[len(prev)-1].relief.Width {
		return 0
	}
	if len(next) > 0 && next[0].at[0] < size+next[0].relief.Width {
		return 0
	}
	return size
}

// cornerAt walks the corner at the end of edge e.
func (w *walker) cornerAt(p *panel, e int, length float64, whole bool) {
	next := p.next(e)
	if r := p.corners90[next]; r > 0 {
		_, in, _, _ := p.edge(e)
		_, out, _, _ := p.edge(next)
		inside := math.Pi - math.Atan2(in.Cross(out), in.Dot(out))
		bulge, within := -quarterBulge, -math.Tan(inside/4)
		square := !p.cornersRound[next]
		if square {
			bulge, within = 0, 0
		}
		// From the first bend's side, through the base, to the second bend's side.
		if whole {
			w.put(p, p.point(e, length, r), bulge)
			if square {
				w.put(p, p.point(e, length-r, r), 0)
			}
		}
		w.put(p, p.point(e, length-r, 0), within)
		if square {
			w.put(p, p.corners[next].Add(out.Sub(in).Mul(r)), 0)
		}
		if !whole {
			w.put(p, p.point(next, r, 0), 0)
			return
		}
		w.put(p, p.point(next, r, 0), bulge)
		if square {
			w.put(p, p.point(next, r, r), 0)
		}
		w.put(p, p.point(next, 0, r), 0)
		return
	}
	if size := w.treated(p, next); size > 0 {
		bulge := 0.0
		if p.corner.Kind == Radius {
			_, in, _, _ := p.edge(e)
			_, out, _, _ := p.edge(next)
			bulge = math.Tan(math.Atan2(in.Cross(out), in.Dot(out)) / 4)
		}
		w.put(p, p.point(e, length-size, 0), bulge)
		w.put(p, p.point(next, size, 0), 0)
	}
}
