package e2e

import (
	"math"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"warmanvil/core/brief"
)

// into types into the field of a label within a section, and leaves it.
func (p *page) into(section, label, text string) {
	p.t.Helper()
	p.enter("#"+section, label)
	p.keys(text + kb.Tab)
}

func (p *page) briefSaved() {
	p.t.Helper()
	p.still("the brief to be saved", `document.querySelector('[data-brief]')?.dataset.brief === 'saved'`)
}

// A brief is filled from nothing, in inches: a device with its feet, the
// vehicle's weights, a target, two ways to do it, a question of safety. Each
// says back what it means.
func TestBriefFromNothing(t *testing.T) {
	a := startApp(t)
	j, err := a.jobs.CreateJob(t.Context(), brief.Brief{Name: "Winch deck", Quantity: 1, Unit: brief.UnitFraction, Grain: 1.5875})
	if err != nil {
		t.Fatal(err)
	}
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + j.ID + "/measure")
	p.press("Add a device")
	p.into("devices", "Device", "Winch")
	p.into("devices", "Mass", "60")
	p.into("devices", "above the feet", "8 1/2")
	p.into("devices", "length", "20")
	p.into("devices", "width", "16")
	p.press("Four at the corners")
	p.into("devices", "Origin behind the front axle", "100")
	for label, v := range map[string]string{"Wheelbase": "120", "Empty, front axle": "900", "Empty, rear axle": "700",
		"Allowed in all": "1650", "Allowed, rear axle": "1200"} {
		p.into("weights", label, v)
	}
	p.briefSaved()
	// 1600 empty and 60: 1660 of 1650; the rear 700 + 60·100/120 = 750 of 1200.
	p.wait("over the gross", `document.querySelector('[data-weight=gross]')?.innerText.includes('1660 lb of 1650 lb') && document.querySelector('[data-weight=gross]').innerText.includes('over')`)
	p.wait("the rear axle", `document.querySelector('[data-weight=rear]')?.innerText.includes('750 lb of 1200 lb')`)
	p.press("Why Rear axle")
	p.see("statics of a beam on two supports")
	p.press("Close the working")

	p.press("Add a target")
	p.into("targets", "Target", "Deck off the truck")
	p.into("targets", "Wanted", "30")
	p.into("targets", "Came out", "25")
	p.wait("it is met", `document.querySelector('[data-met=true]')`)
	p.into("targets", "Came out", "35")
	p.wait("it is missed", `document.querySelector('[data-met=false]')`)
	p.see("35 came out, 30 is wanted")

	p.press("Add a way")
	p.into("options", "Way", "Bolted")
	p.press("Take this way")
	p.see("Bolted is chosen: say why.")
	p.press("Add a question")
	p.into("open", "Question", "Who stands by the rope?")
	p.wait("the kind", `document.querySelector('#open select')`)
	eval[bool](p, `(() => { const s = document.querySelector('#open select'); s.value = 'safety'; s.dispatchEvent(new Event('change', { bubbles: true })); return true })()`)
	p.see("it is about safety: Who stands by the rope?")
	p.into("limits", "One person lifts", "25")
	p.see("Winch of 60 lb takes 3 people at 25 lb each")
	p.briefSaved()

	got, err := a.jobs.Job(t.Context(), j.ID)
	if err != nil {
		t.Fatal(err)
	}
	d := got.Brief.Devices[0]
	near := func(v, want float64) bool { return math.Abs(v-want) < 1e-6 }
	if len(d.Feet) != 4 || d.Gravity == nil || !near(d.Gravity.Z, 8.5*25.4) || d.Mass.Trust != brief.Measured || !near(d.Feet[0].X, 254) ||
		!near(d.Feet[0].Y, 203.2) {
		t.Errorf("device %+v, gravity %+v", d, d.Gravity)
	}
	// Nonsense is refused beside its field and keeps the rest.
	p.into("devices", "Mass", "heavy")
	p.wait("the refusal", `document.querySelector('#devices [role=alert]')`)
	p.do(chromedp.KeyEvent("3", chromedp.KeyModifiers(chromedp.ModifierAlt)))
	p.see("Winch on its feet")
	p.see("The hardest on one foot is")
}

// The Hold bench by keyboard alone: a bracket is asked about, its holes and
// feet chosen, and its verdict read.
func TestHoldByKeyboard(t *testing.T) {
	a := startApp(t)
	jobID, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/hold")
	p.verdict("tight")
	tab := func(what, is string) {
		t.Helper()
		for range 150 {
			p.keys(kb.Tab)
			if eval[bool](p, `(e => `+is+`)(document.activeElement)`) {
				return
			}
		}
		t.Fatalf("Tab never reaches %s%s", what, p.state())
	}
	tab("ask", `e.innerText?.trim() === 'Ask about a bracket'`)
	p.keys(kb.Enter)
	p.verdict("holds") // one foot of the four, on M10
	eval[bool](p, `(document.querySelector('#bench').focus(), true)`)
	tab("the trash", `e.getAttribute('aria-label') === 'Ask no more about this bracket'`)
	p.keys(kb.Enter)
	p.verdict("tight")
	eval[bool](p, `(document.querySelector('#bench').focus(), true)`)
	tab("a working", `e.getAttribute('aria-label') === 'Why Bolt in shear'`)
	p.keys(kb.Enter)
	p.see("0.45·Fu with threads in the plane")
	p.keys(kb.Escape)
	p.wait("back where it was", `document.activeElement.getAttribute('aria-label') === 'Why Bolt in shear'`)
	tab("the grade", `e.tagName === 'SELECT' && [...e.options].some(o => o.value === '10.9')`)
	p.keys("1") // the first choice that begins with it
	p.briefSaved()
	got, err := a.jobs.Job(t.Context(), jobID)
	if err != nil || got.Brief.Mounts[0].Hold.Bolts.Grade != "10.9" {
		t.Errorf("the class is %s (%v)", got.Brief.Mounts[0].Hold.Bolts.Grade, err)
	}
	tab("a foot", `e.type === 'checkbox' && e.parentElement.innerText.includes('front right') && !e.checked`)
	p.keys(" ")
	p.briefSaved()
}
