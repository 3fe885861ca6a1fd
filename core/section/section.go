// Package section works out the properties of tube, bar, angle and channel from
// their sizes and corner radii. x is horizontal, y vertical, the origin at the
// centroid; Ix = ∫y² dA is bending about x. Lengths mm.
package section

import (
	"math"

	"warmanvil/core/working"
)

// Sizes is a section by its kind and sizes; which sizes count is told by Kind.
type Sizes struct {
	Kind          string  `json:"kind" enum:"rectTube,roundTube,roundBar,flatBar,angle,channel"`
	Width         float64 `json:"width,omitempty" doc:"mm along x: rectTube, flatBar"`
	Height        float64 `json:"height,omitempty" doc:"mm along y: rectTube, flatBar"`
	Wall          float64 `json:"wall,omitempty" doc:"mm: tubes"`
	OuterRadius   float64 `json:"outerRadius,omitempty" doc:"mm outside corner radius: rectTube; sharp when left out"`
	Diameter      float64 `json:"diameter,omitempty" doc:"mm: roundTube, roundBar"`
	LegVertical   float64 `json:"legVertical,omitempty" doc:"mm: angle, heel at lower left"`
	LegHorizontal float64 `json:"legHorizontal,omitempty" doc:"mm: angle"`
	Thickness     float64 `json:"thickness,omitempty" doc:"mm: angle"`
	Depth         float64 `json:"depth,omitempty" doc:"mm along y: channel"`
	FlangeWidth   float64 `json:"flangeWidth,omitempty" doc:"mm over all: channel, web at the left"`
	Web           float64 `json:"web,omitempty" doc:"mm thick: channel"`
	Flange        float64 `json:"flange,omitempty" doc:"mm thick: channel"`
	Density       float64 `json:"density,omitempty" doc:"kg/m³; steel, 7850, when left out"`
}

// Properties of a section.
type Properties struct {
	Area          float64         `json:"area" doc:"mm²"`
	Ix            float64         `json:"ix" doc:"mm⁴, about x"`
	Iy            float64         `json:"iy" doc:"mm⁴, about y"`
	Ixy           float64         `json:"ixy" doc:"mm⁴"`
	Sx            float64         `json:"sx" doc:"mm³, the smaller elastic modulus about x"`
	Sy            float64         `json:"sy" doc:"mm³, about y"`
	Zx            float64         `json:"zx" doc:"mm³, plastic modulus about x"`
	Zy            float64         `json:"zy" doc:"mm³, about y"`
	Rx            float64         `json:"rx" doc:"mm, radius of gyration"`
	Ry            float64         `json:"ry" doc:"mm"`
	RMin          float64         `json:"rMin" doc:"mm, the least of all axes"`
	J             float64         `json:"j" doc:"mm⁴, Saint-Venant torsion"`
	I1            float64         `json:"i1" doc:"mm⁴, larger principal"`
	I2            float64         `json:"i2" doc:"mm⁴, smaller principal"`
	MassPerMetre  float64         `json:"massPerMetre" doc:"kg/m"`
	PaintPerMetre float64         `json:"paintPerMetre" doc:"m²/m, outside"`
	CentroidX     float64         `json:"centroidX" doc:"mm from the left edge"`
	CentroidY     float64         `json:"centroidY" doc:"mm from the lower edge"`
	InsideWidth   float64         `json:"insideWidth,omitempty" doc:"mm, of a tube, seam and corners not taken off"`
	InsideHeight  float64         `json:"insideHeight,omitempty" doc:"mm, of a tube"`
	Working       working.Working `json:"working"`
}

const maxSize = 5000 // mm

