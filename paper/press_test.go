package paper

import (
	"bytes"
	"slices"
	"strings"
	"testing"
	"time"

	"warmanvil/core/bend"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/stock"
)

// shelf is a part with every kind of hole and mark that papers draw.
func shelf(t *testing.T) made.Part {
	t.Helper()
	k := .42
	at := func(e sheet.Edge, mm float64) sheet.Offset { return sheet.Offset{Edge: e, Distance: mm} }
	r := sheet.Recipe{Schema: 1, Material: "steel-a36", Thickness: 3, Process: "laser", Tool: bend.Tool{Kind: bend.ToolVDie}, Ticks: true,
		Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k},
		Base: sheet.Base{ID: "b", Length: 200, Width: 120,
			Flanges: []sheet.Flange{{ID: "f", Edge: sheet.Front, Length: 40, Angle: 90, Up: true, InsideRadius: 3},
				{ID: "g", Edge: sheet.Back, Length: 30, Angle: 45, InsideRadius: 3}},
			Holes: []sheet.Hole{
				{ID: "cut", Kind: sheet.RoundHole, Diameter: 9, X: at(sheet.Left, 30), Y: at(sheet.Front, 60)},
				{ID: "drill", Kind: sheet.RoundHole, Diameter: 8.5, Made: sheet.MadeDrilled, X: at(sheet.Left, 60), Y: at(sheet.Front,
					60)},
				{ID: "mate", Kind: sheet.RoundHole, Diameter: 10.5, Made: sheet.MadeMatched, X: at(sheet.Left, 90), Y: at(sheet.Front,
					60)},
				{ID: "pilot", Kind: sheet.RoundHole, Diameter: 20, Made: sheet.MadePilot, X: at(sheet.Left, 120), Y: at(sheet.Front, 60)},
				{ID: "slot", Kind: sheet.SlotHole, Diameter: 9, Length: 25, X: at(sheet.Left, 150), Y: at(sheet.Front, 60)},
				{ID: "tap", Kind: sheet.RoundHole, X: at(sheet.Left, 175), Y: at(sheet.Front, 60),
					Use: &sheet.Use{Kind: sheet.UseTapped, Thread: "M6"}}},
			Marks: []sheet.Mark{{ID: "t", Kind: sheet.TextMark, Text: "FRONT", X: at(sheet.Left, 20), Y: at(sheet.Front, 30)},
				{ID: "c", Kind: sheet.CentreMark, X: at(sheet.Left, 20), Y: at(sheet.Front, 90)},
				{ID: "a", Kind: sheet.ArrowMark, X: at(sheet.Left, 60), Y: at(sheet.Front, 90)}}}}
	p, err := made.Build(r, made.Options{Display: quantity.Display{Style: quantity.Metric}})
	if err != nil {
		t.Fatal(err)
	}
	return p
}

func pressSheet(t *testing.T) PartSheet {
	return PartSheet{Job: "Orchard truck", Part: "Shelf", Hand: "left", Revision: 4,
		Date: time.Date(2026, 3, 4, 0, 0, 0, 0, time.UTC), Paper: A4,
		Quantity: 2, Material: "A36, 3.0 mm", Tool: "V die 24", Family: stock.Steel, Flat: shelf(t), Master: "Jig", Face: "Good side up.",
		Length: func(mm float64) string { return quantity.Display{Style: quantity.Metric}.Text(mm) },
		Bend: Station{"Long press", []string{"punch and die for the sheet", "back stop set"}, "No gloves between punch and die.",
			[]string{"Worked: stop 38.2 (Tray 2031-02-11)."}},
		Drill: Station{"Pillar drill", []string{"work clamped"}, "Eyes.", nil}}
}

