package exchange

import (
	"bytes"
	"encoding/csv"
	"encoding/json"
	"encoding/xml"
	"fmt"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
)

// bracket has every kind of cut: arcs in the outline, both bend directions,
// round holes, a slot, a drilled hole.
func bracket(t testing.TB) made.Part {
	k := .42
	relief := sheet.Relief{Kind: sheet.Round}
	r := sheet.Recipe{Schema: 1, Material: "steel-a36", Thickness: 3, Process: "laser", Tool: bend.Tool{Kind: bend.ToolVDie},
		Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k},
		Base: sheet.Base{ID: "b", Length: 120, Width: 80, Corner: sheet.Corner{Kind: sheet.Radius, Size: 10},
			Holes: []sheet.Hole{
				{ID: "h1", Kind: sheet.RoundHole, Diameter: 9, X: sheet.Offset{Edge: sheet.Left, Distance: 30},
					Y: sheet.Offset{Edge: sheet.Back, Distance: 25}},
				{ID: "h2", Kind: sheet.SlotHole, Diameter: 7, Length: 20, X: sheet.Offset{Edge: sheet.Right, Distance: 45},
					Y: sheet.Offset{Edge: sheet.Back, Distance: 40}},
				{ID: "h3", Kind: sheet.RoundHole, Diameter: 2, Made: sheet.MadeDrilled, X: sheet.Offset{Edge: sheet.Left, Distance: 60},
					Y: sheet.Offset{Edge: sheet.Back, Distance: 20}}},
			Flanges: []sheet.Flange{
				{ID: "f1", Edge: sheet.Front, Length: 40, Angle: 90, Up: true, InsideRadius: 3, Relief: relief},
				{ID: "f2", Edge: sheet.Right, Length: 30, Angle: 60, InsideRadius: 3, Relief: relief, SetIn: sheet.SetIn{End: 25}}}}}
	p, err := made.Build(r, made.Options{Display: quantity.Display{Style: quantity.Metric}})
	if err != nil || !p.Whole {
		t.Fatal(err, p.Findings)
	}
	return p
}

// judge reads a drawing back with an independent library and lists its audit
// errors, layers, and entities in file units.
const judge = `
import sys, json, ezdxf
from ezdxf import bbox
doc = ezdxf.readfile(sys.argv[1])
a = doc.audit()
out = {"version": doc.dxfversion, "units": doc.header.get("$INSUNITS", 0), "errors": [e.message for e in a.errors], "fixes": [e.message for e in a.fixes], "entities": []}
for e in doc.modelspace():
    d = {"type": e.dxftype(), "layer": e.dxf.layer}
    if e.dxftype() == "LWPOLYLINE":
        b = bbox.extents([e], fast=False)
        d.update(closed=bool(e.closed), arcs=sum(1 for p in e.get_points("xyb") if p[2] != 0), min=list(b.extmin)[:2], max=list(b.extmax)[:2])
    if e.dxftype() == "CIRCLE":
        d.update(centre=list(e.dxf.center)[:2], r=e.dxf.radius)
    if e.dxftype() == "LINE":
        d.update(min=list(e.dxf.start)[:2], max=list(e.dxf.end)[:2])
    if e.dxftype() == "TEXT":
        d.update(text=e.plain_text())
    out["entities"].append(d)
print(json.dumps(out))
`

type judged struct {
	Version  string
	Units    int
	Errors   []string
	Fixes    []string
	Entities []struct {
		Type, Layer, Text string
		Closed            bool
		Arcs              int
		Min, Max, Centre  [2]float64
		R                 float64
	}
}

