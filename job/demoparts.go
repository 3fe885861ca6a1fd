package job

import (
	"warmanvil/core/bend"
	"warmanvil/core/sheet"
)

// demoSheet is the plain sheet the demo's trays and cradles start from.
func demoSheet(thickness float64) sheet.Recipe {
	return sheet.Recipe{Schema: sheet.SchemaVersion, Material: "steel-s235", Thickness: thickness, Process: "laser", Tool: bend.Tool{Kind: bend.ToolVDie},
		Bend: bend.Rule{School: bend.SchoolTable, Method: bend.MethodAir}, Base: sheet.Base{ID: "base", Length: 100, Width: 100}}
}

// compressorTray is a tray for the compressor on its isolators.
func (s *Service) compressorTray() (sheet.Recipe, error) {
	made, err := sheet.StartPart("tray", map[string]float64{"length": 640, "width": 380, "height": 45, "corner": 0, "drain": 12}, demoSheet(3), s.NewID)
	if err != nil {
		return sheet.Recipe{}, err
	}
	r := made[0].Recipe
	r.Base.Holes = append(r.Base.Holes, sheet.Hole{ID: "isolators", Name: "Isolator bolts", Kind: sheet.RoundHole, Diameter: 11, X: sheet.Offset{Edge: sheet.Middle, Distance: -230}, Y: sheet.Offset{Edge: sheet.Middle, Distance: -120},
		Pattern: &sheet.Pattern{Kind: sheet.MirrorPattern, Across: true, Back: true}})
	r.Base.Marks = []sheet.Mark{{ID: "forward", Kind: sheet.ArrowMark, X: sheet.Offset{Edge: sheet.Middle}, Y: sheet.Offset{Edge: sheet.Middle}}}
	r.Ticks = true
	return r, nil
}

// tankCradle is the saddles and the strap of the juice tank.
func (s *Service) tankCradle() ([]sheet.Started, error) {
	return sheet.StartPart("cradle", map[string]float64{"tank": 460, "liner": 4, "wrap": 110, "rise": 60, "foot": 45, "strap": 50, "hole": 11}, demoSheet(3), s.NewID)
}

// speakerBracket is one of a pair that carries a horn: a wall plate of four
// sides, a shelf and a stiffening lip, in inches.
func speakerBracket() sheet.Recipe {
	const in = 25.4
	r := demoSheet(in / 8)
	r.Material, r.Process, r.Tool = "steel-a36", "plasma", bend.Tool{Kind: bend.ToolPan, Opening: in / 4}
	r.Bend = bend.Rule{School: bend.SchoolTable, Method: bend.MethodHand}
	r.Hand = sheet.Hand{Pair: true, Drawn: sheet.LeftHand}
	r.Base = sheet.Base{ID: "base", Length: 8 * in, Width: 5 * in, Shape: &sheet.Shape{Kind: sheet.Trapezoid, Back: 4.5 * in, Shift: in}, Measure: sheet.Flat, Corner: sheet.Corner{Kind: sheet.Radius, Size: in / 2},
		Holes: []sheet.Hole{
			{ID: "wall", Name: "Wall bolts", Kind: sheet.SlotHole, Diameter: 11. / 32 * in, Length: .75 * in, Angle: 90, X: sheet.Offset{Edge: sheet.Middle, Distance: -1.25 * in}, Y: sheet.Offset{Edge: sheet.Back, Distance: 1.25 * in},
				Pattern: &sheet.Pattern{Kind: sheet.RowPattern, Count: 2, PitchX: 2 * in}}},
		Flanges: []sheet.Flange{
			{ID: "shelf", Name: "Shelf", Edge: sheet.Front, Length: 3.5 * in, Angle: 90, Up: true, InsideRadius: 3. / 16 * in, Relief: sheet.Relief{Kind: sheet.Round}, Corner: sheet.Corner{Kind: sheet.Radius, Size: in / 2},
				Holes: []sheet.Hole{{ID: "horn", Name: "Horn studs", Kind: sheet.RoundHole, Diameter: 9. / 32 * in, X: sheet.Offset{Edge: sheet.Middle}, Y: sheet.Offset{Edge: sheet.Front, Distance: 1.625 * in},
					Pattern: &sheet.Pattern{Kind: sheet.CirclePattern, Count: 3, Diameter: 2 * in, Start: 90}}}},
			{ID: "cheek", Name: "Cheek", Edge: sheet.Right, Length: 1.25 * in, Angle: 90, Up: true, InsideRadius: 3. / 16 * in, Relief: sheet.Relief{Kind: sheet.Round}, SetIn: sheet.SetIn{Start: in / 2, End: in / 2}, Taper: sheet.SetIn{End: 20}}}}
	return r
}
