package e2e

import (
	"context"
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

func (p *page) bench(job, part string) {
	p.t.Helper()
	p.goTo("/jobs/" + job + "/shape/" + part)
	p.drawn()
}

// shown answers a size as the list shows it.
func (p *page) shown(path string) string {
	return eval[string](p, fmt.Sprintf(`document.querySelector('[data-path=%q] .num')?.innerText ?? ''`, path))
}

// figure answers a figure of the part.
func (p *page) figure(key string) string {
	return eval[string](p, fmt.Sprintf(`document.querySelector('[data-figure=%q] .num')?.innerText ?? ''`, key))
}

// A flag's fix changes the recipe; undo brings the flag back.
func TestFixAndUndo(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	p.wait("the flag", `document.querySelector('[data-code=radius-grain]')`)
	p.press("Radius 9.0 mm")
	p.wait("the flag to clear", `!document.querySelector('[data-code=radius-grain]')`)
	p.saved()
	now, err := a.jobs.Part(context.Background(), part)
	if err != nil || now.Recipe.Base.Flanges[1].InsideRadius != 9 || now.Revision != 2 {
		t.Errorf("stored: %+v, %v", now.Recipe.Base.Flanges, err)
	}
	p.press("Undo")
	p.wait("the flag again", `document.querySelector('[data-code=radius-grain]')`)
	p.press("Redo")
	p.wait("the flag to clear again", `!document.querySelector('[data-code=radius-grain]')`)
}

// A flag is set aside with a reason, which is kept, and can be taken up again.
func TestSetAside(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	p.wait("the flag", `document.querySelector('[data-code=radius-grain]')`)
	p.press("Set aside")
	p.wait("the reason's field", `document.querySelector('[aria-label="Why it may be set aside"]')`)
	p.do(chromedp.Click(chromedp.CSS(`[aria-label="Why it may be set aside"]`)))
	p.keys("bent a strip, it holds" + kb.Enter)
	p.see("Set aside: bent a strip, it holds")
	p.saved()
	now, err := a.jobs.Part(context.Background(), part)
	if err != nil || len(now.Recipe.SetAside) != 1 || now.Recipe.SetAside[0].Code != "radius-grain" {
		t.Errorf("stored: %+v, %v", now.Recipe.SetAside, err)
	}
	p.press("Take it up again")
	p.wait("the fix again", `[...document.querySelectorAll('.fix')].some(b => b.innerText.startsWith('Radius 9.0'))`)
}

// One switch makes the twin: mirrored on the board, its own files on the Make bench.
func TestTwin(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	p.press("Left and right pair")
	p.press("show the right twin")
	p.see("The twin is shown")
	p.wait("the rib on the other side", `[...document.querySelectorAll('.feature h3')].some(h => h.innerText.trim() === 'Left flange')`)
	p.press("right twin shown")
	p.wait("the drawn hand", `[...document.querySelectorAll('.feature h3')].some(h => h.innerText.trim() === 'Right flange')`)
	p.saved()
	p.press("Make")
	p.press("DXF of Shelf bracket, right hand")
	if name, data := p.download("_right_r2.dxf"); !strings.Contains(string(data), "Shelf bracket R r2") {
		t.Errorf("%s carries no mark of its hand", name)
	}
}

// The school in use changes the blank; a coupon can be typed in place; every
// school stands beside it.
func TestSchools(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	before := p.figure("blankY")
	p.press("Bend allowance")
	p.press("Standard, DIN 6935")
	p.wait("another blank", fmt.Sprintf(`document.querySelector('[data-figure=blankY] .num').innerText !== %q`, before))
	p.press("Coupon, measured")
	p.wait("the silent school", `document.querySelector('.rail .count')?.innerText === '1'`)
	p.press("Type a coupon")
	p.wait("the bench to stay where it is", `document.querySelector('#bench').scrollTop === 0 && document.querySelector('#bench').scrollHeight <= innerHeight`)
	for _, x := range [][2]string{{"Flat", "100"}, {"Leg a, outside", "51.73"}, {"Leg b, outside", "51.73"}} {
		// What is not measured whole counts for nothing.
		p.wait("the silent school", `document.querySelector('.rail .count')?.innerText === '1'`)
		p.enter("[aria-label='A new coupon']", x[0])
		p.keys(x[1] + kb.Enter)
	}
	p.press("Use it")
	p.wait("the coupon's figure", `document.querySelector('[data-school=coupon].on .num')`)
	p.wait("no stop", `!document.querySelector('.rail .count')`)
	p.press("Fixed by the shop")
	p.wait("the field for K", `[...document.querySelectorAll('label')].some(l => l.innerText === 'K')`)
	p.wait("the silent school", `document.querySelector('.rail .count')?.innerText === '1'`)
	p.hand("[data-drawer=k]", "K")
	p.keys("0.4" + kb.Enter)
	p.wait("no stop", `!document.querySelector('.rail .count')`)
	p.press("Bends")
	p.see("fixed")
}

// Material, gauge and tool change what is flagged and weighed.
// A hole's place opens its working, made when it is asked for, and so do the
// blanks of the schools that are not in use.
func TestWorkingOnDemand(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + job + "/shape/" + part)
	p.press("Holes")
	p.press("Why Hole grid 1 on base from the left")
	p.see("Hole centre from the blank's left")
	p.see("35.000 mm") // as typed
	p.see("78.350 mm") // as shown, 78.4, finer
	p.press("Close the working")
	p.press("Bend allowance")
	p.press("Why blank, left to right, Standard, DIN 6935")
	p.see("K by school: standard")
	p.press("Close the working")
	p.press("Bends")
	p.press("Why bend line of Front flange")
	p.see("the bend line lies in the middle of the bend allowance")
}

