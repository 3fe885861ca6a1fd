package facet

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/solid"
)

// ball is the convex hull of random places on a ball, by trying every three of them.
func ball(r *rand.Rand, n int, spread float64) FacetsInput {
	in := FacetsInput{Points: map[string][3]float64{}, Thickness: 1, Side: Side([]string{"inside", "middle", "outside"}[r.IntN(3)])}
	var at []solid.Vector
	for i := range n {
		v := solid.Vector{r.NormFloat64(), r.NormFloat64(), r.NormFloat64()}
		v = v.Mul((300 + spread*r.Float64()) / v.Len())
		at = append(at, v)
		in.Points[fmt.Sprint("P", i)] = v
	}
	for i := range n {
		for j := range i {
			for k := range j {
				z := at[j].Sub(at[i]).Cross(at[k].Sub(at[i]))
				over, under := 0, 0
				for m, p := range at {
					if m == i || m == j || m == k {
						continue
					}
					if p.Sub(at[i]).Dot(z) > 0 {
						over++
					} else {
						under++
					}
				}
				if over == 0 || under == 0 {
					in.Panels = append(in.Panels, FacetsPanel{fmt.Sprint("T", len(in.Panels)), []string{fmt.Sprint("P", i),
						fmt.Sprint("P", j), fmt.Sprint("P", k)}})
				}
			}
		}
	}
	return in
}

// bent picks edges to bend that close no circle: a random tree over the panels.
func bent(r *rand.Rand, got FacetsResult) (out [][2]string) {
	of := map[string]string{}
	var root func(string) string
	root = func(p string) string {
		if q := of[p]; q != "" && q != p {
			return root(q)
		}
		return p
	}
	for _, k := range r.Perm(len(got.Edges)) {
		e := got.Edges[k]
		if len(e.Panels) < 2 || *e.Angle > 178 || r.IntN(3) == 0 {
			continue
		}
		if m, n := root(e.Panels[0]), root(e.Panels[1]); m != n {
			of[m] = n
			out = append(out, e.Points)
		}
	}
	return out
}

// Random hulls: they close, all look out, no edge is hollow, Euler's count holds, and the turns at the
// corners leave 360° less what each lacks, 720° in all. Unfolded on edges without radius or
// thickness to speak of, the panels lie as large and as shaped as in the body, and both sides of a
// bend lie on each other.
func TestRandomHulls(t *testing.T) {
	r := rand.New(rand.NewPCG(19, 2))
	for range 60 {
		in := ball(r, 5+r.IntN(12), 50)
		used := map[string]bool{}
		for _, p := range in.Panels {
			for _, id := range p.Points {
				used[id] = true
			}
		}
		for id := range in.Points {
			if !used[id] {
				delete(in.Points, id) // it lies within the others
			}
		}
		got := work(t, in)
		if !got.Closed || len(in.Points)-len(got.Edges)+len(got.Panels) != 2 || len(got.Unflat) > 0 {
			t.Fatalf("%d points, %d edges, %d panels, closed %v", len(in.Points), len(got.Edges), len(got.Panels), got.Closed)
		}
		lack := 720.
		inside := solid.Vector{}
		for _, p := range in.Points {
			inside = inside.Add(solid.Vector(p).Mul(1 / float64(len(in.Points))))
		}
		for _, p := range got.Panels {
			middle := solid.Vector{}
			for _, id := range p.Points {
				middle = middle.Add(solid.Vector(in.Points[id]).Mul(1. / 3))
			}
			if middle.Sub(inside).Dot(solid.Vector(p.Normal)) <= 0 {
				t.Fatalf("%s looks in", p.ID)
			}
		}
		for id := range in.Points {
			lack -= 360
			for _, p := range got.Panels {
				for i, q := range p.Points {
					if q == id {
						n := len(p.Outline)
						u := vector(p.Outline[(i+1)%n], p.Outline[i])
						v := vector(p.Outline[(i+n-1)%n], p.Outline[i])
						lack += math.Atan2(math.Abs(u[0]*v[1]-u[1]*v[0]), u[0]*v[0]+u[1]*v[1]) * 180 / math.Pi
					}
				}
			}
		}
		near(t, "what the corners lack", lack, 0, 1e-6)
		for _, e := range got.Edges {
			if e.Hollow || *e.Angle >= 180 {
				t.Fatalf("%v is hollow", e.Points)
			}
		}
		in.Thickness, in.InsideRadius, in.KFactor = 1e-6, val(0), val(0)
		in.Bends = bent(r, got)
		folded := work(t, in)
		panels, lines, cut := 0, 0, 0.
		for _, b := range folded.Blanks {
			panels, lines, cut = panels+len(b.Panels), lines+len(b.BendLines), cut+b.Area
		}
		if panels != len(got.Panels) || lines != len(in.Bends) {
			t.Fatalf("%d panels and %d bends in the blanks", panels, lines)
		}
		near(t, "area of the blanks", cut, got.Area, .05)
		for _, b := range folded.Blanks {
			for _, l := range b.BendLines {
				want := solid.Vector(in.Points[l.Points[0]]).Sub(solid.Vector(in.Points[l.Points[1]])).Len()
				near(t, "a bend's length", math.Hypot(l.From[0]-l.To[0], l.From[1]-l.To[1]), want, 1e-3)
			}
		}
	}
}

