package lay

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

// quarterBulge is tan(90°/4).
var quarterBulge = math.Tan(math.Pi / 8)

// reaches tells which ends of its edge a flange reaches.
func (p *Panel) ReachesStart() bool { return p.At[0] < sheet.Tiny }
func (p *Panel) ReachesEnd() bool {
	_, _, _, l := p.Parent.Edge(p.On)
	return p.At[1] > l-sheet.Tiny
}

// cornerReliefs decides where two bends meet at a corner and how large the
// cut there is: as deep as the deeper relief of the two, within both bend
// zones.
func (b *layer) cornerReliefs(p *Panel) {
	for i := range p.Corners {
		prev, next := p.Kids[p.Before(i)], p.Kids[i]
		if len(prev) == 0 || len(next) == 0 {
			continue
		}
		a, c := prev[len(prev)-1], next[0]
		if !a.ReachesEnd() || !c.ReachesStart() {
			continue
		}
		if a.Relief.Kind == sheet.Tear || c.Relief.Kind == sheet.Tear {
			b.Mind("corner-tear", "Reliefs", a, fmt.Sprintf("%s and %s meet at a corner with nothing cut away: it bulges and may crack.", a.Name,
				c.Name),
				b.Fix("Cut a round relief", a.Path+"/relief/kind", sheet.Round, c.Path+"/relief/kind", sheet.Round))
			continue
		}
		p.CornersRound[i] = a.Relief.Kind == sheet.Round || c.Relief.Kind == sheet.Round
		p.Corners90[i] = min(max(a.Relief.Depth, c.Relief.Depth), a.Taken.Allowance, c.Taken.Allowance)
	}
}

// Walker follows the outline of the flat pattern, or of one panel's face.
type Walker struct {
	B    *Laid
	loop profile.Loop
}

func (w *Walker) put(p *Panel, q profile.Point, bulge float64) {
	q = p.Pose.Apply(q)
	w.loop = append(w.loop, profile.Vertex{X: q.X, Y: q.Y, Bulge: bulge})
}

// walk answers the flat pattern's outer loop, anticlockwise.
func (b *Laid) walk(base *Panel) profile.Loop {
	w := &Walker{B: b}
	for e := range base.Corners {
		w.edge(base, e, true)
	}
	return w.loop.Tidy()
}

// Face answers the outline of the panel's own flat part, in its own axes.
func (b *Laid) Face(p *Panel) profile.Loop {
	w := &Walker{B: b}
	bare := *p
	bare.Pose = Pose{Ex: profile.Point{X: 1}, Ey: profile.Point{Y: 1}}
	for e := range p.Corners {
		w.edge(&bare, e, false)
	}
	return w.loop.Tidy()
}

// edge walks one edge from its start to its end, flanges and reliefs included,
// and the corner at its end.
func (w *Walker) edge(p *Panel, e int, whole bool) {
	_, _, _, length := p.Edge(e)
	kids := p.Kids[e]
	if !p.Straight(e) {
		w.put(p, p.Corners[e], p.Bulges[e])
		return
	}
	if p.Corners90[e] == 0 && w.Treated(p, e) == 0 {
		w.put(p, p.Point(e, 0, 0), 0)
	}
	cuts := 0
	upTo := func(t float64) {
		for p.Cuts != nil && cuts < len(p.Cuts[e]) && p.Cuts[e][cuts].From < t {
			w.edgeCut(p, e, p.Cuts[e][cuts])
			cuts++
		}
	}
	for i, k := range kids {
		upTo(k.At[0])
		cut := w.B.Reliefs(k)
		if !(i == 0 && p.Corners90[e] > 0) {
			w.notch(p, e, k.At[0], k.Relief, cut[0], -1)
		}
		if whole {
			w.flange(k)
		}
		if !(i == len(kids)-1 && p.Corners90[p.Next(e)] > 0) {
			w.notch(p, e, k.At[1], k.Relief, cut[1], 1)
		}
	}
	upTo(length)
	w.cornerAt(p, e, length, whole)
}

// flange walks the free edges of a flange, and its feet where they run on
// past the bend.
func (w *Walker) flange(k *Panel) {
	start, end := k.RunsOn()
	if k.Flange.Outline != nil { // the bend's ends run slanting to its own corners
		for e := 1; e < len(k.Corners); e++ {
			w.edge(k, e, true)
		}
		w.put(k, k.Corners[0], 0)
		return
	}
	if end {
		w.put(k, profile.Point{X: k.Zone}, 0)
	}
	for e := 1; e < 4; e++ {
		w.edge(k, e, true)
	}
	if start {
		w.put(k, k.Corners[0], 0)
	}
	if start || math.Abs(k.Corners[3].X) > sheet.Tiny {
		w.put(k, profile.Point{}, 0)
	}
}

