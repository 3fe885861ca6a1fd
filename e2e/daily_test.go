package e2e

import (
	"strings"
	"testing"
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
