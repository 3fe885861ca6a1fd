package facet

import (
	"context"
	"math"
	"math/rand/v2"
	"slices"
	"testing"
)

func built(t *testing.T, in FacetsInput) Built {
	t.Helper()
	if in.InsideRadius == nil {
		in.InsideRadius = val(in.Thickness)
	}
	if in.KFactor == nil {
		in.KFactor = val(.42)
	}
	b, err := Build(asShell(in))
	if err != nil {
		t.Fatal(err)
	}
	return b
}

func (b *Built) edgeOf(p, q string) int {
	return slices.IndexFunc(b.Edges, func(e Edge) bool { return lineOf(e.A, e.B) == lineOf(p, q) })
}

// By hand: the last corner of an open box of 300 × 200 × 100 is closed by two walls that hang on the floor.
// Each degree a wall's foot is off moves the corner's top by 100 mm·π/180 = 1.745, both 3.49 at worst,
// 2.47 likely.
func TestClosingABox(t *testing.T) {
	b := built(t, block(300, 200, 100))
	c, is := b.Closes(b.edgeOf("B", "b"), 1)
	if !is || len(c.Seams) != 2 {
		t.Fatalf("%v %+v", is, c)
	}
	near(t, "worst", c.Worst, 2*100*math.Pi/180, 1e-9)
	near(t, "likely", c.Likely, math.Sqrt2*100*math.Pi/180, 1e-9)
	if _, is := b.Closes(b.edgeOf("a", "b"), 1); is {
		t.Error("a free edge closes nothing")
	}
	// Against the body itself: a hinge of the chain turned by a little moves the edge by what is said.
	e := b.Edges[c.Seams[c.First]]
	u := b.at(e.B).Sub(b.at(e.A)).Unit()
	turn := .001
	moved := 0.
	for _, id := range []string{"B", "b"} {
		v := b.at(id).Sub(b.at(e.A))
		sin, cos := math.Sincos(turn)
		w := v.Mul(cos).Add(u.Cross(v).Mul(sin)).Add(u.Mul(u.Dot(v) * (1 - cos)))
		moved = math.Max(moved, w.Sub(v).Len())
	}
	near(t, "turned", moved, c.Levers[c.First]*turn, 1e-4)
}

// A gauge encloses the angle between the faces, its tip cut off.
func TestGauge(t *testing.T) {
	b := built(t, ball(rand.New(rand.NewPCG(19, 6)), 9, 50))
	for i, e := range b.Edges {
		g := b.Gauge(i, 80, 12)
		if len(g) != 4 {
			t.Fatalf("%d corners", len(g))
		}
		u, v := g[1].Sub(g[0]), g[2].Sub(g[3])
		near(t, "angle", math.Acos(u.Dot(v)/u.Len()/v.Len())*180/math.Pi, e.Between(), 1e-6)
		near(t, "legs", u.Len()+v.Len(), 2*68, 1e-9)
		m, n := b.Faces[e.Faces[0]].Pose.Z, b.Faces[e.Faces[1]].Pose.Z
		near(t, "of the faces", e.Between(), 180-math.Acos(m.Dot(n))*180/math.Pi, 1e-6)
	}
	if open := built(t, block(30, 20, 10)); open.Gauge(open.edgeOf("a", "b"), 80, 12) != nil {
		t.Error("a free edge has a gauge")
	}
}

// The order of assembly begins with the largest, names every blank once, and each that follows touches
// what stands; of a box the second wall is held by floor and wall.
func TestAssembly(t *testing.T) {
	b := built(t, block(300, 200, 100))
	steps := b.Assembly()
	if len(steps) != 5 || b.Faces[b.Blanks[steps[0].Blank].Faces[0]].ID != "floor" || steps[1].Held || !steps[2].Held || !steps[4].Held ||
		len(steps[4].Touches) != 3 {
		t.Errorf("%+v", steps)
	}
	r := rand.New(rand.NewPCG(19, 7))
	for range 30 {
		in := ball(r, 6+r.IntN(8), 50)
		in.Bends = bent(r, work(t, in))
		in.InsideRadius, in.Thickness = val(.5), .5
		b := built(t, in)
		seen := map[int]bool{}
		for i, s := range b.Assembly() {
			if seen[s.Blank] || i > 0 && len(s.Touches) == 0 {
				t.Fatalf("step %d: %+v", i, s)
			}
			seen[s.Blank] = true
		}
		if len(seen) != len(b.Blanks) {
			t.Fatalf("%d of %d blanks", len(seen), len(b.Blanks))
		}
	}
}

// What is proposed to be bent lies flat and fits; with nothing in the way an open box is one blank, and
// where no blank may be wider than the floor with one wall it is more. What is welded and bent is every
// edge.
func TestProposals(t *testing.T) {
	in := block(300, 200, 100)
	in.InsideRadius, in.KFactor = val(2), val(.42)
	s := asShell(in)
	list, err := Propose(context.Background(), s, 120, nil)
	if err != nil || len(list) == 0 || list[0].Blanks != 1 || len(list[0].Bends) != 4 {
		t.Fatalf("%v %+v", err, list)
	}
	near(t, "weld left", list[0].Weld, 4*100, 1e-9)
	small := func(b *Built, k int) string {
		lo, hi := math.Inf(1), math.Inf(-1)
		for _, p := range b.Blanks[k].Outline {
			lo, hi = math.Min(lo, p.Y), math.Max(hi, p.Y)
		}
		if hi-lo > 320 {
			return "too wide"
		}
		return ""
	}
	tight, err := Propose(context.Background(), s, 120, small)
	if err != nil || tight[0].Blanks < 2 || tight[0].Weld <= list[0].Weld {
		t.Fatalf("%v %+v", err, tight)
	}
	r := rand.New(rand.NewPCG(19, 8))
	for range 20 {
		in := ball(r, 6+r.IntN(6), 50)
		in.InsideRadius, in.KFactor = val(1), val(.42)
		s := asShell(in)
		all := 0.
		b := built(t, in)
		for _, e := range b.Edges {
			all += e.Long
		}
		list, err := Propose(context.Background(), s, 150, nil)
		if err != nil {
			t.Fatal(err)
		}
		for i, p := range list {
			trial := s
			bends := 0.
			for _, e := range p.Bends {
				trial.Seams = append(slices.Clone(trial.Seams), Seam{A: b.Edges[e].A, B: b.Edges[e].B, Kind: BentOne})
				bends += b.Edges[e].Long
			}
			again, err := Build(trial)
			if err != nil || len(again.Findings) > 0 || len(again.Blanks) != p.Blanks {
				t.Fatalf("%v %v, %d blanks of %d", err, again.Findings, len(again.Blanks), p.Blanks)
			}
			near(t, "welded and bent", p.Weld+bends, all, 1e-6)
			if i > 0 && p.Weld < list[i-1].Weld || p.Waste < 0 || p.Waste >= 1 {
				t.Fatalf("%+v", p)
			}
		}
	}
	gone, cancel := context.WithCancel(context.Background())
	cancel()
	if list, err := Propose(gone, s, 120, nil); err != nil || len(list) == 0 || len(list[0].Bends) > 0 {
		t.Errorf("%v %+v", err, list)
	}
}
