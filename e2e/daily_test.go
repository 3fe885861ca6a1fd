package e2e

import (
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/chromedp/chromedp"

	"warmanvil/core/brief"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/job"
)

// The list of jobs is searched, put in order, and says of each what waits and where.
func TestJobsSearchedAndWaiting(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/jobs")
	names := func() string {
		return eval[string](p, `[...document.querySelectorAll('.jobs .name')].map(e => e.innerText).join(', ')`)
	}
	p.wait("what waits in every job", `document.querySelectorAll('.jobs li').length === 3 && [...document.querySelectorAll('.jobs li')].every(l => l.querySelector('.waits *'))`)
	over := eval[string](p, `[...document.querySelectorAll('.jobs li')].filter(l => l.querySelector('.waits .over')).map(l => l.querySelector('.name').innerText).join(', ')`)
	if over != "Hive trailer" {
		t.Errorf("over are said to be: %s", over)
	}
	p.tap(`[aria-label="Find a job"]`)
	p.keys("lorry")
	p.wait("one job", `document.querySelectorAll('.jobs li').length === 1`)
	if got := names(); got != "Sound lorry" {
		t.Errorf("a lorry is %s", got)
	}
	p.keys(" of nobody")
	p.see("No job says")
	p.keys("\x1b")
	p.wait("all jobs again", `document.querySelectorAll('.jobs li').length === 3`)
	p.pick("", "in order of", "by what waits")
	p.wait("what is over to lead", `document.querySelector('.jobs .name').innerText === 'Hive trailer'`)
	p.pick("", "in order of", "by name")
	p.wait("names in order", `[...document.querySelectorAll('.jobs .name')].map(e => e.innerText).join() === 'Hive trailer,Orchard truck,Sound lorry'`)
	if to := eval[string](p, `document.querySelector('.jobs li .waits .over').getAttribute('href')`); !strings.HasSuffix(to, "/hold") {
		t.Errorf("what is over is settled at %s", to)
	}
}

// A point that another stands on asks before it goes, and says what would lose it; one that
// nothing names goes at once; undo brings six readings back that went with one press.
func TestRemovingWhatOthersUse(t *testing.T) {
	a := startApp(t)
	jobID, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/measure/vehicle")
	p.press("Remove Filler neck, middle")
	p.see("Filler neck, middle is used")
	p.see("Lashing eye, left")
	p.press("Leave it")
	p.wait("it to stay", `document.querySelector('[data-point="Filler neck, middle"]') && !document.querySelector('[role=dialog]')`)
	p.press("Remove Lashing eye, left")
	p.wait("it to go", `!document.querySelector('[data-point="Lashing eye, left"]')`)
	p.press("Put it back")
	p.wait("it to be back", `document.querySelector('[data-point="Lashing eye, left"]')`)
	p.surveySaved()
	readings := `document.querySelectorAll('[data-map="Left rail"] [data-reading]').length`
	before := eval[int](p, readings)
	p.press("Remove Left rail")
	p.see("Left rail is used")
	p.press("Remove it")
	p.wait("the map to go", `!document.querySelector('[data-map="Left rail"]')`)
	p.surveySaved()
	p.press("Undo")
	p.wait("the map to be back", `document.querySelector('[data-map="Left rail"]')`)
	if now := eval[int](p, readings); now != before || before < 6 {
		t.Errorf("%d readings came back of %d", now, before)
	}
}

// What holes are meant to be is offered where the readings go with it, and used once taken;
// the holes of a map become those of a plate by one press and follow it. Another reading of
// the same starts empty, and contradicting itself it takes the good word away.
func TestMapMeantAndMade(t *testing.T) {
	a := startApp(t)
	jobID, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/measure/vehicle")
	p.see("Lashing eye, left")
	p.wait("a rectangle offered", `document.querySelector('[data-map="Left rail"] [data-meant=rectangle]')`)
	if eval[bool](p, `!!document.querySelector('[data-map="Right rail"] [data-meant]')`) {
		t.Error("the right rail's bent hole is taken for a corner of a rectangle")
	}
	p.press("Go by it")
	p.see("the map goes by it")
	p.surveySaved()
	p.press("Make the 8 holes")
	p.see("They follow this map from now on")
	p.press("Plate, Left rail")
	p.drawn()
	if n := eval[int](p, `[...document.querySelectorAll('h3')].filter(h => /^[1-8]$/.test(h.innerText.trim())).length`); n != 8 {
		t.Errorf("the plate has %d of 8 holes", n)
	}
	p.goTo("/jobs/" + jobID + "/measure/vehicle")
	p.see("Lashing eye, left")
	p.press("Read Left again")
	p.wait("the hand in an empty field", `document.activeElement.tagName === 'INPUT' && document.activeElement.value === ''`)
	p.keys("131\r")
	p.wait("the good word gone", `document.querySelector('#sides [data-verdict]').dataset.verdict === 'doubtful'`)
}

