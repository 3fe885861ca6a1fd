package site

import (
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/member"
	"warmanvil/core/section"
)

// A corner that is notched and folded is told with its gauge and with what a V that is a little off
// does to the free end; what is left there already is not asked for again.
func TestFoldsAreToldWithTheirGauge(t *testing.T) {
	tube := section.Sizes{Kind: "rectTube", Width: 40, Height: 40, Wall: 3}
	d := member.Doc{Schema: 1, Material: "steel-s235",
		Points: []member.Point{{ID: "a"}, {ID: "b", X: 600, Name: "Knee", Corner: &member.Corner{Kind: member.Fold}}, {ID: "c",
			X: 600, Y: 740}},
		Members: []member.Member{{ID: "m", Name: "Low", From: "a", To: "b", Section: tube}, {ID: "n", Name: "High", From: "b", To: "c",
			Section: tube}}}
	notes := func(b brief.Brief, d member.Doc) string {
		rows := (Site{Brief: b.Upgraded()}).Framed(Frame{ID: "f", Doc: d, Quantity: 1}).Told().Cut.Rows
		if len(rows) != 1 {
			t.Fatalf("%d rows", len(rows))
		}
		return strings.Join(rows[0].Notes, "\n")
	}
	for _, want := range []string{"opens to 90.0°", "legs of 100.0 mm", "141.4 mm apart", "half a millimetre off the V", "leave " +
		"that much"} {
		if got := notes(metric, d); !strings.Contains(got, want) {
			t.Errorf("%q is not in %q", want, got)
		}
	}
	if got := notes(inches, d); !strings.Contains(got, "1/64 in off the V") || strings.Contains(got, " mm") {
		t.Errorf("in inches: %q", got)
	}
	d.Members[1].Trim = 30
	if got := notes(metric, d); strings.Contains(got, "leave that much") || !strings.Contains(got, "moves the free end") {
		t.Errorf("30 are left on: %q", got)
	}
}
