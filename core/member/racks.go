package member

import (
	"fmt"
	"math"
	"testing"
	"warmanvil/core/section"
)

var (
	box40 = section.Sizes{Kind: "rectTube", Width: 40, Height: 60, Wall: 3, OuterRadius: 6}
	pipe  = section.Sizes{Kind: "roundTube", Diameter: 48.3, Wall: 3.2}
	big   = section.Sizes{Kind: "roundTube", Diameter: 60.3, Wall: 3.6}
	angle = section.Sizes{Kind: "angle", LegVertical: 60, LegHorizontal: 40, Thickness: 5}
	flat  = section.Sizes{Kind: "flatBar", Width: 50, Height: 8}
)

func near(t *testing.T, what string, got, want, tolerance float64) {
	t.Helper()
	if math.Abs(got-want) > tolerance*math.Max(1, math.Abs(want)) || math.IsNaN(got) {
		t.Errorf("%s: %.9g, want %.9g", what, got, want)
	}
}

func point(id string, x, y, z float64) Point { return Point{ID: id, Name: id, X: x, Y: y, Z: z} }

// bentAt makes points of one piece.
func bentAt(d Doc, c Corner, points ...string) Doc {
	for i := range d.Points {
		for _, id := range points {
			if d.Points[i].ID == id {
				d.Points[i].Corner = &c
			}
		}
	}
	return d
}

// path is a frame of members from point to point.
func path(s section.Sizes, at ...[3]float64) (d Doc) {
	for i, p := range at {
		d.Points = append(d.Points, point(fmt.Sprintf("p%d", i), p[0], p[1], p[2]))
		if i > 0 {
			d.Members = append(d.Members, Member{ID: fmt.Sprintf("m%d", i), Name: fmt.Sprintf("M%d", i), From: fmt.Sprintf("p%d", i-1),
				To: fmt.Sprintf("p%d", i), Section: s})
		}
	}
	return d
}

func started(t *testing.T, key, stock string, values map[string]float64) Doc {
	t.Helper()
	n := 0
	d, err := Start(key, values, stockOf(t, stock), "steel-s235", func() string { n++; return fmt.Sprint("i", n) })
	if err != nil {
		t.Fatal(err)
	}
	return d
}

func stockOf(t *testing.T, name string) section.Stock {
	t.Helper()
	for _, s := range section.Table() {
		if s.Name == name {
			return s
		}
	}
	t.Fatalf("no section %s", name)
	return section.Stock{}
}
