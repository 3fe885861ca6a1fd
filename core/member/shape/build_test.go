package shape

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/member"
	"warmanvil/core/member/racks"
	"warmanvil/core/section"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// A square corner of two tubes mitred at 45°: lengths, long points, mass and the
// closed surface.
func TestSquareCorner(t *testing.T) {
	b := Build(racks.Steel(t, member.Doc{Points: []member.Point{racks.Point("a", 0, 0, 0), racks.Point("b", 1000, 0, 0),
		racks.Point("c", 1000, 800, 0)},
		Members: []member.Member{{ID: "m", Name: "M", From: "a", To: "b", Section: racks.Box40, B: member.End{Kind: member.Mitre, Onto: "n"}},
			{ID: "n", Name: "N", From: "b", To: "c", Section: racks.Box40, A: member.End{Kind: member.Mitre, Onto: "m"}}}}), nil)
	if len(b.Findings) != 0 {
		t.Errorf("%+v", b.Findings)
	}
	m, n := b.Pieces[0], b.Pieces[1]
	racks.Near(t, "long", m.Length, 1020, 1e-9)
	racks.Near(t, "short", m.Short, 980, 1e-9)
	racks.Near(t, "middle", m.Middle, 1000, 1e-9)
	racks.Near(t, "other long", n.Length, 820, 1e-9)
	racks.Near(t, "saw", m.Ends[1].Saw, 45, 1e-9)
	racks.Near(t, "cut", m.Ends[1].Cut, 45, 1e-9)
	racks.Near(t, "tilt", m.Ends[1].Tilt, 0, 1e-9)
	if m.Ends[1].Long != "right" || m.Ends[1].Lies != "bottom" || m.Ends[0].Kind != member.Square || m.Ends[1].Onto != "N" {
		t.Errorf("%+v", m.Ends)
	}
	racks.Near(t, "mass", m.Mass, m.Props.Area*1000*7850e-9, 1e-9)
	racks.Near(t, "mesh holds what it weighs", m.Mesh.Volume()*7850e-9, m.Mass, .02)
}

// The same corner notched and folded: a V of the fold to the wall that stays.
func TestFoldedCorner(t *testing.T) {
	d := member.Doc{Points: []member.Point{racks.Point("a", 0, 0, 0), racks.Point("b", 1000, 0, 0),
		racks.Point("c", 1000+400, 400*math.Sqrt(3), 0)},
		Members: []member.Member{{ID: "m", Name: "M", From: "a", To: "b", Section: racks.Box40, B: member.End{Kind: member.Mitre, Onto: "n"}},
			{ID: "n", Name: "N", From: "b", To: "c", Section: racks.Box40, A: member.End{Kind: member.Mitre, Onto: "m"}}}}
	b := Build(racks.Steel(t, d), nil)
	f := b.Pieces[0].Ends[1].Folded
	if f == nil || f.With != "N" || b.Pieces[1].Ends[0].Folded == nil {
		t.Fatalf("%+v", b.Pieces[0].Ends[1])
	}
	racks.Near(t, "fold", f.Angle, 60, 1e-9)
	racks.Near(t, "opening", f.Width, 2*(40-3)*math.Tan(math.Pi/6), 1e-9)
	d.Members[1].Section.Wall = 2
	if Build(racks.Steel(t, d), nil).Pieces[0].Ends[1].Folded != nil {
		t.Error("two walls are folded from one tube")
	}
	d.Members[1].Section = racks.Box40
	d.Members[1].Turn = 90
	if Build(racks.Steel(t, d), nil).Pieces[0].Ends[1].Folded != nil {
		t.Error("a tube turned on its side is folded")
	}
}

