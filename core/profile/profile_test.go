package profile

import (
	"math"
	"math/rand"
	"testing"
)

const tolerance = 1e-9

func near(t *testing.T, what string, got, want, tol float64) {
	t.Helper()
	if math.Abs(got-want) > tol {
		t.Errorf("%s = %v, want %v", what, got, want)
	}
}

// A slot of 30 × 10 is a rectangle of 20 × 10 and a circle of diameter 10.
func TestSlot(t *testing.T) {
	for _, angle := range []float64{0, 30, 90, 217} {
		s := Slot(Point{5, -3}, 30, 10, angle)
		near(t, "area", s.Area(), 200+math.Pi*25, tolerance)
		near(t, "length", s.Length(), 40+math.Pi*10, tolerance)
	}
	b := Slot(Point{}, 30, 10, 90).Bounds()
	near(t, "width", b.Max.X-b.Min.X, 10, tolerance)
	near(t, "height", b.Max.Y-b.Min.Y, 30, tolerance)
}

// A square with one corner rounded by r loses r²·(1 − π/4).
func TestRoundedCorner(t *testing.T) {
	q := math.Tan(math.Pi / 8)
	l := Loop{{0, 0, 0}, {7, 0, q}, {10, 3, 0}, {10, 10, 0}, {0, 10, 0}}
	near(t, "area", l.Area(), 100-9*(1-math.Pi/4), tolerance)
	near(t, "length", l.Length(), 40-6+1.5*math.Pi, tolerance)
	c, r := ArcOf(l[1], l[2])
	near(t, "centre", c.Sub(Point{7, 3}).Len(), 0, tolerance)
	near(t, "radius", r, 3, tolerance)
	// Concave, it loses a quarter circle; the box stays.
	l = Loop{{0, 0, 0}, {7, 0, -q}, {10, 3, 0}, {10, 10, 0}, {0, 10, 0}}
	near(t, "notched area", l.Area(), 100-math.Pi*9/4, tolerance)
	if b := l.Bounds(); b.Max != (Point{10, 10}) || b.Min != (Point{}) {
		t.Errorf("bounds %+v", b)
	}
}

// Flattened loops approach the exact ones from their polygon's side.
func TestFlatten(t *testing.T) {
	s := Slot(Point{}, 50, 20, 20)
	for _, dev := range []float64{1, .1, .001} {
		p := s.Flatten(dev)
		area := 0.0
		for i := range p {
			area += p[i].Cross(p[(i+1)%len(p)]) / 2
		}
		if area > s.Area() || s.Area()-area > dev*s.Length() {
			t.Errorf("deviation %v: area %v of %v", dev, area, s.Area())
		}
	}
}

func TestTidy(t *testing.T) {
	l := Loop{{0, 0, 0}, {0, 0, 0}, {5, 0, 0}, {10, 0, 0}, {10, 10, 0}, {0, 10, 0}, {0, 5, 0}}.Tidy()
	if len(l) != 4 {
		t.Errorf("%v", l)
	}
	near(t, "area", l.Area(), 100, tolerance)
}

func TestBetween(t *testing.T) {
	square := []Point{{0, 0}, {10, 0}, {10, 10}, {0, 10}}
	near(t, "point to square", Between([]Point{{13, 14}}, square), 5, tolerance)
	near(t, "inside", Between([]Point{{4, 5}}, square), 4, tolerance)
	near(t, "segment across", Between([]Point{{-5, 5}, {15, 5}}, square), 0, tolerance)
	near(t, "segment beside", Between([]Point{{12, -5}, {12, 50}}, square), 2, tolerance)
	near(t, "distance", Distance(Point{13, 14}, square), 5, tolerance)
}

// Overlap against a plain interval test, on random upright boxes.
func TestOverlap(t *testing.T) {
	rnd := rand.New(rand.NewSource(3))
	box := func() (Bounds, []Point) {
		x, y, w, h := rnd.Float64()*10, rnd.Float64()*10, 1+rnd.Float64()*5, 1+rnd.Float64()*5
		return Bounds{Point{x, y}, Point{x + w, y + h}}, []Point{{x, y}, {x + w, y}, {x + w, y + h}, {x, y + h}}
	}
	for range 3000 {
		a, pa := box()
		b, pb := box()
		gapX := math.Max(b.Min.X-a.Max.X, a.Min.X-b.Max.X)
		gapY := math.Max(b.Min.Y-a.Max.Y, a.Min.Y-b.Max.Y)
		gap := math.Max(gapX, gapY)
		if math.Abs(gap) < .05 {
			continue // a touch may go either way
		}
		if got := Overlap(pa, pb, .01); got != (gap < 0) {
			t.Fatalf("%v and %v: overlap %v, gap %v", a, b, got, gap)
		}
	}
}