func vector(a, b [2]float64) [2]float64 { return [2]float64{a[0] - b[0], a[1] - b[1]} }

// Bent with a radius and a thickness, a blank is its flats and the strips between them; folded back
// about its bends each panel stands where the body has it. The two sides of a seam are as long.
func TestBlanksFoldBack(t *testing.T) {
	r := rand.New(rand.NewPCG(19, 3))
	for range 60 {
		in := ball(r, 5+r.IntN(8), 50)
		in.Thickness, in.InsideRadius, in.KFactor = 1+2*r.Float64(), val(1+3*r.Float64()), val(.3+.2*r.Float64())
		in.Bends = bent(r, work(t, in))
		s := Shell{Thickness: in.Thickness, Side: in.Side, Radius: *in.InsideRadius, K: *in.KFactor}
		for id, p := range in.Points {
			s.Points = append(s.Points, Point{id, p})
		}
		for _, p := range in.Panels {
			s.Panels = append(s.Panels, Panel(p))
		}
		for _, l := range in.Bends {
			s.Seams = append(s.Seams, Seam{A: l[0], B: l[1], Kind: BentOne})
		}
		b, err := Build(s)
		if err != nil {
			continue // a radius that leaves nothing of a small panel
		}
		for _, k := range b.Blanks {
			for i, f := range k.Faces {
				if i > 0 {
					b.foldsBack(t, k, i, f)
				}
			}
		}
	}
}

// foldsBack turns a panel of a blank about the bend it hangs on, by its arc, and asks whether it
// comes where the body has it.
func (b *Built) foldsBack(t *testing.T, k Blank, i, f int) {
	t.Helper()
	for _, e := range b.Faces[f].edges {
		edge := b.Edges[e]
		if edge.Seam.Kind != BentOne {
			continue
		}
		g := edge.Faces[0] + edge.Faces[1] - f
		j := -1
		for n, face := range k.Faces {
			if face == g {
				j = n
			}
		}
		if j < 0 || j > i {
			continue
		}
		// In the space of the parent's panel: its plane the points' own. The flat of the child is turned about
		// the edge's own line by the turn, and moved along by what the arc takes more than its apex.
		turn := math.Abs(edge.Turn) * math.Pi / 180
		apex := 2 * b.off(edge, f)
		long := b.allowance(edge)
		for n, id := range b.Faces[f].Points {
			p := k.Places[i].Apply(b.Faces[f].Outline[n])
			// Into the parent's own axes.
			d := p.Sub(k.Places[j].Origin)
			x, y := d.Dot(k.Places[j].X), d.Dot(k.Places[j].Y)
			side := 0
			for m, o := range b.Faces[g].edges {
				if o == e {
					side = m
				}
			}
			a, c := b.Faces[g].Outline[side], b.Faces[g].Outline[(side+1)%len(b.Faces[g].Outline)]
			u := c.Sub(a).Mul(1 / c.Sub(a).Len())
			rx, ry := x-a.X, y-a.Y
			along, out := rx*u.X+ry*u.Y, rx*u.Y-ry*u.X
			out -= long - apex // as if bent sharp at the edge
			down := -math.Copysign(1, edge.Turn)
			pose := b.Faces[g].Pose
			axis := pose.X.Mul(u.X).Add(pose.Y.Mul(u.Y))
			away := pose.X.Mul(u.Y).Add(pose.Y.Mul(-u.X))
			at := pose.Apply(solid.Vector{a.X, a.Y,
				0}).Add(axis.Mul(along)).Add(away.Mul(out * math.Cos(turn))).Add(pose.Z.Mul(down * out * math.Sin(turn)))
			if miss := at.Sub(b.at(id)).Len(); miss > 1e-6 {
				t.Fatalf("%s of %s comes %.6f mm off", id, b.Faces[f].ID, miss)
			}
		}
		return
	}
}

func BenchmarkShellOf60(b *testing.B) {
	r := rand.New(rand.NewPCG(19, 4))
	in := ball(r, 32, 0) // a hull of n places has 2n − 4 triangles
	got, err := Work(in)
	if err != nil || len(got.Panels) != 60 {
		b.Fatalf("%v, %d panels", err, len(got.Panels))
	}
	in.Bends = bent(r, got)
	b.ResetTimer()
	for b.Loop() {
		if _, err := Work(in); err != nil {
			b.Fatal(err)
		}
	}
}
