package e2e

import (
	"context"
	"fmt"
	"math"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"warmanvil/core/brief"
)

// set types over the field of a label inside whatever a selector finds.
func (p *page) set(inside, label, text string) {
	p.t.Helper()
	p.enter(inside, label)
	p.keys(text + kb.Tab)
}

// enter goes into a field; what is typed replaces what it holds.
func (p *page) enter(inside, label string) {
	p.t.Helper()
	p.hand(inside, label)
	p.do(chromedp.KeyEvent("a", chromedp.KeyModifiers(chromedp.ModifierCtrl)))
}

// pick chooses from the list of a label; a long one is searched, as its user would.
// Which it is may change while the choices arrive.
func (p *page) pick(inside, label, choice string) {
	p.t.Helper()
	p.wait("the choice "+choice+" of "+label, fmt.Sprintf(`(() => {
		const l = [...document.querySelectorAll(%[1]q + ' label')].find(l => l.innerText.trim() === %[2]q)
		const e = l && document.getElementById(l.htmlFor)
		if (e?.role === 'combobox') return true
		const o = e && [...e.options].find(o => o.text === %[3]q || o.text.startsWith(%[3]q + ", "))
		if (!o) return false
		e.value = o.value
		e.dispatchEvent(new Event('change', {bubbles: true}))
		return true
	})()`, inside, label, choice))
	found := fmt.Sprintf(`[...document.querySelectorAll(%q + ' label')].find(l => l.innerText.trim() === %q)`, inside, label)
	if !eval[bool](p, fmt.Sprintf(`document.getElementById(%s?.htmlFor)?.role === 'combobox'`, found)) {
		return
	}
	p.enter(inside, label)
	p.keys(choice)
	p.wait("the choice "+choice, fmt.Sprintf(`[...document.querySelectorAll('[role=option]')].some(o => o.offsetParent && o.innerText.startsWith(%q))`, choice))
	p.keys(kb.Enter)
	p.wait("it to be chosen", fmt.Sprintf(`%s.closest('.field').innerText.includes(%q) &&
		![...document.querySelectorAll('[role=option]')].some(o => o.offsetParent)`, found, choice))
}

func (p *page) surveySaved() {
	p.t.Helper()
	p.still("the survey to be saved", `document.querySelector('[data-survey]')?.dataset.survey === 'saved'`)
}

// setAside lets a part's files go without measuring again, with a reason.
func (p *page) setAside(part, why string) {
	p.t.Helper()
	p.press("Measure again for " + part)
	p.set(".release", "Or set it aside, with the reason (it is printed)", why)
	p.wait("the files to be free", fmt.Sprintf(`[...document.querySelectorAll('.part')].find(x => x.innerText.includes(%q))?.querySelector('.release')?.dataset.release === 'true'`, part))
	p.surveySaved()
}

