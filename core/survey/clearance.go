package survey

import (
	"math"
	"runtime"

	"warmanvil/core/solid"

	"golang.org/x/sync/errgroup"
)

// Thing is something placed on the vehicle: a part, a device, a bolt.
type Thing struct {
	ID    string
	Name  string
	Body  solid.Body
	Sigma float64 // mm, how well its place is known
}

// Clearance is the least distance between a thing and a space or another thing.
// Distance has the facets' deviation taken off; it is 0 where they meet.
type Clearance struct {
	Thing    int
	Space    int // −1 for a thing
	Other    int // −1 for a space
	Distance float64
	Need     float64
	Into     bool
	Depth    float64 // mm that one is in the other at least
	At       [3]float64
	To       [3]float64
	State    State   // where it is least
	Under    []State // states in which it is under what is needed
	Sigma    float64
}

// Clearances answers every thing against every space in every state, and every
// thing against the others, least first where it is short. between is what
// things keep off each other, mm.
func Clearances(things []Thing, spaces []Space, between float64) []Clearance {
	type body struct {
		tree      *solid.Tree
		deviation float64
	}
	made := make([]body, len(things))
	rooms := make([][]body, len(spaces))
	run := func(n int, f func(i int)) {
		var g errgroup.Group
		g.SetLimit(runtime.GOMAXPROCS(0))
		for i := range n {
			g.Go(func() error {
				f(i)
				return nil
			})
		}
		_ = g.Wait() // measuring cannot fail
	}
	run(len(things)+len(spaces), func(i int) {
		if i < len(things) {
			made[i] = body{solid.NewTree(things[i].Body), things[i].Body.Deviation}
			return
		}
		k := i - len(things)
		for n, st := range States {
			if n > 0 && spaces[k].Same(st, States[n-1]) {
				rooms[k] = append(rooms[k], rooms[k][n-1])
				continue
			}
			b := spaces[k].In(st)
			rooms[k] = append(rooms[k], body{solid.NewTree(b), b.Deviation})
		}
	})
	var out []Clearance
	for t := range things {
		for k := range spaces {
			out = append(out, Clearance{Thing: t, Space: k, Other: -1, Need: spaces[k].Keep(), Sigma: Root(things[t].Sigma,
				spaces[k].Sigma)})
		}
		for o := range t {
			out = append(out, Clearance{Thing: t, Space: -1, Other: o, Need: between, Sigma: Root(things[t].Sigma, things[o].Sigma)})
		}
	}
	run(len(out), func(i int) {
		c := &out[i]
		c.Distance = math.Inf(1)
		take := func(b body, st State) {
			off := made[c.Thing].deviation + b.deviation
			// A state counts where it is nearer than the others, or too near.
			g := solid.Within(made[c.Thing].tree, b.tree, max(c.Distance, c.Need)+off+1e-9)
			d := max(g.Distance-off, 0)
			if d < c.Need || g.Into {
				c.Under = append(c.Under, st)
			}
			if d < c.Distance || d == c.Distance && g.Depth > c.Depth {
				c.Distance, c.Into, c.Depth, c.At, c.To, c.State = d, g.Into, g.Depth, g.A, g.B, st
			}
		}
		if c.Other >= 0 {
			take(made[c.Other], "")
			return
		}
		for n, st := range States {
			if n > 0 && spaces[c.Space].Same(st, States[n-1]) {
				if has(c.Under, States[n-1]) {
					c.Under = append(c.Under, st)
				}
				continue
			}
			take(rooms[c.Space][n], st)
		}
	})
	return out
}

