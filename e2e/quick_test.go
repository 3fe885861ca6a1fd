package e2e

import (
	"context"
	"math"
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
	p.wait("BA of R = T = 3, K = 0.42", `document.querySelector('[data-result=bendAllowance] dd')?.innerText.startsWith('6.69 mm')`)
	p.do(chromedp.Click(chromedp.CSS(`.fields .field:last-child input`)))
	p.keys("45" + kb.Enter)
	p.wait("BA at 45°", `document.querySelector('[data-result=bendAllowance] dd')?.innerText.startsWith('3.35 mm')`)
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
	p.wait("the number", `document.querySelector('.kept')?.innerText.includes('3.35 mm')`)
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

// A number is found by what people call it, in three presses at most: into the list, and the
// first of it.
func TestQuickNumberFound(t *testing.T) {
	a := startApp(t)
	for _, units := range []string{"mm", "inch, fractions"} {
		p := open(t, a, 1280, 800)
		p.goTo("/quick/bend")
		p.press(units)
		for said, slug := range map[string]string{"tap drill": "drill", "bend deduction": "bend", "kerf": "sticks", "fishmouth": "saddle",
			"how long a bolt": "grip", "tongue weight": "trailer"} {
			p.goTo("/jobs")
			p.see("Orchard truck")
			p.counting()
			p.tap(`a[href="/quick"]`)
			p.wait("the list", `document.activeElement?.type === 'search'`)
			p.keys(said + kb.Enter)
			p.wait(slug+" for "+said, `location.pathname === '/quick/`+slug+`'`)
			p.wait("an answer in sight", `[...document.querySelectorAll('.results .lead dd')].some(x => x.innerText && x.getBoundingClientRect().bottom < innerHeight)`)
			if _, presses := p.counted(); presses > 3 {
				t.Errorf("%q in %s takes %d presses", said, units, presses)
			}
		}
		p.goTo("/quick")
		p.wait("the list", `document.activeElement?.type === 'search'`)
		p.keys("zzz")
		p.see("Nothing here goes by “zzz”.")
	}
}

// What is not typed yet is asked for; what is left empty is empty.
func TestQuickNumberWaits(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/quick/bend")
	p.wait("an answer", `document.querySelector('[data-result]')`)
	p.do(chromedp.Click(chromedp.CSS(`.fields .field:nth-child(2) input`)))
	p.keys(kb.Backspace)
	p.see("Still to type: T, thickness")
	p.wait("no answer", `!document.querySelector('[data-result]')`)
	p.keys("1/8 in")
	p.wait("its answer", `document.querySelector('[data-result=bendAllowance] dd')?.innerText === '6.81 mm'`)
	p.goTo("/quick/reach")
	p.wait("a wall in the way", `document.querySelector('[data-result=reach] dd')?.innerText`)
	p.set("main", "Bolt to a wall beside it", "2")
	p.wait("no room", `document.querySelector('[data-result=reach] dd')?.innerText !== 'reachable'`)
	p.do(chromedp.Click(chromedp.CSS(`.fields .field:nth-last-child(4) input`)))
	p.keys(kb.Backspace)
	p.wait("room where no wall is", `document.querySelector('[data-result=reach] dd')?.innerText === 'reachable'`)
}

// A hole is asked for by what goes through it, here and on a part.
func TestHoleByItsBolt(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.goTo("/quick/drill")
	p.wait("a drill", `document.querySelector('[data-result=text] dd')?.innerText === '9 mm'`)
	p.set("main", "Hole", "5/16-18 tap")
	p.wait("F", `document.querySelector('[data-result=inch] dd')?.innerText === 'F'`)
	p.bench(job, part)
	p.size("/base/holes/0/diameter", "3/8 bolt loose")
	p.wait("its hole", `document.querySelector('[data-path="/base/holes/0/diameter"] .num')?.innerText === '10.716 mm'`)
	p.saved()
	if got, err := a.jobs.Part(t.Context(), part); err != nil || math.Abs(got.Recipe.Base.Holes[0].Diameter-27./64*25.4) > 1e-9 {
		t.Errorf("a hole for a 3/8 bolt is %+v (%v)", got.Recipe.Base.Holes[0], err)
	}
	p.size("/base/holes/0/diameter", "#10")
	p.see("two readings")
}

// Welds by number in inches: a load beside two seams, stitches that take it, sheet beside a fillet; no answer and
// no working is metric alone, and what nothing takes is said.
func TestQuickWelds(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/quick/seams")
	p.wait("what a length takes", `document.querySelector('[data-result=peak] .num')?.innerText === '132.9 N/mm'`)
	p.press("inch, decimal")
	for slug, lead := range map[string]string{"seams": "peak", "fillet": "leg", "stitches": "pitch", "sheet-fillet": "allowable",
		"heat": "net", "weld-gap": "leg", "passes": "throat", "bow": "bow", "rise": "rise", "draw": "across", "start-weld": "run",
		"look-weld": "deep", "plates-welded": "leg"} {
		p.goTo("/quick/" + slug)
		p.wait(slug, `/ in$|"$|lbf|kJ\/in/.test(document.querySelector('[data-result=`+lead+`] .num')?.innerText ?? '')`)
		answers := eval[string](p, `document.querySelector('.results').innerText`)
		for _, unit := range []string{" mm", "kJ/mm", "MPa", " N"} {
			if strings.Contains(answers, unit) {
				t.Errorf("%s: metric in inches: %s", slug, answers)
			}
		}
	}
	p.goTo("/quick/look-weld")
	p.set(".fields", "Leg by gauge, the smaller", "3/32")
	p.wait("what does not pass", `document.querySelector('[data-result=do]')?.innerText.includes('smaller than needed')`)
	p.goTo("/quick/stitches")
	p.set(".fields", "Asked of a length", "20000 lbf/in")
	p.wait("what is said", `document.querySelector('[data-result=pattern] .num')?.innerText === 'nothing takes it'`)
	p.see("Welded all along it does not take that")
}
