package weld

import (
	"errors"
	"math"
	"testing"
	"warmanvil/core/strength"

	"warmanvil/core/working"
)

func given(v float64) *float64 { return &v }

// A flow of 600 N/mm with 483 MPa: allowable 144.9 MPa, leg 600/(0.7071·144.9) = 5.856.
func TestFilletByHand(t *testing.T) {
	r, err := Fillet(FilletInput{Peak: 600, Electrode: 483, Thinner: 8, Thicker: 10})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "allowable", r.Allowable, 144.9, 1e-9)
	near(t, "leg", r.Leg, 600/(math.Sqrt2/2*144.9), 1e-9)
	if r.Smallest != 5 || r.Largest != 6 || len(r.Findings) != 0 {
		t.Errorf("%+v", r)
	}
	for thin, want := range map[float64][2]float64{2: {2, 2}, 6: {3, 4}, 6.1: {4.1, 4.1}, 13: {5, 11}, 19: {6, 17}, 25: {8, 23}} {
		r, err := Fillet(FilletInput{Peak: 1, Electrode: 483, Thinner: thin, Thicker: thin})
		if err != nil {
			t.Fatal(err)
		}
		near(t, "smallest", r.Smallest, want[0], 1e-9)
		near(t, "largest", r.Largest, want[1], 1e-9)
		if sheet := SmallestLeg(thin) > LargestLeg(thin); sheet != (len(r.Findings) == 1) {
			t.Errorf("%g mm: %+v", thin, r.Findings)
		}
	}
	var f *working.Fault
	for path, bad := range map[string]FilletInput{"/peak": {Peak: -1, Electrode: 483, Thinner: 1, Thicker: 1},
		"/electrode": {Peak: 1, Electrode: 0, Thinner: 1, Thicker: 1}, "/thinner": {Peak: 1, Electrode: 483, Thinner: 3, Thicker: 2}} {
		if _, err := Fillet(bad); !errors.As(err, &f) || f.Path != path {
			t.Errorf("%s: %v", path, err)
		}
	}
}

// AISI S100 J2.4 by hand: 2 mm sheet of 310 MPa. 40 mm along, L/t 20: (1 − 0.2)·2·40·310 = 19840; 60 mm, L/t 30:
// 0.75·2·60·310 = 27900; across 2·40·310 = 24800. Of 4 mm sheet the throat asks less: 0.75·0.7071·4·60·414.
func TestFilletOnSheetByHand(t *testing.T) {
	ask := func(in SheetInput) SheetResult {
		t.Helper()
		r, err := FilletOnSheet(in)
		if err != nil {
			t.Fatal(err)
		}
		return r
	}
	r := ask(SheetInput{Thickness: 2, Length: 40, Tensile: 310})
	near(t, "short", r.Nominal, 19840, 1e-6)
	near(t, "short, may be used", r.Allowable, 19840/2.55, 1e-6)
	r = ask(SheetInput{Thickness: 2, Length: 60, Tensile: 310})
	near(t, "long", r.Nominal, 27900, 1e-6)
	near(t, "long, may be used", r.Allowable, 27900/3.05, 1e-6)
	r = ask(SheetInput{Thickness: 2, Length: 40, Tensile: 310, Across: true})
	near(t, "across", r.Allowable, 24800/2.35, 1e-6)
	if r.Governs != "sheet" {
		t.Error(r.Governs)
	}
	r = ask(SheetInput{Thickness: 4, Length: 60, Tensile: 450, Across: true, Electrode: given(414)})
	near(t, "throat", r.Nominal, .75*math.Sqrt2/2*4*60*414, 1e-6)
	if r.Governs != "throat" {
		t.Error(r.Governs)
	}
	if r := ask(SheetInput{Thickness: 6, Length: 10, Tensile: 400}); len(r.Findings) != 2 {
		t.Errorf("%+v", r.Findings)
	}
	var f *working.Fault
	if _, err := FilletOnSheet(SheetInput{Thickness: 2, Length: 0, Tensile: 300}); !errors.As(err, &f) || f.Path != "/length" {
		t.Error(err)
	}
}

