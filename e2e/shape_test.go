package e2e

import (
	"bytes"
	"context"
	"os"
	"os/exec"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"warmanvil/core/sheet"
	"warmanvil/job"
)

// From nothing to a file that cuts: a new part, a flange that is too short, the
// flag and its fix, a hole, the drawing fetched and read back, and all of it
// still there after a reload.
func TestNewPartToDXF(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/jobs")
	p.press("New part")
	p.wait("the dialog", `document.querySelector('[role=dialog]')`)
	p.press("Start")
	p.press("Plain plate")
	p.wait("a name", `[...document.querySelectorAll('.start input')].some(x => x.value === 'Plate')`)
	p.set(".start", "Its name", "Lamp bracket")
	p.press("Start the part")
	p.drawn()
	p.size("/base/length", "120")
	p.size("/base/width", "2 3/4 in") // another unit is understood: 69.85 mm
	p.press("Add to Base")
	p.press("front")
	p.press("Flange up")
	p.wait("the new flange's length", `document.querySelector('[data-path="/base/flanges/0/length"].here')`)
	p.size("/base/flanges/0/length", "11")
	p.wait("the flag", `document.querySelector('[data-code=flange-short]')`)
	if n := eval[string](p, `document.querySelector('.rail .count')?.innerText`); n != "1" {
		t.Errorf("the rail counts %q stops", n)
	}
	p.press("Make it")
	p.wait("the flag to clear", `!document.querySelector('[data-code=flange-short]')`)
	p.size("/base/flanges/0/length", "40")
	p.press("Add to Front flange")
	p.press("Holes")
	p.press("Hole")
	p.wait("the new hole", `document.querySelector('[data-path="/base/flanges/0/holes/0/diameter"].here')`)
	p.size("/base/flanges/0/holes/0/diameter", "9")
	p.saved()
	blank := eval[string](p, `document.querySelector('[data-figure=blankY] .num').innerText`)
	before := eval[string](p, `document.querySelector('[data-testid=flat]').dataset.blank`)
	p.do(chromedp.Reload())
	p.drawn()
	if after := eval[string](p, `document.querySelector('[data-testid=flat]').dataset.blank`); after != before {
		t.Errorf("after a reload the blank is %s, it was %s", after, before)
	}
	p.press("Make")
	p.press("DXF of Lamp bracket")
	p.see("The files of Lamp bracket are held back")
	p.setAside("Lamp bracket", "a lamp on a loose strap")
	p.press("DXF of Lamp bracket")
	name, data := p.download(".dxf")
	if !strings.HasPrefix(name, "orchard-truck_lamp-bracket_r") {
		t.Errorf("named %q", name)
	}
	// 69.85 + 40 − BD: R 4.5, T 3, K 0.43 (chart, R/T 1.5): OSSB 7.5, BA 9.0949.
	out := measure(t, data)
	if !strings.Contains(out, "errors 0 units 4 size 120.00 x 103.94 circles 1 r 4.50 bends 1") {
		t.Errorf("read back: %s (the bench says %s)", out, blank)
	}
}

// measure reads a drawing with an independent library.
func measure(t *testing.T, data []byte) string {
	t.Helper()
	file := filepath.Join(t.TempDir(), "part.dxf")
	if err := os.WriteFile(file, data, 0o600); err != nil {
		t.Fatal(err)
	}
	script := `
import sys, ezdxf
from ezdxf import bbox
d = ezdxf.readfile(sys.argv[1]); m = d.modelspace(); b = bbox.extents(m.query('LWPOLYLINE[layer=="CUT"]'))
c = m.query('CIRCLE[layer=="CUT"]')
print("errors", len(d.audit().errors), "units", d.header["$INSUNITS"], "size %.2f x %.2f" % (b.size.x, b.size.y), "circles", len(c), "r %.2f" % c[0].dxf.radius, "bends", len(m.query('LINE[layer=="BEND_UP"]')))`
	out, err := exec.Command("/usr/bin/python3", "-c", script, file).CombinedOutput()
	if err != nil {
		t.Fatalf("%v: %s", err, out)
	}
	return string(out)
}

