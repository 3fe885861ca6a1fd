package site

import (
	"context"
	"math"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/load"
	"warmanvil/core/sheet"
	"warmanvil/core/shop"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// ear is a plate of 120 × 80 × 6 mm that lies with its base on the ground plane.
func ear() sheet.Recipe {
	r := demo.DemoSheet(6)
	r.Base.Length, r.Base.Width = 120, 80
	return r
}

// welds is a job with the ear welded by its left edge to a plate of 8 mm, pulled along its own plane.
func welds(t *testing.T, change ...func(s *Site)) Site {
	t.Helper()
	b := brief.Brief{Name: "Welded", Unit: brief.UnitMM, Grain: 1, Quantity: 1, Strength: strength.Rule{School: strength.Allowable},
		Criticality: brief.LoadLost, Welded: []brief.Welded{{ID: "w", Name: "Ear on its plate", Filler: "e70",
			Sides: [2]brief.SeamBody{{Side: brief.Side{Kind: brief.PartSide, Of: "ear"}}, {Name: "plate", Material: "steel-s235", Thickness: 8}},
			Seams: []brief.SeamPlan{{Seam: weld.Seam{ID: "s1", Name: "Root seam", Form: weld.FilletForm, Leg: 5}, Panel: "base", Edge: "left"}},
			Cases: []brief.SeamLoad{{Name: "pulled", Force: [3]float64{6000, 0, 0}, At: [3]float64{60, 40, 0}}}}}}.Upgraded()
	s := Site{Brief: b, Parts: BuildParts(context.Background(), []Part{{ID: "ear", Name: "Ear", Recipe: ear(), Quantity: 1}}, b, shop.Shop{})}
	for _, c := range change {
		c(&s)
	}
	if err := s.Brief.Check(); err != nil {
		t.Fatal(err)
	}
	return s
}

func seamed(t *testing.T, s Site) WeldedTold {
	t.Helper()
	return s.Hold().Welded[0]
}

// The weld of an ear pulled along its plane, by hand: 80 mm of edge less two legs, a throat of 0.707 legs, 0.3 of the
// weld metal; on both sides half of it.
func TestSeamOfAnEarByHand(t *testing.T) {
	one := seamed(t, welds(t))
	if one.Why != "" || one.Result == nil {
		t.Fatalf("%+v", one)
	}
	check := func(w WeldedTold, key string) strength.Check {
		for _, c := range w.Result.Checks {
			if c.Key == key {
				return c
			}
		}
		t.Fatalf("no check %s", key)
		return strength.Check{}
	}
	want := 6000 / 70. / (.3 * 483 * 5 * math.Sqrt2 / 2)
	if got := *check(one, "throat").Utilisation; math.Abs(got-want) > 1e-9 {
		t.Errorf("weld metal %.4f, by hand %.4f", got, want)
	}
	still := seamed(t, welds(t, func(s *Site) { s.Brief.Welded[0].Seams[0].Before, s.Brief.Welded[0].Seams[0].After = 5, 5 }))
	if still.Findings == nil || len(still.Seams[0].Runs) != 1 {
		t.Error("a list of nothing is none at all")
	}
	if one.Verdict != strength.Holds || one.Seams[0].Long != 80 || one.Seams[0].Laid != 80 {
		t.Errorf("%s, %+v", one.Verdict, one.Seams[0])
	}
	both := seamed(t, welds(t, func(s *Site) { s.Brief.Welded[0].Seams[0].Both = true }))
	if got := *check(both, "throat").Utilisation; math.Abs(got-want/2) > 1e-9 || both.Seams[0].Laid != 160 {
		t.Errorf("on both sides %.4f, by hand %.4f; %.0f mm laid", got, want/2, both.Seams[0].Laid)
	}
	// A factored school puts its factor on what is typed, and asks 0.75 · 0.6 of the metal.
	lrfd := seamed(t, welds(t, func(s *Site) { s.Brief.Strength.School = strength.Factored }))
	if got, want := *check(lrfd, "throat").Utilisation, 1.6*6000/70./(.45*483*5*math.Sqrt2/2); math.Abs(got-want) > 1e-9 {
		t.Errorf("factored %.4f, by hand %.4f", got, want)
	}
	inch := seamed(t, welds(t, func(s *Site) { s.Brief.Unit = brief.UnitFraction }))
	if *inch.Result.Hardest != *one.Result.Hardest || inch.Verdict != one.Verdict {
		t.Error("an inch job is answered otherwise")
	}
}

// Bent across its own line one fillet opens at its root: over. Both sides hold, as a pair a thickness apart.
func TestOneSideOpensAtItsRoot(t *testing.T) {
	bend := func(s *Site) {
		s.Brief.Welded[0].Cases = []brief.SeamLoad{{Name: "bent", Force: [3]float64{0, 0, 60}, At: [3]float64{60, 40, 0}}}
	}
	one := seamed(t, welds(t, bend))
	if one.Verdict != strength.Over {
		t.Fatalf("one side bent about its own line %s", one.Verdict)
	}
	s := welds(t, bend)
	s.Brief.Welded[0].Seams[0].Both = true
	if both := seamed(t, s); both.Verdict != strength.Holds {
		t.Errorf("both sides %s: %+v", both.Verdict, both.Result.Checks[0])
	}
	ways, err := welds(t, bend).WeldWays("w")
	if err != nil || len(ways) == 0 {
		t.Fatalf("nothing helps: %v", err)
	}
	for _, w := range ways {
		if w.Verdict != strength.Holds && w.Verdict != strength.Tight {
			t.Errorf("%s is offered and is %s", w.Label, w.Verdict)
		}
		again := welds(t, bend)
		again.Brief.Welded[0] = w.Joint
		if x := seamed(t, again); x.Verdict != w.Verdict || *x.Result.Hardest != *w.Use {
			t.Errorf("%s taken is %s at %v, offered as %s at %v", w.Label, x.Verdict, *x.Result.Hardest, w.Verdict, *w.Use)
		}
	}
}

// What holds with room to spare is told how little would do, and that holds.
func TestHowLittleWeldWouldDo(t *testing.T) {
	long := func(s *Site) {
		r := ear()
		r.Base.Width = 600
		s.Parts = BuildParts(context.Background(), []Part{{ID: "ear", Name: "Ear", Recipe: r, Quantity: 1}}, s.Brief, shop.Shop{})
		s.Brief.Welded[0].Cases[0].At = [3]float64{60, 300, 0}
	}
	ways, err := welds(t, long).WeldWays("w")
	if err != nil || len(ways) != 1 || ways[0].Joint.Seams[0].Stitch == 0 || ways[0].Laid >= 600 {
		t.Fatalf("%v %+v", err, ways)
	}
	if _, err := welds(t, long).WeldWays("gone"); err == nil {
		t.Error("a joint that is not there has ways")
	}
}

// What nobody can say is told with what to do, and nothing of it holds.
func TestSeamsThatCannotBeSaid(t *testing.T) {
	for want, spoil := range map[string]func(w *brief.Welded){
		"is not in the job any more":           func(w *brief.Welded) { w.Sides[0].Of = "gone" },
		"Choose the part or member":            func(w *brief.Welded) { w.Sides[0] = brief.SeamBody{} },
		"Say of what metal":                    func(w *brief.Welded) { w.Sides[1].Material = "" },
		"Say how thick":                        func(w *brief.Welded) { w.Sides[1].Thickness = 0 },
		"has no seam yet":                      func(w *brief.Welded) { w.Seams = nil },
		"is not on the part any more":          func(w *brief.Welded) { w.Seams[0].Panel = "gone" },
		"is not on Base any more":              func(w *brief.Welded) { w.Seams[0].Edge = "9" },
		"nothing of it is left":                func(w *brief.Welded) { w.Seams[0].Before = 80 },
		"say where it runs":                    func(w *brief.Welded) { w.Seams[0].Panel = "" },
		"only a member":                        func(w *brief.Welded) { w.Seams[0].End = "a" },
		"is no weld metal":                     func(w *brief.Welded) { w.Filler = "glue" },
		"The bracket its loads come from":      func(w *brief.Welded) { w.Mount = "gone" },
		"No joint with a place holds two":      func(w *brief.Welded) { w.Path = true },
		"Say how large Root seam is: its leg.": func(w *brief.Welded) { w.Seams[0].Leg = 0 },
	} {
		w := seamed(t, welds(t, func(s *Site) { spoil(&s.Brief.Welded[0]) }))
		if w.Verdict != strength.CannotSay || w.Result != nil || !strings.Contains(w.Why, want) {
			t.Errorf("%q: %s, %q", want, w.Verdict, w.Why)
		}
	}
	none := seamed(t, welds(t, func(s *Site) { s.Brief.Welded[0].Cases = nil }))
	if none.Verdict != strength.CannotSay {
		t.Errorf("with nothing that loads it it %s", none.Verdict)
	}
}

// Stops: nothing welded to the vehicle, faces on which nothing may be welded, gaps; none of them holds.
func TestStopsOfASeam(t *testing.T) {
	for code, spoil := range map[string]func(s *Site){
		"no-welds": func(s *Site) {
			s.Brief.Limits.NoWelds = true
			s.Brief.Welded[0].Sides[1].Kind = brief.VehicleSide
		},
		"no-weld-face": func(s *Site) {
			r := ear()
			r.Base.Marks = []sheet.Mark{{ID: "m", Kind: sheet.NoWeldMark, X: sheet.Offset{Edge: sheet.Left, Distance: 20},
				Y: sheet.Offset{Edge: sheet.Front, Distance: 40}, Length: 60, Width: 30}}
			s.Parts = BuildParts(context.Background(), []Part{{ID: "ear", Name: "Ear", Recipe: r, Quantity: 1}}, s.Brief, shop.Shop{})
		},
		"seam-gap": func(s *Site) { gap := 9.; s.Brief.Welded[0].Seams[0].Gap = &gap },
	} {
		w := seamed(t, welds(t, spoil))
		has := slices.ContainsFunc(w.Findings, func(f working.Finding) bool { return f.Code == code && f.Severity == working.Stop })
		if !has || w.Verdict != strength.CannotSay {
			t.Errorf("%s: %s, %+v", code, w.Verdict, w.Findings)
		}
		held := welds(t, spoil).Said(welds(t, spoil).Hold())["w"]
		if held.Verdict != strength.CannotSay || held.Why == "" {
			t.Errorf("%s is kept as %s: %q", code, held.Verdict, held.Why)
		}
	}
	far := seamed(t, welds(t, func(s *Site) {
		r := ear()
		r.Base.Marks = []sheet.Mark{{ID: "m", Kind: sheet.NoWeldMark, X: sheet.Offset{Edge: sheet.Right, Distance: 20},
			Y: sheet.Offset{Edge: sheet.Front, Distance: 40}, Length: 30, Width: 30}}
		s.Parts = BuildParts(context.Background(), []Part{{ID: "ear", Name: "Ear", Recipe: r, Quantity: 1}}, s.Brief, shop.Shop{})
	}))
	if far.Verdict != strength.Holds {
		t.Errorf("a mark at its other edge: %s %+v", far.Verdict, far.Findings)
	}
}

// A welder too small leaves it open until a coupon is named; one of the Shop that held does it too.
func TestWelderTooSmall(t *testing.T) {
	small := func(s *Site) {
		s.Shop.Machines = []shop.Machine{{ID: "m", Name: "Little set", Kind: shop.Welder, Sort: "mig",
			Limits: map[string]float64{"least": .8, "most": 4, "amps": 120}}}
	}
	w := seamed(t, welds(t, small))
	if w.Verdict != strength.CannotSay || w.Seams[0].How.Past == "" || w.Result.Checks[0].Key != "welder" {
		t.Fatalf("%s: %+v", w.Verdict, w.Seams[0].How)
	}
	if w = seamed(t, welds(t, small, func(s *Site) {
		s.Brief.Welded[0].Seams[0].Passed = "two of 6 on 8, " +
			"etched"
	})); w.Verdict != strength.Holds {
		t.Errorf("with a coupon %s", w.Verdict)
	}
	shopped := func(broke string) func(s *Site) {
		return func(s *Site) {
			s.Shop.Settings = []shop.Setting{{ID: "x", Operation: "welding", Machine: "m", Material: "steel-s235", Thickness: 8, Set: "bevelled, " +
				"three passes",
				Result: "worked", Broke: broke, Date: "2030-01-02"}}
		}
	}
	if w = seamed(t, welds(t, small, shopped("beside"))); w.Verdict != strength.Holds || w.Seams[0].How.Passed == "" {
		t.Errorf("with a coupon of the Shop %s", w.Verdict)
	}
	if w = seamed(t, welds(t, small, shopped("weld"))); w.Verdict != strength.CannotSay {
		t.Errorf("with a coupon that broke in the weld %s", w.Verdict)
	}
}

// An ear of aluminium is softened beside its weld: what holds of steel is asked of what welding leaves.
func TestSoftenedEar(t *testing.T) {
	soft := func(s *Site) {
		r := ear()
		r.Material = "alu-6061-t6"
		s.Parts = BuildParts(context.Background(), []Part{{ID: "ear", Name: "Ear", Recipe: r, Quantity: 1}}, s.Brief, shop.Shop{})
		w := &s.Brief.Welded[0]
		w.Sides[1].Material, w.Filler = "alu-6061-t6", "er5356"
	}
	w := seamed(t, welds(t, soft))
	var base strength.Check
	for _, c := range w.Result.Checks {
		if c.Key == "base" {
			base = c
		}
	}
	if base.Utilisation == nil || base.Working == nil || !strings.Contains(strings.Join(base.Working.Assumptions, " "), "softened") {
		t.Fatalf("%+v", base)
	}
	// Softened it is sheared at 0.6·105/1.65 over 6 mm, which is less than it is torn along the leg, over 70 mm.
	if want := 6000 / 70. / (.6 * 105 / 1.65 * 6); math.Abs(*base.Utilisation-want) > 1e-9 {
		t.Errorf("beside it %.4f, by hand %.4f", *base.Utilisation, want)
	}
	wrong := welds(t, soft)
	wrong.Brief.Welded[0].Filler = "e70"
	if w := seamed(t, wrong); w.Verdict != strength.CannotSay {
		t.Errorf("steel laid on aluminium %s", w.Verdict)
	}
}

// pathWelds stands the ear on the vehicle with a press on it, welded to the vehicle and bolted to it as well.
func pathWelds(t *testing.T) Site {
	return welds(t, func(s *Site) {
		s.Brief.Devices = []brief.Device{{ID: "d", Name: "Pump", Mass: &brief.Given{Value: 20, Trust: brief.Measured},
			Gravity: &brief.Gravity{Z: 100, Trust: brief.Measured}, Feet: []brief.Foot{{ID: "f", X: 0, Y: 0}}}}
		s.Brief.Use = load.Smooth
		w := &s.Brief.Welded[0]
		w.Sides[1].Kind, w.Path, w.Seams[0].Both = brief.VehicleSide, true, true
		s.Survey = vehicle.Survey{Placed: []vehicle.Placed{{ID: "stands", Name: "Ear, left", Part: "ear", At: solid.Vector{100, 0, 0}, Roll: 90}}}
		j := brief.Joint{ID: "j", Name: "Pump on the ear", Sides: []brief.Side{{ID: "p1", Kind: brief.DeviceSide, Of: "d"},
			{ID: "p2", Kind: brief.PartSide, Of: "ear"}}, Stands: []brief.Stand{{At: [3]float64{220, 0, 40}}}, Path: true}
		j.Design = footJoint(BuildParts(context.Background(), pressParts(), s.Brief, shop.Shop{})).Design
		j.Design.Holes, j.Design.Cases = [][2]float64{{0, 0}, {40, 0}}, nil
		j.Design.Plies[0].ID, j.Design.Plies[1].ID = "p1", "p2"
		bolts := j
		bolts.ID, bolts.Name = "b", "Ear bolted down"
		bolts.Sides = []brief.Side{{ID: "p1", Kind: brief.PartSide, Of: "ear"}, {ID: "p2", Kind: brief.VehicleSide}}
		s.Brief.Joints = []brief.Joint{j, bolts}
		s.Brief = s.Brief.Upgraded()
	})
}

// Along the load path everything goes through the seams, and the bolts beside them get no credit and no load.
func TestWeldAloneCarries(t *testing.T) {
	s := pathWelds(t)
	h := s.Hold()
	w := h.Welded[0]
	if w.Why != "" || w.Result == nil || !w.Placed {
		t.Fatalf("%+v", w)
	}
	if !slices.ContainsFunc(w.Findings, func(f working.Finding) bool { return f.Code == "bolts-and-weld" }) {
		t.Errorf("nothing is said of the bolts beside it: %+v", w.Findings)
	}
	if b := h.Joints[1]; b.Result != nil || !strings.Contains(b.Why, "the weld alone carries everything") {
		t.Errorf("%+v", b)
	}
	mass := 20 + h.Path.Things[1].Mass
	if rest := h.Path.bySeam["w"][0]; math.Abs(rest.Force.Len()-mass*load.G) > 1e-6*mass {
		t.Errorf("%s: %.3f N go through the seams of %.3f kg", rest.Name, rest.Force.Len(), mass)
	}
	// Without the ear's place nothing arrives, and nothing holds.
	s.Survey.Placed = nil
	s.Brief.Welded[0].Sides[0].Placed = ""
	if w := seamed(t, s); w.Verdict != strength.CannotSay {
		t.Errorf("an ear that stands nowhere %s", w.Verdict)
	}
}

// What burns, cracks or explodes beside a weld on the vehicle is told by how far off it is; a tank stops it.
func TestHeatBesideASeam(t *testing.T) {
	s := pathWelds(t)
	space := func(kind survey.Kind, at [3]float64) survey.Space {
		return survey.Space{ID: string(kind), Name: string(kind), Kind: kind, Shape: survey.Shape{Form: survey.BoxForm, At: at,
			Size: [3]float64{20, 20, 20}}}
	}
	s.Survey.Spaces = []survey.Space{space(survey.Plastic, [3]float64{60, -20, 20}), space(survey.Glass, [3]float64{-100, 0, 0}),
		space(survey.Tank, [3]float64{60, 60, 0}), space(survey.Lining, [3]float64{5000, 0, 0})}
	got := map[string]working.Severity{}
	for _, f := range seamed(t, s).Findings {
		if f.Code == "seam-heat" {
			got[strings.Fields(f.Reason)[0]] = f.Severity
		}
	}
	if len(got) != 3 || got["plastic"] != working.Mind || got["glass"] != working.Mind || got["tank"] != working.Stop {
		t.Errorf("%v", got)
	}
	s.Brief.Welded[0].Sides[1].Kind = ""
	s.Brief.Welded[0].Path = false
	for _, f := range seamed(t, s).Findings {
		if f.Code == "seam-heat" {
			t.Errorf("on the bench: %s", f.Reason)
		}
	}
}

// Turned to any place of the vehicle a seam takes the same.
func TestSeamsTurnWithTheirPart(t *testing.T) {
	for _, turn := range [][3]float64{{0, 0, 0}, {30, 0, 0}, {0, 70, 0}, {10, 20, 30}, {180, 0, 90}} {
		s := welds(t, func(s *Site) {
			s.Brief.Welded[0].Cases = nil
			s.Survey.Placed = []vehicle.Placed{{ID: "p", Name: "Ear", Part: "ear", At: solid.Vector{100, 50, 20}, Yaw: turn[0], Pitch: turn[1],
				Roll: turn[2]}}
		})
		pose := solid.Turned(solid.Vector{100, 50, 20}, turn[0], turn[1], turn[2])
		s.Brief.Welded[0].Cases = []brief.SeamLoad{{Name: "pulled", Force: [3]float64(pose.Turn(solid.Vector{6000, 0, 0})),
			At: [3]float64(pose.Apply(solid.Vector{60, 40, 0}))}}
		w := seamed(t, s)
		if want := seamed(t, welds(t)); w.Result == nil || math.Abs(*w.Result.Hardest-*want.Result.Hardest) > 1e-9 {
			t.Errorf("turned %v: %+v", turn, w)
		}
	}
}

// Welded joints are in the hours, the wire and the gas of a job, as long as they are laid; what cannot be said is named.
func TestSeamsAreInTheHours(t *testing.T) {
	minutes := func(s Site) (welding float64, says string) {
		t.Helper()
		e, err := s.Effort()
		if err != nil {
			t.Fatal(err)
		}
		for _, l := range e.Lines {
			if l.Op == "welding" {
				welding = l.Many
			}
		}
		return welding, strings.Join(e.Working.Assumptions, "; ")
	}
	if got, _ := minutes(welds(t)); math.Abs(got-.08) > 1e-12 {
		t.Errorf("%.4f m to weld", got)
	}
	both := func(s *Site) { s.Brief.Welded[0].Seams[0].Both, s.Brief.Quantity = true, 3 }
	if got, _ := minutes(welds(t, both)); math.Abs(got-.48) > 1e-12 {
		t.Errorf("three on both sides %.4f m", got)
	}
	if got, says := minutes(welds(t, func(s *Site) { s.Brief.Welded[0].Seams = nil })); got != 0 || !strings.Contains(says, "Ear on its "+
		"plate") {
		t.Errorf("%.4f m: %s", got, says)
	}
}

// What stands on a bracket by its feet and by no joint does not come along the load path: seams and bolts under it do
// not hold for the bracket's own weight.
func TestLoadThatNeverArrives(t *testing.T) {
	s := pathWelds(t)
	if w := seamed(t, s); w.Result == nil || strings.Contains(w.Result.Checks[0].Why, "does not come along") {
		t.Fatalf("with its joint: %+v", w)
	}
	s.Brief.Joints = s.Brief.Joints[1:] // nothing joins the pump to the ear any more
	s.Brief.Mounts = []brief.Mount{{ID: "m", Name: "Ear", Part: "ear", Device: "d", Feet: []brief.Link{"f"}}}
	w := seamed(t, s)
	if w.Verdict != strength.CannotSay || w.Result == nil || !strings.Contains(w.Result.Checks[0].Why, "does not come along") {
		t.Errorf("seams: %s %+v", w.Verdict, w.Result)
	}
	s.Brief.Welded = nil
	j := s.Hold().Joints[0]
	if j.Result == nil || j.Result.Verdict != strength.CannotSay {
		t.Errorf("bolts: %+v, %s", j.Result, j.Why)
	}
	s.Brief.Mounts = nil
	s.Brief.Joints[0].Design.Holes = [][2]float64{{0, 0}, {40, 0}}
	if j := s.Hold().Joints[0]; j.Result == nil || len(j.Result.Checks) == 0 {
		t.Errorf("nothing stands on it: %+v, %s", j.Result, j.Why)
	}
}
