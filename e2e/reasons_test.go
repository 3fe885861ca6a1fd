package e2e

import (
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// A size says why it is as it is; changed since, it says so with the way back, which clears it.
func TestWhyASizeIsAsItIs(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	p.press("Why this size")
	p.wait("the hand is in it", `document.activeElement?.closest('.why') !== null`)
	p.keys("held up to the press" + kb.Enter)
	p.see("held up to the press")
	p.saved()
	p.do(chromedp.Reload())
	p.see("held up to the press")
	p.set(".bar", "Base: Length", "156")
	p.see("Length of Base was 150.0 mm for a reason, and is 156.0 mm now: held up to the press.")
	p.press("Back to 150.0 mm")
	p.wait("the flag is gone", `!document.body.innerText.includes('for a reason')`)
	p.wait("and the size is back", value(".bar", "Base: Length", "150.0 mm"))
}

// An old part stands beside what takes its place; an option of the vehicle that nobody looked
// for holds the files of what it decides.
func TestOldPartAndOption(t *testing.T) {
	a := startApp(t)
	job, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + job + "/measure/tried")
	p.press("Add an old part")
	p.keys("Old foot")
	p.wait("it is named", `document.querySelector('[data-old="Old foot"]')`)
	in := `[data-old="Old foot"]`
	p.pick(in, "What takes its place", "Press foot")
	p.enter(in, "Size")
	p.keys("Length" + kb.Tab)
	p.set(in, "It was", "150")
	p.pick(in, "Now it is the size", "Base, length")
	p.wait("as it was", `document.querySelector('[data-old="Old foot"] .now')?.innerText.includes('as it was')`)
	p.set(in, "It was", "170")
	p.wait("it differs", `document.querySelector('[data-old="Old foot"] .now.doubtful')?.innerText.includes('say why')`)
	p.enter(in, "Why it differs")
	p.keys("the press moved" + kb.Tab)
	p.wait("for a reason", `document.querySelector('[data-old="Old foot"] .now')?.innerText.includes('changed: the press moved')`)
	p.surveySaved()

	p.goTo("/jobs/" + job + "/measure")
	p.press("Add an option of the vehicle")
	p.keys("Second tank on the right rail")
	p.pick("#which .card:last-of-type", "It decides", "Press foot")
	p.briefKept()
	p.see("Whether the vehicle has this is not known, and it decides whether things fit: Second tank on the right rail")
	p.goTo("/jobs/" + job + "/make")
	p.see("It depends on whether the vehicle has this, and nobody looked: Second tank on the right rail")
}

// Hardware that was put in instead of what is listed keeps a joint from holding, and stands in
// the list.
func TestSwappedHardware(t *testing.T) {
	a := startApp(t)
	job, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + job + "/hold")
	p.press("Press on its feet")
	p.verdict("holds")
	p.enter("main", "Put in instead of what is listed")
	p.keys("M12 4.6, said Tovi" + kb.Tab)
	p.verdict("cannot say")
	p.see("That was not asked: give its size and class here, and then clear this.")
	p.briefKept()
	p.press("Hardware")
	p.see("Press on its feet: put in instead: M12 4.6, said Tovi")
}
