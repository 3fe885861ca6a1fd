package held

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/member"
	"warmanvil/core/member/cutlist"
	"warmanvil/core/member/racks"
	"warmanvil/core/member/shape"
	"warmanvil/core/section"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/tube"
	"warmanvil/core/working"
)

func mustNot(t *testing.T, b *shape.Built, codes ...string) {
	t.Helper()
	for _, f := range b.Findings {
		for _, c := range codes {
			if f.Code == c || c == "stop" && f.Severity == working.Stop {
				t.Errorf("%+v", f)
			}
		}
	}
}

// A U of box tube notched and folded by hand: legs to the inside of the wall
// that stays, two V of 90°, one piece in the cut list.
func TestFoldedU(t *testing.T) {
	square := section.Sizes{Kind: "rectTube", Width: 40, Height: 40, Wall: 3, OuterRadius: 6}
	d := racks.BentAt(racks.Path(square, [3]float64{0, 0, 0}, [3]float64{600, 0, 0}, [3]float64{600, 0, 400}, [3]float64{0, 0, 400}),
		member.Corner{Kind: member.Fold}, "p1", "p2")
	b := shape.Build(racks.Steel(t, d), nil)
	mustNot(t, b, "stop", "not-joined")
	if len(b.Formed) != 1 || len(b.Formed[0].Corners) != 2 {
		t.Fatalf("%+v", b.Formed)
	}
	f := b.Formed[0]
	// Outside: 620 + 440 + 620; the hinge lies one wall in, at each of four legs' ends.
	racks.Near(t, "developed", f.Developed, 620+440+620-4*3, 1e-9)
	racks.Near(t, "first V", f.Corners[0].At, 620-3, 1e-9)
	racks.Near(t, "second V", f.Corners[1].At, 620+440-9, 1e-9)
	for _, c := range f.Corners {
		racks.Near(t, "opening", c.Width, 2*37, 1e-9)
		racks.Near(t, "deep", c.Deep, 37, 1e-9)
		racks.Near(t, "turn", c.Turn, 0, 1e-9)
		if c.Side != "top" {
			t.Errorf("%+v", c)
		}
	}
	rows := cutlist.Plan(t.Context(), b, member.Saw{}).Rows
	if len(rows) != 1 || rows[0].Quantity != 1 || len(rows[0].Pieces) != 3 || rows[0].CutTo != f.Developed {
		t.Fatalf("%+v", rows)
	}
	racks.Near(t, "mass as mitred", f.Mass, b.Pieces[0].Props.Area*(600+400+600)*7850e-9, 1e-9)
	d = racks.BentAt(d, member.Corner{Kind: member.Fold, Hinge: "outer"}, "p1", "p2")
	f = shape.Build(racks.Steel(t, d), nil).Formed[0]
	racks.Near(t, "to the outside", f.Developed, 620+440+620, 1e-9)
	racks.Near(t, "deeper", f.Corners[0].Deep, 40, 1e-9)
	// Its V are welded, and the working says what the wall that stays counts for.
	rack := d
	rack.Schema, rack.Material = 1, "steel-s235"
	rack.Supports = []member.Support{{Point: "p0", Kind: "fixed"}, {Point: "p3", Kind: "fixed"}}
	rack.Loads = []member.Load{{ID: "l", Name: "Box", Kind: "mass", Kilos: 60, Points: []string{"p1", "p2"}}}
	said := func(d member.Doc) bool {
		w := Hold(shape.Build(d, nil), d, asked()).Members[1].Weld
		if w.Utilisation == nil || *w.Utilisation == 0 {
			t.Fatalf("%+v", w)
		}
		return strings.Contains(strings.Join(w.Working.Assumptions, ";"), "three open sides")
	}
	plainly := rack
	plainly.Points = slices.Clone(rack.Points)
	for i := range plainly.Points {
		plainly.Points[i].Corner = nil
	}
	if !said(rack) || said(plainly) {
		t.Error("the weld of a fold is told as any other's")
	}
	// Closed all round it is opened at its first point.
	d = racks.Path(square, [3]float64{0, 0, 0}, [3]float64{600, 0, 0}, [3]float64{600, 500, 0}, [3]float64{0, 500, 0})
	d.Members = append(d.Members, member.Member{ID: "m4", Name: "M4", From: "p3", To: "p0", Section: square})
	d = racks.BentAt(d, member.Corner{Kind: member.Fold}, "p0", "p1", "p2", "p3")
	b = shape.Build(racks.Steel(t, d), nil)
	mustNot(t, b, "stop")
	if len(b.Formed) != 1 || len(b.Formed[0].Corners) != 3 || !strings.Contains(fmt.Sprint(b.Findings), "ring") {
		t.Fatalf("%+v %+v", b.Formed, b.Findings)
	}
	racks.Near(t, "ring", b.Formed[0].Developed, 2*(640+540)-6*3, 1e-9)
	racks.Near(t, "mitre at its ends", b.Formed[0].Ends[0].Saw, 45, 1e-9)
	racks.Near(t, "short", b.Formed[0].Short, b.Formed[0].Developed-80, 1e-9)
}

