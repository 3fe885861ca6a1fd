package facet

import (
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/solid"
)

// like is how the parts are cut and bent: the given K.
func like(k float64) sheet.Recipe {
	return sheet.Recipe{Material: "steel-s235", Process: "laser", Tool: bend.Tool{Kind: bend.ToolVDie},
		Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k}}
}

// asShell answers a request as a body.
func asShell(in FacetsInput) Shell {
	s := Shell{Thickness: in.Thickness, Side: in.Side, Radius: *in.InsideRadius, K: *in.KFactor}
	for id, p := range in.Points {
		s.Points = append(s.Points, Point{id, p})
	}
	for _, p := range in.Panels {
		s.Panels = append(s.Panels, Panel(p))
	}
	for _, l := range in.Bends {
		s.Seams = append(s.Seams, Seam{A: l[0], B: l[1], Kind: BentOne})
	}
	return s
}

// stands asks whether every panel of a part, folded by the sheet core, stands where the body has it:
// the corners of its flat part on the middle of the sheet.
func (b *Built) stands(t *testing.T, k Blank, r sheet.Recipe, p made.Part) (panels int) {
	t.Helper()
	root := b.Faces[k.Faces[0]]
	mid := b.Middle()
	ground := root.Pose
	first := b.inFace(k, 0, k.Flats[0][0])
	ground.Origin = root.Pose.Apply(solid.Vector{first.X, first.Y, mid})
	edge := b.inFace(k, 0, k.Flats[0][1]).Sub(first)
	edge = edge.Mul(1 / edge.Len())
	ground.X = root.Pose.Turn(solid.Vector{edge.X, edge.Y, 0})
	ground.Y = ground.Z.Cross(ground.X)
	outlines := map[string]sheet.Flange{}
	var walk func([]sheet.Flange)
	walk = func(list []sheet.Flange) {
		for _, f := range list {
			outlines[f.ID] = f
			walk(f.Flanges)
		}
	}
	walk(r.Base.Flanges)
	for _, q := range p.Panels {
		f, is := outlines[q.ID]
		if !is {
			continue
		}
		i := -1
		for n, face := range k.Faces {
			if b.Faces[face].ID == q.ID {
				i = n
			}
		}
		// The first corner of the outline is where the edge it hangs on starts.
		its := b.hangsBy(k, i)
		for n, c := range f.Outline {
			at := ground.Apply(q.Seat.At(profile.Point{X: c.X + q.Seat.Width/2, Y: c.Y}))
			flat := b.inFace(k, i, k.Flats[i][(its+n)%len(f.Outline)])
			want := b.Faces[k.Faces[i]].Pose.Apply(solid.Vector{flat.X, flat.Y, mid})
			if miss := at.Sub(want).Len(); miss > 1e-6 {
				t.Fatalf("corner %d of panel %s comes %.6f mm off", n, q.ID, miss)
			}
		}
		panels++
	}
	return panels
}

// inFace answers a place of the blank in the axes of one of its panels.
func (b *Built) inFace(k Blank, i int, p profile.Point) profile.Point {
	d := p.Sub(k.Places[i].Origin)
	return profile.Point{X: d.Dot(k.Places[i].X), Y: d.Dot(k.Places[i].Y)}
}

// An open box and random hulls, edges bent at random, as parts of the sheet core: their blanks are as
// large but for what reliefs take, and folded by that core every panel stands where the body has it.
func TestBlanksAreParts(t *testing.T) {
	r := rand.New(rand.NewPCG(19, 5))
	panels, bends := 0, 0
	for n := range 80 {
		var in FacetsInput
		if n == 0 {
			in = block(300, 200, 100)
			in.Bends = [][2]string{{"A", "B"}, {"B", "C"}, {"C", "D"}, {"D", "A"}}
		} else {
			in = ball(r, 5+r.IntN(6), 50)
			in.Bends = bent(r, work(t, in))
		}
		in.Side = Side([]string{"inside", "middle", "outside"}[n%3])
		in.Thickness, in.InsideRadius, in.KFactor = 1+2*r.Float64(), val(1+2*r.Float64()), val(.35+.1*r.Float64())
		b, err := Build(asShell(in))
		if err != nil {
			continue
		}
		for i, k := range b.Blanks {
			recipe, err := b.Recipe(i, like(*in.KFactor))
			if err != nil {
				t.Fatal(err)
			}
			part, err := made.Build(recipe, made.Options{Body: true})
			if err != nil {
				t.Fatal(err)
			}
			if !part.Whole {
				continue // panels that lie over each other on the blank, or bends too near a corner: said by the sheet core
			}
			if stood := b.stands(t, k, recipe, part); stood != len(k.Faces)-1 {
				t.Fatalf("%d of %d panels stand", stood, len(k.Faces)-1)
			}
			// One bend alone: the blank is the body's. Where two meet at a corner a relief is cut, and the strips of
			// both, which the body's outline has cross there, are cut apart.
			more := 1e-6 + float64(max(len(k.Lines)-1, 0))*in.Thickness*in.Thickness
			if apart := part.Area - k.Area; apart > more || apart < -1e-6-float64(len(k.Lines))*4*in.Thickness*(in.Thickness+10) {
				t.Fatalf("area %.3f, of the blank %.3f", part.Area, k.Area)
			}
			panels, bends = panels+len(k.Faces), bends+len(part.BendLines)
			for _, l := range part.BendLines {
				if math.Abs(l.BendAllowance-bend.Allowance(*in.InsideRadius, in.Thickness, *in.KFactor, l.Angle)) > 1e-9 {
					t.Fatalf("allowance %g", l.BendAllowance)
				}
			}
		}
	}
	if panels < 300 || bends < 100 {
		t.Errorf("only %d panels and %d bends were tried", panels, bends)
	}
	box := block(300, 200, 100)
	box.Bends, box.InsideRadius, box.KFactor = [][2]string{{"A", "B"}, {"B", "C"}, {"C", "D"}, {"D", "A"}}, val(3), val(.4)
	b, err := Build(asShell(box))
	if err != nil {
		t.Fatal(err)
	}
	recipe, err := b.Recipe(0, like(.4))
	if err != nil {
		t.Fatal(err)
	}
	p := plates.Build(t, recipe)
	size := p.Body.Max.Sub(p.Body.Min)
	if len(plates.Stops(p)) > 0 || len(p.BendLines) != 4 {
		t.Fatalf("%+v", plates.Stops(p))
	}
	near(t, "its height", size[2], 100, 1e-6)
	near(t, "its width", size[0]*size[1], 300*200, 1e-3)
}
