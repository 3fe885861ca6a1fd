package made_test

import (
	"strings"
	"testing"

	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/working"
)

// A size keeps its reason when its feature moves in its list; changed since, both ways out of
// that clear it; gone, it is said and forgotten at a press.
func TestReasonsOfSizes(t *testing.T) {
	r := wholeTray()
	build := func(r sheet.Recipe) (made.Part, []working.Finding) {
		t.Helper()
		p, err := made.Build(r, made.Options{Display: quantity.Display{Style: quantity.Metric}})
		if err != nil {
			t.Fatal(err)
		}
		var out []working.Finding
		for _, f := range p.Findings {
			if strings.HasPrefix(f.Code, "reason-") {
				out = append(out, f)
			}
		}
		return p, out
	}
	why := func(p made.Part, path string) string {
		for _, d := range p.Dimensions {
			if d.Path == path {
				return d.Why
			}
		}
		return "no such size"
	}
	first, second := r.Base.Flanges[0], r.Base.Flanges[1]
	r.Reasons = []sheet.Reason{{Feature: second.ID, Size: "length", Value: second.Length, Why: "clears the hand"},
		{Feature: r.Base.ID, Size: "/base/width", Value: r.Base.Width, Why: "board tried on the truck"}}
	p, found := build(r)
	if len(found) > 0 || why(p, "/base/flanges/1/length") != "clears the hand" || why(p, "/base/width") != "board tried on the truck" ||
		why(p, "/base/flanges/0/length") != "" {
		t.Fatalf("%+v %q", found, why(p, "/base/flanges/1/length"))
	}
	moved := r
	moved.Base.Flanges = []sheet.Flange{second, first}
	if p, found = build(moved); len(found) > 0 || why(p, "/base/flanges/0/length") != "clears the hand" {
		t.Errorf("it did not go with its flange: %+v", found)
	}
	changed := r
	changed.Base.Flanges = []sheet.Flange{first, second}
	changed.Base.Flanges[1].Length += 6
	_, found = build(changed)
	if len(found) != 1 || found[0].Severity != working.Mind || len(found[0].Fixes) != 2 || !strings.Contains(found[0].Reason,
		"clears the hand") {
		t.Fatalf("%+v", found)
	}
	for _, fix := range found[0].Fixes {
		mended, err := sheet.ApplyEdits(changed, fix.Edits)
		if err != nil {
			t.Fatal(err)
		}
		if _, still := build(mended); len(still) > 0 {
			t.Errorf("%s leaves %+v", fix.Label, still)
		}
	}
	gone := r
	gone.Base.Flanges = []sheet.Flange{first}
	_, found = build(gone)
	if len(found) != 1 || found[0].Code != "reason-gone" || found[0].Severity != working.Note {
		t.Fatalf("%+v", found)
	}
	mended, err := sheet.ApplyEdits(gone, found[0].Fixes[0].Edits)
	if err != nil {
		t.Fatal(err)
	}
	if _, still := build(mended); len(still) > 0 || len(mended.Reasons) != 1 {
		t.Errorf("it is not forgotten: %+v %+v", still, mended.Reasons)
	}
	for _, bad := range []sheet.Reason{{Feature: "b", Size: "x"}, {Feature: strings.Repeat("x", 99), Why: "y"}, {Why: strings.Repeat("y",
		501)}} {
		x := r
		x.Reasons = []sheet.Reason{bad}
		if x.Validate() == nil {
			t.Errorf("%+v is kept", bad)
		}
	}
}