func TestSheetAndTools(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	heavy := p.figure("mass")
	p.press("Sheet and tools")
	p.pick("body", "Material", "Aluminium 6061-T6")
	p.wait("a lighter part", fmt.Sprintf(`document.querySelector('[data-figure=mass] .num').innerText !== %q`, heavy))
	p.press("Flags")
	p.wait("tight bends crack", `document.querySelector('[data-code=radius-small]')`)
	p.see("take 5052-H32")
	p.press("Sheet and tools")
	p.pick("body", "or by gauge", "10 ga")
	p.wait("10 gauge aluminium", `document.querySelector('[data-path="/thickness"] .num')?.innerText === '2.588 mm'`)
	p.pick("body", "Bent on", "Press with a V die")
	p.press("Bends")
	p.wait("a press force", `[...document.querySelectorAll('[data-drawer=bends] td')].some(x => / k?N/.test(x.innerText))`)
}

// A feature is removed and brought back from the revisions.
func TestRemoveAndBringBack(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	p.press("Remove Right flange")
	p.wait("no rib", `![...document.querySelectorAll('.feature h3')].some(h => h.innerText.trim() === 'Right flange')`)
	p.saved()
	p.press("r2")
	p.see("Right flange removed")
	p.press("Bring back")
	p.wait("the rib", `[...document.querySelectorAll('.feature h3')].some(h => h.innerText.trim() === 'Right flange')`)
}

// The server goes away: what is typed stays in this browser and is sent when
// it is back, even after the page was closed.
func TestServerAway(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	p.size("/base/length", "64")
	p.wait("the length", `document.querySelector('[data-path="/base/length"] .num')?.innerText === '64.0 mm'`)
	// Saves break off from here on, everything else answers.
	p.saved()
	a.away.Store(true)
	p.size("/base/length", "65")
	p.see("waiting for the server")
	a.away.Store(false)
	p.do(chromedp.Navigate("about:blank"))
	p.goTo("/jobs/" + job + "/shape/" + part) // the page is opened anew, the server is back
	p.drawn()
	p.wait("what was typed", `document.querySelector('[data-path="/base/length"] .num')?.innerText === '65.0 mm'`)
	p.saved()
	now, err := a.jobs.Part(context.Background(), part)
	if err != nil || now.Recipe.Base.Length != 65 {
		t.Errorf("stored %v, %v", now.Recipe.Base.Length, err)
	}
}

// Jobs are started, renamed, copied, put away and brought back.
func TestJobsList(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/jobs")
	p.press("New job")
	p.wait("the dialog", `document.querySelector('[role=dialog] input')`)
	p.wait("a name proposed", `document.querySelector('[role=dialog] input').value.startsWith('Job of ')`)
	p.set("[role=dialog]", "Name of the job", " ")
	p.press("Start")
	p.see("Give it a name.")
	p.set("[role=dialog]", "Name of the job", "Hive trailer with a name that goes on and on so that it has to wrap somewhere"+kb.Enter)
	p.wait("what a part starts from", `document.querySelectorAll('.gallery label').length > 10`)
	p.press("Measure")
	p.wait("its brief", `document.querySelector('.brief')`)
	p.press("inch, fractions")
	p.still("saved", `document.querySelector('.head [role=status]').innerText === 'saved'`)
	p.press("Shape")
	p.wait("what a part starts from", `document.querySelectorAll('.gallery label').length > 10`)
	p.press("Jobs")
	p.press("Duplicate Sound lorry")
	p.see("Sound lorry (copy) made.")
	p.press("Rename Sound lorry (copy)")
	p.wait("the dialog", `document.querySelector('[role=dialog] input')`)
	p.do(chromedp.Click(chromedp.CSS(`[role=dialog] input`)))
	p.do(chromedp.KeyEvent("a", chromedp.KeyModifiers(chromedp.ModifierCtrl)))
	p.keys("Sound lorry II" + kb.Enter)
	p.see("Sound lorry II renamed.")
	p.press("Put away Sound lorry II")
	p.see("Sound lorry II put away.")
	p.press("Look at what was put away")
	p.press("Bring back Sound lorry II")
	p.press("Back to the jobs")
	p.wait("it is back", `[...document.querySelectorAll('.name')].some(x => x.innerText === 'Sound lorry II')`)
}

