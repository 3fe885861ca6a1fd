package e2e

import (
	"fmt"
	"math"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/job"
)

// drawnInInches writes a drawing of lines in inches, and more of it as it stands in the file.
func drawnInInches(t *testing.T, name string, lines [][4]float64, more string) (file string) {
	t.Helper()
	var b strings.Builder
	b.WriteString("0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n1\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n")
	for _, l := range lines {
		fmt.Fprintf(&b, "0\nLINE\n8\ncut\n10\n%g\n20\n%g\n11\n%g\n21\n%g\n", l[0], l[1], l[2], l[3])
	}
	b.WriteString(more + "0\nENDSEC\n0\nEOF\n")
	file = filepath.Join(t.TempDir(), name)
	if err := os.WriteFile(file, []byte(b.String()), 0o600); err != nil {
		t.Fatal(err)
	}
	return file
}

// startPart goes to a new part by its starter, from a part that is there.
func (p *page) startPart(job, from, starter string) {
	p.t.Helper()
	p.app.free(p.t, job)
	p.goTo("/jobs/" + job + "/shape/" + from)
	p.drawn()
	p.press("New part")
	p.press(starter)
	p.wait("its picture", `document.querySelectorAll('.start .picture path').length === 1`)
}

// A tray from its starter: corners that close, a size typed on the drawing, and
// the bend sheet with its stops.
func TestTrayFromStarterToBendSheet(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.startPart(job, part, "Tray")
	p.set(".start", "Its name", "Battery tray")
	p.set(".start", "Long, outside", "12 in")
	p.pick(".start", "Corners", "edge to edge")
	p.press("Start the part")
	p.drawn()
	p.see("Battery tray")
	if n := eval[int](p, `document.querySelectorAll('[data-code]').length`); n > 2 {
		t.Errorf("%d flags", n)
	}
	p.press("Bends")
	p.wait("four steps", `document.querySelectorAll('[data-drawer=bends] tbody tr').length === 4`)
	// Tapped on the drawing and typed over: the width.
	eval[bool](p, `([...document.querySelectorAll('[data-testid=flat] .dim')].find(d => d.textContent.includes('Width')).dispatchEvent(new MouseEvent('click', {bubbles: true})), true)`)
	p.wait("the width to be asked", `document.querySelector('.bar strong')?.innerText === 'Width'`)
	p.keys("180\r")
	p.wait("the tray to be drawn narrower", `document.querySelector('[data-path="/base/width"]').innerText.includes('180.0')`)
	p.saved()
	parts, err := a.jobs.Parts(t.Context(), job)
	if err != nil {
		t.Fatal(err)
	}
	tray := parts[len(parts)-1]
	built, err := made.Build(tray.Recipe, made.Options{})
	if err != nil {
		t.Fatal(err)
	}
	size := built.Body.Max.Sub(built.Body.Min)
	if math.Abs(size[0]-304.8)+math.Abs(size[1]-180)+math.Abs(size[2]-50) > 1e-6 || len(tray.Recipe.Base.Meets) != 4 ||
		tray.Recipe.Base.Meets[0].Kind != sheet.MeetMitre {
		t.Errorf("%v %+v", size, tray.Recipe.Base.Meets)
	}
	p.goTo("/jobs/" + job + "/make")
	p.press("Bend sheet of Battery tray")
	name, pdf := p.download(".pdf")
	text := pdfText(t, pdf)
	for _, w := range []string{"Battery tray: bend sheet", "good", fmt.Sprintf("%.1f mm", built.Steps[0].Stop.MM), "edge of left flange"} {
		if !strings.Contains(strings.Join(strings.Fields(text), " "), w) {
			t.Errorf("%s lacks %q:\n%s", name, w, text)
		}
	}
	p.press("Drill sheet of Battery tray")
	name, pdf = p.download("-drills_r2.pdf")
	if text = pdfText(t, pdf); !strings.Contains(text, "drain") {
		t.Errorf("%s:\n%s", name, text)
	}
}