// A bent hoop by hand, its closed bends, and its sheet.
func TestBentHoop(t *testing.T) {
	d := racks.BentAt(racks.Path(racks.Pipe, [3]float64{0, 0, 0}, [3]float64{0, 0, 600}, [3]float64{0, 900, 600}, [3]float64{0, 900, 0}),
		member.Corner{Kind: member.Bent, Radius: 150}, "p1", "p2")
	d.Points[3].Z = 100
	b := shape.Build(racks.Steel(t, d), nil)
	mustNot(t, b, "stop")
	f := b.Formed[0]
	arc := 150 * math.Pi / 2
	racks.Near(t, "developed", f.Developed, 450+arc+600+arc+350, 1e-9)
	racks.Near(t, "first bend", f.Corners[0].At, 450, 1e-9)
	racks.Near(t, "its end", f.Corners[0].To, 450+arc, 1e-9)
	racks.Near(t, "same plane", f.Corners[1].Turn, 0, 1e-6)
	r, err := tube.Bend(*f.Bend)
	if err != nil {
		t.Fatal(err)
	}
	racks.Near(t, "sheet agrees", r.Developed, f.Developed, 1e-9)
	racks.Near(t, "its first mark", r.Marks[1].Start, f.Corners[1].At, 1e-9)
	racks.Near(t, "mass", f.Mass, b.Pieces[0].Props.Area*f.Developed*7850e-9, 1e-9)
	volume := 0.0
	for _, p := range b.Pieces {
		volume += p.Mesh.Volume()
		edges := map[[2]int]int{}
		for _, c := range p.Mesh.Triangles {
			for k := range 3 {
				edges[[2]int{c[k], c[(k+1)%3]}]++
			}
		}
		for e, n := range edges {
			if n != 1 || edges[[2]int{e[1], e[0]}] != 1 {
				t.Fatalf("edge %v is open", e)
			}
		}
	}
	racks.Near(t, "closed bodies hold it", volume, b.Pieces[0].Props.Area*f.Developed, .03)
	// The centre of gravity of the two bends and three straights.
	y := (600*450 + 350*900 + arc*(150-150*2/math.Pi) + arc*(750+150*2/math.Pi)) / f.Developed
	racks.Near(t, "gravity", b.Gravity[1], y, 1e-9)
	// Its strength is the sharp-cornered portal's; nothing is welded between.
	d.Schema, d.Material = 1, "steel-s235"
	d.Supports = []member.Support{{Point: "p0", Kind: "fixed"}, {Point: "p3", Kind: "fixed"}}
	d.Loads = []member.Load{{ID: "l", Name: "Box", Kind: "mass", Kilos: 60, Points: []string{"p1", "p2"}}}
	h := Hold(shape.Build(d, nil), d, asked())
	if w := h.Members[1].Weld; w.Verdict != strength.NotNeeded || !strings.Contains(w.Why, "no weld") {
		t.Errorf("%+v", w)
	}
	if w := h.Members[0].Weld; w.Utilisation == nil || *w.Utilisation == 0 || !strings.Contains(w.Where, "first end") {
		t.Errorf("%+v", w)
	}
}

