// Package demo is three made-up jobs as values: briefs, surveys and parts for the demo
// and for tests.
package demo

import (
	"warmanvil/core/bend"
	"warmanvil/core/sheet"
)

// From is an offset from an edge, mm.
func From(e sheet.Edge, mm float64) sheet.Offset { return sheet.Offset{Edge: e, Distance: mm} }

// PressFoot is one of a left and right pair that carries a corner of the press.
func PressFoot() sheet.Recipe {
	round := sheet.Relief{Kind: sheet.Round}
	return sheet.Recipe{Schema: sheet.SchemaVersion, Material: "steel-s235", Thickness: 6, Process: "laser", Grain: sheet.GrainY,
		Tool: bend.Tool{Kind: bend.ToolVDie, Opening: 50}, Hand: sheet.Hand{Pair: true, Drawn: sheet.LeftHand},
		Bend: bend.Rule{School: bend.SchoolCoupon, Method: bend.MethodAir, Coupons: []bend.Coupon{
			{InsideRadius: 8, Thickness: 6, Angle: 90, Flat: 120, LegA: 65.9, LegB: 65.8},
			{InsideRadius: 8, Thickness: 6, Angle: 90, Flat: 120, LegA: 65.7, LegB: 65.9}}},
		Base: sheet.Base{ID: "base", Length: 150, Width: 110, Corner: sheet.Corner{Kind: sheet.Radius, Size: 12},
			Holes: []sheet.Hole{
				{ID: "floor-bolts", Kind: sheet.RoundHole, Diameter: 13, X: From(sheet.Left, 35), Y: From(sheet.Back, 58),
					Pattern: &sheet.Pattern{Kind: sheet.GridPattern, Columns: 2, Rows: 1, PitchX: 60}},
				{ID: "drain", Kind: sheet.SlotHole, Diameter: 10, Length: 26, X: From(sheet.Right, 38), Y: From(sheet.Front, 88)}},
			Flanges: []sheet.Flange{
				{ID: "leg", Edge: sheet.Front, Length: 95, Angle: 90, Up: true, InsideRadius: 8, Relief: round,
					Corner: sheet.Corner{Kind: sheet.Radius, Size: 12},
					SetIn:  sheet.SetIn{End: 25},
					Holes: []sheet.Hole{{ID: "press-bolts", Kind: sheet.RoundHole, Diameter: 13, X: From(sheet.Left, 30), Y: From(sheet.Back, 60),
						Pattern: &sheet.Pattern{Kind: sheet.GridPattern, Columns: 2, Rows: 1, PitchX: 65}}}},
				{ID: "cheek", Edge: sheet.Left, Length: 55, Angle: 90, Up: true, InsideRadius: 8, Relief: round,
					Corner: sheet.Corner{Kind: sheet.Chamfer, Size: 20},
					SetIn:  sheet.SetIn{End: 40}}}}}
}

// ShelfBracket is one of four that carry the tool shelf on the wall.
func ShelfBracket() sheet.Recipe {
	gauge := 14
	return sheet.Recipe{Schema: sheet.SchemaVersion, Material: "steel-cold", Thickness: 1.897, Gauge: &gauge,
		Process: "plasma", Grain: sheet.GrainX,
		Tool: bend.Tool{Kind: bend.ToolPan, Opening: 6}, Bend: bend.Rule{School: bend.SchoolTable, Method: bend.MethodHand},
		Base: sheet.Base{ID: "base", Length: 60, Width: 180, Corner: sheet.Corner{Kind: sheet.Chamfer, Size: 10},
			Holes: []sheet.Hole{{ID: "shelf-screws", Kind: sheet.RoundHole, Diameter: 6.5, X: From(sheet.Left, 30), Y: From(sheet.Front, 30),
				Pattern: &sheet.Pattern{Kind: sheet.GridPattern, Columns: 1, Rows: 3, PitchY: 55}}},
			Flanges: []sheet.Flange{
				{ID: "wall", Edge: sheet.Back, Length: 90, Angle: 90, InsideRadius: 2, Relief: sheet.Relief{Kind: sheet.Rectangular},
					Holes: []sheet.Hole{{ID: "wall-slots", Kind: sheet.SlotHole, Diameter: 7, Length: 18, Angle: 90, X: From(sheet.Left, 30),
						Y:       From(sheet.Front, 35),
						Pattern: &sheet.Pattern{Kind: sheet.GridPattern, Columns: 1, Rows: 2, PitchY: 35}}}},
				{ID: "rib", Edge: sheet.Right, Length: 15, Angle: 90, InsideRadius: 2, Relief: sheet.Relief{Kind: sheet.Rectangular},
					SetIn: sheet.SetIn{Start: 20, End: 15}}}}}
}

