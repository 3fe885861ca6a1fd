package demo

import (
	"warmanvil/core/brief"
	"warmanvil/core/hold"
	"warmanvil/core/hole"
	"warmanvil/core/joint"
	"warmanvil/core/load"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
)

// Given is a value with how it came to be known.
func Given(v float64, t brief.Trust) *brief.Given { return &brief.Given{Value: v, Trust: t} }

// Amount is a number that may be left out.
func Amount(v float64) *float64 { return &v }

// OrchardTruck carries a press, a compressor and a juice tank.
func OrchardTruck() brief.Brief {
	return brief.Brief{Name: "Orchard truck",
		Purpose: "A 185 kg apple press stands on four feet over the rear axle and comes off in an afternoon.",
		Vehicle: "Morvan 350 panel truck, retired", Identity: brief.Identity{Variant: "long wheelbase, single cab", Year: "third series",
			Fitted: []brief.Fitted{{ID: "spare-below", Text: "Spare wheel under the load floor", State: "no", Seen: "Tovi, from below"},
				{ID: "second-battery", Text: "Second battery on the left rail", State: "no", Seen: "Tovi, from below"}}}, Quantity: 1, Unit: brief.UnitMM, Grain: 1,
		Criticality: brief.LoadLost, Strength: strength.Rule{School: strength.Allowable}, Use: load.Smooth,
		Targets: []brief.Target{
			{ID: "press-off", Text: "Press off the truck by two people", Unit: "min", Sense: "atMost", Wanted: Amount(45)},
			{ID: "press-mass", Text: "All brackets of the press together", Unit: "kg", Sense: "atMost", Wanted: Amount(12),
				Got: Given(4.84, brief.Copied)},
			{ID: "step", Text: "Step up at the rear", Unit: "mm", Sense: "atMost", Wanted: Amount(450)}},
		Devices: []brief.Device{
			{ID: "press", Name: "Apple press", Mass: Given(185, brief.Measured), Gravity: &brief.Gravity{Z: 620, X: -20, Trust: brief.Measured},
				Envelope: &brief.Box{Length: 900, Width: 700, Height: 1450},
				Feet:     feet(380, 260),
				Behind:   Given(2650, brief.Measured)},
			{ID: "compressor", Name: "Air compressor", Mass: Given(48, brief.Copied), Gravity: &brief.Gravity{Z: 240, Trust: brief.Assumed},
				Feet: feet(210, 150), Behind: Given(1900, brief.Measured)},
			{ID: "tank", Name: "Juice tank, full", Mass: Given(138, brief.Copied), Gravity: &brief.Gravity{Z: 310, Trust: brief.Memory},
				Feet: feet(350, 200), Behind: Given(3350, brief.Measured)}},
		Limits: brief.Limits{Lift: Given(25, brief.Copied),
			Kept: []brief.Kept{{ID: "lid", Text: "The locker lid opens fully.", Space: "locker-lid"},
				{ID: "spare", Text: "The spare wheel comes out from below."}}, Budget: Amount(600), Bought: Amount(1450)},
		Options: []brief.Option{
			{ID: "feet", Name: "Four bolted press feet", For: "Comes off with eight nuts; no weld on the floor.", Against: "Four pieces to make.",
				Chosen: true, Reason: "The press leaves the truck after the season."},
			{ID: "frame", Name: "One welded frame", For: "Stiff.", Against: "Heavy, and stays in the truck."}},
		Card: brief.Card{Span: Given(3250, brief.Measured), Front: Given(1180, brief.Measured), Rear: Given(1020, brief.Measured),
			Gross: Given(3500, brief.Copied), FrontLimit: Given(1650, brief.Copied), RearLimit: Given(2240, brief.Copied),
			RoofLimit: Given(150, brief.Memory),
			Others: []brief.Item{{ID: "crew", Name: "Driver and one more", Mass: Given(160, brief.Assumed), Behind: Given(900, brief.Measured)},
				{ID: "fuel", Name: "Fuel and tools", Mass: Given(120, brief.Memory), Behind: Given(1400, brief.Memory)}}},
		Open: []brief.OpenItem{{ID: "floor", Text: "How thick is the floor under the rear feet, and does a cross rail reach there?",
			Kind: "strength", Of: "Press foot"}, {ID: "colour", Text: "Colour of the brackets", Kind: "other"}},
		Mounts: []brief.Mount{{ID: "press-feet", Name: "Press feet", Part: "Press foot", Device: "press",
			Feet: []brief.Link{"front left", "rear left"}, TwinFeet: []brief.Link{"front right", "rear right"},
			Hold: hold.Mount{Fasten: []string{"floor-bolts"}, Carry: []string{"press-bolts"}, Against: hold.Back, Backed: true,
				Up: hold.PlusZ, Forward: hold.PlusX,
				Bolts:   hold.Bolts{System: stock.Metric, Size: "M12", Pitch: 1.75, Grade: "8.8", ThreadsInPlane: true, Washer: 24},
				InPlane: hold.Elastic, OutPlane: hold.AtCentroid}}},
		Joints: []brief.Joint{{ID: "press-foot", Name: "Press on its feet", Part: "Press foot", Features: []string{"press-bolts"}, Path: true,
			Stands: pressStands(brief.FaceLeft, 180),
			Sides:  []brief.Side{{Kind: brief.DeviceSide, Of: "press"}, {Kind: brief.PartSide, Of: "Press foot"}},
			Design: joint.Input{System: stock.Metric, Size: "M12", Pitch: 1.75, Grade: "8.8", Nut: joint.Lock, Washers: 2,
				Plies: []joint.Ply{{Name: "press's frame", Material: "steel-s235", Thickness: 8, Hole: 15, Edge: 40, Wide: [2]float64{140, 90},
					Stiff: true, Placed: hole.BySurvey}, {Name: "foot", Coat: .2, Placed: hole.ByMate}},
				Tighten: joint.Tightening{Lubrication: joint.Oiled, Locking: joint.PlasticRing, Shakes: true, Reused: true}}},
			{ID: "foot-floor", Name: "Press foot on floor and outrigger", Part: "Press foot", Features: []string{"floor-bolts"}, Path: true,
				Stands: pressStands(brief.FaceUp, 0),
				Sides:  []brief.Side{{Kind: brief.PartSide, Of: "Press foot"}, {Kind: brief.VehicleSide}, {}},
				Design: joint.Input{System: stock.Metric, Size: "M12", Pitch: 1.75, Grade: "8.8", Nut: joint.Lock, Washers: 2,
					Plies: []joint.Ply{{Name: "foot"}, {Name: "floor", Material: "steel-cold", Thickness: 2.5, Coat: .2, Hole: 13.5, Edge: 80,
						Wide: [2]float64{600, 400}},
						{Name: "outrigger's plate", Material: "steel-s235", Thickness: 6, Coat: .2, Hole: 13.5, Edge: 30, Wide: [2]float64{160, 120},
							Pull: 30, Placed: hole.ByMate}},
					Tighten: joint.Tightening{Lubrication: joint.Oiled, Locking: joint.PlasticRing, Shakes: true, Wet: true},
					Meets:   []joint.Meeting{joint.Lines},
					Cases: []joint.Case{{Name: "braking on a rough road", Force: [3]float64{2500, 0, 800}, At: [3]float64{51, 38, 50}},
						{Name: "lifted at the corner", Force: [3]float64{900, 600, 2200}, At: [3]float64{51, 38, 0}}}}}},
		Bins: []brief.Bin{{System: stock.Metric, Size: "M12", Lengths: []float64{30, 35, 40, 50}},
			{System: stock.Metric, Size: "M10", Lengths: []float64{25, 30}}},
	}
}