// The whole way by keyboard: no mouse event is sent.
func TestKeyboardOnly(t *testing.T) {
	a := startApp(t)
	truck, _ := a.demoPart(t, "Orchard truck", "Press foot")
	a.settle(t, truck)
	p := open(t, a, 1280, 800)
	p.goTo("/jobs")
	p.see("Orchard truck")
	tab := func(to string) {
		t.Helper()
		for range 120 {
			p.keys(kb.Tab)
			if eval[bool](p, `document.activeElement?.matches(`+"`"+to+"`"+`) ?? false`) {
				return
			}
		}
		t.Fatalf("Tab never reaches %s%s", to, p.state())
	}
	tab(`.starts .press`) // New part
	p.keys(kb.Enter)
	p.wait("the dialog", `document.querySelector('[role=dialog]')?.contains(document.activeElement)`)
	tab(`[role=dialog] .press.main`)
	p.keys(kb.Enter)
	p.wait("the pictures", `document.activeElement?.name === 'starter'`)
	p.keys(kb.ArrowUp)
	p.wait("the plate", `document.querySelector('.start h2')?.innerText === 'Plain plate'`)
	tab(`.start .n-input input`)
	p.do(chromedp.KeyEvent("a", chromedp.KeyModifiers(chromedp.ModifierCtrl)))
	p.keys("Key bracket" + kb.Enter)
	p.drawn()
	tab(`[data-path="/base/length"]`)
	p.keys(kb.Enter)
	p.wait("the field", `document.activeElement?.tagName === 'INPUT'`)
	p.keys("140" + kb.Enter) // Enter goes on to the width
	p.wait("the width", `document.querySelector('.bar strong')?.innerText === 'Width' && document.activeElement?.tagName === 'INPUT'`)
	p.keys("90" + kb.Enter)
	p.wait("the base", `document.querySelector('[data-testid=flat]').dataset.blank === '140x90'`)
	p.do(chromedp.KeyEvent(kb.ArrowUp)) // steps by the job's grain
	p.keys(kb.ArrowDown)
	eval[bool](p, `(document.querySelector("#bench").focus(), true)`)
	tab(named("Add to Base"))
	p.keys(kb.Enter)
	tab(`.add .edges .press`)
	p.keys(kb.Enter)
	for i := 0; i < 8 && !eval[bool](p, `document.activeElement.innerText.trim() === 'Flange up'`); i++ {
		p.keys(kb.Tab)
	}
	p.keys(kb.Enter)
	p.wait("the flange's length in hand", `document.querySelector('.bar strong')?.innerText === 'Length' && document.querySelector('.bar .soft')?.innerText.startsWith('Front flange') && document.activeElement?.tagName === 'INPUT'`)
	p.keys("50" + kb.Enter)
	p.wait("the flange", `document.querySelector('[data-path="/base/flanges/0/length"] .num')?.innerText === '50.0 mm'`)
	p.saved()
	p.do(chromedp.KeyEvent("z", chromedp.KeyModifiers(chromedp.ModifierCtrl)))
	p.wait("undo", `document.querySelector('[data-path="/base/flanges/0/length"] .num')?.innerText !== '50.0 mm'`)
	p.saved()
	p.do(chromedp.KeyEvent("4", chromedp.KeyModifiers(chromedp.ModifierAlt)))
	p.see("Files and paper")
	tab(`.release button`)
	p.keys(kb.Enter)
	tab(`[data-aside] input`)
	p.keys("a first try" + kb.Tab)
	p.wait("the reason to be kept", `document.querySelector('.release')?.dataset.release === 'true'`)
	tab(`[data-file=csv]`)
	p.keys(kb.Enter)
	if name, data := p.download(".csv"); !bytes.HasPrefix(data, []byte("job,part")) {
		t.Errorf("%s: %.60q", name, data)
	}
}

