package starters

import "warmanvil/core/sheet"

// fixtureStarters hold things while they are welded.
var fixtureStarters = []PartStarter{
	{"studs", "Stud fixture", "Two plates alike with tight holes, held apart by tube: studs stand square in both while they are " +
		"welded, and the fixture " +
		"is drawn off over them.",
		[]PartAsk{countAsk("columns", "Studs across", 2, 1, 40), countAsk("rows", "Studs front to back", 2, 1, 40),
			sizeAsk("pitchX", "Pitch across", 80),
			sizeAsk("pitchY", "Pitch front to back", 60), sizeAsk("stud", "Stud, diameter", 8), sizeAsk("play", "Play in a hole", .2),
			sizeAsk("border", "Border", 30), sizeAsk("bolt", "Bolts through the tubes, hole", 9)}, studFixture},
}

func init() { PartStarters = append(PartStarters, fixtureStarters...) }

// studFixture makes the two plates: the same holes twice, cut in one setting, keep studs square as far as
// the plates stand apart; play over that distance is how far they may lean.
func studFixture(s *starting) {
	border := max(s.v["border"], 2*s.v["bolt"], 2*s.v["stud"])
	across, along := float64(s.v["columns"]-1)*s.v["pitchX"], float64(s.v["rows"]-1)*s.v["pitchY"]
	b := sheet.Base{Length: across + 2*border, Width: along + 2*border, Measure: sheet.Flat}
	studs := s.round(s.v["stud"]+s.v["play"], from(sheet.Left, border), from(sheet.Front, border))
	studs.Name = "Studs"
	studs.Pattern = &sheet.Pattern{Kind: sheet.GridPattern, Columns: int(s.v["columns"]), Rows: int(s.v["rows"]), PitchX: s.v["pitchX"],
		PitchY: s.v["pitchY"]}
	b.Holes = []sheet.Hole{studs}
	if d := s.v["bolt"]; d > 0 {
		in := border / 2.5
		h := s.round(d, from(sheet.Left, in), from(sheet.Front, in))
		h.Name, h.Pattern = "Bolts through the tubes", &sheet.Pattern{Kind: sheet.MirrorPattern, Across: true, Back: true}
		b.Holes = append(b.Holes, h)
	}
	s.part("Stud fixture", 2, b)
}
