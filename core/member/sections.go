package member

import (
	"math"

	"warmanvil/core/section"
)

// Round tells whether the section is round outside.
func Round(s section.Sizes) bool { return s.Kind == "roundTube" || s.Kind == "roundBar" }

// Closed tells whether the section is a tube.
func Closed(s section.Sizes) bool { return s.Kind == "roundTube" || s.Kind == "rectTube" }

// Thickness answers the wall a weld meets.
func Thickness(s section.Sizes) float64 {
	switch s.Kind {
	case "rectTube", "roundTube":
		return s.Wall
	case "angle":
		return s.Thickness
	case "channel":
		return math.Min(s.Web, s.Flange)
	case "flatBar":
		return math.Min(s.Width, s.Height)
	}
	return s.Diameter
}

// Flip answers a section lying on its other side: width and height change
// places where that is another way to sell the same.
func Flip(s section.Sizes) section.Sizes {
	if s.Kind == "rectTube" || s.Kind == "flatBar" {
		s.Width, s.Height = s.Height, s.Width
	}
	return s
}