// What the brief lacks of a device is asked where it is needed, in words and at once: answered
// there, the answer comes, and the brief has it.
func TestAskedWhereNeeded(t *testing.T) {
	a := startApp(t)
	jobID, _ := a.demoPart(t, "Orchard truck", "Press foot")
	j, err := a.jobs.Job(t.Context(), jobID)
	if err != nil {
		t.Fatal(err)
	}
	at := slices.IndexFunc(j.Brief.Devices, func(d brief.Device) bool { return d.Name == "Air compressor" })
	j.Brief.Devices[at].Mass = nil
	if _, err := a.jobs.SaveBrief(t.Context(), jobID, job.On{Revision: j.Revision}, j.Brief); err != nil {
		t.Fatal(err)
	}
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/hold")
	p.press("Air compressor")
	p.see("its mass is not in the brief yet")
	p.set("[data-asks]", "Mass", "48")
	p.see("that is in the brief now")
	p.see("The hardest on one foot is")
	p.briefKept()
	now, err := a.jobs.Job(t.Context(), jobID)
	if m := now.Brief.Devices[at].Mass; err != nil || m == nil || m.Value != 48 {
		t.Errorf("the brief has %+v, %v", m, err)
	}
	p.press("Apple press")
	if eval[bool](p, `!!document.querySelector('[data-asks]')`) {
		t.Error("something is asked of a device that lacks nothing")
	}
}

// Any field shows the other system by a tap, and what it shows follows what is typed.
func TestTheOtherSystem(t *testing.T) {
	a := startApp(t)
	for name, want := range map[string]struct{ part, typed, first, then string }{
		"Orchard truck": {"Press foot", "160", `5.906", 5 29/32" light .001`, `6.299"`},
		"Sound lorry":   {"Amplifier shelf", "17-1/2", "419.10 mm", "444.50 mm"},
	} {
		jobID, partID := a.demoPart(t, name, want.part)
		p := open(t, a, 1280, 800)
		p.goTo("/jobs/" + jobID + "/shape/" + partID)
		p.drawn()
		p.tap(".bar input")
		p.tap(".bar .other")
		p.wait("the other unit", fmt.Sprintf(`document.querySelector('.bar .same')?.innerText.includes(%q)`, want.first))
		p.do(chromedp.KeyEvent("a", chromedp.KeyModifiers(chromedp.ModifierCtrl)))
		p.keys(want.typed)
		p.wait("what is typed now", fmt.Sprintf(`document.querySelector('.bar .same')?.innerText.includes(%q)`, want.then))
		p.do(chromedp.KeyEvent("u", chromedp.KeyModifiers(chromedp.ModifierAlt)))
		p.wait("it to go", `!document.querySelector('.bar .same')`)
	}
}

// The sides of an outline that came from a drawing go by their numbers on the drawing too,
// while its face is in hand; what is added after an edge was tapped counts from that edge.
func TestSidesByName(t *testing.T) {
	a := startApp(t)
	jobID, partID := a.demoPart(t, "Orchard truck", "Press foot")
	part, err := a.jobs.Part(t.Context(), partID)
	if err != nil {
		t.Fatal(err)
	}
	part.Recipe.Base = sheet.Base{ID: "wedge", Measure: sheet.Flat, Shape: &sheet.Shape{Kind: sheet.Polygon,
		Points: profile.Loop{{X: 0, Y: 0}, {X: 300, Y: 0}, {X: 260, Y: 180}, {X: 40, Y: 200}, {X: 0, Y: 90}}}}
	made, err := a.jobs.CreatePart(t.Context(), jobID, job.PartState{Name: "Wedge", Quantity: 1, Recipe: part.Recipe})
	if err != nil {
		t.Fatal(err)
	}
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/shape/" + made.ID)
	p.drawn()
	p.press("Add to Base")
	p.wait("five sides named", `document.querySelectorAll('[data-side]').length === 5`)
	p.press("side 3")
	eval[bool](p, `([...document.querySelectorAll('.add [role=tab]')].find(b => b.innerText.trim() === 'Holes').click(), true)`)
	p.press("Hole")
	p.wait("the hole", `[...document.querySelectorAll('h3')].some(h => h.innerText.includes('ole 1 on base'))`)
	p.saved()
	now, err := a.jobs.Part(t.Context(), made.ID)
	if err != nil || len(now.Recipe.Base.Holes) != 1 {
		t.Fatal(err, now.Recipe.Base.Holes)
	}
	if h := now.Recipe.Base.Holes[0]; h.X.Edge != "3" && h.Y.Edge != "3" {
		t.Errorf("tapped side 3, it counts from %s and %s", h.X.Edge, h.Y.Edge)
	}
}

// What is started while its last number is still being read takes that number whole; where a
// number was refused nothing is started, and the hand is back at it.
func TestStartedWhole(t *testing.T) {
	a := startApp(t)
	j, err := a.jobs.CreateJob(t.Context(), brief.Brief{Name: "Slow", Quantity: 1, Unit: brief.UnitMM, Grain: 1})
	if err != nil {
		t.Fatal(err)
	}
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + j.ID + "/shape")
	p.wait("the pictures", `document.querySelector('.start h2')?.innerText === 'Angle cleat'`)
	label := eval[string](p, `document.querySelector('.start .sizes label').innerText.trim()`)
	p.enter(".start .sizes", label)
	p.keys("20 rubbish\t")
	p.press("Start the part")
	p.wait("the hand back at it", `document.activeElement?.getAttribute('aria-invalid') === 'true'`)
	if parts, err := a.jobs.Parts(t.Context(), j.ID); err != nil || len(parts) != 0 {
		t.Errorf("of a refused number %d parts were made (%v)", len(parts), err)
	}
	a.slow.Store(int64(700 * time.Millisecond))
	p.enter(".start .sizes", label)
	p.keys("123 mm\t")
	p.press("Start the part")
	p.wait("the bench", `document.querySelector('.shape')`)
	a.slow.Store(0)
	parts, err := a.jobs.Parts(t.Context(), j.ID)
	if err != nil || len(parts) != 1 || parts[0].Recipe.Base.Length != 123 {
		t.Errorf("%d parts, %g long (%v)", len(parts), parts[0].Recipe.Base.Length, err)
	}
}
