package paper

import (
	"bytes"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"strconv"
	"strings"
	"testing"
	"time"

	"warmanvil/core/bend"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
)

func template(t *testing.T, paper Size) Template {
	t.Helper()
	k := .42
	r := sheet.Recipe{Schema: 1, Material: "steel-a36", Thickness: 3, Process: "laser", Tool: bend.Tool{Kind: bend.ToolVDie},
		Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k},
		Base: sheet.Base{ID: "b", Length: 360, Width: 180, Flanges: []sheet.Flange{
			{ID: "f", Edge: sheet.Front, Length: 140, Angle: 90, Up: true, InsideRadius: 3},
			{ID: "g", Edge: sheet.Left, Length: 40, Angle: 30, InsideRadius: 3, SetIn: sheet.SetIn{Start: 20}}}}}
	p, err := made.Build(r, made.Options{Display: quantity.Display{Style: quantity.Metric}})
	if err != nil {
		t.Fatal(err)
	}
	return Template{Job: "Orchard truck", Part: "Foot Ø šķ", Hand: sheet.LeftHand, Revision: "r4", Material: "A36",
		Thickness: "3.0 mm", Quantity: 2,
		Date: time.Date(2030, 1, 2, 3, 4, 5, 0, time.UTC), Paper: paper, Flat: p}
}

func TestTemplateTiles(t *testing.T) {
	// 403 × 318 mm: three across and two down as it lies, two and two turned.
	for _, c := range []struct {
		paper         Size
		columns, rows int
		last          string
	}{{A4, 2, 2, "B2"}, {Letter, 2, 2, "B2"}} {
		tpl := template(t, c.paper)
		if col, row := tpl.Grid(); col != c.columns || row != c.rows {
			t.Errorf("%s: %d × %d tiles", c.paper, col, row)
		}
		raw, err := tpl.PDF()
		if err != nil {
			t.Fatal(err)
		}
		again, err := tpl.PDF()
		if err != nil || !bytes.Equal(raw, again) {
			t.Errorf("two printings differ (%v)", err)
		}
		info := pdf(t, raw, "pdfinfo")
		if !strings.Contains(info, fmt.Sprintf("Pages:           %d", 1+c.columns*c.rows)) {
			t.Errorf("%s: %s", c.paper, info)
		}
		text := pdf(t, raw, "pdftotext", "-")
		for _, word := range []string{"Foot Ø šķ", "left hand", "GOOD SIDE UP", "100 mm", "4 in", "revision r4", "A1", c.last} {
			if !strings.Contains(text, word) {
				t.Errorf("%s: %q is not printed", c.paper, word)
			}
		}
	}
}

// The check bar is 100 mm long on paper, measured in the page's own drawing.
func TestCheckBarMeasures(t *testing.T) {
	raw, err := template(t, A4).PDF()
	if err != nil {
		t.Fatal(err)
	}
	path := filepath.Join(t.TempDir(), "t.pdf")
	svg := path + ".svg"
	if err := os.WriteFile(path, raw, 0o600); err != nil {
		t.Fatal(err)
	}
	if out, err := exec.Command("pdftocairo", "-svg", "-f", "1", "-l", "1", path, svg).CombinedOutput(); err != nil {
		t.Fatalf("%v: %s", err, out)
	}
	page, err := os.ReadFile(svg)
	if err != nil {
		t.Fatal(err)
	}
	lines := regexp.MustCompile(`M ([\d.]+) ([\d.]+) L ([\d.]+) ([\d.]+) "`).FindAllStringSubmatch(string(page), -1)
	const pt = 25.4 / 72
	mm, inch := false, false
	for _, l := range lines {
		var v [4]float64
		for i := range v {
			v[i], _ = strconv.ParseFloat(l[i+1], 64)
		}
		length := (v[2] - v[0]) * pt
		mm = mm || v[1] == v[3] && length > 99.9 && length < 100.1
		inch = inch || v[1] == v[3] && length > 101.5 && length < 101.7
	}
	if !mm || !inch {
		t.Errorf("no bar of 100 mm (%v) or 4 in (%v) among %d lines", mm, inch, len(lines))
	}
}

func pdf(t *testing.T, raw []byte, command string, args ...string) string {
	t.Helper()
	path := filepath.Join(t.TempDir(), "t.pdf")
	if err := os.WriteFile(path, raw, 0o600); err != nil {
		t.Fatal(err)
	}
	out, err := exec.Command(command, append([]string{path}, args...)...).CombinedOutput()
	if err != nil {
		t.Fatalf("%s: %v %s", command, err, out)
	}
	return string(out)
}

// Tiles no part of a thing lies on are not printed, none of its lines is lost, a quarter turn
// is taken where it saves pages, and every word stands whole on one page.
func TestTemplateTilesSaved(t *testing.T) {
	saved := false
	for _, paper := range []Size{A4, Letter} {
		for _, size := range [][2]float64{{360, 180}, {180, 360}, {900, 60}, {60, 900}, {700, 500}, {500, 500}} {
			k := .42
			r := sheet.Recipe{Schema: 1, Material: "steel-a36", Thickness: 3, Process: "laser", Tool: bend.Tool{Kind: bend.ToolVDie},
				Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k},
				Base: sheet.Base{ID: "b", Length: size[0], Width: size[1], Flanges: []sheet.Flange{
					{ID: "f", Edge: sheet.Front, Length: 400, Angle: 90, Up: true, InsideRadius: 3, SetIn: sheet.SetIn{Start: size[0] - 50}}}}}
			p, err := made.Build(r, made.Options{Display: quantity.Display{Style: quantity.Metric}})
			if err != nil || !p.Whole {
				t.Fatal(size, err)
			}
			tpl := Template{Part: "Flag", Paper: paper, Flat: p, Welded: []string{"Front flange to back flange"}}
			l := tpl.layout()
			saved = saved || len(l.used) < l.columns*l.rows
			for _, turned := range []bool{false, true} {
				if other := tpl.lie(turned, false); len(other.used) < len(l.used) {
					t.Errorf("%s, %v: %d pages, and %d lying the other way", paper, size, len(l.used), len(other.used))
				}
			}
			for _, q := range p.Outline.Flatten(.5) {
				x, y := l.on(q)
				on := 0
				for tile := range l.used {
					if c := tpl.cell(l, tile[0], tile[1]); x >= c.Min.X-1e-6 && x <= c.Max.X+1e-6 && y >= c.Min.Y-1e-6 && y <= c.Max.Y+1e-6 {
						on++
					}
				}
				if on == 0 {
					t.Fatalf("%s, %v: %v lies on no page", paper, size, q)
				}
			}
			raw, err := tpl.PDF()
			if err != nil {
				t.Fatal(err)
			}
			if info := pdf(t, raw, "pdfinfo"); !strings.Contains(info, fmt.Sprintf("Pages:           %d", 1+len(l.used))) {
				t.Errorf("%s, %v: %d tiles; %s", paper, size, len(l.used), info)
			}
			text := pdf(t, raw, "pdftotext", "-")
			for word, times := range map[string]int{"GOOD SIDE UP": 1, "up 90°": 1, "Welded after bending": 1} {
				if n := strings.Count(text, word); n != times {
					t.Errorf("%s, %v: %q is printed %d times", paper, size, word, n)
				}
			}
		}
	}
	if !saved {
		t.Error("a flag on a long pole left no page out")
	}
}