// A chassis rail with eight holes is surveyed from nothing: the program asks
// for one distance after the other until the map holds, a spoiled reading is
// named and, put right, agrees.
func TestSurveyARail(t *testing.T) {
	a := startApp(t)
	j, err := a.jobs.CreateJob(t.Context(), brief.Brief{Name: "Rail", Quantity: 1, Unit: brief.UnitMM, Grain: 1})
	if err != nil {
		t.Fatal(err)
	}
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + j.ID + "/measure")
	p.press("The vehicle")
	p.press("Add a hole map")
	p.set("#maps", "Hole map", "Rail")
	p.surveySaved()
	for range 5 {
		p.press("Hole")
	}
	at := [][2]float64{{0, 0}, {420, 0}, {80, 150}, {340, 160}, {90, -120}, {330, -130}, {210, 140}, {200, -140}}
	distance := func(i, k int) string {
		return fmt.Sprintf("%.1f", math.Hypot(at[i][0]-at[k][0], at[i][1]-at[k][1]))
	}
	taken := 0
	for ; taken < 40; taken++ {
		p.surveySaved()
		p.wait("the map's answer", `document.querySelector('[data-next]') || document.querySelector('[data-map] .agree') || [...document.querySelectorAll('[data-map] .says li')].length`)
		next := eval[string](p, `[...document.querySelectorAll('[data-map] button.main')].map(b => b.innerText).find(t => t.startsWith('Take ')) ?? ''`)
		if next == "" {
			break
		}
		var i, k int
		if _, err := fmt.Sscanf(next, "Take %d to %d", &i, &k); err != nil {
			t.Fatalf("%q: %v", next, err)
		}
		p.press(next)
		p.set("[data-map]", fmt.Sprintf("%d to %d", i, k), distance(i-1, k-1))
	}
	if taken < 13 || taken > 20 {
		t.Errorf("%d distances were asked for; eight holes take 13 at the least", taken)
	}
	for _, pair := range [][2]int{{1, 8}, {2, 7}, {3, 6}, {4, 5}, {1, 4}, {2, 3}} {
		label := fmt.Sprintf("%d to %d", pair[0], pair[1])
		if eval[bool](p, fmt.Sprintf(`[...document.querySelectorAll('[data-map] label')].some(l => l.innerText.trim() === %q)`, label)) {
			continue
		}
		n := eval[int](p, `document.querySelectorAll('[data-reading]').length`)
		p.press("Distance")
		row := fmt.Sprintf(`[data-reading="%d"]`, n)
		p.pick(row, "from", fmt.Sprint(pair[0]))
		p.pick(row, "to", fmt.Sprint(pair[1]))
		p.set(row, label, distance(pair[0]-1, pair[1]-1))
	}
	p.wait("the readings to agree", `document.querySelector('[data-map] .agree:not(.doubted)')`)
	first := eval[string](p, `document.querySelector('[data-reading="0"] .reading label').innerText.trim()`)
	good := eval[string](p, `document.querySelector('[data-reading="0"] .reading input').value`)
	p.set(`[data-reading="0"]`, first, good+" + 25.4")
	p.wait("the spoiled one named", `document.querySelector('[data-reading="0"].suspect')`)
	p.see("an inch")
	p.see("would agree")
	p.set(`[data-reading="0"]`, first, good)
	p.wait("the readings to agree again", `document.querySelector('[data-map] .agree:not(.doubted)') && !document.querySelector('.suspect')`)
	v, revision, err := a.jobs.Survey(context.Background(), j.ID)
	if err != nil || revision < 2 || len(v.Maps[0].Readings) < 17 {
		t.Errorf("stored: revision %d, %+v, %v", revision, v.Maps, err)
	}
}

// The tray's bracket is placed on the rail by its holes; the lid that swings
// into it is told, moved it clears; the other rail asks for a slot; a hole
// moved on the part makes it out of date, and one press brings it back.
func TestPlaceTheTrayBracket(t *testing.T) {
	a := startApp(t)
	jobID, partID := a.demoPart(t, "Orchard truck", "Compressor tray bracket")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/measure/room")
	p.wait("the other side's answer", `document.querySelector('[data-other=slot]')`)
	p.see("differs by up to 4.0 mm")
	p.press("Remove Tray bracket, left")
	p.see("Place a part by its holes")
	p.press("Place something")
	p.pick("#placed", "It is", "Compressor tray bracket")
	p.pick("#placed", "Its good side looks", "to the left")
	p.set("#placed", "Bolt diameter", "10")
	p.set("#placed", "Wall it is bolted through", "5")
	for i, hole := range []string{"Hole 1 on base", "Hole 2 on base", "Hole 3 on base", "Hole 4 on base"} {
		p.press("Mate a hole with a point")
		p.pick("#placed", fmt.Sprintf("Mate %d: hole", i+1), hole)
		p.pick("#placed", fmt.Sprintf("Mate %d: on the point", i+1), fmt.Sprintf("Left rail %d", i+3))
	}
	lid := func(verdict string) {
		t.Helper()
		p.wait("the lid to be "+verdict, fmt.Sprintf(`[...document.querySelectorAll('[data-clear]')].some(r => r.dataset.clear.startsWith('Compressor tray bracket') && r.dataset.clear.endsWith('| Locker lid') && r.dataset.verdict === %q)`, verdict))
	}
	lid("good")
	p.see("would also bolt up")
	p.press("Locker lid")
	p.set("#spaces", "Hinge, up", "-290")
	lid("bad")
	p.see("It runs")
	p.set("#spaces", "Hinge, up", "-330")
	lid("good")
	p.surveySaved()
	p.bench(jobID, partID)
	p.size("/base/holes/1/x/distance", "306")
	p.saved()
	p.wait("the notice", `document.querySelector('.stale')`)
	p.press("Show the difference")
	p.wait("out of date", `document.querySelector('[data-stale=true]')`)
	p.press("Bring the part up to date")
	p.see("Brought up to date: Compressor tray bracket")
	p.wait("up to date", `document.querySelector('[data-stale=false]')`)
	now, err := a.jobs.Part(context.Background(), partID)
	if err != nil || math.Abs(now.Recipe.Base.Holes[1].X.Distance-now.Recipe.Base.Holes[0].X.Distance-260) > .5 {
		t.Errorf("stored %+v, %v", now.Recipe.Base.Holes[1].X, err)
	}
}

