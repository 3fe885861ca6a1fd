package e2e

import (
	"strings"
	"testing"

	"warmanvil/core/sheet/made"
)

// The bed is made smaller, in inches: the parts that do not go on it are named, and one of
// them is split by one press into pieces that do. What was said of the shop can be undone.
func TestABedMadeSmaller(t *testing.T) {
	a := startApp(t)
	job, tray := a.demoPart(t, "Orchard truck", "Compressor tray")
	p := open(t, a, 1280, 800)
	p.goTo("/shop")
	p.see("None yet: usual ones are taken")
	p.press("inch, fractions")
	p.press("laser")
	p.wait("its card", `document.querySelector('[data-machine=laser]')`)
	p.set("[data-machine=laser]", "Called", "Short laser")
	p.set("[data-machine=laser]", "Longest", "2'")
	p.set("[data-machine=laser]", "Widest", "2'")
	p.wait("what that makes of the tray", `document.querySelector('[data-moved="Compressor tray"]')?.innerText.includes('does not go on Short laser, 609.6 mm × 609.6 mm')`)
	p.wait("it to be kept", `document.querySelector('[data-shop]')?.dataset.shop === 'saved'`)
	w, err := a.jobs.Shop(t.Context())
	if err != nil || len(w.Machines) != 1 || w.Machines[0].Limits["long"] != 609.6 || !w.Inches() {
		t.Fatalf("%v %+v", err, w)
	}

	p.goTo("/jobs/" + job + "/shape/" + tray)
	p.drawn()
	p.wait("the flag", `document.querySelector('[data-code=past-bed]')?.innerText.includes('Short laser')`)
	p.press("Where to split it")
	p.wait("lines", `document.querySelector('[data-line]')`)
	name := eval[string](p, `document.querySelector('[data-line] b').innerText`)
	if left := eval[string](p, `document.querySelector('[data-line]').innerText`); strings.Contains(left, "Still too large") {
		t.Errorf("the first line leaves something: %s", left)
	}
	p.press("Split at the line " + name)
	p.see("Compressor tray, first piece")
	p.drawn()
	parts, err := a.jobs.Parts(t.Context(), job)
	if err != nil {
		t.Fatal(err)
	}
	pieces := 0
	for _, q := range parts {
		if q.Recipe.Piece == nil {
			continue
		}
		pieces++
		b, err := made.Build(q.Recipe, made.Options{Machines: w.For(q.Recipe, false)})
		if err != nil || !b.Whole {
			t.Fatalf("%v %+v", err, b.Findings)
		}
		for _, f := range b.Findings {
			if f.Cause == "Large parts" {
				t.Errorf("%s: %s", q.Name, f.Reason)
			}
		}
	}
	if pieces != 2 {
		t.Errorf("%d pieces", pieces)
	}

	p.goTo("/shop")
	p.wait("the machine", `document.querySelector('[data-machine=laser]')`)
	p.press("Remove Short laser")
	p.wait("none", `!document.querySelector('[data-machine]') && document.querySelector('[data-shop]')?.dataset.shop === 'saved'`)
	p.press("Undo")
	p.wait("it is back", `document.querySelector('[data-machine=laser]')`)
}

// Who is there and what each lifts is asked of every part; a minus is refused at its field.
func TestWhoIsInTheShop(t *testing.T) {
	a := startApp(t)
	job, tray := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	p := open(t, a, 800, 1180)
	p.goTo("/shop")
	p.press("Add a person")
	p.keys("Ines")
	p.set("[data-person]", "Lifts alone", "-4")
	p.see("What somebody lifts alone must be from 0 to 200")
	p.set("[data-person]", "Lifts alone", "1 lb")
	p.press("Skill")
	p.pick("[data-person]", "Is", "new at it")
	p.wait("it to be kept", `document.querySelector('[data-shop]')?.dataset.shop === 'saved'`)
	w, err := a.jobs.Shop(t.Context())
	if err != nil || len(w.People) != 1 || w.People[0].Name != "Ines" || len(w.People[0].Skills) != 1 || w.People[0].Skills[0].Level != "new" {
		t.Fatalf("%v %+v", err, w)
	}
	p.goTo("/jobs/" + job + "/shape/" + tray)
	p.wait("who cannot lift it", `document.querySelector('[data-code=past-lift]')?.innerText.includes('Ines lifts 1 lb')`)
}
