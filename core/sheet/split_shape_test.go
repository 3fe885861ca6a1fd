package sheet

import (
	"errors"
	"fmt"
	"math"
	"math/rand"
	"strconv"
	"strings"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// Random parts on polygons split across: both pieces are whole, every hole keeps
// its distance from every other, bends and areas add up, bolts lie over bolts.
func TestSplitShapesAddUp(t *testing.T) {
	rnd := rand.New(rand.NewSource(31))
	done, halved := 0, 0
	kinds := map[JointKind]int{}
	for range 1500 {
		n := 3 + rnd.Intn(5)
		r := plate(0, 0)
		r.Thickness, r.Grain = 1+rnd.Float64()*2, GrainX
		var pts profile.Loop
		for i := range n {
			a := (float64(i) + .5*rnd.Float64()) * 2 * math.Pi / float64(n)
			pts = append(pts, profile.Vertex{X: 500 * math.Cos(a), Y: (300 + 100*rnd.Float64()) * math.Sin(a)})
		}
		if rnd.Intn(3) == 0 { // a deck with square ends and a pointed back
			pts = profile.Loop{{X: 0, Y: 0}, {X: 900, Y: 0}, {X: 900, Y: 300}, {X: 400 + 200*rnd.Float64(), Y: 500}, {X: 0, Y: 300}}
			n = 5
		}
		arcs := rnd.Intn(4) == 0
		if arcs {
			pts[1].Bulge = .3
		}
		r.Base.Shape = &Shape{Kind: Polygon, Points: pts}
		for i := range n {
			if arcs || rnd.Intn(2) == 0 {
				continue
			}
			f := flange(fmt.Sprint("f", i), Edge(strconv.Itoa(i+1)), 30+20*rnd.Float64(), 30+60*rnd.Float64())
			f.Up = rnd.Intn(2) == 0
			f.InsideRadius = r.Thickness * (1 + rnd.Float64())
			f.SetIn = SetIn{8 + 8*rnd.Float64(), 8 + 8*rnd.Float64()}
			if rnd.Intn(2) == 0 {
				f.Holes = []Hole{round(fmt.Sprint("h", i), Middle, 5*rnd.Float64(), Middle, 2, 4)}
			}
			r.Base.Flanges = append(r.Base.Flanges, f)
		}
		for i := range 4 {
			h := round(fmt.Sprint("b", i), Middle, 400*rnd.Float64()-200, Middle, 200*rnd.Float64()-100, 8)
			if i == 3 {
				h.Kind, h.Length, h.Angle = SlotHole, 30, 180*rnd.Float64()
			}
			r.Base.Holes = append(r.Base.Holes, h)
		}
		p := build(t, r)
		if !p.Whole || len(stops(p)) > 0 {
			continue
		}
		cut := Parting{Axis: []string{"x", "y"}[rnd.Intn(2)], At: 150 + 300*rnd.Float64(),
			Joint: []JointKind{LapJoint, TabJoint, StripJoint}[rnd.Intn(3)], Wide: 40, Hole: 9}
		id := 0
		pieces, err := SplitPart(r, cut, func() string { id++; return fmt.Sprint("n", id) })
		var f *working.Fault
		if err != nil {
			if !errors.As(err, &f) || f.Path == "" {
				t.Fatalf("no refusal for people: %v", err)
			}
			continue
		}
		done++
		kinds[cut.Joint]++
		a, b := build(t, pieces[0].Recipe), build(t, pieces[1].Recipe)
		if !a.Whole || !b.Whole {
			t.Fatalf("%s at %.1f, %s: %+v %+v", cut.Axis, cut.At, cut.Joint, a.Findings, b.Findings)
		}
		bends := func(q Part) (s float64) {
			for _, l := range q.BendLines {
				s += l.Length.MM
			}
			return s
		}
		if d := bends(a) + bends(b) - bends(p); math.Abs(d) > 1e-6 {
			t.Fatalf("bends of %.4f and %.4f from %.4f", bends(a), bends(b), bends(p))
		}
		if len(a.BendLines)+len(b.BendLines) > len(p.BendLines) {
			halved++
		}
		// Holes of the base, apart from the joint's, lie to each other as they did.
		own := func(q Part, joint bool) (out []HoleMade) {
			for _, h := range q.Holes {
				if h.Panel == q.Panels[0].ID && (strings.HasPrefix(h.Name, "Joint bolts") == joint) {
					out = append(out, h)
				}
			}
			return out
		}
		box := profile.Empty()
		for _, q := range p.Panels[0].Flat {
			box.Include(q)
		}
		var low, high []HoleMade
		for _, h := range own(p, false) {
			x := h.Centre.X - box.Min.X
			if cut.Axis == "y" {
				x = h.Centre.Y - box.Min.Y
			}
			if x < cut.At {
				low = append(low, h)
			} else {
				high = append(high, h)
			}
		}
		for _, c := range []struct{ was, is []HoleMade }{{low, own(a, false)}, {high, own(b, false)}} {
			if len(c.was) != len(c.is) {
				t.Fatalf("%d holes of %d", len(c.is), len(c.was))
			}
			for i := range c.was {
				for j := range i {
					if d := c.was[i].Centre.Sub(c.was[j].Centre).Len() - c.is[i].Centre.Sub(c.is[j].Centre).Len(); math.Abs(d) > 1e-6 {
						t.Fatalf("holes moved %.6f against each other", d)
					}
				}
			}
		}
		// Bolts of both pieces lie over each other: the same steps, the same way in from the seam.
		ja, jb := own(a, true), own(b, true)
		if cut.Joint != TabJoint {
			if len(ja) < 2 || len(ja) != len(jb) {
				t.Fatalf("%d bolts on one, %d on the other", len(ja), len(jb))
			}
			for i := 1; i < len(ja); i++ {
				if d := ja[i].Centre.Sub(ja[0].Centre).Len() - jb[i].Centre.Sub(jb[0].Centre).Len(); math.Abs(d) > 1e-6 {
					t.Fatalf("bolts lie %.6f beside each other", d)
				}
			}
			for _, q := range []Part{a, b} {
				for _, h := range own(q, true) {
					near := math.Inf(1)
					for _, e := range q.Panels[0].Edges {
						d := e.To.Sub(e.From)
						if e.Role == "free" {
							near = math.Min(near, math.Abs(d.Cross(h.Centre.Sub(e.From))/d.Len()-20))
						}
					}
					if near > 1e-6 {
						t.Fatalf("a bolt lies %.6f off the middle of its lap", near)
					}
				}
			}
		}
		if cut.Joint == StripJoint && len(stops(a))+len(stops(b)) == 0 { // two pieces make the whole, with the bolts' holes gone
			want := p.Area - float64(len(ja)+len(jb))*math.Pi*81/4
			if d := a.Area + b.Area - want; math.Abs(d) > .01*float64(1+len(p.BendLines))*r.Thickness*r.Thickness+1e-3 &&
				len(a.BendLines)+len(b.BendLines) == len(p.BendLines) {
				t.Fatalf("areas %.3f and %.3f, want %.3f", a.Area, b.Area, want)
			}
		}
	}
	t.Logf("%d split, %d through a flange, %v", done, halved, kinds)
	if done < 100 || halved < 5 || len(kinds) != 3 {
		t.Errorf("%d split, %d through a flange, %v: the sample shows too little", done, halved, kinds)
	}
}

// A disc too large for the bed in two halves with a lap, by hand.
func TestSplitDisc(t *testing.T) {
	r := plate(0, 0)
	r.Base.Shape, r.Base.Length = &Shape{Kind: Disc}, 1000
	r.Grain = GrainX
	r.Base.Holes = []Hole{round("h", Middle, 200, Middle, 100, 20)}
	id := 0
	pieces, err := SplitPart(r, Parting{Axis: "x", At: 500, Joint: LapJoint, Wide: 50}, func() string { id++; return fmt.Sprint("n", id) })
	if err != nil {
		t.Fatal(err)
	}
	a, b := build(t, pieces[0].Recipe), build(t, pieces[1].Recipe)
	// The right half is laid on its cut, a quarter round: its grain runs the other way.
	if pieces[0].Recipe.Grain != GrainY && pieces[0].Recipe.Grain != GrainX {
		t.Error("the grain is lost")
	}
	if pieces[1].Recipe.Grain != GrainY {
		t.Errorf("the right half's grain is %s", pieces[1].Recipe.Grain)
	}
	half := math.Pi * 500 * 500 / 2
	bolts := 0
	for _, h := range b.Holes {
		if strings.HasPrefix(h.Name, "Joint bolts") {
			bolts++
		}
	}
	if want := half - float64(bolts)*math.Pi*81/4 - math.Pi*100; math.Abs(b.Area-want) > 1 {
		t.Errorf("the right half is %.1f mm², want %.1f", b.Area, want)
	}
	if a.Area < half {
		t.Errorf("the left half with its lap is only %.1f mm²", a.Area)
	}
	for name, c := range map[string]Parting{"beside": {Axis: "x", At: 990, Joint: TabJoint}, "no way": {Axis: "z", At: 100, Joint: TabJoint}} {
		if _, err := SplitPart(r, c, func() string { return "x" }); err == nil {
			t.Errorf("%s was split", name)
		}
	}
}
