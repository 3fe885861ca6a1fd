package joint

import (
	"errors"
	"strings"
	"testing"

	"warmanvil/core/quantity"
	"warmanvil/core/working"
)

// What is done to an edge before a seam is told first of all its making, with the depth it has to go down
// by: the other ply and half its coats. A joggle more than twice the sheet's thickness is minded.
func TestEdgesBeforeASeam(t *testing.T) {
	in := sound()
	in.Plies = append([]Ply{}, in.Plies...)
	in.Plies[0].Thickness, in.Plies[0].Coat = 1.5, .2
	in.Plies[1].Thickness = 1
	for lip, says := range map[Lip]string{GroundLip: "grind the lip of rail", FlattenedLip: "beat the edge of rail flat",
		JoggledLip: "joggle the edge of rail down by 1.60 mm, running out over 6.4 mm"} {
		in.Plies[1].Lip = lip
		r := work(t, in)
		if len(r.Making) == 0 || !strings.Contains(r.Making[0], says) || codes(r)["joggle-deep"] {
			t.Errorf("%s: %q %v", lip, r.Making, codes(r))
		}
	}
	in.Plies[1].Lip, in.Plies[0].Thickness = JoggledLip, 2
	if !codes(work(t, in))["joggle-deep"] {
		t.Error("2.1 mm down in 1 mm of sheet is not minded")
	}
	in.Display = quantity.Display{Style: quantity.Decimal}
	if got := work(t, in).Making[0]; strings.Contains(got, " mm") {
		t.Errorf("in inches: %q", got)
	}
	in.Plies[1].Lip = ""
	if r := work(t, in); strings.Contains(strings.Join(r.Making, " "), "lies on it") || codes(r)["joggle-deep"] {
		t.Errorf("nothing is done to it: %q", r.Making)
	}
	in.Plies[1].Lip = "chewed"
	var f *working.Fault
	if _, err := Work(in); !errors.As(err, &f) || f.Path != "/plies/1/lip" {
		t.Errorf("%v", err)
	}
}
