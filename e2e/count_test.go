package e2e

import (
	"fmt"
	"math"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"warmanvil/core/brief"
	"warmanvil/core/sheet/made"
)

// counter counts what a hand does on a page: entries, fields committed, and presses, a key
// or a tap outside of typed text. What a script does by itself counts for nothing.
const counter = `
	window.testCount = { entries: 0, presses: 0 }
	let typed // the field that was typed into and is not left yet
	const commit = () => { if (typed) testCount.entries++; typed = undefined }
	addEventListener('input', e => { if (e.isTrusted && e.target.matches('input:not([type=radio], [type=checkbox]), textarea')) typed = e.target }, true)
	addEventListener('focusout', commit, true)
	addEventListener('keydown', e => {
		if (!e.isTrusted || e.repeat || ['Shift', 'Control', 'Alt', 'Meta', 'Backspace', 'Delete'].includes(e.key)) return
		if (e.key === 'Enter') commit()
		if (e.key.length > 1 || e.ctrlKey || e.altKey || e.metaKey) testCount.presses++
	}, true)
	addEventListener('change', e => { if (e.target.matches('select')) testCount.entries++ }, true)
	// The large keys type as keys do; their Next and Done are presses.
	const types = '.pad .digits, .pad .fractions, .pad .units'
	addEventListener('click', e => {
		if (e.target.closest(types)) typed = document.activeElement
		else if (e.isTrusted && e.detail > 0) testCount.presses++
	}, true)
	addEventListener('click', e => { if (e.target.closest('.pad .main')) commit() }, true)
`

// counting begins to count anew.
func (p *page) counting() {
	p.t.Helper()
	eval[bool](p, `(Object.assign(window.testCount, { entries: 0, presses: 0 }), true)`)
}

// counted answers what was done since.
func (p *page) counted() (entries, presses int) {
	p.t.Helper()
	return eval[int](p, `window.testCount.entries`), eval[int](p, `window.testCount.presses`)
}

// tap clicks what a selector finds.
func (p *page) tap(selector string) {
	p.t.Helper()
	p.wait(selector, `document.querySelector(`+"`"+selector+"`"+`)`)
	p.do(chromedp.Click(chromedp.CSS(selector)))
}

// What a day's tasks cost, by keys alone: entries and presses, to be written down in the
// benchmarks, and never more than they are meant to cost.
func TestCostOfAnLBracket(t *testing.T) {
	a := startApp(t)
	for _, units := range []struct {
		unit  brief.Unit
		grain float64
		sizes [3]string
		want  [3]float64
	}{
		{brief.UnitMM, 1, [3]string{"80", "60", "50"}, [3]float64{80, 60, 50}},
		{brief.UnitFraction, 25.4 / 16, [3]string{"3-1/8", "2-3/8", "2"}, [3]float64{79.375, 60.325, 50.8}},
	} {
		empty := brief.Brief{Name: "Bracket in " + string(units.unit), Quantity: 1, Unit: units.unit, Grain: units.grain}
		j, err := a.jobs.CreateJob(t.Context(), empty)
		if err != nil {
			t.Fatal(err)
		}
		p := open(t, a, 1280, 800)
		p.goTo("/jobs/" + j.ID + "/shape")
		p.wait("the pictures", `document.activeElement?.name === 'starter' && document.querySelector('.start h2')?.innerText === 'Angle cleat'`)
		p.counting()
		p.keys(kb.Tab)
		for i, size := range units.sizes {
			p.wait("the field", `document.activeElement?.tagName === 'INPUT' && document.activeElement.type === 'text'`)
			p.keys(size + kb.Enter)
			p.wait("the next field", `[...document.querySelectorAll('.start input[type=text], .start input:not([type])')].indexOf(document.activeElement) === `+fmt.Sprint(i+1))
		}
		p.wait("the picture of it", `document.querySelector('.start figcaption')?.innerText.split(' × ').length === 3 && !window.testAsking`)
		for !eval[bool](p, `document.activeElement?.matches('.start .press.main')`) {
			p.keys(kb.Tab)
		}
		p.keys(kb.Enter)
		p.drawn()
		p.do(chromedp.KeyEvent("4", chromedp.KeyModifiers(chromedp.ModifierAlt)))
		p.see("Files and paper")
		reach := func(to string) {
			t.Helper()
			for range 60 {
				p.keys(kb.Tab)
				if eval[bool](p, `document.activeElement?.matches(`+"`"+to+"`"+`) ?? false`) {
					return
				}
			}
			t.Fatalf("Tab never reaches %s%s", to, p.state())
		}
		reach(`[data-drawn] input`)
		p.keys("a sample" + kb.Tab)
		reach(`[data-file=dxf]`)
		p.keys(kb.Enter)
		_, dxf := p.download(".dxf")
		entries, presses := p.counted()
		t.Logf("L-bracket in %s: %d entries, %d presses", units.unit, entries, presses)
		if entries > 30 || presses > 45 {
			t.Errorf("in %s it takes %d entries and %d presses", units.unit, entries, presses)
		}
		parts, err := a.jobs.Parts(t.Context(), j.ID)
		if err != nil || len(parts) != 1 {
			t.Fatal(len(parts), err)
		}
		built, err := made.Build(parts[0].Recipe, made.Options{})
		if err != nil {
			t.Fatal(err)
		}
		for i, size := range built.Body.Max.Sub(built.Body.Min) {
			if math.Abs(size-units.want[i]) > 1e-6 {
				t.Errorf("it is %v, not %v", built.Body.Max.Sub(built.Body.Min), units.want)
				break
			}
		}
		if len(built.Holes) != 4 || len(dxf) < 1000 {
			t.Errorf("%d holes, %d bytes", len(built.Holes), len(dxf))
		}
	}
}