// feet are four corners, so far forward and to the left.
func feet(x, y float64) []brief.Foot {
	return []brief.Foot{{ID: "front left", X: x, Y: y}, {ID: "front right", X: x, Y: -y}, {ID: "rear left", X: -x, Y: y},
		{ID: "rear right", X: -x, Y: -y}}
}

// pressStands are the press's four feet, the right ones on the other hand.
func pressStands(heads brief.Face, turn float64) (out []brief.Stand) {
	for i, f := range feet(0, 0) {
		s := brief.Stand{Foot: brief.Link(f.ID), Heads: heads, Turn: turn, Twin: i%2 == 1}
		if s.Twin && heads == brief.FaceLeft {
			s.Heads = brief.FaceRight
		}
		out = append(out, s)
	}
	return out
}

// SoundLorry gets its amplifier shelf back.
func SoundLorry() brief.Brief {
	const in = 25.4
	return brief.Brief{Name: "Sound lorry",
		Purpose: "The amplifier shelf goes back in behind the seat. Everything bolted, nothing welded, no new holes in the body.",
		Vehicle: "Harrow & Pell 30 cwt lorry, 1930s", Quantity: 1, Unit: brief.UnitFraction, Grain: in / 32,
		Criticality: brief.People, Strength: strength.Rule{School: strength.Allowable}, Use: load.Smooth,
		Devices: []brief.Device{{ID: "amplifier", Name: "Valve amplifier", Mass: Given(19.5, brief.Measured),
			Gravity: &brief.Gravity{Z: 5 * in, Trust: brief.Memory}, NearPeople: true,
			Feet: feet(6*in, 4*in)}},
		Limits: brief.Limits{NoNewHoles: true, NoWelds: true, Visible: "Nothing seen from outside the cab."},
		Open:   []brief.OpenItem{{ID: "crash", Text: "Who says what the shelf must hold in a crash?", Kind: "safety", Of: "Amplifier shelf"}},
	}
}
