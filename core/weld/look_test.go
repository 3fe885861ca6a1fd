package weld

import (
	"strings"
	"testing"
)

// Seams as they are looked at, against the limits of ISO 5817 by hand: undercut 0.05, 0.1, 0.2 of the thickness, at
// most 0.5, 0.5, 1 mm; pores 0.2, 0.3, 0.4 of it, at most 3, 4, 5 mm.
func TestLook(t *testing.T) {
	mm := func(v float64) *float64 { return &v }
	for _, c := range []struct {
		name   string
		in     LookInput
		passes bool
		says   string
	}{
		{"sound", LookInput{Class: "C", Thick: 4, Leg: 4, GotLeg: mm(4.2), Undercut: mm(.3)}, true, ""},
		{"small leg", LookInput{Class: "C", Thick: 4, Leg: 4, GotLeg: mm(3.5), Undercut: mm(0)}, false, "another run"},
		{"hollow", LookInput{Class: "C", Thick: 4, Leg: 4, GotLeg: mm(4), GotDeep: mm(2), Undercut: mm(0)}, false, "hollow"},
		{"deep for B", LookInput{Class: "B", Thick: 4, Leg: 4, GotLeg: mm(4), Undercut: mm(.3)}, false, "undercut"},
		{"deep for C", LookInput{Class: "C", Thick: 10, Leg: 4, GotLeg: mm(4), Undercut: mm(.6)}, false, "undercut"},
		{"not for D", LookInput{Class: "D", Thick: 10, Leg: 4, GotLeg: mm(4), Undercut: mm(.9)}, true, ""},
		{"pore for B", LookInput{Class: "B", Thick: 20, Leg: 4, GotLeg: mm(4), Undercut: mm(0), Pore: mm(3.1)}, false, "pores"},
		{"pore for C", LookInput{Class: "C", Thick: 20, Leg: 4, GotLeg: mm(4), Undercut: mm(0), Pore: mm(3.1)}, true, ""},
		{"cold", LookInput{Class: "D", Thick: 4, Leg: 4, GotLeg: mm(4), Undercut: mm(0), Overlap: true}, false, "melting in"},
		{"crack", LookInput{Class: "D", Thick: 4, Leg: 4, GotLeg: mm(4), Undercut: mm(0), Crack: true}, false, "crack"},
		{"crater", LookInput{Class: "B", Thick: 4, Leg: 4, GotLeg: mm(4), Undercut: mm(0), Crater: true}, false, "hollow"},
		{"not looked at", LookInput{Class: "B", Thick: 4, Leg: 4}, false, ""},
	} {
		r, err := Look(c.in)
		if err != nil {
			t.Fatal(err)
		}
		if r.Passes != c.passes || !strings.Contains(strings.Join(r.Faults, " "), c.says) || r.Open != (c.name == "not looked at") {
			t.Errorf("%s: %+v", c.name, r)
		}
	}
	for _, in := range []LookInput{{Class: "A", Thick: 4}, {Class: "B"}, {Class: "B", Thick: 4, GotLeg: mm(-1)}} {
		if _, err := Look(in); err == nil {
			t.Errorf("%+v is judged", in)
		}
	}
}

// Where to start: by hand 40 A a millimetre, passes by the leg, runs by the sheet; what cannot be is refused.
func TestHow(t *testing.T) {
	r, err := How(HowInput{Process: MIG, Family: "steel", Thinner: 3, Thicker: 3, Leg: 3, Length: 300})
	if err != nil || r.Amps != 120 || r.Passes != 1 || r.Run != 120 || r.Runs != 3 || r.Gas == "" || len(r.Findings) != 0 {
		t.Fatalf("%v %+v", err, r)
	}
	codes := func(in HowInput) (out string) {
		r, err := How(in)
		if err != nil {
			t.Fatal(err)
		}
		for _, f := range r.Findings {
			out += f.Code + " "
		}
		return out
	}
	if got := codes(HowInput{Process: MIG, Family: "galvanized", Thinner: 1, Thicker: 8, Leg: 1, Length: 50, Most: 30,
		Position: "overhead"}); got !=
		"weld-current cold-lap thin-on-thick zinc-band overhead " {
		t.Error(got)
	}
	if got := codes(HowInput{Process: TIG, Family: "aluminum", Thinner: 3, Thicker: 3, Length: 50,
		Position: "vertical"}); got != "light-prep vertical " {
		t.Error(got)
	}
	thick, _ := How(HowInput{Process: Stick, Family: "steel", Thinner: 50, Thicker: 50, Leg: 20, Length: 100})
	if thick.Passes != 8 || thick.Amps != 160 || thick.Gas != "" { // 1.1·200/28
		t.Errorf("%+v", thick)
	}
	for _, in := range []HowInput{{Process: "glue", Thinner: 1, Thicker: 1, Length: 1}, {Process: MIG, Thicker: 1, Length: 1},
		{Process: MIG, Thinner: 2, Thicker: 1, Length: 1}, {Process: MIG, Thinner: 1, Thicker: 1}} {
		if _, err := How(in); err == nil {
			t.Errorf("%+v has a start", in)
		}
	}
}
