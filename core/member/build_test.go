package member

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/section"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

func built(t *testing.T, d Doc) *Built {
	t.Helper()
	d.Schema, d.Material = 1, "steel-s235"
	if err := d.Check(); err != nil {
		t.Fatal(err)
	}
	return Build(d, nil)
}

// A square corner of two tubes mitred at 45°: lengths, long points, mass and the
// closed surface.
func TestSquareCorner(t *testing.T) {
	b := built(t, Doc{Points: []Point{point("a", 0, 0, 0), point("b", 1000, 0, 0), point("c", 1000, 800, 0)},
		Members: []Member{{ID: "m", Name: "M", From: "a", To: "b", Section: box40, B: End{Kind: Mitre, Onto: "n"}},
			{ID: "n", Name: "N", From: "b", To: "c", Section: box40, A: End{Kind: Mitre, Onto: "m"}}}})
	if len(b.Findings) != 0 {
		t.Errorf("%+v", b.Findings)
	}
	m, n := b.Pieces[0], b.Pieces[1]
	near(t, "long", m.Length, 1020, 1e-9)
	near(t, "short", m.Short, 980, 1e-9)
	near(t, "middle", m.Middle, 1000, 1e-9)
	near(t, "other long", n.Length, 820, 1e-9)
	near(t, "saw", m.Ends[1].Saw, 45, 1e-9)
	near(t, "cut", m.Ends[1].Cut, 45, 1e-9)
	near(t, "tilt", m.Ends[1].Tilt, 0, 1e-9)
	if m.Ends[1].Long != "right" || m.Ends[1].Lies != "bottom" || m.Ends[0].Kind != Square || m.Ends[1].Onto != "N" {
		t.Errorf("%+v", m.Ends)
	}
	near(t, "mass", m.Mass, m.props.Area*1000*7850e-9, 1e-9)
	near(t, "mesh holds what it weighs", m.Mesh.volume()*7850e-9, m.Mass, .02)
}

// The same corner notched and folded: a V of the fold to the wall that stays.
func TestFoldedCorner(t *testing.T) {
	d := Doc{Points: []Point{point("a", 0, 0, 0), point("b", 1000, 0, 0), point("c", 1000+400, 400*math.Sqrt(3), 0)},
		Members: []Member{{ID: "m", Name: "M", From: "a", To: "b", Section: box40, B: End{Kind: Mitre, Onto: "n"}},
			{ID: "n", Name: "N", From: "b", To: "c", Section: box40, A: End{Kind: Mitre, Onto: "m"}}}}
	b := built(t, d)
	f := b.Pieces[0].Ends[1].Folded
	if f == nil || f.With != "N" || b.Pieces[1].Ends[0].Folded == nil {
		t.Fatalf("%+v", b.Pieces[0].Ends[1])
	}
	near(t, "fold", f.Angle, 60, 1e-9)
	near(t, "opening", f.Width, 2*(40-3)*math.Tan(math.Pi/6), 1e-9)
	d.Members[1].Section.Wall = 2
	if built(t, d).Pieces[0].Ends[1].Folded != nil {
		t.Error("two walls are folded from one tube")
	}
	d.Members[1].Section = box40
	d.Members[1].Turn = 90
	if built(t, d).Pieces[0].Ends[1].Folded != nil {
		t.Error("a tube turned on its side is folded")
	}
}

// Mitres of unequal depths meet at their inside and outside corners, whatever
// the line follows.
func TestUnequalMitre(t *testing.T) {
	for _, up := range []Upright{Centre, Top, Bottom} {
		b := built(t, Doc{Points: []Point{point("a", 0, 0, 0), point("b", 1000, 0, 0), point("c", 1400, 0, 300)},
			Members: []Member{{ID: "m", Name: "M", From: "a", To: "b", Section: box40, Up: up, B: End{Kind: Mitre, Onto: "n"}},
				{ID: "n", Name: "N", From: "b", To: "c", Section: section.Sizes{Kind: "rectTube", Width: 40, Height: 30, Wall: 2}, Up: up,
					A: End{Kind: Mitre, Onto: "m"}}}})
		for _, f := range b.Findings {
			if f.Severity == working.Stop {
				t.Fatalf("%+v", f)
			}
		}
		m, n := b.runs[0], b.runs[1]
		corner := func(r *run, e int, y float64) solid.Vector {
			v, _ := r.meets(r.cuts[e], e, [2]float64{0, y})
			return r.start.Add(r.axes.at(0, y)).Add(r.axes.X.Mul(v))
		}
		near(t, "tops meet", corner(m, 1, m.box.top).Sub(corner(n, 0, n.box.top)).Len(), 0, 1e-9)
		near(t, "bottoms meet", corner(m, 1, m.box.bottom).Sub(corner(n, 0, n.box.bottom)).Len(), 0, 1e-9)
	}
}