// Stitches by hand: 6 mm plate, leg 4, 483 MPa: throat 409.8 N/mm, base min(720, 600); clear gap 0.75·√800·6 =
// 127 mm. 50 N/mm: the shortest, 40 mm, takes 409.8·32/167 = 78 > 50.
func TestStitchByHand(t *testing.T) {
	in := StitchInput{Load: 50, Leg: 4, Electrode: 483, Thinner: 6, Thicker: 8}
	r, err := Stitch(in)
	if err != nil {
		t.Fatal(err)
	}
	flow := .3 * 483 * math.Sqrt2 / 2 * 4
	if r.Continuous || *r.Length != 40 || *r.Pitch != 167 {
		t.Fatalf("%+v", r)
	}
	near(t, "share", r.Share, 50*167/(flow*32), 1e-9)
	// As the load grows the weld never shrinks, what is answered takes it, and a millimetre less would not.
	last := 0.
	for load := 10.; load < 500; load += 7 {
		in.Load = load
		r, err := Stitch(in)
		if err != nil {
			t.Fatal(err)
		}
		part := 1.
		if !r.Continuous {
			part = *r.Length / *r.Pitch
			if clear := *r.Pitch - *r.Length; r.Share > 1+1e-9 || clear > .75*math.Sqrt(2e5/250)*6 {
				t.Errorf("%g N/mm: %+v", load, r)
			}
			if less := *r.Length - 1; less >= 40 && load*(less+127) <= flow*(less-8) {
				t.Errorf("%g N/mm: a stitch of %g mm would do, not %g", load, less, *r.Length)
			}
		} else if (r.Share > 1) != (len(r.Findings) == 1) {
			t.Errorf("%g N/mm: %+v", load, r)
		}
		if part < last-1e-12 {
			t.Errorf("%g N/mm: %g of the joint welded, %g at less load", load, part, last)
		}
		last = part
	}
	if last != 1 {
		t.Error("no load was too much for stitches")
	}
	// On sheet a stitch may be 19 mm.
	r, err = Stitch(StitchInput{Load: 5, Leg: 2, Electrode: 414, Thinner: 2, Thicker: 3, Tensile: given(330), Yield: given(205)})
	if err != nil || r.Continuous || *r.Length != 19 {
		t.Errorf("%+v %v", r, err)
	}
	var f *working.Fault
	if _, err := Stitch(StitchInput{Load: 1, Electrode: 483, Thinner: 2, Thicker: 3}); !errors.As(err, &f) || f.Path != "/leg" {
		t.Error(err)
	}
}

// Heat by EN 1011-1: 20 V, 150 A at 300 mm/min is 60·20·150/300000 = 0.6 kJ/mm. Bow, rise and draw as Blodgett's
// formulas give them.
func TestHeatAndDrawByHand(t *testing.T) {
	h, err := Heat(HeatInput{Volts: 20, Amps: 150, Speed: 300, Efficiency: .8})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "gross", h.Gross, .6, 1e-12)
	near(t, "net", h.Net, .48, 1e-12)
	b, err := Bow(BowInput{WeldArea: 12.5, Distance: 30, Length: 2000, Inertia: 4e5})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "bow", b.Bow, .005*12.5*30*4e6/4e5, 1e-12)
	r, err := Rise(RiseInput{Width: 100, Leg: 5, Thickness: 8})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "rise in inches", r.Rise/25.4, .02*(100/25.4)*math.Pow(5/25.4, 1.3)/math.Pow(8/25.4, 2), 1e-5)
	s, err := Shrink(ShrinkInput{WeldArea: 40, Thickness: 8, Root: 2})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "draw", s.Across, 1.1, 1e-12)
	var f *working.Fault
	if _, err := Heat(HeatInput{Volts: 20, Amps: 150, Efficiency: .8}); !errors.As(err, &f) || f.Path != "/speed" {
		t.Error(err)
	}
	if _, err := Bow(BowInput{Length: 10}); !errors.As(err, &f) || f.Path != "/inertia" {
		t.Error(err)
	}
	if _, err := Rise(RiseInput{Width: 10, Leg: 3}); !errors.As(err, &f) || f.Path != "/thickness" {
		t.Error(err)
	}
	if _, err := Shrink(ShrinkInput{Root: -1, Thickness: 3}); !errors.As(err, &f) || f.Path != "/root" {
		t.Error(err)
	}
}

// Gaps by AWS D1.1: 1.6 as it is, to 4.8 the leg grows by it, beyond a strip; sheet to half its thickness.
func TestGapByHand(t *testing.T) {
	for _, c := range []struct {
		in   GapInput
		way  string
		leg  float64 // 0 for none
		says int
	}{{GapInput{1.6, 5, 8}, "as it is", 5, 0}, {GapInput{2.5, 3, 8}, "a larger leg", 5.5, 0}, {GapInput{4.8, 5, 8}, "a larger leg", 9.8, 1},
		{GapInput{4.9, 5, 8}, "a strip", 0, 1}, {GapInput{.9, 2, 2}, "as it is", 2, 0}, {GapInput{1.1, 2, 2}, "fit it again", 0, 1}} {
		r, err := Gap(c.in)
		strip := c.way == "a strip"
		if err != nil || r.Way != c.way || (r.Leg == nil) != (c.leg == 0) || len(r.Findings) != c.says || (r.Strip != nil) != strip {
			t.Errorf("%+v: %+v %v", c.in, r, err)
			continue
		}
		if r.Leg != nil {
			near(t, "leg", *r.Leg, c.leg, 1e-9)
		}
		if r.Rod < math.Min(c.in.Gap, 4)-1e-9 {
			t.Errorf("%+v: a rod of %g falls through", c.in, r.Rod)
		}
	}
	var f *working.Fault
	if _, err := Gap(GapInput{Gap: -1, Leg: 3, Thinner: 3}); !errors.As(err, &f) || f.Path != "/gap" {
		t.Error(err)
	}
}