// notch cuts the relief beside a bend's end at t; side −1 before it, 1 after.
// Without a relief the bend simply ends on the edge.
func (w *Walker) notch(p *Panel, e int, t float64, r sheet.Relief, cut bool, side float64) {
	if !cut {
		w.put(p, p.Point(e, t, 0), 0)
		return
	}
	far := t + side*r.Width
	floor, bulge := r.Depth, 0.0
	if r.Kind == sheet.Round {
		floor, bulge = max(r.Depth-r.Width/2, 0), -1
	}
	// Walked in the edge's direction: into the sheet at the first side, out at
	// the second; the floor of a round relief is a half circle bulging inwards.
	a, c := t, far
	if side < 0 {
		a, c = far, t
		w.put(p, p.Point(e, a, 0), 0)
	}
	w.put(p, p.Point(e, a, -floor), bulge)
	w.put(p, p.Point(e, c, -floor), 0)
	if side > 0 {
		w.put(p, p.Point(e, c, 0), 0)
	}
}

// Reliefs tells at which ends of a flange a relief is cut.
func (b *Laid) Reliefs(k *Panel) [2]bool {
	if k.Relief.Kind == sheet.Tear {
		return [2]bool{}
	}
	before, after := k.Room()
	need := k.Relief.Width - sheet.Tiny
	return [2]bool{!k.ReachesStart() && before >= need, !k.ReachesEnd() && after >= need}
}

// Room answers the length of edge free for a relief on both sides of a flange:
// to the corner, or to the relief of the next flange on the edge.
func (k *Panel) Room() (before, after float64) {
	_, _, _, l := k.Parent.Edge(k.On)
	before, after = k.At[0], l-k.At[1]
	for _, other := range k.Parent.Kids[k.On] {
		switch {
		case other == k:
		case other.At[1] <= k.At[0]+sheet.Tiny:
			before = min(before, k.At[0]-other.At[1]-other.Relief.Width)
		default:
			after = min(after, other.At[0]-other.Relief.Width-k.At[1])
		}
	}
	return before, after
}

// Treated answers the size of the radius or chamfer at corner i, 0 where a
// bend reaches it or none is asked for.
func (w *Walker) Treated(p *Panel, i int) float64 {
	if p.Corner.Size <= 0 || p.Corner.Kind == sheet.Square || p.Corner.Kind == "" {
		return 0
	}
	if p.Flange != nil && i < 2 { // ends of the panel's own bend
		return 0
	}
	if !p.Straight(i) || !p.Straight(p.Before(i)) {
		return 0
	}
	prev, next := p.Kids[p.Before(i)], p.Kids[i]
	_, in, _, before := p.Edge(p.Before(i))
	_, out, _, after := p.Edge(i)
	turn := math.Atan2(in.Cross(out), in.Dot(out)) // 90° at a square corner
	if turn < .02 {
		return 0
	}
	size := p.Corner.Size
	if p.Corner.Kind == sheet.Radius {
		size *= math.Tan(turn / 2) // from the corner to where the arc begins
	}
	size = min(size, before/2, after/2)
	if len(prev) > 0 && prev[len(prev)-1].At[1] > before-size-prev[len(prev)-1].Relief.Width {
		return 0
	}
	if len(next) > 0 && next[0].At[0] < size+next[0].Relief.Width {
		return 0
	}
	return size
}

// cornerAt walks the corner at the end of edge e.
func (w *Walker) cornerAt(p *Panel, e int, length float64, whole bool) {
	next := p.Next(e)
	if r := p.Corners90[next]; r > 0 {
		_, in, _, _ := p.Edge(e)
		_, out, _, _ := p.Edge(next)
		inside := math.Pi - math.Atan2(in.Cross(out), in.Dot(out))
		bulge, within := -quarterBulge, -math.Tan(inside/4)
		square := !p.CornersRound[next]
		if square {
			bulge, within = 0, 0
		}
		// From the first bend's side, through the base, to the second bend's side.
		if whole {
			w.put(p, p.Point(e, length, r), bulge)
			if square {
				w.put(p, p.Point(e, length-r, r), 0)
			}
		}
		w.put(p, p.Point(e, length-r, 0), within)
		if square {
			w.put(p, p.Corners[next].Add(out.Sub(in).Mul(r)), 0)
		}
		if !whole {
			w.put(p, p.Point(next, r, 0), 0)
			return
		}
		w.put(p, p.Point(next, r, 0), bulge)
		if square {
			w.put(p, p.Point(next, r, r), 0)
		}
		w.put(p, p.Point(next, 0, r), 0)
		return
	}
	if size := w.Treated(p, next); size > 0 {
		bulge := 0.0
		if p.Corner.Kind == sheet.Radius {
			_, in, _, _ := p.Edge(e)
			_, out, _, _ := p.Edge(next)
			bulge = math.Tan(math.Atan2(in.Cross(out), in.Dot(out)) / 4)
		}
		w.put(p, p.Point(e, length-size, 0), bulge)
		w.put(p, p.Point(next, size, 0), 0)
	}
}
