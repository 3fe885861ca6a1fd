package words_test

import (
	"fmt"
	"math"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/joint"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet/made"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/survey"
	"warmanvil/core/working"
	"warmanvil/job/words"
)

// What new things start from stands as it is: a plate that can be made, a joint that can
// be answered.
func TestShopsStartFromWhatStands(t *testing.T) {
	for name, inch := range map[string]bool{"metric": false, "inch": true} {
		t.Run(name, func(t *testing.T) {
			s := words.StartsOf(inch)
			s.Recipe.Base.ID = "base"
			p, err := made.Build(s.Recipe, made.Options{})
			if err != nil {
				t.Fatal(err)
			}
			for _, f := range p.Findings {
				if f.Severity == working.Stop {
					t.Errorf("%s: %s", f.Code, f.Reason)
				}
			}
			s.Joint.Strength = strength.Rule{School: strength.Allowable}
			if _, err := joint.Work(s.Joint); err != nil {
				t.Error(err)
			}
			if s.Joint.System != s.Hold.Bolts.System || (s.Joint.System == stock.Inch) != inch {
				t.Errorf("bolts of %s and %s", s.Joint.System, s.Hold.Bolts.System)
			}
			if last := s.Joint.Plies[len(s.Joint.Plies)-1]; !last.Guessed {
				t.Errorf("the thickness of %s is given as measured", last.Name)
			}
		})
	}
}

// A new shape of every form passes the survey's own check, in whole steps of its shop.
func TestNewShapesAreSound(t *testing.T) {
	for _, w := range words.Of()["SurveyShape.form"] {
		for _, shape := range []any{w.Fresh.Metric, w.Fresh.Inch} {
			s := survey.Space{ID: "s", Name: w.Text, Kind: "fixed", Trust: "measured", Shape: shape.(survey.Shape)}
			if s.Shape.Form == survey.TyreForm {
				s.Kind = "tyre"
			}
			if err := s.Check(""); err != nil {
				t.Errorf("%s: %v", w.Text, err)
			}
		}
		inch := w.Fresh.Inch.(survey.Shape)
		if quarters := inch.Radius / 25.4 * 4; math.Abs(quarters-math.Round(quarters)) > 1e-9 {
			t.Errorf("%s: %g mm is no whole quarter inch", w.Text, inch.Radius)
		}
	}
}

// Every unit has one usual step, and the job writes it exactly.
func TestGrains(t *testing.T) {
	usual := map[brief.Unit]int{}
	for _, g := range words.Grains() {
		if g.Usual {
			usual[g.Unit]++
		}
		b := brief.Brief{Unit: g.Unit, Grain: g.Value}
		if wrote, err := quantity.Format(g.Value, b.Display()); err != nil || wrote.Lies != "exact" {
			t.Errorf("%s is written %s, %s (%v)", g.Text, wrote.Text, wrote.Lies, err)
		}
	}
	if len(usual) != 3 || usual[brief.UnitMM] != 1 || usual[brief.UnitFraction] != 1 || usual[brief.UnitDecimal] != 1 {
		t.Errorf("usual steps: %v", usual)
	}
}

// The kinds of flange, as a form offers them.
func Example() {
	for _, w := range words.Of()["Flange.kind"] {
		fmt.Println(w.Value, w.Text, w.Shows)
	}
	// Output:
	// flange flange [measure]
	// hem hem [hem]
	// jog jog [measure]
	// roll roll []
}