// Random closed polygons of flat-lying tube, mitred all round, close: every
// corner of one piece is a corner of the next.
func TestPolygonsClose(t *testing.T) {
	rnd := rand.New(rand.NewPCG(51, 52))
	for range 60 {
		n := 3 + rnd.IntN(5)
		p := solid.Turned(solid.Vector{50, 60, 70}, 360*rnd.Float64(), 0, 0)
		var d Doc
		for i := range n {
			s, c := math.Sincos(2 * math.Pi * (float64(i) + .5*rnd.Float64()) / float64(n))
			v := p.Apply(solid.Vector{(700 + 200*rnd.Float64()) * c, (700 + 200*rnd.Float64()) * s, 0})
			d.Points = append(d.Points, point(fmt.Sprint("p", i), v[0], v[1], v[2]))
		}
		sec := section.Sizes{Kind: "rectTube", Width: 20 + 40*rnd.Float64(), Height: 30, Wall: 2}
		for i := range n {
			d.Members = append(d.Members, Member{ID: fmt.Sprint("m", i), From: fmt.Sprint("p", i), To: fmt.Sprint("p", (i+1)%n), Section: sec,
				A: End{Kind: Mitre, Onto: fmt.Sprint("m", (i+n-1)%n)}, B: End{Kind: Mitre, Onto: fmt.Sprint("m", (i+1)%n)}})
		}
		b := built(t, d)
		for i := range n {
			if b.Pieces[i].Why != "" {
				t.Fatal(b.Pieces[i].Why)
			}
			r, o := b.runs[i], b.runs[(i+1)%n]
			for k := range r.outer {
				v, _ := r.meets(r.cuts[1], 1, r.outer[k])
				g := r.start.Add(r.axes.at(r.outer[k][0], r.outer[k][1])).Add(r.axes.X.Mul(v))
				w, _ := o.meets(o.cuts[0], 0, r.outer[k])
				h := o.start.Add(o.axes.at(r.outer[k][0], r.outer[k][1])).Add(o.axes.X.Mul(w))
				near(t, "corner", g.Sub(h).Len(), 0, 1e-6)
			}
			near(t, "both cut alike", b.Pieces[i].Ends[1].Saw, b.Pieces[(i+1)%n].Ends[0].Saw, 1e-6)
		}
	}
}

// A mitre out of square to the faces is compound: turn and tilt set the blade in
// the cut's plane.
func TestCompoundMitre(t *testing.T) {
	b := built(t, Doc{Points: []Point{point("a", 0, 0, 0), point("b", 1000, 0, 0), point("c", 1300, 400, 500)},
		Members: []Member{{ID: "m", Name: "M", From: "a", To: "b", Section: section.Sizes{Kind: "rectTube", Width: 40, Height: 40, Wall: 3},
			B: End{Kind: Mitre, Onto: "n"}}, {ID: "n", Name: "N", From: "b", To: "c",
			Section: section.Sizes{Kind: "rectTube", Width: 40, Height: 40, Wall: 3}, A: End{Kind: Mitre, Onto: "m"}}}})
	c := b.Pieces[0].Ends[1]
	if c.Saw == 0 || c.Tilt == 0 {
		t.Fatalf("%+v", c)
	}
	// The normal rebuilt from the saw's two settings makes the same angle with the
	// axis.
	s, tilt := c.Saw*math.Pi/180, c.Tilt*math.Pi/180
	near(t, "blade", math.Asin(math.Cos(s)*math.Cos(tilt))*180/math.Pi, c.Cut, 1e-9)
	near(t, "half the turn", 2*(90-c.Cut), math.Acos(300/math.Sqrt(300*300+400*400+500*500))*180/math.Pi, 1)
}