// A drawing with a gap: said at its place, closed by its fix, a part with its
// holes; in inches as the file says.
func TestDrawingWithAGapBecomesAPart(t *testing.T) {
	a := startApp(t)
	job, _ := a.demoPart(t, "Orchard truck", "Press foot")
	at := [][4]float64{{0, 0, 6, 0}, {6, 0, 6, 4}, {6, 4, .01, 4}, {0, 4, 0, 0}} // a hundredth short
	file := drawnInInches(t, "battery lid.dxf", at,
		"0\nCIRCLE\n8\ncut\n10\n1\n20\n1\n40\n0.25\n0\nTEXT\n8\nnotes\n10\n0\n20\n0\n1\nx\n")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + job + "/shape/new")
	p.press("A drawing: DXF or SVG")
	p.wait("the file", `document.querySelector('input[type=file]')`)
	p.do(chromedp.SetUploadFiles(chromedp.CSS(`input[type=file]`), []string{file}))
	p.wait("the gap", `document.querySelector('[data-code=open]')`)
	if n := eval[int](p, `document.querySelectorAll('.open circle').length`); n != 2 {
		t.Errorf("%d ends are ringed", n)
	}
	p.press("Join ends up to")
	p.wait("the gap to close", `!document.querySelector('[data-code=open]') && document.querySelector('.from .start')`)
	p.see("152.4 mm × 101.6 mm, 1 hole")
	p.press("Make a part of it")
	p.drawn()
	p.see("battery lid")
	parts, err := a.jobs.Parts(t.Context(), job)
	if err != nil {
		t.Fatal(err)
	}
	built, err := made.Build(parts[len(parts)-1].Recipe, made.Options{})
	if err != nil || !built.Whole {
		t.Fatalf("%v %+v", err, built.Findings)
	}
	if want := (24 - math.Pi/16) * 25.4 * 25.4; math.Abs(built.Area-want) > .002*want || len(built.Holes) != 1 ||
		math.Abs(built.Holes[0].Diameter-12.7) > 1e-6 {
		t.Errorf("area %.1f, want %.1f; %+v", built.Area, want, built.Holes)
	}

	// The same drawing cut into the tray's floor.
	_, tray := a.demoPart(t, "Orchard truck", "Compressor tray")
	before, err := a.jobs.Part(t.Context(), tray)
	if err != nil {
		t.Fatal(err)
	}
	p.goTo("/jobs/" + job + "/shape/new")
	p.press("A drawing: DXF or SVG")
	p.wait("the file", `document.querySelector('input[type=file]')`)
	small := filepath.Join(t.TempDir(), "window.svg")
	if err := os.WriteFile(small, []byte(`<svg width="120mm" viewBox="0 0 120 60"><path d="M0 0h100v40h-100z"/></svg>`), 0o600); err != nil {
		t.Fatal(err)
	}
	p.do(chromedp.SetUploadFiles(chromedp.CSS(`input[type=file]`), []string{small}))
	p.see("100.0 mm × 40.0 mm, 0 holes")
	p.pick(".from", "Or cut its outlines into", "Compressor tray")
	p.press("Cut it in")
	p.drawn()
	after, err := a.jobs.Part(t.Context(), tray)
	if err != nil {
		t.Fatal(err)
	}
	was, _ := made.Build(before.Recipe, made.Options{})
	now, _ := made.Build(after.Recipe, made.Options{})
	if math.Abs(was.Area-now.Area-4000) > 1e-3 {
		t.Errorf("%.3f mm² were cut out", was.Area-now.Area)
	}
}

// A bought plan, printed two per cent too large, is laid on the device's feet:
// said, scaled to fit, and its window cut into a flange of a part that is there.
func TestPlanAgainstTheDevice(t *testing.T) {
	a := startApp(t)
	job, tray := a.demoPart(t, "Orchard truck", "Compressor tray")
	plan := `<svg width="600mm" viewBox="0 0 600 600"><rect x="20" y="20" width="520" height="400"/>`
	for _, f := range [][2]float64{{-210, -150}, {210, -150}, {210, 150}, {-210, 150}} {
		plan += fmt.Sprintf(`<circle cx="%g" cy="%g" r="5"/>`, 280+1.02*f[0], 220+1.02*f[1])
	}
	files := map[string]string{"plan.svg": plan + "</svg>",
		"slot.svg": `<svg width="60mm" viewBox="0 0 60 60"><rect x="5" y="5" width="24" height="12"/></svg>`}
	dir := t.TempDir()
	for name, text := range files {
		if err := os.WriteFile(filepath.Join(dir, name), []byte(text), 0o600); err != nil {
			t.Fatal(err)
		}
	}
	p := open(t, a, 1280, 800)
	read := func(name string) {
		p.goTo("/jobs/" + job + "/shape/new")
		p.press("A drawing: DXF or SVG")
		p.wait("the file", `document.querySelector('input[type=file]')`)
		p.do(chromedp.SetUploadFiles(chromedp.CSS(`input[type=file]`), []string{filepath.Join(dir, name)}))
	}
	read("plan.svg")
	p.wait("the scale", `document.querySelector('.against [data-code=out-of-scale]')`)
	p.see("2 % larger than what was measured")
	p.press("Scale it to fit, by 0.9804")
	p.wait("it to fit", `!document.querySelector('.against [data-code]')`)
	p.see("4 of 4 holes lie on it")
	p.see("A unit is read as")
	read("slot.svg")
	p.see("24.0 mm × 12.0 mm, 0 holes")
	p.see("no hole map or device whose holes it could be laid on")
	p.pick(".from", "Or cut its outlines into", "Compressor tray")
	p.press("Front flange")
	p.press("Cut it in")
	p.drawn()
	after, err := a.jobs.Part(t.Context(), tray)
	if err != nil {
		t.Fatal(err)
	}
	for _, f := range after.Recipe.Base.Flanges {
		if f.Edge == sheet.Front && (len(f.Holes) == 0 || f.Holes[len(f.Holes)-1].Kind != sheet.CutoutHole) {
			t.Errorf("the front flange has holes %+v", f.Holes)
		}
	}
}