// Mitres of unequal depths meet at their inside and outside corners, whatever
// the line follows.
func TestUnequalMitre(t *testing.T) {
	for _, up := range []member.Upright{member.Centre, member.Top, member.Bottom} {
		b := Build(racks.Steel(t, member.Doc{Points: []member.Point{racks.Point("a", 0, 0, 0), racks.Point("b", 1000, 0, 0),
			racks.Point("c", 1400, 0, 300)},
			Members: []member.Member{{ID: "m", Name: "M", From: "a", To: "b", Section: racks.Box40, Up: up,
				B: member.End{Kind: member.Mitre, Onto: "n"}},
				{ID: "n", Name: "N", From: "b", To: "c", Section: section.Sizes{Kind: "rectTube", Width: 40, Height: 30, Wall: 2}, Up: up,
					A: member.End{Kind: member.Mitre, Onto: "m"}}}}), nil)
		for _, f := range b.Findings {
			if f.Severity == working.Stop {
				t.Fatalf("%+v", f)
			}
		}
		m, n := b.Runs[0], b.Runs[1]
		corner := func(r *Run, e int, y float64) solid.Vector {
			v, _ := r.meets(r.cuts[e], e, [2]float64{0, y})
			return r.Start.Add(r.Axes.At(0, y)).Add(r.Axes.X.Mul(v))
		}
		racks.Near(t, "tops meet", corner(m, 1, m.Box.Top).Sub(corner(n, 0, n.Box.Top)).Len(), 0, 1e-9)
		racks.Near(t, "bottoms meet", corner(m, 1, m.Box.Bottom).Sub(corner(n, 0, n.Box.Bottom)).Len(), 0, 1e-9)
	}
}

// Random closed polygons of flat-lying tube, mitred all round, close: every
// corner of one piece is a corner of the next.
func TestPolygonsClose(t *testing.T) {
	rnd := rand.New(rand.NewPCG(51, 52))
	for range 60 {
		n := 3 + rnd.IntN(5)
		p := solid.Turned(solid.Vector{50, 60, 70}, 360*rnd.Float64(), 0, 0)
		var d member.Doc
		for i := range n {
			s, c := math.Sincos(2 * math.Pi * (float64(i) + .5*rnd.Float64()) / float64(n))
			v := p.Apply(solid.Vector{(700 + 200*rnd.Float64()) * c, (700 + 200*rnd.Float64()) * s, 0})
			d.Points = append(d.Points, racks.Point(fmt.Sprint("p", i), v[0], v[1], v[2]))
		}
		sec := section.Sizes{Kind: "rectTube", Width: 20 + 40*rnd.Float64(), Height: 30, Wall: 2}
		for i := range n {
			d.Members = append(d.Members, member.Member{ID: fmt.Sprint("m", i), From: fmt.Sprint("p", i), To: fmt.Sprint("p", (i+1)%n), Section: sec,
				A: member.End{Kind: member.Mitre, Onto: fmt.Sprint("m", (i+n-1)%n)}, B: member.End{Kind: member.Mitre, Onto: fmt.Sprint("m", (i+1)%n)}})
		}
		b := Build(racks.Steel(t, d), nil)
		for i := range n {
			if b.Pieces[i].Why != "" {
				t.Fatal(b.Pieces[i].Why)
			}
			r, o := b.Runs[i], b.Runs[(i+1)%n]
			for k := range r.Outer {
				v, _ := r.meets(r.cuts[1], 1, r.Outer[k])
				g := r.Start.Add(r.Axes.At(r.Outer[k][0], r.Outer[k][1])).Add(r.Axes.X.Mul(v))
				w, _ := o.meets(o.cuts[0], 0, r.Outer[k])
				h := o.Start.Add(o.Axes.At(r.Outer[k][0], r.Outer[k][1])).Add(o.Axes.X.Mul(w))
				racks.Near(t, "corner", g.Sub(h).Len(), 0, 1e-6)
			}
			racks.Near(t, "both cut alike", b.Pieces[i].Ends[1].Saw, b.Pieces[(i+1)%n].Ends[0].Saw, 1e-6)
		}
	}
}

// A mitre out of square to the faces is compound: turn and tilt set the blade in
// the cut's plane.
func TestCompoundMitre(t *testing.T) {
	b := Build(racks.Steel(t, member.Doc{Points: []member.Point{racks.Point("a", 0, 0, 0), racks.Point("b", 1000, 0, 0),
		racks.Point("c", 1300, 400, 500)},
		Members: []member.Member{{ID: "m", Name: "M", From: "a", To: "b",
			Section: section.Sizes{Kind: "rectTube", Width: 40, Height: 40, Wall: 3},
			B:       member.End{Kind: member.Mitre, Onto: "n"}}, {ID: "n", Name: "N", From: "b", To: "c",
			Section: section.Sizes{Kind: "rectTube", Width: 40, Height: 40, Wall: 3}, A: member.End{Kind: member.Mitre, Onto: "m"}}}}), nil)
	c := b.Pieces[0].Ends[1]
	if c.Saw == 0 || c.Tilt == 0 {
		t.Fatalf("%+v", c)
	}
	// The normal rebuilt from the saw's two settings makes the same angle with the
	// axis.
	s, tilt := c.Saw*math.Pi/180, c.Tilt*math.Pi/180
	racks.Near(t, "blade", math.Asin(math.Cos(s)*math.Cos(tilt))*180/math.Pi, c.Cut, 1e-9)
	racks.Near(t, "half the turn", 2*(90-c.Cut), math.Acos(300/math.Sqrt(300*300+400*400+500*500))*180/math.Pi, 1)
}

