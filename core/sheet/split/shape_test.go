package split_test

import (
	"errors"
	"fmt"
	"math"
	"math/rand"
	"strconv"
	"strings"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/sheet/split"
	"warmanvil/core/working"
)

// Random parts on polygons split across: both pieces are whole, every hole keeps
// its distance from every other, bends and areas add up, bolts lie over bolts.
func TestSplitShapesAddUp(t *testing.T) {
	rnd := rand.New(rand.NewSource(31))
	done, halved := 0, 0
	kinds := map[split.JointKind]int{}
	for range 1500 {
		n := 3 + rnd.Intn(5)
		r := plates.Plate(0, 0)
		r.Thickness, r.Grain = 1+rnd.Float64()*2, sheet.GrainX
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
		r.Base.Shape = &sheet.Shape{Kind: sheet.Polygon, Points: pts}
		for i := range n {
			if arcs || rnd.Intn(2) == 0 {
				continue
			}
			f := plates.Flange(fmt.Sprint("f", i), sheet.Edge(strconv.Itoa(i+1)), 30+20*rnd.Float64(), 30+60*rnd.Float64())
			f.Up = rnd.Intn(2) == 0
			f.InsideRadius = r.Thickness * (1 + rnd.Float64())
			f.SetIn = sheet.SetIn{Start: 8 + 8*rnd.Float64(), End: 8 + 8*rnd.Float64()}
			if rnd.Intn(2) == 0 {
				f.Holes = []sheet.Hole{plates.Round(fmt.Sprint("h", i), sheet.Middle, 5*rnd.Float64(), sheet.Middle, 2, 4)}
			}
			r.Base.Flanges = append(r.Base.Flanges, f)
		}
		for i := range 4 {
			h := plates.Round(fmt.Sprint("b", i), sheet.Middle, 400*rnd.Float64()-200, sheet.Middle, 200*rnd.Float64()-100, 8)
			if i == 3 {
				h.Kind, h.Length, h.Angle = sheet.SlotHole, 30, 180*rnd.Float64()
			}
			r.Base.Holes = append(r.Base.Holes, h)
		}
		p := plates.Build(t, r)
		if !p.Whole || len(plates.Stops(p)) > 0 {
			continue
		}
		cut := split.Parting{Axis: []string{"x", "y"}[rnd.Intn(2)], At: 150 + 300*rnd.Float64(),
			Joint: []split.JointKind{split.LapJoint, split.TabJoint, split.StripJoint}[rnd.Intn(3)], Wide: 40, Hole: 9}
		id := 0
		pieces, err := split.Part(r, cut, func() string { id++; return fmt.Sprint("n", id) })
		var f *working.Fault
		if err != nil {
			if !errors.As(err, &f) || f.Path == "" {
				t.Fatalf("no refusal for people: %v", err)
			}
			continue
		}
		done++
		kinds[cut.Joint]++
		a, b := plates.Build(t, pieces.Parts[0].Recipe), plates.Build(t, pieces.Parts[1].Recipe)
		if !a.Whole || !b.Whole {
			t.Fatalf("%s at %.1f, %s: %+v %+v", cut.Axis, cut.At, cut.Joint, a.Findings, b.Findings)
		}
		bends := func(q made.Part) (s float64) {
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
		own := func(q made.Part, joint bool) (out []made.HoleMade) {
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
		var low, high []made.HoleMade
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
		for _, c := range []struct{ was, is []made.HoleMade }{{low, own(a, false)}, {high, own(b, false)}} {
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
		if cut.Joint != split.TabJoint {
			if len(ja) < 2 || len(ja) != len(jb) {
				t.Fatalf("%d bolts on one, %d on the other", len(ja), len(jb))
			}
			for i := 1; i < len(ja); i++ {
				if d := ja[i].Centre.Sub(ja[0].Centre).Len() - jb[i].Centre.Sub(jb[0].Centre).Len(); math.Abs(d) > 1e-6 {
					t.Fatalf("bolts lie %.6f beside each other", d)
				}
			}
			for _, q := range []made.Part{a, b} {
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
		// Two pieces make the whole, with the bolts' holes gone.
		if cut.Joint == split.StripJoint && len(plates.Stops(a))+len(plates.Stops(b)) == 0 {
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
	r := plates.Plate(0, 0)
	r.Base.Shape, r.Base.Length = &sheet.Shape{Kind: sheet.Disc}, 1000
	r.Grain = sheet.GrainX
	r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Middle, 200, sheet.Middle, 100, 20)}
	id := 0
	pieces, err := split.Part(r, split.Parting{Axis: "x", At: 500, Joint: split.LapJoint, Wide: 50},
		func() string { id++; return fmt.Sprint("n", id) })
	if err != nil {
		t.Fatal(err)
	}
	a, b := plates.Build(t, pieces.Parts[0].Recipe), plates.Build(t, pieces.Parts[1].Recipe)
	// The right half is laid on its cut, a quarter round: its grain runs the other way.
	if pieces.Parts[0].Recipe.Grain != sheet.GrainY && pieces.Parts[0].Recipe.Grain != sheet.GrainX {
		t.Error("the grain is lost")
	}
	if pieces.Parts[1].Recipe.Grain != sheet.GrainY {
		t.Errorf("the right half's grain is %s", pieces.Parts[1].Recipe.Grain)
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
	for name, c := range map[string]split.Parting{"beside": {Axis: "x", At: 990, Joint: split.TabJoint},
		"no way": {Axis: "z", At: 100, Joint: split.TabJoint}} {
		if _, err := split.Part(r, c, func() string { return "x" }); err == nil {
			t.Errorf("%s was split", name)
		}
	}
}