// A 60° vee on 10 mm with land and gap of 2: 2·10 + 8²·tan 30° = 56.95 mm²; 3 passes of 25; 8 mm count, 10 backed. A
// 45° bevel counts 3 mm less; a double vee fills half of what a vee does; a fillet of 6 is 18 mm².
func TestGrooveByHand(t *testing.T) {
	ask := func(in GrooveInput) GrooveResult {
		t.Helper()
		in.Length, in.Pass = 400, 25
		r, err := Groove(in)
		if err != nil {
			t.Fatal(err)
		}
		return r
	}
	vee := GrooveInput{Edges: VeeEdges, Thickness: 10, Angle: 60, Land: 2, Root: 2}
	r := ask(vee)
	near(t, "area", r.Area, 20+64*math.Tan(math.Pi/6), 1e-9)
	near(t, "mass", r.Mass, r.Area*1.1*400*7850e-9, 1e-12)
	if r.Passes != 3 || r.Throat != 8 || r.Full {
		t.Errorf("%+v", r)
	}
	vee.Backed = true
	if r := ask(vee); r.Throat != 10 || !r.Full {
		t.Errorf("%+v", r)
	}
	if r := ask(GrooveInput{Edges: BevelEdges, Thickness: 10, Angle: 45, Land: 1}); r.Throat != 6 || math.Abs(r.Area-40.5) > 1e-9 {
		t.Errorf("%+v", r)
	}
	both := GrooveInput{Edges: DoubleVee, Thickness: 10, Angle: 60}
	one := both
	one.Edges = VeeEdges
	near(t, "double", ask(both).Area*2, ask(one).Area, 1e-9)
	if r := ask(GrooveInput{Edges: SquareEdges, Thickness: 3, Root: 1.5}); r.Throat != 0 || r.Area != 4.5 {
		t.Errorf("%+v", r)
	}
	if r := ask(GrooveInput{Edges: NoGroove, Leg: 6}); r.Area != 18 || math.Abs(r.Throat-6*math.Sqrt2/2) > 1e-12 {
		t.Errorf("%+v", r)
	}
	var f *working.Fault
	for path, bad := range map[string]GrooveInput{"/edges": {Edges: "round", Thickness: 3, Length: 1, Pass: 1},
		"/length": {Edges: NoGroove}, "/leg": {Edges: NoGroove, Length: 1, Pass: 1},
		"/land": {Edges: VeeEdges, Thickness: 3, Angle: 60, Land: 4, Length: 1, Pass: 1}} {
		if _, err := Groove(bad); !errors.As(err, &f) || f.Path != path {
			t.Errorf("%s: %v", path, err)
		}
	}
}

// Three plates of 6 × 80 on each other under 20 kN, by hand: Q = 80·6·6, I = 80·18³/12; stitches of 50 carry 40.
func TestLaminatedPlates(t *testing.T) {
	in := LaminateInput{Shear: 20000, Width: 80, Layers: []float64{6, 6, 6}, Between: 1, Filler: 483, Leg: 5, Stitch: 50,
		Rule: strength.Rule{School: strength.Allowable}}
	r, err := Laminate(in)
	if err != nil {
		t.Fatal(err)
	}
	flow := 20000 * 80 * 6 * 6. / (80 * 5832 / 12.)
	most := 2 * .3 * 483 * 5 * Throat
	if math.Abs(r.Flow-flow) > 1e-9*flow || math.Abs(r.Most-most) > 1e-9 || r.Pitch != nil || r.Verdict != strength.Over {
		t.Fatalf("%+v, by hand %g and %g", r, flow, most)
	}
	in.Shear = 5000
	if r, err = Laminate(in); err != nil || r.Pitch == nil || math.Abs(*r.Pitch-most*40/(flow/4)) > 1e-6 {
		t.Errorf("%v %+v", err, r)
	}
	in.Between = 2 // the layers are alike: as much between the others
	if again, err := Laminate(in); err != nil || math.Abs(again.Flow-r.Flow) > 1e-9 {
		t.Errorf("%v %g between the others, %g", err, again.Flow, r.Flow)
	}
	for _, spoil := range []func(*LaminateInput){func(x *LaminateInput) { x.Layers = x.Layers[:1] }, func(x *LaminateInput) { x.Between = 3 },
		func(x *LaminateInput) { x.Leg = 0 }, func(x *LaminateInput) { x.Layers = []float64{6, 0} },
		func(x *LaminateInput) { x.Rule.School = "hope" },
		func(x *LaminateInput) { x.Between = 0 }} {
		bad := in
		if spoil(&bad); !refused(bad) {
			t.Errorf("%+v is worked out", bad)
		}
	}
}

func refused(in LaminateInput) bool {
	_, err := Laminate(in)
	return err != nil
}