// A bending sheet of a random spatial path walks back to the path's own corners,
// whichever way round its members were set.
func TestBendingSheetWalksThePath(t *testing.T) {
	rnd := rand.New(rand.NewPCG(3, 5))
	for range 200 {
		n := 3 + rnd.IntN(4)
		at := [][3]float64{{}}
		dir := solid.Vector{1, 0, 0}
		for len(at) < n {
			for {
				v := solid.Vector{rnd.Float64() - .5, rnd.Float64() - .5, rnd.Float64() - .5}.Unit()
				if c := v.Dot(dir); c > -.8 && c < .95 {
					dir = v
					break
				}
			}
			at = append(at, [3]float64(solid.Vector(at[len(at)-1]).Add(dir.Mul(800+400*rnd.Float64()))))
		}
		d := racks.Path(racks.Pipe, at...)
		for i := range d.Members {
			if rnd.IntN(2) == 0 {
				m := &d.Members[i]
				m.From, m.To = m.To, m.From
			}
		}
		for i := 1; i+1 < n; i++ {
			d.Points[i].Corner = &member.Corner{Kind: member.Bent, Radius: 100}
		}
		b := shape.Build(racks.Steel(t, d), nil)
		mustNot(t, b, "stop")
		if len(b.Formed) != 1 {
			t.Fatalf("%+v", b.Findings)
		}
		r, err := tube.Bend(*b.Formed[0].Bend)
		if err != nil {
			t.Fatal(err)
		}
		racks.Near(t, "developed", b.Formed[0].Developed, r.Developed, 1e-9)
		walk := r.Points
		if b.Formed[0].Names[0] != "M1" {
			for i, j := 0, len(at)-1; i < j; i, j = i+1, j-1 {
				at[i], at[j] = at[j], at[i]
			}
		}
		for i := range at { // distances tell shape, the signed volume of four points tells the hand
			for j := range i {
				racks.Near(t, "apart", solid.Vector(walk[i]).Sub(walk[j]).Len(), solid.Vector(at[i]).Sub(at[j]).Len(), 1e-8)
			}
			if i >= 3 {
				hand := func(p [][3]float64) float64 {
					o := solid.Vector(p[i-3])
					return solid.Vector(p[i-2]).Sub(o).Dot(solid.Vector(p[i-1]).Sub(o).Cross(solid.Vector(p[i]).Sub(o)))
				}
				racks.Near(t, "hand", hand(walk)/1e9, hand(at)/1e9, 1e-8)
			}
		}
	}
}

// What cannot be of one piece is said in words and still shown.
func TestCornersThatCannot(t *testing.T) {
	turn := func(d member.Doc) member.Doc { d.Members[1].Turn = 30; return d }
	other := func(d member.Doc) member.Doc { d.Members[1].Section.Wall = 2; return d }
	more := func(d member.Doc) member.Doc {
		d.Points = append(d.Points, racks.Point("x", 0, 0, 900))
		d.Members = append(d.Members, member.Member{ID: "x1", Name: "X", From: "p1", To: "x", Section: racks.Box40})
		return d
	}
	corner := func(s section.Sizes, c member.Corner) member.Doc {
		return racks.BentAt(racks.Path(s, [3]float64{0, 0, 0}, [3]float64{600, 0, 0}, [3]float64{600, 500, 0}), c, "p1")
	}
	for _, c := range []struct {
		d     member.Doc
		words string
	}{
		{corner(racks.Angle, member.Corner{Kind: member.Bent}), "twists"},
		{corner(racks.Pipe, member.Corner{Kind: member.Fold}), "bend it instead"},
		{turn(corner(racks.Box40, member.Corner{Kind: member.Fold})), "turned alike"},
		{other(corner(racks.Box40, member.Corner{Kind: member.Fold})), "two sections"},
		{more(corner(racks.Box40, member.Corner{Kind: member.Fold})), "and 3 do"},
		{corner(racks.Pipe, member.Corner{Kind: member.Bent, Radius: 10}), "half the piece"},
		{corner(racks.Pipe, member.Corner{Kind: member.Bent, Radius: 590}), "shorter than its bends take"},
		{racks.BentAt(racks.Path(racks.Pipe, [3]float64{}, [3]float64{500, 0, 0}, [3]float64{900, 0, 0}), member.Corner{Kind: member.Bent}, "p1"), "one line"},
		{corner(racks.Pipe, member.Corner{}), "choose folded or bent"},
	} {
		b := shape.Build(racks.Steel(t, c.d), nil)
		if !strings.Contains(fmt.Sprint(b.Findings), c.words) {
			t.Errorf("%s: %+v", c.words, b.Findings)
		}
		for _, p := range b.Pieces {
			if p.Why != "" && !strings.Contains(c.words, "shorter") {
				t.Errorf("%s: %s", c.words, p.Why)
			}
		}
	}
}

