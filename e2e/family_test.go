package e2e

import (
	"testing"

	"warmanvil/job"
)

// Trays of three lengths from one: two are added by their size, a flange that is typed in the
// first is theirs at once, a size typed in one is its own, is taken back by a press, and
// it is let go.
func TestFamilyOfTrays(t *testing.T) {
	a := startApp(t)
	truck, id := a.demoPart(t, "Orchard truck", "Compressor tray")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + truck + "/shape/" + id)
	p.drawn()
	tab := func() {
		eval[bool](p, `([...document.querySelectorAll('[role=tab]')].find(x => x.innerText === 'Family').click(), true)`)
		p.see("Add to the family")
	}
	tab()
	field := eval[string](p, `document.querySelector('[data-born="0"] label').innerText.trim()`)
	p.set(`[data-born="0"]`, field, "450")
	p.press("Another size")
	p.set(`[data-born="1"]`, field, "300")
	p.press("Make all 2")
	p.wait("the family", `document.querySelectorAll('[data-kin]').length === 3`)
	list, err := a.jobs.Family(t.Context(), id)
	if err != nil || len(list.Members) != 2 || list.Members[0].Name != "Compressor tray 450" {
		t.Fatalf("%v %+v", err, list.Members)
	}
	head := list.Head
	head.Recipe.Base.Flanges[0].Length += 5
	if _, err := a.jobs.SavePart(t.Context(), id, job.On{Revision: head.Revision}, head.State()); err != nil {
		t.Fatal(err)
	}
	member := list.Members[0].ID
	p.goTo("/jobs/" + truck + "/shape/" + member)
	p.drawn()
	part, err := a.jobs.Part(t.Context(), member)
	if err != nil || part.Recipe.Base.Flanges[0].Length != head.Recipe.Base.Flanges[0].Length {
		t.Fatalf("%v: the member's flange is %g long", err, part.Recipe.Base.Flanges[0].Length)
	}
	tab()
	p.see("It follows Compressor tray")
	p.press("as in Compressor tray")
	p.saved()
	p.see("It has no size of its own")
	p.press("Let it go")
	p.saved()
	if part, err = a.jobs.Part(t.Context(), member); err != nil || part.Recipe.Kin != nil ||
		part.Recipe.Base.Length != head.Recipe.Base.Length {
		t.Errorf("%v: let go, it is %+v", err, part.Recipe.Kin)
	}
}
