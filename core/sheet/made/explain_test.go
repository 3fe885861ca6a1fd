package made_test

import (
	"errors"
	"fmt"
	"math/rand"
	"strings"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/working"
)

func explained(t *testing.T, r sheet.Recipe, s made.Subject) working.Working {
	t.Helper()
	w, err := made.Explain(r, plates.Metric, s)
	if err != nil {
		t.Fatalf("%+v: %v", s, err)
	}
	return w
}

// What is explained on demand is the number that is shown, and its steps add
// up to it.
func TestExplainedPlacesAreTheShownOnes(t *testing.T) {
	rnd := rand.New(rand.NewSource(21))
	for range 60 {
		r := plates.Random(rnd, true)
		p := plates.Build(t, r)
		for _, h := range p.Holes {
			for axis, want := range map[string]float64{"x": h.X.MM, "y": h.Y.MM} {
				w := explained(t, r, made.Subject{What: "hole", ID: h.ID, Axis: axis})
				plates.Near(t, h.Name, w.Result.Value, want)
				sum := 0.0
				for _, s := range w.Steps {
					sum += s.Value
				}
				plates.Near(t, "steps of "+h.Name, sum, want)
			}
		}
		for _, l := range p.BendLines {
			w := explained(t, r, made.Subject{What: "bend", ID: l.ID, Axis: l.Axis})
			plates.Near(t, l.Name, w.Result.Value, l.Place.MM)
			off := w.Result.Value - w.Steps[0].Value - w.Steps[1].Value
			plates.Near(t, "half an allowance", off*off, l.BendAllowance*l.BendAllowance/4)
		}
		for _, l := range p.BendLines {
			plates.Near(t, "allowance of "+l.Name, explained(t, r, made.Subject{What: "allowance", ID: l.ID}).Result.Value, l.BendAllowance)
			if l.Aim != nil {
				plates.Near(t, "aim of "+l.Name, explained(t, r, made.Subject{What: "aim", ID: l.ID}).Result.Value, *l.Aim)
			}
			if l.Force != nil {
				plates.Near(t, "force of "+l.Name, explained(t, r, made.Subject{What: "force", ID: l.ID}).Result.Value, *l.Force)
			}
		}
		for _, s := range p.Steps {
			plates.Near(t, "stop of "+s.Name, explained(t, r, made.Subject{What: "stop", ID: s.ID}).Result.Value, s.Stop.MM)
		}
	}
}

func TestExplainedBlankOfEverySchool(t *testing.T) {
	rnd := rand.New(rand.NewSource(22))
	for range 40 {
		r := plates.Random(rnd, false)
		r.Bend.K = new(float64)
		*r.Bend.K = .41
		p := plates.Build(t, r)
		for _, s := range p.Schools {
			if s.X == nil {
				_, err := made.Explain(r, plates.Metric, made.Subject{What: "school", School: s.School, Axis: "x"})
				if err == nil || err.Error() != s.Why {
					t.Fatalf("%s: said %v, shown %q", s.School, err, s.Why)
				}
				continue
			}
			for axis, want := range map[string]float64{"x": s.X.MM, "y": s.Y.MM} {
				w := explained(t, r, made.Subject{What: "school", School: s.School, Axis: axis})
				plates.Near(t, string(s.School), w.Result.Value, want)
				if !strings.Contains(fmt.Sprint(w.Assumptions), string(s.School)) {
					t.Fatalf("school not named: %v", w.Assumptions)
				}
			}
		}
	}
}

// A cleat of 100 × 60 with a 40 leg at the left, R 3, T 2, K 0.4 fixed:
// BA = π/2·(3 + 0.4·2) = 5.969; the leg's flat is 40 − 5 = 35, so its outer end
// is the blank's left edge, 35 + 5.969 = 40.969 from the base's tangent line.
// A hole typed 30 from the outside of the left bend is 25 past that line:
// 65.969 from the blank's edge.
func TestExplainHandWorked(t *testing.T) {
	r := plates.Plate(100, 60)
	k := .4
	r.Thickness, r.Bend.School, r.Bend.K = 2, bend.SchoolFixed, &k
	f := plates.Flange("leg", sheet.Left, 40, 90)
	f.InsideRadius = 3
	r.Base.Flanges = []sheet.Flange{f}
	r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 30, sheet.Front, 20, 6)}
	w := explained(t, r, made.Subject{What: "hole", ID: "h", Axis: "x"})
	plates.Near(t, "to the tangent line", w.Steps[0].Value, 40.969026)
	plates.Near(t, "place", w.Result.Value, 65.969026)
	plates.Near(t, "bend line", explained(t, r, made.Subject{What: "bend", ID: "leg", Axis: "x"}).Result.Value, 35+5.969026/2)
	for _, s := range []made.Subject{{What: "hole", ID: "none", Axis: "x"}, {What: "bend", ID: "h", Axis: "x"}, {What: "weather"},
		{What: "aim", ID: "h"}, {What: "stop"}} {
		_, err := made.Explain(r, plates.Metric, s)
		var fault *working.Fault
		if !errors.As(err, &fault) || fault.Path != "/subject" {
			t.Errorf("%+v: %v", s, err)
		}
	}
}