// Work answers a section's properties. It fails with *working.Fault.
func Work(in Sizes) (Properties, error) {
	if in.Density == 0 {
		in.Density = 7850
	}
	if err := in.check(); err != nil {
		return Properties{}, err
	}
	var p Properties
	torsion := ""
	switch in.Kind {
	case "rectTube":
		p, torsion = in.rectTube()
	case "roundTube":
		p, torsion = ring(in.Diameter, in.Diameter-2*in.Wall), "exact"
	case "roundBar":
		p, torsion = ring(in.Diameter, 0), "exact"
	case "flatBar":
		p = strips([]strip{{0, 0, in.Width, in.Height}})
		p.J, torsion = rectangleJ(in.Width, in.Height), "exact series of the rectangle"
		p.PaintPerMetre = 2 * (in.Width + in.Height) / 1000
	case "angle":
		a, b, t := in.LegVertical, in.LegHorizontal, in.Thickness
		p = strips([]strip{{0, 0, b, t}, {0, t, t, a}})
		p.J, torsion = (a+b-t)*t*t*t/3, "thin-walled, Σ b·t³/3"
		p.PaintPerMetre = 2 * (a + b) / 1000
	case "channel":
		d, b, w, f := in.Depth, in.FlangeWidth, in.Web, in.Flange
		p = strips([]strip{{0, 0, b, f}, {0, f, w, d - f}, {0, d - f, b, d}})
		p.J, torsion = (2*(b-w/2)*f*f*f+(d-f)*w*w*w)/3, "thin-walled, Σ b·t³/3 on the middle line"
		p.PaintPerMetre = (2*d + 4*b - 2*w) / 1000
	}
	switch in.Kind {
	case "rectTube":
		p.InsideWidth, p.InsideHeight = in.Width-2*in.Wall, in.Height-2*in.Wall
	case "roundTube":
		p.InsideWidth, p.InsideHeight = in.Diameter-2*in.Wall, in.Diameter-2*in.Wall
	}
	p.finish(in, torsion)
	return p, nil
}

func (in Sizes) check() error {
	over := func(path, name string, v, above float64) error {
		return working.Above(path, name, v, above, maxSize, "mm")
	}
	err := working.Above("/density", "The density", in.Density, 0, 30000, "kg/m³")
	switch in.Kind {
	case "rectTube":
		err = working.First(err, over("/width", "The width", in.Width, 0), over("/height", "The height", in.Height, 0),
			over("/wall", "The wall", in.Wall, 0),
			working.Within("/outerRadius", "The corner radius", in.OuterRadius, 0, math.Min(in.Width, in.Height)/2, "mm"))
		if err == nil && 2*in.Wall > math.Min(in.Width, in.Height) {
			err = working.Refuse("/wall", "Two walls of %.4g mm are more than the section is wide.", in.Wall)
		}
	case "roundTube":
		err = working.First(err, over("/diameter", "The diameter", in.Diameter, 0), over("/wall", "The wall", in.Wall, 0))
		if err == nil && 2*in.Wall > in.Diameter {
			err = working.Refuse("/wall", "Two walls of %.4g mm are more than the tube is thick.", in.Wall)
		}
	case "roundBar":
		err = working.First(err, over("/diameter", "The diameter", in.Diameter, 0))
	case "flatBar":
		err = working.First(err, over("/width", "The width", in.Width, 0), over("/height", "The height", in.Height, 0))
	case "angle":
		err = working.First(err, over("/thickness", "The thickness", in.Thickness, 0),
			over("/legVertical", "The leg", in.LegVertical, in.Thickness), over("/legHorizontal", "The leg", in.LegHorizontal, in.Thickness))
	case "channel":
		err = working.First(err, over("/web", "The web", in.Web, 0), over("/flange", "The flange", in.Flange, 0),
			over("/depth", "The depth", in.Depth, 2*in.Flange), over("/flangeWidth", "The flange's width", in.FlangeWidth, in.Web))
	default:
		return working.Refuse("/kind", "A section is rectTube, roundTube, roundBar, flatBar, angle or channel, not %q.", in.Kind)
	}
	return err
}

