package joint

import (
	"strings"
	"testing"

	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Nuts that are fast are proposed where loose ones are held again and again, and only those that
// hold no worse: a thread in 5 mm is too short for M10, a ply of wood takes none, and where a rivet
// nut turns or tears it is not offered.
func TestCaptiveNutsAreProposed(t *testing.T) {
	for name, c := range map[string]struct {
		change func(*Input)
		says   []string // none: not proposed
		never  string
	}{
		"once and for all":      {func(*Input) {}, nil, ""},
		"taken apart":           {func(j *Input) { j.Tighten.Reused = true }, []string{"taken apart", "weld nuts"}, "thread in"},
		"of a thick ply":        {func(j *Input) { j.Tighten.Reused, j.Plies[1].Thickness = true, 14 }, []string{"weld nuts", "thread in rail"}, "rivet nuts"},
		"of aluminium":          {func(j *Input) { j.Tighten.Reused, j.Plies[1].Material = true, "alu-6061-t6" }, []string{"rivet nuts"}, "weld nuts"},
		"on wood":               {func(j *Input) { j.Tighten.Reused, j.Plies[1] = true, Ply{Name: "floor", Thickness: 18} }, nil, ""},
		"captive already":       {func(j *Input) { j.Tighten.Reused, j.Nut = true, WeldNut }, nil, ""},
		"nuts nobody reaches":   {func(j *Input) { j.Tighten.Reused, j.Reached = true, HeadsOnly }, nil, ""},
		"a row of many":         {func(j *Input) { j.Holes = append(j.Holes, [][2]float64{{20, 0}, {40, 0}, {60, 0}, {80, 80}}...) }, []string{"8 loose nuts"}, ""},
		"seven, once":           {func(j *Input) { j.Holes = append(j.Holes, [][2]float64{{20, 0}, {40, 0}, {60, 0}}...) }, nil, ""},
		"a pin taken out daily": {func(j *Input) { j.Tighten.Reused, j.Nut = true, Pin }, nil, ""},
	} {
		in := sound()
		in.Plies = append([]Ply{}, in.Plies...)
		c.change(&in)
		now := work(t, in)
		var got working.Finding
		for _, f := range now.Findings {
			if f.Code == "captive" {
				got = f
			}
		}
		if (len(c.says) == 0) != (got.Code == "") || c.never != "" && strings.Contains(got.Reason, c.never) {
			t.Errorf("%s: %q", name, got.Reason)
		}
		for _, s := range c.says {
			if !strings.Contains(got.Reason, s) {
				t.Errorf("%s: %q does not say %q", name, got.Reason, s)
			}
		}
		for _, x := range got.Fixes {
			r := work(t, taken(t, in, x))
			if codes(r)["captive"] || strength.Worse(r.Verdict, now.Verdict) {
				t.Errorf("%s: %s makes it %s from %s", name, x.Label, r.Verdict, now.Verdict)
			}
		}
	}
}