// Left and right folded pieces: planar ones are alike turned over, spatial ones
// are twins.
func TestFormedTwins(t *testing.T) {
	for _, spatial := range []bool{false, true} {
		last := [3]float64{900, 300, 0}
		if spatial {
			last[2] = 300
		}
		d := racks.BentAt(racks.Path(racks.Pipe, [3]float64{0, 100, 0}, [3]float64{500, 100, 0}, [3]float64{500, 600, 0}, last),
			member.Corner{Kind: member.Bent, Radius: 100}, "p1", "p2")
		d.Copies = []member.Copy{{ID: "c", Kind: "mirror", Axis: "y"}}
		rows := cutlist.Plan(t.Context(), shape.Build(racks.Steel(t, d), nil), member.Saw{}).Rows
		if !spatial && (len(rows) != 1 || rows[0].Quantity != 2) {
			t.Errorf("%+v", rows)
		}
		if spatial && (len(rows) != 2 || rows[0].Twin != rows[1].Mark || rows[1].Twin != rows[0].Mark) {
			t.Errorf("%+v", rows)
		}
	}
}

// Trapezoids that fit only back to back: by long points one fewer a stick.
func TestFewerSticksBackToBack(t *testing.T) {
	d := racks.Path(racks.Box40, [3]float64{0, 0, 0}, [3]float64{1000, 0, 0})
	saw := member.Saw{Stick: 4100, Kerf: 2}
	// Four mitred rails of 1040 long, 960 short (45°, 40 wide): 4 × 1042 by long points do not fit 4100.
	d = member.Doc{Saw: saw}
	at := [4][2]float64{{0, 0}, {1000, 0}, {1000, 1000}, {0, 1000}}
	for i, p := range at {
		d.Points = append(d.Points, racks.Point(fmt.Sprintf("p%d", i), p[0], p[1], 0))
	}
	for i := range at {
		before, after := fmt.Sprintf("m%d", (i+3)%4), fmt.Sprintf("m%d", (i+1)%4)
		d.Members = append(d.Members, member.Member{ID: fmt.Sprintf("m%d", i), Name: "rail", From: fmt.Sprintf("p%d", i),
			To: fmt.Sprintf("p%d", (i+1)%4), Section: racks.Box40, A: member.End{Kind: member.Mitre, Onto: before},
			B: member.End{Kind: member.Mitre, Onto: after}})
	}
	c := cutlist.Plan(t.Context(), shape.Build(racks.Steel(t, d), nil), saw)
	sound(t, c, saw)
	if p := c.Stocks[0]; p.New != 1 || !p.Proven || p.Working == nil {
		t.Errorf("%+v", p)
	}
	saw.LongMitre = true
	c = cutlist.Plan(t.Context(), shape.Build(racks.Steel(t, d), nil), saw)
	sound(t, c, saw)
	if p := c.Stocks[0]; p.New != 2 || !p.Proven {
		t.Errorf("%+v", p)
	}
	saw = member.Saw{Stick: 4045, Kerf: 2} // 4 × 1040 − 3 × 40 + kerfs on the slant, 4048.5, is past it, the bound of half slants is not
	c = cutlist.Plan(t.Context(), shape.Build(racks.Steel(t, d), nil), saw)
	sound(t, c, saw)
	if p := c.Stocks[0]; p.New != 2 || p.Proven || !strings.Contains(p.Says, "not known") {
		t.Errorf("%+v", p)
	}
}