// A deck too long for the table: said, split with a bolted lap, joined again.
func TestDeckSplitForTheBed(t *testing.T) {
	a := startApp(t)
	jobID, part := a.demoPart(t, "Orchard truck", "Compressor tray")
	tray, err := a.jobs.Part(t.Context(), part)
	if err != nil {
		t.Fatal(err)
	}
	r := tray.Recipe
	r.Base = sheet.Base{ID: "deck", Length: 3400, Width: 900, Measure: sheet.Outside, Flanges: []sheet.Flange{
		{ID: "front", Edge: sheet.Front, Length: 50, Angle: 90, InsideRadius: 4.5},
		{ID: "back", Edge: sheet.Back, Length: 50, Angle: 90, InsideRadius: 4.5}},
		Holes: []sheet.Hole{{ID: "h", Kind: sheet.RoundHole, Diameter: 11, X: sheet.Offset{Edge: sheet.Left, Distance: 200},
			Y:       sheet.Offset{Edge: sheet.Front, Distance: 200},
			Pattern: &sheet.Pattern{Kind: sheet.MirrorPattern, Across: true, Back: true}}}}
	deck, err := a.jobs.CreatePart(t.Context(), jobID, job.PartState{Name: "Load deck", Quantity: 1, Recipe: r})
	if err != nil {
		t.Fatal(err)
	}
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/shape/" + deck.ID)
	p.drawn()
	p.wait("the table to be too small", `document.querySelector('[data-code=past-bed]') && document.querySelector('[data-code=past-lift]')`)
	p.press("Split")
	p.press("Where it can be split")
	p.wait("a line in the middle", `[...document.querySelectorAll('[data-line=x]')].some(l => l.innerText.includes('1700 mm from the left'))`)
	if told := eval[string](p, `[...document.querySelectorAll('[data-line=x]')].find(l => l.innerText.includes('1700 mm from the left')).innerText`); !strings.Contains(told, "They fit bed, brake and lift") &&
		!strings.Contains(told, "Still too large") || !strings.Contains(told, "Bent in two pieces then") {
		t.Error(told)
	}
	p.press("Take the line 1700 mm from the left")
	p.wait("the line to be taken", value("[data-drawer=split]", "From the left of the base", "1700.0 mm"))
	p.press("Split the part")
	p.see("Load deck, first piece")
	p.drawn()
	p.wait("its bolts", `document.body.innerText.includes('Joint bolts')`)
	parts, err := a.jobs.Parts(t.Context(), jobID)
	if err != nil {
		t.Fatal(err)
	}
	var pieces []made.Part
	for _, q := range parts {
		if q.ID == deck.ID {
			t.Error("the whole is not put away")
		}
		if q.Recipe.Piece != nil {
			b, err := made.Build(q.Recipe, made.Options{})
			if err != nil || !b.Whole {
				t.Fatalf("%v %+v", err, b.Findings)
			}
			pieces = append(pieces, b)
		}
	}
	if len(pieces) != 2 || math.Abs(pieces[0].Bounds.Max.X-pieces[0].Bounds.Min.X-1740) > 1e-6 ||
		math.Abs(pieces[1].Bounds.Max.X-pieces[1].Bounds.Min.X-1700) > 1e-6 {
		t.Errorf("%d pieces", len(pieces))
	}
	j, err := a.jobs.Job(t.Context(), jobID)
	if err != nil {
		t.Fatal(err)
	}
	seams := 0
	for _, x := range j.Brief.Joints {
		if x.Name == "Load deck, seam" {
			seams++
		}
	}
	if seams != 1 {
		t.Errorf("%d seams on the Hold bench", seams)
	}
	p.press("Split")
	p.see("Join it again")
	p.press("Join it again")
	p.wait("the whole", `document.querySelector('.strip h1')?.innerText === 'Load deck'`)
	back, err := a.jobs.Part(t.Context(), deck.ID)
	if err != nil || back.Archived || back.Revision != 1 {
		t.Errorf("%v %+v", err, back.Archived)
	}
}
