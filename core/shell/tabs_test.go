package shell

import (
	"slices"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/shell/facet"
)

// trough is two square panels, 300 long, lapped with so many tabs.
func trough(tabs int) Facets {
	f := hopper()
	f.Points = []FacetPoint{{ID: "a"}, {ID: "b", X: 300}, {ID: "c", X: 300, Y: 200}, {ID: "d", Y: 200},
		{ID: "e", Z: 150}, {ID: "g", X: 300, Z: 150}}
	f.Panels = []FacetPanel{{"floor", "Floor", []string{"d", "c", "b", "a"}}, {"side", "Side", []string{"a", "b", "g", "e"}}}
	f.Seams = []FacetSeam{{A: "a", B: "b", Kind: facet.Lap, Over: "floor", Tabs: tabs}}
	return f
}

// Tabs and notches of the body come and go with it; the part's own notch stays, however often it follows;
// taking a tab off by hand is refused, and so is a pair of which the body knows nothing.
func TestTabsComeFromTheBody(t *testing.T) {
	blanks := func(tabs int, pair bool) []sheet.Recipe {
		f := trough(tabs)
		if pair {
			f.Hand = sheet.Hand{Pair: true, Drawn: sheet.LeftHand}
		}
		_, list, err := f.Blanks("body", "Trough")
		if err != nil || len(list) != 2 {
			t.Fatal(err, len(list))
		}
		return list
	}
	part := blanks(2, false)[0]
	own := sheet.EdgeCut{ID: "mine", Kind: sheet.Notch, Edge: part.Base.Edges[0].Edge, At: 150, Width: 8, Depth: 8}
	part.Base.Edges = append(slices.Clone(part.Base.Edges), own)
	count := func(r sheet.Recipe) (given, mine int) {
		mine = len(sheet.PartsOwn(r.Base.Edges))
		return len(r.Base.Edges) - mine, mine
	}
	for _, tabs := range []int{2, 2, 4, 0, 3} {
		part, _ = Follow(blanks(tabs, false)[0], part)
		if given, mine := count(part); given != tabs || mine != 1 {
			t.Errorf("of %d tabs it has %d, and %d of its own", tabs, given, mine)
		}
	}
	if err := Kept(blanks(3, false)[0], part, "Trough"); err != nil {
		t.Error(err)
	}
	less := part
	less.Base.Edges = slices.Delete(slices.Clone(part.Base.Edges), 0, 1)
	if Kept(blanks(3, false)[0], less, "Trough") == nil {
		t.Error("a tab is taken off by hand")
	}
	if part, _ = Follow(blanks(3, true)[0], part); !part.Hand.Pair {
		t.Error("a pair of bodies has single blanks")
	}
	if Kept(blanks(3, false)[0], part, "Trough") == nil {
		t.Error("a blank is paired by itself")
	}
}