// Blocked answers the share of an opening's face that things cover as seen
// square to it, within reach of either side. The face is spanned by the two
// longer sides of a box.
func Blocked(s Shape, things []Thing, reach float64) float64 {
	thin := 0
	for i := 1; i < 3; i++ {
		if s.Size[i] < s.Size[thin] {
			thin = i
		}
	}
	pose := solid.Turned(s.At, s.Yaw, 0, 0)
	axes := [3]solid.Vector{pose.X, pose.Y, pose.Z}
	u, v, n := axes[(thin+1)%3], axes[(thin+2)%3], axes[thin]
	lu, lv := s.Size[(thin+1)%3], s.Size[(thin+2)%3]
	const steps = 60
	covered := make([]bool, steps*steps)
	for _, t := range things {
		for _, p := range t.Body.Pieces {
			for _, tri := range p {
				cover(covered, steps, tri, s, pose.Origin, u, v, n, lu, lv, reach, s.Size[thin])
			}
		}
	}
	many := 0
	for _, c := range covered {
		if c {
			many++
		}
	}
	return float64(many) / (steps * steps)
}

// cover marks the grid places that lie under a triangle.
func cover(covered []bool, steps int, tri solid.Triangle, s Shape, o, u, v, n solid.Vector, lu, lv, reach, deep float64) {
	var x, y, z [3]float64
	for i, c := range tri {
		d := c.Sub(o)
		x[i], y[i], z[i] = d.Dot(u)/lu*float64(steps), d.Dot(v)/lv*float64(steps), d.Dot(n)
	}
	if min(z[0], z[1], z[2]) > deep+reach || max(z[0], z[1], z[2]) < -reach {
		return
	}
	lo := func(a [3]float64) int { return max(int(math.Ceil(min(a[0], a[1], a[2])-.5)), 0) }
	hi := func(a [3]float64) int { return min(int(math.Floor(max(a[0], a[1], a[2])-.5)), steps-1) }
	for i := lo(x); i <= hi(x); i++ {
		for k := lo(y); k <= hi(y); k++ {
			px, py := float64(i)+.5, float64(k)+.5
			var in [3]float64
			for e := range 3 {
				f := (e + 1) % 3
				in[e] = (x[f]-x[e])*(py-y[e]) - (y[f]-y[e])*(px-x[e])
			}
			if in[0] >= 0 && in[1] >= 0 && in[2] >= 0 || in[0] <= 0 && in[1] <= 0 && in[2] <= 0 {
				covered[i*steps+k] = true
			}
		}
	}
}

// Drilling is a hole to be drilled into the vehicle.
type Drilling struct {
	At       [3]float64 // on the near face
	Into     [3]float64 // the way the drill goes
	Diameter float64    // mm
	Sigma    float64    // mm, how well its place and what lies behind are known
}

// Behind is what a drill meets.
type Behind struct {
	Stop  float64 // mm from the near face the drill may go at most
	Space int     // what limits it, −1 for nothing within reach
	Gap   float64 // mm between the drill at full reach and the nearest space
}

// Stop answers how deep a drill may go and keep off what lies behind the wall:
// each space by its own distance and by twice how well it is known. reach is
// as deep as is looked.
func Stop(d Drilling, spaces []Space, reach float64) Behind {
	b := Behind{Stop: reach, Space: -1, Gap: math.Inf(1)}
	into := solid.Vector(d.Into).Unit()
	for k, s := range spaces {
		if s.Kind == Opening || s.Kind == Room {
			continue
		}
		for n, st := range States {
			if n > 0 && s.Same(st, States[n-1]) {
				continue
			}
			tree := solid.NewTree(s.In(st))
			keep := s.Keep() + 2*Root(d.Sigma, s.Sigma)
			gap := func(depth float64) float64 {
				g := solid.Between(solid.NewTree(solid.Cylinder(d.At, solid.Vector(d.At).Add(into.Mul(depth)), d.Diameter/2)), tree)
				if g.Into {
					return 0
				}
				return g.Distance
			}
			full := gap(reach)
			b.Gap = min(b.Gap, full)
			if full >= keep {
				continue
			}
			lo, hi := 0.0, reach
			for range 24 { // the drill only comes nearer as it goes deeper
				if mid := (lo + hi) / 2; mid > 0 && gap(mid) >= keep {
					lo = mid
				} else {
					hi = mid
				}
			}
			if lo < b.Stop {
				b.Stop, b.Space = lo, k
			}
		}
	}
	return b
}