// Butts stop at the near face, flush ends run on to the far one, set-backs,
// plates and gaps take off.
func TestButtAndFlush(t *testing.T) {
	d := Doc{Points: []Point{point("a", 0, 0, 0), point("b", 0, 900, 0), point("c", 600, 450, 0), point("m", 0, 450, 0)},
		Members: []Member{{ID: "rail", Name: "Rail", From: "a", To: "b", Section: box40},
			{ID: "arm", Name: "Arm", From: "m", To: "c", Section: box40, A: End{Kind: Butt, Onto: "rail", Gap: 2}, B: End{Back: 5}}},
		Plates: []Plate{{ID: "p", Name: "Plate", Member: "arm", End: "b", Kind: "base", Width: 100, Height: 120, Thickness: 8,
			Holes: 4, Hole: 11, Margin: 15}}}
	b := built(t, d)
	if len(b.Findings) != 0 {
		t.Errorf("%+v", b.Findings)
	}
	near(t, "butted", b.Pieces[1].Length, 600-20-2-5-8, 1e-9)
	near(t, "plate's outside", b.Plates[0].At[0], 600-5-4, 1e-9)
	near(t, "plate's mass", b.Plates[0].Mass, (100*120-4*math.Pi*121/4)*8*7850e-9, 1e-9)
	if len(b.Plates[0].Holds) != 4 || b.Pieces[1].Ends[0].Filler != "leg grows by the gap of 2.0 mm" {
		t.Errorf("%+v %+v", b.Plates[0].Holds, b.Pieces[1].Ends[0])
	}
	d.Members[1].A.Kind = Flush
	near(t, "flush", built(t, d).Pieces[1].Length, 600+20-2-5-8, 1e-9)
	// At an angle the cut lies in the face.
	d.Plates = nil
	d.Members[1].A = End{Kind: Butt, Onto: "rail"}
	d.Points[2] = point("c", 600, 450+600, 0)
	p := built(t, d).Pieces[1]
	near(t, "oblique", p.Ends[0].Saw, 45, 1e-9)
	near(t, "slant", p.Ends[0].Slant, 40, 1e-9)
	// Onto a round a square end leaves a gap.
	d.Members[0].Section = big
	p = built(t, d).Pieces[1]
	if p.Ends[0].Gap < 5 || !strings.Contains(p.Ends[0].Filler, "cope it") {
		t.Errorf("%+v", p.Ends[0])
	}
}

// A cope lies on both tubes, and its wrap is the saddle of package tube.
func TestSaddleOnRound(t *testing.T) {
	for _, c := range []struct{ x, y, off float64 }{{0, 700, 0}, {400, 700, 0}, {300, 700, 5}} {
		b := built(t, Doc{Points: []Point{point("a", -500, 0, 0), point("b", 900, 0, 0), point("m", 0, 0, c.off), point("c", c.x, c.y, c.off)},
			Members: []Member{{ID: "main", Name: "Main", From: "a", To: "b", Section: big},
				{ID: "br", Name: "Branch", From: "m", To: "c", Section: pipe, A: End{Kind: Saddle, Onto: "main"}}}})
		r, p := b.runs[1], b.Pieces[1]
		if p.Why != "" || p.Ends[0].Hole == nil {
			t.Fatalf("%+v %+v", p.Why, b.Findings)
		}
		for i := range 72 {
			s, co := math.Sincos(float64(i) * math.Pi / 36)
			q := [2]float64{pipe.Diameter / 2 * co, pipe.Diameter / 2 * s}
			v, ok := r.meets(r.cuts[0], 0, q)
			at := r.start.Add(r.axes.at(q[0], q[1])).Add(r.axes.X.Mul(v))
			if !ok {
				t.Fatal("misses")
			}
			near(t, "on the main tube", math.Hypot(at[1], at[2]), big.Diameter/2, 1e-9)
			near(t, "on the branch", at.Sub(r.start).Cross(r.axes.X).Len(), pipe.Diameter/2, 1e-9)
		}
		near(t, "offset", p.Ends[0].Hole.Offset, c.off, 1e-9)
		near(t, "angle", p.Ends[0].Hole.Angle, math.Atan2(700, c.x)*180/math.Pi, 1e-9)
		lo, hi := bounds(p.Ends[0].Wrap)[0], bounds(p.Ends[0].Wrap)[1]
		near(t, "lowest", lo, 0, 1e-12)
		near(t, "deepest", hi, p.Ends[0].Slant, .02)
	}
}

