package e2e

import (
	"strings"
	"testing"
)

// A hoop of round tube is bent of one piece: its marks stand in the cut list and
// on the bending sheet; of square tube its corners are notched and folded.
func TestHoopOfOnePiece(t *testing.T) {
	a := startApp(t)
	job, _ := a.demoPart(t, "Orchard truck", "Press foot")
	a.free(t, job)
	p := open(t, a, 1280, 800)
	start := func(name, stock string) {
		p.goTo("/jobs/" + job + "/shape/frame")
		p.pick(".start", "What it is", "Hoop")
		p.set(".start", "Its name", name)
		p.pick(".start", "Made of", stock)
		p.press("Start the frame")
		p.frameSaved()
	}
	start("Round hoop", "Ø 48.3 × 3.2 mm tube")
	p.press("Left top")
	p.set(".form", "Radius of the bend, on the middle", "200")
	p.frameSaved()
	p.press("Cut")
	p.wait("the piece", `document.querySelector('[data-mark=A1]')?.innerText.includes('radius 200.0 mm')`)
	row := eval[string](p, `document.querySelector('[data-mark=A1]').innerText`)
	// 600 − 8 of plate − 200, a quarter of 200, 1100 − 200 − 144.9, a quarter of 144.9, 600 − 8 − 144.9.
	for _, w := range []string{"2136.0 mm", "bend from 392.0 mm", "radius 200.0 mm", "radius 144.9 mm"} {
		if !strings.Contains(row, w) {
			t.Errorf("the piece lacks %q: %q", w, row)
		}
	}
	p.press("Bending sheets PDF, a page for each bent piece")
	name, pdf := p.download(".pdf")
	text := pdfText(t, pdf)
	for _, w := range []string{"Round hoop, 1 × A1", "392.0 mm", "No trial bend"} {
		if !strings.Contains(text, w) {
			t.Errorf("%s lacks %q:\n%s", name, w, text)
		}
	}
	p.press("Holds")
	p.wait("the ranking", `document.querySelector('.scroll .member')`)
	eval[bool](p, `[...document.querySelectorAll('.scroll .member')].find(b => b.innerText.includes('Bar')).click() ?? true`)
	p.wait("no weld on it", `document.querySelector('[data-check=weld][data-says="not needed"]')?.textContent.includes('There is no weld')`)

	start("Square hoop", "40 × 40 × 3 mm tube")
	for _, point := range []string{"Left top", "Right top"} {
		p.press("Build")
		p.press(point)
		p.press("notched, folded")
		p.frameSaved()
	}
	p.press("Cut")
	p.wait("two V", `document.querySelector('[data-mark=A1]')?.innerText.split('V at').length === 3`)
	if eval[int](p, `document.querySelectorAll('[data-mark]').length`) != 1 {
		t.Error("it is not one piece")
	}
	p.press("Saw sheet PDF with a drawing of each piece")
	name, pdf = p.download("-saw_r3.pdf")
	if text = pdfText(t, pdf); !strings.Contains(text, "V at") ||
		!strings.Contains(strings.Join(strings.Fields(text), " "), "folds at Left top") {
		t.Errorf("%s:\n%s", name, text)
	}
	// Bent instead, in a third of the way: said in words at the point, both still shown.
	p.press("Build")
	p.press("Left top")
	p.press("bent")
	p.wait("the flag", `document.querySelector(".flags")`)
	p.see("folded at one end and bent at the other")
}
