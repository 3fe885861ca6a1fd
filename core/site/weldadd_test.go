package site

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/shop"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/vehicle"
	"warmanvil/core/weld"
)

// upright is the ear that stands on its left edge, pushed square to its face at its top.
func upright(t *testing.T, change ...func(*Site)) Site {
	t.Helper()
	s := welds(t, func(s *Site) {
		s.Survey = vehicle.Survey{Schema: vehicle.SurveySchema, Placed: []vehicle.Placed{{ID: "p", Name: "Ear", Part: "ear", Pitch: -90}}}
		s.Brief.Welded[0].Sides[0].Placed = "p"
		s.Brief.Welded[0].Cases = []brief.SeamLoad{{Name: "pushed", Force: [3]float64{200, 0, 0}, At: [3]float64{0, 40, 100}}}
	})
	for _, c := range change {
		c(&s)
	}
	return s
}

// added takes an addition as the job does: its part, its place, its joints.
func added(t *testing.T, s Site, kind string) (Site, WeldAdded) {
	t.Helper()
	n := 0
	a, err := s.Adding(WeldAdd{Joint: "w", Seam: "s1", Kind: kind}, func() string { n++; return fmt.Sprint("id", n) })
	if err != nil {
		t.Fatal(err)
	}
	a = a.Of("new")
	s.Survey.Placed = slices.Clone(s.Survey.Placed)
	for i := range s.Survey.Placed {
		if at, is := a.Shifted[s.Survey.Placed[i].ID]; is {
			s.Survey.Placed[i].At = at
		}
	}
	s.Survey.Placed = append(s.Survey.Placed, a.Placed)
	s.Brief.Welded = a.Welded
	if err := s.Brief.Check(); err != nil {
		t.Fatal(err)
	}
	s.Parts = append(slices.Clone(s.Parts), BuildParts(context.Background(), []Part{{ID: "new", Name: a.Name, Recipe: a.Recipe, Quantity: 1}},
		s.Brief, shop.Shop{})...)
	return s, a
}

