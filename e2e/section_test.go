package e2e

import (
	"bytes"
	"image/color"
	"image/png"
	"os"
	"strconv"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// The tray cut through: a flange's length and angle are tapped on the section
// and typed over; the section follows what is chosen.
func TestSectionTypedOver(t *testing.T) {
	a := startApp(t)
	jobID, partID := a.demoPart(t, "Orchard truck", "Compressor tray")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/shape/" + partID)
	p.drawn()
	p.press("section")
	p.wait("the section", `document.querySelector('[data-testid=section] [data-size]')`)
	length := eval[string](p, `[...document.querySelectorAll('[data-testid=section] [data-size]')].map(x => x.dataset.size).find(x => x.endsWith('/length') && x.includes('/flanges/'))`)
	p.do(chromedp.Click(chromedp.CSS(`[data-size="` + length + `"] rect`)))
	p.wait("its field", `document.querySelector('[data-path="`+length+`"].here')`)
	p.keys("52" + kb.Enter)
	p.wait("the new length on the section", `document.querySelector('[data-size="`+length+`"]')?.textContent.includes('52.0')`)
	angle := strings.TrimSuffix(length, "/length") + "/angle"
	p.do(chromedp.Click(chromedp.CSS(`[data-size="` + angle + `"] rect`)))
	p.keys("80" + kb.Enter)
	p.wait("the new angle", `document.querySelector('[data-size="`+angle+`"]')?.textContent.includes('80°')`)
	p.saved()
	// A size of a flange the section does not cut brings the section that does.
	left := eval[string](p, `(() => { const shown = new Set([...document.querySelectorAll('[data-testid=section] [data-size]')].map(x => x.dataset.size)); return [...document.querySelectorAll('[data-path$="/length"]')].map(x => x.dataset.path).find(x => x.includes('/flanges/') && !shown.has(x)) })()`)
	p.do(chromedp.Click(chromedp.CSS(`[data-path="` + left + `"]`)))
	p.wait("the other section", `document.querySelector('[data-size="`+left+`"]')`)
	// One panel alone shows the sizes of its holes too.
	p.do(chromedp.Click(chromedp.CSS(`[data-path="/base/holes/0/x/distance"]`)))
	p.press("one panel")
	p.wait("a hole's place drawn", `[...document.querySelectorAll('[data-testid=flat] .dim title')].some(x => x.textContent.includes('From the left'))`)
}

// Holes of one group: named, folded away, copied with ids of their own, renamed
// and removed together, and all of it undone.
func TestGroups(t *testing.T) {
	a := startApp(t)
	jobID, partID := a.demoPart(t, "Orchard truck", "Compressor tray")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/shape/" + partID)
	p.drawn()
	holes := func() int { return eval[int](p, `document.querySelectorAll('[data-testid=flat] .hole').length`) }
	was := holes()
	join := func(feature, group string) {
		p.press("Options of " + feature)
		p.wait("the group's field", `[...document.querySelectorAll('label')].some(l => l.innerText === 'In the group')`)
		eval[bool](p, `(() => { const l = [...document.querySelectorAll('label')].find(l => l.innerText === 'In the group'); document.getElementById(l.htmlFor).focus(); return true })()`)
		p.keys(group + kb.Tab)
		p.wait("the group", `document.querySelector('[data-group="`+group+`"]')`)
		p.press("Options of " + feature)
	}
	join("Drain pair 1 on base", "Feet")
	join("Isolator bolts", "Feet")
	p.wait("both in the group", `document.querySelector('[data-group="Feet"] .num').innerText === '2'`)
	p.press("Group Feet")
	p.wait("the sizes folded away", `!document.querySelector('[data-path="/base/holes/0/x/distance"]')`)
	// What is tapped on the drawing is shown again.
	eval[bool](p, `(document.querySelector('[data-testid=flat] .hole').dispatchEvent(new MouseEvent('click', {bubbles: true})), true)`)
	p.wait("the group open", `document.querySelector('[data-path="/base/holes/0/x/distance"]')`)
	p.press("Copy group Feet")
	p.wait("the copies", `document.querySelector('[data-group="Feet (copy)"]') && document.querySelectorAll('[data-testid=flat] .hole').length === `+strconv.Itoa(2*was))
	eval[bool](p, `(document.querySelector('[aria-label="Name of the group Feet (copy)"]').select(), true)`)
	p.keys("Lid" + kb.Enter)
	p.wait("the new name", `document.querySelector('[data-group="Lid"]')`)
	p.saved()
	p.press("Remove group Lid")
	p.wait("as many holes as before", `document.querySelectorAll('[data-testid=flat] .hole').length === `+strconv.Itoa(was))
	p.saved()
	p.press("Undo")
	p.wait("the group back", `document.querySelector('[data-group="Lid"]')`)
}

// Every view can be taken along as a picture: drawings and the folded body.
func TestPictures(t *testing.T) {
	a := startApp(t)
	jobID, partID := a.demoPart(t, "Orchard truck", "Compressor tray")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/shape/" + partID)
	p.drawn()
	for _, c := range []struct{ look, name, file string }{
		{"whole", "Compressor tray flat", "compressor-tray-flat.png"},
		{"section", "Compressor tray section", "compressor-tray-section.png"},
		{"whole", "Compressor tray folded", "compressor-tray-folded.png"},
	} {
		p.press(c.look)
		p.press("Picture of " + c.name)
		name, data := p.download(c.file)
		img, err := png.Decode(bytes.NewReader(data))
		if err != nil || name != c.file {
			t.Fatalf("%s: %v", name, err)
		}
		// Something is drawn: more than one colour, and writing or metal among it.
		colours := map[color.Color]int{}
		box := img.Bounds()
		for y := box.Min.Y; y < box.Max.Y; y += 3 {
			for x := box.Min.X; x < box.Max.X; x += 3 {
				colours[img.At(x, y)]++
			}
		}
		if box.Dx() < 600 || box.Dy() < 400 || len(colours) < 8 {
			t.Errorf("%s is %d × %d in %d colours", name, box.Dx(), box.Dy(), len(colours))
		}
		if keep := os.Getenv("WARMANVIL_KEEP"); keep != "" {
			_ = os.WriteFile(keep+"/"+name, data, 0o600)
		}
	}
}
