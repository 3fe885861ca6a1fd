package site_test

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/fit"
	"warmanvil/core/site"
	"warmanvil/core/vehicle"
)

func stands(b brief.Brief, still fit.NoPlayInput, gap float64) site.Surveyed {
	outer := fit.Outer{}
	outer.Width, outer.Height, outer.Corner = 40+2*gap, 40+2*gap, 1
	slide := fit.FitInput{Inner: fit.Inner{Width: 40, Height: 40, Corner: 3}, Outer: outer}
	return site.WorkSurvey(vehicle.Survey{Fits: []vehicle.FitSet{{ID: "f", Name: "Post", Slide: &slide, Still: &still}}}, b, nil)
}

// A post in a socket, M10 at 20 N·m with a nut factor of 0.2: 10 kN press it 50 mm inside
// the mouth, 100 mm deep. 300 mm out that holds 10000·50/300 = 1667 N one way and
// 10000·50/400 = 1250 N the other; 1 mm a side moves it 2·1·(1 + 2·300/100) = 14 mm.
func TestAFitThatMustStandStill(t *testing.T) {
	mm := brief.Brief{Name: "x", Unit: brief.UnitMM, Grain: 1}
	still := fit.NoPlayInput{Engaged: 100, Reach: 300, Load: 1000, Screw: 10, Torque: 20}
	for _, x := range []struct {
		name    string
		change  func(*fit.NoPlayInput)
		gap     float64
		verdict string
		says    string
	}{
		{"pressed", func(*fit.NoPlayInput) {}, 1, "good", "stands still"},
		{"rocks", func(n *fit.NoPlayInput) { n.Load = 1300 }, 1, "bad", "rocks off"},
		{"pulled out", func(n *fit.NoPlayInput) { n.Load, n.Pull = 0, 3100 }, 1, "bad", "slides along"},
		{"nothing presses it", func(n *fit.NoPlayInput) { n.Screw, n.Torque = 0, 0 }, 1, "bad", "nothing presses"},
		{"no load said", func(n *fit.NoPlayInput) { n.Load = 0 }, 1, "doubtful", "not asked"},
		{"binds", func(*fit.NoPlayInput) {}, -1, "open", "It binds"},
	} {
		in := still
		x.change(&in)
		got := stands(mm, in, x.gap).Sockets
		if len(got) != 1 || got[0].Verdict != x.verdict || !strings.Contains(got[0].Says, x.says) {
			t.Errorf("%s: %+v", x.name, got)
		}
		if x.name == "pressed" && math.Abs(*got[0].Value-14) > 1e-9 {
			t.Errorf("moves %v", *got[0].Value)
		}
	}
	inch := brief.Brief{Name: "x", Unit: brief.UnitFraction, Grain: 25.4 / 16}
	in := still
	in.Load = 1300
	got := stands(inch, in, 1).Sockets[0]
	for _, f := range got.Findings {
		if strings.Contains(f.Reason, " N ") || strings.Contains(f.Reason, "N·m") || strings.Contains(f.Reason, " mm") {
			t.Errorf("metric in an inch job: %s", f.Reason)
		}
	}
	good := fit.NoPlayInput{Engaged: 100, Reach: 300}
	if err := (vehicle.Survey{Fits: []vehicle.FitSet{{ID: "f", Still: &good}}}).Check(); err != nil {
		t.Error(err)
	}
	// What is no socket is refused at its field.
	bad := fit.NoPlayInput{Engaged: 0, Reach: 300}
	slide := fit.FitInput{}
	err := vehicle.Survey{Fits: []vehicle.FitSet{{ID: "f", Slide: &slide, Still: &bad}}}.Check()
	if err == nil || !strings.Contains(err.Error(), "engagement") {
		t.Errorf("%v", err)
	}
}