func readBack(t *testing.T, raw []byte) judged {
	t.Helper()
	dir := t.TempDir()
	file, script := filepath.Join(dir, "part.dxf"), filepath.Join(dir, "judge.py")
	for name, data := range map[string][]byte{file: raw, script: []byte(judge)} {
		if err := os.WriteFile(name, data, 0o600); err != nil {
			t.Fatal(err)
		}
	}
	out, err := exec.Command("/usr/bin/python3", script, file).CombinedOutput()
	if err != nil {
		t.Fatalf("the judge could not read it: %v\n%s", err, out)
	}
	var j judged
	if err := json.Unmarshal(out[bytes.IndexByte(out, '{'):], &j); err != nil {
		t.Fatalf("%v: %s", err, out)
	}
	return j
}

func TestDXFIsReadBack(t *testing.T) {
	p := bracket(t)
	w, h := p.Bounds.Size()
	for _, c := range []struct {
		inches bool
		units  int
		scale  float64
	}{{false, 4, 1}, {true, 1, 25.4}} {
		j := readBack(t, DXF(Flat{Part: p, Mark: "Ørchard Bracket R r3", Inches: c.inches}))
		if j.Version != "AC1015" || j.Units != c.units || len(j.Errors) != 0 || len(j.Fixes) != 0 {
			t.Fatalf("version %s, units %d, errors %v, fixes %v", j.Version, j.Units, j.Errors, j.Fixes)
		}
		count := map[string]int{}
		for _, e := range j.Entities {
			count[e.Type+" "+e.Layer]++
			if e.Type == "LWPOLYLINE" && !e.Closed {
				t.Error("an outline is open")
			}
			if e.Type == "TEXT" && e.Text != "Ørchard Bracket R r3" {
				t.Errorf("mark reads %q", e.Text)
			}
		}
		want := map[string]int{"LWPOLYLINE CUT": 2, "CIRCLE CUT": 1, "LINE BEND_UP": 1, "LINE BEND_DOWN": 1, "LINE MARK": 2, "TEXT MARK": 1}
		for k, n := range want {
			if count[k] != n {
				t.Errorf("%s: %d, want %d (%v)", k, count[k], n, count)
			}
		}
		o := j.Entities[0]
		if math.Abs(o.Max[0]*c.scale-w) > 1e-6 || math.Abs(o.Max[1]*c.scale-h) > 1e-6 || math.Hypot(o.Min[0], o.Min[1]) > 1e-6 || o.Arcs == 0 {
			t.Errorf("outline %v to %v with %d arcs, want %v × %v from the origin", o.Min, o.Max, o.Arcs, w, h)
		}
		for _, e := range j.Entities {
			if e.Type == "CIRCLE" && (math.Abs(e.R*c.scale-4.5) > 1e-6 || math.Abs(e.Centre[0]*c.scale-30) > 1e-6 ||
				math.Abs(h-e.Centre[1]*c.scale-25) > 1e-6) {
				t.Errorf("hole at %v r %v, want 30 from the left and 25 from the back", e.Centre, e.R)
			}
		}
	}
}

// The old form too is read by an independent reader without complaint.
func TestR12IsReadBack(t *testing.T) {
	p := bracket(t)
	got := readBack(t, DXF12(Flat{Part: p, Mark: "LEFT r3"}))
	if len(got.Errors) > 0 {
		t.Errorf("%v", got.Errors)
	}
}

func TestDXFIsTheSameTwice(t *testing.T) {
	p := bracket(t)
	if !bytes.Equal(DXF(Flat{Part: p, Mark: "a"}), DXF(Flat{Part: p, Mark: "a"})) {
		t.Error("two writings differ")
	}
}

