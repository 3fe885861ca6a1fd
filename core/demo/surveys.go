package demo

import (
	"fmt"
	"math"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/fit"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
)

// Taped is a reading with the tape, mm.
func Taped(v ...float64) survey.Reading {
	return survey.Reading{Values: v, Instrument: survey.Tape, Trust: string(brief.Measured)}
}

// ruled is a reading with a rule.
func ruled(v ...float64) survey.Reading {
	return survey.Reading{Values: v, Instrument: survey.Rule, Trust: string(brief.Measured)}
}

func callipered(v ...float64) survey.Reading {
	return survey.Reading{Values: v, Instrument: survey.Caliper, Trust: string(brief.Measured)}
}

// TrayBracket bolts to the chassis rail and carries the compressor's tray.
func TrayBracket() sheet.Recipe {
	hole := func(id string, x, y float64) sheet.Hole {
		return sheet.Hole{ID: id, Kind: sheet.RoundHole, Diameter: 11, X: From(sheet.Left, x), Y: sheet.Offset{Edge: sheet.Back, Distance: y}}
	}
	return sheet.Recipe{Schema: sheet.SchemaVersion, Material: "steel-s235", Thickness: 5, Process: "laser", Grain: sheet.GrainY,
		Tool: bend.Tool{Kind: bend.ToolVDie, Opening: 40}, Hand: sheet.Hand{Pair: true, Drawn: sheet.LeftHand},
		Bend: bend.Rule{School: bend.SchoolTable, Method: bend.MethodAir},
		Base: sheet.Base{ID: "base", Length: 340, Width: 110, Corner: sheet.Corner{Kind: sheet.Radius, Size: 12},
			Holes: []sheet.Hole{hole("top-front", 40, 20), hole("top-rear", 300, 20), hole("low-front", 40, 80), hole("low-rear", 300, 80)},
			Flanges: []sheet.Flange{{ID: "ledge", Edge: sheet.Front, Length: 70, Angle: 90, Up: true, InsideRadius: 6,
				Corner: sheet.Corner{Kind: sheet.Chamfer, Size: 15},
				Holes: []sheet.Hole{{ID: "isolators", Kind: sheet.RoundHole, Diameter: 9, X: From(sheet.Left, 60), Y: From(sheet.Front, 26),
					Pattern: &sheet.Pattern{Kind: sheet.GridPattern, Columns: 2, Rows: 1, PitchX: 220}}}}}}}
}

// rail is a chassis rail's holes as they truly are, x rearward, y up, and what
// was read between them: rounded to half a millimetre as a tape is.
func rail(id, name string, holes []profile.Point, diameters []float64, pairs [][2]int, below bool, face brief.Face, first, second,
	other string) vehicle.HoleMap {
	m := vehicle.HoleMap{ID: id, Name: name, Below: below, Face: face, First: first, Second: second, Other: other}
	for i, d := range diameters {
		m.Holes = append(m.Holes, vehicle.MapHole{ID: fmt.Sprintf("%s-%d", id, i+1), Diameter: d})
	}
	for _, p := range pairs {
		v := holes[p[0]].Sub(holes[p[1]]).Len()
		m.Readings = append(m.Readings, vehicle.MapReading{ID: fmt.Sprintf("r%d", len(m.Readings)+1), From: m.Holes[p[0]].ID,
			To: m.Holes[p[1]].ID, Value: Taped(math.Round(v*2) / 2)})
	}
	return m
}

