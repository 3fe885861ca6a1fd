package e2e

import (
	"encoding/json"
	"fmt"
	"os"
	"testing"
)

func readAxe(t *testing.T) string {
	t.Helper()
	axe, err := os.ReadFile("../ui/node_modules/axe-core/axe.min.js")
	if err != nil {
		t.Fatal("the front end's packages are not installed: run make setup")
	}
	return string(axe)
}

// serious lists the serious and critical violations of the page as it stands.
func (p *page) serious(axe string) []string { p.t.Helper(); return p.broken(axe, "") }

// formed lists what serious does but for the contrast, which takes most of the time.
func (p *page) formed(axe string) []string {
	p.t.Helper()
	return p.broken(axe, ", rules: {'color-contrast': {enabled: false}}")
}

// faint lists what cannot be read for lack of contrast: all of what another theme
// can change.
func (p *page) faint(axe string) []string {
	p.t.Helper()
	return p.broken(axe, ", runOnly: ['color-contrast']")
}

func (p *page) broken(axe, rules string) (out []string) {
	p.t.Helper()
	p.calm()
	if !eval[bool](p, "'axe' in window") {
		eval[bool](p, axe+";true")
	}
	raw := eval[string](p, `axe.run(document, {preload: false, resultTypes: ['violations']`+rules+`}).then(r => JSON.stringify(r.violations.filter(v => v.impact === 'serious' || v.impact === 'critical').map(v => v.id + ' at ' + v.nodes.slice(0, 4).map(n => n.target.join(' ') + ' ' + (n.any[0]?.message ?? '')).join('; '))))`)
	if err := json.Unmarshal([]byte(raw), &out); err != nil {
		p.t.Fatal(err)
	}
	return out
}

// choose changes the theme as another tab of the same device does: what is open
// stays open.
func (p *page) choose(theme string) {
	p.t.Helper()
	eval[bool](p, fmt.Sprintf(`(localStorage.setItem('warmanvil.theme', %[1]q),
		window.dispatchEvent(new StorageEvent('storage', {key: 'warmanvil.theme', newValue: %[1]q})))`, theme))
	p.wait("the theme "+theme, fmt.Sprintf(`document.documentElement.dataset.theme === %q`, theme))
}

