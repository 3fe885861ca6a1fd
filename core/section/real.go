package section

import "math"

// Real is what a bought tube really is beside its name: how far its outside may be off, and
// its inside as it follows from wall and corner.
type Real struct {
	Off     float64 `json:"off" doc:"mm its outside may be larger or smaller"`
	Width   float64 `json:"width" doc:"mm inside, nominal"`
	Height  float64 `json:"height,omitempty" doc:"mm inside, nominal; left out for a round one"`
	Corner  float64 `json:"corner,omitempty" doc:"mm, inside corner radius, nominal"`
	Inside  float64 `json:"inside" doc:"mm its inside may be larger or smaller: the outside's and twice the wall's"`
	Seam    float64 `json:"seam" doc:"mm the weld bead usually stands in; measure it"`
	Source  string  `json:"source"`
	Outside float64 `json:"outside,omitempty" doc:"mm, outside corner radius, nominal"`
}

// seam is how far the bead of a welded tube stands in where nobody scarfed it (practice).
const seam = .5

// wallShare is how far a wall may be off (EN 10219-2 to 5 mm; ASTM A500).
const wallShare = .1

// Real answers what a bought tube really is; false for what has no inside.
func (s Stock) Real() (Real, bool) {
	z := s.Sizes
	if z.Wall <= 0 || z.Kind != "rectTube" && z.Kind != "roundTube" {
		return Real{}, false
	}
	large := math.Max(math.Max(z.Width, z.Height), z.Diameter)
	r := Real{Seam: seam, Source: s.Source}
	wall := wallShare * z.Wall
	switch {
	case s.Inches && z.Kind == "rectTube": // ASTM A500, by the largest side
		r.Off = .030 * inch
		if large <= 2.5*inch+1e-6 {
			r.Off = .020 * inch
		} else if large <= 3.5*inch+1e-6 {
			r.Off = .025 * inch
		}
	case s.Inches: // ASTM A53, pipe
		r.Off = math.Max(inch/64, .01*large)
		if large < 1.901*inch {
			r.Off = inch / 64
		}
	default: // EN 10219-2
		share := .01
		if z.Kind == "rectTube" && large >= 100 {
			share = .008
		}
		r.Off = math.Max(share*large, .5)
		if z.Wall > 5 {
			wall = .5
		}
	}
	r.Inside = r.Off + 2*wall
	if z.Kind == "roundTube" {
		r.Width = z.Diameter - 2*z.Wall
		return r, r.Width > 0
	}
	r.Width, r.Height = z.Width-2*z.Wall, z.Height-2*z.Wall
	r.Outside, r.Corner = z.OuterRadius, math.Max(z.OuterRadius-z.Wall, 0)
	return r, r.Width > 0 && r.Height > 0
}