// OrchardSurvey is the truck as measured round the compressor and the press.
func OrchardSurvey() vehicle.Survey {
	holes := []profile.Point{{X: 0, Y: 0}, {X: 420, Y: 0}, {X: 80, Y: 62}, {X: 340, Y: 62}, {X: 80, Y: 2}, {X: 340, Y: 2},
		{X: 210, Y: 60}, {X: 210, Y: 4}}
	diameters := []float64{13, 13, 11, 11, 11, 11, 21, 9}
	pairs := [][2]int{{0, 1}, {0, 2}, {1, 2}, {0, 3}, {1, 3}, {2, 3}, {0, 4}, {1, 4}, {2, 4}, {3, 4}, {0, 5}, {1, 5}, {2, 5}, {3, 5}, {4, 5},
		{0, 6}, {1, 6}, {2, 6}, {4, 6}, {0, 7}, {1, 7}, {3, 7}, {6, 7}, {3, 6}, {5, 7}, {5, 6}, {2, 7}}
	right := append([]profile.Point{}, holes...)
	right[3].X += 4 // the right rail's rear upper hole was drilled off at the works
	at := func(id, name, kind string, x, y, z survey.Reading) vehicle.SurveyPoint {
		return vehicle.SurveyPoint{ID: id, Name: name, Kind: kind, Way: vehicle.ByOffsets, X: x, Y: y, Z: z}
	}
	hole := func(p vehicle.SurveyPoint, d, thick float64, uses string) vehicle.SurveyPoint {
		p.Size, p.Uses = d, uses
		b := callipered(thick)
		p.Behind = &b
		return p
	}
	l1 := hole(at("rail-l1", "Left rail hole 1", "hole", Taped(-1500, -1501), Taped(430), Taped(-95)), 13, 5.1, "spring hanger, front")
	l2 := vehicle.SurveyPoint{ID: "rail-l2", Name: "Left rail hole 2", Kind: "hole", Size: 13, Way: vehicle.ByOffsets, From: "rail-l1",
		X: Taped(-420), Y: survey.Reading{}, Z: survey.Reading{}, Tape: "centre"}
	r1 := hole(at("rail-r1", "Right rail hole 1", "hole", Taped(-1501), Taped(-430), Taped(-96)), 13, 5, "spring hanger, front")
	r2 := vehicle.SurveyPoint{ID: "rail-r2", Name: "Right rail hole 2", Kind: "hole", Size: 13, Way: vehicle.ByOffsets, From: "rail-r1",
		X: Taped(-420), Tape: "centre"}
	filler := at("filler", "Filler neck, middle", "point", Taped(-900), Taped(820),
		survey.Reading{Values: []float64{180}, Instrument: survey.Eye, Trust: string(brief.Assumed)})
	step := at("step-edge", "Rear step, upper face", "edge", Taped(-3550), Taped(0), Taped(-180))
	ground := at("ground-rear", "Ground behind the step", "point", Taped(-3550), Taped(0),
		survey.Reading{Values: []float64{-618, -620, -621}, Instrument: survey.Tape, Trust: string(brief.Measured)})
	eye := vehicle.SurveyPoint{ID: "lashing", Name: "Lashing eye, " +
		"left", Kind: "point", Way: vehicle.ByTwoDistances, A: "rail-l1", B: "filler",
		DA: Taped(512), DB: Taped(688), In: vehicle.PlanXY, Side: "left", Z: Taped(40)}
	wall := callipered(1.2)
	wallPoint := at("floor-hole", "Floor hole for the press's line", "point", Taped(-2250), Taped(310), Taped(0))
	wallPoint.Behind = &wall
	five := 5.0
	free := 160.0
	s := vehicle.Survey{Schema: vehicle.SurveySchema, Hook: 1.1,
		Datum: vehicle.Datum{Origin: "middle of the front axle, upper face of the frame", Forward: "along the left rail's upper edge",
			Up: "square to both rails' upper edges"},
		Points: []vehicle.SurveyPoint{l1, l2, r1, r2, filler, eye, step, ground, wallPoint},
		Maps: []vehicle.HoleMap{rail("left-rail", "Left rail", holes, diameters, pairs, false, brief.FaceLeft, "rail-l1",
			"rail-l2", "right-rail"),
			rail("right-rail", "Right rail", right, diameters, pairs, true, brief.FaceRight, "rail-r1", "rail-r2", "left-rail")},
		Levels: []vehicle.LevelSet{{ID: "frame-level", Name: "Frame over the workshop floor", Wheelbase: Taped(3300), Track: Taped(860),
			FrontLeft: Taped(612), FrontRight: Taped(616), RearLeft: Taped(631), RearRight: Taped(627), Floor: &survey.Slope{Roll: .15}}},
		Slopes: []vehicle.SlopeSet{{ID: "floor-slope", Name: "Load floor to the frame",
			Reading: survey.Reading{Values: []float64{1.1}, Instrument: survey.AngleGauge, Trust: string(brief.Measured)},
			Own:     survey.Reading{Values: []float64{.3}, Instrument: survey.AngleGauge, Trust: string(brief.Measured)}}},
		Squares: []vehicle.SquareSet{{ID: "bed-square", Name: "Load bed", Length: Taped(2950), Width: Taped(1780),
			First: Taped(3449), Second: Taped(3442)}},
		Sides: []vehicle.SideRow{{ID: "rail-up", Name: "Rail to floor, at the press", Left: Taped(102), Right: Taped(103), Allow: 2},
			{ID: "arch", Name: "Wheel arch to door post", Left: Taped(418), Right: Taped(424), Allow: 3}},
		Measures: []vehicle.MeasureRow{{ID: "step-up", Name: "Step up at the rear", Kind: "step", From: "ground-rear",
			To: "step-edge", Target: "step"}},
		Spaces: []survey.Space{
			{ID: "locker-lid", Name: "Locker lid", Kind: survey.Moving, Trust: string(brief.Measured), Moves: []survey.State{survey.InUse},
				Shape: survey.Shape{Form: survey.SwingForm, At: [3]float64{-1700, 700, -330}, Axis: [3]float64{1, 0, 0}, Start: [3]float64{0, -1, 0},
					Radius: 260, Low: -180, High: 220, Thick: 18, Turn: -100}},
			{ID: "fuel-line", Name: "Fuel line behind the left rail", Kind: survey.Line, Trust: string(brief.Measured),
				Shape: survey.Shape{Form: survey.RunForm, Radius: 5, Corners: [][3]float64{{-700, 385, -70}, {-2400, 385, -70}, {-2600, 300, -60}}}},
			{ID: "tyre-left", Name: "Left rear " +
				"tyre", Kind: survey.Tyre, Trust: string(brief.Copied), Moves: []survey.State{survey.Travelling},
				Shape: survey.Shape{Form: survey.TyreForm, At: [3]float64{-3300, 720, -275}, Radius: 345, Size: [3]float64{0, 205, 0}, Bump: 80,
					Droop: 60}},
			{ID: "exhaust", Name: "Exhaust", Kind: survey.Hot, Trust: string(brief.Measured), Shape: survey.Shape{Form: survey.RunForm,
				Radius: 32, Corners: [][3]float64{{-400, -150, -240}, {-2600, -150, -240}, {-3400, -420, -240}}}},
			{ID: "juice-tank", Name: "Juice tank", Kind: survey.Tank, Trust: string(brief.Measured),
				Shape: survey.Shape{Form: survey.CylinderForm, At: [3]float64{-2350, 360, 260}, To: [3]float64{-2350, -360, 260}, Radius: 230}},
			{ID: "vent", Name: "Air to the compressor's cooler", Kind: survey.Opening, Need: Amount(150),
				Shape: survey.Shape{Form: survey.BoxForm, At: [3]float64{-1850, 705, -320}, Size: [3]float64{400, 6, 180}}}},
		Wheels: &survey.Wheels{Front: 0, Rear: -3300, Radius: 345, Ground: -620}, Between: 5,
		Placed: []vehicle.Placed{{ID: "bracket-left", Name: "Tray bracket, left", Part: "Compressor tray bracket",
			Facing: brief.FaceLeft, Bolt: 10, Wall: five,
			Mates: []vehicle.MatePair{{Hole: "top-front", Point: "left-rail-3"}, {Hole: "top-rear", Point: "left-rail-4"},
				{Hole: "low-front", Point: "left-rail-5"}, {Hole: "low-rear", Point: "left-rail-6"}}}},
		Drillings: []vehicle.Drilling{{ID: "press-line", Name: "Hole for the press's " +
			"line", Point: "floor-hole", Face: brief.FaceUp, Diameter: 22,
			Wall: 1.2, Looked: "Tovi looked from below: clear to the cross member", Free: &free}},
		Follows: []vehicle.Follow{{ID: "bracket-follows", Name: "Tray bracket on the left rail", Part: "Compressor tray bracket", Bolt: 10,
			Holes: []vehicle.MatePair{{Hole: "top-front", Point: "left-rail-3"}, {Hole: "top-rear", Point: "left-rail-4"},
				{Hole: "low-front", Point: "left-rail-5"}, {Hole: "low-rear", Point: "left-rail-6"}}}},
		Checks: []vehicle.PartCheck{{Part: "Press foot", Fit: "board", Result: "sits flat on both feet", Retape: []vehicle.Retape{},
			Aside: "made to the press's own drawing and tried in board"},
			{Part: "Shelf bracket", Aside: "no place to meet: four alike on a plain wall"}}}
	demoLines(&s)
	s.Olds, s.Trials = demoOlds(), demoTrials()
	s.Stacks = demoStacks()
	s.Fits = demoFits()
	return s
}

