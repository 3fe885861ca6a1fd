package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// drawnWhole waits until the whole job is drawn.
func (p *page) drawnWhole() {
	p.t.Helper()
	p.wait("the whole job", `document.querySelector('[data-took]')`)
}

// The whole job in one picture on three benches: turned by keys, in the states of the vehicle,
// each thing tapped in the picture or in the list leads to it; names never lie over each
// other; saved as SVG it stands by itself.
func TestWholeJob(t *testing.T) {
	a := startApp(t)
	jobID, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/measure/room")
	p.drawnWhole()
	names := func() string {
		return eval[string](p, `[...document.querySelectorAll('.whole svg text')].map(e => e.textContent.trim().slice(0, 12) + e.getAttribute('x')).join('|')`)
	}
	before := names()
	for _, side := range []string{"above", "right side", "front", "corner"} {
		p.press(side)
		p.wait("another side", `document.querySelector('.whole svg text')`)
		apart := `(() => {
			const boxes = [...document.querySelectorAll('.whole svg text')].map(e => [e, e.getBoundingClientRect()])
			return boxes.flatMap(([a, x], i) => boxes.slice(i + 1).filter(([, y]) => x.x < y.right && y.x < x.right && x.y < y.bottom - 2 && y.y < x.bottom - 2).map(([b]) => a.textContent.trim() + ' and ' + b.textContent.trim())).join('; ')
		})()`
		if over := eval[string](p, apart); over != "" {
			t.Errorf("seen from %s, names lie over each other: %s", side, over)
		}
	}
	p.do(chromedp.Focus(chromedp.CSS(`.whole [role=application]`)))
	p.do(chromedp.KeyEvent(kb.ArrowRight))
	p.wait("it turned", fmt.Sprintf(`[...document.querySelectorAll('.whole svg text')].length && %q !== [...document.querySelectorAll('.whole svg text')].map(e => e.textContent.trim().slice(0, 12) + e.getAttribute('x')).join('|')`, before))
	p.press("Save the drawing for print (SVG)")
	name, data := p.download(".svg")
	text := string(data)
	if !strings.HasPrefix(text, "<svg") || strings.Count(text, "<path") < 200 || !strings.Contains(text, ">Apple press<") {
		t.Errorf("%s holds %d bytes, %d paths", name, len(data), strings.Count(text, "<path"))
	}
	p.press("What stands here")
	eval[bool](p, `([...document.querySelectorAll('.whole .list button')].find(b => b.innerText.startsWith('Juice tank')).click(), true)`)
	p.wait("the spaces", `location.hash === '#spaces'`)

	p.goTo("/jobs/" + jobID + "/make")
	p.drawnWhole()
	p.press("What stands here")
	if open := eval[int](p, `[...document.querySelectorAll('.whole .list li')].filter(l => l.innerText.includes('open')).length`); open < 2 {
		t.Errorf("%d things are said to be open", open)
	}
	// In the picture: a tap on the large press leads to the devices of the brief.
	p.press("corner")
	spot := eval[[]float64](p, `(() => { const host = document.querySelector(".whole [role=application]"); host.scrollIntoView({block: "center"}); const r = host.getBoundingClientRect(); return [r.x + r.width * .56, r.y + r.height * .4] })()`)
	p.do(chromedp.MouseEvent(chromedp.MouseMoved, spot[0], spot[1]))
	p.see("Apple press")
	p.do(chromedp.MouseClickXY(spot[0], spot[1]))
	p.wait("the devices", `location.pathname.endsWith('/measure') && location.hash === '#devices'`)

	p.goTo("/jobs/" + jobID + "/hold")
	p.press("Load path")
	p.drawnWhole()
	if n := eval[int](p, `document.querySelectorAll('.whole .force').length`); n < 4 {
		t.Errorf("%d forces are drawn on the bodies", n)
	}
	p.tap(`.whole text.joint`)
	p.wait("the joint", `document.querySelector('[data-verdict]') || document.querySelector('h1')?.innerText.includes('Press')`)
}

// How long the page itself takes to draw the whole job, without graphics hardware: first
// put together, then from another side.
func BenchmarkWholeDrawn(b *testing.B) {
	a := startApp(b)
	jobID, _ := a.demoPart(b, "Orchard truck", "Press foot")
	p := open(b, a, 1280, 800)
	first, turned, n := 0., 0., 0.
	took := func() float64 {
		return float64(eval[int](p, `Number(document.querySelector('[data-took]').dataset.took)`))
	}
	for b.Loop() {
		p.goTo("/jobs/" + jobID + "/measure/room")
		p.drawnWhole()
		first += took()
		p.press("front")
		p.calm()
		turned += took()
		n++
	}
	b.ReportMetric(first/n, "ms-first")
	b.ReportMetric(turned/n, "ms-turned")
}