// Two people on one part: what they changed apart is joined and told, what they both
// changed is chosen with both drawn; nothing is lost.
func TestTwoOnOnePart(t *testing.T) {
	a := startApp(t)
	jobID, partID := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/shape/" + partID)
	p.drawn()
	ctx := t.Context()
	elsewhere := func(change func(b *sheet.Base)) {
		t.Helper()
		now, err := a.jobs.Part(ctx, partID)
		if err != nil {
			t.Fatal(err)
		}
		state := now.State()
		change(&state.Recipe.Base)
		if _, err := a.jobs.SavePart(ctx, partID, job.On{Revision: now.Revision}, state); err != nil {
			t.Fatal(err)
		}
	}
	elsewhere(func(b *sheet.Base) { b.Length = 66 })
	p.size("/base/width", "190")
	p.see("Joined with what somebody else changed meanwhile: Base: length 66.0 mm.")
	p.wait("their length", `document.querySelector('[data-path="/base/length"] .num')?.innerText === '66.0 mm'`)
	p.wait("my width", `document.querySelector('[data-path="/base/width"] .num')?.innerText === '190.0 mm'`)
	p.saved()
	elsewhere(func(b *sheet.Base) { b.Width = 170 })
	p.size("/base/width", "195")
	p.see("Two versions")
	p.wait("both", `(t => t.includes('195.0 mm') && t.includes('170.0 mm') && t.includes('Base, width'))(document.querySelector('[role=dialog]').innerText) && document.querySelector('[role=dialog] svg')`)
	p.press("Join like this")
	p.saved()
	now, err := a.jobs.Part(ctx, partID)
	if err != nil || now.Recipe.Base.Width != 195 || now.Recipe.Base.Length != 66 {
		t.Errorf("%g × %g, %v", now.Recipe.Base.Length, now.Recipe.Base.Width, err)
	}
	list, err := a.jobs.Store.Revisions(ctx, partID)
	if err != nil || !slices.ContainsFunc(list, func(r job.Revision) bool { return strings.Contains(string(r.Body), `"width": 170`) }) {
		t.Errorf("theirs is no revision (%v)", err)
	}
}

// Nonsense is refused beside the field, in words, and stays typed.
func TestFieldRefusesAndKeeps(t *testing.T) {
	a := startApp(t)
	jobID, partID := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/shape/" + partID)
	p.drawn()
	p.size("/base/length", "16 - 1/2")
	// Where reading takes long the hand goes on: then the size is marked, and says why when it
	// is come back to.
	p.wait("the mark in the list", `document.querySelector('[data-path="/base/length"]').innerText.toLowerCase().includes('not read')`)
	p.tap(`[data-path="/base/length"]`)
	p.see("two readings")
	if v := eval[string](p, `document.querySelector('.bar input').value`); v != "16 - 1/2" {
		t.Errorf("what was typed became %q", v)
	}
	// Half of the entry made sense while it was typed; it must not stand.
	p.wait("the length that stood before", `document.querySelector('[data-path="/base/length"] .num')?.innerText === '16 1/2"'`)
	if now, err := a.jobs.Part(context.Background(), partID); err != nil || now.Recipe.Base.Length != 16.5*25.4 {
		t.Errorf("a refused entry was saved as %v (%v)", now.Recipe.Base.Length, err)
	}
	p.do(chromedp.KeyEvent(kb.Escape))
	p.size("/base/length", "420mm")
	p.wait("the length in inches", `document.querySelector('[data-path="/base/length"] .num')?.innerText === '16.5354"'`)
	p.size("/base/length", "0")
	p.see("must be over 0")
	if n := eval[int](p, `document.querySelectorAll('[role=alert]').length`); n == 0 {
		t.Error("the refusal is not announced")
	}
	// Opened anew, the bench is there with what was saved last, and says why.
	p.wait("the save to be refused", `document.querySelector('.shape').dataset.save === 'not saved'`)
	p.do(chromedp.Reload())
	p.drawn()
	p.see("was refused and put aside")
}
