package e2e

import (
	"bytes"
	"strings"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/vehicle"
	"warmanvil/core/weld"
	"warmanvil/job"
)

// ear is a job with a plate of 120 × 80 that is welded by its right edge to a plate of 8 mm and bent across it.
func (a app) ear(t *testing.T, unit brief.Unit, thickness float64) (id string) {
	t.Helper()
	j, err := a.jobs.CreateJob(t.Context(), brief.Brief{Name: "Yard gate", Quantity: 1, Unit: unit, Grain: 25.4 / 32,
		Criticality: brief.LoadLost})
	if err != nil {
		t.Fatal(err)
	}
	r := demo.DemoSheet(thickness)
	r.Base.Length, r.Base.Width = 120, 80
	part, err := a.jobs.CreatePart(t.Context(), j.ID, job.PartState{Name: "Ear", Quantity: 1, Recipe: r})
	if err != nil {
		t.Fatal(err)
	}
	if j, err = a.jobs.Job(t.Context(), j.ID); err != nil {
		t.Fatal(err)
	}
	b := j.Brief
	b.Welded = []brief.Welded{{ID: "w", Name: "Ear on the post", Filler: "e70",
		Sides: [2]brief.SeamBody{{Side: brief.Side{Kind: brief.PartSide, Of: part.ID}}, {Name: "post", Material: "steel-s235", Thickness: 8}},
		Seams: []brief.SeamPlan{{Seam: weld.Seam{ID: "s", Name: "Root", Form: weld.FilletForm, Leg: 4}, Panel: "base", Edge: "right", Before: 5,
			After: 5}},
		Cases: []brief.SeamLoad{{Name: "stood on", Force: [3]float64{0, 0, -60}, At: [3]float64{60, 40, 0}}}}}
	if _, err := a.jobs.SaveBrief(t.Context(), j.ID, job.On{Revision: j.Revision}, b); err != nil {
		t.Fatal(err)
	}
	return j.ID
}

// An ear welded on one side opens at its root: over. What would help is asked, both sides are taken, and it holds; it is
// kept, and undone by one press.
func TestOneSideThenBoth(t *testing.T) {
	a := startApp(t)
	for _, unit := range []brief.Unit{brief.UnitMM, brief.UnitFraction} {
		id := a.ear(t, unit, 6)
		p := open(t, a, 1280, 800)
		p.goTo("/jobs/" + id + "/hold")
		p.verdict("over")
		p.see("opens at its root")
		p.press("What would help?")
		p.wait("both sides among what helps", `[...document.querySelectorAll('[data-ways] .what')].some(x => x.innerText === 'both sides')`)
		p.press("Take it")
		p.verdict("holds")
		p.briefKept()
		j, err := a.jobs.Job(t.Context(), id)
		if err != nil || !j.Brief.Welded[0].Seams[0].Both {
			t.Fatalf("%v %+v", err, j.Brief.Welded)
		}
		if text := eval[string](p, `document.querySelector('[data-seam]').innerText`); unit != brief.UnitMM && strings.Contains(text, " mm") {
			t.Errorf("mm in an inch job: %s", text)
		}
		p.press("Undo")
		p.verdict("over")
		p.press("Ways to weld it, side by side")
		p.wait("the schools", `document.querySelectorAll('[data-schools] [data-school]').length === 10`)
		if text := eval[string](p, `document.querySelector('[data-schools]').innerText`); unit != brief.UnitMM && strings.Contains(text, " mm") {
			t.Errorf("mm among the schools of an inch job: %s", text)
		}
		p.press("Take all along, both faces")
		p.verdict("holds")
		p.wait("it as it is", `document.querySelector('[data-school="all along, both faces"]').classList.contains('now')`)
	}
}

// An ear that stands on its edge is pushed over: over. A gusset is added by one press, its part and place with it; the
// joint holds, and so does the gusset's own seam, by what its foot takes.
func TestGussetByOnePress(t *testing.T) {
	a := startApp(t)
	for _, unit := range []brief.Unit{brief.UnitMM, brief.UnitFraction} {
		id := a.ear(t, unit, 6)
		j, err := a.jobs.Job(t.Context(), id)
		if err != nil {
			t.Fatal(err)
		}
		b := j.Brief
		v, on, err := a.jobs.Survey(t.Context(), id)
		if err != nil {
			t.Fatal(err)
		}
		v.Placed = []vehicle.Placed{{ID: "e", Name: "Ear", Part: b.Welded[0].Sides[0].Of, Pitch: 90},
			{ID: "far", Name: "Far ear", Part: b.Welded[0].Sides[0].Of, Pitch: 90, At: [3]float64{900}}}
		b.Welded[0].Sides[0].Placed = "e"
		if _, err := a.jobs.SaveSurvey(t.Context(), id, job.On{Revision: on}, v); err != nil {
			t.Fatal(err)
		}
		b.Welded[0].Cases = []brief.SeamLoad{{Name: "pushed", Force: [3]float64{200, 0, 0}, At: [3]float64{0, 40, 0}}}
		if _, err := a.jobs.SaveBrief(t.Context(), id, job.On{Revision: j.Revision}, b); err != nil {
			t.Fatal(err)
		}
		p := open(t, a, 1280, 800)
		p.goTo("/jobs/" + id + "/hold")
		p.verdict("over")
		p.press("A gusset in its corner")
		p.see("is in the job, placed, with its seams.")
		p.verdict("holds")
		p.see("along the foot of a gusset")
		p.press("The same at its other place")
		p.briefKept()
		if j, err = a.jobs.Job(t.Context(), id); err != nil || len(j.Brief.Welded) != 3 || j.Brief.Welded[2].Sides[0].Placed != "far" ||
			len(j.Brief.Welded[2].Seams) != 1 {
			t.Errorf("%v %+v", err, j.Brief.Welded)
		}
		p.press("Gusset, Ear on the post")
		p.verdict("holds")
		p.see("what its foot takes of Ear on the post")
		if text := eval[string](p, `document.querySelector('[data-verdict]').innerText`); unit != brief.UnitMM && strings.Contains(text, " mm") {
			t.Errorf("mm in an inch job: %s", text)
		}
	}
}

