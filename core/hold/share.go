package hold

import (
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// shares is what one load puts on the group.
type shares struct {
	load     Load
	icr      *float64     // what a bolt counts by the instantaneous centre, once worked out
	force    solid.Vector // part axes
	inPlane  profile.Point
	turn     float64 // about n, N·mm
	pull     float64 // away from the vehicle, N
	mx, my   float64 // Σ p·x and Σ p·y the bolts must answer, N·mm
	vectors  []profile.Point
	centroid []float64
	edge     []float64
	line     string // why the centroid school has no answer, so that the edge's is used
	open     string // why no school has one
	pry      []float64
}

// share puts a load on the bolts: in plane by the elastic vector method, out
// of it by both schools, with what thin plate pries.
func (p *placed) share(l Load) shares {
	f := p.turned(l.Force)
	if p.welded() {
		return shares{load: l, force: f}
	}
	d := p.load.Sub(p.origin)
	at, z := profile.Point{X: d.Dot(p.x), Y: d.Dot(p.y)}, d.Dot(p.n)
	s := shares{load: l, force: f, inPlane: profile.Point{X: f.Dot(p.x), Y: f.Dot(p.y)}, pull: f.Dot(p.n)}
	s.turn = at.Cross(s.inPlane)
	s.mx = s.pull*at.X - s.inPlane.X*z
	s.my = s.pull*at.Y - s.inPlane.Y*z
	turn := s.turn
	if p.polar < 1e-9 {
		turn = 0
	}
	s.vectors = bolt.Shares(p.at, profile.Point{}, p.polar, s.inPlane, turn)
	s.centroid, s.line = p.aboutCentroid(s)
	s.edge = p.aboutEdge(s)
	if s.line != "" && !p.mount.Backed {
		s.open = "the bolts are in one line, which holds no moment across it, and it is not said that what it is bolted to reaches under the " +
			"whole plate, so that its edge could: add a second row, or say that it is backed."
	}
	if p.mount.OutPlane == AtEdge && !p.mount.Backed && math.Hypot(s.mx, s.my) > 1 {
		s.open = "the plate is to turn about its edge, and nothing backs it there: take the neutral axis at the centroid, or say " +
			"that it is backed."
	}
	s.pry = make([]float64, len(p.at))
	for i, t := range p.tension(&s) {
		s.pry[i] = p.prying(i, t)
	}
	return s
}

// aboutCentroid answers each bolt's tension with the neutral axis at the
// group's centroid. Bolts in one line hold no moment across it.
func (p *placed) aboutCentroid(s shares) ([]float64, string) {
	out := make([]float64, len(p.at))
	n := float64(len(p.at))
	det := p.xx*p.yy - p.xy*p.xy
	size := math.Hypot(s.mx, s.my)
	if det > 1e-6*p.polar*p.polar {
		b, c := (s.mx*p.yy-s.my*p.xy)/det, (s.my*p.xx-s.mx*p.xy)/det
		for i, q := range p.at {
			out[i] = max(0, s.pull/n+b*q.X+c*q.Y)
		}
		return out, ""
	}
	// One line: the moment along it is held by the bolts, across it by nothing.
	along := profile.Point{X: 1}
	for _, q := range p.at {
		if l := q.Len(); l > 1e-6 {
			along = q.Mul(1 / l)
			break
		}
	}
	m := s.mx*along.X + s.my*along.Y
	across := -s.mx*along.Y + s.my*along.X
	for i, q := range p.at {
		t := s.pull / n
		if p.polar > 1e-9 {
			t += m * q.Dot(along) / p.polar
		}
		out[i] = max(0, t)
	}
	if math.Abs(across) > 1e-6*(size+1) || p.polar < 1e-9 && size > 1e-6 {
		return out, "The bolts are in one line, which holds no moment across it: the plate's edge must, and counts here as stiff enough " +
			"to turn about."
	}
	return out, ""
}

// aboutEdge answers each bolt's tension when the plate turns about the edge of
// its face that is pressed, for the moment in each direction, added up.
func (p *placed) aboutEdge(s shares) []float64 {
	out := make([]float64, len(p.at))
	n := float64(len(p.at))
	turn := func(m float64, at func(profile.Point) float64, low, high float64) {
		if math.Abs(m) < 1e-9 {
			return
		}
		pivot := low
		if m < 0 {
			pivot = high
		}
		sum := 0.0
		for _, q := range p.at {
			d := at(q) - pivot
			sum += d * d
		}
		for i, q := range p.at {
			if sum > 1e-9 {
				out[i] += math.Abs(m) * math.Abs(at(q)-pivot) / sum
			}
		}
	}
	turn(s.mx, func(q profile.Point) float64 { return q.X }, p.face[0].X, p.face[1].X)
	turn(s.my, func(q profile.Point) float64 { return q.Y }, p.face[0].Y, p.face[1].Y)
	for i := range out {
		out[i] = max(0, out[i]+s.pull/n)
	}
	return out
}

// tension answers the school in use: the centroid's, unless the mount asks for
// the edge or the bolts stand in one line.
func (p *placed) tension(s *shares) []float64 {
	if p.mount.OutPlane == AtEdge || s.line != "" {
		return s.edge
	}
	return s.centroid
}

// prying answers what thin plate adds to a bolt's tension beside the bend the load
// comes through, N.
func (p *placed) prying(i int, tension float64) float64 {
	if len(p.path) < 2 || tension <= 0 {
		return 0
	}
	capacity, _ := p.bolt.Capacity(p.rule)
	return p.pryingAt(i).Force(p.rule, tension, capacity)
}

func (p *placed) pryingAt(i int) bolt.Prying {
	a, b := p.sides(i)
	return bolt.Prying{A: a, B: b, Length: p.tributary(i, b), Bolt: p.bolt.Thread.Diameter, Plate: p.plate(p.holes[i].Diameter)}
}

// sides answers a bolt's distance to the bend on the load's path and to the
// free edge opposite.
func (p *placed) sides(i int) (free, bend float64) {
	q := p.panel.Seat.In(p.holes[i].Body)
	s := p.panel.Seat
	next := p.path[len(p.path)-2]
	if next.ID == p.panel.Parent { // the panel hangs on the bend at y = 0
		return s.Height - q.Y, q.Y
	}
	foot := s.In(next.Seat.Origin) // the bend lies along the child's x
	way := profile.Point{X: next.Seat.X.Dot(s.X), Y: next.Seat.X.Dot(s.Y)}
	if math.Abs(way.X) > math.Abs(way.Y) {
		if foot.Y > q.Y {
			return q.Y, s.Height - q.Y
		}
		return s.Height - q.Y, q.Y
	}
	if foot.X > q.X {
		return q.X, s.Width - q.X
	}
	return s.Width - q.X, q.X
}

// tributary answers the length of plate that belongs to a bolt: twice its
// distance to the bend, and no more than the pitch to its neighbour.
func (p *placed) tributary(i int, b float64) float64 {
	l := 2 * b
	for j, q := range p.at {
		if j != i {
			if d := q.Sub(p.at[i]).Len(); d > 1e-6 {
				l = min(l, d)
			}
		}
	}
	return l
}
