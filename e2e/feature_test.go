package e2e

import (
	"testing"

	"warmanvil/core/sheet"
)

// A feature is named, copied, put in another place of the list, and taken along
// to another part; the keys are shown for the asking.
func TestFeaturesAreNamedCopiedAndTakenAlong(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Compressor tray")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + job + "/shape/" + part)
	p.drawn()
	p.press("Options of Isolator bolts")
	p.set(".options", "Its own name", "Feet of the compressor")
	p.wait("its name", `[...document.querySelectorAll("h3")].some(h => h.innerText.trim() === "Feet of the compressor")`)
	p.press("Earlier")
	p.saved()
	p.press("Copy")
	p.see("Feet of the compressor (copy)")
	p.saved()
	recipe := func(id string) sheet.Recipe {
		q, err := a.jobs.Part(t.Context(), id)
		if err != nil {
			t.Fatal(err)
		}
		return q.Recipe
	}
	h := recipe(part).Base.Holes
	if len(h) != 3 || h[0].Name != "Feet of the compressor" && h[1].Name != "Feet of the compressor" {
		t.Errorf("%+v", h)
	}
	p.press("Take along")
	_, strap := a.demoPart(t, "Orchard truck", "Tank saddle")
	p.goTo("/jobs/" + job + "/shape/" + strap)
	p.drawn()
	p.press("Add to Base")
	p.press("Set down: Feet of the compressor")
	p.wait("it to be there", `[...document.querySelectorAll('h3')].some(h => h.innerText.includes('Feet of the compressor'))`)
	p.saved()
	if h := recipe(strap).Base.Holes; len(h) != 1 || h[0].Pattern == nil || h[0].ID == "isolators" {
		t.Errorf("%+v", h)
	}
	eval[bool](p, `(document.activeElement?.blur(), true)`)
	p.keys("?")
	p.see("to the benches")
	p.see("next size")
}
