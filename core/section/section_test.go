package section

import (
	"math"
	"math/rand/v2"
	"testing"
)

func near(t *testing.T, what string, got, want, tolerance float64) {
	t.Helper()
	if math.Abs(got-want) > tolerance*math.Max(1, math.Abs(want)) || math.IsNaN(got) {
		t.Errorf("%s: %.9g, want %.9g", what, got, want)
	}
}

// inside tells whether a place (from the lower left corner) is material.
func (in Sizes) inside(x, y float64) bool {
	round := func(x, y, b, h, r float64) bool {
		if x < 0 || y < 0 || x > b || y > h {
			return false
		}
		dx, dy := math.Max(math.Max(r-x, x-(b-r)), 0), math.Max(math.Max(r-y, y-(h-r)), 0)
		return dx*dx+dy*dy <= r*r || dx == 0 || dy == 0
	}
	switch in.Kind {
	case "rectTube":
		t := in.Wall
		return round(x, y, in.Width, in.Height, in.OuterRadius) && !round(x-t, y-t, in.Width-2*t, in.Height-2*t, math.Max(in.OuterRadius-t, 0))
	case "roundTube", "roundBar":
		r := math.Hypot(x-in.Diameter/2, y-in.Diameter/2)
		i := 0.0
		if in.Kind == "roundTube" {
			i = in.Diameter/2 - in.Wall
		}
		return r <= in.Diameter/2 && r >= i
	case "flatBar":
		return x >= 0 && y >= 0 && x <= in.Width && y <= in.Height
	case "angle":
		return x >= 0 && y >= 0 && (x <= in.LegHorizontal && y <= in.Thickness || x <= in.Thickness && y <= in.LegVertical)
	}
	return x >= 0 && y >= 0 && x <= in.FlangeWidth && y <= in.Depth && (x <= in.Web || y <= in.Flange || y >= in.Depth-in.Flange)
}

func sizes(in Sizes) (w, h float64) {
	switch in.Kind {
	case "rectTube", "flatBar":
		return in.Width, in.Height
	case "roundTube", "roundBar":
		return in.Diameter, in.Diameter
	case "angle":
		return in.LegHorizontal, in.LegVertical
	}
	return in.FlangeWidth, in.Depth
}

// Area, second moments and moduli agree with adding up a fine grid.
func TestPropertiesByGrid(t *testing.T) {
	r := rand.New(rand.NewPCG(201, 202))
	list := []Sizes{{Kind: "rectTube", Width: 60, Height: 40, Wall: 3, OuterRadius: 6}, {Kind: "rectTube", Width: 50, Height: 50, Wall: 4},
		{Kind: "roundTube", Diameter: 48.3, Wall: 3.2}, {Kind: "roundBar", Diameter: 20},
		{Kind: "flatBar", Width: 60, Height: 8}, {Kind: "angle", LegVertical: 80, LegHorizontal: 60, Thickness: 7},
		{Kind: "channel", Depth: 100, FlangeWidth: 50, Web: 6, Flange: 8.5}}
	for range 8 {
		list = append(list, Sizes{Kind: "rectTube", Width: 30 + 60*r.Float64(), Height: 30 + 60*r.Float64(), Wall: 1 + 4*r.Float64(),
			OuterRadius: 10 * r.Float64()})
	}
	for _, in := range list {
		p, err := Work(in)
		if err != nil {
			t.Fatalf("%+v: %v", in, err)
		}
		w, h := sizes(in)
		const n = 700
		dx, dy := w/n, h/n
		var a, sx, sy, ix, iy, ixy float64
		for i := range n {
			for k := range n {
				x, y := (float64(i)+.5)*dx, (float64(k)+.5)*dy
				if !in.inside(x, y) {
					continue
				}
				a += dx * dy
				sx, sy = sx+y*dx*dy, sy+x*dx*dy
				ix, iy, ixy = ix+y*y*dx*dy, iy+x*x*dx*dy, ixy+x*y*dx*dy
			}
		}
		cx, cy := sy/a, sx/a
		ix, iy, ixy = ix-a*cy*cy, iy-a*cx*cx, ixy-a*cx*cy
		var zx, zy float64 // about the lines that halve the area
		half := func(axis int) float64 {
			sum := 0.0
			for k := range n {
				for i := range n {
					x, y := (float64(i)+.5)*dx, (float64(k)+.5)*dy
					if axis == 1 {
						x, y = (float64(k)+.5)*dx, (float64(i)+.5)*dy
					}
					if in.inside(x, y) {
						sum += dx * dy
					}
				}
				if sum >= a/2 {
					if axis == 0 {
						return (float64(k) + 1) * dy
					}
					return (float64(k) + 1) * dx
				}
			}
			return 0
		}
		hy, hx := half(0), half(1)
		for i := range n {
			for k := range n {
				x, y := (float64(i)+.5)*dx, (float64(k)+.5)*dy
				if in.inside(x, y) {
					zx, zy = zx+math.Abs(y-hy)*dx*dy, zy+math.Abs(x-hx)*dx*dy
				}
			}
		}
		name := in.Kind
		near(t, name+" area", p.Area, a, .01)
		near(t, name+" ix", p.Ix, ix, .015)
		near(t, name+" iy", p.Iy, iy, .015)
		near(t, name+" ixy", p.Ixy, ixy, .015+.002*ix)
		near(t, name+" zx", p.Zx, zx, .02)
		near(t, name+" zy", p.Zy, zy, .02)
		near(t, name+" sx", p.Sx, ix/math.Max(cy, h-cy), .015)
		near(t, name+" sy", p.Sy, iy/math.Max(cx, w-cx), .015)
		near(t, name+" i1+i2", p.I1+p.I2, p.Ix+p.Iy, 1e-12)
		near(t, name+" i1·i2", p.I1*p.I2, p.Ix*p.Iy-p.Ixy*p.Ixy, 1e-9)
		near(t, name+" mass", p.MassPerMetre, p.Area*.00785, 1e-12)
		if p.RMin > math.Min(p.Rx, p.Ry)+1e-9 || p.Zx < p.Sx || p.J <= 0 || p.PaintPerMetre <= 0 {
			t.Errorf("%s: %+v", name, p)
		}
	}
}

