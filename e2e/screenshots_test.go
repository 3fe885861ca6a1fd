package e2e

import (
	"os"
	"path/filepath"
	"testing"
	"time"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// TestScreenshots makes the pictures of docs/screenshots from the demo jobs.
// It runs only when WARMANVIL_SCREENSHOTS names a folder.
func TestScreenshots(t *testing.T) {
	dir := os.Getenv("WARMANVIL_SCREENSHOTS")
	if dir == "" {
		t.Skip("WARMANVIL_SCREENSHOTS names no folder")
	}
	if err := os.MkdirAll(dir, 0o755); err != nil {
		t.Fatal(err)
	}
	a := startApp(t)
	truck, foot := a.demoPart(t, "Orchard truck", "Press foot")
	_, tray := a.demoPart(t, "Orchard truck", "Compressor tray")
	_, funnel := a.demoPart(t, "Orchard truck", "Juice funnel")
	_, outriggers := a.demoPart(t, "Orchard truck", "Underfloor outriggers")
	desk := open(t, a, 1280, 800)
	tablet := open(t, a, 800, 1180)
	owner := open(t, startShared(t), 1280, 800)
	theme := func(p *page, name string) {
		p.goTo("/jobs")
		eval[bool](p, `(localStorage.setItem('warmanvil.theme', '`+name+`'), true)`)
	}
	shape := func(job, part string, then ...func(*page)) func(*page) {
		return func(p *page) {
			p.goTo("/jobs/" + job + "/shape/" + part)
			p.wait("the bench", `document.querySelector('.shape')`)
			if eval[bool](p, `innerWidth > 1000`) {
				p.drawn()
			}
			for _, f := range then {
				f(p)
			}
		}
	}
	press := func(names ...string) func(*page) {
		return func(p *page) {
			for _, n := range names {
				p.press(n)
			}
		}
	}
	frame := func(job, id, sheet string, names ...string) func(*page) {
		return func(p *page) {
			p.goTo("/jobs/" + job + "/shape/frame/" + id + sheet)
			p.wait("the frame", `document.querySelector('.body[data-ready]')`)
			press(names...)(p)
		}
	}
	for _, s := range []struct {
		name, theme string
		on          *page
		do          func(*page)
	}{
		{"jobs", "day", desk, func(p *page) { p.goTo("/jobs"); p.see("Orchard truck") }},
		{"measure-brief", "day", desk, func(p *page) { p.goTo("/jobs/" + truck + "/measure"); p.see("Kept numbers") }},
		{"shape-day-mm", "day", desk, shape(truck, foot)},
		{"hold-welded", "shed", desk, func(p *page) {
			p.goTo("/jobs/" + truck + "/hold")
			p.wait("the list", `document.querySelector('.list .pick')`)
			p.press("Tank saddle on the outrigger")
			p.verdict("holds")
			p.wait("its drawing", `document.querySelector('[data-seam-drawing]')`)
		}},
		{"frame-build", "day", desk, frame(truck, outriggers, "", "Front arm")},
		{"bodies-shed", "shed", desk, func(p *page) {
			list, err := a.jobs.Bodies(t.Context(), truck)
			if err != nil || len(list) != 1 {
				t.Fatal(err, list)
			}
			p.goTo("/jobs/" + truck + "/shape/body/" + list[0].ID)
			p.wait("its blanks", `document.querySelector('[data-blank]')`)
		}},
		{"shop", "day", desk, func(p *page) {
			if err := a.jobs.LoadDemoShop(t.Context()); err != nil {
				t.Fatal(err)
			}
			p.goTo("/shop")
			p.wait("its machines", `document.querySelectorAll('[data-machine]').length > 5`)
			eval[bool](p, `(document.querySelectorAll('[data-machine]')[0].scrollIntoView({block: 'center'}), true)`)
		}},
		{"shape-tablet", "day", tablet, shape(truck, funnel)},
		{"hold-day", "day", desk, func(p *page) {
			p.goTo("/jobs/" + truck + "/hold")
			p.wait("suggestions", `document.querySelector('[data-suggestions] .one')`)
		}},
		{"shop-stock", "day", desk, func(p *page) {
			p.goTo("/shop/stock")
			p.wait("what lies there", `document.querySelectorAll('.lines > li').length > 5`)
		}},
		{"shape-bending", "day", desk, shape(truck, tray, press("Bends", "Watch it bend"), func(p *page) {
			p.wait("the keys to go there", `document.activeElement?.classList.contains('play')`)
			p.keys(kb.ArrowDown + kb.ArrowDown)
			for range 24 {
				p.keys(kb.ArrowRight)
			}
		})},
		{"measure-maps", "day", desk, func(p *page) {
			p.goTo("/jobs/" + truck + "/measure/vehicle")
			p.wait("the maps", `document.querySelector('[data-map]')`)
			p.press("Hole maps")
		}},
		{"measure-room", "day", desk, func(p *page) {
			p.goTo("/jobs/" + truck + "/measure/room")
			p.wait("the clearances", `document.querySelector('[data-clear]')`)
		}},
		{"measure-fits", "day", tablet, func(p *page) {
			p.goTo("/jobs/" + truck + "/measure/fits")
			p.wait("the stacks", `document.querySelector('[data-stack] table')`)
		}},
		{"hold-path", "day", desk, func(p *page) {
			p.goTo("/jobs/" + truck + "/hold")
			p.press("Load path")
			p.see("The vehicle gets, all together")
		}},
		{"make-files", "day", desk, func(p *page) { p.goTo("/jobs/" + truck + "/make"); p.see("Paper template") }},
		{"quick-schools", "day", desk, func(p *page) { p.goTo("/quick/schools"); p.see("DIN 6935") }},
		{"people", "day", owner, func(p *page) {
			p.makeOwner()
			p.goTo("/people")
			p.press("Pair a tablet")
			p.wait("the code", `document.querySelector('[data-code]')`)
		}},
		{"hold-joint", "shed", desk, func(p *page) {
			p.goTo("/jobs/" + truck + "/hold")
			p.press("Press foot on floor and outrigger")
			p.wait("how tight", `document.querySelector('[data-torque]')`)
		}},
	} {
		theme(s.on, s.theme)
		s.do(s.on)
		s.on.do(chromedp.Sleep(600 * time.Millisecond)) // fonts and the body's last frame
		s.on.shot(filepath.Join(dir, s.name+".png"))
	}
}
