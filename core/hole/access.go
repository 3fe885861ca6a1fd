package hole

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
)

// Obstacle is something in the way of tools.
type Obstacle struct {
	Name string
	Body solid.Body
}

// Side of a fastener: where its head or nut lies, and which way is out.
type Side struct {
	At   solid.Vector
	Axis solid.Vector // unit, out of the material
}

// Reach says whether a tool goes on.
type Reach string

// Reachable; tight, less than a finger's breadth to spare; blocked.
const (
	Reachable Reach = "reachable"
	Tight     Reach = "tight"
	Blocked   Reach = "blocked"
)

// tightBy is the room beside a tool under which it is told to be tight, mm, and
// closeFace how far off the face obstacles are let be: the face itself, washers.
const tightBy, closeFace = 3., .2

// ToolReach is one tool on one side.
type ToolReach struct {
	Tool  string   `json:"tool"`
	Name  string   `json:"name"`
	Reach Reach    `json:"reach" enum:"reachable,tight,blocked"`
	By    []string `json:"by" doc:"what is in the way, or near"`
	Swing float64  `json:"swing" doc:"degrees its handle has at a stretch; 360 without a handle"`
}

// Room is what surrounds a side of a fastener, ready to be asked by many tools:
// everything near in the side's own axes, z out of the material.
type Room struct {
	names  []string
	within map[int]bool // obstacles the axis starts inside of
	tris   []nearby
}

type nearby struct {
	of         int
	t          [3]solid.Vector
	low, high  float64 // along the axis
	away, edge float64 // nearest and farthest distance from the axis, nearest not over the true one
}

// RoomOf collects what lies within reach of a side.
func RoomOf(s Side, reach float64, obstacles []Obstacle) *Room {
	square := solid.Upon(s.At, s.Axis)
	x, y := square.X, square.Y
	r := &Room{within: map[int]bool{}}
	for i, o := range obstacles {
		r.names = append(r.names, o.Name)
		for _, piece := range o.Body.Pieces {
			lo, hi := piece.Bounds()
			if boxAway(s.At, lo, hi) > reach {
				continue
			}
			crossed := 0
			for _, t := range piece {
				n := nearby{of: i, low: math.Inf(1), high: math.Inf(-1)}
				for k, v := range t {
					d := v.Sub(s.At)
					q := solid.Vector{d.Dot(x), d.Dot(y), d.Dot(s.Axis)}
					n.t[k] = q
					n.low, n.high = min(n.low, q[2]), max(n.high, q[2])
					n.edge = max(n.edge, q[0]*q[0]+q[1]*q[1])
				}
				if n.onAxis() {
					crossed++
				}
				if n.high <= closeFace || n.low > reach {
					continue
				}
				if n.away = flatAway([]profile.Point{{X: n.t[0][0], Y: n.t[0][1]}, {X: n.t[1][0], Y: n.t[1][1]},
					{X: n.t[2][0], Y: n.t[2][1]}}); n.away > reach {
					continue
				}
				n.edge = math.Sqrt(n.edge)
				r.tris = append(r.tris, n)
			}
			if crossed%2 == 1 {
				r.within[i] = true
			}
		}
	}
	return r
}

// onAxis tells whether the axis, a hair beside its middle, runs through the
// triangle above the face.
func (n *nearby) onAxis() bool {
	const hairX, hairY = 1.7e-4, 2.3e-4
	cross := func(a, b solid.Vector) float64 {
		return (a[0]-hairX)*(b[1]-hairY) - (a[1]-hairY)*(b[0]-hairX)
	}
	u, v, w := cross(n.t[1], n.t[2]), cross(n.t[2], n.t[0]), cross(n.t[0], n.t[1])
	if u < 0 || v < 0 || w < 0 {
		if u > 0 || v > 0 || w > 0 {
			return false
		}
	}
	sum := u + v + w
	return sum != 0 && (u*n.t[0][2]+v*n.t[1][2]+w*n.t[2][2])/sum > closeFace
}