// A third hole from two distances, with its place.
func TestCostOfAThirdHole(t *testing.T) {
	a := startApp(t)
	for _, units := range []struct {
		name  string
		sizes [3]string
		at    string
	}{{"mm", [3]string{"500", "300", "400"}, "1: 180.0 mm, 240.0 mm"}, {"inch, fractions", [3]string{"25", "15", "20"}, `1: 9", 12"`}} {
		p := open(t, a, 1280, 800)
		p.goTo("/quick/bend")
		p.press(units.name)
		p.goTo("/jobs")
		p.see("Orchard truck")
		p.counting()
		p.tap(`a[href="/quick"]`)
		p.wait("the list", `document.activeElement?.type === 'search'`)
		p.keys("third hole" + kb.Enter)
		p.wait("its fields", `location.pathname === '/quick/third' && document.querySelectorAll('.fields input').length === 3`)
		p.tap(`.fields input`)
		for _, size := range units.sizes {
			p.keys(size + kb.Enter)
		}
		p.wait("its place", `[...document.querySelectorAll('[data-result] dd')].some(x => x.innerText.includes(`+"`"+units.at+"`"+`))`)
		entries, presses := p.counted()
		t.Logf("third hole in %s: %d entries, %d presses", units.name, entries, presses)
		if entries > 6 {
			t.Errorf("in %s it takes %d entries", units.name, entries)
		}
	}
}

// touch taps what a selector finds, with a finger.
func (p *page) touch(selector string) {
	p.t.Helper()
	p.wait(selector, `(e => e && (e.scrollIntoView({ block: 'center' }), true))(document.querySelector(`+"`"+selector+"`"+`))`)
	p.do(chromedp.Tap(chromedp.CSS(selector)))
}

// thumb types by the large keys and goes on to the next field.
func (p *page) thumb(text string) {
	p.t.Helper()
	p.wait("the large keys", `document.querySelector('.pad')`)
	for _, key := range text {
		p.touch(fmt.Sprintf(`.pad [data-key="%c"]`, key))
	}
	p.touch(".pad .main")
}