// Every view in both themes and at three widths: the accessibility checker
// finds no serious violation, nothing runs off sideways, and the content
// policy stops nothing.
func TestEveryViewIsAccessible(t *testing.T) {
	axe := readAxe(t)
	a := startApp(t)
	if err := a.jobs.LoadDemoShop(t.Context()); err != nil {
		t.Fatal(err)
	}
	jobID, partID := a.demoPart(t, "Orchard truck", "Press foot")
	_, shelf := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	lorry, _ := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	_, outriggers := a.demoPart(t, "Orchard truck", "Underfloor outriggers")
	hives, deck := a.demoPart(t, "Hive trailer", "Hive deck frame")
	_, tray := a.demoPart(t, "Orchard truck", "Compressor tray")
	bodies, err := a.jobs.Bodies(t.Context(), lorry)
	if err != nil || len(bodies) != 1 {
		t.Fatal(err, bodies)
	}
	guard := bodies[0].ID
	frame := "/jobs/" + jobID + "/shape/frame/" + outriggers
	drawn := `document.querySelector('.body[data-ready]')`
	views := []struct {
		path, ready string
		press       []string // opens a drawer or a dialog before the check
	}{
		{"/jobs", `document.querySelector('.jobs')`, nil},
		{"/jobs", `document.querySelector('.jobs')`, []string{"New part"}},
		{"/jobs/" + jobID + "/measure", `document.querySelector('.brief')`, nil},
		{"/jobs/" + jobID + "/shape/" + partID, `document.querySelector('.shape')`, nil},
		{"/jobs/" + jobID + "/shape/" + partID, `document.querySelector('.shape')`, []string{"Add to Base", "Options of Front flange", "Bend allowance"}},
		{"/jobs/" + jobID + "/shape/" + partID, `document.querySelector('.shape')`, []string{"Sheet and tools", "Why Mass"}},
		{"/jobs/" + jobID + "/shape/" + partID, `document.querySelector('.shape')`, []string{"Split", "Add to Base", "Marks"}},
		{"/jobs/" + jobID + "/shape/new", `document.querySelector('.start')`, nil},
		{"/jobs/" + jobID + "/shape/new", `document.querySelector('.start')`, []string{"A drawing: DXF or SVG"}},
		{"/jobs/" + jobID + "/shape/new", `document.querySelector('.start')`, []string{"A part of mine"}},
		{"/jobs/" + jobID + "/shape/" + tray, `document.querySelector('.shape')`, []string{"Options of Base", "Options of Isolator bolts", "Bends"}},
		{"/jobs/" + lorry + "/shape/" + shelf, `document.querySelector('.shape')`, []string{"Bends", "r1"}},
		{"/jobs/" + jobID + "/hold", `document.querySelector('[data-suggestions] .one')`, []string{"Why Bolt in shear"}},
		{"/jobs/" + jobID + "/hold", `document.querySelector('[data-verdict]')`, []string{"Apple press"}},
		{"/jobs/" + jobID + "/measure/vehicle", `document.querySelector('[data-map]')`, []string{"Lashing eye, left", "8 holes"}},
		{"/jobs/" + jobID + "/measure/room", `document.querySelector('[data-clear]')`, []string{"Locker lid", "Tray bracket, left"}},
		{"/jobs/" + lorry + "/measure/room", `document.querySelector('#spaces')`, nil},
		{"/jobs/" + jobID + "/measure/tried", `document.querySelector('.trial')`, nil},
		{"/jobs/" + jobID + "/measure/fits", `document.querySelector('[data-stack] table')`, nil},
		{"/jobs/" + jobID + "/make", `document.querySelector('.release')`, []string{"Measure again for Compressor tray bracket"}},
		{frame, drawn, []string{"Front arm", "Rear root", "Front foot"}},
		{frame + "/loads", drawn, []string{"Somebody at the edge"}},
		{frame + "/cut", drawn, nil},
		{"/jobs/" + hives + "/shape/frame/" + deck + "/strength", drawn, []string{"4 flags", "Why stress"}},
		{"/jobs/" + hives + "/shape/frame", `document.querySelector('.start')`, nil},
		{"/jobs/" + hives + "/shape/body", `document.querySelector('.start')`, nil},
		{"/jobs/" + lorry + "/shape/body/" + guard, `document.querySelector('[data-blank]')`, []string{"Edge right", "Lower face"}},
		{"/jobs/" + hives + "/hold", `document.querySelector('.all table')`, nil},
		{"/jobs/" + jobID + "/hold", `document.querySelector('[data-verdict]')`, []string{"Duties"}},
		{"/jobs/" + lorry + "/hold", `[...document.querySelectorAll('button')].some(b => b.innerText.includes('Mass and balance'))`, []string{"Mass and balance"}},
		{"/jobs/" + lorry + "/measure", `document.querySelector('.brief')`, nil},
		{"/shop", `document.querySelectorAll('[data-machine]').length === 9`, nil},
		{"/quick/length", `document.querySelector('[data-way]')`, nil},
		{"/quick/schools", `document.querySelector('.answer table')`, nil},
		{"/quick/captive", `document.querySelector('[data-result]')`, nil},
		{"/quick/inserts", `document.querySelector('[data-result]')`, nil},
		{"/quick/bend", `document.querySelector('[data-result]')`, nil},
		{"/quick/section", `document.querySelector('[data-result]')`, []string{"Keep in a job"}},
		{"/nowhere", `document.querySelector('h1')`, nil},
	}
	for _, size := range [][2]int64{{1280, 800}, {800, 1180}, {390, 844}} {
		t.Run(fmt.Sprintf("%d px", size[0]), func(t *testing.T) {
			t.Parallel()
			p := open(t, a, size[0], size[1])
			p.unmoved() // a dialog looked at while it fades in has no colours of its own yet
			for _, v := range views {
				p.goTo(v.path)
				p.wait(v.path, v.ready)
				for _, name := range v.press {
					p.press(name)
				}
				found := p.serious
				if size[0] == 800 {
					found = p.formed // a tablet shows what a desk shows, in its colours
				}
				for _, f := range found(axe) {
					t.Errorf("%s %v: %s", v.path, v.press, f)
				}
				if n := eval[int](p, `document.querySelectorAll('h1').length`); n != 1 {
					t.Errorf("%s %v: %d first headings", v.path, v.press, n)
				}
				if over := eval[int](p, `document.querySelector('#bench').scrollWidth - document.querySelector('#bench').clientWidth`); over > 1 {
					t.Errorf("%s %v: runs %d px off sideways", v.path, v.press, over)
				}
				if size[0] != 1280 {
					continue // the shed's colours are the same at every width
				}
				p.choose("shed")
				for _, f := range p.faint(axe) {
					t.Errorf("in the shed, %s %v: %s", v.path, v.press, f)
				}
				p.choose("day")
			}
		})
	}
}
