package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

// A box is placed by its front face from a hole; choosing another face of it moves nothing,
// and what stands past a line of the body is named with by how much.
func TestPlaceByAFaceAndLook(t *testing.T) {
	a := startApp(t)
	job, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + job + "/measure/room")
	p.wait("room", `document.querySelector('#lines')`)
	p.press("Place something")
	p.keys("Toolbox")
	p.wait("it", `document.querySelector('.placed.shown')`)
	p.pick(".placed.shown", "Measured from", "Left rail hole 1")
	p.wait("it stays where it is, counted from the hole", value(".placed.shown", "Left to its origin", "-430.0 mm"))
	p.pick(".placed.shown", "Forward, to its", "front face")
	p.set(".placed.shown", "Forward to its front face", "-100")
	p.surveySaved()
	p.pick(".placed.shown", "Forward, to its", "rear face")
	p.wait("its rear face lies its length behind", value(".placed.shown", "Forward to its rear face", "-300.0 mm"))
	p.pick(".placed.shown", "Up, to its", "top")
	p.wait("its top lies over the hole", value(".placed.shown", "Up to its top", "295.0 mm"))

	p.press("Add a line of the body")
	p.keys("Sill")
	p.pick("#lines .item", "Through 1", "Left rail hole 1")
	p.pick("#lines .item", "Through 2", "Left rail hole 2")
	p.see("Toolbox stands 295.0 mm past Sill")
	p.pick("#lines .item", "Things stay", "above it")
	p.wait("above it they stay", `!document.querySelector('#lines').innerText.includes('Toolbox stands')`)
	p.surveySaved()
	p.do(chromedp.Reload())
	p.wait("both are kept", `[...document.querySelectorAll('#lines input')].some(i => i.value === 'Sill') &&
		[...document.querySelectorAll('#placed .name')].some(n => n.innerText === 'Toolbox')`)
}

// value is whether the field of a label shows a text.
func value(inside, label, text string) string {
	return fmt.Sprintf(`[...document.querySelectorAll(%q + ' label')].some(l => l.innerText.trim() === %q &&
		document.getElementById(l.htmlFor)?.value === %q)`, inside, label, text)
}

// A fit of an inch job that must stand still: nothing presses it, then a screw does; what it
// is said with is pounds and inches.
func TestAPostThatMustStandStill(t *testing.T) {
	a := startApp(t)
	job, _ := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + job + "/measure/fits")
	p.choose("shed")
	p.press("Add a sliding fit")
	p.wait("the fit", `document.querySelector('[data-fit] [data-verdict]')`)
	eval[bool](p, `(document.querySelector('[data-fit] .tick input').click(), true)`)
	p.see("nothing presses it")
	p.set("[data-fit]", "Load across it there", "200 lb")
	p.set("[data-fit]", "Draw-up screw", "3/8")
	p.set("[data-fit]", "Tightened with", "20 lbf·ft")
	p.see("stands still")
	if told := eval[string](p, `document.querySelector('[data-fit]').innerText`); strings.Contains(told, " mm") || strings.Contains(told, " N") {
		t.Errorf("metric in an inch job: %s", told)
	}
	p.set("[data-fit]", "Load across it there", "2000 lb")
	p.see("rocks off its wall")
	p.surveySaved()
}