// Butts stop at the near face, flush ends run on to the far one, set-backs,
// plates and gaps take off.
func TestButtAndFlush(t *testing.T) {
	d := member.Doc{Points: []member.Point{racks.Point("a", 0, 0, 0), racks.Point("b", 0, 900, 0), racks.Point("c", 600, 450, 0),
		racks.Point("m", 0, 450, 0)},
		Members: []member.Member{{ID: "rail", Name: "Rail", From: "a", To: "b", Section: racks.Box40},
			{ID: "arm", Name: "Arm", From: "m", To: "c", Section: racks.Box40, A: member.End{Kind: member.Butt, Onto: "rail", Gap: 2},
				B: member.End{Back: 5}}},
		Plates: []member.Plate{{ID: "p", Name: "Plate", Member: "arm", End: "b", Kind: "base", Width: 100, Height: 120, Thickness: 8,
			Holes: 4, Hole: 11, Margin: 15}}}
	b := Build(racks.Steel(t, d), nil)
	if len(b.Findings) != 0 {
		t.Errorf("%+v", b.Findings)
	}
	racks.Near(t, "butted", b.Pieces[1].Length, 600-20-2-5-8, 1e-9)
	racks.Near(t, "plate's outside", b.Plates[0].At[0], 600-5-4, 1e-9)
	racks.Near(t, "plate's mass", b.Plates[0].Mass, (100*120-4*math.Pi*121/4)*8*7850e-9, 1e-9)
	if len(b.Plates[0].Holds) != 4 || b.Pieces[1].Ends[0].Filler != "leg grows by the gap of 2.0 mm" {
		t.Errorf("%+v %+v", b.Plates[0].Holds, b.Pieces[1].Ends[0])
	}
	d.Members[1].A.Kind = member.Flush
	racks.Near(t, "flush", Build(racks.Steel(t, d), nil).Pieces[1].Length, 600+20-2-5-8, 1e-9)
	// At an angle the cut lies in the face.
	d.Plates = nil
	d.Members[1].A = member.End{Kind: member.Butt, Onto: "rail"}
	d.Points[2] = racks.Point("c", 600, 450+600, 0)
	p := Build(racks.Steel(t, d), nil).Pieces[1]
	racks.Near(t, "oblique", p.Ends[0].Saw, 45, 1e-9)
	racks.Near(t, "slant", p.Ends[0].Slant, 40, 1e-9)
	// Onto a round a square end leaves a gap.
	d.Members[0].Section = racks.Big
	p = Build(racks.Steel(t, d), nil).Pieces[1]
	if p.Ends[0].Gap < 5 || !strings.Contains(p.Ends[0].Filler, "cope it") {
		t.Errorf("%+v", p.Ends[0])
	}
}

