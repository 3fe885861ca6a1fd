package trace

import (
	"fmt"
	"math"
	"math/rand"
	"strings"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

func near(t *testing.T, what string, got, want, tolerance float64) {
	t.Helper()
	if !(math.Abs(got-want) <= tolerance*math.Max(1, math.Abs(want))) {
		t.Errorf("%s = %.9g, want %.9g", what, got, want)
	}
}

// dxf writes entities into the smallest DXF.
func dxf(units int, blocks string, entities ...string) []byte {
	var b strings.Builder
	b.WriteString("0\nSECTION\n2\nHEADER\n")
	if units >= 0 {
		fmt.Fprintf(&b, "9\n$INSUNITS\n70\n%d\n", units)
	}
	b.WriteString("0\nENDSEC\n0\nSECTION\n2\nBLOCKS\n" + blocks + "0\nENDSEC\n0\nSECTION\n2\nENTITIES\n")
	for _, e := range entities {
		b.WriteString(e)
	}
	b.WriteString("0\nENDSEC\n0\nEOF\n")
	return []byte(b.String())
}

func line(x0, y0, x1, y1 float64) string {
	return fmt.Sprintf("0\nLINE\n8\ncut\n10\n%.10g\n20\n%.10g\n30\n0\n11\n%.10g\n21\n%.10g\n31\n0\n", x0, y0, x1, y1)
}
func circle(x, y, r float64) string {
	return fmt.Sprintf("0\nCIRCLE\n8\ncut\n10\n%.10g\n20\n%.10g\n40\n%.10g\n", x, y, r)
}
func arc(x, y, r, from, to float64) string {
	return fmt.Sprintf("0\nARC\n8\ncut\n10\n%.10g\n20\n%.10g\n40\n%.10g\n50\n%.10g\n51\n%.10g\n", x, y, r, from, to)
}
func box(x, y, w, h float64) []string {
	return []string{line(x, y, x+w, y), line(x+w, y, x+w, y+h), line(x, y+h, x+w, y+h), line(x, y+h, x, y)}
}

func traced(t *testing.T, name string, data []byte, tolerance float64) *Traced {
	t.Helper()
	d, err := Read(t.Context(), name, data)
	if err != nil {
		t.Fatal(err)
	}
	out, err := d.Join(t.Context(), Options{Tolerance: tolerance})
	if err != nil {
		t.Fatal(err)
	}
	return out
}

func said(t *Traced, code string) *working.Finding {
	for i := range t.Findings {
		if t.Findings[i].Code == code {
			return &t.Findings[i]
		}
	}
	return nil
}

// A plate drawn in pieces, every which way round, with holes drawn as circle, as
// two arcs and as a bulged polyline, one line twice.
func TestPlateInPieces(t *testing.T) {
	e := box(10, 20, 200, 100)
	e[1] = line(210, 120, 210, 20) // the other way round
	e = append(e, e[0], line(210, 20, 10, 20), circle(60, 70, 6), arc(110, 70, 5, 0, 180), arc(110, 70, 5, 180, 360),
		"0\nLWPOLYLINE\n8\ncut\n90\n2\n70\n1\n10\n150\n20\n70\n42\n1\n10\n158\n20\n70\n42\n1\n",
		"0\nPOLYLINE\n8\ncut\n66\n1\n10\n0\n20\n0\n70\n1\n"+
			"0\nVERTEX\n8\ncut\n10\n180\n20\n60\n0\nVERTEX\n8\ncut\n10\n190\n20\n60\n42\n1\n"+
			"0\nVERTEX\n8\ncut\n10\n190\n20\n70\n0\nVERTEX\n8\ncut\n10\n180\n20\n70\n42\n1\n0\nSEQEND\n",
		circle(60, 70, 6), "0\nTEXT\n8\nnotes\n10\n0\n20\n0\n1\nhello\n", "0\nDIMENSION\n8\nnotes\n10\n0\n20\n0\n")
	got := traced(t, "plate.dxf", dxf(4, "", e...), 0)
	if len(got.Loops) != 5 || len(got.Open) != 0 {
		t.Fatalf("%d loops, %d open: %+v", len(got.Loops), len(got.Open), got.Findings)
	}
	slot := 10*10 + math.Pi*25.
	near(t, "outer", got.Outer, 20000, 1e-12)
	near(t, "net", got.Net, 20000-math.Pi*(36+25+16)-slot, 1e-9)
	round := map[string]bool{}
	for _, l := range got.Loops {
		if l.Round {
			round[fmt.Sprintf("%.3f,%.3f %.3f", l.Centre.X, l.Centre.Y, l.Radius)] = true
		}
	}
	for _, want := range []string{"60.000,70.000 6.000", "110.000,70.000 5.000", "154.000,70.000 4.000"} {
		if !round[want] {
			t.Errorf("no hole %s: %v", want, round)
		}
	}
	if said(got, "doubled") == nil || said(got, "left-out") == nil || said(got, "no-units") != nil {
		t.Errorf("%+v", got.Findings)
	}
}

// A gap stays open, is said with its place, and its fix closes it.
func TestGapIsSaidAndClosed(t *testing.T) {
	e := box(0, 0, 100, 50)
	e[2] = line(0, 50, 99.7, 50)
	data := dxf(4, "", e...)
	got := traced(t, "gap.dxf", data, 0)
	f := said(got, "open")
	if len(got.Loops) != 0 || len(got.Open) != 1 || f == nil || len(f.Fixes) != 1 || !strings.Contains(f.Reason, "(99.7, 50)") ||
		!strings.Contains(f.Reason, "(100, 50)") {
		t.Fatalf("%+v %+v", got.Open, got.Findings)
	}
	tolerance := f.Fixes[0].Edits[0].Value.(float64)
	if tolerance < .3 || tolerance > .5 {
		t.Errorf("the fix takes %v", tolerance)
	}
	got = traced(t, "gap.dxf", data, tolerance)
	if len(got.Loops) != 1 || len(got.Open) != 0 {
		t.Errorf("%+v", got.Open)
	}
	near(t, "area", got.Outer, 5000, .01)
}

// Blocks in blocks, turned, scaled, mirrored, repeated: circles stay circles,
// scaled unevenly they become arcs along the ellipse.
func TestBlocks(t *testing.T) {
	inner := "0\nBLOCK\n8\n0\n2\nhole\n70\n0\n10\n1\n20\n0\n" + circle(1, 0, 2) + arc(11, 0, 1, 0, 180) + line(10, 0, 12, 0) + "0\nENDBLK\n"
	outer := "0\nBLOCK\n8\n0\n2\npair\n70\n0\n10\n0\n20\n0\n" +
		"0\nINSERT\n8\n0\n2\nhole\n10\n5\n20\n0\n41\n2\n42\n2\n50\n90\n" +
		"0\nINSERT\n8\n0\n2\nhole\n10\n-5\n20\n0\n41\n-1\n42\n1\n0\nENDBLK\n"
	got := traced(t, "b.dxf", dxf(4, inner+outer, "0\nINSERT\n8\ncut\n2\npair\n10\n100\n20\n50\n70\n2\n71\n1\n44\n200\n45\n0\n"), 0)
	if len(got.Loops) != 8 {
		t.Fatalf("%d loops: %+v", len(got.Loops), got.Findings)
	}
	near(t, "net", got.Net, 2*(math.Pi*16+math.Pi*4+math.Pi/2*4+math.Pi/2), 1e-9)
	found := 0
	for _, l := range got.Loops {
		for _, want := range []profile.Point{{X: 105, Y: 50}, {X: 305, Y: 50}, {X: 95, Y: 50}, {X: 295, Y: 50}} {
			if l.Round && l.Centre.Sub(want).Len() < 1e-9 {
				found++
			}
		}
	}
	if found != 4 {
		t.Errorf("%d circles lie where they should", found)
	}
	// Squeezed: an ellipse of arcs, its area right to the tolerance.
	got = traced(t, "s.dxf", dxf(4, inner, "0\nINSERT\n8\ncut\n2\nhole\n10\n0\n20\n0\n41\n30\n42\n10\n"), 0)
	near(t, "ellipse and half", got.Net, math.Pi*60*20+math.Pi/2*30*10, 2e-4)
	if said(got, "approximated") == nil {
		t.Error("arcs along an ellipse are not said")
	}
	deep := "0\nBLOCK\n8\n0\n2\nloop\n10\n0\n20\n0\n0\nINSERT\n8\n0\n2\nloop\n10\n1\n20\n0\n0\nENDBLK\n"
	if _, err := Read(t.Context(), "x.dxf", dxf(4, deep, "0\nINSERT\n8\n0\n2\nloop\n10\n0\n20\n0\n")); err == nil {
		t.Error("a block in itself is drawn")
	}
}

// Ellipses and splines against their own areas: the arcs stay within a hundredth
// of a millimetre.
func TestCurvesBecomeArcs(t *testing.T) {
	ellipse := "0\nELLIPSE\n8\ncut\n10\n50\n20\n30\n11\n40\n21\n0\n40\n0.5\n41\n0\n42\n6.283185307179586\n"
	got := traced(t, "e.dxf", dxf(4, "", ellipse), 0)
	if len(got.Loops) != 1 {
		t.Fatalf("%+v", got.Findings)
	}
	near(t, "ellipse", got.Outer, math.Pi*40*20, 1e-5)
	for _, v := range got.Loops[0].Outline.Flatten(.001) {
		x, y := (v.X-50)/40, (v.Y-30)/20
		if off := math.Abs(math.Hypot(x, y)-1) * 20; off > .02 {
			t.Fatalf("%.4f off the ellipse", off)
		}
	}
	// A circle as a rational quadratic spline of nine points.
	s := "0\nSPLINE\n8\ncut\n70\n0\n71\n2\n72\n12\n73\n9\n"
	for _, k := range []float64{0, 0, 0, 1, 1, 2, 2, 3, 3, 4, 4, 4} {
		s += fmt.Sprintf("40\n%g\n", k)
	}
	for i, p := range [][2]float64{{1, 0}, {1, 1}, {0, 1}, {-1, 1}, {-1, 0}, {-1, -1}, {0, -1}, {1, -1}, {1, 0}} {
		w := 1.
		if i%2 == 1 {
			w = math.Sqrt2 / 2
		}
		s += fmt.Sprintf("41\n%.15g\n10\n%.15g\n20\n%.15g\n30\n0\n", w, 25*p[0], 25*p[1])
	}
	got = traced(t, "s.dxf", dxf(4, "", s), 0)
	if len(got.Loops) != 1 || !got.Loops[0].Round {
		t.Fatalf("%+v %+v", got.Loops, got.Findings)
	}
	near(t, "radius", got.Loops[0].Radius, 25, 1e-6)
	// Three quarters of a circle, as one arc.
	got = traced(t, "a.dxf", dxf(1, "", arc(0, 0, 4, 45, 315), line(0, 0, 2*math.Sqrt2, 2*math.Sqrt2),
		line(0, 0, 2*math.Sqrt2, -2*math.Sqrt2)), 0)
	near(t, "pie", got.Outer, math.Pi*16*.75, 1e-9)
}

// SVG paths with every command; units from the header; groups moved and turned.
func TestSVG(t *testing.T) {
	svg := func(head, body string) []byte {
		return []byte(`<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" ` + head + `>` + body + `</svg>`)
	}
	got := traced(t, "p.svg", svg(`width="200mm" height="100mm" viewBox="0 0 400 200"`,
		`<g transform="translate(10,20) rotate(90)"><rect width="100" height="40" rx="5"/><circle cx="50" cy="20" r="6"/></g>
		<path d="M200 20h60v30h-60z"/><path d="m 300,20 l60 0 0 30 -60 0 0-30"/><path d="M200,100 a10 10 0 1 1 20,0 10 10 0 11-20 0z"/><path d="M300 100c0 -13.807 -11.193 -25 -25 -25s-25 11.193-25 25 11.193 25 25 25 25-11.193 25-25z"/>
		<path d="M20 180 Q 60 140 100 180 T 180 180 L 180 195 H 20 Z"/><text x="1" y="1">no</text><g style="display: none"><circle r="9"/></g>`), 0)
	if len(got.Loops) != 7 || len(got.Open) != 0 {
		t.Fatalf("%d loops, %d open: %+v", len(got.Loops), len(got.Open), got.Findings)
	}
	want := 100*40 - (4-math.Pi)*25 - math.Pi*36 + 2*1800 + math.Pi*100 + 0 + (160*15 + 0)
	bezier := got.Net - want
	near(t, "a circle of four cubics", bezier, math.Pi*625, 2e-3)
	round := 0
	for _, l := range got.Loops {
		if l.Round {
			round++
		}
	}
	if round < 2 {
		t.Errorf("%d are round", round)
	}
	d, err := Read(t.Context(), "p.svg", svg(`width="200mm" height="100mm" viewBox="0 0 400 200"`, `<circle r="1"/>`))
	if err != nil || d.UnitsToMM == nil || math.Abs(*d.UnitsToMM-.5) > 1e-12 || !d.Down {
		t.Errorf("%+v %v", d, err)
	}
	if d, err = Read(t.Context(), "p.svg", svg(`width="200" height="100"`, `<circle r="1"/>`)); err != nil || d.UnitsToMM != nil {
		t.Errorf("pixels are %v mm", d.UnitsToMM)
	}
}

// What cannot be read is refused with a reason; odd layers, open ends and
// crossings are said.
func TestHostileAndOdd(t *testing.T) {
	for name, data := range map[string][]byte{
		"empty.dxf": {}, "a.dwg": []byte("AC1027 and so on"), "b.dxf": []byte("AutoCAD Binary DXF\r\n\x1a\x00"), "c.pdf": []byte("%PDF-1.7"),
		"d.dxf": []byte("hello\nworld\n"), "e.svg": []byte("<svg"), "f.txt": []byte("nothing"),
		"g.dxf": dxf(4, "", "0\nCIRCLE\n8\ncut\n10\nNaN\n20\n0\n40\n5\n"), "h.dxf": dxf(4, "", line(0, 0, 1e300, 1)), "i.svg": []byte(`<svg><path d="M0 0 L nothing"/></svg>`),
		"j.dxf": dxf(4, "", "0\nSPLINE\n8\ncut\n71\n3\n40\n0\n10\n1\n20\n1\n"),
	} {
		if d, err := Read(t.Context(), name, data); err == nil {
			t.Errorf("%s is read: %+v", name, d)
		} else if _, ok := err.(*working.Fault); !ok {
			t.Errorf("%s: %v is no fault", name, err)
		}
	}
	bow := traced(t, "x.dxf", dxf(-1, "", line(0, 0, 10, 10), line(10, 10, 10, 0), line(10, 0, 0, 10), line(0, 10, 0, 0)), 0)
	if said(bow, "crosses-itself") == nil || len(bow.Crossed) != 1 || bow.Crossed[0].Sub(profile.Point{X: 5, Y: 5}).Len() > 1e-9 ||
		said(bow, "no-units") == nil {
		t.Errorf("%+v %+v", bow.Crossed, bow.Findings)
	}
	layers := "0\nSECTION\n2\nTABLES\n0\nTABLE\n2\nLAYER\n0\nLAYER\n2\nold\n70\n0\n62\n-7\n0\nENDTAB\n0\nENDSEC\n"
	data := append([]byte(layers), dxf(4, "", append(box(0, 0, 10, 10), "0\nCIRCLE\n8\nold\n10\n5\n20\n5\n40\n2\n")...)...)
	d, err := Read(t.Context(), "l.dxf", data)
	if err != nil {
		t.Fatal(err)
	}
	got, _ := d.Join(t.Context(), Options{})
	if len(got.Loops) != 1 || said(got, "odd-layer") == nil {
		t.Errorf("%+v", got.Findings)
	}
	if got, _ = d.Join(t.Context(), Options{Layers: []string{"cut", "old"}}); len(got.Loops) != 2 {
		t.Errorf("%d loops", len(got.Loops))
	}
}

// Random drawings cut to pieces and shuffled come together again.
func TestPiecesComeTogether(t *testing.T) {
	rnd := rand.New(rand.NewSource(4))
	for range 100 {
		var e []string
		want, loops := 0.0, 0
		for k := range 1 + rnd.Intn(20) {
			n := 3 + rnd.Intn(8)
			var l profile.Loop
			for i := range n {
				a := 2 * math.Pi * (float64(i) + .6*rnd.Float64()) / float64(n)
				l = append(l, profile.Vertex{X: float64(k)*300 + 100*math.Cos(a), Y: 100 * math.Sin(a), Bulge: .3 * rnd.Float64()})
			}
			want += l.Area()
			loops++
			for i, v := range l {
				w := l[(i+1)%n]
				x := fmt.Sprintf("0\nLWPOLYLINE\n8\ncut\n90\n2\n70\n0\n10\n%.9f\n20\n%.9f\n42\n%.12f\n10\n%.9f\n20\n%.9f\n",
					v.X, v.Y, v.Bulge, w.X, w.Y)
				if rnd.Intn(2) == 0 {
					x = fmt.Sprintf("0\nLWPOLYLINE\n8\ncut\n90\n2\n70\n0\n10\n%.9f\n20\n%.9f\n42\n%.12f\n10\n%.9f\n20\n%.9f\n",
						w.X, w.Y, -v.Bulge, v.X, v.Y)
				}
				e = append(e, x)
			}
		}
		rnd.Shuffle(len(e), func(i, j int) { e[i], e[j] = e[j], e[i] })
		got := traced(t, "r.dxf", dxf(4, "", e...), 0)
		if len(got.Loops) != loops || len(got.Open) != 0 {
			t.Fatalf("%d loops of %d, %d open", len(got.Loops), loops, len(got.Open))
		}
		near(t, "area", got.Outer, want, 1e-6)
	}
}

// large has 200 000 lines and arcs: 40 000 boxes with a round corner in a sheet.
func large() []byte {
	var e []string
	for i := range 40_000 {
		x, y := float64(i%200)*12, float64(i/200)*12
		e = append(e, line(x, y, x+8, y), line(x+10, y+2, x+10, y+10), arc(x+8, y+2, 2, 270, 360), line(x+10, y+10, x, y+10), line(x, y+10, x, y))
	}
	return dxf(4, "", e...)
}

func TestLargeIsTheBenchmarkedDrawing(t *testing.T) {
	got := traced(t, "large.dxf", large(), 0)
	if len(got.Loops) != 40_000 || len(got.Open) != 0 {
		t.Errorf("%d loops, %d open", len(got.Loops), len(got.Open))
	}
}

func BenchmarkRead200000(b *testing.B) {
	data := large()
	b.ReportAllocs()
	for b.Loop() {
		d, err := Read(b.Context(), "large.dxf", data)
		if err != nil {
			b.Fatal(err)
		}
		if _, err := d.Join(b.Context(), Options{}); err != nil {
			b.Fatal(err)
		}
	}
}

// FuzzRead: whatever the file, reading ends, with an answer or a fault.
func FuzzRead(f *testing.F) {
	f.Add("a.dxf", dxf(4, "", append(box(0, 0, 10, 10), circle(5, 5, 2), arc(1, 1, 2, 10, 20))...))
	f.Add("b.svg", []byte(`<svg width="10mm" viewBox="0 0 5 5"><g transform="scale(2)"><path d="M0 0C1 1 2 2 3 0A1 2 30 0 1 5 5Z"/></g></svg>`))
	f.Add("c.dxf", dxf(1, "0\nBLOCK\n2\nb\n10\n0\n20\n0\n"+line(0, 0, 1, 1)+"0\nENDBLK\n", "0\nINSERT\n2\nb\n10\n1\n20\n1\n41\n2\n",
		"0\nELLIPSE\n10\n0\n20\n0\n11\n1\n21\n0\n40\n.5\n"))
	f.Fuzz(func(t *testing.T, name string, data []byte) {
		d, err := Read(t.Context(), name, data)
		if err != nil {
			if _, ok := err.(*working.Fault); !ok {
				t.Fatalf("%v is no fault", err)
			}
			return
		}
		if _, err := d.Join(t.Context(), Options{}); err != nil {
			if _, ok := err.(*working.Fault); !ok {
				t.Fatalf("%v is no fault", err)
			}
		}
	})
}

// A file that is cut off, and circles of no or a negative radius, are read and said.
func TestDoubtfulFilesAreSaid(t *testing.T) {
	dxf := func(end string, entities ...string) []byte {
		return []byte("0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n4\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n" + strings.Join(entities,
			"") + "0\nENDSEC\n" + end)
	}
	circle := func(r string) string { return "0\nCIRCLE\n8\n0\n10\n5\n20\n5\n40\n" + r + "\n" }
	arc := func(r string) string { return "0\nARC\n8\n0\n10\n50\n20\n5\n40\n" + r + "\n50\n0\n51\n90\n" }
	for name, c := range map[string]struct {
		raw    []byte
		code   string
		curves int
	}{
		"whole":            {dxf("0\nEOF\n", circle("3")), "", 1},
		"no end mark":      {dxf("", circle("3")), "cut-off", 1},
		"in the entities":  {[]byte(strings.TrimSuffix(string(dxf("", circle("3"))), "0\nENDSEC\n")), "cut-off", 1},
		"no radius":        {dxf("0\nEOF\n", circle("3"), circle("0")), "no-radius", 1},
		"an arc of none":   {dxf("0\nEOF\n", circle("3"), arc("0")), "no-radius", 1},
		"radius left out":  {dxf("0\nEOF\n", circle("3"), "0\nCIRCLE\n8\n0\n10\n5\n20\n5\n"), "no-radius", 1},
		"negative":         {dxf("0\nEOF\n", circle("-3")), "turned-radius", 1},
		"an arc, negative": {dxf("0\nEOF\n", arc("-3")), "turned-radius", 2},
	} {
		t.Run(name, func(t *testing.T) {
			d, err := Read(t.Context(), "x.dxf", c.raw)
			if err != nil {
				t.Fatal(err)
			}
			said := []string{}
			for _, f := range d.Findings {
				if f.Code == "cut-off" || f.Code == "no-radius" || f.Code == "turned-radius" {
					said = append(said, f.Code)
				}
			}
			if strings.Join(said, " ") != c.code || len(d.Curves) != c.curves {
				t.Errorf("says %q of %d curves, want %q of %d", said, len(d.Curves), c.code, c.curves)
			}
		})
	}
}
