package e2e

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/develop"
	"warmanvil/core/sheet/made"
)

// A round-to-square from its starter: sizes are typed and its flat is drawn anew, a hole is put on it and
// placed round it and up it, its twin is the mirror image; then its DXF, its bend sheet and its template
// carry the same press lines.
func TestARoundFromItsStarterToItsPapers(t *testing.T) {
	a := startApp(t)
	if err := a.jobs.LoadDemoShop(t.Context()); err != nil {
		t.Fatal(err)
	}
	job, part := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.startPart(job, part, "Square to round")
	p.set(".start", "Its name", "Chute")
	p.set(".start", "Below, along x", "240")
	p.set(".start", "Lap at the seam, 0 for butted", "12")
	p.press("Start the part")
	p.drawn()
	p.see("Chute")
	p.see("Transition")
	round := func() (made.Part, string) {
		t.Helper()
		parts, err := a.jobs.Parts(t.Context(), job)
		if err != nil {
			t.Fatal(err)
		}
		last := parts[len(parts)-1]
		built, err := made.Build(last.Recipe, made.Options{})
		if err != nil || built.Round == nil || last.Recipe.Base.Shape.Round.Kind != develop.TransitionForm {
			t.Fatalf("%v %+v", err, last.Recipe.Base)
		}
		return built, last.ID
	}
	was, id := round()
	wide, _ := was.Bounds.Size()
	p.goTo("/jobs/" + job + "/shape/" + id)
	p.drawn()
	eval[bool](p, `(document.querySelector('[data-path="/base/shape/round/transition/height"]').click(), true)`)
	p.keys("260\r")
	p.wait("it to be higher", `document.querySelector('[data-path="/base/shape/round/transition/height"]').innerText.includes('260')`)
	p.saved()
	// A hole lands on the middle of the flat, and says where on the round that is.
	eval[bool](p, `(document.querySelector('[data-testid=flat] .face, [data-testid=flat] [data-face]')?.dispatchEvent(new MouseEvent('click', {bubbles: true})), true)`)
	p.wait("what to add", `!!document.querySelector('.add')`)
	p.press("Holes")
	p.press("Hole")
	p.wait("the hole", `[...document.querySelectorAll('.size')].some(x => x.innerText.startsWith('Round the form'))`)
	eval[bool](p, `([...document.querySelectorAll('.size')].find(x => x.innerText.startsWith('Round the form')).click(), true)`)
	p.keys("0\r")
	p.wait("it to be at 0", `[...document.querySelectorAll('.size')].find(x => x.innerText.startsWith('Round the form')).innerText.includes('0°')`)
	p.saved()
	now, _ := round()
	if w, _ := now.Bounds.Size(); math.Abs(w-wide) < 1 {
		t.Errorf("higher it is as wide as before, %g", w)
	}
	if len(now.Holes) != 1 || now.Holes[0].On == nil || math.Abs(now.Holes[0].On.Around) > .01 || now.Holes[0].Body[0] < 50 {
		t.Fatalf("%+v", now.Holes)
	}
	p.press("Bends")
	p.wait("its lines", `document.querySelectorAll('[data-drawer=bends] tbody tr').length >= 24`)
	p.goTo("/jobs/" + job + "/make")
	row := `[...document.querySelectorAll('section.part')].find(x => x.querySelector('h2').innerText.startsWith('Chute'))`
	p.wait("the part", `!!(`+row+`)`)
	a.free(t, job)
	p.goTo("/jobs/" + job + "/make")
	p.wait("the part", `!!(`+row+`)`)
	eval[bool](p, `(`+row+`.querySelector('[data-file=dxf]').click(), true)`)
	name, data := p.download(".dxf")
	if n := strings.Count(string(data), "\nLINE\n"); n < len(now.Round.Lines) || !strings.Contains(string(data), "LAP") {
		t.Errorf("%s has %d lines of %d", name, n, len(now.Round.Lines))
	}
	eval[bool](p, `(`+row+`.querySelector('[data-file=bends]').click(), true)`)
	name, data = p.download("-bends_r3.pdf")
	text := strings.Join(strings.Fields(pdfText(t, data)), " ")
	for _, w := range []string{"Chute: bend sheet", "LAP", "Welded after: its seam", now.Round.Lines[3].Text} {
		if !strings.Contains(text, w) {
			t.Errorf("%s lacks %q:\n%s", name, w, text)
		}
	}
}
