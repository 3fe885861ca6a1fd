package made_test

import (
	"fmt"
	"math"
	"math/rand"
	"strings"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
)

// Between the points of every size drawn on a section lies what the recipe says.
func TestSectionsMeasureWhatWasTyped(t *testing.T) {
	rnd := rand.New(rand.NewSource(21))
	seen := map[string]int{}
	for range 300 {
		r := plates.Random(rnd, rnd.Intn(2) == 0)
		measure := []sheet.Measure{sheet.Outside, sheet.Inside, sheet.Flat, sheet.Tangent}[rnd.Intn(4)]
		r.Base.Measure = measure
		for i := range r.Base.Flanges {
			f := &r.Base.Flanges[i]
			f.Measure, f.Length = []sheet.Measure{sheet.Outside, sheet.Inside, sheet.Flat}[rnd.Intn(3)], 70
			if rnd.Intn(2) == 0 { // a lip on its tip, either way
				lip := plates.Flange(f.ID+"lip", f.Edge, 20+20*rnd.Float64(), 30+60*rnd.Float64())
				lip.Up, lip.InsideRadius = rnd.Intn(2) == 0, f.InsideRadius
				f.Flanges = []sheet.Flange{lip}
			}
		}
		p, err := made.Build(r, made.Options{Sections: true})
		if err != nil || !p.Whole {
			continue
		}
		byPath := map[string]made.Dimension{}
		for _, d := range p.Dimensions {
			byPath[d.Path] = d
		}
		for _, s := range p.Sections {
			for _, m := range s.Sizes {
				d, ok := byPath[m.Path]
				if !ok {
					t.Fatalf("%s is no dimension of the part", m.Path)
				}
				if math.Abs(m.Beside.Len()-1) > 1e-9 {
					t.Fatalf("%s keeps to side %v", m.Path, m.Beside)
				}
				tail := m.Path[strings.LastIndex(m.Path, "/")+1:]
				seen[tail]++
				if tail == "angle" || tail == "insideRadius" {
					continue
				}
				if got := m.To.Sub(m.From).Len(); math.Abs(got-d.Value) > 1e-6 {
					t.Fatalf("%s is drawn %.6f long and is %.6f", m.Path, got, d.Value)
				}
			}
		}
	}
	for _, k := range []string{"length", "width", "angle", "insideRadius"} {
		if seen[k] < 100 {
			t.Errorf("%s was drawn %d times", k, seen[k])
		}
	}
}

// By hand: a Z of 100 with flanges of 40 outside, up at the right, down at the left.
func TestSectionOfAZ(t *testing.T) {
	r := plates.Plate(100, 60)
	r.Base.Flanges = []sheet.Flange{plates.Flange("l", sheet.Left, 40, 90), plates.Flange("r", sheet.Right, 40, 90)}
	r.Base.Flanges[0].Up = false
	p, err := made.Build(r, made.Options{Sections: true})
	if err != nil || len(p.Sections) != 1 {
		t.Fatalf("%v, %d sections", err, len(p.Sections))
	}
	s := p.Sections[0]
	if s.Edge != sheet.Right || fmt.Sprint(s.Panels) != "[l base r]" {
		t.Fatalf("%s %v", s.Edge, s.Panels)
	}
	box := profile.Empty()
	area := 0.0
	for _, piece := range s.Pieces {
		loop := profile.Loop{}
		for _, q := range piece.Rim {
			box.Include(q)
			loop = append(loop, profile.Vertex{X: q.X, Y: q.Y})
		}
		area += math.Abs(loop.Area())
	}
	w, h := box.Size()
	plates.Near(t, "across", w, 100)
	plates.Near(t, "high", h, 2*40-r.Thickness) // both count the sheet once
	// The cut's area is its mid-line times the thickness, chords a little under.
	mid := r.Base.Flanges[0].InsideRadius + r.Thickness/2
	legs := 100 - 2*(mid+r.Thickness/2) + 2*(40-(mid+r.Thickness/2))
	if want := (legs + math.Pi*mid) * r.Thickness; math.Abs(area-want) > .002*want {
		t.Errorf("area of the cut %.3f, want %.3f", area, want)
	}
}

// A jog shows its depth between the same faces, whichever way it goes.
func TestSectionOfAJog(t *testing.T) {
	for _, up := range []bool{true, false} {
		r := plates.Plate(100, 60)
		j := plates.Flange("j", sheet.Right, 40, 60)
		j.Kind, j.Depth, j.Up = sheet.Jog, 25, up
		r.Base.Flanges = []sheet.Flange{j}
		p, err := made.Build(r, made.Options{Sections: true})
		if err != nil || !p.Whole || len(p.Sections) != 1 {
			t.Fatalf("%v %+v", err, p.Findings)
		}
		found := false
		for _, m := range p.Sections[0].Sizes {
			if m.Path != "/base/flanges/0/depth" {
				continue
			}
			found = true
			d := m.To.Sub(m.From)
			want := 25.0
			if !up {
				want = -25
			}
			if math.Abs(d.X) > 1e-9 || math.Abs(d.Y-want) > 1e-9 {
				t.Errorf("up %v: the depth runs %v", up, d)
			}
			// Its foot lies on a face of the base.
			if math.Abs(math.Abs(m.From.Y)-r.Thickness/2) > 1e-9 {
				t.Errorf("up %v: the depth starts at %v", up, m.From)
			}
		}
		if !found {
			t.Errorf("up %v: no depth among %+v", up, p.Sections[0].Sizes)
		}
	}
}
