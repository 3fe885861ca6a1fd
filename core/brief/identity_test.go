package brief

import (
	"strings"
	"testing"
)

func TestIdentity(t *testing.T) {
	b := Brief{Name: "Job", Unit: UnitMM, Grain: 1, Quantity: 1, Vehicle: "Panel truck ",
		Identity: Identity{Variant: "long", Number: "  77 ", Fitted: []Fitted{{ID: "a", Text: "Tow pack", State: "unknown", Of: "p"},
			{ID: "b", Text: "Spare below", State: "no", Of: "p"}, {ID: "c", Text: "Roof rails"}}}}.Upgraded()
	if err := b.Check(); err != nil {
		t.Fatal(err)
	}
	if got := b.Called(); got != "Panel truck, long, no. 77" {
		t.Error(got)
	}
	if got := (Brief{}).Called(); got != "" {
		t.Errorf("nothing is called %q", got)
	}
	list := b.Identity.Fitted
	if !list[0].Holds("p") || list[0].Holds("q") || list[1].Holds("p") || list[2].Holds("") || !list[2].Open() {
		t.Errorf("%+v", list)
	}
	r := b.Renamed(map[string]string{"p": "P"})
	if r.Identity.Fitted[0].Of != "P" || b.Identity.Fitted[0].Of != "p" {
		t.Error("it did not follow its part, or the list it was given changed")
	}
	for path, bad := range map[string]Identity{"/identity/year": {Year: strings.Repeat("1", MaxName+1)},
		"/identity/fitted/0/state": {Fitted: []Fitted{{State: "maybe"}}}, "/identity/fitted/0": {Fitted: []Fitted{{Text: strings.Repeat("x",
			MaxText+1)}}},
		"/identity/fitted": {Fitted: make([]Fitted, MaxList+1)}} {
		x := b
		x.Identity = bad
		if err := x.Check(); err == nil {
			t.Errorf("%s is kept", path)
		}
	}
}
