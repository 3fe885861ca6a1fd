package e2e

import (
	"encoding/json"
	"os"
	"testing"
)

// Every view in both themes and at three widths: the accessibility checker
// finds no serious violation, nothing runs off sideways, and the content
// policy stops nothing.
func TestEveryViewIsAccessible(t *testing.T) {
	axe, err := os.ReadFile("../ui/node_modules/axe-core/axe.min.js")
	if err != nil {
		t.Fatal("the front end's packages are not installed: run make setup")
	}
	a := startApp(t)
	jobID, partID := a.demoPart(t, "Orchard truck", "Press foot")
	_, shelf := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	lorry, _ := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	views := []struct{ path, ready string }{
		{"/jobs", `document.querySelector('.jobs')`},
		{"/jobs/" + jobID + "/measure", `document.querySelector('.brief')`},
		{"/jobs/" + jobID + "/shape/" + partID, `document.querySelector('.shape')`},
		{"/jobs/" + lorry + "/shape/" + shelf, `document.querySelector('.shape')`},
		{"/jobs/" + jobID + "/make", `document.querySelector('.part')`},
		{"/quick/length", `document.querySelector('[data-way]')`},
		{"/quick/schools", `document.querySelector('.answer table')`},
		{"/quick/section", `document.querySelector('[data-result]')`},
		{"/nowhere", `document.querySelector('h1')`},
	}
	for _, size := range [][2]int64{{1280, 800}, {800, 1180}, {390, 844}} {
		p := open(t, a, size[0], size[1])
		for _, theme := range []string{"day", "shed"} {
			p.goTo("/jobs")
			eval[bool](p, `(localStorage.setItem('warmanvil.theme', '`+theme+`'), true)`)
			for _, v := range views {
				p.goTo(v.path)
				p.wait(v.path, v.ready)
				eval[bool](p, string(axe)+";true")
				raw := eval[string](p, `axe.run(document, {resultTypes: ['violations']}).then(r => JSON.stringify(r.violations.filter(v => v.impact === 'serious' || v.impact === 'critical').map(v => ({id: v.id, at: v.nodes.slice(0, 4).map(n => n.target.join(' ') + ' ' + (n.any[0]?.message ?? ''))}))))`)
				var found []struct {
					ID string   `json:"id"`
					At []string `json:"at"`
				}
				if err := json.Unmarshal([]byte(raw), &found); err != nil {
					t.Fatal(err)
				}
				for _, f := range found {
					t.Errorf("%d px, %s, %s: %s at %v", size[0], theme, v.path, f.ID, f.At)
				}
				if over := eval[int](p, `document.querySelector('#bench').scrollWidth - document.querySelector('#bench').clientWidth`); over > 1 {
					t.Errorf("%d px, %s, %s: runs %d px off sideways", size[0], theme, v.path, over)
				}
			}
		}
	}
}
