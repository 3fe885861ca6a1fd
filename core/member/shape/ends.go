package shape

import (
	"fmt"
	"math"

	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/solid"
)

// Run is a member as it runs between its points, before its ends are cut.
type Run struct {
	member.Member
	Props        section.Properties
	Box          box
	Axes         Axes
	Start        solid.Vector // centroid's line at the first point
	Length       float64      // from point to point
	Outer, inner [][2]float64
	cuts         [2]surface // what cuts each end
	Formed       [2]*formed // where it goes on round a corner in one piece
	why          string     // why it cannot be shown
}

// surface cuts an end: a plane, or a round tube's outside.
type surface struct {
	at     solid.Vector
	normal solid.Vector // of a plane, out of the member
	radius float64      // of a round, else 0
	along  solid.Vector // the round's axis
	back   float64      // mm the member stays behind it, along its own axis
	kind   member.EndKind
	onto   string
	gap    float64 // widest gap the cut leaves besides the wanted one
}

// place prepares a member's line; its section must be workable.
func (l *laid) place(m member.Member) *Run {
	r := &Run{Member: m}
	p, err := section.Work(m.Section)
	if err != nil {
		r.why = "Its section: " + err.Error()
		return r
	}
	for _, id := range []string{m.From, m.To} {
		k, ok := l.At[id]
		if !ok {
			r.why = "Choose the two points it runs between."
			return r
		}
		if l.Joints[k].Why != "" {
			r.why = l.Name(id) + " has no place. " + l.Joints[k].Why
			return r
		}
	}
	a, ok := l.axes(m)
	if !ok {
		r.why = "Both its points lie on one spot: it has no length."
		return r
	}
	r.Props, r.Box, r.Axes = p, boxOf(m.Section, p), a
	x, y := r.Box.follow(m.Across, m.Up)
	from, to := l.Joints[l.At[m.From]].At, l.Joints[l.At[m.To]].At
	r.Start, r.Length = from.Sub(a.At(x, y)), to.Sub(from).Len()
	r.Outer, r.inner = rings(m.Section, p)
	return r
}

// end answers the middle of an end and the way from it into the member.
func (r *Run) end(e int) (solid.Vector, solid.Vector) {
	if e == 0 {
		return r.Start, r.Axes.X
	}
	return r.Start.Add(r.Axes.X.Mul(r.Length)), r.Axes.X.Mul(-1)
}

// cut sets the surface that cuts end e.
func (l *laid) cut(r *Run, e int, runs map[string]*Run) error {
	end := r.A
	point := r.From
	if e == 1 {
		end, point = r.B, r.To
	}
	at, in := r.end(e)
	s := surface{at: at, normal: in.Mul(-1), back: end.Back + end.Gap, kind: end.Kind, onto: end.Onto}
	if end.Kind == "" || end.Kind == member.Square {
		s.kind = member.Square
		r.cuts[e] = s
		return nil
	}
	o, ok := runs[end.Onto]
	r.cuts[e] = s // square until it is known better
	r.cuts[e].kind = member.Square
	switch {
	case end.Onto == r.ID:
		return fmt.Errorf("it cannot meet itself: choose another member")
	case !ok:
		return fmt.Errorf("the member it meets is not there: choose another")
	case o.why != "":
		return fmt.Errorf("the member it meets cannot be shown: %s", o.why)
	}
	var err error
	switch end.Kind {
	case member.Mitre:
		s, err = l.mitre(r, o, s, e, l.Joints[l.At[point]].At)
	case member.Saddle:
		s, err = saddle(r, o, s, e)
	default:
		s, err = butt(r, o, s, e)
	}
	if err == nil {
		r.cuts[e] = s
	}
	return err
}