// The L-bracket once more, by touch alone on an upright tablet.
func TestCostByTouch(t *testing.T) {
	a := startApp(t)
	for _, units := range []struct {
		unit  brief.Unit
		grain float64
		sizes [3]string
		want  [3]float64
	}{
		{brief.UnitMM, 1, [3]string{"80", "60", "50"}, [3]float64{80, 60, 50}},
		{brief.UnitDecimal, .254, [3]string{"3.25", "2.5", "2"}, [3]float64{82.55, 63.5, 50.8}},
	} {
		empty := brief.Brief{Name: "Touched in " + string(units.unit), Quantity: 1, Unit: units.unit, Grain: units.grain}
		j, err := a.jobs.CreateJob(t.Context(), empty)
		if err != nil {
			t.Fatal(err)
		}
		p := open(t, a, 800, 1180)
		p.goTo("/jobs/" + j.ID + "/shape")
		p.wait("the pictures", `document.querySelector('.start h2')?.innerText === 'Angle cleat'`)
		p.counting()
		p.touch(".start .sizes input")
		for _, size := range units.sizes {
			p.thumb(size)
		}
		p.wait("the picture of it", `document.querySelector('.start figcaption')?.innerText.split(' × ').length === 3 && !window.testAsking`)
		p.touch(".pad .done")
		p.touch(".start .press.main")
		p.wait("the bench", `document.querySelector('.shape')`)
		p.touch(`a[href$="/make"]`)
		p.see("Files and paper")
		p.touch(`[data-drawn] input`)
		p.keys("a sample")
		p.touch(`[data-file=dxf]`)
		_, dxf := p.download(".dxf")
		entries, presses := p.counted()
		t.Logf("L-bracket by touch in %s: %d entries, %d presses", units.unit, entries, presses)
		if entries > 30 || presses > 45 {
			t.Errorf("in %s it takes %d entries and %d presses", units.unit, entries, presses)
		}
		parts, err := a.jobs.Parts(t.Context(), j.ID)
		if err != nil || len(parts) != 1 || len(dxf) < 1000 {
			t.Fatal(len(parts), len(dxf), err)
		}
		built, err := made.Build(parts[0].Recipe, made.Options{})
		if err != nil {
			t.Fatal(err)
		}
		for i, size := range built.Body.Max.Sub(built.Body.Min) {
			if math.Abs(size-units.want[i]) > 1e-6 {
				t.Fatalf("it is %v, not %v", built.Body.Max.Sub(built.Body.Min), units.want)
			}
		}
	}
}

// A tray with lips, drains and its bend sheet, by keys from an empty job.
func TestCostOfATray(t *testing.T) {
	a := startApp(t)
	for _, units := range []struct {
		unit  brief.Unit
		grain float64
		sizes []string
		high  float64
	}{
		{brief.UnitMM, 1, []string{"420", "260", "60"}, 60},
		{brief.UnitFraction, 25.4 / 16, []string{"16-1/2", "10-1/4", "2-3/8"}, 60.325},
	} {
		empty := brief.Brief{Name: "Tray in " + string(units.unit), Quantity: 1, Unit: units.unit, Grain: units.grain}
		j, err := a.jobs.CreateJob(t.Context(), empty)
		if err != nil {
			t.Fatal(err)
		}
		p := open(t, a, 1280, 800)
		p.goTo("/jobs/" + j.ID + "/shape")
		p.wait("the pictures", `document.activeElement?.name === 'starter' && document.querySelector('.start h2')`)
		p.counting()
		for !eval[bool](p, `document.querySelector('.start h2')?.innerText === 'Tray'`) {
			p.keys(kb.ArrowDown)
		}
		p.keys(kb.Tab)
		for _, size := range units.sizes {
			p.wait("the field", `document.activeElement?.tagName === 'INPUT' && document.activeElement.type !== 'radio'`)
			p.keys(size + kb.Enter)
		}
		p.set(".start", "Drains, diameter, 0 for none", "12 mm")
		p.set(".start", "Lips outward along the top, 0 for none", "20 mm")
		for !eval[bool](p, `document.activeElement?.matches('.start .press.main')`) {
			p.keys(kb.Tab)
		}
		p.keys(kb.Enter)
		p.drawn()
		p.do(chromedp.KeyEvent("4", chromedp.KeyModifiers(chromedp.ModifierAlt)))
		p.see("Files and paper")
		p.enter("[data-drawn]", "If nothing of this job is measured on a vehicle, why (it is printed)")
		p.keys("a sample" + kb.Tab)
		for !eval[bool](p, `document.activeElement?.matches('[data-file=bends]')`) {
			p.keys(kb.Tab)
		}
		p.keys(kb.Enter)
		_, sheet := p.download(".pdf")
		entries, presses := p.counted()
		t.Logf("tray with lips, drains and bend sheet in %s: %d entries, %d presses", units.unit, entries, presses)
		if entries > 25 {
			t.Errorf("in %s it takes %d entries", units.unit, entries)
		}
		parts, err := a.jobs.Parts(t.Context(), j.ID)
		if err != nil || len(parts) != 1 || len(sheet) < 5000 {
			t.Fatal(len(parts), len(sheet), err)
		}
		built, err := made.Build(parts[0].Recipe, made.Options{})
		if err != nil || !built.Whole {
			t.Fatal(err)
		}
		if len(built.BendLines) != 8 || len(built.Holes) != 4 || math.Abs(built.Body.Max[2]-built.Body.Min[2]-units.high) > 1e-6 {
			t.Errorf("%d bends, %d drains, %g high", len(built.BendLines), len(built.Holes), built.Body.Max[2]-built.Body.Min[2])
		}
	}
}

