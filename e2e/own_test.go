package e2e

import "testing"

// A part kept in the shop as a starter is started from in another job; what it hung on there is
// not taken along.
func TestStarterOfTheShop(t *testing.T) {
	a := startApp(t)
	truck, id := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + truck + "/shape/" + id)
	p.drawn()
	eval[bool](p, `([...document.querySelectorAll('[role=tab]')].find(x => x.innerText === 'Sheet and tools').click(), true)`)
	p.press("Keep it in the Shop as a starter")
	p.set(".keep", "Called", "Usual shelf bracket")
	p.press("Keep it")
	p.see("It is kept in the Shop.")
	w, err := a.jobs.Shop(t.Context())
	if err != nil || len(w.Starters) != 1 || w.Starters[0].Name != "Usual shelf bracket" {
		t.Fatalf("%v %+v", err, w.Starters)
	}
	p.goTo("/jobs/" + truck + "/shape/new")
	p.press("A part of mine")
	p.pick(".own", "A part of the job", "starters of the Shop")
	p.set(".own", "Its name", "Fifth bracket")
	p.press("Start the part")
	p.drawn()
	parts, err := a.jobs.Parts(t.Context(), truck)
	if err != nil || parts[len(parts)-1].Name != "Fifth bracket" || parts[len(parts)-1].Recipe.Base.Width != w.Starters[0].Recipe.Base.Width {
		t.Errorf("%v %+v", err, parts[len(parts)-1].Part)
	}
}
