package e2e

import (
	"context"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// A quick number is worked out, explained, and kept in a job.
func TestQuickNumberKept(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/quick/bend")
	result := func() string {
		return eval[string](p, `document.querySelector('[data-result=bendAllowance] dd')?.innerText ?? ''`)
	}
	p.wait("BA of R = T = 3, K = 0.42", `document.querySelector('[data-result=bendAllowance] dd')?.innerText.startsWith('6.7 mm')`)
	p.do(chromedp.Click(chromedp.CSS(`.fields .field:last-child input`)))
	p.keys("45" + kb.Enter)
	p.wait("BA at 45°", `document.querySelector('[data-result=bendAllowance] dd')?.innerText.startsWith('3.3 mm')`)
	p.see("Machinery's Handbook")
	p.press("inch, decimal")
	p.wait("inches", `document.querySelector('[data-result=bendAllowance] dd')?.innerText.startsWith('0.132"')`)
	p.press("Keep in a job")
	p.wait("the dialog", `document.querySelector('[role=dialog] input')`)
	p.press("Keep")
	p.see("Kept in Orchard truck")
	jobID, _ := a.demoPart(t, "Orchard truck", "Press foot")
	list, err := a.jobs.Store.Numbers(context.Background(), jobID)
	if err != nil || len(list) != 1 || list[0].Calc != "bend" {
		t.Errorf("kept %+v, %v; shown %s", list, err, result())
	}
	p.goTo("/jobs/" + jobID + "/measure")
	p.see("Kept numbers")
	p.wait("the number", `document.querySelector('.kept')?.innerText.includes('3.3 mm')`)
}

func TestQuickLength(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/quick/length")
	p.press("inch, fractions")
	p.wait("the example", `document.querySelector('[data-way="to 1/16 in"] dd')?.innerText === '56 3/4"' || document.querySelector('[data-way="to 1/16 in"] dd')?.innerText === '563/4"'`)
	p.do(chromedp.Click(chromedp.CSS(`.entry`)))
	p.keys(" + x")
	p.see("is not a unit")
}

// A stack typed, its bolt answered; the same stack in a nut with a plastic ring
// wants a longer one; two patterns say which hole becomes a slot.
func TestQuickFastening(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/quick/grip")
	result := func(key string) string {
		return eval[string](p, `document.querySelector('[data-result="`+key+`"] .num')?.innerText ?? ''`)
	}
	p.wait("the length", `document.querySelector('[data-result=length] .num')?.innerText.startsWith('25')`)
	p.pick(".calc", "Into", "a nut with a plastic ring")
	p.wait("a longer one", `document.querySelector('[data-result=length] .num')?.innerText.startsWith('30')`)
	if g := result("grip"); !strings.HasPrefix(g, "12.0") {
		t.Errorf("the grip is %q", g)
	}
	p.goTo("/quick/assemble")
	p.wait("what to do", `document.querySelector('[data-result=order] .num')?.innerText.includes('as a slot towards hole 1')`)
	if c := result("class"); c != "loose" {
		t.Errorf("holes that always meet are %q", c)
	}
	p.pick(".calc", "Holes of the other are", "drilled through the other")
	p.wait("closer holes", `document.querySelector('[data-result=class] .num')?.innerText === 'normal' || document.querySelector('[data-result=class] .num')?.innerText === 'close'`)
	p.goTo("/quick/isolator")
	p.wait("its frequency", `document.querySelector('[data-result=frequency] .num')?.innerText.startsWith('12.8')`)
}
