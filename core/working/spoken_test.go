package working

import (
	"errors"
	"testing"
)

// What the core says in mm, kg, N and MPa is said to an inch shop in its own units, each
// number about as finely as it was; names of sections and what says both stay.
func TestSpoken(t *testing.T) {
	for text, want := range map[string]string{
		"It binds by 0.21 mm a side.": "It binds by 0.0083 in a side.",
		"5.2 mm of twist":             "0.205 in of twist",
		"25.4 mm":                     "1 in",
		"must be over 0 and at most 254 mm, not 300 mm.": "must be over 0 and at most 10 in, not 11.81 in.",
		"Ø 12 mm on top":                "Ø 0.47 in on top",
		"P1 is cut of round 20 mm":      "P1 is cut of round 20 mm",
		"60 × 40 × 3 mm tube":           "60 × 40 × 3 mm tube",
		`0.3937 in (10.000 mm)`:         `0.3937 in (10.000 mm)`,
		"an area of 12 mm² and 4 N/mm":  "an area of 12 mm² and 4 N/mm",
		"of hole A (12.7 mm): its edge": "of hole A (0.5 in): its edge",
		"100 kg, 2.5 kN, 10 N·m":        "220.5 lb, 562 lbf, 7.4 lbf·ft",
		"1000 N over 235 MPa":           "225 lbf over 34.1 ksi",
		"-25.4 mm, 25.4 mm":             "-1 in, 1 in",
		"nothing measured":              "nothing measured",
	} {
		if got := Spoken(text, true); got != want {
			t.Errorf("%q: %q, want %q", text, got, want)
		}
		if got := Spoken(text, false); got != text {
			t.Errorf("%q changed in mm: %q", text, got)
		}
	}
	list := []Finding{{Reason: "254 mm"}}
	named := SpokenOf([]Finding{{Name: "Bar 5 mm", Reason: "Bar 5 mm is 254 mm long."}, {Reason: "Bar 254 mm."}}, true)
	if named[0].Reason != "Bar 5 mm is 10 in long." || named[1].Reason != "Bar 10 in." {
		t.Errorf("what it is called was typed: %+v", named)
	}
	if got := Spoken("holds 8896 N of 12 N", true); got != "holds 2000 lbf of 2.7 lbf" {
		t.Error(got)
	}
	if got := SpokenOf(list, true); got[0].Reason != "10 in" || list[0].Reason != "254 mm" || SpokenOf(list, false)[0].Reason != "254 mm" {
		t.Errorf("%v of %v", got, list)
	}
	fault := Within("/a", "The length", 300, 25.4, 254, "mm")
	if got := SpokenError(fault, true); got.Error() != "The length must be from 1 in to 10 in, not 11.81 in." {
		t.Error(got)
	}
	var f *Fault
	if !errors.As(SpokenError(fault, true), &f) || f.Path != "/a" {
		t.Error("the fault lost its place")
	}
	if other := errors.New("5 mm"); SpokenError(other, true) != other || SpokenError(nil, true) != nil {
		t.Error("what is no fault was changed")
	}
}