// Every section's mesh is closed and holds the section's area times its length,
// however it is turned.
func TestMeshes(t *testing.T) {
	for _, s := range []section.Sizes{box40, pipe, angle, flat, {Kind: "channel", Depth: 80, FlangeWidth: 50, Web: 4, Flange: 7},
		{Kind: "roundBar", Diameter: 20}} {
		for _, turn := range []float64{0, 33, 90} {
			b := built(t, Doc{Points: []Point{point("a", 10, 20, 30), point("b", 500, 300, 200)},
				Members: []Member{{ID: "m", From: "a", To: "b", Section: s, Turn: turn, Up: Top, Across: Left}}})
			p := b.Pieces[0]
			tolerance := 3e-5 // corners are written to a ten-thousandth
			if round(s) || s.OuterRadius > 0 {
				tolerance = .03
			}
			near(t, s.Kind, p.Mesh.volume(), p.props.Area*p.Middle, tolerance)
			edges := map[[2]int]int{}
			for _, c := range p.Mesh.Triangles {
				for k := range 3 {
					edges[[2]int{c[k], c[(k+1)%3]}]++
				}
			}
			for e, n := range edges {
				if n != 1 || edges[[2]int{e[1], e[0]}] != 1 {
					t.Fatalf("%s: edge %v is not closed", s.Kind, e)
				}
			}
		}
	}
}

// A mirrored member is the mirror image: its corners are those of the first
// across the plane, whatever its section, attitude and line.
func TestMirror(t *testing.T) {
	rnd := rand.New(rand.NewPCG(61, 62))
	for _, s := range []section.Sizes{box40, angle, flat, {Kind: "channel", Depth: 80, FlangeWidth: 50, Web: 4, Flange: 7}} {
		for axis, name := range []string{"x", "y", "z"} {
			for range 12 {
				v := func() float64 { return 100 + 500*rnd.Float64() }
				d := Doc{Points: []Point{point("a", v(), v(), v()), point("b", v(), v(), v())},
					Copies: []Copy{{ID: "c", Kind: "mirror", Axis: name, At: 30}},
					Members: []Member{{ID: "m", Name: "M", From: "a", To: "b", Section: s, Turn: 360*rnd.Float64() - 180,
						Across: []Across{Middle, Left, Right}[rnd.IntN(3)], Up: []Upright{Centre, Top, Bottom}[rnd.IntN(3)]}}}
				if rnd.IntN(3) == 0 {
					d.Points[1].X, d.Points[1].Y = d.Points[0].X, d.Points[0].Y
				}
				b := built(t, d)
				if len(b.Pieces) != 2 || b.Pieces[1].Of != "m" || !b.Pieces[1].Mirrored {
					t.Fatalf("%d pieces %+v", len(b.Pieces), b.Findings)
				}
				for _, c := range b.Pieces[0].Mesh.Corners {
					c[axis] = 60 - c[axis]
					least := math.Inf(1)
					for _, o := range b.Pieces[1].Mesh.Corners {
						least = math.Min(least, o.Sub(c).Len())
					}
					if least > 1e-3 {
						t.Fatalf("%s across %s: a corner is %.3f off", s.Kind, name, least)
					}
				}
			}
		}
	}
}

