package e2e

import (
	"testing"
)

// Ways to come by it are set side by side once the shop says what an hour costs and how long
// its people work; the hours of the job are told work by work, with what is used up.
func TestHoursAndWays(t *testing.T) {
	a := startApp(t)
	if err := a.jobs.LoadDemoShop(t.Context()); err != nil {
		t.Fatal(err)
	}
	truck, _ := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.goTo("/shop")
	p.see("Rates of work")
	p.set("#rates", "An hour of work costs", "60")
	p.set("#rates", "Minutes each, bending", "1")
	p.set("#people .card:first-child", "Hours a week", "35")
	p.wait("it to be kept", `document.querySelector('[data-shop]')?.dataset.shop === 'saved'`)
	w, err := a.jobs.Shop(t.Context())
	if err != nil || w.Hour == nil || *w.Hour != 60 || len(w.Rates) != 1 || w.Rates[0].Each != 1 || w.People[0].Hours == nil {
		t.Fatalf("%v %+v", err, w.Rates)
	}
	p.goTo("/jobs/" + truck + "/make")
	p.see("Hours and what is used up")
	p.press("Work by work")
	p.wait("bending at the shop's own rate", `(x => x && !x.innerText.includes('usual') && x.innerText.includes('1 min'))(document.querySelector('[data-work=bending]'))`)
	p.wait("paint is not in stock", `(x => x && x.innerText.includes('none'))(document.querySelector('[data-used=paint]'))`)
	p.goTo("/jobs/" + truck + "/measure/brief")
	p.see("Ways to do it")
	p.press("Add a way")
	n := eval[int](p, `document.querySelectorAll('#options .way').length`)
	if n < 1 {
		t.Fatal("no way")
	}
	last := `#options .card:last-of-type`
	p.set(last, "Way", "Buy a rack")
	p.pick(last, "It is", "bought")
	p.set(last, "Price", "1450")
	p.set(last, "Days till it comes", "12")
	p.briefKept()
	p.see("whether it fits is not said")
	p.press("Add a way")
	p.set(last, "Way", "One from a breaker")
	p.pick(last, "It is", "bought second-hand")
	p.set(last, "Price", "400")
	p.set(last, "Days till it comes", "1")
	p.wait("what was not looked at", `document.querySelector('[data-way=used]')?.innerText.includes('Not looked at: 8 of 8')`)
	eval[bool](p, `(document.querySelectorAll('#options .card:last-of-type fieldset input')[0].click(), true)`)
	p.briefKept()
	p.wait("one of them looked at", `document.querySelector('[data-way=used]')?.innerText.includes('Not looked at: 7 of 8')`)
}

// A brake is said to be borrowed: the job names it with all that is bent there and that no day is
// booked. Booked on its card for the job, that is gone.
func TestABorrowedMachineIsBooked(t *testing.T) {
	a := startApp(t)
	if err := a.jobs.LoadDemoShop(t.Context()); err != nil {
		t.Fatal(err)
	}
	truck, _ := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	kept := func() {
		p.wait("it to be kept", `document.querySelector('[data-shop]')?.dataset.shop === 'saved'`)
	}
	p.goTo("/shop")
	p.see("Rates of work")
	card := `[data-machine=press]`
	p.wait("the brake", `!!document.querySelector('`+card+`')`)
	eval[bool](p, `([...document.querySelectorAll('`+card+` button, `+card+` label')].find(b => b.innerText.trim() === 'borrowed').click(), true)`)
	kept()
	p.goTo("/jobs/" + truck + "/make")
	p.wait("what is bent there", `(x => x?.includes('bend') && x.includes('Press foot') && x.includes('No day is booked'))(document.querySelector('[data-machine="Long press"]')?.innerText)`)
	p.goTo("/shop")
	p.wait("the brake", `!!document.querySelector('`+card+`')`)
	eval[bool](p, `(document.querySelector('`+card+` details').open = true)`)
	eval[bool](p, `([...document.querySelectorAll('`+card+` button')].find(b => b.innerText.trim() === 'Book it').click(), true)`)
	p.set(card, "For: job or person", "Orchard truck")
	p.enter(card, "From")
	p.keys("2031-05-02\r")
	kept()
	w, err := a.jobs.Shop(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	booked := false
	for _, m := range w.Machines {
		booked = booked || len(m.Booked) == 1 && m.Booked[0].From == "2031-05-02" && m.Booked[0].For == "Orchard truck"
	}
	if !booked {
		t.Errorf("not booked: %+v", w.Machines)
	}
	p.goTo("/jobs/" + truck + "/make")
	p.wait("that it is booked", `(x => x?.includes('2031-05-02 for Orchard truck') && !x.includes('No day is booked'))(document.querySelector('[data-machine="Long press"]')?.innerText)`)
}
