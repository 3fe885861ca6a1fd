package job

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/trace"
)

// A drawing in inches becomes a part in mm: the same area and holes where they
// were, whichever way up the file counts.
func TestTracedDrawingBecomesAPart(t *testing.T) {
	n := 0
	s := &Service{NewID: func() string { n++; return fmt.Sprint("n", n) }}
	svg := `<svg width="8in" viewBox="0 0 8 6"><path d="M1 1h6v3l-1 1h-5z"/><circle cx="2" cy="2" r=".25"/><path d="M4 2h1v1h-1z"/><rect x="4.2" y="2.2" width=".2" height=".2"/></svg>`
	d, err := trace.Read(t.Context(), "a.svg", []byte(svg))
	if err != nil {
		t.Fatal(err)
	}
	tr, err := d.Join(t.Context(), trace.Options{})
	if err != nil {
		t.Fatal(err)
	}
	parts, findings := s.TracedParts(tr, *d.UnitsToMM, d.Down, brief.Brief{Unit: brief.UnitMM, Grain: .1})
	if len(parts) != 1 || len(findings) != 1 || !strings.Contains(findings[0].Reason, "parts of their own") {
		t.Fatalf("%+v %+v", parts, findings)
	}
	k := .42
	r := sheet.Recipe{Schema: 1, Material: "steel-a36", Thickness: 3, Process: "laser", Base: parts[0].Base}
	r.Tool.Kind, r.Bend.School, r.Bend.Method, r.Bend.K = "vdie", "fixed", "air", &k
	p, err := made.Build(r, made.Options{})
	if err != nil || !p.Whole {
		t.Fatalf("%v %+v", err, p.Findings)
	}
	const in2 = 25.4 * 25.4
	if want := (24 - .5 - math.Pi/16 - 1) * in2; math.Abs(p.Area-want) > 1e-6*want {
		t.Errorf("area %.4f, want %.4f", p.Area, want)
	}
	// In the file y runs down: the snipped corner is at the front right, the round hole at the back left.
	if len(p.Holes) != 2 || math.Abs(p.Holes[1].Centre.X-25.4) > 1e-4 && math.Abs(p.Holes[0].Centre.X-25.4) > 1e-4 {
		t.Errorf("%+v", p.Holes)
	}
	for _, h := range p.Holes {
		if h.Kind == sheet.RoundHole && (math.Abs(h.Diameter-12.7) > 1e-6 || math.Abs(h.Centre.Y-3*25.4) > 1e-4) {
			t.Errorf("%+v", h)
		}
	}
}

// The same outlines as cutouts keep their places about the drawing's middle.
func TestTracedCutouts(t *testing.T) {
	n := 0
	s := &Service{NewID: func() string { n++; return fmt.Sprint("n", n) }}
	d, err := trace.Read(t.Context(), "a.svg", []byte(`<svg width="100mm" viewBox="0 0 100 100"><circle cx="10" cy="10" r="5"/><rect x="60" y="20" width="30" height="10"/></svg>`))
	if err != nil {
		t.Fatal(err)
	}
	tr, err := d.Join(t.Context(), trace.Options{})
	if err != nil {
		t.Fatal(err)
	}
	// The drawing spans 5 to 90 across and 5 to 30 down: its middle is 47.5, 17.5.
	holes := s.TracedCutouts(tr, 1, d.Down)
	if len(holes) != 2 {
		t.Fatalf("%+v", holes)
	}
	for _, h := range holes {
		want := [2]float64{27.5, -7.5}
		if h.Kind == sheet.RoundHole {
			want = [2]float64{-37.5, 7.5}
		}
		if math.Abs(h.X.Distance-want[0])+math.Abs(h.Y.Distance-want[1]) > 1e-9 {
			t.Errorf("%s at %v, %v", h.Kind, h.X.Distance, h.Y.Distance)
		}
	}
}
