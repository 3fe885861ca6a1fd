package joint

import (
	"fmt"
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/profile"
	"warmanvil/core/strength"
)

// spread is a case shared among the bolts.
type spread struct {
	c       Case
	vectors []profile.Point // in the plane, N
	sheared []float64       // their sizes, N
	pull    []float64       // along the bolts, N
	add     []float64       // what turning about an edge adds, N
	pried   []float64       // what prying adds, N
	lean    float64         // N·mm held by the plies pressing on each other
	lever   float64         // mm, from the bolts to where they press
	force   profile.Point
	turn    float64 // N·mm about the group's middle
	silent  string  // a moment that nothing holds, in words
	loose   float64 // N·mm of it
}

func (s *spread) name() string { return s.c.Name }

// tension is all that pulls on a bolt, drawn what pulls it before prying.
func (s *spread) tension(i int) float64 { return s.pull[i] + s.add[i] + s.pried[i] }
func (s *spread) drawn(i int) float64   { return s.pull[i] + s.add[i] }

// through tells whether what the case carries goes through ply k.
func (s *spread) through(k int) bool {
	p := s.c.Plies
	return p == nil || p[0] <= k && k <= p[1]
}

// typedFactor is what a typed load counts in the factored school: whoever types it
// says what it is, and it is taken as all variable (ASCE 7 2.3.1).
const typedFactor = 1.6

// spreads shares every case among the bolts, typed ones factored as the school says.
func (j *joint) spreads() []spread {
	list := make([]spread, len(j.in.Cases))
	ta := 0.
	if j.kind.clamps() {
		ta, _ = j.bolt.Capacity(j.in.Strength)
	}
	for i, c := range j.in.Cases {
		if j.in.Strength.School == strength.Factored && !c.Done {
			for k := range 3 {
				c.Force[k], c.Moment[k] = typedFactor*c.Force[k], typedFactor*c.Moment[k]
			}
		}
		list[i] = j.share(c)
		if j.kind.clamps() {
			j.pry(&list[i], ta)
		}
	}
	return list
}

// share spreads a case over the bolts: elastic in the plane, about the middle
// out of it. The plies press only where bolts would be pushed.
func (j *joint) share(c Case) spread {
	n := len(j.in.Holes)
	room := make([]float64, 5*n)
	s := spread{c: c, force: profile.Point{X: c.Force[0], Y: c.Force[1]}, pull: room[:n:n], add: room[n : 2*n : 2*n],
		pried: room[2*n : 3*n : 3*n], sheared: room[3*n : 4*n : 4*n]}
	g := j.group
	r := [3]float64{c.At[0] - g.middle.X, c.At[1] - g.middle.Y, c.At[2]}
	f := c.Force
	mx := r[1]*f[2] - r[2]*f[1] + c.Moment[0]
	my := r[2]*f[0] - r[0]*f[2] + c.Moment[1]
	s.turn = r[0]*f[1] - r[1]*f[0] + c.Moment[2]
	turn := s.turn
	if g.polar < 1e-9 {
		turn = 0 // held by friction or by nothing: asked there
	}
	s.vectors = bolt.Shares(g.at, g.middle, math.Max(g.polar, 1e-9), s.force, turn)
	for i, v := range s.vectors {
		s.sheared[i] = v.Len()
	}
	// T = N/n + a·x + b·y with Σ y·T = Mx and −Σ x·T = My.
	det := g.xx*g.yy - g.xy*g.xy
	a, b := 0., 0.
	// What bolts in a row, or one, cannot hold: the moment, where the ply presses then.
	over, way, alone := 0., profile.Point{}, ""
	size := math.Max(1, math.Hypot(math.Hypot(f[0], f[1]), f[2])*math.Hypot(r[0], math.Hypot(r[1], r[2])))
	switch {
	case det > 1e-9*math.Max(1, (g.xx+g.yy)*(g.xx+g.yy)):
		a, b = (-my*g.yy-mx*g.xy)/det, (mx*g.xx+my*g.xy)/det
	case g.xx+g.yy > 1e-9: // a row: it holds the moment along itself alone
		l := math.Sqrt(g.xx + g.yy)
		ux, uy := math.Sqrt(g.xx)/l, math.Copysign(math.Sqrt(g.yy)/l, g.xy)
		along := (-my*ux + mx*uy) / (g.xx + g.yy)
		a, b = along*ux, along*uy
		if across := my*uy + mx*ux; math.Abs(across) > 1e-6*size {
			over, way = math.Abs(across), profile.Point{X: uy, Y: -ux}.Mul(math.Copysign(1, across))
			alone = "the fasteners stand in a row, and the moment about it is held only by the plies pressing on each other."
		}
	default:
		if over = math.Hypot(mx, my); over > 1e-6*size {
			way = profile.Point{X: my, Y: -mx}.Mul(1 / over)
			alone = "one fastener holds no moment that bends it: only the plies pressing on each other do."
		}
	}
	raw := room[4*n:]
	for i, p := range g.at {
		q := p.Sub(g.middle)
		raw[i] = f[2]/float64(n) + a*q.X + b*q.Y
		s.pull[i] = math.Max(0, raw[i])
	}
	if alone != "" {
		j.turnOver(&s, over, g.middle, way, raw, alone)
	}
	return s
}

// group is the pattern of the fasteners.
type group struct {
	at                []profile.Point
	middle            profile.Point
	polar, xx, yy, xy float64 // mm² about the middle
	near              []int   // nearest neighbour of each, −1 for none
}

func grouped(holes [][2]float64) (g group) {
	for _, h := range holes {
		g.at = append(g.at, profile.Point{X: h[0], Y: h[1]})
	}
	g.middle, g.polar = bolt.Centroid(g.at)
	for i, p := range g.at {
		q := p.Sub(g.middle)
		g.xx, g.yy, g.xy = g.xx+q.X*q.X, g.yy+q.Y*q.Y, g.xy+q.X*q.Y
		best, at := math.Inf(1), -1
		for k, o := range g.at {
			if d := o.Sub(p).Len(); k != i && d < best {
				best, at = d, k
			}
		}
		g.near = append(g.near, at)
	}
	return g
}

// pitch answers the distance to the nearest neighbour, infinite for none.
func (g *group) pitch(i int) float64 {
	if g.near[i] < 0 {
		return math.Inf(1)
	}
	return g.at[g.near[i]].Sub(g.at[i]).Len()
}

// forces answers what every fastener gets in the case that uses them hardest.
func (j *joint) forces(list []spread) []BoltForce {
	best, at := -1., 0
	for k := range list {
		s := &list[k]
		for i := range j.in.Holes {
			v, t := s.sheared[i]/j.planes, s.tension(i)
			u := math.Hypot(v, t)
			if j.kind.clamps() {
				u = j.bolt.Combined(j.in.Strength, t, v)
			}
			if u > best {
				best, at = u, k
			}
		}
	}
	s := &list[at]
	out := make([]BoltForce, len(j.in.Holes))
	for i, v := range s.vectors {
		out[i] = BoltForce{[2]float64{v.X, v.Y}, v.Len() / j.planes, s.tension(i)}
	}
	return out
}

// asked names the fastener that is asked hardest.
func asked(i int) string { return fmt.Sprintf("asked of fastener %d", i+1) }