func demoStacks() []vehicle.StackSet {
	return []vehicle.StackSet{{ID: "tray-stack", Name: "Tray over the ledges", Way: "upright", Grain: 1, Shims: []float64{.5, 1, 2},
		Layers: demoLayers(), Places: []vehicle.StackPlace{{Name: "front left", Gap: Taped(62)}, {Name: "front right", Gap: Taped(63)},
			{Name: "rear left", Gap: Taped(62.5)}, {Name: "rear right", Gap: Taped(64)}}}}
}

func demoLayers() []fit.Layer {
	return []fit.Layer{{Name: "tray plate", Thickness: 3, Plus: .2, Minus: .2},
		{Name: "isolator, squashed", Thickness: 22, Plus: 1.5, Minus: 1.5}, {Name: "coats", Thickness: .1, Plus: .05, Minus: .05, Count: 2}}
}

func demoFits() []vehicle.FitSet {
	return []vehicle.FitSet{{ID: "post-in-socket", Name: "Rack post in its socket",
		Slide: &fit.FitInput{Inner: fit.Inner{Width: 40, Height: 40, Corner: 4, Plus: .3, Minus: .3, Coat: .08},
			Outer: fit.Outer{Width: 42, Height: 42, Corner: 2, Plus: .3, Minus: .3, Coat: .08, Seam: .6}}},
		{ID: "stake-pocket", Name: "Stake pocket, left front",
			Pocket: &vehicle.Pocket{Width: callipered(41.6, 41.2, 41.5), Height: callipered(62.3), Play: .4}}}
}