// Tables: EN 10219-2 gives 50 × 50 × 3 (outside radius 6) 5.41 cm², 19.5 cm⁴,
// torsion 32.1 cm⁴; 60 × 40 × 3 5.41 cm², 25.4 and 13.4 cm⁴, 29.3 cm⁴.
func TestPropertiesByTable(t *testing.T) {
	p, _ := Work(Sizes{Kind: "rectTube", Width: 50, Height: 50, Wall: 3, OuterRadius: 6})
	near(t, "area", p.Area/100, 5.41, .002)
	near(t, "ix", p.Ix/1e4, 19.5, .003)
	near(t, "j", p.J/1e4, 32.1, .005)
	near(t, "wel", p.Sx/1e3, 7.79, .003)
	near(t, "wpl", p.Zx/1e3, 9.39, .003)
	p, _ = Work(Sizes{Kind: "rectTube", Width: 40, Height: 60, Wall: 3, OuterRadius: 6})
	near(t, "ix", p.Ix/1e4, 25.4, .003)
	near(t, "iy", p.Iy/1e4, 13.4, .004)
	near(t, "j", p.J/1e4, 29.3, .005)
	// A square bar's torsion is 0.1406·a⁴, a long strip's a third of b·t³.
	p, _ = Work(Sizes{Kind: "flatBar", Width: 20, Height: 20})
	near(t, "square", p.J, .14058*math.Pow(20, 4), 1e-4)
	p, _ = Work(Sizes{Kind: "flatBar", Width: 1000, Height: 1})
	near(t, "strip", p.J, 1000./3, .001)
	p, _ = Work(Sizes{Kind: "roundTube", Diameter: 60, Wall: 5})
	near(t, "round", p.J, math.Pi/32*(math.Pow(60, 4)-math.Pow(50, 4)), 1e-12)
}

func TestSectionsRefused(t *testing.T) {
	for _, in := range []Sizes{{}, {Kind: "beam"}, {Kind: "rectTube", Width: 50, Height: 50},
		{Kind: "rectTube", Width: 50, Height: 50, Wall: 26}, {Kind: "roundTube", Diameter: 20, Wall: 11},
		{Kind: "angle", LegVertical: 5, LegHorizontal: 50, Thickness: 6}, {Kind: "channel", Depth: 10, FlangeWidth: 50, Web: 5, Flange: 6},
		{Kind: "rectTube", Width: 50, Height: 50, Wall: 3, OuterRadius: 30}} {
		if _, err := Work(in); err == nil {
			t.Errorf("%+v is taken", in)
		}
	}
}