// A crossmember with its end plates, a duty on it and its cut list.
func TestCostOfACrossmember(t *testing.T) {
	a := startApp(t)
	for _, units := range []struct {
		unit                             brief.Unit
		grain                            float64
		between, drop, set, plate, kilos string
		pull                             string
	}{
		{brief.UnitMM, 1, "760", "100", "80", "150", "120", "2500"},
		{brief.UnitFraction, 25.4 / 16, "30", "4", "3-1/8", "6", "265", "560"},
	} {
		empty := brief.Brief{Name: "Crossmember in " + string(units.unit), Quantity: 1, Unit: units.unit, Grain: units.grain}
		j, err := a.jobs.CreateJob(t.Context(), empty)
		if err != nil {
			t.Fatal(err)
		}
		p := open(t, a, 1280, 800)
		p.goTo("/jobs/" + j.ID + "/shape/frame")
		p.see("A frame of tube, angle or bar")
		p.counting()
		p.pick(".start", "What it is", "Crossmember")
		p.set(".start", "Between the rails", units.between)
		p.set(".start", "Drop", units.drop)
		p.set(".start", "Drops set in from the rails", units.set)
		p.set(".start", "End plates, high", units.plate)
		p.set(".start", "It carries", units.kilos)
		p.press("Start the frame")
		p.drawn()
		p.do(chromedp.KeyEvent("3", chromedp.KeyModifiers(chromedp.ModifierAlt)))
		p.press("Duties")
		p.press("Rate something")
		p.set("[data-duty]", "Duty", "Strap")
		p.pick("[data-duty]", "It acts on", "Beam of Crossmember")
		p.set("[data-duty]", "Pull", units.pull)
		p.set("[data-duty]", "Way, forward", "0")
		p.set("[data-duty]", "Way, up", "-1")
		p.wait("what the duty comes to", `document.querySelector('[data-says]')`)
		p.briefKept()
		p.tap(`a.pick[href*="/shape/frame/"]`)
		p.drawn()
		p.press("Cut")
		p.see("Saw sheet")
		frames, err := a.jobs.Frames(t.Context(), j.ID)
		if err != nil || len(frames) != 1 || len(frames[0].Doc.Plates) != 2 {
			t.Fatal(len(frames), err)
		}
		entries, presses := p.counted()
		t.Logf("crossmember with plates, duty and cut list in %s: %d entries, %d presses", units.unit, entries, presses)
		if entries > 30 {
			t.Errorf("in %s it takes %d entries", units.unit, entries)
		}
		told, err := a.jobs.Job(t.Context(), j.ID)
		if err != nil || len(told.Brief.Duties) != 1 || told.Brief.Duties[0].Way != [3]float64{0, 0, -1} {
			t.Errorf("%+v, %v", told.Brief.Duties, err)
		}
	}
}
