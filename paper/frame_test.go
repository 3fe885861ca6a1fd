package paper

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"github.com/xuri/excelize/v2"

	"warmanvil/core/profile"
	"warmanvil/core/tube"
)

var frameHead = FrameSheet{Job: "Orchard truck", Frame: "Outriggers", Revision: 3,
	Date: time.Date(2026, 3, 4, 0, 0, 0, 0, time.UTC), Paper: A4, Quantity: 2}

func words(t *testing.T, raw []byte) string {
	t.Helper()
	file := filepath.Join(t.TempDir(), "sheet.pdf")
	if err := os.WriteFile(file, raw, 0o600); err != nil {
		t.Fatal(err)
	}
	out, err := exec.Command("pdftotext", "-layout", file, "-").Output()
	if err != nil {
		t.Fatal(err)
	}
	return string(out)
}

// Every paper of a frame says what it is for and comes out the same twice; many
// pieces run over pages.
func TestFramePapers(t *testing.T) {
	square := [4]profile.Point{{}, {X: 500}, {X: 500, Y: 50}, {Y: 50}}
	saw := SawSheet{FrameSheet: frameHead, Text: "pieces 16 kg"}
	for range 12 {
		saw.Rows = append(saw.Rows, SawRow{Mark: "A7", Stock: "50 × 50 × 4 mm tube", Quantity: 4, CutTo: "437.0 mm", Finish: "407.0 mm",
			Ends: [2]string{"square", "long point right"}, Scales: [2]string{"0.0°", "45.0°"}, Weighs: "2.3 kg", Names: "Front arm",
			Notes: []string{"mirror image of A8"}, Above: square, Side: square})
		saw.Sticks = append(saw.Sticks, SawStick{Title: "new stick 1", Length: 6000,
			Pieces: []SawPiece{{"A7", 0, 437, [2]float64{0, 50}, false}, {"A7", 390, 437, [2]float64{50, 0}, true}}})
	}
	labels := LabelSheet{FrameSheet: frameHead}
	for range 40 {
		labels.Labels = append(labels.Labels, Label{Mark: "A7", Name: strings.Repeat("a very long name ", 6), Stock: "50 × 50 × 4 mm tube",
			Length: "437.0 mm", Ends: "0° / 45°", Of: "1 of 4"})
	}
	plan := PlanSheet{FrameSheet: frameHead,
		Views: []PlanView{{"From above", [][]profile.Point{square[:]}, []PlanMark{{"A7", profile.Point{X: 250, Y: 25}}}, "500.0 mm", "50.0 mm"},
			{Title: "Nothing"}}, Points: [][]string{{"Front root", "350.0 mm", "430.0 mm", "0.0 mm"}}}
	for name, c := range map[string]struct {
		pdf  func() ([]byte, error)
		says []string
	}{
		"saw":    {saw.PDF, []string{"saw sheet", "437.0 mm", "trimmed to 407.0 mm", "saw at 45.0°; long point right", "mirror image of A8", "page 4", "for 2"}},
		"labels": {labels.PDF, []string{"A7", "1 of 4", "page 2", "…"}},
		"plan":   {plan.PDF, []string{"From above", "500.0 mm", "Front root", "430.0 mm"}},
		"none":   {WrapSheet{FrameSheet: frameHead}.PDF, []string{"No end of this frame needs a template"}},
	} {
		one, err := c.pdf()
		if err != nil {
			t.Fatal(name, err)
		}
		if two, _ := c.pdf(); !bytes.Equal(one, two) {
			t.Errorf("%s differs the second time", name)
		}
		text := words(t, one)
		for _, w := range c.says {
			if !strings.Contains(text, w) {
				t.Errorf("%s does not say %q", name, w)
			}
		}
	}
}

// A bending sheet says every mark, and warns when nothing was tried.
func TestBendSheet(t *testing.T) {
	in := tube.BendInput{Outside: 25, Wall: 2, Legs: []float64{300, 400, 250},
		Bends: []tube.Turn{{Radius: 75, Angle: 90}, {Radius: 75, Angle: 45, Rotation: 90}}}
	r, err := tube.Bend(in)
	if err != nil {
		t.Fatal(err)
	}
	raw, err := BendSheet{Title: "Rail", Date: frameHead.Date, Paper: A4, In: in, Result: r,
		Length: func(mm float64) string { return fmt.Sprintf("%.1f mm", mm) }}.PDF()
	if err != nil {
		t.Fatal(err)
	}
	text := words(t, raw)
	for _, w := range []string{"Bending sheet: Rail", fmt.Sprintf("Cut %.1f mm", r.Developed), fmt.Sprintf("%.1f mm", r.Marks[1].Start),
		"90.0°", "No trial bend", "second end"} {
		if !strings.Contains(text, w) {
			t.Errorf("it lacks %q:\n%s", w, text)
		}
	}
}

