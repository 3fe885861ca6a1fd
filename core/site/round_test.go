package site

import (
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/develop"
	"warmanvil/core/hold"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
	"warmanvil/core/strength"
	"warmanvil/core/vehicle"
)

// saddle is a plate on a tube with four holes.
func saddle() sheet.Recipe {
	r := demo.DemoSheet(3)
	f := develop.Form{Kind: develop.BandForm, Face: develop.InsideFace, Way: develop.Rolled, Band: &develop.Band{Radius: 60,
		Sweep: 150, Width: 120}}
	h := sheet.Hole{ID: "bolts", Kind: sheet.RoundHole, Diameter: 13, X: sheet.Offset{Edge: sheet.Around, Distance: -140},
		Y: sheet.Offset{Edge: sheet.Up, Distance: 60}, Pattern: &sheet.Pattern{Kind: sheet.AroundPattern, Count: 3, Start: 50}}
	r.Base = sheet.Base{ID: "base", Measure: sheet.Flat, Shape: &sheet.Shape{Kind: sheet.Developed, Round: &f}, Holes: []sheet.Hole{h}}
	return r
}

// A round never holds: not as a bracket, not in a joint, whatever is typed; and it says what would do.
func TestARoundNeverHolds(t *testing.T) {
	r := saddle()
	built, err := made.Build(r, made.Options{Body: true})
	if err != nil {
		t.Fatal(err)
	}
	if len(built.Holes) != 3 || built.Round == nil {
		t.Fatalf("%d holes", len(built.Holes))
	}
	parts := []BuiltPart{{Part{ID: "saddle", Name: "Saddle", Recipe: r, Quantity: 1}, built, nil}}
	j := footJoint(parts)
	b := brief.Brief{Unit: brief.UnitMM, Grain: 1, Strength: strength.Rule{School: strength.Allowable}, Joints: []brief.Joint{j}}
	told := Hold(b, parts).Joints[0]
	if told.Result != nil || !strings.Contains(told.Why, "Saddle is a band") {
		t.Errorf("a joint through it says %+v", told)
	}
	load := hold.Load{Force: [3]float64{0, 0, -10}, Case: "standing"}
	res := hold.Check(built, r, hold.Mount{Fasten: []string{"bolts"}}, []hold.Load{load}, strength.Rule{School: strength.Allowable})
	if res.Verdict != strength.CannotSay || len(res.Checks) != 1 || !strings.Contains(res.Checks[0].Why, "shell") {
		t.Errorf("as a bracket: %s %+v", res.Verdict, res.Checks)
	}
	// As the far side of a flat part's joint it is asked too.
	flat := demo.PressFoot()
	foot, err := made.Build(flat, made.Options{})
	if err != nil {
		t.Fatal(err)
	}
	both := []BuiltPart{{Part{ID: "foot", Name: "Press foot", Recipe: flat}, foot, nil}, parts[0]}
	j = footJoint(both)
	j.Sides[1] = brief.Side{Kind: brief.PartSide, Of: "saddle"}
	b.Joints = []brief.Joint{j}
	if told := Hold(b, both).Joints[0]; told.Result != nil || !strings.Contains(told.Why, "Saddle") {
		t.Errorf("a bracket bolted to it says %+v", told)
	}
}

// In the list it has its blank, its mass and its middle as rolled, and its gate is that of every part.
func TestARoundInTheList(t *testing.T) {
	b := brief.Brief{Unit: brief.UnitMM, Grain: 1, Quantity: 1}
	part := Part{ID: "saddle", Name: "Saddle", Recipe: saddle(), Quantity: 2}
	row := List(t.Context(), vehicle.Survey{}, b, shop.Shop{}, []Part{part}, nil)[0]
	if row.Flat == nil || row.Kilos <= 0 || row.Quantity != 2 || row.Gravity == nil {
		t.Fatalf("%+v", row)
	}
	// Rolled about z, its middle towards -y: the middle of an arc of 150 degrees lies off the axis by sin 75 / (75 in radians).
	if y := (*row.Gravity)[1]; y > -45 || y < -49 {
		t.Errorf("its middle is at %v", *row.Gravity)
	}
	checks := WorkSurvey(vehicle.Survey{}, b, BuildParts(t.Context(), []Part{part}, b, shop.Shop{})).Checks
	if len(checks) != 1 || checks[0].Released {
		t.Errorf("its gate stands open: %+v", checks)
	}
}