// A cope lies on both tubes, and its wrap is the saddle of package tube.
func TestSaddleOnRound(t *testing.T) {
	for _, c := range []struct{ x, y, off float64 }{{0, 700, 0}, {400, 700, 0}, {300, 700, 5}} {
		b := Build(racks.Steel(t, member.Doc{Points: []member.Point{racks.Point("a", -500, 0, 0), racks.Point("b", 900, 0, 0),
			racks.Point("m", 0, 0, c.off), racks.Point("c", c.x, c.y, c.off)},
			Members: []member.Member{{ID: "main", Name: "Main", From: "a", To: "b", Section: racks.Big},
				{ID: "br", Name: "Branch", From: "m", To: "c", Section: racks.Pipe, A: member.End{Kind: member.Saddle, Onto: "main"}}}}), nil)
		r, p := b.Runs[1], b.Pieces[1]
		if p.Why != "" || p.Ends[0].Hole == nil {
			t.Fatalf("%+v %+v", p.Why, b.Findings)
		}
		for i := range 72 {
			s, co := math.Sincos(float64(i) * math.Pi / 36)
			q := [2]float64{racks.Pipe.Diameter / 2 * co, racks.Pipe.Diameter / 2 * s}
			v, ok := r.meets(r.cuts[0], 0, q)
			at := r.Start.Add(r.Axes.At(q[0], q[1])).Add(r.Axes.X.Mul(v))
			if !ok {
				t.Fatal("misses")
			}
			racks.Near(t, "on the main tube", math.Hypot(at[1], at[2]), racks.Big.Diameter/2, 1e-9)
			racks.Near(t, "on the branch", at.Sub(r.Start).Cross(r.Axes.X).Len(), racks.Pipe.Diameter/2, 1e-9)
		}
		racks.Near(t, "offset", p.Ends[0].Hole.Offset, c.off, 1e-9)
		racks.Near(t, "angle", p.Ends[0].Hole.Angle, math.Atan2(700, c.x)*180/math.Pi, 1e-9)
		lo, hi := Bounds(p.Ends[0].Wrap)[0], Bounds(p.Ends[0].Wrap)[1]
		racks.Near(t, "lowest", lo, 0, 1e-12)
		racks.Near(t, "deepest", hi, p.Ends[0].Slant, .02)
	}
}