// rounded is a rectangle with rounded corners about its middle.
type rounded struct{ area, ix, iy, zx, zy float64 }

func roundedRect(b, h, r float64) rounded {
	corner := func(half float64) (second, first float64) { // square less quarter circle, at yc from the middle
		yc := half - r
		second = r*r*yc*yc + r*r*r*yc + r*r*r*r/3 - (math.Pi*r*r*r*r/16 + 2*yc*r*r*r/3 + yc*yc*math.Pi*r*r/4)
		first = r*r*yc + r*r*r/2 - (math.Pi*r*r/4*yc + r*r*r/3)
		return second, first
	}
	sx, fx := corner(h / 2)
	sy, fy := corner(b / 2)
	return rounded{b*h - (4-math.Pi)*r*r, b*h*h*h/12 - 4*sx, h*b*b*b/12 - 4*sy, b*h*h/4 - 4*fx, h*b*b/4 - 4*fy}
}

func (in Sizes) rectTube() (Properties, string) {
	b, h, t, ro := in.Width, in.Height, in.Wall, in.OuterRadius
	ri := math.Max(ro-t, 0)
	out, hole := roundedRect(b, h, ro), roundedRect(b-2*t, h-2*t, ri)
	p := Properties{Area: out.area - hole.area, Ix: out.ix - hole.ix, Iy: out.iy - hole.iy, Zx: out.zx - hole.zx, Zy: out.zy - hole.zy,
		CentroidX: b / 2, CentroidY: h / 2}
	p.Sx, p.Sy = p.Ix/(h/2), p.Iy/(b/2)
	// EN 10219-2: middle line with the mean corner radius.
	rc := (ro + ri) / 2
	line := 2*((b-t)+(h-t)) - 2*rc*(4-math.Pi)
	inside := (b-t)*(h-t) - rc*rc*(4-math.Pi)
	if line > 0 {
		p.J = t*t*t*line/3 + 4*inside*inside*t/line
	}
	p.PaintPerMetre = (2*(b+h) - (8-2*math.Pi)*ro) / 1000
	return p, "thin-walled closed section, EN 10219-2"
}

func ring(d, i float64) Properties {
	p := Properties{Area: math.Pi / 4 * (d*d - i*i), Ix: math.Pi / 64 * (math.Pow(d, 4) - math.Pow(i, 4)), Zx: (d*d*d - i*i*i) / 6,
		CentroidX: d / 2, CentroidY: d / 2, PaintPerMetre: math.Pi * d / 1000}
	p.Iy, p.Zy, p.J = p.Ix, p.Zx, 2*p.Ix
	p.Sx = p.Ix / (d / 2)
	p.Sy = p.Sx
	return p
}

// rectangleJ is the torsion constant of a solid rectangle by its series.
func rectangleJ(b, h float64) float64 {
	a, c := math.Max(b, h), math.Min(b, h)
	sum := 0.0
	for n := 1; n < 60; n += 2 {
		sum += math.Tanh(float64(n)*math.Pi*a/(2*c)) / math.Pow(float64(n), 5)
	}
	return a * c * c * c * (1.0/3 - 64*c/(math.Pow(math.Pi, 5)*a)*sum)
}

// strip is a rectangle from one corner to the other.
type strip struct{ x0, y0, x1, y1 float64 }