// boxAway answers the distance of a point from a box.
func boxAway(p, lo, hi solid.Vector) float64 {
	s := 0.
	for k := range p {
		d := max(0, lo[k]-p[k], p[k]-hi[k])
		s += d * d
	}
	return math.Sqrt(s)
}

// flatAway answers the distance of the origin from a flat outline, 0 inside it.
func flatAway(ring []profile.Point) float64 {
	inside := len(ring) > 2
	best, sign := math.Inf(1), 0.
	for i, a := range ring {
		b := ring[(i+1)%len(ring)]
		c := a.Cross(b)
		if c*sign < 0 {
			inside = false
		}
		if c != 0 {
			sign = c
		}
		d := b.Sub(a)
		t := 0.
		if l := d.Dot(d); l > 0 {
			t = math.Min(1, math.Max(0, -a.Dot(d)/l))
		}
		best = math.Min(best, a.Add(d.Mul(t)).Len())
	}
	if inside && sign != 0 {
		return 0
	}
	return best
}

// slice cuts a triangle to heights between two, seen along the axis.
func (n *nearby) slice(low, high float64, room []profile.Point) []profile.Point {
	poly := [8]solid.Vector{n.t[0], n.t[1], n.t[2]}
	count := 3
	for pass := range 2 {
		var out [8]solid.Vector
		k := 0
		keep := func(v solid.Vector) float64 {
			if pass == 0 {
				return v[2] - low
			}
			return high - v[2]
		}
		for i := range count {
			a, b := poly[i], poly[(i+1)%count]
			da, db := keep(a), keep(b)
			if da >= 0 {
				out[k] = a
				k++
			}
			if da*db < 0 {
				out[k] = a.Add(b.Sub(a).Mul(da / (da - db)))
				k++
			}
		}
		poly, count = out, k
	}
	room = room[:0]
	for _, v := range poly[:count] {
		room = append(room, profile.Point{X: v[0], Y: v[1]})
	}
	return room
}

// Try asks whether a tool goes on, and swings.
func (r *Room) Try(tool stock.ToolShape) ToolReach {
	out := ToolReach{Tool: tool.Key, Name: tool.Name, Reach: Reachable, By: []string{}, Swing: 360}
	var room [8]profile.Point
	by := map[int]bool{}
	blockers := map[int]bool{}
	for k := range r.within {
		blockers[k] = true
	}
	for i := range r.tris {
		n := &r.tris[i]
		for _, c := range tool.Rounds {
			from := math.Max(c.From, closeFace)
			if n.high <= from || n.low >= c.To || n.away >= c.Radius+tightBy {
				continue
			}
			flat := n.slice(from, c.To, room[:])
			if len(flat) == 0 {
				continue
			}
			switch away := flatAway(flat); {
			case away < c.Radius:
				blockers[n.of] = true
			case away < c.Radius+tightBy:
				by[n.of] = true
			}
		}
	}
	if h := tool.Handle; h != nil {
		swing, hit := r.swing(h, 0)
		out.Swing = swing
		need := math.Max(h.Swing, 1)
		if swing < need {
			for k := range hit {
				blockers[k] = true
			}
		} else if tightly, near := r.swing(h, tightBy); tightly < need {
			for k := range near {
				by[k] = true
			}
		}
	}
	list := by
	if len(blockers) > 0 {
		out.Reach, list = Blocked, blockers
	} else if len(by) > 0 {
		out.Reach = Tight
	}
	for k := range r.names {
		if list[k] && !slices.Contains(out.By, r.names[k]) {
			out.By = append(out.By, r.names[k])
		}
	}
	return out
}

