package starters

import (
	"errors"
	"fmt"
	"math"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shell"
	"warmanvil/core/shell/facet"
	"warmanvil/core/working"
)

func like() shell.Facets {
	k := .42
	return shell.Facets{Schema: 1, Material: "steel-s235", Thickness: 2, Process: "laser", Tool: bend.Tool{Kind: bend.ToolVDie},
		Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k}, Side: facet.Outside, InsideRadius: 2}
}

func ids() func() string {
	n := 0
	return func() string { n++; return fmt.Sprint("id", n) }
}

// Every starter, at its usual sizes in mm and inches and a half and twice as large, is a body of flat
// panels, no edge of three, whose blanks are parts that can be folded; left is as right.
func TestEveryStarterIsABody(t *testing.T) {
	for _, x := range Starters {
		for _, inch := range []bool{false, true} {
			for _, scale := range []float64{.5, 1, 2} {
				values := map[string]float64{}
				for _, a := range x.Asks {
					v := a.Usual
					if inch {
						v = a.Inch
					}
					values[a.Key] = math.Min(math.Max(v*scale, a.Least), a.Most)
				}
				f, err := Start(x.Key, values, inch, like(), ids())
				if err != nil {
					t.Fatalf("%s: %v", x.Key, err)
				}
				b, list, err := f.Blanks("id", x.Name)
				if err != nil || len(b.Findings) > 0 {
					t.Fatalf("%s × %g: %v %+v", x.Key, scale, err, b.Findings)
				}
				for _, r := range list {
					p, err := made.Build(r, made.Options{Body: true})
					if err != nil || !p.Whole {
						t.Errorf("%s × %g, blank of %s: %v %+v", x.Key, scale, f.Called(r.Base.ID), err, p.Findings)
					}
				}
				for _, e := range b.Edges {
					if e.Turn < 0 {
						t.Errorf("%s: %s – %s is hollow: it looks in", x.Key, f.Called(e.A), f.Called(e.B))
					}
				}
				middle := 0.
				for _, p := range b.Points {
					middle += p.At[1]
				}
				if math.Abs(middle) > 1e-9 {
					t.Errorf("%s leans to one side by %g", x.Key, middle)
				}
			}
		}
	}
	usual, err := Start("hopper", nil, true, like(), ids())
	if err != nil || math.Abs(usual.Points[0].X-12*25.4) > 1e-9 {
		t.Errorf("%v %+v", err, usual.Points[0])
	}
	var f *working.Fault
	if _, err := Start("hopper", map[string]float64{"high": -5}, false, like(), ids()); !errors.As(err, &f) || f.Path != "/values/high" {
		t.Errorf("%v", err)
	}
	if _, err := Start("castle", nil, false, like(), ids()); !errors.As(err, &f) {
		t.Errorf("%v", err)
	}
}