// LorrySurvey is the little that was measured for the amplifier shelf.
func LorrySurvey() vehicle.Survey {
	const in = 25.4
	return vehicle.Survey{Schema: vehicle.SurveySchema, Hook: 1.1,
		Datum: vehicle.Datum{Origin: "left door hinge, lower pin", Forward: "along the door sill", Up: "plumb, the lorry levelled"},
		Points: []vehicle.SurveyPoint{{ID: "shelf-left", Name: "Shelf cleat, left", Kind: "hole", Size: 7, Way: vehicle.ByOffsets,
			X: Taped(-11.5 * in), Y: Taped(-4.25 * in), Z: Taped(22 * in)},
			{ID: "shelf-right", Name: "Shelf cleat, right", Kind: "hole", Size: 7, Way: vehicle.ByOffsets, From: "shelf-left",
				Y: Taped(-16.5 * in), Tape: "centre"}},
		Maps: []vehicle.HoleMap{panelSpots(in)},
		Levels: []vehicle.LevelSet{{ID: "chassis", Name: "Lorry on its trestles", Wheelbase: Taped(112 * in), Track: Taped(44 * in),
			FrontLeft: Taped(21.5 * in), FrontRight: Taped(21.625 * in), RearLeft: Taped(21.5 * in), RearRight: Taped(21.5625 * in)}},
		Squares: []vehicle.SquareSet{{ID: "cab", Name: "Cab frame, " +
			"inside", Length: Taped(54 * in), Width: Taped(46 * in), First: Taped(71 * in),
			Second: Taped(70.875 * in)}},
		Sides: []vehicle.SideRow{{ID: "sill", Name: "Sill to roof " +
			"rail", Left: Taped(41.25 * in), Right: Taped(41.125 * in), Allow: in / 8}},
		Spaces: []survey.Space{{ID: "door", Name: "Left door", Kind: survey.Moving, Moves: []survey.State{survey.InUse},
			Trust: string(brief.Measured), Shape: survey.Shape{Form: survey.SwingForm, Start: [3]float64{-1, 0, 0}, Radius: 31 * in, High: 44 * in,
				Thick: 1.5 * in, Turn: -75}},
			{ID: "panel", Name: "Cab panel, seen from outside", Kind: survey.Skin, Trust: string(brief.Measured),
				Shape: survey.Shape{Form: survey.BoxForm, At: [3]float64{-14 * in, -24 * in, 14 * in}, Size: [3]float64{in / 16, 24 * in, 20 * in}}}},
		Placed: []vehicle.Placed{{ID: "guard", Name: "Rear guard", Part: "Rear guard", At: [3]float64{-165 * in, -23 * in, -14 * in}}},
		Checks: []vehicle.PartCheck{{Part: "Amplifier shelf", Fit: "paper", Result: "clears the hinge",
			Aside: "hung on cleats that are drilled through it"}}}
}