// swing answers the widest stretch of directions a handle is free in, degrees,
// and what limits it. It errs to the blocked side: each obstacle takes the whole
// stretch its outline within the handle's reach spans, and the handle's width.
func (r *Room) swing(h *stock.ToolSwing, more float64) (free float64, hit map[int]bool) {
	half := h.Width/2 + more
	reach := h.Length + more
	from, to := math.Max(h.From-more, closeFace), h.To+more
	hit = map[int]bool{}
	var taken [][2]float64
	var room [8]profile.Point
	for i := range r.tris {
		n := &r.tris[i]
		if n.high <= from || n.low >= to || n.away >= reach {
			continue
		}
		flat := n.slice(from, to, room[:])
		if len(flat) == 0 {
			continue
		}
		if n.edge > reach { // what lies beyond its end takes no room
			flat = ringed(flat, reach)
			if len(flat) == 0 {
				continue
			}
		}
		away := flatAway(flat)
		if away >= reach {
			continue
		}
		hit[n.of] = true
		if away <= half {
			// Nearer than half its width: any way would touch, unless it leads straight off.
			if away < 1e-9 {
				return 0, hit
			}
		}
		lean := math.Pi / 2
		if away > half {
			lean = math.Asin(half / away)
		}
		a, b := span(flat)
		taken = append(taken, [2]float64{a - lean, b + lean})
	}
	return gap(taken), hit
}

// ringed cuts an outline to a sixteen-sided ring round the axis that holds the
// circle of a radius.
func ringed(flat []profile.Point, radius float64) []profile.Point {
	const sides = 16
	apothem := radius
	poly := slices.Clone(flat)
	for k := range sides {
		s, c := math.Sincos(2 * math.Pi * float64(k) / sides)
		way := profile.Point{X: c, Y: s}
		var out []profile.Point
		for i, a := range poly {
			b := poly[(i+1)%len(poly)]
			da, db := apothem-way.Dot(a), apothem-way.Dot(b)
			if da >= 0 {
				out = append(out, a)
			}
			if da*db < 0 {
				out = append(out, a.Add(b.Sub(a).Mul(da/(da-db))))
			}
		}
		if poly = out; len(poly) == 0 {
			return nil
		}
	}
	return poly
}

// span answers the stretch of directions, radians, in which an outline is seen
// from the origin, which lies outside it.
func span(flat []profile.Point) (a, b float64) {
	base := math.Atan2(flat[0].Y, flat[0].X)
	for _, p := range flat[1:] {
		d := math.Remainder(math.Atan2(p.Y, p.X)-base, 2*math.Pi)
		a, b = math.Min(a, d), math.Max(b, d)
	}
	return base + a, base + b
}

// gap answers the widest stretch, degrees, that none of the taken ones covers.
func gap(taken [][2]float64) float64 {
	if len(taken) == 0 {
		return 360
	}
	const turn = 2 * math.Pi
	var list [][2]float64
	for _, t := range taken {
		if t[1]-t[0] >= turn {
			return 0
		}
		a := math.Mod(t[0], turn)
		if a < 0 {
			a += turn
		}
		b := a + t[1] - t[0]
		if b > turn {
			list = append(list, [2]float64{a, turn}, [2]float64{0, b - turn})
		} else {
			list = append(list, [2]float64{a, b})
		}
	}
	slices.SortFunc(list, func(p, q [2]float64) int {
		if p[0] < q[0] {
			return -1
		}
		return 1
	})
	widest, end := 0., list[0][1]
	for _, t := range list[1:] {
		widest = math.Max(widest, t[0]-end)
		end = math.Max(end, t[1])
	}
	widest = math.Max(widest, list[0][0]+turn-end)
	return widest * 180 / math.Pi
}

// Withdraws tells whether something of a radius can be drawn out along the axis
// by a length, and what stops it.
func (r *Room) Withdraws(radius, length float64) (bool, []string) {
	t := r.Try(stock.ToolShape{Name: "the bolt", Rounds: []stock.Round{{Radius: radius, From: closeFace, To: length}}})
	if t.Reach == Blocked {
		return false, t.By
	}
	return true, nil
}

// said lists names for people.
func said(names []string) string {
	switch len(names) {
	case 0:
		return "something"
	case 1:
		return names[0]
	}
	return fmt.Sprintf("%s and %s", join(names[:len(names)-1]), names[len(names)-1])
}

func join(names []string) (s string) {
	for i, n := range names {
		if i > 0 {
			s += ", "
		}
		s += n
	}
	return s
}
