package shape

import (
	"fmt"
	"math"

	"warmanvil/core/member"
	"warmanvil/core/solid"
	"warmanvil/core/tube"
	"warmanvil/core/working"
)

// formed is a corner as it lies at one end of a run.
type formed struct {
	Kind   member.EndKind
	joint  int
	other  int // index of the run it goes on into
	far    int // and that run's end
	apex   solid.Vector
	into   solid.Vector // from the apex into this run
	inside solid.Vector // square to the run, towards the inside of the corner
	square solid.Vector // square to the corner's plane: into × the other's
	angle  float64      // degrees turned from straight
	radius float64      // mm, of a bend
	hinge  float64      // mm from the outer corner back along the run to the hinge
	notch  tube.NotchResult
	first  bool // of a bend: it is drawn and weighed with this run
}

// back answers how far before its apex a bend begins.
func (f *formed) back() float64 { return f.radius * math.Tan(f.angle*math.Pi/360) }

// corners finds where two runs are of one piece, and says where they cannot be.
func (b *Built) corners() {
	l := b.Laid
	for k := range l.Joints {
		c := l.corner[l.Joints[k].ID]
		if c == nil || l.Joints[k].Why != "" {
			continue
		}
		if why := b.form(k, *c); why != "" {
			word := map[member.EndKind]string{member.Fold: "notched and folded", member.Bent: "bent"}[c.Kind]
			b.say("one-piece", working.Stop, l.Joints[k].ID,
				fmt.Sprintf("%s cannot be %s: %s. Its members are shown apart.", l.Name(l.Joints[k].ID), word, why))
		}
	}
}

// form makes one corner, or answers why not.
func (b *Built) form(joint int, c member.Corner) string {
	type end struct{ run, e int }
	var ends []end
	for i, r := range b.Runs {
		for e, id := range []string{r.From, r.To} {
			if k, ok := b.Laid.At[id]; ok && k == joint && r.why == "" {
				ends = append(ends, end{i, e})
			}
		}
	}
	if len(ends) != 2 || ends[0].run == ends[1].run {
		return fmt.Sprintf("it takes two members that end there, and %d do", len(ends))
	}
	r, o := b.Runs[ends[0].run], b.Runs[ends[1].run]
	if why := unlike(r, o, c.Kind); why != "" {
		return why
	}
	_, ra := r.end(ends[0].e)
	_, oa := o.end(ends[1].e)
	w := ra.Cross(oa)
	turned := 180 - math.Atan2(w.Len(), ra.Dot(oa))*180/math.Pi
	switch {
	case turned < .01:
		return "its members run in one line: make one member of them"
	case turned > 170:
		return fmt.Sprintf("it would turn by %.1f°, past 170°", turned)
	}
	w = w.Unit()
	flat := func(x *Run) bool { // the corner's plane lies square to a side of the section
		return member.Round(x.Section) || math.Abs(w.Dot(x.Axes.Y)) > 1-1e-6 || math.Abs(w.Dot(x.Axes.Z)) > 1-1e-6
	}
	alike := member.Round(r.Section) || math.Abs(r.across(w)-o.across(w)) < .01
	if !flat(r) || !flat(o) || !alike {
		return "its members are not turned alike: the same side has to run on round the corner"
	}
	apex, apart := nearest(r, o)
	if apart > .1 {
		return fmt.Sprintf("the middles of its members pass %.1f mm beside one another: let both follow the same line", apart)
	}
	f := formed{Kind: c.Kind, joint: joint, apex: apex, angle: turned}
	inside := func(a, b solid.Vector) solid.Vector { return b.Sub(a.Mul(a.Dot(b))).Unit() }
	deep := r.Size(inside(ra, oa))
	switch c.Kind {
	case member.Fold:
		hinge := first(c.Hinge, "inner")
		n, err := tube.VNotch(tube.NotchInput{Depth: deep, Wall: r.Section.Wall, Fold: turned, Hinge: hinge})
		if err != nil {
			return err.Error()
		}
		f.notch, f.hinge = n, (deep-n.Height)*math.Tan(turned*math.Pi/360)
	case member.Bent:
		if f.radius = c.Radius; f.radius == 0 {
			f.radius = 3 * deep
		}
		if f.radius <= deep/2 {
			return fmt.Sprintf("a radius of %.4g mm on the centre line is less than half the piece's %.4g mm", f.radius, deep)
		}
	default:
		return "choose folded or bent"
	}
	set := func(x *Run, e int, into, on solid.Vector, other, far int) {
		g := f
		g.into, g.inside, g.square, g.other, g.far = into, inside(into, on), into.Cross(on).Unit(), other, far
		x.Formed[e] = &g
	}
	set(r, ends[0].e, ra, oa, ends[1].run, ends[1].e)
	set(o, ends[1].e, oa, ra, ends[0].run, ends[0].e)
	for _, x := range [2]*Run{r, o} { // nothing is left open at a corner of one piece
		for e, end := range [2]*member.End{&x.A, &x.B} {
			if x.Formed[e] != nil {
				*end = member.End{Leg: end.Leg}
			}
		}
	}
	return ""
}

