package site

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/member"
	"warmanvil/core/shop"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/vehicle"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// gate is the square frame, held at the ends of a rail and pulled at the middle of a rung.
func gate(t *testing.T, fit *member.Pose, unit brief.Unit) Site {
	t.Helper()
	s := square(t, unit)
	s.Survey.Schema = vehicle.SurveySchema
	d := &s.Frames[0].Doc
	d.Fit, d.Filler = fit, "e70"
	d.Supports = []member.Support{{Point: "a", Kind: "fixed"}, {Point: "b", Kind: "fixed"}}
	d.Loads = []member.Load{{ID: "x", Name: "pushed", Kind: "force", Points: []string{"s2"}, Force: [3]float64{900, 0, 0}}}
	return s
}

// cornerAdded takes a gusset as the job does.
func cornerAdded(t *testing.T, s Site, id string) (Site, WeldAdded, error) {
	t.Helper()
	n := 0
	a, err := s.Adding(WeldAdd{Kind: AddCorner, Frame: "f", Member: "s", End: "a"}, func() string { n++; return fmt.Sprint(id, n) })
	if err != nil {
		return s, a, err
	}
	a = a.Of(id)
	s.Survey.Placed = append(slices.Clone(s.Survey.Placed), a.Placed)
	s.Brief.Welded = a.Welded
	s.Parts = append(slices.Clone(s.Parts), BuildParts(t.Context(), []Part{{ID: id, Name: a.Name, Recipe: a.Recipe, Quantity: 1}}, s.Brief,
		shop.Shop{})...)
	return s, a, nil
}

// A gusset in a corner of a frame lies on the faces of both members: its seams are nowhere off them, however the frame
// stands. Both its legs carry the same: what its foot takes of the end. The frame is asked as before.
func TestGussetInACornerOfAFrame(t *testing.T) {
	for _, unit := range []brief.Unit{brief.UnitMM, brief.UnitFraction} {
		for _, fit := range []*member.Pose{nil, {X: 300, Y: -50, Z: 900, Yaw: 30, Pitch: 20, Roll: -15}} {
			s := gate(t, fit, unit)
			before := s.Framed(s.Frames[0]).Told().Hold
			with, a, err := cornerAdded(t, s, "gu")
			if err != nil {
				t.Fatal(err)
			}
			h := with.Hold()
			if len(h.Welded) != 2 {
				t.Fatalf("%d joints", len(h.Welded))
			}
			for _, w := range h.Welded {
				if w.Result == nil || w.Why != "" {
					t.Fatalf("%s: %q", w.Name, w.Why)
				}
				for _, f := range w.Findings {
					if f.Code == "seam-apart" || f.Severity == working.Stop {
						t.Errorf("%v %s: %s", fit, w.Name, f.Reason)
					}
				}
			}
			if p, err := with.WeldPlan(a.Welded[0].ID); err != nil || p.Why != "" {
				t.Errorf("%v %s", err, p.Why)
			}
			if after := with.Framed(with.Frames[0]).Told().Hold; after.Verdict != before.Verdict || *after.Use != *before.Use {
				t.Errorf("the frame answers %s %v, without its gusset %s %v", after.Verdict, *after.Use, before.Verdict, *before.Use)
			}
			open := with.open()
			path := open.paths()
			sum := [2]solid.Vector{}
			for i, w := range with.Brief.Welded {
				x := open.seat(w, nil)
				cases, why := open.cornered(&x, path)
				if why != "" || len(cases) == 0 {
					t.Fatalf("%s: %q", w.Name, why)
				}
				sum[i] = cases[0].Force
				for _, q := range x.seams {
					for _, v := range q.Path {
						inside := into(with.Frames[0].Doc.Fit.Solid(), v)
						off := math.Abs(inside[1] - 20) // the foot on the rail's face
						if i == 1 {
							off = math.Abs(math.Abs(inside[0]-150) - 20) // the other leg on the rung's
						}
						if off > 1e-6 || math.Abs(inside[2]) > 1e-6 {
							t.Errorf("%s: its seam runs by %v of the frame", w.Name, inside)
						}
					}
				}
			}
			if sum[0].Len() == 0 || sum[0].Sub(sum[1]).Len() > 1e-9*sum[0].Len() {
				t.Errorf("its legs carry %v and %v", sum[0], sum[1])
			}
		}
	}
}

