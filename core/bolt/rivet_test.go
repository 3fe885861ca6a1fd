package bolt

import (
	"errors"
	"testing"

	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// By hand: 2 + 3 mm on steel 4.8: grip 5, length 10 (4 to 6), hole 4.9; 400 N of
// shear and 300 of tension at a safety of 3: √(0.5² + 0.3103²) = 0.5885.
func TestRivetByHand(t *testing.T) {
	r := must(Rivet(RivetInput{Diameter: 4.8, Material: "steel", Plies: []Ply{{Thickness: 2}, {Thickness: 3}}, Shear: 400, Tension: 300}))
	if r.Length == nil || *r.Length != 10 || r.From != 4 || r.To != 6 || r.Verdict != "holds" {
		t.Fatalf("%+v", r)
	}
	within(t, "hole", r.Hole, 4.9, 1e-9)
	within(t, "used", r.Used, .5885, 1e-4)
	for _, c := range []struct {
		what string
		in   RivetInput
		code string
		sev  strength.Verdict
	}{
		{"past the longest", RivetInput{Diameter: 3.2, Material: "aluminium", Plies: []Ply{{Thickness: 5}, {Thickness: 5}}}, "rivet-short", "cannot say"},
		{"below the shortest", RivetInput{Diameter: 6.4, Material: "aluminium", Plies: []Ply{{Thickness: 1}, {Thickness: 1}}, Shear: 10}, "rivet-long", "holds"},
		{"thin on the blind side", RivetInput{Diameter: 4.8, Material: "steel", Plies: []Ply{{Thickness: 3}, {Thickness: 1.5}}, Shear: 10}, "rivet-blind-thin", "holds"},
		{"over", RivetInput{Diameter: 4, Material: "aluminium", Plies: []Ply{{Thickness: 1.5}, {Thickness: 1.5}}, Shear: 300}, "rivet-over", "over"},
		{"sealant pressed out", RivetInput{Diameter: 4, Material: "aluminium", Plies: []Ply{{Thickness: 1}, {Thickness: 2, Squash: 1.8}, {Thickness: 1}}, Shear: 250}, "rivet-typical", "tight"},
	} {
		r := must(Rivet(c.in))
		if !codesOf(r.Findings)[c.code] || r.Verdict != c.sev {
			t.Errorf("%s: %q %+v", c.what, r.Verdict, r.Findings)
		}
	}
	for path, in := range map[string]RivetInput{
		"/material":          {Diameter: 4, Material: "wood", Plies: []Ply{{Thickness: 1}, {Thickness: 1}}},
		"/diameter":          {Diameter: 5, Material: "steel", Plies: []Ply{{Thickness: 1}, {Thickness: 1}}},
		"/plies":             {Diameter: 4, Material: "steel", Plies: []Ply{{Thickness: 1}}},
		"/plies/1/thickness": {Diameter: 4, Material: "steel", Plies: []Ply{{Thickness: 1}, {}}},
		"/safety":            {Diameter: 4, Material: "steel", Plies: []Ply{{Thickness: 1}, {Thickness: 1}}, Safety: .5},
	} {
		_, err := Rivet(in)
		var f *working.Fault
		if !errors.As(err, &f) || f.Path != path {
			t.Errorf("want a refusal at %s, got %v", path, err)
		}
	}
}
