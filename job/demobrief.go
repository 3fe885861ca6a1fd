package job

import (
	"warmanvil/core/hold"
	"warmanvil/core/hole"
	"warmanvil/core/joint"
	"warmanvil/core/load"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
)

func given(v float64, t Trust) *Given { return &Given{Value: v, Trust: t} }

func amount(v float64) *float64 { return &v }

// orchardTruck carries a press, a compressor and a juice tank.
func orchardTruck() Brief {
	return Brief{Name: "Orchard truck", Purpose: "A 185 kg apple press stands on four feet over the rear axle and comes off in an afternoon.",
		Vehicle: "Morvan 350 panel truck, retired", Quantity: 1, Unit: UnitMM, Grain: 1,
		Criticality: LoadLost, Strength: strength.Rule{School: strength.Allowable}, Use: load.Smooth,
		Targets: []Target{
			{ID: "press-off", Text: "Press off the truck by two people", Unit: "min", Sense: "atMost", Wanted: amount(45)},
			{ID: "press-mass", Text: "All brackets of the press together", Unit: "kg", Sense: "atMost", Wanted: amount(12), Got: given(4.84, Copied)},
			{ID: "step", Text: "Step up at the rear", Unit: "mm", Sense: "atMost", Wanted: amount(450)}},
		Devices: []Device{
			{ID: "press", Name: "Apple press", Mass: given(185, Measured), Gravity: &Gravity{Z: 620, X: -20, Trust: Measured}, Envelope: &Box{900, 700, 1450},
				Feet: []Foot{{380, 260}, {380, -260}, {-380, 260}, {-380, -260}}, Behind: given(2650, Measured)},
			{ID: "compressor", Name: "Air compressor", Mass: given(48, Copied), Gravity: &Gravity{Z: 240, Trust: Assumed}, Feet: []Foot{{210, 150}, {210, -150}, {-210, 150}, {-210, -150}}, Behind: given(1900, Measured)},
			{ID: "tank", Name: "Juice tank, full", Mass: given(138, Copied), Gravity: &Gravity{Z: 310, Trust: Memory}, Feet: []Foot{{350, 200}, {350, -200}, {-350, 200}, {-350, -200}}, Behind: given(3350, Measured)}},
		Limits: Limits{Lift: given(25, Copied), Kept: []Kept{{ID: "lid", Text: "The locker lid opens fully.", Space: "locker-lid"}, {ID: "spare", Text: "The spare wheel comes out from below."}}, Budget: amount(600), Bought: amount(1450)},
		Options: []Option{
			{ID: "feet", Name: "Four bolted press feet", For: "Comes off with eight nuts; no weld on the floor.", Against: "Four pieces to make.", Chosen: true, Reason: "The press leaves the truck after the season."},
			{ID: "frame", Name: "One welded frame", For: "Stiff.", Against: "Heavy, and stays in the truck."}},
		Card: Card{Span: given(3250, Measured), Front: given(1180, Measured), Rear: given(1020, Measured), Gross: given(3500, Copied), FrontLimit: given(1650, Copied), RearLimit: given(2240, Copied), RoofLimit: given(150, Memory),
			Others: []Item{{ID: "crew", Name: "Driver and one more", Mass: given(160, Assumed), Behind: given(900, Measured)}, {ID: "fuel", Name: "Fuel and tools", Mass: given(120, Memory), Behind: given(1400, Memory)}}},
		Open: []OpenItem{{ID: "floor", Text: "How thick is the floor under the rear feet, and does a cross rail reach there?", Kind: "strength", Of: "Press foot"}, {ID: "colour", Text: "Colour of the brackets", Kind: "other"}},
		Mounts: []Mount{{ID: "press-feet", Name: "Press feet", Part: "Press foot", Device: "press", Feet: []int{0, 2}, TwinFeet: []int{1, 3},
			Hold: hold.Mount{Fasten: []string{"floor-bolts"}, Carry: []string{"press-bolts"}, Against: hold.Back, Backed: true, Up: hold.PlusZ, Forward: hold.PlusX,
				Bolts:   hold.Bolts{System: stock.Metric, Size: "M12", Pitch: 1.75, Grade: "8.8", ThreadsInPlane: true, Washer: 24},
				InPlane: hold.Elastic, OutPlane: hold.AtCentroid}}},
		Joints: []Joint{{ID: "press-foot", Name: "Press on its feet", Part: "Press foot", Features: []string{"press-bolts"}, Path: true, Stands: pressStands(FaceLeft, 180),
			Sides: []Side{{Kind: DeviceSide, Of: "press"}, {Kind: PartSide, Of: "Press foot"}},
			Design: joint.Input{System: stock.Metric, Size: "M12", Pitch: 1.75, Grade: "8.8", Nut: joint.Lock, Washers: 2,
				Plies:   []joint.Ply{{Name: "press's frame", Material: "steel-s235", Thickness: 8, Hole: 15, Edge: 40, Wide: [2]float64{140, 90}, Stiff: true, Placed: hole.BySurvey}, {Name: "foot", Coat: .2, Placed: hole.ByMate}},
				Tighten: joint.Tightening{Lubrication: joint.Oiled, Locking: joint.PlasticRing, Shakes: true, Reused: true}}},
			{ID: "foot-floor", Name: "Press foot on floor and outrigger", Part: "Press foot", Features: []string{"floor-bolts"}, Path: true, Stands: pressStands(FaceUp, 0),
				Sides: []Side{{Kind: PartSide, Of: "Press foot"}, {Kind: VehicleSide}, {}},
				Design: joint.Input{System: stock.Metric, Size: "M12", Pitch: 1.75, Grade: "8.8", Nut: joint.Lock, Washers: 2,
					Plies: []joint.Ply{{Name: "foot"}, {Name: "floor", Material: "steel-cold", Thickness: 2.5, Coat: .2, Hole: 13.5, Edge: 80, Wide: [2]float64{600, 400}},
						{Name: "outrigger's plate", Material: "steel-s235", Thickness: 6, Coat: .2, Hole: 13.5, Edge: 30, Wide: [2]float64{160, 120}, Pull: 30, Placed: hole.ByMate}},
					Tighten: joint.Tightening{Lubrication: joint.Oiled, Locking: joint.PlasticRing, Shakes: true, Wet: true}, Meets: []joint.Meeting{joint.Lines},
					Cases: []joint.Case{{Name: "braking on a rough road", Force: [3]float64{2500, 0, 800}, At: [3]float64{51, 38, 50}}, {Name: "lifted at the corner", Force: [3]float64{900, 600, 2200}, At: [3]float64{51, 38, 0}}}}}},
		Bins: []Bin{{System: stock.Metric, Size: "M12", Lengths: []float64{30, 35, 40, 50}}, {System: stock.Metric, Size: "M10", Lengths: []float64{25, 30}}},
	}
}