func TestSVGInTrueMillimetres(t *testing.T) {
	p := bracket(t)
	w, h := p.Bounds.Size()
	raw := SVG(Flat{Part: p, Mark: `<a & "b">`})
	var doc struct {
		Width  string `xml:"width,attr"`
		Height string `xml:"height,attr"`
		Title  string `xml:"title"`
		Groups []struct {
			ID      string     `xml:"id,attr"`
			Paths   []struct{} `xml:"path"`
			Circles []struct {
				R string `xml:"r,attr"`
			} `xml:"circle"`
		} `xml:"g"`
	}
	if err := xml.Unmarshal(raw, &doc); err != nil {
		t.Fatal(err)
	}
	if doc.Width != fmt.Sprintf("%smm", coord(w+2)) || doc.Height != coord(h+2)+"mm" || doc.Title != `<a & "b">` {
		t.Errorf("size %s × %s, title %q", doc.Width, doc.Height, doc.Title)
	}
	if len(doc.Groups) != 4 || len(doc.Groups[0].Paths) != 2 || len(doc.Groups[0].Circles) != 1 || doc.Groups[0].Circles[0].R != "4.5" ||
		len(doc.Groups[1].Paths) != 1 || len(doc.Groups[3].Paths) != 1 {
		t.Errorf("groups %+v", doc.Groups)
	}
}

func TestTicket(t *testing.T) {
	p := bracket(t)
	raw, err := Ticket{Job: "=1+1", Part: "Bracket, left", Hand: "left", Revision: 3, Quantity: 2, Thickness: `1/8"`, Flat: p}.CSV()
	if err != nil {
		t.Fatal(err)
	}
	r := csv.NewReader(bytes.NewReader(raw))
	r.FieldsPerRecord = -1
	rows, err := r.ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	if rows[1][0] != "'=1+1" || rows[1][1] != "Bracket, left" || rows[1][13] != fmt.Sprint(p.Pierces) ||
		!strings.HasPrefix(rows[1][8], fmt.Sprintf("%.3f", p.Bounds.Max.X-p.Bounds.Min.X)) {
		t.Errorf("row %q", rows[1])
	}
	if len(rows) != 2+1+2+1+3 {
		t.Errorf("%d rows: %q", len(rows), rows)
	}
}

// large is a part of 10 bends and 50 holes.
func large(t testing.TB) made.Part {
	k := .42
	at := func(e sheet.Edge, mm float64) sheet.Offset { return sheet.Offset{Edge: e, Distance: mm} }
	r := sheet.Recipe{Schema: 1, Material: "steel-a36", Thickness: 3, Process: "laser", Tool: bend.Tool{Kind: bend.ToolVDie},
		Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k}, Base: sheet.Base{ID: "b", Length: 600, Width: 400,
			Holes: []sheet.Hole{{ID: "grid", Kind: sheet.RoundHole, Diameter: 9, X: at(sheet.Left, 60), Y: at(sheet.Front, 60),
				Pattern: &sheet.Pattern{Kind: sheet.GridPattern, Columns: 5, Rows: 8, PitchX: 100, PitchY: 35}}}}}
	for i := range 10 {
		e := []sheet.Edge{sheet.Front, sheet.Back}[i/5]
		start := 20 + 112*float64(i%5)
		r.Base.Flanges = append(r.Base.Flanges, sheet.Flange{ID: fmt.Sprint("f", i), Edge: e, Length: 40, Angle: 90, Up: true, InsideRadius: 3,
			SetIn: sheet.SetIn{Start: start, End: 510 - start},
			Holes: []sheet.Hole{{ID: fmt.Sprint("h", i), Kind: sheet.RoundHole, Diameter: 6, X: at(sheet.Left, 45), Y: at(e, 15)}}})
	}
	p, err := made.Build(r, made.Options{Display: quantity.Display{Style: quantity.Metric}})
	if err != nil || len(p.BendLines) != 10 || len(p.Holes) != 50 {
		t.Fatalf("%v: %d bends, %d holes", err, len(p.BendLines), len(p.Holes))
	}
	return p
}

func BenchmarkDXF(b *testing.B) {
	p := large(b)
	b.ReportAllocs()
	for b.Loop() {
		DXF(Flat{Part: p, Mark: "Bracket"})
	}
}

