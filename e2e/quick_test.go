package e2e

import (
	"context"
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
	p.press("in, decimal")
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
	p.press("in, fractions")
	p.wait("the example", `document.querySelector('[data-way="to 1/16 in"] dd')?.innerText === '56 3/4"' || document.querySelector('[data-way="to 1/16 in"] dd')?.innerText === '563/4"'`)
	p.do(chromedp.Click(chromedp.CSS(`.entry`)))
	p.keys(" + x")
	p.see("is not a unit")
}