// unlike says why one piece cannot be formed of two members; "" where it can, as
// far as their sections go.
func unlike(r, o *Run, kind member.EndKind) string {
	switch {
	case r.Stock != o.Stock || r.Section != o.Section:
		return fmt.Sprintf("%s and %s are of two sections", r.Named(), o.Named())
	case r.Splice != nil || o.Splice != nil:
		return "a member of it is spliced: take the splice out, or leave the corner cut"
	case !member.Closed(r.Section) && r.Section.Kind != "roundBar" && (kind != member.Bent || r.Section.Kind != "flatBar"):
		return "an angle, a channel or the like twists and buckles when it is formed: cut it"
	case kind == member.Fold && r.Section.Kind != "rectTube":
		return "only square and rectangular tube is notched and folded: bend it instead"
	}
	for _, x := range [2]*Run{r, o} {
		for _, f := range x.Formed {
			if f != nil && f.Kind != kind {
				return x.Named() + " would be folded at one end and bent at the other"
			}
		}
	}
	return ""
}

// Size is how thick a run is along a direction.
func (r *Run) Size(v solid.Vector) float64 {
	if member.Round(r.Section) {
		return r.Section.Diameter
	}
	return r.across(v)
}

// nearest answers where the middles of two runs meet, and how far they pass
// beside one another.
func nearest(r, o *Run) (solid.Vector, float64) {
	w, c := r.Start.Sub(o.Start), r.Axes.X.Dot(o.Axes.X)
	p, q, n := r.Axes.X.Dot(w), o.Axes.X.Dot(w), 1-c*c
	a := r.Start.Add(r.Axes.X.Mul((c*q - p) / n))
	b := o.Start.Add(o.Axes.X.Mul((q - c*p) / n))
	return a.Add(b).Mul(.5), a.Sub(b).Len()
}

// formedCut sets the surface of an end that goes on round a corner.
func (l *laid) formedCut(r *Run, e int, runs []*Run) error {
	f := r.Formed[e]
	s := surface{at: f.apex, normal: f.into.Mul(-1), kind: f.Kind, onto: runs[f.other].ID}
	if f.Kind == member.Fold {
		m, err := l.mitre(r, runs[f.other], s, e, l.Joints[f.joint].At)
		if err == nil {
			r.cuts[e] = m
		}
		return err
	}
	s.at = f.apex.Add(f.into.Mul(f.back()))
	r.cuts[e] = s
	return nil
}

// elbow adds the bend after end e to a run's mesh as a closed piece, and answers
// its length along the middle and its centre of gravity.
func (r *Run) elbow(e int, m *Mesh) (long float64, middle solid.Vector) {
	f := r.Formed[e]
	turn := f.angle * math.Pi / 180
	axis := f.square.Mul(-1) // from −into to the other's way
	centre := f.apex.Add(f.into.Mul(f.back())).Add(f.inside.Mul(f.radius))
	about := func(q solid.Vector, by float64) solid.Vector {
		v := q.Sub(centre)
		s, c := math.Sincos(by)
		return centre.Add(v.Mul(c)).Add(axis.Cross(v).Mul(s)).Add(axis.Mul(axis.Dot(v) * (1 - c)))
	}
	start := f.apex.Add(f.into.Mul(f.back()))
	n := max(int(math.Ceil(f.angle/10)), 1)
	base := len(m.Corners)
	ring := func(list [][2]float64) (out [][]int) {
		for k := range n + 1 {
			var row []int
			for _, q := range list {
				row = append(row, len(m.Corners))
				m.Corners = append(m.Corners, about(start.Add(r.Axes.At(q[0], q[1])), turn*float64(k)/float64(n)))
			}
			out = append(out, row)
		}
		return out
	}
	first := len(m.Triangles)
	skin := func(rows [][]int, out bool) {
		for k := range n {
			for i := range rows[k] {
				j := (i + 1) % len(rows[k])
				a, b, c, d := rows[k][i], rows[k][j], rows[k+1][j], rows[k+1][i]
				if !out {
					b, d = d, b
				}
				m.Triangles = append(m.Triangles, [3]int{a, b, c}, [3]int{a, c, d})
			}
		}
	}
	outer := ring(r.Outer)
	skin(outer, true)
	if r.inner != nil {
		inner := ring(r.inner)
		skin(inner, false)
		for k, out := range [2]bool{false, true} {
			o, i := outer[k*n], inner[k*n]
			for a := range o {
				b := (a + 1) % len(o)
				p, q, s, t := o[a], o[b], i[b], i[a]
				if !out {
					q, t = t, q
				}
				m.Triangles = append(m.Triangles, [3]int{p, q, s}, [3]int{p, s, t})
			}
		}
	} else {
		for k, out := range [2]bool{false, true} {
			o := outer[k*n]
			for a := 1; a+1 < len(o); a++ {
				p, q := o[a], o[a+1]
				if !out {
					p, q = q, p
				}
				m.Triangles = append(m.Triangles, [3]int{o[0], p, q})
			}
		}
	}
	bend := Mesh{Corners: m.Corners, Triangles: m.Triangles[first:]}
	if bend.Volume() < 0 {
		for i := range bend.Triangles {
			bend.Triangles[i][1], bend.Triangles[i][2] = bend.Triangles[i][2], bend.Triangles[i][1]
		}
	}
	for i := 0; i < len(r.Outer); i += max(len(r.Outer)/4, 1) {
		var line []solid.Vector
		for k := range n + 1 {
			line = append(line, m.Corners[outer[k][i]])
		}
		m.Edges = append(m.Edges, line)
	}
	for i := base; i < len(m.Corners); i++ {
		for k := range 3 {
			m.Corners[i][k] = math.Round(m.Corners[i][k]*1e4) / 1e4
		}
	}
	return f.radius * turn, about(start, turn/2).Sub(centre).Mul(math.Sin(turn/2) / (turn / 2)).Add(centre)
}
