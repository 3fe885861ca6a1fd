package starters

import "warmanvil/core/sheet"

// fixtureStarters hold things while they are welded.
var fixtureStarters = []PartStarter{
	{"studs", "Stud fixture", "Two plates alike with tight holes, held apart by tube: studs stand square in both while they are " +
		"welded, and the fixture " +
		"is drawn off over them.",
		[]PartAsk{countAsk("columns", "Studs across", 2, 1, 40), countAsk("rows", "Studs front to back", 2, 1, 40),
			sizeAsk("pitchX", "Pitch across", 80),
			sizeAsk("pitchY", "Pitch front to back", 60), sizeAsk("stud", "Stud, diameter", 8), playAsk,
			sizeAsk("border", "Border", 30), sizeAsk("bolt", "Bolts through the tubes, hole", 9)}, studFixture},
}

func init() { PartStarters = append(PartStarters, fixtureStarters...) }

// studFixture makes the two plates: the same holes twice, cut in one setting, keep studs square as far as
// the plates stand apart; play over that distance is how far they may lean.
func studFixture(s *starting) {
	border := max(s.v["border"], 2*s.v["bolt"], 2*s.v["stud"])
	across, along := float64(s.v["columns"]-1)*s.v["pitchX"], float64(s.v["rows"]-1)*s.v["pitchY"]
	b := FixturePlate(across+2*border, along+2*border, border, s.v["bolt"], s.newID)
	studs := s.round(s.v["stud"]+s.v["play"], from(sheet.Left, border), from(sheet.Front, border))
	studs.Name = "Studs"
	studs.Pattern = &sheet.Pattern{Kind: sheet.GridPattern, Columns: int(s.v["columns"]), Rows: int(s.v["rows"]), PitchX: s.v["pitchX"],
		PitchY: s.v["pitchY"]}
	b.Holes = append([]sheet.Hole{studs}, b.Holes...)
	s.part("Stud fixture", 2, b)
}

// FixturePlate answers the plate of a fixture, long along x, wide along y, with the holes of the bolts through
// its tubes in the corners of its border; without bolts where their holes have no diameter.
func FixturePlate(long, wide, border, bolt float64, newID func() string) sheet.Base {
	b := sheet.Base{ID: newID(), Length: long, Width: wide, Measure: sheet.Flat}
	if bolt > 0 {
		in := border / 2.5
		b.Holes = []sheet.Hole{{ID: newID(), Name: "Bolts through the tubes", Kind: sheet.RoundHole, Diameter: bolt, X: from(sheet.Left, in),
			Y: from(sheet.Front, in), Pattern: &sheet.Pattern{Kind: sheet.MirrorPattern, Across: true, Back: true}}}
	}
	return b
}

// playAsk is how much wider a hole is than its stud: eight thousandths in an inch shop.
var playAsk = PartAsk{Key: "play", Name: "Play in a hole", Kind: "length", Usual: .2, Inch: .008 * 25.4, Most: 10}
