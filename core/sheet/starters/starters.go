package starters

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

// PartStarters are the parts a shop makes again and again.
var PartStarters = []PartStarter{
	{"cleat", "Angle cleat", "Two legs at a right angle, holes in both.",
		[]PartAsk{sizeAsk("length", "Long", 80), sizeAsk("legA", "One leg, outside", 50), sizeAsk("legB", "Other leg, outside", 50),
			sizeAsk("hole", "Holes, diameter", 9), countAsk("count", "Holes in each leg", 2, 0, 20)}, func(s *starting) {
			f := s.flange(sheet.Front, s.v["legB"], true)
			b := sheet.Base{Length: s.v["length"], Width: s.v["legA"]}
			if n := int(s.v["count"]); n > 0 {
				margin := math.Min(s.v["length"]/4, 2.5*s.v["hole"])
				b.Holes = []sheet.Hole{s.along(s.v["hole"], sheet.Back, s.v["legA"]/3, margin, n)}
				f.Holes = []sheet.Hole{s.along(s.v["hole"], sheet.Front, s.v["legB"]/3, margin, n)}
			}
			b.Flanges = []sheet.Flange{f}
			s.part("Angle cleat", 1, b)
		}},
	{"zed", "Z", "A web with one flange up and one down.",
		[]PartAsk{sizeAsk("length", "Long", 200), sizeAsk("web", "Web, outside", 60), sizeAsk("up", "Flange up, outside", 40),
			sizeAsk("down", "Flange down, outside", 40)}, func(s *starting) {
			s.part("Z", 1, sheet.Base{Length: s.v["length"], Width: s.v["web"],
				Flanges: []sheet.Flange{s.flange(sheet.Front, s.v["up"], true), s.flange(sheet.Back, s.v["down"], false)}})
		}},
	{"channel", "Channel", "A web with two flanges up.",
		[]PartAsk{sizeAsk("length", "Long", 300), sizeAsk("web", "Web, outside", 80), sizeAsk("height", "Flanges, outside", 40)},
		func(s *starting) {
			s.part("Channel", 1, sheet.Base{Length: s.v["length"], Width: s.v["web"],
				Flanges: []sheet.Flange{s.flange(sheet.Front, s.v["height"], true), s.flange(sheet.Back, s.v["height"], true)}})
		}},
	{"hat", "Hat", "A top, two sides down and two feet out.",
		[]PartAsk{sizeAsk("length", "Long", 300), sizeAsk("top", "Top, outside", 60), sizeAsk("height", "High, outside", 40),
			sizeAsk("foot", "Feet, outside", 30)}, func(s *starting) {
			b := sheet.Base{Length: s.v["length"], Width: s.v["top"]}
			for _, e := range []sheet.Edge{sheet.Front, sheet.Back} {
				f := s.flange(e, s.v["height"], false)
				f.Flanges = []sheet.Flange{s.flange(e, s.v["foot"], true)}
				b.Flanges = append(b.Flanges, f)
			}
			s.part("Hat", 1, b)
		}},
	{"tray", "Tray", "A floor and four sides up.",
		[]PartAsk{sizeAsk("length", "Long, outside", 300), sizeAsk("width", "Wide, outside", 200), sizeAsk("height", "High, outside", 50),
			choiceAsk("corner", "Corners", 0, "gap for the weld", "edge to edge", "lapped", "left open"),
			sizeAsk("drain", "Drains, diameter, 0 for none", 10), sizeAsk("lip", "Lips outward along the top, 0 for none", 0)},
		func(s *starting) {
			b := sheet.Base{Length: s.v["length"], Width: s.v["width"]}
			for _, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left} {
				side := s.flange(e, s.v["height"], true)
				if s.v["lip"] > 0 {
					side.Flanges = []sheet.Flange{s.flange(e, s.v["lip"], false)}
				}
				b.Flanges = append(b.Flanges, side)
			}
			s.corners(&b, cornerKinds[int(s.v["corner"])])
			if d := s.v["drain"]; d > 0 {
				in := s.t + s.r + 3*d
				h := s.round(d, from(sheet.Left, in), from(sheet.Front, in))
				h.Use, h.Pattern = &sheet.Use{Kind: sheet.UseDrain}, &sheet.Pattern{Kind: sheet.MirrorPattern, Across: true, Back: true}
				b.Holes = []sheet.Hole{h}
			}
			s.part("Tray", 1, b)
		}},
	{"units", "Tray for so many units", "A tray that holds units side by side, with dividers that jig themselves in slots.",
		[]PartAsk{countAsk("count", "Units", 3, 1, 20), sizeAsk("unitLength", "Unit, along the row", 120),
			sizeAsk("unitWidth", "Unit, across the row", 180), sizeAsk("height", "Sides, inside", 60),
			sizeAsk("liner", "Liner, each side of a unit", 3), countAsk("squash", "Liner is squashed by, %", 20, 0, 80),
			choiceAsk("dividers", "Between the units", 0, "dividers", "nothing"), sizeAsk("stud", "Studs between them, hole, 0 for none", 9)},
		trayForUnits},
	{"gusset", "Gusset", "A triangle for a corner, its own corner snipped for the weld.",
		[]PartAsk{sizeAsk("legA", "One leg", 100), sizeAsk("legB", "Other leg", 100), sizeAsk("nose", "Noses", 12),
			sizeAsk("snip", "Snip at the corner", 15), choiceAsk("flanged", "Long edge", 0, "plain", "flanged")}, func(s *starting) {
			a, h, nose, snip := s.v["legA"], s.v["legB"], math.Max(s.v["nose"], 1), math.Max(s.v["snip"], 1)
			b := sheet.Base{Shape: &sheet.Shape{Kind: sheet.Polygon,
				Points: profile.Loop{vertex(snip, 0), vertex(a, 0), vertex(a, nose), vertex(nose, h), vertex(0, h), vertex(0, snip)}}}
			if s.v["flanged"] == 1 {
				b.Measure = sheet.Flat // its noses are no apexes
				f := s.flange("3", math.Max(20, 3*(s.r+s.t)), true)
				f.SetIn = sheet.SetIn{Start: 2 * s.t, End: 2 * s.t}
				b.Flanges = []sheet.Flange{f}
			}
			s.part("Gusset", 1, b)
		}},
	{"doubler", "Doubler", "A plate with round corners that spreads a load.",
		[]PartAsk{sizeAsk("length", "Long", 120), sizeAsk("width", "Wide", 80), sizeAsk("corner", "Corners, radius", 15),
			sizeAsk("hole", "Holes, diameter", 9), sizeAsk("in", "Holes in from the edges", 18)}, func(s *starting) {
			h := s.round(s.v["hole"], from(sheet.Left, s.v["in"]), from(sheet.Front, s.v["in"]))
			h.Pattern = &sheet.Pattern{Kind: sheet.MirrorPattern, Across: true, Back: true}
			s.part("Doubler", 1, sheet.Base{Length: s.v["length"], Width: s.v["width"],
				Corner: sheet.Corner{Kind: sheet.Radius, Size: s.v["corner"]}, Holes: []sheet.Hole{h}})
		}},
	{"ear", "Tab or ear", "A plate with a round end and a pin's hole, to weld on.",
		[]PartAsk{sizeAsk("width", "Wide", 40), sizeAsk("reach", "Hole's middle over the weld", 40), sizeAsk("hole", "Hole, diameter", 13)},
		func(s *starting) {
			w, y := s.v["width"], s.v["reach"]
			b := sheet.Base{Shape: &sheet.Shape{Kind: sheet.Polygon,
				Points: profile.Loop{vertex(0, 0), vertex(w, 0), {X: w, Y: y, Bulge: 1}, vertex(0, y)}}}
			b.Holes = []sheet.Hole{s.round(s.v["hole"], from("2", w/2), from("1", y))}
			s.part("Ear", 1, b)
		}},
	{"cradle", "Tank cradle with strap", "Two saddle plates under a round tank and a strap over it.",
		[]PartAsk{sizeAsk("tank", "Tank, diameter", 250), sizeAsk("liner", "Liner", 3),
			{Key: "wrap", Name: "Saddle takes in", Kind: "angle", Usual: 120, Least: 30, Most: 170}, sizeAsk("rise", "Tank over the floor", 40),
			sizeAsk("foot", "Feet", 40), sizeAsk("strap", "Strap, wide", 40), sizeAsk("hole", "Holes, diameter", 9)}, cradle},
	{"shelf", "Shelf with lips", "A shelf with a wall flange up, a front lip down and small ends.",
		[]PartAsk{sizeAsk("length", "Long", 350), sizeAsk("depth", "Deep, outside", 200), sizeAsk("wall", "Wall flange, outside", 60),
			sizeAsk("lip", "Front lip, outside", 25), sizeAsk("end", "End lips, outside, 0 for none", 20), sizeAsk("slot", "Slots, wide", 7),
			countAsk("count", "Slots", 3, 0, 20)}, func(s *starting) {
			wall := s.flange(sheet.Back, s.v["wall"], true)
			if n := int(s.v["count"]); n > 0 {
				h := s.along(s.v["slot"], sheet.Back, s.v["wall"]/3, s.v["length"]/8, n)
				h.Kind, h.Length, h.Angle = sheet.SlotHole, 2.5*s.v["slot"], 90
				wall.Holes = []sheet.Hole{h}
			}
			b := sheet.Base{Length: s.v["length"], Width: s.v["depth"], Flanges: []sheet.Flange{wall, s.flange(sheet.Front, s.v["lip"], false)}}
			if s.v["end"] > 0 {
				for _, e := range []sheet.Edge{sheet.Left, sheet.Right} {
					f := s.flange(e, s.v["end"], false)
					f.SetIn = sheet.SetIn{End: 3 * (s.r + s.t)}
					b.Flanges = append(b.Flanges, f)
				}
			}
			s.part("Shelf", 1, b)
		}},
	{"spacers", "Spacer stack", "Round spacers to a height, as many as it takes of this sheet.",
		[]PartAsk{sizeAsk("outside", "Outside, diameter", 40), sizeAsk("hole", "Hole, diameter", 13), sizeAsk("height", "Stack, high", 12)},
		func(s *starting) {
			n := max(int(math.Round(s.v["height"]/s.t)), 1)
			s.part(fmt.Sprintf("Spacer, %d make %.4g mm", n, float64(n)*s.t), n,
				sheet.Base{Length: s.v["outside"], Shape: &sheet.Shape{Kind: sheet.Disc},
					Holes: []sheet.Hole{s.round(s.v["hole"], from(sheet.Middle, 0), from(sheet.Middle, 0))}})
		}},
	{"deck", "Deck plate in pieces", "A large plate in pieces that one person lifts, joined by strips with bolts.",
		[]PartAsk{sizeAsk("length", "Long", 2000), sizeAsk("width", "Wide", 1000), countAsk("pieces", "Pieces", 3, 2, 12),
			sizeAsk("gap", "Gap between pieces", 2), sizeAsk("strip", "Joint strips, wide", 80), sizeAsk("hole", "Bolts, hole", 9),
			sizeAsk("pitch", "Bolts, about every", 150)}, deck},
	{"guard", "Guard", "A cover with three sides and an outward foot along the fourth.",
		[]PartAsk{sizeAsk("length", "Long, outside", 260), sizeAsk("width", "Wide, outside", 140), sizeAsk("height", "High, outside", 60),
			sizeAsk("foot", "Feet, outside", 32), sizeAsk("hole", "Holes, diameter", 7)}, func(s *starting) {
			b := sheet.Base{Length: s.v["length"], Width: s.v["width"], Corner: sheet.Corner{}}
			for _, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left} {
				f := s.flange(e, s.v["height"], false)
				if e == sheet.Front || e == sheet.Back {
					foot := s.flange(e, s.v["foot"], true)
					foot.Corner = sheet.Corner{Kind: sheet.Radius, Size: math.Min(8, s.v["foot"]/3)}
					foot.Holes = []sheet.Hole{s.along(s.v["hole"], e, s.v["foot"]/2.5, s.v["length"]/6, 2)}
					f.Flanges = []sheet.Flange{foot}
				}
				b.Flanges = append(b.Flanges, f)
			}
			s.corners(&b, sheet.MeetWeld)
			s.part("Guard", 1, b)
		}},
}