// What is cut is what was unfolded: area and length of the drawing's outline,
// read back with its bulges, are the part's own.
func TestDXFKeepsAreaAndHoles(t *testing.T) {
	p := large(t)
	j := readBack(t, DXF(Flat{Part: p, Mark: "Large"}))
	circles, bends := 0, 0
	for _, e := range j.Entities {
		switch {
		case e.Type == "CIRCLE":
			circles++
			found := false
			for _, h := range p.Holes {
				x, y := h.Centre.X-p.Bounds.Min.X, h.Centre.Y-p.Bounds.Min.Y
				found = found || math.Hypot(x-e.Centre[0], y-e.Centre[1]) < 1e-6 && math.Abs(h.Diameter/2-e.R) < 1e-9
			}
			if !found {
				t.Errorf("a circle at %v belongs to no hole", e.Centre)
			}
		case e.Layer == layerBendUp:
			bends++
		}
	}
	if circles != 50 || bends != 10 || len(j.Errors)+len(j.Fixes) != 0 {
		t.Errorf("%d circles, %d bends, %v %v", circles, bends, j.Errors, j.Fixes)
	}
}

// The page's path data holds the loop exactly: its arcs' radii and ends.
func TestSVGPathOfASlot(t *testing.T) {
	slot := profile.Slot(profile.Point{X: 20, Y: 10}, 30, 10, 0)
	got := svgPath(slot, func(q profile.Point) profile.Point { return profile.Point{X: q.X, Y: 50 - q.Y} })
	want := "M10 45L30 45A5 5 0 0 0 35 40A5 5 0 0 0 30 35L10 35A5 5 0 0 0 5 40A5 5 0 0 0 10 45Z"
	if got != want {
		t.Errorf("%s, want %s", got, want)
	}
}

// Names outside the drawing's code page are written as escapes, control
// characters as blanks.
func TestMarkText(t *testing.T) {
	for in, want := range map[string]string{"Foot L r3": "Foot L r3", "a\nb": "a b", "棚": `\U+68DA`, "Ø": "\xd8"} {
		if got := plainText(in); got != want {
			t.Errorf("%q: %q, want %q", in, got, want)
		}
	}
}

func TestTicketOfAPair(t *testing.T) {
	p := bracket(t)
	raw, err := Ticket{Job: "Truck", Part: "Foot", Hand: "right", Revision: 7, Quantity: 4, Material: "S235", Thickness: "3 mm",
		Process: "Laser", Flat: p}.CSV()
	if err != nil {
		t.Fatal(err)
	}
	r := csv.NewReader(bytes.NewReader(raw))
	r.FieldsPerRecord = -1
	rows, err := r.ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	head := map[string]string{}
	for i, name := range rows[0] {
		head[name] = rows[1][i]
	}
	inches, err := Ticket{Job: "Truck", Units: quantity.Table{Inches: true}, Flat: p}.CSV()
	if err != nil {
		t.Fatal(err)
	}
	x, y := p.Bounds.Size()
	for _, want := range []string{"blank x in", "BA in", "x in,y in", "mass lb", fmt.Sprintf(",%.4f,%.4f,%.4f,%.4f,%.4f,", x/25.4, y/25.4,
		p.Area/645.16, p.Mass/.45359237, p.CutLength/25.4)} {
		if !strings.Contains(string(inches), want) {
			t.Errorf("in inches no %q:\n%s", want, inches)
		}
	}
	if strings.Contains(string(inches), " mm") {
		t.Errorf("half metric:\n%s", inches)
	}
	for name, want := range map[string]string{"hand": "right", "revision": "7", "quantity": "4", "mass kg": fmt.Sprintf("%.4f", p.Mass),
		"cut length mm": fmt.Sprintf("%.3f", p.CutLength)} {
		if head[name] != want {
			t.Errorf("%s = %q, want %q", name, head[name], want)
		}
	}
	if rows[3][1] != "up" || rows[4][1] != "down" {
		t.Errorf("directions %q, %q", rows[3][1], rows[4][1])
	}
}
