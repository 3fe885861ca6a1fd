package site

import (
	"fmt"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/develop"
	"warmanvil/core/exchange"
	"warmanvil/core/hold"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/flags"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/starters"
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

// An elbow is two ends and its whole segments, of the same sizes and plate: a piece too few, or one of
// another size, is said on every piece; the whole of it is quiet.
func TestElbowsAreWhole(t *testing.T) {
	n := 0
	list, err := starters.StartPart("elbow", nil, demo.DemoSheet(2), func() string { n++; return fmt.Sprint("i", n) })
	if err != nil || len(list) != 2 {
		t.Fatal(err, len(list))
	}
	parts := []Part{{ID: "end", Name: "End", Quantity: list[0].Quantity, Recipe: list[0].Recipe},
		{ID: "whole", Name: "Segment", Quantity: list[1].Quantity, Recipe: list[1].Recipe}}
	b := brief.Brief{Unit: brief.UnitMM, Grain: 1, Quantity: 1}
	said := func() (times int) {
		for _, p := range parts {
			built, err := made.Build(p.Recipe, PartOptions(b, shop.Shop{}, p, parts))
			if err != nil {
				t.Fatal(err)
			}
			for _, f := range built.Findings {
				if f.Code == "elbow-pieces" {
					times++
				}
			}
		}
		return times
	}
	if got := said(); got != 0 {
		t.Errorf("a whole elbow: %d pieces flagged", got)
	}
	parts[0].Quantity = 3
	if got := said(); got != 2 {
		t.Errorf("three ends: %d pieces flagged", got)
	}
	parts[0].Quantity = 2
	f := *parts[1].Recipe.Base.Shape.Round
	e := *f.Elbow
	e.Radius += 1
	f.Elbow = &e
	s := *parts[1].Recipe.Base.Shape
	s.Round = &f
	parts[1].Recipe.Base.Shape = &s
	if got := said(); got != 2 {
		t.Errorf("one of another bend: %d pieces flagged", got)
	}
}

// In an inch job nothing of a round is said in millimetres.
func TestRoundsInInches(t *testing.T) {
	n := 0
	list, err := starters.StartPart("reducer", map[string]float64{"x": 60, "face": 1}, demo.DemoSheet(2),
		func() string { n++; return fmt.Sprint("i", n) })
	if err != nil {
		t.Fatal(err)
	}
	r := list[0].Recipe
	r.Base.Holes = []sheet.Hole{{ID: "h", Kind: sheet.RoundHole, Diameter: 30, X: sheet.Offset{Edge: sheet.Around, Distance: -45},
		Y: sheet.Offset{Edge: sheet.Up, Distance: 60}}, {ID: "g", Kind: sheet.RoundHole, Diameter: 30, X: sheet.Offset{Edge: sheet.Around},
		Y: sheet.Offset{Edge: sheet.Up, Distance: 900}}}
	b := brief.Brief{Unit: brief.UnitFraction, Grain: 1. / 16, Quantity: 1}
	built, err := made.Build(r, PartOptions(b, shop.Shop{}, Part{ID: "r", Name: "R", Quantity: 1, Recipe: r}, nil))
	if err != nil {
		t.Fatal(err)
	}
	texts := append([]string{}, built.Round.Notes...)
	for _, f := range built.Findings {
		texts = append(texts, f.Reason)
	}
	for _, l := range built.Round.Lines {
		texts = append(texts, l.Ends[0], l.Ends[1], l.Long.Text)
	}
	for _, f := range built.Figures {
		texts = append(texts, f.Text)
		texts = append(texts, f.Working.Assumptions...)
	}
	if len(built.Round.Notes) == 0 {
		t.Error("nothing is said of the lean")
	}
	for _, text := range texts {
		if strings.Contains(text, " mm") {
			t.Errorf("%q", text)
		}
	}
}

// Rules of machines and suppliers are asked of press lines as of bends: a line longer than a supplier
// bends is named, the cut ticket lists every line, and nobody is told to split what is not parted.
func TestPressLinesAreAskedLikeBends(t *testing.T) {
	r := demo.DemoSheet(2)
	f := develop.Form{Kind: develop.TransitionForm, Face: develop.MiddleFace, Way: develop.Pressed, Radius: 3,
		Transition: &develop.TransitionInput{Below: &develop.OutlineForm{Long: 400, Wide: 300},
			Above:  &develop.OutlineForm{Long: 400, Wide: 300},
			Height: 500}}
	r.Base = sheet.Base{ID: "base", Measure: sheet.Flat, Shape: &sheet.Shape{Kind: sheet.Developed, Round: &f}}
	b := brief.Brief{Unit: brief.UnitMM, Grain: 1, Quantity: 1}
	part := Part{ID: "duct", Name: "Duct", Quantity: 1, Recipe: r}
	length := Lengths(b)
	breaks := func(longest float64) int {
		built, err := made.Build(r, made.Options{})
		if err != nil {
			t.Fatal(err)
		}
		return len(shop.Supplier{Rules: map[string]float64{"bend": longest}}.Breaks(r, built, length))
	}
	if all, none := breaks(499), breaks(501); all != 4 || none != 0 {
		t.Errorf("500 long: %d lines broke 499, %d broke 501", all, none)
	}
	opt := PartOptions(b, shop.Shop{}, part, []Part{part})
	opt.Machines.Brakes = []flags.Machine{{Name: "Small brake", Named: true, Said: true, Long: 450}}
	opt.Machines.Tables = []flags.Machine{{Name: "Small table", Named: true, Said: true, Long: 600, Wide: 600}}
	opt.Machines.Outside = []flags.Outsider{{Name: "Short bender", Does: "bending", Bend: 450}, {Name: "Long bender",
		Does: "bending", Bend: 3000}}
	opt.Lift = 1
	built, err := made.Build(r, opt)
	if err != nil {
		t.Fatal(err)
	}
	said := map[string]string{}
	for _, x := range built.Findings {
		said[x.Code] = x.Reason
		if strings.Contains(x.Reason, "plit") {
			t.Errorf("%s: %s", x.Code, x.Reason)
		}
	}
	if !strings.Contains(said["past-brake"], "Long bender") || strings.Contains(said["past-brake"], "Short bender") {
		t.Errorf("past the brake: %q", said["past-brake"])
	}
	if said["past-bed"] == "" || said["past-lift"] == "" {
		t.Errorf("%v", said)
	}
	csv, err := exchange.Ticket{Flat: built}.CSV()
	if err != nil || strings.Count(string(csv), "down,90") != 4 {
		t.Errorf("%v %s", err, csv)
	}
}
