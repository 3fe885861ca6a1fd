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
	for _, c := range []struct {
		paper         Size
		columns, rows int
	}{{A4, 3, 2}, {Letter, 3, 2}} {
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
		for _, word := range []string{"Foot Ø šķ", "left hand", "GOOD SIDE UP", "100 mm", "4 in", "revision r4", "A1", "B3"} {
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
