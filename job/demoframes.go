package job

import (
	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/load"
	"warmanvil/core/member"
	"warmanvil/core/member/starters"
	"warmanvil/core/site"
	"warmanvil/core/strength"
)

// demoFrame starts a frame and lets it be finished.
func (s *Service) demoFrame(name, starter, stock string, values map[string]float64, finish func(d *member.Doc)) (site.Frame, error) {
	sec, err := stockSection(stock)
	if err != nil {
		return site.Frame{}, err
	}
	d, err := starters.Start(starter, values, sec, "steel-s235", s.NewID)
	if err != nil {
		return site.Frame{}, err
	}
	finish(&d)
	return site.Frame{Name: name, Quantity: 1, Doc: d}, d.Check()
}

func pointOf(d *member.Doc, name string) string {
	for _, p := range d.Points {
		if p.Name == name {
			return p.ID
		}
	}
	return ""
}

func memberOf(d *member.Doc, name string) *member.Member {
	for i := range d.Members {
		if d.Members[i].Name == name {
			return &d.Members[i]
		}
	}
	return nil
}

// outriggers carry the edge of the orchard truck's deck under the floor.
func (s *Service) outriggers() (site.Frame, error) {
	return s.demoFrame("Underfloor outriggers", "outriggers", "50 × 50 × 4 mm tube",
		map[string]float64{"rail": 860, "reach": 420, "apart": 700, "plate": 160, "kilos": 60}, func(d *member.Doc) {
			d.Loads[0].Name = "Deck edge and crates"
			d.Loads = append(d.Loads, member.Load{ID: s.NewID(), Name: "Somebody at the edge", Kind: "person", Kilos: 100, Factor: 2,
				Member: memberOf(d, "Outer rail").ID, At: 350})
			d.Fit = &member.Pose{X: -1900, Z: -80}
			d.Sags = 6
			d.Shakes = member.Shakes{Road: 15, Idle: 800, Cruise: 2400, Cylinders: 4}
			d.Saw = member.Saw{Stick: 6000, Kerf: 3, Waste: 10, PerKilo: 2.2,
				Remnants: []member.Remnant{{Stock: "50 × 50 × 4 mm tube", Length: 1480, Many: 1}}}
			memberOf(d, "Outer rail").Drain = true
		})
}

// speakerFrame carries the lorry's horn loudspeakers.
func (s *Service) speakerFrame() (site.Frame, error) {
	const in = 25.4
	return s.demoFrame("Horn speaker frame", "rack", "1 × 1 × 11 ga in tube",
		map[string]float64{"length": 26 * in, "width": 18 * in, "height": 14 * in, "kilos": 34}, func(d *member.Doc) {
			d.Loads[0].Name, d.Loads[0].High = "Four horns and drivers", 7*in
			for i := range d.Plates {
				d.Plates[i].Width, d.Plates[i].Height, d.Plates[i].Thickness, d.Plates[i].Holes, d.Plates[i].Hole, d.Plates[i].Margin = 3*in, 3*in,
					.25*in, 4, .344*in, .5*in
			}
			d.Saw = member.Saw{Stick: 20 * 12 * in, Kerf: in / 8}
		})
}

// hiveDeck is the frame of the beekeeper's trailer with its drawbar.
func (s *Service) hiveDeck() (site.Frame, error) {
	return s.demoFrame("Hive deck frame", "ladder", "60 × 40 × 3 mm tube",
		map[string]float64{"length": 2600, "width": 1500, "crosses": 6, "kilos": 620}, func(d *member.Doc) {
			d.Loads[0].Name = "Twenty-four hives, full"
			d.Loads[0].High = 420
			tip := member.Point{ID: s.NewID(), Name: "Coupling", X: 2900}
			d.Points = append(d.Points, tip)
			y := 750 - 20.
			for _, side := range []string{"Left", "Right"} {
				axle := member.Point{ID: s.NewID(), Name: side + " axle", X: -120, Y: y}
				y = -y
				d.Points = append(d.Points, axle)
				rail := memberOf(d, side+" rail")
				rail.Section = memberOf(d, "Cross 1").Section
				// The spring hanger holds the rail where the axle sits.
				stub := member.Member{ID: s.NewID(), Name: side + " hanger", From: axle.ID, Section: rail.Section, Stock: rail.Stock,
					A: member.End{Kind: member.Butt, Onto: rail.ID}}
				foot := member.Point{ID: s.NewID(), Name: side + " spring", From: axle.ID, Z: -90}
				d.Points = append(d.Points, foot)
				stub.To = foot.ID
				d.Members = append(d.Members, stub)
				d.Supports = append(d.Supports, member.Support{Point: foot.ID, Kind: "pinned"})
				bar := member.Member{ID: s.NewID(), Name: side + " drawbar", From: tip.ID, To: pointOf(d, side+" front"), Section: rail.Section,
					Stock: rail.Stock, B: member.End{Kind: member.Butt, Onto: memberOf(d, "Cross 1").ID}}
				d.Members = append(d.Members, bar)
			}
			d.Supports = d.Supports[4:] // it stands on the springs and the coupling
			d.Supports[0].Kind, d.Supports[1].Kind = "pinned", "pinned"
			d.Supports = append(d.Supports, member.Support{Point: tip.ID, Kind: "sliding", Slide: "x"})
			l, r := memberOf(d, "Left drawbar"), memberOf(d, "Right drawbar")
			l.A, r.A = member.End{Kind: member.Mitre, Onto: r.ID}, member.End{Kind: member.Mitre, Onto: l.ID}
			d.Sags = 15
			d.Saw = member.Saw{Stick: 6000, Kerf: 3, PerKilo: 2.2}
		})
}

// hiveTrailer is a beekeeper's two-level deck.
func hiveTrailer() brief.Brief {
	return brief.Brief{Name: "Hive trailer", Purpose: "A two-level deck carries twenty-four hives to the heather and back without rattling.",
		Vehicle: "Own build, single axle", Quantity: 1, Unit: brief.UnitMM, Grain: 1,
		Criticality: brief.LoadLost, Strength: strength.Rule{School: strength.Allowable}, Use: load.Rough,
		Limits: brief.Limits{Lift: demo.Given(25, brief.Copied), Budget: demo.Amount(1800)},
		Card: brief.Card{Trailer: true, Coupling: demo.Given(2900, brief.Measured), Span: demo.Given(3020, brief.Measured),
			Front: demo.Given(38, brief.Assumed), Rear: demo.Given(265, brief.Assumed), Gross: demo.Given(1300, brief.Copied),
			FrontLimit: demo.Given(100, brief.Copied), RearLimit: demo.Given(1300, brief.Copied),
			Others: []brief.Item{{ID: "hives", Name: "Twenty-four hives, full", Mass: demo.Given(620, brief.Assumed),
				Behind: demo.Given(2900, brief.Assumed)}}},
		Open: []brief.OpenItem{{ID: "noise", Text: "What keeps the hives from rattling on the deck?", Kind: "other"}}}
}