// trayForUnits makes a tray with room for units, liners and dividers, and the
// dividers.
func trayForUnits(s *starting) {
	n := int(s.v["count"])
	liner := s.v["liner"] * (1 - s.v["squash"]/100)
	divider := 0.0
	if s.v["dividers"] == 0 {
		divider = s.t
	}
	cell := s.v["unitLength"] + 2*liner
	length, width := float64(n)*cell+float64(n-1)*divider, s.v["unitWidth"]+2*liner
	b := sheet.Base{Length: length, Width: width, Measure: sheet.Inside}
	for _, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left} {
		f := s.flange(e, s.v["height"]+s.t, true)
		b.Flanges = append(b.Flanges, f)
	}
	s.corners(&b, sheet.MeetWeld)
	inside := func(e sheet.Edge, mm float64) sheet.Offset {
		return sheet.Offset{Edge: e, Distance: mm, From: sheet.Inside}
	}
	tab := math.Round(width / 5)
	for k := 1; k < n; k++ {
		x := float64(k)*(cell+divider) - divider/2
		if divider > 0 {
			h := sheet.Hole{ID: s.newID(), Kind: sheet.RectangleHole, Angle: 90, X: inside(sheet.Left, x), Y: from(sheet.Middle, -width/4),
				Use: &sheet.Use{Kind: sheet.UseTab, Width: tab, Thick: s.t}}
			g := h
			g.ID, g.Y = s.newID(), from(sheet.Middle, width/4)
			b.Holes = append(b.Holes, h, g)
		}
		if d := s.v["stud"]; d > 0 {
			b.Holes = append(b.Holes, s.round(d, inside(sheet.Left, x), from(sheet.Middle, 0)))
		}
	}
	s.part("Tray", 1, b)
	if divider > 0 && n > 1 {
		long := width - 1 // half a millimetre clear at both sides
		d := sheet.Base{Length: long, Width: math.Round(s.v["height"] * .8), Measure: sheet.Flat}
		for _, at := range []float64{long/2 - width/4, long/2 + width/4} {
			d.Edges = append(d.Edges, sheet.EdgeCut{ID: s.newID(), Kind: sheet.Tab, Edge: sheet.Front, At: at, Width: tab, Depth: s.t})
		}
		s.part("Divider", n-1, d)
	}
}