// Every section's mesh is closed and holds the section's area times its length,
// however it is turned.
func TestMeshes(t *testing.T) {
	for _, s := range []section.Sizes{racks.Box40, racks.Pipe, racks.Angle, racks.Flat,
		{Kind: "channel", Depth: 80, FlangeWidth: 50, Web: 4, Flange: 7},
		{Kind: "roundBar", Diameter: 20}} {
		for _, turn := range []float64{0, 33, 90} {
			b := Build(racks.Steel(t, member.Doc{Points: []member.Point{racks.Point("a", 10, 20, 30), racks.Point("b", 500, 300, 200)},
				Members: []member.Member{{ID: "m", From: "a", To: "b", Section: s, Turn: turn, Up: member.Top, Across: member.Left}}}), nil)
			p := b.Pieces[0]
			tolerance := 3e-5 // corners are written to a ten-thousandth
			if member.Round(s) || s.OuterRadius > 0 {
				tolerance = .03
			}
			racks.Near(t, s.Kind, p.Mesh.Volume(), p.Props.Area*p.Middle, tolerance)
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
	for _, s := range []section.Sizes{racks.Box40, racks.Angle, racks.Flat, {Kind: "channel", Depth: 80, FlangeWidth: 50, Web: 4, Flange: 7}} {
		for axis, name := range []string{"x", "y", "z"} {
			for range 12 {
				v := func() float64 { return 100 + 500*rnd.Float64() }
				d := member.Doc{Points: []member.Point{racks.Point("a", v(), v(), v()), racks.Point("b", v(), v(), v())},
					Copies: []member.Copy{{ID: "c", Kind: "mirror", Axis: name, At: 30}},
					Members: []member.Member{{ID: "m", Name: "M", From: "a", To: "b", Section: s, Turn: 360*rnd.Float64() - 180,
						Across: []member.Across{member.Middle, member.Left, member.Right}[rnd.IntN(3)],
						Up:     []member.Upright{member.Centre, member.Top, member.Bottom}[rnd.IntN(3)]}}}
				if rnd.IntN(3) == 0 {
					d.Points[1].X, d.Points[1].Y = d.Points[0].X, d.Points[0].Y
				}
				b := Build(racks.Steel(t, d), nil)
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
	d := member.Doc{Points: []member.Point{racks.Point("a", 0, 0, 0), {ID: "b", Name: "b", X: 500, From: "a"},
		{ID: "c", Name: "c", Y: 300, From: "b"}},
		Members: []member.Member{{ID: "m", Name: "M", From: "a", To: "b", Section: racks.Box40},
			{ID: "n", Name: "N", From: "b", To: "c", Section: racks.Box40}},
		Supports: []member.Support{{Point: "a", Kind: "fixed"}},
		Plates:   []member.Plate{{ID: "p", Member: "n", End: "b", Kind: "cap", Thickness: 3}},
		Copies:   []member.Copy{{ID: "bay", Kind: "repeat", Step: [3]float64{500, 0, 0}, Times: 3}, {ID: "other", Kind: "mirror", Axis: "y"}}}
	b := Build(racks.Steel(t, d), nil)
	// Rails on the mirror's plane are their own image; crosses are doubled.
	if len(b.Pieces) != 4+4+4 || len(b.Laid.plates) != 8 || len(b.Laid.Supports) != 1 {
		t.Errorf("%d pieces, %d plates, supports %+v", len(b.Pieces), len(b.Laid.plates), b.Laid.Supports)
	}
	if len(b.Joints) != 5+8 {
		t.Errorf("%d joints", len(b.Joints))
	}
	racks.Near(t, "last", b.Max[0], 2000+20, 1e-6)
	d.Points[0].From = "c"
	b = Build(racks.Steel(t, d), nil)
	if b.Pieces[0].Why == "" || !strings.Contains(fmt.Sprint(b.Findings), "ring") {
		t.Errorf("a ring of offsets: %q %+v", b.Pieces[0].Why, b.Findings)
	}
}

// What cannot be is told with its member; the rest is still shown.
func TestBadFrames(t *testing.T) {
	good := member.Member{ID: "good", Name: "Good", From: "a", To: "b", Section: racks.Box40}
	for name, c := range map[string]struct {
		m    member.Member
		says string
	}{
		"no length":     {member.Member{ID: "x", Name: "X", From: "a", To: "a", Section: racks.Box40}, "no length"},
		"no point":      {member.Member{ID: "x", Name: "X", From: "a", To: "?", Section: racks.Box40}, "two points"},
		"no section":    {member.Member{ID: "x", Name: "X", From: "a", To: "c"}, "section"},
		"meets nobody":  {member.Member{ID: "x", Name: "X", From: "a", To: "c", Section: racks.Box40, A: member.End{Kind: member.Mitre, Onto: "gone"}}, "is not there"},
		"meets itself":  {member.Member{ID: "x", Name: "X", From: "a", To: "c", Section: racks.Box40, A: member.End{Kind: member.Butt, Onto: "x"}}, "itself"},
		"cope on box":   {member.Member{ID: "x", Name: "X", From: "a", To: "c", Section: racks.Pipe, A: member.End{Kind: member.Saddle, Onto: "good"}}, "not round"},
		"sharp mitre":   {member.Member{ID: "x", Name: "X", From: "a", To: "d", Section: racks.Box40, A: member.End{Kind: member.Mitre, Onto: "good"}}, "past its 60°"},
		"eaten up":      {member.Member{ID: "x", Name: "X", From: "a", To: "c", Section: racks.Box40, A: member.End{Back: 500}, B: member.End{Back: 600}}, "overlap"},
		"no joint":      {member.Member{ID: "x", Name: "X", From: "c", To: "e", Section: racks.Box40}, "not joined"},
		"splice at end": {member.Member{ID: "x", Name: "X", From: "a", To: "c", Section: racks.Box40, Splice: &member.Splice{At: 10, Kind: "sleeve"}}, "splice"},
	} {
		d := member.Doc{Points: []member.Point{racks.Point("a", 0, 0, 0), racks.Point("b", 1000, 0, 0), racks.Point("c", 500, 600, 0),
			racks.Point("d", 1000, 130, 0),
			racks.Point("e", 500, -600, 0)}, Members: []member.Member{good, c.m}}
		b := Build(racks.Steel(t, d), nil)
		if !strings.Contains(fmt.Sprint(b.Findings), c.says) {
			t.Errorf("%s: %+v", name, b.Findings)
		}
		if b.Pieces[0].Why != "" || b.Pieces[0].Length < 900 {
			t.Errorf("%s: the good one is not shown: %s", name, b.Pieces[0].Why)
		}
	}
	for name, d := range map[string]member.Doc{"newer": {Schema: 9},
		"twice": {Points: []member.Point{racks.Point("a", 0, 0, 0), racks.Point("a", 1, 0, 0)}},
		"far":   {Points: []member.Point{racks.Point("a", 1e9, 0, 0)}}, "nan": {Points: []member.Point{racks.Point("a", math.NaN(), 0, 0)}}} {
		if d.Check() == nil {
			t.Errorf("%s is taken", name)
		}
	}
}
