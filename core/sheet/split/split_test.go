package split_test

import (
	"fmt"
	"math"
	"math/rand"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/sheet/split"
)

// Random trays split across: both pieces are whole, every hole keeps its place
// from the line, panels and areas add up to what there was, joints meet.
func TestSplitPiecesAddUp(t *testing.T) {
	rnd := rand.New(rand.NewSource(44))
	done := 0
	for range 300 {
		r := plates.Random(rnd, true)
		r.Base.Length, r.Base.Width = r.Base.Length+300, r.Base.Width+200
		if len(r.Base.Flanges) > 0 && rnd.Intn(2) == 0 {
			lip := plates.Flange("lip", r.Base.Flanges[0].Edge, 25+3*r.Thickness, 60)
			lip.InsideRadius = r.Thickness
			r.Base.Flanges[0].Length += 30
			r.Base.Flanges[0].Flanges = []sheet.Flange{lip}
		}
		pair := plates.Round("pair", sheet.Left, 60, sheet.Front, 90, 7)
		pair.Pattern = &sheet.Pattern{Kind: sheet.MirrorPattern, Across: true}
		r.Base.Holes = append(r.Base.Holes, pair)
		r.Base.Edges = nil
		p := plates.Build(t, r)
		if !p.Whole || len(plates.Stops(p)) > 0 {
			continue
		}
		axis := []string{"x", "y"}[rnd.Intn(2)]
		joint := []split.JointKind{split.LapJoint, split.TabJoint, split.StripJoint}[rnd.Intn(3)]
		n := 0
		cut := split.Parting{Axis: axis, At: 120 + 100*rnd.Float64(), Joint: joint}
		pieces, err := split.Part(r, cut, func() string { n++; return fmt.Sprint("n", n) })
		if err != nil {
			continue // through a hole, or too near an end
		}
		done++
		a, b := plates.Build(t, pieces.Parts[0].Recipe), plates.Build(t, pieces.Parts[1].Recipe)
		if !a.Whole || !b.Whole {
			t.Fatalf("%+v %+v", a.Findings, b.Findings)
		}
		sum := func(q made.Part) (s float64) { // of bends
			for _, l := range q.BendLines {
				s += l.Length.MM
			}
			return s
		}
		if d := sum(a) + sum(b) - sum(p); math.Abs(d) > 1e-6 {
			t.Fatalf("%s at %.1f: bends of %.4f and %.4f from %.4f", axis, cut.At, sum(a), sum(b), sum(p))
		}
		_, deep := p.Panels[0].Seat.Width, p.Panels[0].Seat.Height
		if axis == "y" {
			deep = p.Panels[0].Seat.Width
		}
		extra := 0.0
		switch joint {
		case split.LapJoint:
			extra = 40 * deep
		}
		outline := func(q made.Part) float64 { return q.Outline.Area() }
		holes := func(q made.Part) (list []made.HoleMade) {
			for _, h := range q.Holes {
				if h.Name != "Joint bolts" {
					list = append(list, h)
				}
			}
			return list
		}
		if joint != split.TabJoint {
			// Reliefs at the line come and go: a few thicknesses' worth.
			if d := outline(a) + outline(b) - outline(p) - extra; math.Abs(d) > 40*r.Thickness*r.Thickness {
				t.Fatalf("%s %s at %.1f: areas differ by %.2f", axis, joint, cut.At, d)
			}
		}
		got := map[[2]int]int{}
		key := func(c profile.Point) [2]int { return [2]int{int(math.Round(c.X * 100)), int(math.Round(c.Y * 100))} }
		for _, h := range holes(a) {
			got[key(h.Centre)]++
		}
		for _, h := range holes(b) {
			c := h.Centre
			if axis == "x" {
				c.X += cut.At
			} else {
				c.Y += cut.At
			}
			got[key(c)]++
		}
		for _, h := range p.Holes {
			k := key(h.Centre)
			found := false
			for dx := -1; dx <= 1; dx++ {
				for dy := -1; dy <= 1; dy++ {
					found = found || got[[2]int{k[0] + dx, k[1] + dy}] > 0
				}
			}
			if !found {
				t.Fatalf("%s %s at %.2f: %s at %.2f, %.2f is lost", axis, joint, cut.At, h.Name, h.Centre.X, h.Centre.Y)
			}
		}
		if len(holes(a))+len(holes(b)) != len(p.Holes) {
			t.Fatalf("%d and %d holes of %d", len(holes(a)), len(holes(b)), len(p.Holes))
		}
	}
	if done < 80 {
		t.Errorf("only %d were split", done)
	}
}

