package e2e

import (
	"testing"
)

// What others use says what when it is put away, and asks; it comes back by one press, or
// from the list of parts.
func TestPutAwayAndBack(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	p.press("Put the part away")
	p.wait("who uses it", `document.querySelector('[role=dialog] li')?.innerText.includes('Press on its feet')`)
	for _, f := range p.serious(readAxe(t)) {
		t.Error(f)
	}
	p.press("Leave it")
	p.wait("the dialog to go", `!document.querySelector('[role=dialog]')`)
	p.press("Put the part away")
	p.press("Put it away")
	p.see("Press foot is put away.")
	if parts, err := a.jobs.Parts(t.Context(), job); err != nil || len(parts) == 0 || parts[0].ID == part {
		t.Errorf("it is still there: %v", err)
	}
	p.press("Bring it back")
	p.wait("it open again", `location.pathname.endsWith('`+part+`') && document.querySelector('.strip h1')?.innerText === 'Press foot'`)
	// Once more, and another page in between: the list of parts still has it.
	p.press("Put the part away")
	p.press("Put it away")
	p.see("Press foot is put away.")
	p.goTo("/jobs/" + job + "/shape")
	p.drawn()
	p.pick("body", "Part", "Press foot")
	p.wait("it open again", `location.pathname.endsWith('`+part+`')`)
	list, err := a.jobs.Parts(t.Context(), job)
	if err != nil || list[0].ID != part {
		t.Errorf("brought back is %v (%v)", list[0].Name, err)
	}
	// What nothing uses goes by one press.
	p.goTo("/jobs/" + job + "/shape/" + part)
	p.press("Duplicate the part")
	p.wait("the copy", `document.querySelector('.strip h1')?.innerText.startsWith('Press foot ')`)
	p.press("Put the part away")
	p.see("is put away.")
}
