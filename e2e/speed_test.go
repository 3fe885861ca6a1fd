package e2e

import (
	"fmt"
	"sort"
	"strconv"
	"strings"
	"testing"
	"time"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"warmanvil/core/sheet"

	"warmanvil/job"
)

// BenchmarkKeyToDrawing measures, in the browser, the time from a key press in
// the size field to the flat pattern redrawn on the next frame.
func BenchmarkKeyToDrawing(b *testing.B) {
	a := startApp(b)
	jobID, partID := a.demoPart(b, "Orchard truck", "Press foot")
	b.Run("demo", func(b *testing.B) { a.keyToDrawing(b, jobID, partID) })
	large, err := a.jobs.CreatePart(b.Context(), jobID, job.PartState{Name: "Load tray", Quantity: 1, Recipe: wholeTray()})
	if err != nil {
		b.Fatal(err)
	}
	b.Run("40bends200holes", func(b *testing.B) { a.keyToDrawing(b, jobID, large.ID) })
	_, funnel := a.demoPart(b, "Orchard truck", "Juice funnel")
	b.Run("round", func(b *testing.B) { a.keyToDrawing(b, jobID, funnel, "/base/shape/round/transition/height") })
	b.Run("body", func(b *testing.B) { a.keyToBody(b, jobID) })
}

// keyToBody measures the time from a key press in the field of a body's point to its figures anew.
func (a app) keyToBody(b *testing.B, jobID string) {
	list, err := a.jobs.Bodies(b.Context(), jobID)
	if err != nil || len(list) == 0 {
		b.Fatal(err)
	}
	p := open(b, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/shape/body/" + list[0].ID)
	p.wait("the body", `document.querySelector('[data-figure=mass]')`)
	eval[bool](p, `([...document.querySelectorAll('.pick')].find(x => x.innerText.includes('Mouth front right')).click(), true)`)
	p.wait("its point", `[...document.querySelectorAll('.shown label')].some(x => x.innerText.startsWith('Up'))`)
	p.hand(".shown", "Up")
	a.timed(b, p, `document.querySelector('.under')`, `{ subtree: true, characterData: true, childList: true }`)
}

// wholeTray has 40 bends and 200 holes: 20 flanges along two edges, each with a
// lip and five holes, and a grid.
func wholeTray() sheet.Recipe {
	k := .42
	r := sheet.Recipe{Schema: 1, Material: "steel-a36", Thickness: 3, Process: "laser", Base: sheet.Base{ID: "base", Length: 1600, Width: 600}}
	r.Tool.Kind, r.Bend.School, r.Bend.Method, r.Bend.K = "vdie", "fixed", "air", &k
	hole := func(id string, x float64, e sheet.Edge, y, d float64) sheet.Hole {
		return sheet.Hole{ID: id, Kind: sheet.RoundHole, Diameter: d, X: sheet.Offset{Edge: sheet.Left, Distance: x},
			Y: sheet.Offset{Edge: e, Distance: y}}
	}
	for i := range 20 {
		e, at := sheet.Front, float64(i%10)
		if i >= 10 {
			e = sheet.Back
		}
		f := sheet.Flange{ID: fmt.Sprint("f", i), Edge: e, Length: 50, Angle: 90, Up: true, InsideRadius: 3,
			SetIn: sheet.SetIn{Start: 30 + at*155, End: 1600 - 30 - at*155 - 120}}
		f.Flanges = []sheet.Flange{{ID: fmt.Sprint("l", i), Edge: e, Length: 25, Angle: 90, Up: true, InsideRadius: 3}}
		for k := range 5 {
			f.Holes = append(f.Holes, hole(fmt.Sprintf("h%d-%d", i, k), 15+float64(k)*22, e, 22, 6))
		}
		r.Base.Flanges = append(r.Base.Flanges, f)
	}
	grid := hole("grid", 60, sheet.Front, 60, 9)
	grid.Pattern = &sheet.Pattern{Kind: sheet.GridPattern, Columns: 20, Rows: 5, PitchX: 75, PitchY: 100}
	r.Base.Holes = []sheet.Hole{grid}
	return r
}

func (a app) keyToDrawing(b *testing.B, jobID, partID string, size ...string) {
	p := open(b, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/shape/" + partID)
	p.drawn()
	path := strings.Join(append(size, "/base/length")[:1], "")
	p.do(chromedp.Click(chromedp.CSS(`[data-path="` + path + `"]`)))
	a.timed(b, p, `document.querySelector('[data-testid=flat]')`, `{ attributes: true, attributeFilter: ['data-blank'] }`)
}

// timed presses a key up and down and takes the time until a node changes, on the next frame.
func (a app) timed(b *testing.B, p *page, node, changes string) {
	eval[bool](p, `(() => {
		window.taken = []
		let pressed = 0
		addEventListener('keydown', () => (pressed = performance.now()), true)
		new MutationObserver(() => { const at = pressed; requestAnimationFrame(() => taken.push(performance.now() - at)) })
			.observe(`+node+`, `+changes+`)
		return true
	})()`)
	for i := 0; b.Loop(); i++ {
		key := kb.ArrowUp // one grain more, one less: the part stays what it is
		if i%2 == 1 {
			key = kb.ArrowDown
		}
		p.do(chromedp.Sleep(120 * time.Millisecond)) // a fast hand, and the body is drawn meanwhile
		before := eval[int](p, `taken.length`)
		p.do(chromedp.KeyEvent(key))
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
