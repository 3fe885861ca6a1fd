package e2e

import "testing"

func TestZZ(t *testing.T) {
	a := startApp(t)
	job, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + job + "/hold")
	p.wait("list", `document.querySelector('.list .pick')`)
	eval[bool](p, `([...document.querySelectorAll('.list .pick')].find(x => x.innerText.includes('weld map')).click(), true)`)
	p.wait("order", `document.querySelector('[data-gain]')`)
	eval[bool](p, `([...document.querySelectorAll('[data-weld-order] summary')].forEach(x => x.click()), true)`)
	for range 5 {
		p.press("One run on")
	}
	p.shot("/tmp/o1.png")
	eval[bool](p, `(document.querySelector('[data-ticks]').scrollIntoView(), true)`)
	p.shot("/tmp/o2.png")
}
