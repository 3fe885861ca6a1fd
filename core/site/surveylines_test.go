package site

import (
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
)

// What stands on a centre line, two faces that should be flush and a gap that closes say what
// is off, where and by how much it is moved; what was not read waits.
func TestSurveyLines(t *testing.T) {
	s := vehicle.Survey{Schema: vehicle.SurveySchema,
		Centres: []vehicle.CentreRow{{ID: "c", Name: "Tray", Apart: caliper(1000), FrontLeft: caliper(405), FrontRight: caliper(395),
			RearLeft:  caliper(400),
			RearRight: caliper(400), Allow: 2}, {ID: "d", Name: "Rack", Apart: caliper(1000)}},
		Flushes: []vehicle.FlushRow{{ID: "f", Name: "Door", One: caliper(.5), Other: caliper(-2), Allow: 1}, {ID: "g", Name: "Lid",
			One: caliper(0)}},
		Gaps: []vehicle.GapRow{{ID: "p", Name: "Arch", Unloaded: demo.Taped(142), Loaded: demo.Taped(88), Need: 60, Grows: 6},
			{ID: "q", Name: "Near", Unloaded: demo.Taped(142), Loaded: demo.Taped(88), Need: 60, Grows: 30}}}
	for unit, want := range map[brief.Unit][]string{
		brief.UnitMM: {"front end 5.0 mm to the left, rear end on the line", "leave", "bring it in 0.50 mm", "bring it out 2.00 mm",
			"set 120.0 mm"},
		brief.UnitDecimal: {"front end .197\" to the left", "leave", "bring it in 0.020\"", "bring it out 0.079\"", "set 4.724\""},
	} {
		b := brief.Brief{Unit: unit, Grain: 1}
		w := WorkSurvey(s, b, nil)
		if w.Centres[0].Verdict != "bad" || w.Centres[1].Verdict != "open" || len(w.Centres[0].Findings) != 1 ||
			!strings.Contains(strings.ReplaceAll(w.Centres[0].Says, "0.197", ".197"), want[0]) {
			t.Errorf("%+v", w.Centres)
		}
		if w.Flushes[0].Verdict != "bad" || w.Flushes[1].Verdict != "open" || !strings.Contains(w.Flushes[0].Says, want[2]) ||
			!strings.Contains(w.Flushes[0].Says, want[3]) {
			t.Errorf("%+v", w.Flushes)
		}
		if w.Gaps[0].Verdict != "good" || !strings.Contains(w.Gaps[0].Says, want[4]) || w.Gaps[1].Verdict != "bad" {
			t.Errorf("%+v", w.Gaps)
		}
	}
	for i, bad := range []func(*vehicle.Survey){func(s *vehicle.Survey) { s.Centres[0].Allow = -1 }, func(s *vehicle.Survey) {
		s.Flushes[0].Wanted = 1e9
	},
		func(s *vehicle.Survey) { s.Gaps[0].Grows = -4 }} {
		x := s
		x.Centres, x.Flushes, x.Gaps = append([]vehicle.CentreRow{}, s.Centres...), append([]vehicle.FlushRow{}, s.Flushes...),
			append([]vehicle.GapRow{}, s.Gaps...)
		bad(&x)
		if x.Check() == nil {
			t.Errorf("%d is kept", i)
		}
	}
}

// A verdict over readings of any instrument is good only where twice their uncertainty still
// lies within what is allowed, and bad only where it lies past it.
func TestLinesAreProved(t *testing.T) {
	rng := rand.New(rand.NewPCG(8, 1))
	seen := map[string]int{}
	for range 400 {
		d, allow := rng.Float64()*8-4, .2+rng.Float64()*4
		tool := []survey.Instrument{survey.Caliper, survey.Rule, survey.Tape}[rng.IntN(3)]
		r := func(v float64) survey.Reading {
			return survey.Reading{Values: []float64{v}, Instrument: tool, Trust: string(brief.Measured)}
		}
		s := vehicle.Survey{Sides: []vehicle.SideRow{{ID: "s", Left: r(100), Right: r(100 + d), Allow: allow}},
			Flushes: []vehicle.FlushRow{{ID: "f", One: r(d), Other: r(0), Allow: allow}}}
		w := WorkSurvey(s, brief.Brief{Unit: brief.UnitMM, Grain: 1}, nil)
		sigma := survey.Uncertainty[tool].Length
		for _, x := range []struct {
			got   string
			sigma float64
		}{{w.Sides[0].Verdict, survey.Root(sigma, sigma)}, {w.Flushes[0].Verdict, sigma}} {
			seen[x.got]++
			off := max(d, -d)
			want := "doubtful"
			if off+2*x.sigma <= allow {
				want = "good"
			} else if off-2*x.sigma > allow {
				want = "bad"
			}
			if x.got != want {
				t.Fatalf("off %g of %g ± %g: %s, want %s", d, allow, 2*x.sigma, x.got, want)
			}
		}
	}
	if seen["good"] < 20 || seen["bad"] < 20 || seen["doubtful"] < 20 {
		t.Errorf("seen %v", seen)
	}
}