// A welder too small leaves a seam open; bolting or a coupon are its ways out. With the coupon named it holds, and what
// cannot be typed is refused beside its field and stays.
func TestWelderTooSmallUntilItsCoupon(t *testing.T) {
	a := startApp(t)
	id := a.ear(t, brief.UnitMM, 6)
	j, err := a.jobs.Job(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	b := j.Brief
	b.Welded[0].Seams[0].Both = true
	if _, err := a.jobs.SaveBrief(t.Context(), id, job.On{Revision: j.Revision}, b); err != nil {
		t.Fatal(err)
	}
	if err := a.jobs.LoadDemoShop(t.Context()); err != nil { // its welder is said for 6 mm, the post is 8
		t.Fatal(err)
	}
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + id + "/hold")
	p.verdict("cannot say")
	p.see("MIG set welds from")
	p.set("[data-seam]", "Leg", "-3")
	p.wait("the refusal", `document.querySelector('[data-seam] .wrong')`)
	p.set("[data-seam]", "Leg", "4")
	p.see("Bevel the edge of Ear at 45°")
	p.press("Take it") // have it welded outside
	p.wait("the field of who shows a coupon", `[...document.querySelectorAll('[data-seam] label')].some(x => x.innerText.includes('Who welds it'))`)
	p.verdict("cannot say")
	p.pick("[data-seam]", "Laid with", "as the Shop has it")
	p.wait("the shop's welder again", `document.querySelector('[data-outs]')`)
	eval[bool](p, `(document.querySelector('[data-tried] > summary').click(), true)`)
	p.press("Keep it in the Shop")
	p.see("Say what it was set to")
	p.set("[data-tried]", "What it was set to", "19 V, 0.8 wire, bevelled")
	p.press("Keep it in the Shop") // worked, and nobody bent it: it proves nothing yet
	p.see("It is in the Shop")
	p.verdict("cannot say")
	p.set("[data-tried]", "What it was set to", "21 V, 0.8 wire, bevelled")
	p.pick("[data-tried]", "Bent or torn, it", "bent and held")
	p.press("Keep it in the Shop")
	p.verdict("holds")
	w, err := a.jobs.Shop(t.Context())
	if err != nil || len(w.Settings) < 2 || w.Settings[len(w.Settings)-1].Thickness != 8 || w.Settings[len(w.Settings)-1].Broke != "held" {
		t.Errorf("%v %+v", err, w.Settings)
	}
	p.set("[data-seam]", "Coupon that was cut and etched, or bent, and held", "bevelled, three passes, bent flat and held")
	p.verdict("holds")
	p.briefKept()
}

