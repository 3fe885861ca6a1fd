package exchange

import (
	"fmt"
	"math/rand"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
)

// Random parts of every shape and feature, written as DXF in both units and as
// SVG, read back with the same loops; a file that was touched is found out.
func TestFilesReadBack(t *testing.T) {
	rnd := rand.New(rand.NewSource(12))
	k := .42
	for range 150 {
		r := sheet.Recipe{Schema: 1, Material: "steel-a36", Thickness: 2, Process: "laser", Tool: bend.Tool{Kind: bend.ToolVDie},
			Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k},
			Base: sheet.Base{ID: "base", Length: 200 + 100*rnd.Float64(), Width: 150 + 100*rnd.Float64()}, Ticks: true}
		kinds := []sheet.Hole{{Kind: sheet.RoundHole, Diameter: 8}, {Kind: sheet.SlotHole, Diameter: 8, Length: 20, Angle: 30},
			{Kind: sheet.SquareHole, Diameter: 9, Radius: 2}, {Kind: sheet.DHole, Diameter: 12, Flat: 10, Angle: 77},
			{Kind: sheet.KeyholeHole, Diameter: 10, Narrow: 4, Length: 20},
			{Kind: sheet.CutoutHole, Cut: profile.Loop{{X: -5, Y: -5}, {X: 9, Y: -5, Bulge: .3}, {X: 4, Y: 8}}},
			{Kind: sheet.RoundHole, Diameter: 5, Made: sheet.MadeDrilled}}
		for i, h := range kinds {
			if rnd.Intn(2) == 0 {
				continue
			}
			h.ID = fmt.Sprint("h", i)
			h.X, h.Y = sheet.Offset{Edge: sheet.Left, Distance: 25 + float64(i)*22}, sheet.Offset{Edge: sheet.Front, Distance: 40 + 30*rnd.Float64()}
			r.Base.Holes = append(r.Base.Holes, h)
		}
		for i, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back} {
			if rnd.Intn(2) == 0 {
				r.Base.Flanges = append(r.Base.Flanges,
					sheet.Flange{ID: fmt.Sprint("f", i), Edge: e, Length: 30, Angle: 30 + 60*rnd.Float64(), Up: true, InsideRadius: 2,
						Relief: sheet.Relief{Kind: sheet.Round}, Corner: sheet.Corner{Kind: sheet.Radius, Size: 6}})
			}
		}
		r.Base.Edges = []sheet.EdgeCut{{ID: "n", Kind: sheet.Notch, Edge: sheet.Left, At: 60, Width: 12, Depth: 9, Shape: sheet.RoundNotch}}
		p, err := made.Build(r, made.Options{})
		if err != nil || !p.Whole {
			t.Fatalf("%v %+v", err, p.Findings)
		}
		f := Flat{Part: p, Inches: rnd.Intn(2) == 0}
		if err := ReadBack(f, "part.dxf", DXF(f)); err != nil {
			t.Fatalf("%v\n%+v", err, r.Base)
		}
		if err := ReadBack(f, "part.dxf", DXF12(f)); err != nil {
			t.Fatalf("R12: %v\n%+v", err, r.Base)
		}
		if err := ReadBack(f, "part.svg", SVG(f)); err != nil {
			t.Fatalf("svg: %v\n%+v", err, r.Base)
		}
		other := p
		other.Outline = append(profile.Loop{}, p.Outline...)
		other.Outline[1].X += .01
		if ReadBack(Flat{Part: other, Inches: f.Inches}, "part.dxf", DXF(f)) == nil {
			t.Fatal("a hundredth off is not found")
		}
		if len(p.Holes) > 0 {
			other = p
			other.Holes = p.Holes[1:]
			if p.Holes[0].Made != sheet.MadeDrilled && ReadBack(Flat{Part: other, Inches: f.Inches}, "part.dxf", DXF(f)) == nil {
				t.Fatal("a hole too many is not found")
			}
		}
	}
}