// Every quick number answers with a working as soon as it is opened.
func TestEveryQuickNumber(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	for slug, want := range map[string]string{
		"gauge": "1.90 mm", "drill": "9 mm", "bend": "6.69 mm", "coupon": "0.4218", "section": "189.4 mm", "jog": "16.1 mm", "hem": "61.6 mm", "tray": "392.8 mm",
		"springback": "90.", "force": "213.0 kN",
		"fastener": "33.6 kN", "torque": "50.5 N·m", "bolts": "7.29 kN", "centre": "1.", "pull": "1: 0 N\n2: 3.75 kN",
		"together": "50 %", "feet": "1: 363 N",
		"centred": "2.0 mm", "flush": "1.2 mm", "gap": "11.28 mm", "socket": "9.0 mm", "captive": "lifts out", "inserts": "188.5 mm", "index": "17 %",
	} {
		p.goTo("/quick/" + slug)
		p.wait(slug, fmt.Sprintf(`[...document.querySelectorAll('[data-result] dd')].some(x => x.innerText.startsWith(%q))`, want))
		p.wait("the working of "+slug, `document.querySelector('.formula')`)
		if slug != "gauge" && slug != "drill" && !eval[bool](p, `!!document.querySelector('.sketch text')`) {
			t.Errorf("%s names no letters", slug)
		}
	}
	p.goTo("/quick")
	p.wait("the list", `document.querySelector('.item strong')`)
	if first := eval[string](p, `document.querySelector('.item strong').innerText`); first == "Lengths" {
		t.Error("the last used is not first")
	}
	// A strip speaks beside the charts once it was typed, not as it stands there.
	p.goTo("/quick/schools")
	p.wait("the schools", `document.querySelectorAll('.answer tr').length > 3`)
	if eval[bool](p, `[...document.querySelectorAll('.answer tr')].some(r => r.innerText.startsWith('Coupon') && r.innerText.includes('0.422'))`) {
		t.Error("a strip nobody typed speaks")
	}
	p.goTo("/quick/coupon")
	p.set("main", "L, flat length before", "100")
	p.wait("K of the strip", `document.querySelector('[data-result=kFactor]') && JSON.parse(localStorage.getItem('warmanvil.quick.coupon'))?.flat === 100`)
	p.goTo("/quick/schools")
	p.wait("the strip's school", `[...document.querySelectorAll('.answer tr')].some(r => r.innerText.startsWith('Coupon') && r.innerText.includes('0.422'))`)
}

// Alt and a number go to the benches; the program opens where it was left.
func TestKeysAndReturn(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	alt := func(key string) { p.do(chromedp.KeyEvent(key, chromedp.KeyModifiers(chromedp.ModifierAlt))) }
	alt("1")
	p.see("What it is for")
	alt("4")
	p.see("Files and paper")
	alt("2")
	p.drawn()
	alt(kb.ArrowDown)
	p.wait("the next size", `document.querySelector('.bar strong')?.innerText === 'Width'`)
	alt(kb.ArrowUp)
	p.wait("the size before", `document.querySelector('.bar strong')?.innerText === 'Length'`)
	p.goTo("/")
	p.wait("the bench", `location.pathname.endsWith('/shape/`+part+`')`)
}

// The drawing is the form: a size, a face and an edge are tapped.
func TestTapTheDrawing(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	p.do(chromedp.Click(chromedp.CSS(`.board .dim:not(.chosen)`)))
	p.wait("the size in hand", `document.activeElement?.tagName === 'INPUT' && document.querySelector('.bar strong')?.innerText !== undefined`)
	label := eval[string](p, `document.querySelector('.size.here').dataset.path`)
	if label == "/base/length" {
		t.Error("the tapped size was not chosen")
	}
	p.do(chromedp.Click(chromedp.CSS(`.board .hole`)))
	p.wait("the hole in hand", `document.querySelector('.board .open.on')`)
	eval[bool](p, `document.querySelector('.board .edge').dispatchEvent(new MouseEvent('click', {bubbles: true}))`)
	p.wait("what to add", `document.querySelector('.add')`)
}

// A thumb gets large keys for fractions.
func TestFractionPad(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	p := open(t, a, 800, 1180)
	p.goTo("/jobs/" + job + "/shape/" + part)
	p.wait("the bench", `document.querySelector('.bar input')`)
	p.do(chromedp.Tap(chromedp.CSS(`.bar input`)))
	p.wait("the pad", `document.querySelector('.pad')`)
	p.press("Clear")
	for _, key := range []string{"1", "7", "5/8"} {
		p.press(key)
	}
	p.press("Done")
	p.wait("17 5/8", `document.querySelector('[data-path="/base/length"] .num')?.innerText === '17 5/8"'`)
}