// mitre cuts in the plane of both members, through the corners where their
// insides and their outsides meet.
func (l *laid) mitre(r, o *Run, s surface, e int, joint solid.Vector) (surface, error) {
	shared := -1
	for k, id := range []string{o.From, o.To} {
		if l.Joints[l.At[id]].At.Sub(joint).Len() < Together {
			shared = k
		}
	}
	if shared < 0 {
		return s, fmt.Errorf("a mitre needs both members to end at one point; run %s to it, or butt onto it", o.Name)
	}
	_, a := r.end(e)
	_, b := o.end(shared)
	w := a.Cross(b)
	if w.Len() < 1e-6 {
		if a.Dot(b) > 0 {
			return s, fmt.Errorf("it lies on top of %s: a mitre has no angle", o.Name)
		}
		return s, nil // in one line: a square butt
	}
	w = w.Unit()
	va, vb := b.Sub(a.Mul(a.Dot(b))).Unit(), a.Sub(b.Mul(a.Dot(b))).Unit()
	lo := func(m *Run, v solid.Vector) (lo, hi float64) {
		lo, hi = math.Inf(1), math.Inf(-1)
		for _, p := range m.Outer {
			d := m.Start.Add(m.Axes.At(p[0], p[1])).Sub(joint).Dot(v)
			lo, hi = math.Min(lo, d), math.Max(hi, d)
		}
		return lo, hi
	}
	oa, ia := lo(r, va)
	ob, ib := lo(o, vb)
	cross := func(da, db float64) solid.Vector { // in the plane: P·va = da, P·vb = db
		c := va.Dot(vb)
		x, y := (da-c*db)/(1-c*c), (db-c*da)/(1-c*c)
		return joint.Add(va.Mul(x)).Add(vb.Mul(y))
	}
	in, out := cross(ia, ib), cross(oa, ob)
	n := in.Sub(out).Cross(w)
	if n.Len() < 1e-9 {
		return s, fmt.Errorf("the mitre with %s has no line to cut along", o.Name)
	}
	n = n.Unit()
	if n.Dot(a) > 0 {
		n = n.Mul(-1)
	}
	s.at, s.normal = in, n
	return s, nil
}

// butt cuts at a face of the other member: the near one, or the far one when
// flush.
func butt(r, o *Run, s surface, e int) (surface, error) {
	_, in := r.end(e)
	best, reach := solid.Vector{}, 0.0
	if member.Round(o.Section) {
		best = in.Sub(o.Axes.X.Mul(in.Dot(o.Axes.X)))
		if best.Len() < 1e-3 {
			return s, fmt.Errorf("it runs along %s: there is no face to butt on", o.Name)
		}
		best, reach = best.Unit(), o.Section.Diameter/2
		half := r.across(best.Cross(in)) / 2
		if R := o.Section.Diameter / 2; half < R && e >= 0 {
			s.gap = R - math.Sqrt(R*R-half*half)
		} else if half >= R {
			s.gap = R
		}
	} else {
		b := o.Box
		most := 0.0
		for _, f := range []struct {
			n solid.Vector
			d float64
		}{{o.Axes.Y, -b.Left}, {o.Axes.Y.Mul(-1), b.Right}, {o.Axes.Z, b.Top}, {o.Axes.Z.Mul(-1), -b.Bottom}} {
			if c := f.n.Dot(in); c > most {
				most, best, reach = c, f.n, f.d
			}
		}
		if most < .05 {
			return s, fmt.Errorf("it runs along %s: there is no face to butt on", o.Name)
		}
	}
	if s.kind == member.Flush {
		reach = -o.far(best)
	}
	s.at, s.normal = o.Start.Add(best.Mul(reach)), best.Mul(-1)
	return s, nil
}

// far answers how far the section reaches the other way from a face.
func (r *Run) far(n solid.Vector) float64 {
	most := 0.0
	for _, p := range r.Outer {
		most = math.Max(most, -r.Axes.At(p[0], p[1]).Dot(n))
	}
	return most
}

// across answers how wide the section is along a direction.
func (r *Run) across(v solid.Vector) float64 {
	if v.Len() < 1e-9 {
		return 0
	}
	v = v.Unit()
	lo, hi := math.Inf(1), math.Inf(-1)
	for _, p := range r.Outer {
		d := r.Axes.At(p[0], p[1]).Dot(v)
		lo, hi = math.Min(lo, d), math.Max(hi, d)
	}
	return hi - lo
}