// A template is printed true to size: the line's ends lie as far apart as the
// way round, measured in the drawn page; a long one lies on its side.
func TestWrapIsTrueToSize(t *testing.T) {
	for _, around := range []float64{151.7, 240, 420} {
		w := WrapPage{Title: "A1", Around: around, Says: []string{"Wrap it."}, Ticks: []WrapTick{{0, "0°"}, {around, "360°"}}}
		for i := range 91 {
			w.Line = append(w.Line, profile.Point{X: around * float64(i) / 90, Y: 15 * (1 - math.Cos(float64(i)*math.Pi/45))})
		}
		raw, err := WrapSheet{frameHead, []WrapPage{w}}.PDF()
		if err != nil {
			t.Fatal(err)
		}
		text := words(t, raw)
		if strings.Contains(text, "Part 2") != (around > 297-2*edge) {
			t.Errorf("%g mm round: %s", around, text)
		}
		if around > 273 {
			continue
		}
		file := filepath.Join(t.TempDir(), "w")
		if err := os.WriteFile(file+".pdf", raw, 0o600); err != nil {
			t.Fatal(err)
		}
		if err := exec.Command("pdftoppm", "-r", "254", "-gray", "-singlefile", file+".pdf", file).Run(); err != nil {
			t.Fatal(err)
		}
		left, right := ink(t, file+".pgm")
		if math.Abs(float64(right-left)/10-around) > .35 {
			t.Errorf("%g mm round is printed %g mm long", around, float64(right-left)/10)
		}
	}
}

// ink answers the first and last dark column of the lower third of the drawing,
// ten to the millimetre.
func ink(t *testing.T, file string) (left, right int) {
	t.Helper()
	raw, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	var w, h, most int
	fields := strings.Fields(string(raw[:40]))
	for i, to := range []*int{&w, &h, &most} {
		for _, c := range fields[i+1] {
			*to = *to*10 + int(c-'0')
		}
	}
	pixels := raw[len(raw)-w*h:]
	left = w
	for y := range h {
		run, first, last := 0, w, 0
		for x := range w {
			if pixels[y*w+x] < 110 {
				run++
				first, last = min(first, x), max(last, x)
			}
		}
		if run > w/2 && y > 450 { // a line right across, below the heading and its rule
			left, right = min(left, first), max(right, last)
		}
	}
	return left, right
}

// The table is the same cells in both forms; what would run as a formula does
// not.
func TestTable(t *testing.T) {
	c := Table{Pages: []TablePage{{"Pieces", [][]any{{"mark", "quantity", "cut to mm"}, {"A1", 4, 437.25}, {"=A2", 1, 20.}}},
		{"Sticks", [][]any{{"stick", "left mm"}, {"new stick 1", nil}}}}, Notes: []string{"=cmd"}}
	raw, err := c.CSV()
	if err != nil {
		t.Fatal(err)
	}
	r := csv.NewReader(bytes.NewReader(raw))
	r.FieldsPerRecord = -1
	rows, err := r.ReadAll()
	if err != nil || rows[1][2] != "437.25" || rows[2][0] != "'=A2" || rows[2][2] != "20" {
		t.Fatal(rows, err)
	}
	raw, err = c.XLSX()
	if err != nil {
		t.Fatal(err)
	}
	f, err := excelize.OpenReader(bytes.NewReader(raw))
	if err != nil {
		t.Fatal(err)
	}
	for cell, want := range map[string]string{"A1": "mark", "C2": "437.25", "A3": "'=A2", "A4": "'=cmd"} {
		if got, err := f.GetCellValue("Pieces", cell); err != nil || got != want {
			t.Errorf("%s is %q, want %q", cell, got, want)
		}
	}
	if got, _ := f.GetCellValue("Sticks", "A2"); got != "new stick 1" {
		t.Errorf("sticks: %q", got)
	}
}
