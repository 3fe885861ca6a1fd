package e2e

import (
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// What is added has the hand in it; what is removed can be put back where it was, by
// the key the hand is on; where order counts, things move.
func TestListKeepsTheWayBack(t *testing.T) {
	a := startApp(t)
	truck, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + truck + "/measure")
	names := `JSON.stringify([...document.querySelectorAll('#targets .card')].map(c => c.querySelector('input').value))`
	p.wait("the targets", `document.querySelectorAll('#targets .card').length === 3`)
	was := eval[string](p, names)
	p.press("Add a target")
	p.wait("the hand in the new one", `document.activeElement === document.querySelector('#targets .card:last-of-type input')`)
	p.keys("Quiet at the wheel")
	p.wait("its name", `document.activeElement.value === 'Quiet at the wheel'`)
	p.press("Remove Quiet at the wheel")
	p.wait("it is gone, and the way back has the focus",
		`document.querySelectorAll('#targets .card').length === 3 && document.activeElement.innerText === 'Put it back'`)

	p.press("Remove All brackets of the press together")
	p.see("All brackets of the press together is removed.")
	p.wait("no other bin lies there", `document.activeElement.innerText === 'Put it back' &&
		document.activeElement.closest('.gone').previousElementSibling.innerText.includes('Target')`)
	p.briefSaved()
	p.do(chromedp.KeyEvent(kb.Enter))
	p.wait("all as before", names+` === '`+was+`'`)
	p.briefSaved()

	p.goTo("/jobs/" + truck + "/measure/fits")
	layers := `[...document.querySelectorAll('.layer')].map(l => l.querySelector('input').value).join()`
	p.wait("the layers", layers+` === 'tray plate,isolator, squashed,coats'`)
	p.press("Move layer 2 up")
	p.wait("moved", layers+` === 'isolator, squashed,tray plate,coats'`)
	p.press("Move layer 1 down")
	p.wait("moved back", layers+` === 'tray plate,isolator, squashed,coats'`)
}

// A long list is searched as a fabricator writes sizes; what is not in it is said, and
// leaving it changes nothing.
func TestALongListIsSearched(t *testing.T) {
	a := startApp(t)
	truck, frame := a.demoPart(t, "Orchard truck", "Underfloor outriggers")
	p := open(t, a, 1280, 900)
	p.goTo("/jobs/" + truck + "/shape/frame/" + frame)
	p.press("Outer rail")
	field := `[...document.querySelectorAll('label')].find(l => l.innerText === 'Section').closest('.field')`
	p.wait("the section", field+`.dataset.pick === '50 × 50 × 4 mm tube'`)
	options := `[...document.querySelectorAll('[role=option]')].filter(o => o.offsetParent)`
	p.enter("main", "Section")
	p.keys("70x70")
	p.wait("what is found", options+`.length > 2 && `+options+`.every(o => o.innerText.includes('70 × 70'))`)
	p.do(chromedp.KeyEvent(kb.Escape))
	p.enter("main", "Section")
	p.keys("a swan")
	p.see("Nothing like that in the list.")
	p.do(chromedp.KeyEvent(kb.Escape))
	p.wait("it to be as it was", field+`.dataset.pick === '50 × 50 × 4 mm tube'`)
	p.pick("main", "Section", "60 × 60 × 4 mm tube")
	p.wait("the other section", field+`.dataset.pick === '60 × 60 × 4 mm tube'`)
	p.frameSaved()
}