// A gusset in the corner of an ear that is pushed over: before it the one seam opens at its root, with it the group holds,
// and its own seam carries what its foot takes. By hand: what the foot and the ear's edge take adds up to the push.
func TestGussetByOnePress(t *testing.T) {
	s := upright(t)
	if w := seamed(t, s); w.Verdict != strength.Over {
		t.Fatalf("without a gusset %s: %+v", w.Verdict, w.Why)
	}
	s.Brief.Welded[0].Seams[0].Passed = "two of 6 on 8, etched"
	with, a := added(t, s, AddGusset)
	for _, w := range with.Brief.Welded {
		for _, q := range w.Seams {
			if q.ID != "s1" && q.Passed != "" {
				t.Errorf("%s has the coupon of other pieces", q.Name)
			}
		}
	}
	h := with.Hold()
	main, own := h.Welded[0], h.Welded[1]
	if main.Why != "" || own.Why != "" || len(main.Seams) != 2 {
		t.Fatalf("%q %q", main.Why, own.Why)
	}
	for _, p := range main.Seams[1].Path { // its foot stands on the plate, before the ear's face
		if math.Abs(p[2]) > 1e-9 || math.Abs(p[1]-40) > 1e-9 || math.Abs(p[0]) < 3 || math.Abs(p[0]) > 3+68 {
			t.Errorf("its foot runs by %v", p)
		}
	}
	for _, p := range own.Seams[0].Path {
		if math.Abs(math.Abs(p[0])-3) > 1e-9 || p[2] < 0 || p[2] > 68 {
			t.Errorf("its leg runs by %v", p)
		}
	}
	if main.Verdict != strength.Holds || own.Verdict != strength.Holds {
		t.Errorf("with the gusset %s, the gusset's own %s: %+v", main.Verdict, own.Verdict, own.Result.Checks[0])
	}
	// Equilibrium: the foot's share and the edge's share are the push, about any point.
	open := with.open()
	x := open.seat(with.Brief.Welded[0], nil)
	ask := weld.SeamsAsk{Seams: x.seams, Filler: "e70", Rule: with.Brief.Strength}
	ask.Cases, _ = open.seamLoads(&x, Pathway{})
	var force, moment solid.Vector
	for k := range 2 {
		list, err := weld.Shares(ask, func(i int) bool { return i == k })
		if err != nil || len(list) != 1 {
			t.Fatal(err, list)
		}
		force = force.Add(list[0].Force)
		moment = moment.Add(list[0].Moment).Add(list[0].At.Cross(list[0].Force))
	}
	want := solid.Vector{0, 40, 100}.Cross(solid.Vector{200})
	if force.Sub(solid.Vector{200}).Len() > 1e-6 || moment.Sub(want).Len() > 1e-3 {
		t.Errorf("shares sum to %v and %v, pushed %v", force, moment, want)
	}
	// What hangs on it says what is gone.
	gone := with
	gone.Survey.Placed = with.Survey.Placed[:1]
	if w := gone.Hold().Welded[0]; !strings.Contains(w.Why, "not placed any more") {
		t.Errorf("without its place: %q %s", w.Why, w.Verdict)
	}
	bare := with
	bare.Brief.Welded = slices.Clone(with.Brief.Welded)
	bare.Brief.Welded[0].Seams = bare.Brief.Welded[0].Seams[:1]
	if w := bare.Hold().Welded[1]; w.Verdict != strength.CannotSay || !strings.Contains(w.Why, "foot of this gusset") {
		t.Errorf("without its foot: %q %s", w.Why, w.Verdict)
	}
	thin := with
	r := a.Recipe
	r.Thickness = 1
	thin.Parts = append(slices.Clone(with.Parts[:1]), BuildParts(context.Background(), []Part{{ID: "new", Name: a.Name, Recipe: r,
		Quantity: 1}},
		with.Brief, shop.Shop{})...)
	if w := thin.Hold().Welded[1]; w.Result == nil || !slices.ContainsFunc(w.Result.Checks,
		func(c strength.Check) bool { return c.Key == "gusset" }) ||
		w.Verdict == strength.Holds {
		t.Errorf("of 1 mm it buckles, and is %s", w.Verdict)
	}
}

// A strip over a gap takes the seam's place: one joint to the plate, one to the ear, and the parts list has it. A doubler
// moves the ear off by its thickness and takes its place under it.
func TestStripAndDoublerByOnePress(t *testing.T) {
	gap := 8.
	s := upright(t, func(s *Site) {
		s.Brief.Welded[0].Seams[0].Gap = &gap
		s.Survey.Placed[0].At = [3]float64{0, 0, gap}
	})
	with, a := added(t, s, AddBridge)
	if len(with.Brief.Welded) != 2 || a.Recipe.Base.Width != 24+gap || a.Recipe.Base.Length != 80 {
		t.Fatalf("%d joints, strip %+v", len(with.Brief.Welded), a.Recipe.Base)
	}
	h := with.Hold()
	for _, p := range h.Welded[0].Seams[0].Path { // on the plate, beside the ear's face
		if math.Abs(p[2]) > 1e-9 || math.Abs(math.Abs(p[0])-6) > 1e-9 {
			t.Errorf("the strip stands at %v", p)
		}
	}
	for _, p := range h.Welded[1].Seams[0].Path {
		if math.Abs(p[2]-(gap+24)) > 1e-9 {
			t.Errorf("it is lapped at %v", p)
		}
	}
	if h.Welded[0].Verdict == strength.Holds { // nobody said what goes through it: the ear's load is not typed there
		t.Error("a strip holds whose load never arrived")
	}
	under, d := added(t, upright(t), AddDoubler)
	top := under.Hold().Welded[0]
	if top.Why != "" || under.Survey.Placed[0].At[2] != d.Recipe.Thickness || under.Brief.Welded[0].Sides[1].Of != "new" {
		t.Fatalf("%q, the ear at %v on %+v", top.Why, under.Survey.Placed[0].At, under.Brief.Welded[0].Sides[1])
	}
	for _, seam := range under.Hold().Welded[1].Seams {
		for _, p := range seam.Path {
			if math.Abs(p[2]-d.Recipe.Thickness/2) > 1e-9 || math.Abs(p[0]) > 3+25+1e-9 {
				t.Errorf("the doubler's edge runs by %v", p)
			}
		}
	}
}

