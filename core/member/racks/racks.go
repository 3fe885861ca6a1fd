// Package racks holds the frames and sections that tests of frames start from.
package racks

import (
	"fmt"
	"math"
	"testing"

	"warmanvil/core/member"
	"warmanvil/core/member/starters"
	"warmanvil/core/section"
)

var (
	Box40 = section.Sizes{Kind: "rectTube", Width: 40, Height: 60, Wall: 3, OuterRadius: 6}
	Pipe  = section.Sizes{Kind: "roundTube", Diameter: 48.3, Wall: 3.2}
	Big   = section.Sizes{Kind: "roundTube", Diameter: 60.3, Wall: 3.6}
	Angle = section.Sizes{Kind: "angle", LegVertical: 60, LegHorizontal: 40, Thickness: 5}
	Flat  = section.Sizes{Kind: "flatBar", Width: 50, Height: 8}
)

func Near(t *testing.T, what string, got, want, tolerance float64) {
	t.Helper()
	if math.Abs(got-want) > tolerance*math.Max(1, math.Abs(want)) || math.IsNaN(got) {
		t.Errorf("%s: %.9g, want %.9g", what, got, want)
	}
}

func Point(id string, x, y, z float64) member.Point {
	return member.Point{ID: id, Name: id, X: x, Y: y, Z: z}
}

// BentAt makes points of one piece.
func BentAt(d member.Doc, c member.Corner, points ...string) member.Doc {
	for i := range d.Points {
		for _, id := range points {
			if d.Points[i].ID == id {
				d.Points[i].Corner = &c
			}
		}
	}
	return d
}

// Path is a frame of members from point to point.
func Path(s section.Sizes, at ...[3]float64) (d member.Doc) {
	for i, p := range at {
		d.Points = append(d.Points, Point(fmt.Sprintf("p%d", i), p[0], p[1], p[2]))
		if i > 0 {
			d.Members = append(d.Members, member.Member{ID: fmt.Sprintf("m%d", i), Name: fmt.Sprintf("M%d", i), From: fmt.Sprintf("p%d", i-1),
				To: fmt.Sprintf("p%d", i), Section: s})
		}
	}
	return d
}

func Started(t *testing.T, key, stock string, values map[string]float64) member.Doc {
	t.Helper()
	n := 0
	d, err := starters.Start(key, values, StockOf(t, stock), "steel-s235", func() string { n++; return fmt.Sprint("i", n) })
	if err != nil {
		t.Fatal(err)
	}
	return d
}

func StockOf(t *testing.T, name string) section.Stock {
	t.Helper()
	for _, s := range section.Table() {
		if s.Name == name {
			return s
		}
	}
	t.Fatalf("no section %s", name)
	return section.Stock{}
}

// Steel is a frame of mild steel that is one.
func Steel(t *testing.T, d member.Doc) member.Doc {
	t.Helper()
	d.Schema, d.Material = member.Schema, "steel-s235"
	if err := d.Check(); err != nil {
		t.Fatal(err)
	}
	return d
}