// pressStands are the press's four feet, the right ones on the other hand.
func pressStands(heads Face, turn float64) (out []Stand) {
	for i := range 4 {
		s := Stand{Foot: i + 1, Heads: heads, Turn: turn, Twin: i%2 == 1}
		if s.Twin && heads == FaceLeft {
			s.Heads = FaceRight
		}
		out = append(out, s)
	}
	return out
}

// soundLorry gets its amplifier shelf back.
func soundLorry() Brief {
	const in = 25.4
	return Brief{Name: "Sound lorry", Purpose: "The amplifier shelf goes back in behind the seat. Everything bolted, nothing welded, no new holes in the body.",
		Vehicle: "Harrow & Pell 30 cwt lorry, 1930s", Quantity: 1, Unit: UnitFraction, Grain: in / 32,
		Criticality: People, Strength: strength.Rule{School: strength.Allowable}, Use: load.Smooth,
		Devices: []Device{{ID: "amplifier", Name: "Valve amplifier", Mass: given(19.5, Measured), Gravity: &Gravity{Z: 5 * in, Trust: Memory}, NearPeople: true,
			Feet: []Foot{{6 * in, 4 * in}, {6 * in, -4 * in}, {-6 * in, 4 * in}, {-6 * in, -4 * in}}}},
		Limits: Limits{NoNewHoles: true, NoWelds: true, Visible: "Nothing seen from outside the cab."},
		Open:   []OpenItem{{ID: "crash", Text: "Who says what the shelf must hold in a crash?", Kind: "safety", Of: "Amplifier shelf"}},
	}
}
