package site

import (
	"context"
	"errors"
	"math"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
	"warmanvil/core/working"
)

// A plate of a fixture laid on the part has a hole over each of the part's, as far apart, wider than the
// stud by the play; bolts are clear of them; drilled through the part it is told when that changes.
func TestFixtureForTheStudsOfAPart(t *testing.T) {
	r := pan()
	hole := func(id string, x, y, d float64) sheet.Hole {
		return sheet.Hole{ID: id, Kind: sheet.RoundHole, Diameter: d, X: sheet.Offset{Edge: sheet.Left, Distance: x},
			Y: sheet.Offset{Edge: sheet.Front, Distance: y}}
	}
	r.Base.Holes = []sheet.Hole{hole("h1", 40, 25, 8.5), hole("h2", 97, 32, 8.5), hole("h3", 60, 45, 10.5)}
	p := BuildParts(context.Background(), []Part{{ID: "p", Name: "Pan", Quantity: 1, Recipe: r}}, metric, shop.Shop{})[0]
	n := 0
	ids := func() string { n++; return "n" + string(rune('a'+n)) }
	ask := FixtureAsk{Panel: r.Base.ID, Stud: 8, Play: .2, Border: 10, Bolt: 9}
	build := func(in FixtureAsk, of BuiltPart) (made.Part, sheet.Recipe) {
		t.Helper()
		f, err := FixtureFor(of, in, ids)
		if err != nil {
			t.Fatal(err)
		}
		b := BuildParts(context.Background(), []Part{{ID: "f", Name: "Fixture", Quantity: 2, Recipe: f}, of.Part}, metric, shop.Shop{})
		if b[0].Err != nil || !b[0].Built.Whole {
			t.Fatal(b[0].Err, b[0].Built.Findings)
		}
		return b[0].Built, f
	}
	b, f := build(ask, p)
	if len(b.Holes) != 3+4 || f.Thickness != r.Thickness || f.Master != nil {
		t.Fatalf("%d holes, %+v", len(b.Holes), f)
	}
	at := func(part made.Part, feature string) made.HoleMade {
		for _, h := range part.Holes {
			if h.Feature == feature {
				return h
			}
		}
		t.Fatalf("no hole %s", feature)
		return made.HoleMade{}
	}
	for i, a := range r.Base.Holes {
		x := at(b, f.Base.Holes[i].ID)
		if math.Abs(x.Diameter-8.2) > 1e-9 {
			t.Errorf("a hole of %g for a stud of 8", x.Diameter)
		}
		for k, c := range r.Base.Holes {
			want := at(p.Built, a.ID).Centre.Sub(at(p.Built, c.ID).Centre)
			if got := x.Centre.Sub(at(b, f.Base.Holes[k].ID).Centre); got.Sub(want).Len() > 1e-9 {
				t.Errorf("%s to %s lies %v, on the part %v", a.ID, c.ID, got, want)
			}
		}
		for _, h := range b.Holes[3:] {
			if d := h.Centre.Sub(x.Centre).Len() - h.Diameter/2 - x.Diameter/2; d < 2 {
				t.Errorf("%g mm of plate between a stud's hole and a bolt's", d)
			}
		}
	}
	ask = FixtureAsk{Panel: r.Base.ID, Border: 10, Bolt: 9, Through: true}
	if b, f = build(ask, p); f.Master == nil || f.Base.Holes[0].Made != sheet.MadeMatched {
		t.Fatalf("%+v", f.Master)
	}
	flagged := func(f sheet.Recipe, of Part) bool {
		parts := []Part{{ID: "f", Name: "Fixture", Quantity: 2, Recipe: f}, of}
		b, err := made.Build(f, PartOptions(metric, shop.Shop{}, parts[0], parts))
		if err != nil {
			t.Fatal(err)
		}
		for _, g := range b.Findings {
			if g.Code == "master-layout" {
				return true
			}
		}
		return false
	}
	if flagged(f, p.Part) {
		t.Error("it lies over the part it was made from")
	}
	moved := p.Part
	moved.Recipe.Base.Holes = append([]sheet.Hole{}, r.Base.Holes...)
	moved.Recipe.Base.Holes[1].X.Distance += 3
	if !flagged(f, moved) {
		t.Error("a hole of the part was moved and nothing says so")
	}
	for path, in := range map[string]FixtureAsk{"/stud": {Panel: r.Base.ID, Stud: 9, Border: 10},
		"/through": {Panel: r.Base.ID, Stud: 8, Border: 10, Through: true}, "/panel": {Panel: "gone", Border: 10},
		"/border": {Panel: r.Base.ID, Border: -1}} {
		var fault *working.Fault
		if _, err := FixtureFor(p, in, ids); !errors.As(err, &fault) || fault.Path != path {
			t.Errorf("%s: %v", path, err)
		}
	}
	if _, err := FixtureFor(BuiltPart{Part: p.Part, Err: errors.New("none")}, ask, ids); err == nil {
		t.Error("a fixture of no part")
	}
}
