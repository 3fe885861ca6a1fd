package brief

import (
	"errors"
	"strings"
	"testing"

	"warmanvil/core/joint"
	"warmanvil/core/load"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// whole is a brief with something of every list in it.
func whole() Brief {
	return Brief{Name: "Beekeeper's van", Unit: UnitMM, Grain: 1, Quantity: 1,
		Targets: []Target{{ID: "t", Text: "Mass", Unit: "kg", Sense: "atMost"}},
		Devices: []Device{{ID: "d", Name: "Press", Mass: known(80), Gravity: &Gravity{Z: 200, Trust: Measured},
			Feet:     []Foot{{ID: "f1", X: 100, Y: 100}},
			Envelope: &Box{300, 300, 300}}},
		Options: []Option{{ID: "o", Name: "Weld it"}}, Open: []OpenItem{{ID: "q", Text: "Which floor?"}},
		Mounts: []Mount{{ID: "m", Name: "Foot", Part: "p", Device: "d", Feet: []Link{"f1"}}},
		Joints: []Joint{{ID: "j", Name: "Joint",
			Design: joint.Input{Plies: []joint.Ply{{Name: "plate", Thickness: 4}}, Cases: []joint.Case{{Name: "typed"}}}, Stands: []Stand{{}},
			Rubber: &Rubber{Stiffness: 100}}},
		Bins:   []Bin{{Size: "M10", Lengths: []float64{30}}},
		Duties: []Duty{{ID: "u", Name: "Rope", Duty: load.Duty{Kind: load.RatedPull, Force: 100, Way: solid.Vector{1, 0, 0}}}},
		Limits: Limits{Kept: []Kept{{ID: "k", Text: "Tailgate opens"}}, Date: "2031-04-30"},
		Card:   Card{Others: []Item{{ID: "x", Name: "Driver", Mass: known(80), Behind: known(1000)}}},
	}.Upgraded()
}

// What cannot be kept is refused where it stands; the brief it was made from is taken.
func TestBriefRefusesWhereItStands(t *testing.T) {
	if err := whole().Check(); err != nil {
		t.Fatal(err)
	}
	long := strings.Repeat("ä", MaxText+1)
	huge := 1e12
	for path, spoil := range map[string]func(b *Brief){
		"/schema":                       func(b *Brief) { b.Schema = BriefSchema + 1 },
		"/name":                         func(b *Brief) { b.Name = "  " },
		"/unit":                         func(b *Brief) { b.Unit = "cubits" },
		"/criticality":                  func(b *Brief) { b.Criticality = "somewhat" },
		"/use":                          func(b *Brief) { b.Use = "air" },
		"/road":                         func(b *Brief) { b.Road = &load.Road{Down: -1} },
		"/quantity":                     func(b *Brief) { b.Quantity = 0 },
		"/grain":                        func(b *Brief) { b.Grain = 0 },
		"/strength":                     func(b *Brief) { b.Strength.School = "hope" },
		"/targets":                      func(b *Brief) { b.Targets = make([]Target, MaxList+1) },
		"/bins":                         func(b *Brief) { b.Bins = make([]Bin, MaxList+1) },
		"/purpose":                      func(b *Brief) { b.Purpose = long },
		"/answers/crash":                func(b *Brief) { b.Answers.Crash = long },
		"/options/0":                    func(b *Brief) { b.Options[0].Reason = long },
		"/open/0":                       func(b *Brief) { b.Open[0].Text = long },
		"/limits/kept/0":                func(b *Brief) { b.Limits.Kept[0].Text = long },
		"/duties/0":                     func(b *Brief) { b.Duties[0].Name = long },
		"/mounts/0":                     func(b *Brief) { b.Mounts[0].Feet = make([]Link, 65) },
		"/mounts/0/hold/doubler":        func(b *Brief) { b.Mounts[0].Hold.Doubler = 61 },
		"/mounts/0/hold/bolts/washer":   func(b *Brief) { b.Mounts[0].Hold.Bolts.Washer = -1 },
		"/devices/0/mass/value":         func(b *Brief) { b.Devices[0].Mass.Value = -1 },
		"/devices/0/mass/trust":         func(b *Brief) { b.Devices[0].Mass.Trust = "felt" },
		"/devices/0/gravity/value":      func(b *Brief) { b.Devices[0].Gravity.Z = 2e5 },
		"/devices/0/feet":               func(b *Brief) { b.Devices[0].Feet = make([]Foot, 65) },
		"/devices/0/feet/0/y":           func(b *Brief) { b.Devices[0].Feet[0].Y = -2e5 },
		"/devices/0/envelope/width":     func(b *Brief) { b.Devices[0].Envelope.Width = -1 },
		"/bins/0/lengths/0":             func(b *Brief) { b.Bins[0].Lengths[0] = 0 },
		"/bins/0/lengths":               func(b *Brief) { b.Bins[0].Lengths = make([]float64, 101) },
		"/limits/date":                  func(b *Brief) { b.Limits.Date = "next week" },
		"/limits/lift/value":            func(b *Brief) { b.Limits.Lift = known(1001) },
		"/limits/departure/value":       func(b *Brief) { b.Limits.Departure = known(91) },
		"/limits/budget":                func(b *Brief) { b.Limits.Budget = &huge },
		"/card/span/value":              func(b *Brief) { b.Card.Span = known(-1) },
		"/card/roofLimit/value":         func(b *Brief) { b.Card.RoofLimit = known(-1) },
		"/card/others/0/behind/value":   func(b *Brief) { b.Card.Others[0].Behind = known(2e5) },
		"/targets/0/wanted":             func(b *Brief) { b.Targets[0].Wanted = &huge },
		"/targets/0/got/value":          func(b *Brief) { b.Targets[0].Got = &Given{Value: huge} },
		"/duties/0/id":                  func(b *Brief) { b.Duties[0].ID = "" },
		"/duties/1/id":                  func(b *Brief) { b.Duties = append(b.Duties, b.Duties[0]) },
		"/duties/0/at/2":                func(b *Brief) { b.Duties[0].At[2] = 2e5 },
		"/joints/0":                     func(b *Brief) { b.Joints[0].Name = long },
		"/joints/0/rubber/stiffness":    func(b *Brief) { b.Joints[0].Rubber.Stiffness = 0 },
		"/joints/0/stands/0/at/1":       func(b *Brief) { b.Joints[0].Stands[0].At[1] = 2e5 },
		"/joints/0/stands/0/turn":       func(b *Brief) { b.Joints[0].Stands[0].Turn = 400 },
		"/joints/0/design/plies/0/edge": func(b *Brief) { b.Joints[0].Design.Plies[0].Edge = -1 },
	} {
		b := whole()
		spoil(&b)
		var fault *working.Fault
		if err := b.Check(); !errors.As(err, &fault) {
			t.Errorf("%s: taken, or refused without a place: %v", path, err)
		} else if fault.Path != path && !strings.HasPrefix(fault.Path, path+"/") || fault.Message == "" {
			t.Errorf("%s: refused at %q: %s", path, fault.Path, fault.Message)
		}
	}
}

// The worse what happens when it fails, the better its inputs have to be known: every
// trust against every criticality, and an answer lets fatigue pass but never guesses.
func TestWhatStandsBesideAVerdict(t *testing.T) {
	passes := map[Criticality]string{Comfort: "measured copied memory assumed", LoadLost: "measured copied memory", People: "measured copied"}
	for crit, known := range passes {
		for _, trust := range []Trust{Measured, Copied, Memory, Assumed, ""} {
			rests := Behind{Criticality: crit, Answers: Answers{Fatigue: "A. Weld, engineer: 3 g for ever"},
				Sources: []Source{{"mass of the press", Measured}, {"height", trust}}}
			list := rests.Beside()
			want := strength.Holds
			if !strings.Contains(known, string(trust.Or())) {
				want = strength.CannotSay
			}
			if got := With(strength.Holds, list); got != want {
				t.Errorf("%s, %q: %s, by hand %s", crit, trust, got, want)
			}
			if With(strength.Over, list) != strength.Over {
				t.Errorf("%s, %q: what is over was talked out of it", crit, trust)
			}
			if n := len(list); want == strength.CannotSay && !strings.Contains(list[n-1].Why, "height") {
				t.Errorf("%s, %q: does not say which: %+v", crit, trust, list)
			}
		}
		if v := With(strength.Holds, Behind{Criticality: crit}.Beside()); (v == strength.CannotSay) != (crit == People) {
			t.Errorf("%s with nobody asked about fatigue: %s", crit, v)
		}
		near := Behind{Criticality: crit, Answers: Answers{Fatigue: "asked"}, NearPeople: []string{"stove", "stove", "tank"}}
		if list := near.Beside(); With(strength.Holds, list) != strength.CannotSay || len(list) != 3 {
			t.Errorf("%s beside people: %+v", crit, list)
		}
		near.Answers.Crash = "asked"
		if With(strength.Holds, near.Beside()) != strength.Holds {
			t.Errorf("%s: answered, and still not said", crit)
		}
	}
}

// Only what is open, and of strength or safety, holds back a part: that part, or all.
func TestOpenItemsHoldBack(t *testing.T) {
	for _, c := range []struct {
		item OpenItem
		want bool
	}{
		{OpenItem{Kind: "strength"}, true}, {OpenItem{Kind: "safety", Of: "p"}, true}, {OpenItem{Kind: "safety", Of: "q"}, false},
		{OpenItem{Kind: "strength", Done: true}, false}, {OpenItem{Kind: "look", Of: "p"}, false},
	} {
		if got := c.item.Holds("p"); got != c.want {
			t.Errorf("%+v: %t", c.item, got)
		}
	}
}
