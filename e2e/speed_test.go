package e2e

import (
	"sort"
	"strconv"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// BenchmarkKeyToDrawing measures, in the browser, the time from a key press in
// the size field to the flat pattern redrawn on the next frame.
func BenchmarkKeyToDrawing(b *testing.B) {
	a := startApp(b)
	jobID, partID := a.demoPart(b, "Orchard truck", "Press foot")
	p := open(b, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/shape/" + partID)
	p.drawn()
	p.do(chromedp.Click(chromedp.CSS(`[data-path="/base/length"]`)))
	eval[bool](p, `(() => {
		window.taken = []
		let pressed = 0
		addEventListener('keydown', () => (pressed = performance.now()), true)
		new MutationObserver(() => { const at = pressed; requestAnimationFrame(() => taken.push(performance.now() - at)) })
			.observe(document.querySelector('[data-testid=flat]'), { attributes: true, attributeFilter: ['data-blank'] })
		return true
	})()`)
	for b.Loop() {
		before := eval[int](p, `taken.length`)
		p.do(chromedp.KeyEvent(kb.ArrowUp)) // one grain more
		p.wait("the drawing", `taken.length > `+strconv.Itoa(before))
	}
	all := eval[[]float64](p, `taken`)
	sort.Float64s(all)
	b.ReportMetric(all[len(all)/2], "p50-ms")
	b.ReportMetric(all[min(len(all)*95/100, len(all)-1)], "p95-ms")
}

// The first screen stays light: script, fonts, and no 3D before a view needs it.
func TestFirstScreenIsLight(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/jobs")
	p.see("Orchard truck")
	type file struct {
		Name string
		Size int
	}
	weigh := func() (script, fonts int, three bool) {
		for _, f := range eval[[]file](p, `performance.getEntriesByType('resource').map(r => ({Name: r.name, Size: r.encodedBodySize}))`) {
			switch {
			case strings.HasSuffix(f.Name, ".js"):
				script += f.Size
				three = three || strings.Contains(f.Name, "/three-")
			case strings.HasSuffix(f.Name, ".woff2"):
				fonts += f.Size
			}
		}
		return script, fonts, three
	}
	script, fonts, three := weigh()
	t.Logf("first screen: %d B gzip of script, %d B of fonts", script, fonts)
	if script == 0 || script > 300_000 || fonts > 120_000 || three {
		t.Errorf("first screen: %d B of script, %d B of fonts, 3D loaded: %v", script, fonts, three)
	}
	jobID, partID := a.demoPart(t, "Orchard truck", "Press foot")
	p.goTo("/jobs/" + jobID + "/shape/" + partID)
	p.drawn()
	if _, _, three := weigh(); !three {
		t.Error("the shape bench has no 3D")
	}
}