// AmplifierShelf is a tray with a front lip, in inches.
func AmplifierShelf() sheet.Recipe {
	const in = 25.4
	gauge := 18
	side := func(id string, e sheet.Edge) sheet.Flange {
		return sheet.Flange{ID: id, Edge: e, Length: 1.5 * in, Angle: 90, Up: true, InsideRadius: in / 16,
			Relief: sheet.Relief{Kind: sheet.Round}}
	}
	return sheet.Recipe{Schema: sheet.SchemaVersion, Material: "steel-cold", Thickness: .0478 * in, Gauge: &gauge, Process: "hand",
		Tool: bend.Tool{Kind: bend.ToolPan, Opening: in / 4}, Bend: bend.Rule{School: bend.SchoolTable, Method: bend.MethodHand},
		Base: sheet.Base{ID: "base", Length: 16.5 * in, Width: 9.25 * in,
			Holes: []sheet.Hole{{ID: "vents", Kind: sheet.SlotHole, Diameter: 3.0 / 8 * in, Length: 2 * in, Angle: 90, X: From(sheet.Left, 4*in),
				Y:       From(sheet.Front, 4.625*in),
				Pattern: &sheet.Pattern{Kind: sheet.GridPattern, Columns: 5, Rows: 1, PitchX: 2.125 * in}}},
			Flanges: []sheet.Flange{side("front", sheet.Front), side("right", sheet.Right), side("back", sheet.Back), side("left", sheet.Left)}}}
}

// DemoSheet is the plain sheet the demo's trays and cradles start from.
func DemoSheet(thickness float64) sheet.Recipe {
	return sheet.Recipe{Schema: sheet.SchemaVersion, Material: "steel-s235", Thickness: thickness, Process: "laser",
		Tool: bend.Tool{Kind: bend.ToolVDie},
		Bend: bend.Rule{School: bend.SchoolTable, Method: bend.MethodAir}, Base: sheet.Base{ID: "base", Length: 100, Width: 100}}
}

// SpeakerBracket is one of a pair that carries a horn: a wall plate of four
// sides, a shelf and a stiffening lip, in inches.
func SpeakerBracket() sheet.Recipe {
	const in = 25.4
	r := DemoSheet(in / 8)
	r.Material, r.Process, r.Tool = "steel-a36", "plasma", bend.Tool{Kind: bend.ToolPan, Opening: in / 4}
	r.Bend = bend.Rule{School: bend.SchoolTable, Method: bend.MethodHand}
	r.Hand = sheet.Hand{Pair: true, Drawn: sheet.LeftHand}
	r.Base = sheet.Base{ID: "base", Length: 8 * in, Width: 5 * in, Shape: &sheet.Shape{Kind: sheet.Trapezoid, Back: 4.5 * in, Shift: in},
		Measure: sheet.Flat, Corner: sheet.Corner{Kind: sheet.Radius, Size: in / 2},
		Holes: []sheet.Hole{
			{ID: "wall", Name: "Wall bolts", Kind: sheet.SlotHole, Diameter: 11. / 32 * in, Length: .75 * in, Angle: 90,
				X: sheet.Offset{Edge: sheet.Middle, Distance: -1.25 * in}, Y: sheet.Offset{Edge: sheet.Back, Distance: 1.25 * in},
				Pattern: &sheet.Pattern{Kind: sheet.RowPattern, Count: 2, PitchX: 2 * in}}},
		Flanges: []sheet.Flange{
			{ID: "shelf", Name: "Shelf", Edge: sheet.Front, Length: 3.5 * in, Angle: 90, Up: true, InsideRadius: 3. / 16 * in,
				Relief: sheet.Relief{Kind: sheet.Round}, Corner: sheet.Corner{Kind: sheet.Radius, Size: in / 2},
				Holes: []sheet.Hole{{ID: "horn", Name: "Horn studs", Kind: sheet.RoundHole, Diameter: 9. / 32 * in, X: sheet.Offset{Edge: sheet.Middle},
					Y:       sheet.Offset{Edge: sheet.Front, Distance: 1.625 * in},
					Pattern: &sheet.Pattern{Kind: sheet.CirclePattern, Count: 3, Diameter: 2 * in, Start: 90}}}},
			{ID: "cheek", Name: "Cheek", Edge: sheet.Right, Length: 1.25 * in, Angle: 90, Up: true, InsideRadius: 3. / 16 * in,
				Relief: sheet.Relief{Kind: sheet.Round}, SetIn: sheet.SetIn{Start: in / 2, End: in / 2}, Taper: sheet.SetIn{End: 20}}}}
	return r
}
