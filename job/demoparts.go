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
