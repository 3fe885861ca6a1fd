package e2e

import (
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/job"
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

// A part of one's own from another job is a part for itself: nothing of the other job is
// named in it, and what was set aside there is not here.
func TestStartFromOwnPart(t *testing.T) {
	a := startApp(t)
	truck, _ := a.demoPart(t, "Orchard truck", "Press foot")
	lorry, shelf := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	was, err := a.jobs.Part(t.Context(), shelf)
	if err != nil {
		t.Fatal(err)
	}
	changed := was.Recipe
	changed.Master = &sheet.Master{Part: shelf}
	changed.SetAside = []sheet.Aside{{Code: "flange-short", Feature: "base", Reason: "tried"}}
	own, err := a.jobs.CreatePart(t.Context(), lorry, job.PartState{Name: "Cleat of mine", Quantity: 2, Recipe: changed})
	if err != nil {
		t.Fatal(err)
	}
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + truck + "/shape/new")
	p.press("A part of mine")
	p.pick(".own", "A part of the job", "Sound lorry")
	p.pick(".own", "The part", "Cleat of mine")
	p.wait("its picture and name", `document.querySelector('.own .picture path') && [...document.querySelectorAll('.own input')].some(x => x.value === 'Cleat of mine')`)
	p.press("Start the part")
	p.drawn()
	p.wait("the part", `document.querySelector('.strip h1')?.innerText === 'Cleat of mine'`)
	parts, err := a.jobs.Parts(t.Context(), truck)
	if err != nil {
		t.Fatal(err)
	}
	made := parts[len(parts)-1]
	if made.ID == own.ID || made.Recipe.Master != nil || made.Recipe.Piece != nil || len(made.Recipe.SetAside) > 0 {
		t.Errorf("it brings along %+v, %+v, %+v", made.Recipe.Master, made.Recipe.Piece, made.Recipe.SetAside)
	}
	if made.Quantity != 2 || made.Recipe.Base.Length != was.Recipe.Base.Length {
		t.Errorf("%d of %g long", made.Quantity, made.Recipe.Base.Length)
	}
}