// A flange taken off at its bend: the lap that stays and the piece lie over one
// another bolt by bolt, and the piece keeps the flange's own holes.
func TestSplitAtABend(t *testing.T) {
	for _, e := range []sheet.Edge{sheet.Front, sheet.Left} {
		r := plates.Plate(300, 200)
		f := plates.Flange("f", e, 120, 90)
		h := plates.Round("own", sheet.Left, 60, sheet.Back, 30, 10)
		if e == sheet.Left {
			h.X.Edge, h.Y.Edge = sheet.Left, sheet.Front
			h.X.Distance, h.Y.Distance = 30, 60
		}
		f.Holes = []sheet.Hole{h}
		f.Edges = []sheet.EdgeCut{{ID: "n", Kind: sheet.Notch, Edge: e, At: 40, Width: 10, Depth: 8}}
		r.Base.Flanges = []sheet.Flange{f, plates.Flange("g", sheet.Back, 40, 90)}
		n := 0
		pieces, err := split.Part(r, split.Parting{Bend: "f", Joint: split.LapJoint, Wide: 35, Pitch: 60},
			func() string { n++; return fmt.Sprint("n", n) })
		if err != nil {
			t.Fatal(err)
		}
		whole, a, b := plates.Build(t, r), plates.Build(t, pieces.Parts[0].Recipe), plates.Build(t, pieces.Parts[1].Recipe)
		if !a.Whole || !b.Whole || len(plates.Stops(a))+len(plates.Stops(b)) > 0 {
			t.Fatalf("%+v %+v", plates.Stops(a), plates.Stops(b))
		}
		plates.Near(t, "area", a.Outline.Area()+b.Outline.Area(), whole.Outline.Area()+35*wholeSide(whole, "f"))
		seat := func(p made.Part, id string) lay.Seat {
			for _, q := range p.Panels {
				if q.ID == id {
					return q.Seat
				}
			}
			t.Fatal("no " + id)
			return lay.Seat{}
		}
		s := seat(a, "f")
		var lap, piece []profile.Point
		for _, h := range a.Holes {
			if h.Panel == "f" {
				lap = append(lap, s.In(h.Body))
			}
		}
		own := false
		for _, h := range b.Holes {
			if h.Name == "Joint bolts" {
				piece = append(piece, h.Centre)
				continue
			}
			own = true
			w := seat(whole, "f").In(whole.Holes[0].Body)
			plates.Near(t, "own hole", h.Centre.Sub(w).Len(), 0)
		}
		if len(lap) != len(piece) || len(lap) < 2 || !own {
			t.Fatalf("%d and %d bolts", len(lap), len(piece))
		}
		for i := range lap {
			plates.Near(t, "bolt over bolt", lap[i].Sub(piece[i]).Len(), 0)
		}
	}
	r := plates.Plate(300, 200)
	f := plates.Flange("f", sheet.Front, 120, 90)
	f.Taper.Start = 10
	r.Base.Flanges = []sheet.Flange{f}
	if _, err := split.Part(r, split.Parting{Bend: "f", Joint: split.LapJoint}, nil); err == nil {
		t.Error("a tapered flange is taken off")
	}
}

func wholeSide(p made.Part, id string) float64 {
	for _, l := range p.BendLines {
		if l.ID == id {
			return l.Length.MM
		}
	}
	return 0
}

// What is too large for a usual table, brake or one person is said.
func TestLargePartsAreSaid(t *testing.T) {
	r := plates.Plate(3400, 600)
	f := plates.Flange("f", sheet.Front, 60, 90)
	r.Base.Flanges = []sheet.Flange{f}
	p, err := made.Build(r, made.Options{Machines: usual, Lift: 25})
	if err != nil {
		t.Fatal(err)
	}
	for _, code := range []string{"past-bed", "past-brake", "past-lift"} {
		if _, said := plates.Codes(p)[code]; !said {
			t.Errorf("%s is not said", code)
		}
	}
	for _, f := range plates.Build(t, plates.Plate(400, 300)).Findings {
		if f.Cause == "Large parts" {
			t.Errorf("%+v", f)
		}
	}
}

// Joints by hand: bolts of lap and strip lie over one another, tabs in notches.
func TestJointsMeet(t *testing.T) {
	r := plates.Plate(400, 200)
	n := 0
	id := func() string { n++; return fmt.Sprint("n", n) }
	for _, joint := range []split.JointKind{split.LapJoint, split.TabJoint, split.StripJoint} {
		pieces, err := split.Part(r, split.Parting{Axis: "x", At: 250, Joint: joint, Wide: 40, Pitch: 70}, id)
		if err != nil {
			t.Fatal(err)
		}
		a, b := plates.Build(t, pieces.Parts[0].Recipe), plates.Build(t, pieces.Parts[1].Recipe)
		if len(plates.Stops(a))+len(plates.Stops(b)) > 0 {
			t.Errorf("%s: %+v %+v", joint, plates.Stops(a), plates.Stops(b))
		}
		switch joint {
		case split.LapJoint:
			plates.Near(t, "lapped", a.Bounds.Max.X, 290)
			for i := range a.Holes { // the second piece begins at 250
				plates.Near(t, "bolt", a.Holes[i].Centre.X, b.Holes[i].Centre.X+250)
				plates.Near(t, "bolt", a.Holes[i].Centre.Y, b.Holes[i].Centre.Y)
			}
		case split.TabJoint:
			plates.Near(t, "tabs", a.Bounds.Max.X, 259)
			plates.Near(t, "tabs less notches", a.Area+b.Area, 80000+3*23*9-3*23.2*9.1)
		case split.StripJoint:
			strip := plates.Build(t, pieces.Parts[2].Recipe)
			if len(strip.Holes) != 6 || len(a.Holes) != 3 {
				t.Fatalf("%d holes", len(strip.Holes))
			}
			plates.Near(t, "over the seam", strip.Holes[0].Centre.X, 20)
			plates.Near(t, "strip's pitch", strip.Holes[1].Centre.Y-strip.Holes[0].Centre.Y, a.Holes[1].Centre.Y-a.Holes[0].Centre.Y)
		}
	}
	r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 250, sheet.Front, 50, 10)}
	if _, err := split.Part(r, split.Parting{Axis: "x", At: 252, Joint: split.LapJoint}, id); err == nil {
		t.Error("a hole is split")
	}
	if _, err := split.Part(r, split.Parting{Axis: "x", At: 395, Joint: split.LapJoint}, id); err == nil {
		t.Error("a lap past the end is split")
	}
}