// cradle makes saddle plates with a bent foot, and the strap.
func cradle(s *starting) {
	r := s.v["tank"]/2 + s.v["liner"]
	half := s.v["wrap"] * math.Pi / 360
	xe := r * math.Sin(half)
	h := s.v["rise"] + r - r*math.Cos(half)
	w := 2*xe + 40
	b := sheet.Base{Shape: &sheet.Shape{Kind: sheet.Polygon, Points: profile.Loop{vertex(0, 0), vertex(w, 0), vertex(w, h),
		{X: w/2 + xe, Y: h, Bulge: -math.Tan(half / 2)}, vertex(w/2-xe, h), vertex(0, h)}}, Measure: sheet.Flat}
	foot := s.flange("1", s.v["foot"], true)
	foot.Holes = []sheet.Hole{s.along(s.v["hole"], sheet.Front, s.v["foot"]/2.5, math.Max(3*s.v["hole"], w/8), 2)}
	b.Flanges = []sheet.Flange{foot}
	s.part("Saddle plate", 2, b)
	// The strap: foot, leg up, over the tank, leg down, foot.
	leg := s.flange(sheet.Back, math.Max(s.v["rise"]+r-s.t, 3*(s.r+s.t)), true)
	over := sheet.Flange{ID: s.newID(), Kind: sheet.Roll, Edge: sheet.Back, Length: math.Max(s.v["rise"]+r-2*s.r-2*s.t, s.t),
		Angle: 180, Round: 2 * r}
	end := s.flange(sheet.Back, s.v["foot"], true)
	end.Holes = []sheet.Hole{s.round(s.v["hole"], from(sheet.Middle, 0), from(sheet.Back, s.v["foot"]/2.5))}
	over.Flanges = []sheet.Flange{end}
	leg.Measure, leg.Flanges = sheet.Flat, []sheet.Flange{over}
	leg.Length = math.Max(s.v["rise"]+r-s.r-s.t, s.t)
	s.part("Strap", 1, sheet.Base{Length: s.v["strap"], Width: s.v["foot"],
		Holes: []sheet.Hole{s.round(s.v["hole"], from(sheet.Middle, 0), from(sheet.Front, s.v["foot"]/2.5))}, Flanges: []sheet.Flange{leg}})
}

