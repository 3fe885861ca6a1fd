package e2e

import "testing"

// A tray is looked at in what lies in the shop; another sheet is taken by one press with its reason,
// which stands at the thickness from then on, and one undo brings the old one back.
func TestAnotherSheet(t *testing.T) {
	a := startApp(t)
	if err := a.jobs.LoadDemoShop(t.Context()); err != nil {
		t.Fatal(err)
	}
	truck, tray := a.demoPart(t, "Orchard truck", "Compressor tray")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + truck + "/shape/" + tray)
	p.drawn()
	eval[bool](p, `([...document.querySelectorAll('[role=tab]')].find(x => x.innerText === 'Compare').click(), true)`)
	p.press("With what lies in the shop")
	p.wait("the sheets of the shop", `document.querySelectorAll('[data-trade]').length >= 4`)
	row := `[data-trade="steel-s235 5"]`
	p.wait("what it would be", `document.querySelector('`+row+`').innerText.includes('× 4.63') && document.querySelector('`+row+
		`').innerText.includes('× 2.78') && document.querySelector('`+row+`').innerText.includes('1 free')`)
	p.set(".trade", "Why it is taken (it is printed)", "three of them lie in the rack")
	eval[bool](p, `([...document.querySelectorAll('`+row+` button')].find(b => b.innerText === 'Take it').click(), true)`)
	p.saved()
	part, err := a.jobs.Part(t.Context(), tray)
	if err != nil || part.Recipe.Thickness != 5 || len(part.Recipe.Reasons) == 0 {
		t.Fatalf("%v %+v", err, part.Recipe)
	}
	p.see("three of them lie in the rack")
}
