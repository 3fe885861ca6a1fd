package paper

import (
	"fmt"
	"math/rand"
	"strings"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// The tiles cover the sheet with their overlap, and one tile fewer would not.
func TestTilesCover(t *testing.T) {
	rnd := rand.New(rand.NewSource(4))
	for range 2000 {
		size, tile := 1+3000*rnd.Float64(), 150+150*rnd.Float64()
		n := tiles(size, tile)
		covered := func(n int) float64 { return float64(n)*(tile-overlap) + overlap }
		if covered(n) < size-1e-6 || n > 1 && covered(n-1) >= size {
			t.Fatalf("%v in tiles of %v: %d cover %v", size, tile, n, covered(n))
		}
	}
}

func TestPageNames(t *testing.T) {
	for _, c := range []struct {
		col, row int
		want     string
	}{{0, 0, "A1"}, {2, 1, "B3"}, {0, 25, "Z1"}, {0, 26, "AA1"}, {9, 27, "AB10"}} {
		if got := pageName(c.col, c.row); got != c.want {
			t.Errorf("%d, %d: %s, want %s", c.col, c.row, got, c.want)
		}
	}
}

// What stands against cutting is printed, what was set aside with its reason;
// notes are left to the screen.
func TestFlagsArePrinted(t *testing.T) {
	tpl := template(t, A4)
	tpl.Flat.Findings = []working.Finding{
		{Severity: working.Stop, Reason: "This stops the saw."},
		{Severity: working.Mind, Reason: "Mind this edge.", SetAside: "a strip was bent"},
		{Severity: working.Note, Reason: "Not worth paper."},
	}
	raw, err := tpl.PDF()
	if err != nil {
		t.Fatal(err)
	}
	text := pdf(t, raw, "pdftotext", "-")
	for word, printed := range map[string]bool{"STOP: This stops the saw.": true, "set aside: a strip was bent": true,
		"Not worth paper.": false} {
		if strings.Contains(text, word) != printed {
			t.Errorf("%q printed: %v", word, !printed)
		}
	}
}

// Long names, forty flags and sixty bends still make a template of the same pages.
func TestTooMuch(t *testing.T) {
	tpl := template(t, Letter)
	columns, rows := tpl.Grid()
	tpl.Part, tpl.Job = strings.Repeat("A very long name of a part ", 6), strings.Repeat("x", 300)
	for i := range 40 {
		tpl.Flat.Findings = append(tpl.Flat.Findings,
			working.Finding{Severity: working.Stop, Reason: fmt.Sprintf("Flag %d, %s", i, strings.Repeat("and so on ", 20))})
	}
	for len(tpl.Flat.BendLines) < 60 {
		tpl.Flat.BendLines = append(tpl.Flat.BendLines, tpl.Flat.BendLines[0])
	}
	raw, err := tpl.PDF()
	if err != nil {
		t.Fatal(err)
	}
	if info := pdf(t, raw, "pdfinfo"); !strings.Contains(info, fmt.Sprintf("Pages:           %d", 1+columns*rows)) {
		t.Error(info)
	}
	if text := pdf(t, raw, "pdftotext", "-"); !strings.Contains(text, "more in the program") {
		t.Error("what is left out is not said")
	}
}

// The arrow stands on the base, away from the holes.
func TestClearSpot(t *testing.T) {
	tpl := template(t, A4)
	spot := tpl.clearSpot()
	if !profile.Inside(spot, tpl.Flat.Panels[0].Flat) {
		t.Errorf("%v is not on the base", spot)
	}
}