// deck makes the pieces of a large plate and the strips that join them.
func deck(s *starting) {
	n := int(s.v["pieces"])
	piece := (s.v["length"] - float64(n-1)*s.v["gap"]) / float64(n)
	in := s.v["strip"]/4 - s.v["gap"]/2
	bolts := max(int(math.Round((s.v["width"]-60)/s.v["pitch"]))+1, 2)
	row := func(e sheet.Edge) sheet.Hole { return s.along(s.v["hole"], e, in, 30, bolts) }
	s.part("Deck end", 2, sheet.Base{Length: piece, Width: s.v["width"], Holes: []sheet.Hole{row(sheet.Right)}})
	if n > 2 {
		s.part("Deck piece", n-2, sheet.Base{Length: piece, Width: s.v["width"], Holes: []sheet.Hole{row(sheet.Left), row(sheet.Right)}})
	}
	strip := sheet.Base{Length: s.v["strip"], Width: s.v["width"], Corner: sheet.Corner{Kind: sheet.Radius, Size: 8}}
	strip.Holes = []sheet.Hole{s.along(s.v["hole"], sheet.Left, s.v["strip"]/4, 30, bolts),
		s.along(s.v["hole"], sheet.Right, s.v["strip"]/4, 30, bolts)}
	s.part("Joint strip", n-1, strip)
}
