package e2e

import (
	"fmt"
	"strings"
	"testing"
)

// verdict waits for the word of the open bracket.
func (p *page) verdict(want string) {
	p.t.Helper()
	p.wait("the verdict "+want, fmt.Sprintf(`document.querySelector('[data-verdict]')?.dataset.verdict === %q`, want))
}

// The press stands on its four feet; the road use is raised until the bracket
// says over; a suggestion is taken, and the part it changed is a new revision.
func TestPressOnItsFeet(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + job + "/hold")
	p.verdict("tight")
	p.see("gives first")
	p.press("Apple press")
	p.see("The hardest on one foot is")
	if n := eval[int](p, `document.querySelectorAll('tr[data-foot]').length`); n != 4 {
		t.Errorf("%d feet in the table", n)
	}
	p.press("Why the share of each foot")
	p.see("statics of a rigid body on springs")
	p.press("Close the working")
	p.press("Measure")
	p.press("rough roads")
	p.still("the save", `document.querySelector('[data-brief]')?.dataset.brief === 'saved'`)
	p.press("Hold")
	p.verdict("over")
	p.wait("the mark on the rail", `document.querySelector('.rail .count')?.innerText === '2'`)
	p.press("Why Plate bent at the row of bolts")
	p.see("moment that bends the plate")
	p.press("Close the working")
	p.wait("a suggestion", `document.querySelectorAll('[data-suggestions] .one').length > 0`)
	label := eval[string](p, `document.querySelector('[data-suggestions] .one .what').innerText`)
	if !strings.Contains(label, "nearer to the bend") {
		t.Errorf("first suggestion: %s", label)
	}
	p.press("Take it")
	p.verdict("tight")
	p.goTo("/jobs/" + job + "/shape/" + part)
	p.wait("the new revision", `[...document.querySelectorAll('.strip button')].some(b => b.innerText.trim() === 'r2')`)
}

// A brief filled from nothing: a device without a centre of gravity cannot be
// said, then it can, and assumed inputs are named and keep it from holding.
func TestBriefDecidesWhatMayHold(t *testing.T) {
	a := startApp(t)
	job, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + job + "/measure")
	p.pick("main", "Mass: how it is known", "assumed")
	p.still("the save", `document.querySelector('[data-brief]')?.dataset.brief === 'saved'`)
	p.press("Hold")
	p.verdict("cannot say")
	p.see("The mass of Apple press is assumed")
	p.press("Measure")
	p.press("it is a nuisance")
	p.still("the save", `document.querySelector('[data-brief]')?.dataset.brief === 'saved'`)
	p.press("Hold")
	p.verdict("tight")
	p.see("Rests on the mass of Apple press, assumed")
	p.see("Fatigue: cannot say")
}
