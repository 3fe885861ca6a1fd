package job

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/site"
	"warmanvil/core/trace"
	"warmanvil/core/vehicle"
)

// A bought plan is laid on a device's feet: as it is, out of scale, in the
// wrong units, turned over, with a hole that is off and with one missing.
func TestTracedPlanAgainstADevice(t *testing.T) {
	feet := []brief.Foot{{ID: "f1", X: 0, Y: 0}, {ID: "f2", X: 200, Y: 0}, {ID: "f3", X: 200, Y: 120}, {ID: "f4", X: 0, Y: 90}}
	b := brief.Brief{Unit: brief.UnitMM, Grain: .1, Devices: []brief.Device{{ID: "d", Name: "Pump", Feet: feet}}}
	plan := func(change func(i int, x, y *float64) bool) *trace.Traced {
		s := `<svg width="400mm" viewBox="0 0 400 400"><rect width="400" height="400"/>`
		for i, f := range feet {
			x, y := 350-f.Y, 350-f.X // a quarter turn, y down in the file
			if change == nil || change(i, &x, &y) {
				s += fmt.Sprintf(`<circle cx="%g" cy="%g" r="4"/>`, x, y)
			}
		}
		d, err := trace.Read(t.Context(), "plan.svg", []byte(s+"</svg>"))
		if err != nil {
			t.Fatal(err)
		}
		tr, err := d.Join(t.Context(), trace.Options{})
		if err != nil {
			t.Fatal(err)
		}
		return tr
	}
	n := 0
	s := &Service{NewID: func() string { n++; return fmt.Sprint("n", n) }}
	held := func(tr *trace.Traced, mm float64) site.Compared {
		parts, _ := s.TracedParts(tr, mm, true, b)
		s.HoldTraced(parts, mm, vehicle.Survey{}, b)
		if len(parts) != 1 || len(parts[0].Compared) != 1 {
			t.Fatalf("%d parts, %+v", len(parts), parts)
		}
		return parts[0].Compared[0]
	}
	codesOf := func(c site.Compared) (out string) {
		for _, f := range c.Findings {
			out += f.Code + " "
		}
		return out
	}
	if c := held(plan(nil), 1); codesOf(c) != "" || !strings.HasPrefix(c.Text, "4 of 4 holes") ||
		c.With != "the feet of Pump" || c.Working == nil {
		t.Errorf("as it is: %q %s", codesOf(c), c.Text)
	}
	c := held(plan(nil), 1.02)
	if codesOf(c) != "out-of-scale holes-off " {
		t.Errorf("2 %% too large: %q", codesOf(c))
	} else if to, _ := c.Findings[0].Fixes[0].Edits[0].Value.(float64); math.Abs(to-1) > 1e-6 {
		t.Errorf("2 %% too large, and a unit of %v mm would mend it", to)
	}
	c = held(plan(nil), 25.4)
	if !strings.HasPrefix(codesOf(c), "other-units") {
		t.Errorf("read in inches: %q", codesOf(c))
	} else if to, _ := c.Findings[0].Fixes[0].Edits[0].Value.(float64); math.Abs(to-1) > 1e-9 {
		t.Errorf("read in inches, and a unit of %v mm would mend it", to)
	}
	if c := held(plan(func(_ int, x, _ *float64) bool { *x = 400 - *x; return true }), 1); codesOf(c) != "mirrored " {
		t.Errorf("turned over: %q", codesOf(c))
	}
	c = held(plan(func(i int, x, _ *float64) bool {
		if i == 2 {
			*x += 2
		}
		return true
	}), 1)
	if codesOf(c) != "holes-off " || !strings.Contains(c.Text, "foot 3") {
		t.Errorf("one hole off: %q %s", codesOf(c), c.Text)
	}
	c = held(plan(func(i int, _, _ *float64) bool { return i != 1 }), 1)
	if codesOf(c) != "holes-missing " || c.Misses[1].Off != nil || c.Misses[0].Off == nil {
		t.Errorf("one hole missing: %q %+v", codesOf(c), c.Misses)
	}
	// Nothing to lay it on is no fault.
	parts, _ := s.TracedParts(plan(nil), 1, true, b)
	s.HoldTraced(parts, 1, vehicle.Survey{}, brief.Brief{Unit: brief.UnitMM, Grain: .1})
	if len(parts[0].Compared) != 0 {
		t.Errorf("%+v", parts[0].Compared)
	}
}
