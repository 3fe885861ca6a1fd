package job

import (
	"warmanvil/core/demo"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/starters"
)

// compressorTray is a tray for the compressor on its isolators.
func (s *Service) compressorTray() (sheet.Recipe, error) {
	made, err := starters.StartPart("tray", map[string]float64{"length": 640, "width": 380, "height": 45, "corner": 0, "drain": 12},
		demo.DemoSheet(3), s.NewID)
	if err != nil {
		return sheet.Recipe{}, err
	}
	r := made[0].Recipe
	r.Base.Holes = append(r.Base.Holes, sheet.Hole{ID: "isolators", Name: "Isolator bolts", Kind: sheet.RoundHole, Diameter: 11,
		X: sheet.Offset{Edge: sheet.Middle, Distance: -230}, Y: sheet.Offset{Edge: sheet.Middle, Distance: -120},
		Pattern: &sheet.Pattern{Kind: sheet.MirrorPattern, Across: true, Back: true}})
	r.Base.Marks = []sheet.Mark{{ID: "forward", Kind: sheet.ArrowMark, X: sheet.Offset{Edge: sheet.Middle},
		Y: sheet.Offset{Edge: sheet.Middle}}}
	r.Ticks = true
	return r, nil
}

// tankCradle is the saddles and the strap of the juice tank.
func (s *Service) tankCradle() ([]sheet.Started, error) {
	return starters.StartPart("cradle", map[string]float64{"tank": 460, "liner": 4, "wrap": 110, "rise": 60, "foot": 45,
		"strap": 50, "hole": 11},
		demo.DemoSheet(3), s.NewID)
}

// juiceFunnel is the funnel under the press: square above on the bench, round below to the tank's hose.
// It stands on its square end, as it is welded.
func (s *Service) juiceFunnel() (sheet.Recipe, error) {
	list, err := starters.StartPart("reducer", map[string]float64{"face": 1, "long": 320, "wide": 260, "round": 102, "height": 210,
		"x": 40, "y": 0, "sides": 5}, demo.DemoSheet(1.5), s.NewID)
	if err != nil {
		return sheet.Recipe{}, err
	}
	r := list[0].Recipe
	r.Material, r.Base.ID = "stainless-304", "funnel"
	r.Base.Holes = []sheet.Hole{{ID: "tap", Name: "Tasting tap", Kind: sheet.RoundHole, Diameter: 21,
		X: sheet.Offset{Edge: sheet.Around, Distance: 180}, Y: sheet.Offset{Edge: sheet.Up, Distance: 70}}}
	return r, nil
}

// trailerArch is the band over a wheel of the trailer, for a pair.
func (s *Service) trailerArch() (sheet.Recipe, error) {
	list, err := starters.StartPart("arch", map[string]float64{"tyre": 610, "tread": 175, "growth": 8, "up": 75, "lock": 0,
		"lean": 4, "gap": 40,
		"above": 20, "way": 1}, demo.DemoSheet(2), s.NewID)
	if err != nil {
		return sheet.Recipe{}, err
	}
	r := list[0].Recipe
	r.Base.ID = "arch"
	return r, nil
}