// panelSpots is the row of spots that holds the cab's rear panel to its sill, as they were found under the paint: nothing is
// drilled into them.
func panelSpots(in float64) vehicle.HoleMap {
	var at []profile.Point
	var across []float64
	for k := range 5 {
		at, across = append(at, profile.Point{X: float64(k) * 1.75 * in}), append(across, 3./16*in)
	}
	at[4] = profile.Point{X: 5.25 * in, Y: 3 * in} // the last is up the door post
	m := rail("panel-spots", "Spots of the cab's rear "+
		"panel", at, across, [][2]int{{0, 1}, {1, 2}, {0, 2}, {2, 3}, {0, 3}, {1, 3}, {3, 4}, {2, 4},
		{0, 4}}, false, brief.FaceRear, "", "", "")
	for i := range m.Readings {
		m.Readings[i].Value = Taped(math.Round(m.Readings[i].Value.Values[0]/in*32) / 32 * in)
	}
	m.Spots = true
	return m
}

// demoOlds is the bracket that the tray brackets take the place of.
func demoOlds() []vehicle.Replaced {
	return []vehicle.Replaced{{ID: "old-bracket", Name: "Old tray bracket, left", For: "Compressor tray bracket",
		Made:   "5 mm mild steel, two bolts",
		Failed: "cracked from the lower front hole to the edge", Sizes: []vehicle.OldSize{
			{ID: "old-thick", Name: "Thickness", Value: callipered(5)}}}}
}

// demoTrials is the step at the rear, tried.
func demoTrials() []vehicle.Trial {
	return []vehicle.Trial{{ID: "step-trial", Name: "Step at the rear", Who: "Tovi, 1.71 m, with boots", Point: "step-edge",
		Asks: []vehicle.TrialAsk{{What: "inOut", Answer: "good", Note: "with a crate in both arms"}, {What: "pedals", Answer: "needless"},
			{What: "wheel", Answer: "needless"}}}}
}

// demoLines is what must stand in line, lie flush and keep its gap.
func demoLines(s *vehicle.Survey) {
	s.Centres = []vehicle.CentreRow{{ID: "tray-line", Name: "Tray on the frame's middle", Apart: Taped(1180), FrontLeft: ruled(401),
		FrontRight: ruled(399.5),
		RearLeft:   ruled(398), RearRight: ruled(402), Allow: 3}}
	s.Flushes = []vehicle.FlushRow{{ID: "locker-flush", Name: "Locker door to the side " +
		"panel", One: ruled(.5), Other: ruled(-2), Allow: 1.5}}
	s.Gaps = []vehicle.GapRow{{ID: "tyre-arch", Name: "Tyre to wheel arch", Unloaded: Taped(142), Loaded: Taped(88), Need: 60, Grows: 6}}
}
