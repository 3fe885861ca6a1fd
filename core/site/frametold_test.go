package site

import (
	"fmt"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/member"
	"warmanvil/core/member/starters"
	"warmanvil/core/section"
	"warmanvil/core/working"
)

// frameOf starts a frame with ids that count up.
func frameOf(t *testing.T, starter, stock string, values map[string]float64) member.Doc {
	t.Helper()
	n := 0
	for _, s := range section.Table() {
		if s.Name == stock {
			d, err := starters.Start(starter, values, s, "steel-s235", func() string { n++; return fmt.Sprint("i", n) })
			if err != nil {
				t.Fatal(err)
			}
			return d
		}
	}
	t.Fatalf("no section %s", stock)
	return member.Doc{}
}

func says(t *testing.T, what, text string, want ...string) {
	t.Helper()
	for _, w := range want {
		if !strings.Contains(text, w) {
			t.Errorf("%s lacks %q: %s", what, w, text)
		}
	}
}

// A frame is told in the job's own unit: lengths, saw settings, masses, what to
// lift it with, and what to mind.
func TestFrameInWords(t *testing.T) {
	d := frameOf(t, "rack", "1 × 1 × 11 ga in tube", map[string]float64{"length": 26 * 25.4, "width": 18 * 25.4, "height": 14 * 25.4})
	inch := WorkFrame(d, 3, brief.Brief{Unit: brief.UnitFraction, Grain: .79375, Limits: brief.Limits{Lift: demo.Given(4, brief.Measured)},
		Card: brief.Card{Trailer: true}}.Upgraded(), nil)
	row := inch.Cut.Rows[0]
	says(t, "the first row", row.Text+" "+row.Told[0].Scale+" "+row.Told[0].Words, `18"`, "45.0°", "lying on its bottom",
		"long point left", "to Left rail")
	says(t, "the cut list", inch.Cut.Text, "1 new stick", "3 are wanted")
	says(t, "lifting", inch.Hold.Lift, "lift it with 3")
	says(t, "movement", inch.Hold.Most, " in")
	says(t, "cautions", strings.Join(inch.Cautions, " "), "no approval", "Towing", "disconnect electronics")
	if w := row.Working; w == nil || w.Result.Text != "18.0000 in (457.200 mm)" {
		t.Errorf("the length's working: %+v", w)
	}
	if w := inch.Figures[0].Working; w == nil || inch.Hold.Swings == nil || inch.Hold.Swings.Result.Value != inch.Hold.Modes[0].Hertz {
		t.Errorf("mass %+v, frequencies %+v", w, inch.Hold.Swings)
	}
	for _, p := range inch.Pieces {
		if p.Mark == "" || p.Long == "" {
			t.Errorf("%+v", p)
		}
	}
	metric := WorkFrame(d, 1, brief.Brief{Unit: brief.UnitMM, Grain: 1}.Upgraded(), nil)
	says(t, "in millimetres", metric.Cut.Rows[0].Text+metric.Hold.Most, "457.2 mm", " mm")
	if metric.Hold.Lift != "" || strings.Contains(metric.Cut.Text, "wanted") {
		t.Errorf("%q %q", metric.Hold.Lift, metric.Cut.Text)
	}
	says(t, "the fold", metric.Cut.Rows[0].Told[0].Fold, "V of 90.0°", "folded on the outside wall")
}

// A target of the brief limits how far it moves, unless the frame says itself.
func TestFrameKeepsToTheTarget(t *testing.T) {
	d := frameOf(t, "standoff", "40 × 40 × 3 mm tube", map[string]float64{"length": 800, "kilos": 100})
	b := brief.Brief{Unit: brief.UnitMM, Grain: 1,
		Targets: []brief.Target{{ID: "sag", Text: "It may sag", Unit: "mm", Wanted: demo.Amount(.5)},
			{ID: "kg", Unit: "kg", Wanted: demo.Amount(3)}}}.Upgraded()
	if WorkFrame(d, 1, b, nil).Hold.Moves.Check != nil {
		t.Error("nobody asked how far it may move")
	}
	d.Target = "sag"
	w := WorkFrame(d, 1, b, nil)
	if c := w.Hold.Moves.Check; c == nil || c.Capacity != .5 || w.Hold.Verdict != "over" || w.Hold.Wanted != "0.50 mm" {
		t.Errorf("%+v %s", c, w.Hold.Verdict)
	}
	d.Sags = 40
	if c := WorkFrame(d, 1, b, nil).Hold.Moves.Check; c == nil || c.Capacity != 40 {
		t.Errorf("%+v", c)
	}
	d.Sags, d.Target = 0, "kg"
	if WorkFrame(d, 1, b, nil).Hold.Moves.Check != nil {
		t.Error("kilograms are taken for a movement")
	}
}

// A splice where the member is bent most is minded, where it is bent little it is
// not.
func TestSpliceAwayFromTheMoment(t *testing.T) {
	d := frameOf(t, "standoff", "40 × 40 × 3 mm tube", map[string]float64{"length": 1500, "kilos": 60})
	for at, minded := range map[float64]bool{200: true, 1300: false} {
		d.Members[0].Splice = &member.Splice{At: at, Kind: "sleeve"}
		w := WorkFrame(d, 1, brief.Brief{Unit: brief.UnitMM, Grain: 1}.Upgraded(), nil)
		found := false
		for _, f := range w.Findings {
			found = found || f.Code == "splice-moment" && f.Severity == working.Mind
		}
		if found != minded {
			t.Errorf("spliced at %g: %+v", at, w.Findings)
		}
		says(t, "the splice", w.Pieces[0].Splice, "sleeve inside", "plug-welded")
	}
}

// A device of the brief loads a frame by its mass and its centre of gravity, over
// the middle of its feet.
func TestFrameCarriesADevice(t *testing.T) {
	d := frameOf(t, "rack", "60 × 40 × 3 mm tube", nil)
	d.Loads[0].Kind, d.Loads[0].Device, d.Loads[0].Kilos = "device", "press", 0
	b := demo.OrchardTruck()
	w := WorkFrame(d, 1, b.Upgraded(), nil)
	if w.Hold.Carries != 185 || w.Hold.Why != "" {
		t.Fatalf("%+v", w.Hold.Held)
	}
	high := *w.Hold.Use
	b.Devices[0].Gravity.Z = 100
	if low := *WorkFrame(d, 1, b.Upgraded(), nil).Hold.Use; low >= high {
		t.Errorf("a lower press works it harder: %g, %g", low, high)
	}
	b.Devices[0].Mass = nil
	w = WorkFrame(d, 1, b.Upgraded(), nil)
	if w.Hold.Verdict != "cannot say" || len(w.Hold.Findings) == 0 {
		t.Errorf("%s %+v", w.Hold.Verdict, w.Hold.Findings)
	}
}