// Bays repeat, share points where they meet, and bring supports and plates
// along; offsets follow one another.
func TestCopiesAndOffsets(t *testing.T) {
	d := Doc{Points: []Point{point("a", 0, 0, 0), {ID: "b", Name: "b", X: 500, From: "a"}, {ID: "c", Name: "c", Y: 300, From: "b"}},
		Members:  []Member{{ID: "m", Name: "M", From: "a", To: "b", Section: box40}, {ID: "n", Name: "N", From: "b", To: "c", Section: box40}},
		Supports: []Support{{Point: "a", Kind: "fixed"}},
		Plates:   []Plate{{ID: "p", Member: "n", End: "b", Kind: "cap", Thickness: 3}},
		Copies:   []Copy{{ID: "bay", Kind: "repeat", Step: [3]float64{500, 0, 0}, Times: 3}, {ID: "other", Kind: "mirror", Axis: "y"}}}
	b := built(t, d)
	// Rails on the mirror's plane are their own image; crosses are doubled.
	if len(b.Pieces) != 4+4+4 || len(b.laid.plates) != 8 || len(b.laid.supports) != 1 {
		t.Errorf("%d pieces, %d plates, supports %+v", len(b.Pieces), len(b.laid.plates), b.laid.supports)
	}
	if len(b.Joints) != 5+8 {
		t.Errorf("%d joints", len(b.Joints))
	}
	near(t, "last", b.Max[0], 2000+20, 1e-6)
	d.Points[0].From = "c"
	b = built(t, d)
	if b.Pieces[0].Why == "" || !strings.Contains(fmt.Sprint(b.Findings), "ring") {
		t.Errorf("a ring of offsets: %q %+v", b.Pieces[0].Why, b.Findings)
	}
}

// What cannot be is told with its member; the rest is still shown.
func TestBadFrames(t *testing.T) {
	good := Member{ID: "good", Name: "Good", From: "a", To: "b", Section: box40}
	for name, c := range map[string]struct {
		m    Member
		says string
	}{
		"no length":     {Member{ID: "x", Name: "X", From: "a", To: "a", Section: box40}, "no length"},
		"no point":      {Member{ID: "x", Name: "X", From: "a", To: "?", Section: box40}, "two points"},
		"no section":    {Member{ID: "x", Name: "X", From: "a", To: "c"}, "section"},
		"meets nobody":  {Member{ID: "x", Name: "X", From: "a", To: "c", Section: box40, A: End{Kind: Mitre, Onto: "gone"}}, "is not there"},
		"meets itself":  {Member{ID: "x", Name: "X", From: "a", To: "c", Section: box40, A: End{Kind: Butt, Onto: "x"}}, "itself"},
		"cope on box":   {Member{ID: "x", Name: "X", From: "a", To: "c", Section: pipe, A: End{Kind: Saddle, Onto: "good"}}, "not round"},
		"sharp mitre":   {Member{ID: "x", Name: "X", From: "a", To: "d", Section: box40, A: End{Kind: Mitre, Onto: "good"}}, "past its 60°"},
		"eaten up":      {Member{ID: "x", Name: "X", From: "a", To: "c", Section: box40, A: End{Back: 500}, B: End{Back: 600}}, "overlap"},
		"no joint":      {Member{ID: "x", Name: "X", From: "c", To: "e", Section: box40}, "not joined"},
		"splice at end": {Member{ID: "x", Name: "X", From: "a", To: "c", Section: box40, Splice: &Splice{At: 10, Kind: "sleeve"}}, "splice"},
	} {
		d := Doc{Points: []Point{point("a", 0, 0, 0), point("b", 1000, 0, 0), point("c", 500, 600, 0), point("d", 1000, 130, 0),
			point("e", 500, -600, 0)}, Members: []Member{good, c.m}}
		b := built(t, d)
		if !strings.Contains(fmt.Sprint(b.Findings), c.says) {
			t.Errorf("%s: %+v", name, b.Findings)
		}
		if b.Pieces[0].Why != "" || b.Pieces[0].Length < 900 {
			t.Errorf("%s: the good one is not shown: %s", name, b.Pieces[0].Why)
		}
	}
	for name, d := range map[string]Doc{"newer": {Schema: 9}, "twice": {Points: []Point{point("a", 0, 0, 0), point("a", 1, 0, 0)}},
		"far": {Points: []Point{point("a", 1e9, 0, 0)}}, "nan": {Points: []Point{point("a", math.NaN(), 0, 0)}}} {
		if d.Check() == nil {
			t.Errorf("%s is taken", name)
		}
	}
}
