package e2e

import "testing"

func TestZZ(t *testing.T) {
	a := startApp(t)
	if err := a.jobs.LoadDemoShop(t.Context()); err != nil {
		t.Fatal(err)
	}
	truck, _ := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	bodies, err := a.jobs.Bodies(t.Context(), truck)
	if err != nil {
		t.Fatal(err)
	}
	p.goTo("/jobs/" + truck + "/shape/body/" + bodies[0].ID)
	p.wait("the body", `document.querySelectorAll('[data-blank]').length > 0`)
	p.press("as it is cut")
	p.wait("flats", `document.querySelector('[data-testid=flats] polygon')`)
	p.press("Which edges to bend?")
	p.wait("a proposal", `document.querySelector('[data-offer]')`)
	p.shot("/tmp/a.png")
}