// What cannot be added is refused in words: no such joint or seam, no place, a seam of no edge, a corner that is none.
func TestAddingRefuses(t *testing.T) {
	id := func() string { return "x" }
	for want, c := range map[string]struct {
		s  Site
		in WeldAdd
	}{
		"joint is not there": {upright(t), WeldAdd{Joint: "gone", Seam: "s1", Kind: AddGusset}},
		"seam is not there":  {upright(t), WeldAdd{Joint: "w", Seam: "gone", Kind: AddGusset}},
		"not \"wish\"":       {upright(t), WeldAdd{Joint: "w", Seam: "s1", Kind: "wish"}},
		"has no place":       {welds(t), WeldAdd{Joint: "w", Seam: "s1", Kind: AddGusset}},
		"stands in a corner": {upright(t, func(s *Site) { s.Brief.Welded[0].Seams[0].Form = weld.LapForm }), WeldAdd{Joint: "w", Seam: "s1", Kind: AddGusset}},
		"is no fillet":       {upright(t, func(s *Site) { s.Brief.Welded[0].Seams[0].Form = weld.LapForm }), WeldAdd{Joint: "w", Seam: "s1", Kind: AddDoubler}},
		"is neither":         {upright(t, func(s *Site) { s.Brief.Welded[0].Seams[0].Form = weld.LapForm }), WeldAdd{Joint: "w", Seam: "s1", Kind: AddBridge}},
		"along no edge": {upright(t, func(s *Site) {
			s.Brief.Welded[0].Seams[0].Panel, s.Brief.Welded[0].Seams[0].Path = "", []solid.Vector{{}, {0, 80}}
		}), WeldAdd{Joint: "w", Seam: "s1", Kind: AddGusset}},
		"cannot be worked out": {upright(t, func(s *Site) { s.Brief.Welded[0].Sides[1].Material = "" }), WeldAdd{Joint: "w", Seam: "s1", Kind: AddGusset}},
	} {
		if _, err := c.s.Adding(c.in, id); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%q: %v", want, err)
		}
	}
	for _, v := range [][2]solid.Vector{{{1}, {0, 1}}, {{0, 0, 1}, {1}}, {{0, 0, -1}, {0, 1}}, {{.6, .8}, {0, 0, 1}}, {{0, -1}, {.6, 0, .8}}} {
		yaw, pitch, roll := angles(v[0], v[1])
		p := solid.Turned(solid.Vector{}, yaw, pitch, roll)
		if p.X.Sub(v[0]).Len() > 1e-9 || p.Y.Sub(v[1]).Len() > 1e-9 {
			t.Errorf("%v comes to %v %v", v, p.X, p.Y)
		}
	}
}

// What is added to an inch job is marked out with an inch rule, its sheet in thirty-seconds or as the first part's.
func TestAddedSizesOfAnInchJob(t *testing.T) {
	for _, kind := range []string{AddGusset, AddDoubler} {
		_, a := added(t, upright(t, func(s *Site) { s.Brief.Unit = brief.UnitFraction }), kind)
		b := a.Recipe.Base
		sizes := []float64{b.Length, b.Width, b.Corner.Size}
		if b.Shape != nil {
			sizes = nil
			for _, p := range b.Shape.Points {
				sizes = append(sizes, p.X, p.Y)
			}
		}
		for _, v := range sizes {
			if eighths := v / 25.4 * 8; math.Abs(eighths-math.Round(eighths)) > 1e-9 {
				t.Errorf("%s has a size of %g in", kind, v/25.4)
			}
		}
	}
}