// strips adds up rectangles that do not overlap.
func strips(list []strip) (p Properties) {
	lox, loy := math.Inf(1), math.Inf(1)
	hix, hiy := math.Inf(-1), math.Inf(-1)
	for _, s := range list {
		a := (s.x1 - s.x0) * (s.y1 - s.y0)
		p.Area += a
		p.CentroidX += a * (s.x0 + s.x1) / 2
		p.CentroidY += a * (s.y0 + s.y1) / 2
		lox, loy, hix, hiy = math.Min(lox, s.x0), math.Min(loy, s.y0), math.Max(hix, s.x1), math.Max(hiy, s.y1)
	}
	p.CentroidX /= p.Area
	p.CentroidY /= p.Area
	for _, s := range list {
		w, h := s.x1-s.x0, s.y1-s.y0
		dx, dy := (s.x0+s.x1)/2-p.CentroidX, (s.y0+s.y1)/2-p.CentroidY
		p.Ix += w*h*h*h/12 + w*h*dy*dy
		p.Iy += h*w*w*w/12 + w*h*dx*dx
		p.Ixy += w * h * dx * dy
	}
	p.Sx = p.Ix / math.Max(hiy-p.CentroidY, p.CentroidY-loy)
	p.Sy = p.Iy / math.Max(hix-p.CentroidX, p.CentroidX-lox)
	turned := make([]strip, len(list))
	for i, s := range list {
		turned[i] = strip{s.y0, s.x0, s.y1, s.x1}
	}
	p.Zx, p.Zy = plastic(list, p.Area), plastic(turned, p.Area)
	return p
}

// plastic is the first moment of both halves about the line that halves the
// area, parallel to x.
func plastic(list []strip, area float64) (z float64) {
	lo, hi := math.Inf(1), math.Inf(-1)
	for _, s := range list {
		lo, hi = math.Min(lo, s.y0), math.Max(hi, s.y1)
	}
	under := func(y float64) (a float64) {
		for _, s := range list {
			a += (s.x1 - s.x0) * math.Max(0, math.Min(y, s.y1)-s.y0)
		}
		return a
	}
	for range 100 {
		if mid := (lo + hi) / 2; under(mid) < area/2 {
			lo = mid
		} else {
			hi = mid
		}
	}
	y := (lo + hi) / 2
	for _, s := range list {
		w := s.x1 - s.x0
		if top := math.Max(s.y1, y) - math.Max(s.y0, y); top > 0 {
			z += w * top * ((math.Max(s.y1, y)+math.Max(s.y0, y))/2 - y)
		}
		if low := math.Min(s.y1, y) - math.Min(s.y0, y); low > 0 {
			z += w * low * (y - (math.Min(s.y1, y)+math.Min(s.y0, y))/2)
		}
	}
	return z
}

func (p *Properties) finish(in Sizes, torsion string) {
	p.Rx, p.Ry = math.Sqrt(p.Ix/p.Area), math.Sqrt(p.Iy/p.Area)
	middle, half := (p.Ix+p.Iy)/2, math.Hypot((p.Ix-p.Iy)/2, p.Ixy)
	p.I1, p.I2 = middle+half, middle-half
	p.RMin = math.Sqrt(p.I2 / p.Area)
	p.MassPerMetre = p.Area * in.Density * 1e-6
	p.Working = working.Working{Method: "Section properties", Source: "exact integrals of the outline; torsion: " + torsion,
		Formula: "A = ∫dA, Ix = ∫y²dA, S = I/c, Z = ∫|y|dA about the line that halves the area, I1,2 = (Ix + Iy)/2 ± √(((Ix − " +
			"Iy)/2)² + Ixy²)",
		Inputs: []working.Quantity{{Symbol: "ρ", Name: "density", Value: in.Density, Unit: "kg/m³"}},
		Steps: []working.Quantity{{Symbol: "Ix", Name: "about x", Value: p.Ix, Unit: "mm⁴"},
			{Symbol: "Iy", Name: "about y", Value: p.Iy, Unit: "mm⁴"}, {Symbol: "J", Name: "torsion", Value: p.J, Unit: "mm⁴"},
			{Symbol: "m", Name: "mass", Value: p.MassPerMetre, Unit: "kg/m"}},
		Assumptions: []string{"corners without a radius are sharp; fillets and rolling radii of angles and channels are left out",
			"the seam is left out"},
		Result: working.Quantity{Symbol: "A", Name: "area", Value: p.Area, Unit: "mm²"}}
}
