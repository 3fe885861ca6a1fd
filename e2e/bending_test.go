package e2e

import (
	"strconv"
	"strings"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"warmanvil/core/sheet"
	"warmanvil/job"
)

// The bends of a tray are played by the arrow keys alone, step by step as they are made; the
// table below has the same order, and the stop of the step is read large.
func TestBendsArePlayed(t *testing.T) {
	a := startApp(t)
	if err := a.jobs.LoadDemoShop(t.Context()); err != nil {
		t.Fatal(err)
	}
	truck, tray := a.demoPart(t, "Orchard truck", "Compressor tray")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + truck + "/shape/" + tray)
	p.drawn()
	p.press("Bends")
	p.see("4 steps on Long press")
	p.press("Watch it bend")
	p.wait("the keys to go there", `document.activeElement?.classList.contains('play')`)
	turn := func() int {
		n, err := strconv.Atoi(strings.TrimSuffix(eval[string](p, `document.querySelector('.play .turn').innerText`), "°"))
		if err != nil {
			t.Fatal(err)
		}
		return n
	}
	heading := func() string { return eval[string](p, `document.querySelector('.play h3').innerText`) }
	if turn() != 0 || !strings.HasPrefix(heading(), "1 of 4") {
		t.Fatalf("%d° at %s", turn(), heading())
	}
	first := eval[string](p, `document.querySelector('.play svg polygon.good').getAttribute('points')`)
	for range 10 {
		p.keys(kb.ArrowRight)
	}
	p.wait("it to be bent", `document.querySelector('.play .turn').innerText === '30°'`)
	if eval[string](p, `document.querySelector('.play svg polygon.good').getAttribute('points')`) == first {
		t.Error("the picture stands still")
	}
	for range 30 { // past the aim, springs back, and on to the next
		p.keys(kb.ArrowRight)
	}
	p.wait("the next step", `document.querySelector('.play h3').innerText.startsWith('2 of 4')`)
	p.keys(kb.End)
	p.wait("the last", `document.querySelector('.play h3').innerText.startsWith('4 of 4')`)
	if turn() != 90 {
		t.Errorf("at the end it is at %d°", turn())
	}
	last := strings.TrimPrefix(heading(), "4 of 4 · ")
	p.keys(kb.Escape)
	p.wait("it to close", `!document.querySelector('.play')`)
	rows := eval[[]string](p,
		`[...document.querySelectorAll('.bending tbody tr')].map(r => r.querySelector('.step').innerText + ' ' + r.querySelector('.name').innerText)`)
	if len(rows) != 4 || rows[3] != "4 "+last {
		t.Errorf("%q, last played %q", rows, last)
	}
}

// Sides as high as the punch cannot be bent on the last two edges: it is said where flags are,
// where the bends are, and in inches too; the way out leads to the split.
func TestWhatCannotBeBent(t *testing.T) {
	a := startApp(t)
	if err := a.jobs.LoadDemoShop(t.Context()); err != nil {
		t.Fatal(err)
	}
	lorry, shelf := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	part, err := a.jobs.Part(t.Context(), shelf)
	if err != nil {
		t.Fatal(err)
	}
	state := part.State()
	state.Recipe.Tool.Kind, state.Recipe.Tool.Opening = "vdie", 16
	for i := range state.Recipe.Base.Flanges {
		state.Recipe.Base.Flanges[i].Length = 9 * 25.4
		state.Recipe.Base.Flanges[i].Taper = sheet.SetIn{}
	}
	if _, err := a.jobs.SavePart(t.Context(), shelf, job.On{Revision: part.Revision}, state); err != nil {
		t.Fatal(err)
	}
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + lorry + "/shape/" + shelf)
	p.drawn()
	p.wait("the flag", `document.querySelector('[data-code=bend-order]')?.innerText.includes('On Long press')`)
	p.press("Bends")
	p.see("It cannot be bent as it stands on Long press.")
	p.see("Ways out:")
	if said := eval[string](p, `document.querySelector('.bending .caution').innerText`); strings.Contains(said, " mm") {
		t.Errorf("an inch job is told: %s", said)
	}
	p.press("Where to split it")
	p.wait("the split", `document.querySelector('[data-drawer=split]')`)
}