// The order of a frame's runs is played, changed by hand with its price, given back, printed, and a seam is looked at.
func TestOrderPlayedAndPrinted(t *testing.T) {
	a := startApp(t)
	id, _ := a.demoPart(t, "Orchard truck", "Underfloor outriggers")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + id + "/hold")
	p.wait("the frame in the list", `(() => { // frames come by themselves, after the bodies
		const x = [...document.querySelectorAll('.list .pick')].find(x => x.innerText.includes('weld map') && x.innerText.includes('outriggers'))
		x?.click()
		return !!x
	})()`)
	p.wait("the gain", `document.querySelector('[data-gain]')?.innerText.includes('Seam by seam')`)
	run := `document.querySelector('[data-run]').innerText`
	p.press("One run on")
	p.press("One run on")
	p.wait("two runs", run+`.startsWith('2 of')`)
	p.press("Play the runs")
	p.wait("it to play", `parseInt(`+run+`) > 3`)
	p.press("Stop")
	eval[bool](p, `([...document.querySelectorAll('[data-weld-order] summary')].find(x => x.innerText.includes('changed by hand')).click(), true)`)
	first := eval[string](p, `document.querySelector('[data-runs] .bare').innerText`)
	eval[bool](p, `(document.querySelector('[data-runs] li [aria-label$=later], [data-runs] li button:last-of-type').click(), true)`)
	p.wait("the order by hand", `document.querySelector('[data-gain]').innerText.includes('by hand')`)
	if now := eval[string](p, `document.querySelector('[data-runs] .bare').innerText`); now == first {
		t.Errorf("%s is still first", first)
	}
	p.briefKept()
	p.press("Take the order found")
	p.wait("the order found", `!document.querySelector('[data-gain]').innerText.includes('by hand')`)
	p.briefKept()
	p.press("Weld map")
	if _, pdf := p.download(".pdf"); !bytes.HasPrefix(pdf, []byte("%PDF")) {
		t.Error("the weld map is no PDF")
	}
	eval[bool](p, `(document.querySelector('[data-ticks] > summary').click(), document.querySelector('[data-looked="1"] > summary').click(), true)`)
	p.set(`[data-looked="1"]`, "Leg by gauge, the smaller", "2")
	p.set(`[data-looked="1"]`, "Undercut, deepest", "0")
	p.wait("the verdict of the look", `document.querySelector('[data-looked="1"]').innerText.includes('does not pass')`)
	p.set(`[data-looked="1"]`, "Leg by gauge, the smaller", "4.5"+kb.Enter)
	p.wait("it to pass", `document.querySelector('[data-looked="1"]').innerText.includes('passes')`)
	p.briefKept()
}

// An ear of aluminium is asked with what the weld leaves of it, and steel is not laid on it.
func TestAluminiumEarSoftened(t *testing.T) {
	a := startApp(t)
	id := a.ear(t, brief.UnitMM, 6)
	parts, err := a.jobs.Parts(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	state := parts[0].State()
	state.Recipe.Material = "alu-6061-t6"
	if _, err := a.jobs.SavePart(t.Context(), parts[0].ID, job.On{Revision: parts[0].Revision}, state); err != nil {
		t.Fatal(err)
	}
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + id + "/hold")
	p.see("do not weld to each other")
	p.pick("main", "Its metal", "Aluminium 6061-T6")
	p.press("both sides")
	p.wait("the weld metal to be asked for", `document.querySelector('[data-check=throat]')?.innerText.includes('choose the weld metal')`)
	p.pick("main", "Weld metal", "5356 wire or rod")
	p.verdict("holds")
	p.press("Why Metal beside it")
	p.see("softened within 25 mm")
}

// The weld map of the thing chosen is printed on the Make bench too.
func TestWeldMapFromMake(t *testing.T) {
	a := startApp(t)
	id, _ := a.demoPart(t, "Orchard truck", "Underfloor outriggers")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + id + "/make")
	p.wait("the weld maps", `document.querySelector('[data-weld-map]')`)
	p.press("Weld map as PDF")
	if _, pdf := p.download(".pdf"); !bytes.HasPrefix(pdf, []byte("%PDF")) {
		t.Error("the weld map is no PDF")
	}
}

// A gusset is put into a corner of a frame by one press: it is a part, placed, with two welded joints that are asked by
// what goes through that end. The frame's picture and a part's flat number their runs.
func TestGussetInAFrameAndItsOrder(t *testing.T) {
	a := startApp(t)
	id, frame := a.demoPart(t, "Orchard truck", "Underfloor outriggers")
	p := open(t, a, 1280, 900)
	p.goTo("/jobs/" + id + "/shape/frame/" + frame)
	p.wait("the frame", `document.querySelector('.body[data-ready]')`)
	p.press("Weld order")
	p.wait("numbers in the picture", `document.querySelectorAll('[data-numbers] text').length > 3`)
	shown := `document.querySelector('[data-runs-shown]').innerText`
	p.wait("the first runs", shown+`.startsWith('1–8 of')`)
	p.press("Runs after")
	p.wait("the next", shown+`.startsWith('9–')`)
	p.press("Front arm")
	p.wait("its ends", `document.querySelector('.end')`)
	before, err := a.jobs.Parts(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	p.press("A gusset in its corner")
	p.see("stands in the corner")
	list, err := a.jobs.Parts(t.Context(), id)
	if err != nil || len(list) != len(before)+1 {
		t.Fatalf("%v: %d parts, %d before", err, len(list), len(before))
	}
	p.goTo("/jobs/" + id + "/hold")
	p.wait("its joint in the list", `(() => {
		const x = [...document.querySelectorAll('.list .pick')].find(x => x.innerText.startsWith('Gusset, Front arm'))
		x?.click()
		return !!x
	})()`)
	p.see("what its foot takes of the end of the member")
	p.wait("its answer", `[...document.querySelectorAll('[data-verdict], .verdict, [data-weld-order]')].length > 0`)
	p.goTo("/jobs/" + id + "/shape/" + list[len(list)-1].ID)
	p.drawn()
	p.press("weld order")
	p.wait("runs on the flat", `document.querySelectorAll('[data-runs-on-flat] text').length > 0`)
}
