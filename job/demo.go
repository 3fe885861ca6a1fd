package job

import (
	"context"

	"warmanvil/core/bend"
	"warmanvil/core/sheet"
)

// LoadDemo adds the demo jobs. Names, makes and people in them are invented.
func (s *Service) LoadDemo(ctx context.Context) error {
	tray, err := s.compressorTray()
	if err != nil {
		return err
	}
	cradle, err := s.tankCradle()
	if err != nil {
		return err
	}
	for _, d := range []struct {
		brief  Brief
		survey Survey
		parts  []BarePart
		frame  func() (BarePart, error)
	}{
		{hiveTrailer(), Survey{}, nil, s.hiveDeck},
		{soundLorry(), lorrySurvey(),
			[]BarePart{{Name: "Amplifier shelf", Quantity: 1, Recipe: amplifierShelf()}, {Name: "Speaker bracket", Quantity: 1, Recipe: speakerBracket()}}, s.speakerFrame},
		{orchardTruck(), orchardSurvey(),
			[]BarePart{{Name: "Press foot", Quantity: 2, Recipe: pressFoot()}, {Name: "Shelf bracket", Quantity: 4, Recipe: shelfBracket()},
				{Name: "Compressor tray", Quantity: 1, Recipe: tray}, {Name: "Tank saddle", Quantity: 2, Recipe: cradle[0].Recipe}, {Name: "Tank strap", Quantity: 2, Recipe: cradle[1].Recipe},
				{Name: "Compressor tray bracket", Quantity: 1, Recipe: trayBracket()}}, s.outriggers},
	} {
		f, err := d.frame()
		if err != nil {
			return err
		}
		d.parts = append(d.parts, f)
		j := s.newJob(d.brief)
		ids := map[string]string{}
		parts := make([]Part, len(d.parts))
		for i, p := range d.parts {
			parts[i] = s.fresh(j.ID, p.Name, p.Quantity, p.Recipe, "started")
			parts[i].Frame = p.Frame
			ids[p.Name] = parts[i].ID
		}
		j.Brief = j.Brief.renamed(ids) // the demo names its parts
		v := d.survey.renamed(ids)
		if err := v.Check(); err != nil {
			return err
		}
		if err := s.Store.CreateJob(ctx, j, parts); err != nil {
			return err
		}
		if err := s.Store.SaveSurvey(ctx, j.ID, v, 0, s.Now()); err != nil {
			return err
		}
	}
	return nil
}

func from(e sheet.Edge, mm float64) sheet.Offset { return sheet.Offset{Edge: e, Distance: mm} }

// pressFoot is one of a left and right pair that carries a corner of the press.
func pressFoot() sheet.Recipe {
	round := sheet.Relief{Kind: sheet.Round}
	return sheet.Recipe{Schema: sheet.SchemaVersion, Material: "steel-s235", Thickness: 6, Process: "laser", Grain: sheet.GrainY,
		Tool: bend.Tool{Kind: bend.ToolVDie, Opening: 50}, Hand: sheet.Hand{Pair: true, Drawn: sheet.LeftHand},
		Bend: bend.Rule{School: bend.SchoolCoupon, Method: bend.MethodAir, Coupons: []bend.Coupon{
			{InsideRadius: 8, Thickness: 6, Angle: 90, Flat: 120, LegA: 65.9, LegB: 65.8},
			{InsideRadius: 8, Thickness: 6, Angle: 90, Flat: 120, LegA: 65.7, LegB: 65.9}}},
		Base: sheet.Base{ID: "base", Length: 150, Width: 110, Corner: sheet.Corner{Kind: sheet.Radius, Size: 12},
			Holes: []sheet.Hole{
				{ID: "floor-bolts", Kind: sheet.RoundHole, Diameter: 13, X: from(sheet.Left, 35), Y: from(sheet.Back, 58),
					Pattern: &sheet.Pattern{Kind: sheet.GridPattern, Columns: 2, Rows: 1, PitchX: 60}},
				{ID: "drain", Kind: sheet.SlotHole, Diameter: 10, Length: 26, X: from(sheet.Right, 38), Y: from(sheet.Front, 88)}},
			Flanges: []sheet.Flange{
				{ID: "leg", Edge: sheet.Front, Length: 95, Angle: 90, Up: true, InsideRadius: 8, Relief: round, Corner: sheet.Corner{Kind: sheet.Radius, Size: 12},
					SetIn: sheet.SetIn{End: 25},
					Holes: []sheet.Hole{{ID: "press-bolts", Kind: sheet.RoundHole, Diameter: 13, X: from(sheet.Left, 30), Y: from(sheet.Back, 60),
						Pattern: &sheet.Pattern{Kind: sheet.GridPattern, Columns: 2, Rows: 1, PitchX: 65}}}},
				{ID: "cheek", Edge: sheet.Left, Length: 55, Angle: 90, Up: true, InsideRadius: 8, Relief: round, Corner: sheet.Corner{Kind: sheet.Chamfer, Size: 20},
					SetIn: sheet.SetIn{End: 40}}}}}
}