// saddle copes the end round the other member's outside.
func saddle(r, o *Run, s surface, e int) (surface, error) {
	if !member.Round(o.Section) {
		return s, fmt.Errorf("%s is not round: butt onto it instead of coping", o.Name)
	}
	s.at, s.along, s.radius = o.Start, o.Axes.X, o.Section.Diameter/2
	if math.Abs(r.Axes.X.Dot(o.Axes.X)) > math.Cos(5*math.Pi/180) {
		return s, fmt.Errorf("it meets %s at under 5°: a cope runs away along it; lap and plate them instead", o.Name)
	}
	for _, p := range r.Outer {
		if _, ok := r.meets(s, e, p); !ok {
			return s, fmt.Errorf("it stands past the side of %s: it does not sit on it all round. Bring it nearer, or take a smaller tube", o.Name)
		}
	}
	return s, nil
}

// meets answers where a line of the section meets the surface, mm from the first
// point along the member.
func (r *Run) meets(s surface, e int, p [2]float64) (float64, bool) {
	g := r.Start.Add(r.Axes.At(p[0], p[1]))
	x := r.Axes.X
	sign := 1.0 // into the member
	if e == 1 {
		sign = -1
	}
	if s.radius == 0 {
		d := x.Dot(s.normal)
		if math.Abs(d) < 1e-9 {
			return 0, false
		}
		return s.at.Sub(g).Dot(s.normal)/d + sign*s.back, true
	}
	flat := func(v solid.Vector) solid.Vector { return v.Sub(s.along.Mul(v.Dot(s.along))) }
	u, w := flat(x), flat(g.Sub(s.at))
	a, b, c := u.Dot(u), u.Dot(w), w.Dot(w)-s.radius*s.radius
	root := b*b - a*c
	if root < -1e-9*a*s.radius*s.radius {
		return 0, false
	}
	return (-b+sign*math.Sqrt(math.Max(root, 0)))/a + sign*s.back, true
}

// Rim answers the outline of a member square to it where one of its ends stands, closed, mm; nil of one that cannot
// be shown.
func (b *Built) Rim(k, e int) (out []solid.Vector) {
	r, p := b.Runs[k], &b.Pieces[k]
	if p.Why != "" || len(r.Outer) == 0 {
		return nil
	}
	at := [2]solid.Vector{p.From, p.To}[e]
	for i := range len(r.Outer) + 1 {
		q := r.Outer[i%len(r.Outer)]
		out = append(out, at.Add(r.Axes.At(q[0], q[1])))
	}
	return out
}

// RimSide is a side of a section where one of its ends stands: a seam of its own.
type RimSide struct {
	Name string // top, left, bottom, right; round of a round one
	Path []solid.Vector
	Face solid.Vector // away from the member; zero of a round one
}

// Sides answers the rim of an end side by side, as it is welded.
func (b *Built) Sides(k, e int) (out []RimSide) {
	rim := b.Rim(k, e)
	r := b.Runs[k]
	if len(rim) < 4 {
		return nil
	}
	if member.Round(r.Section) {
		return []RimSide{{"all round", rim, solid.Vector{}}}
	}
	ways := [4]solid.Vector{r.Axes.At(0, 1), r.Axes.At(1, 0), r.Axes.At(0, -1), r.Axes.At(-1, 0)}
	names := [4]string{"top", "right", "bottom", "left"}
	side := func(i int) int {
		d := rim[i+1].Sub(rim[i])
		n := d.Cross(r.Axes.X)
		if middle := b.Pieces[k].From; e == 0 && n.Dot(rim[i].Sub(middle)) < 0 || e == 1 && n.Dot(rim[i].Sub(b.Pieces[k].To)) < 0 {
			n = n.Mul(-1)
		}
		best := 0
		for q := range ways {
			if n.Dot(ways[q]) > n.Dot(ways[best])+1e-9 {
				best = q
			}
		}
		return best
	}
	last := -1
	for i := range len(rim) - 1 {
		if rim[i+1].Sub(rim[i]).Len() < 1e-9 {
			continue
		}
		if q := side(i); q != last {
			out = append(out, RimSide{names[q], []solid.Vector{rim[i]}, ways[q]})
			last = q
		}
		s := &out[len(out)-1]
		s.Path = append(s.Path, rim[i+1])
	}
	if n := len(out); n > 1 && out[0].Name == out[n-1].Name { // it began in the middle of a side
		out[0].Path = append(out[n-1].Path, out[0].Path[1:]...)
		out = out[:n-1]
	}
	return out
}
