package site

import (
	"context"
	"fmt"
	"math"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/load"
	"warmanvil/core/shop"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

func pressParts() []Part {
	return []Part{{ID: "foot", Name: "Press foot", Recipe: demo.PressFoot()}}
}

func truck(use load.Use) brief.Brief {
	b := demo.OrchardTruck().Upgraded()
	b.Use, b.Mounts[0].Part = use, "foot"
	return b
}

func holding(b brief.Brief) Holding {
	return Hold(b, BuildParts(context.Background(), pressParts(), b, shop.Shop{}))
}

func TestRougherRoadsAskMore(t *testing.T) {
	var last float64
	for _, c := range []struct {
		use  load.Use
		want strength.Verdict
	}{{load.Smooth, strength.Tight}, {load.Rough, strength.Over}, {load.OffRoad, strength.Over}} {
		h := holding(truck(c.use)).Mounts[0]
		if h.Verdict != c.want || h.Result.Hardest == nil || *h.Result.Hardest <= last {
			t.Fatalf("%s: %s at %v", c.use, h.Verdict, h.Result.Hardest)
		}
		last = *h.Result.Hardest
		for _, k := range h.Result.Checks {
			if k.Utilisation != nil && (k.Working == nil || k.Working.Source == "" || k.Working.Formula == "" || len(k.Working.Inputs) == 0) ||
				k.Utilisation == nil && k.Why == "" {
				t.Errorf("%s has no working", k.Name)
			}
		}
	}
}

// The press stands on four feet: rest and four horizontal by two vertical
// cases and the emergency stop, each shared in seven ways.
func TestStanding(t *testing.T) {
	s := holding(truck(load.Smooth)).Devices[0]
	if len(s.Cases) != 10*7 || s.Governing < 0 {
		t.Fatalf("%d cases, governing %d", len(s.Cases), s.Governing)
	}
	weight := 0.0
	for _, f := range s.Cases[0].Forces {
		weight -= f[2]
	}
	if math.Abs(weight-185*load.G) > 1e-6 {
		t.Errorf("at rest the feet press %g N, the press weighs %g", weight, 185*load.G)
	}
	for _, c := range s.Cases {
		if c.Largest > s.Cases[s.Governing].Largest {
			t.Errorf("%s is larger than the governing case", c.Name)
		}
	}
}

// The twin is the mirror image: a foot that stands on it loads it as the foot
// across loads the drawn one, sideways turned round.
func TestTwinIsMirrored(t *testing.T) {
	b := truck(load.Rough)
	b.Devices[0].Gravity = &brief.Gravity{Z: 620, Trust: brief.Measured} // in the middle
	m := b.Mounts[0]
	m.Feet, m.TwinFeet = []brief.Link{"front left"}, nil
	b.Mounts[0] = m
	drawn := holding(b).Mounts[0]
	m.Feet, m.TwinFeet = nil, []brief.Link{"front right"}
	b.Mounts[0] = m
	twin := holding(b).Mounts[0]
	if math.Abs(*drawn.Result.Hardest-*twin.Result.Hardest) > 1e-9 {
		t.Errorf("left foot %g, right foot on the twin %g", *drawn.Result.Hardest, *twin.Result.Hardest)
	}
}

func verdictOf(b brief.Brief) Held { return holding(b).Mounts[0] }

// What is missing is said, and the word is then never holds.
func TestCannotSayWhatIsMissing(t *testing.T) {
	for want, spoil := range map[string]func(*brief.Brief){
		"mass of Apple press is not known": func(b *brief.Brief) { b.Devices[0].Mass = nil },
		"mass of Apple press":              func(b *brief.Brief) { b.Devices[0].Mass = demo.Given(0, brief.Measured) },
		"centre of gravity":                func(b *brief.Brief) { b.Devices[0].Gravity = nil },
		"must be over 0":                   func(b *brief.Brief) { b.Devices[0].Mass = demo.Given(1e6, brief.Measured) },
		"three feet":                       func(b *brief.Brief) { b.Devices[0].Feet = b.Devices[0].Feet[:2] },
		"no such foot any more":            func(b *brief.Brief) { b.Devices[0].Feet = b.Devices[0].Feet[1:] },
		"Say which feet":                   func(b *brief.Brief) { b.Mounts[0].Feet, b.Mounts[0].TwinFeet = nil, nil },
		"Say what stands":                  func(b *brief.Brief) { b.Mounts[0].Device = "gone" },
		"not in the job":                   func(b *brief.Brief) { b.Mounts[0].Part = "gone" },
		"not a bolt class": func(b *brief.Brief) {
			b.Mounts[0].Hold.Bolts.Size,
				b.Mounts[0].Hold.Bolts.Grade = "M12", "7.7"
		},
	} {
		b := truck(load.Smooth)
		spoil(&b)
		h := verdictOf(b)
		said := fmt.Sprint(h.Result.Checks)
		if h.Verdict != strength.CannotSay || !strings.Contains(said, want) {
			t.Errorf("%s: %s, %s", want, h.Verdict, said)
		}
	}
}

// Criticality decides what may say holds without an answer.
func TestCriticalityDecides(t *testing.T) {
	b := truck(load.Smooth)
	b.Road = &load.Road{Down: 1.2, Up: .1, Along: .2, Side: .2} // light enough to hold
	at := func(c brief.Criticality, mass brief.Trust, near bool, a brief.Answers) strength.Verdict {
		b.Criticality, b.Answers = c, a
		d := b.Devices[0]
		d.Mass, d.NearPeople = demo.Given(185, mass), near
		d.Gravity.Trust = brief.Measured
		b.Devices[0] = d
		return verdictOf(b).Verdict
	}
	for _, c := range []struct {
		what        string
		criticality brief.Criticality
		mass        brief.Trust
		near        bool
		answers     brief.Answers
		want        strength.Verdict
	}{
		{"comfort takes assumed masses", brief.Comfort, brief.Assumed, false, brief.Answers{}, strength.Holds},
		{"a load does not", brief.LoadLost, brief.Assumed, false, brief.Answers{}, strength.CannotSay},
		{"but remembered ones", brief.LoadLost, brief.Memory, false, brief.Answers{}, strength.Holds},
		{"crash is always asked", brief.Comfort, brief.Measured, true, brief.Answers{}, strength.CannotSay},
		{"and may be answered", brief.Comfort, brief.Measured, true, brief.Answers{Crash: "approved design of the engineer"},
			strength.Holds},
		{"people ask for fatigue", brief.People, brief.Measured, false, brief.Answers{}, strength.CannotSay},
		{"and for more than memory", brief.People, brief.Memory, false, brief.Answers{Fatigue: "engineer"}, strength.CannotSay},
		{"with both", brief.People, brief.Measured, false, brief.Answers{Fatigue: "engineer"}, strength.Holds},
	} {
		if got := at(c.criticality, c.mass, c.near, c.answers); got != c.want {
			t.Errorf("%s: %s, want %s", c.what, got, c.want)
		}
	}
	// Whatever is answered, fatigue stands beside every verdict.
	h := verdictOf(truck(load.Smooth))
	if len(h.Beside) == 0 || h.Beside[0].Key != "fatigue" || h.Beside[0].Verdict != strength.CannotSay {
		t.Errorf("beside: %+v", h.Beside)
	}
	b = truck(load.OffRoad)
	b.Criticality = brief.People
	if v := verdictOf(b).Verdict; v != strength.Over {
		t.Errorf("over stays over, not %s", v)
	}
}

func TestLeastTrustedIsNamed(t *testing.T) {
	b := truck(load.Smooth)
	b.Devices[0].Gravity.Trust = brief.Memory
	h := verdictOf(b)
	if h.Least == nil || h.Least.Trust != brief.Memory || h.Least.Name != "centre of gravity of Apple press" {
		t.Errorf("least trusted: %+v", h.Least)
	}
}

// The truck by hand: 1180 + 1020 empty, press 185, compressor 48, tank 138,
// crew 160, tools 120: 2851. Behind the front axle: 1020·3250 + 185·2670 +
// 48·1900 + 138·3350 + 160·900 + 120·1400 = 4 674 450; over 3250: 1438.3.
func TestWeigh(t *testing.T) {
	w := demo.OrchardTruck().Weigh()
	want := map[string]float64{"gross": 2851, "front": 2851 - 4674450.0/3250, "rear": 4674450.0 / 3250, "roof": 0}
	for _, s := range w.Shares {
		if math.Abs(s.Demand-want[s.Key]) > 1e-9 {
			t.Errorf("%s: %g kg, want %g", s.Key, s.Demand, want[s.Key])
		}
		delete(want, s.Key)
	}
	if len(want) > 0 {
		t.Errorf("not weighed: %v", want)
	}
	b := demo.OrchardTruck()
	b.Devices[0].Behind, b.Devices[1].Mass = nil, nil
	w = b.Weigh()
	for _, s := range w.Shares {
		if (s.Key == "front" || s.Key == "rear") && s.Verdict != strength.CannotSay {
			t.Errorf("%s says %s with a mass of unknown place", s.Key, s.Verdict)
		}
	}
	if len(w.Findings) != 2 {
		t.Errorf("findings %v", w.Findings)
	}
}

// 900 kg with its middle 200 before the axle, 4 m behind the coupling: 45 kg
// on the nose, 5 %.
func TestTrailerNose(t *testing.T) {
	b := brief.Brief{Card: brief.Card{Trailer: true, Span: demo.Given(4000, brief.Measured), Front: demo.Given(0, brief.Measured),
		Rear: demo.Given(0, brief.Measured), FrontLimit: demo.Given(75, brief.Copied), Gross: demo.Given(1000, brief.Copied)},
		Devices: []brief.Device{{Name: "hives", Mass: demo.Given(900, brief.Measured), Behind: demo.Given(3800, brief.Measured)}}}
	b.Card.Rear = demo.Given(1e-9, brief.Measured)
	w := b.Weigh()
	if w.Nose == nil || math.Abs(*w.Nose-5) > 1e-6 || w.Shares[1].Key != "front" || math.Abs(w.Shares[1].Demand-45) > 1e-6 {
		t.Fatalf("%+v", w)
	}
	b.Devices[0].Behind = demo.Given(4100, brief.Measured)
	found := map[string]bool{}
	for _, f := range b.Weigh().Findings {
		found[f.Code] = true
	}
	if !found["lifts"] || !found["nose"] {
		t.Errorf("a lifted coupling is not said: %v", found)
	}
}

func TestTell(t *testing.T) {
	b := truck(load.Smooth)
	b.Targets[0].Got = demo.Given(60, brief.Measured) // 45 at most was wanted
	b.Limits.Lift = demo.Given(1, brief.Copied)
	b.Limits.Envelope = &brief.Box{Length: 100, Width: 100, Height: 100}
	b.Options[0].Chosen = false
	told := Tell(b, BuildParts(context.Background(), pressParts(), b, shop.Shop{}))
	if m := told.Targets[0].Met; m == nil || *m {
		t.Error("a missed target counts as met")
	}
	if m := told.Targets[1].Met; m == nil || !*m {
		t.Error("4.84 of 12 kg is not met")
	}
	codes := map[string]int{}
	for _, f := range told.Says {
		codes[f.Code]++
	}
	for code, n := range map[string]int{"target-missed": 1, "open-strength": 1, "lift": 4, "envelope": 1, "choice": 1} {
		if codes[code] != n {
			t.Errorf("%s said %d times, want %d: %v", code, codes[code], n, told.Says)
		}
	}
}

func TestBriefRefused(t *testing.T) {
	for path, spoil := range map[string]func(*brief.Brief){
		"/schema":               func(b *brief.Brief) { b.Schema = 99 },
		"/name":                 func(b *brief.Brief) { b.Name = " " },
		"/criticality":          func(b *brief.Brief) { b.Criticality = "what" },
		"/strength/school":      func(b *brief.Brief) { b.Strength.School = "guess" },
		"/strength/margin":      func(b *brief.Brief) { b.Strength = strength.Rule{School: strength.GCase, Margin: 1.1} },
		"/use":                  func(b *brief.Brief) { b.Use = "moon" },
		"/road/down":            func(b *brief.Brief) { b.Road = &load.Road{} },
		"/devices/0/mass/value": func(b *brief.Brief) { b.Devices[0].Mass = demo.Given(-1, brief.Measured) },
		"/devices/0/mass/trust": func(b *brief.Brief) { b.Devices[0].Mass = demo.Given(1, "heard") },
		"/devices/0/feet/1/x":   func(b *brief.Brief) { b.Devices[0].Feet[1].X = math.NaN() },
		"/limits/lift/value":    func(b *brief.Brief) { b.Limits.Lift = demo.Given(1e9, brief.Measured) },
		"/open":                 func(b *brief.Brief) { b.Open = make([]brief.OpenItem, brief.MaxList+1) },
		"/devices/0":            func(b *brief.Brief) { b.Devices[0].Name = strings.Repeat("x", brief.MaxText+1) },
	} {
		b := truck(load.Smooth)
		spoil(&b)
		err := b.Check()
		f, ok := err.(*working.Fault)
		if !ok || f.Path != path {
			t.Errorf("%s: %v", path, err)
		}
	}
	if err := truck(load.Smooth).Check(); err != nil {
		t.Error(err)
	}
	if b := (brief.Brief{Name: "old", Quantity: 1, Unit: brief.UnitMM, Grain: 1}).Upgraded(); b.Check() != nil ||
		b.Schema != brief.BriefSchema {
		t.Errorf("a brief of the first form is not read: %v", b.Check())
	}
}

// corner names a foot of the press in turn.
func corner(i int) []brief.Link {
	return []brief.Link{[]brief.Link{"front left", "front right", "rear left", "rear right"}[i%4]}
}

// Twenty brackets after the brief changed: all built anew, all loads of two
// feet each, everything with its working.
func BenchmarkRecheck20Brackets(b *testing.B) {
	brief := truck(load.Rough)
	var parts []Part
	for i := range 20 {
		p := pressParts()[0]
		p.ID = fmt.Sprint("foot", i)
		parts = append(parts, p)
		m := brief.Mounts[0]
		m.ID, m.Part, m.Feet, m.TwinFeet = fmt.Sprint("m", i), p.ID, corner(i), corner(i+1)
		brief.Mounts = append(brief.Mounts, m)
	}
	brief.Mounts = brief.Mounts[1:]
	b.ReportAllocs()
	for b.Loop() {
		h := Hold(brief, BuildParts(context.Background(), parts, brief, shop.Shop{}))
		if len(h.Mounts) != 20 || h.Mounts[19].Result.Hardest == nil {
			b.Fatal("not checked")
		}
	}
}