// The sheets of the brake and of the drill say every bend and hole that there is.
func TestPressSheets(t *testing.T) {
	s := pressSheet(t)
	for name, c := range map[string]struct {
		pdf  func() ([]byte, error)
		says []string
	}{
		"bends": {s.BendPDF, []string{"Shelf, left hand", "bend sheet", "Before Long press is used", "[ ] back stop set",
			"No gloves between punch and die", "revision 4", "V die 24", "Front flange",
			"Back flange", "Good side up."}},
		"drills": {s.DrillPDF, []string{"drill sheet", "Before Pillar drill", "Break both edges", "Jig", "M6"}},
	} {
		t.Run(name, func(t *testing.T) {
			raw, err := c.pdf()
			if err != nil {
				t.Fatal(err)
			}
			again, err := c.pdf()
			if err != nil || !bytes.Equal(raw, again) {
				t.Errorf("two printings differ (%v)", err)
			}
			text := words(t, raw)
			for _, w := range c.says {
				if !strings.Contains(text, w) {
					t.Errorf("no %q in\n%s", w, text)
				}
			}
			for _, l := range s.Flat.BendLines {
				if name == "bends" && !strings.Contains(text, l.Name) {
					t.Errorf("no bend %q", l.Name)
				}
			}
			for _, o := range slices.Concat(s.Flat.Ordinates.X, s.Flat.Ordinates.Y) {
				if name == "bends" && !strings.Contains(text, o.Dist.Said()) {
					t.Errorf("no running dimension %s", o.Dist.Said())
				}
			}
			for _, h := range s.Flat.Holes {
				if name == "drills" && !strings.Contains(text, h.X.Text) {
					t.Errorf("no place of %q, %s", h.Name, h.X.Text)
				}
			}
		})
	}
}

// A template of a part with holes and marks says how each hole is made.
func TestTemplateSaysHowHolesAreMade(t *testing.T) {
	tpl := template(t, A4)
	tpl.Flat = shelf(t)
	raw, err := tpl.PDF()
	if err != nil {
		t.Fatal(err)
	}
	text := words(t, raw)
	for _, w := range []string{"through its mate", "drill after bending", "M6×1 tapped", "FRONT"} {
		if !strings.Contains(text, w) {
			t.Errorf("no %q in\n%s", w, text)
		}
	}
}

// A label never reads as an approval, whatever it is for.
func TestRatingLabel(t *testing.T) {
	l := RatingLabel{Job: "Orchard truck", Revision: 2, Date: time.Date(2026, 3, 4, 0, 0, 0, 0, time.UTC), Paper: A4, Duty: "Recovery " +
		"eye",
		On: "rear crossmember", Rated: "45 kN", Way: "rearward", Proved: [][2]string{{"Eye", "72 % of bearing"}},
		Crash: "an approved design holds it", Cautions: []string{"Recovery: nobody stands near the line."}}
	raw, err := l.PDF()
	if err != nil {
		t.Fatal(err)
	}
	text := strings.Join(strings.Fields(words(t, raw)), " ")
	for _, w := range append([]string{"45 kN", "pulled rearward", "72 % of bearing", "nobody stands near", "an approved design holds it"},
		unproved...) {
		if !strings.Contains(text, w) {
			t.Errorf("no %q in\n%s", w, text)
		}
	}
	for _, w := range []string{"certified", "Certified", "guaranteed"} {
		if strings.Contains(text, w) {
			t.Errorf("it says %q", w)
		}
	}
}

// On either paper a long line goes on below, not past the edge; the whole of it is there.
func TestLongLinesAreWrapped(t *testing.T) {
	for _, size := range []Size{A4, Letter} {
		s := pressSheet(t)
		s.Paper, s.Tool = size, strings.Repeat("a press with a V die that has a long name, ", 6)+"the end of it"
		raw, err := s.BendPDF()
		if err != nil {
			t.Fatal(err)
		}
		text := strings.Join(strings.Fields(words(t, raw)), " ")
		if !strings.Contains(text, "the end of it. Order by rule") && !strings.Contains(text, "first good piece.") {
			t.Errorf("%v: %s", size, text)
		}
		p := newPages(size, s.Date, "long")
		p.next()
		top := p.y
		p.say(9, "", s.Tool)
		if lines := (p.y - top) / 4.5; lines < 2 || lines > 6 {
			t.Errorf("%v: %g lines", size, lines)
		}
	}
}