// By hand: a gusset's foot beside an end takes of a push straight down through all lines' middle its share of their throat
// area. The end alone never carries less than all of it, which the frame's own check asks.
func TestWhatAFootTakes(t *testing.T) {
	end := weld.SeamsAsk{Filler: "e70", Rule: strength.Rule{School: strength.Allowable},
		Seams: []weld.Seam{{ID: "end", Form: weld.FilletForm, Leg: 4, RunOff: true, Path: []solid.Vector{{-20, 50}, {20, 50}},
			Sides: [2]weld.SeamSide{{Material: "steel-s235", Thickness: 6}, {Material: "steel-s235", Thickness: 6}}}}}
	foot := end.Seams[0]
	foot.ID, foot.Path = "foot", []solid.Vector{{-20, -50}, {20, -50}}
	end.Seams = append(end.Seams, foot)
	end.Cases = []weld.SeamsCase{{Name: "down", Force: solid.Vector{0, 0, -1000}}}
	got, err := weld.Shares(endIn(end, solid.Ground), func(i int) bool { return i == 1 })
	if err != nil || len(got) != 1 || math.Abs(got[0].Force[2]+500) > 1e-6 || math.Abs(got[0].At[1]+50) > 1e-6 {
		t.Errorf("%v %+v, by hand half of 1000 N", err, got)
	}
}

// A second press puts one on the other side where there is room, a third is refused; so are mitred, slanted and free ends,
// and frames that are gone. A gusset whose foot is not welded any more carries nobody knows what.
func TestCornerGussetsRefused(t *testing.T) {
	s := gate(t, nil, brief.UnitMM)
	one, a, err := cornerAdded(t, s, "one")
	if err != nil {
		t.Fatal(err)
	}
	two, b, err := cornerAdded(t, one, "two")
	if err == nil && solid.Vector(a.Placed.At).Sub(solid.Vector(b.Placed.At)).Len() < 30 {
		t.Errorf("both lie at %v", b.Placed.At)
	}
	if err == nil {
		if _, _, err = cornerAdded(t, two, "three"); err == nil {
			t.Error("three gussets in two corners")
		}
	}
	for name, in := range map[string]WeldAdd{"gone frame": {Kind: AddCorner, Frame: "x", Member: "s", End: "a"},
		"gone member": {Kind: AddCorner, Frame: "f", Member: "x", End: "a"}, "no end": {Kind: AddCorner, Frame: "f", Member: "s"},
		"free end": {Kind: AddCorner, Frame: "f", Member: "l", End: "a"}} {
		if _, err := s.Adding(in, func() string { return "n" }); err == nil {
			t.Errorf("%s is taken", name)
		}
	}
	loose := one
	loose.Brief.Welded = slices.Clone(one.Brief.Welded)[1:]
	if w := loose.Hold().Welded[0]; w.Verdict != strength.CannotSay || !strings.Contains(w.Why, "not welded any more") {
		t.Errorf("%s %q", w.Verdict, w.Why)
	}
	heavy := one // a device on the frame whose mass nobody said
	heavy.Brief.Devices = []brief.Device{{ID: "d", Name: "Winch"}}
	heavy.Frames = slices.Clone(one.Frames)
	heavy.Frames[0].Doc.Loads = append(slices.Clone(one.Frames[0].Doc.Loads), member.Load{ID: "y", Name: "winch", Kind: "device", Device: "d",
		Points: []string{"t1"}})
	if w := heavy.Hold().Welded[0]; w.Verdict != strength.CannotSay || !strings.Contains(w.Why, "nobody can say") {
		t.Errorf("a load that did not arrive: %s %q", w.Verdict, w.Why)
	}
	unloaded := one
	unloaded.Frames = slices.Clone(one.Frames)
	unloaded.Frames[0].Doc.Loads = nil
	unloaded.Frames[0].Doc.Supports = nil
	if w := unloaded.Hold().Welded[0]; w.Verdict != strength.CannotSay || w.Why == "" {
		t.Errorf("of a frame nothing holds: %s %q", w.Verdict, w.Why)
	}
}
