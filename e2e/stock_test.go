package e2e

import (
	"strconv"
	"testing"
	"time"

	"warmanvil/core/goods"
	"warmanvil/core/profile"
	"warmanvil/core/shop"
	"warmanvil/job"
)

// A remnant is entered and kept by one job; the other, which saw it free, is told in words and
// keeps nothing. Given back it is free again, and the ledger has it all.
func TestRemnantForTwo(t *testing.T) {
	a := startApp(t)
	truck, _ := a.demoPart(t, "Orchard truck", "Compressor tray")
	lorry, _ := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	parts, err := a.jobs.Parts(t.Context(), truck)
	if err != nil {
		t.Fatal(err)
	}
	r := parts[0].Recipe
	p := open(t, a, 1280, 800)
	p.goTo("/shop/stock")
	p.see("Nothing is entered yet")
	p.press("Add a line")
	p.wait("its kind to be chosen", `(() => {
		const b = [...document.querySelectorAll('.adding button, .adding label')].find(b => b.innerText.trim() === 'consumable')
		b.click()
		return true
	})()`)
	p.set(".adding", "What it is", "cutting discs")
	p.set(".adding", "How many are here", "12")
	p.press("Add it")
	p.wait("the line", `document.querySelectorAll('.lines > li').length === 1 &&
		document.querySelector('.lines').innerText.includes('12 free')`)
	l, err := a.jobs.AddStockLine(t.Context(), goods.Goods{Kind: goods.Remnant, Material: r.Material, Thickness: r.Thickness,
		Label: "R 3", Place: "rack 2",
		Outline: profile.Loop{{X: 0, Y: 0}, {X: 1400, Y: 0}, {X: 1400, Y: 900}, {X: 0, Y: 1000}}}, 1, "")
	if err != nil {
		t.Fatal(err)
	}

	p.goTo("/jobs/" + truck + "/make")
	p.wait("the offer", `[...document.querySelectorAll('[data-blank] .choice')].some(c => c.innerText.includes('(R 3)') &&
		c.innerText.includes('1 free'))`)
	// Meanwhile the other job keeps it.
	if _, err := a.jobs.MoveStock(t.Context(), l.ID, goods.Move{Kind: goods.Kept, Count: 1, Job: lorry}, ""); err != nil {
		t.Fatal(err)
	}
	p.press("Keep one")
	p.wait("the refusal", `document.querySelector('.from [role=alert]')?.innerText.includes('kept for other jobs')`)
	if now, err := a.jobs.Goods.StockLine(t.Context(), l.ID); err != nil || now.Held[truck] != 0 || now.Held[lorry] != 1 {
		t.Fatalf("%v %+v", err, now)
	}
	if _, err := a.jobs.MoveStock(t.Context(), l.ID, goods.Move{Kind: goods.Freed, Count: 1, Job: lorry}, ""); err != nil {
		t.Fatal(err)
	}
	p.goTo("/jobs/" + truck + "/make")
	p.press("Keep one")
	p.wait("it to be kept", `document.querySelector('[data-kept]')?.innerText.includes('1 × ')`)
	p.press("Give it back")
	p.wait("it to be free", `!document.querySelector('[data-kept]')`)

	p.goTo("/shop/stock")
	p.wait("both lines", `document.querySelectorAll('.lines > li').length === 2`)
	p.tap(`[data-line="R 3"] .line`)
	p.wait("its ledger", `document.querySelectorAll('.ledger li').length === 5`)
	p.pick(".moves", "What happened", "scrapped")
	p.press("Enter it")
	p.wait("none left", `document.querySelector('[data-line="R 3"] .line').innerText.includes('0 free')`)
	p.press("Enter it")
	p.see("Only 0 are here.")
}

// A supplier's rules are checked before it is asked, and its answer stays with the part's state: when
// the part changes, it is said that it has to be asked again.
func TestAskedOutside(t *testing.T) {
	a := startApp(t)
	truck, tray := a.demoPart(t, "Orchard truck", "Compressor tray")
	p := open(t, a, 1280, 800)
	p.goTo("/shop")
	p.press("Add a supplier")
	p.set("[data-supplier]", "Name", "Bender in town")
	p.set("[data-supplier]", "Smallest flange, outside", "60 mm")
	p.wait("it to be kept", `document.querySelector('[data-shop]')?.dataset.shop === 'saved'`)
	p.goTo("/jobs/" + truck + "/make")
	row := `[data-outside="Bender in town"] [data-asked="Compressor tray"]`
	p.wait("the rule", `document.querySelector('`+row+`')?.innerText.includes('45.0 mm outside, under 60.0 mm')`)
	eval[bool](p, `(document.querySelector('`+row+` button').click(), true)`)
	p.press("refused")
	p.set(row, "Why", "flange too short for the die")
	p.press("Keep it")
	p.wait("the answer", `document.querySelector('`+row+`').innerText.includes('refused: flange too short for the die')`)
	part, err := a.jobs.Part(t.Context(), tray)
	if err != nil {
		t.Fatal(err)
	}
	p.wait("it to be in the Shop", `document.querySelector('`+row+`').innerText.includes('r`+strconv.Itoa(part.Revision)+`, for')`)
	for w, end := (shop.Shop{}), time.Now().Add(patience); len(w.Suppliers) == 0 ||
		len(w.Suppliers[0].Quotes) == 0; time.Sleep(50 * time.Millisecond) {
		if w, err = a.jobs.Shop(t.Context()); err != nil || time.Now().After(end) {
			t.Fatalf("%v %+v", err, w.Suppliers)
		}
	}
	state := part.State()
	state.Recipe.Base.Length += 10
	if _, err := a.jobs.SavePart(t.Context(), tray, job.On{Revision: part.Revision}, state); err != nil {
		t.Fatal(err)
	}
	p.goTo("/jobs/" + truck + "/make")
	p.wait("that it is of before", `document.querySelector('`+row+`')?.innerText.includes('ask again')`)
}