// Files wait until the governing dimensions are measured again; one that
// disagrees holds them back.
func TestMeasuredAgainBeforeCutting(t *testing.T) {
	a := startApp(t)
	jobID, _ := a.demoPart(t, "Orchard truck", "Compressor tray bracket")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/make")
	p.press("DXF of Compressor tray bracket, left hand")
	p.see("The files of Compressor tray bracket are held back")
	p.press("Measure again for Compressor tray bracket")
	dims := eval[[]string](p, `[...document.querySelectorAll('.part:last-of-type .dim:not(.edges) .num')].map(x => x.innerText)`)
	if len(dims) != 3 {
		t.Fatalf("governing dimensions: %q", dims)
	}
	for i, text := range dims {
		if i == 1 {
			text += " + 7"
		}
		p.set(fmt.Sprintf(".part:last-of-type .dim:nth-of-type(%d)", i+2), "Measured again", text)
	}
	p.set(".part:last-of-type .edges", "The first time it was measured from", "front edge")
	p.set(".part:last-of-type .edges", "This time from", "front  Edge")
	p.wait("the disagreement", `document.querySelector('.part:last-of-type .dim.bad')`)
	p.see("find out which is right")
	p.set(".part:last-of-type .dim:nth-of-type(3)", "Measured again", dims[1])
	p.see("measured twice from the same edge")
	p.set(".part:last-of-type .edges", "This time from", "rear edge")
	p.wait("the files to be free", `document.querySelector('.part:last-of-type .release').dataset.release === 'true'`)
	p.press("DXF of Compressor tray bracket, left hand")
	if name, data := p.download(".dxf"); len(data) == 0 {
		t.Errorf("%s is empty", name)
	}
	p.press("Cut ticket of Compressor tray bracket, left hand")
	if _, data := p.download(".csv"); !strings.Contains(string(data), "measured again and agree") ||
		!strings.Contains(string(data), "its fit was not tried") {
		t.Errorf("the ticket says %s", data)
	}
}

// A third point by two distances asks which side; papers and lists go out.
func TestMirrorIsAsked(t *testing.T) {
	a := startApp(t)
	jobID, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/measure/vehicle")
	p.press("Add a point")
	p.set(".point.shown", "Name", "Lamp bolt")
	p.press("by two distances")
	p.pick(".point.shown", "From A", "Left rail hole 1")
	p.pick(".point.shown", "From B", "Right rail hole 1")
	p.set(".point.shown", "Distance from A", "700")
	p.set(".point.shown", "Distance from B", "650")
	p.see("Two places fit, one on either side")
	p.press("right of A to B")
	p.wait("a place", `document.querySelector('[data-point="Lamp bolt"] dl')`)
	p.surveySaved()
	p.press("Survey sheet to fill in")
	if name, data := p.download(".pdf"); !strings.HasPrefix(string(data), "%PDF-") || !strings.HasPrefix(name, "orchard-truck_survey-blank") {
		t.Errorf("%s: %.20q", name, data)
	}
	p.press("Points as CSV")
	if _, data := p.download(".csv"); !strings.Contains(string(data), "Lamp bolt,point,") {
		t.Errorf("%s", data)
	}
}