// shelfBracket is one of four that carry the tool shelf on the wall.
func shelfBracket() sheet.Recipe {
	gauge := 14
	return sheet.Recipe{Schema: sheet.SchemaVersion, Material: "steel-cold", Thickness: 1.897, Gauge: &gauge, Process: "plasma", Grain: sheet.GrainX,
		Tool: bend.Tool{Kind: bend.ToolPan, Opening: 6}, Bend: bend.Rule{School: bend.SchoolTable, Method: bend.MethodHand},
		Base: sheet.Base{ID: "base", Length: 60, Width: 180, Corner: sheet.Corner{Kind: sheet.Chamfer, Size: 10},
			Holes: []sheet.Hole{{ID: "shelf-screws", Kind: sheet.RoundHole, Diameter: 6.5, X: from(sheet.Left, 30), Y: from(sheet.Front, 30),
				Pattern: &sheet.Pattern{Kind: sheet.GridPattern, Columns: 1, Rows: 3, PitchY: 55}}},
			Flanges: []sheet.Flange{
				{ID: "wall", Edge: sheet.Back, Length: 90, Angle: 90, InsideRadius: 2, Relief: sheet.Relief{Kind: sheet.Rectangular},
					Holes: []sheet.Hole{{ID: "wall-slots", Kind: sheet.SlotHole, Diameter: 7, Length: 18, Angle: 90, X: from(sheet.Left, 30), Y: from(sheet.Front, 35),
						Pattern: &sheet.Pattern{Kind: sheet.GridPattern, Columns: 1, Rows: 2, PitchY: 35}}}},
				{ID: "rib", Edge: sheet.Right, Length: 15, Angle: 90, InsideRadius: 2, Relief: sheet.Relief{Kind: sheet.Rectangular}, SetIn: sheet.SetIn{Start: 20, End: 15}}}}}
}

// amplifierShelf is a tray with a front lip, in inches.
func amplifierShelf() sheet.Recipe {
	const in = 25.4
	gauge := 18
	side := func(id string, e sheet.Edge) sheet.Flange {
		return sheet.Flange{ID: id, Edge: e, Length: 1.5 * in, Angle: 90, Up: true, InsideRadius: in / 16, Relief: sheet.Relief{Kind: sheet.Round}}
	}
	return sheet.Recipe{Schema: sheet.SchemaVersion, Material: "steel-cold", Thickness: .0478 * in, Gauge: &gauge, Process: "hand",
		Tool: bend.Tool{Kind: bend.ToolPan, Opening: in / 4}, Bend: bend.Rule{School: bend.SchoolTable, Method: bend.MethodHand},
		Base: sheet.Base{ID: "base", Length: 16.5 * in, Width: 9.25 * in,
			Holes: []sheet.Hole{{ID: "vents", Kind: sheet.SlotHole, Diameter: 3.0 / 8 * in, Length: 2 * in, Angle: 90, X: from(sheet.Left, 4*in), Y: from(sheet.Front, 4.625*in),
				Pattern: &sheet.Pattern{Kind: sheet.GridPattern, Columns: 5, Rows: 1, PitchX: 2.125 * in}}},
			Flanges: []sheet.Flange{side("front", sheet.Front), side("right", sheet.Right), side("back", sheet.Back), side("left", sheet.Left)}}}
}
