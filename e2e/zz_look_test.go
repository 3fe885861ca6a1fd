package e2e

import (
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

func TestZZ(t *testing.T) {
	a := startApp(t)
	j, part := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + j + "/shape/" + part)
	p.drawn()
	p.press("Add to Base")
	p.press("Holes for something")
	p.shot("/tmp/shot/add.png")
	got, err := a.jobs.Store.Part(t.Context(), part)
	if err != nil {
		t.Fatal(err)
	}
	r := got.Recipe
	at := func(x, y float64) (sheet.Offset, sheet.Offset) {
		return sheet.Offset{Edge: sheet.Middle, Distance: x}, sheet.Offset{Edge: sheet.Middle, Distance: y}
	}
	hole := func(id string, k sheet.HoleKind, x, y float64) sheet.Hole {
		h := sheet.Hole{ID: id, Kind: k, Diameter: 16, Length: 34, Flat: 13, Narrow: 7}
		h.X, h.Y = at(x, y)
		return h
	}
	r.Base = sheet.Base{ID: "b", Measure: sheet.Outside, Shape: &sheet.Shape{Kind: sheet.Sides, Sides: []sheet.SideSize{{Length: 160, Angle: 120}, {Length: 160, Angle: 120}, {Length: 160, Angle: 120}, {Length: 160, Angle: 120}, {Length: 160, Angle: 120}}},
		Holes: []sheet.Hole{hole("h1", sheet.DHole, -60, 0), hole("h2", sheet.KeyholeHole, 0, 40), hole("h3", sheet.RectangleHole, 50, 0), hole("h4", sheet.SquareHole, 0, -40)}}
	m := sheet.Mark{ID: "mk", Kind: sheet.TextMark, Text: "THIS WAY UP", Height: 10}
	m.X, m.Y = at(-40, 80)
	bead := sheet.Mark{ID: "bd", Kind: sheet.BeadMark, Length: 80, Width: 12}
	bead.X, bead.Y = at(0, -85)
	r.Base.Marks = []sheet.Mark{m, bead}
	_ = profile.Point{}
	for i, e := range []sheet.Edge{"1", "2", "3", "4", "5", "6"} {
		r.Base.Flanges = append(r.Base.Flanges, sheet.Flange{ID: string(rune('p' + i)), Edge: e, Length: 45, Angle: 90, Up: true, InsideRadius: 6, Relief: sheet.Relief{Kind: sheet.Round}})
		r.Base.Meets = append(r.Base.Meets, sheet.Meet{A: string(rune('p' + i)), B: string(rune('p' + (i+1)%6)), Kind: sheet.MeetMitre})
	}
	r.Ticks = true
	if _, err := a.jobs.SavePart(t.Context(), part, got.Revision, "Six-sided tray", 1, r); err != nil {
		t.Fatal(err)
	}
	p.goTo("/jobs")
	p.goTo("/jobs/" + j + "/shape/" + part)
	p.drawn()
	p.press("Options of Base")
	p.shot("/tmp/shot/hex.png")
}
