// Package e2e drives the real interface in headless Chromium against the real
// server on a real database.
package e2e

import (
	"context"
	"errors"
	"fmt"
	"io/fs"
	"net/http"
	"net/http/httptest"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"github.com/alexedwards/scs/pgxstore"
	"github.com/chromedp/cdproto/browser"
	"github.com/chromedp/cdproto/emulation"
	cdppage "github.com/chromedp/cdproto/page"
	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
	"github.com/google/uuid"

	"warmanvil/account"
	"warmanvil/httpapi"
	"warmanvil/job"
	"warmanvil/store"
	"warmanvil/store/storetest"
	"warmanvil/ui"
)

func TestMain(m *testing.M) { storetest.Main(m, func() { closeBrowser() }) }

// app is one server on a database of its own, with the demo jobs.
type app struct {
	*httptest.Server
	jobs *job.Service
	away *atomic.Bool  // saves are cut off while it is set
	slow *atomic.Int64 // how long every calculation takes besides, as time.Duration
	full *atomic.Bool  // the disk has no room while it is set
}

// beside holds the stories that run beside others already.
var beside sync.Map

func startApp(t testing.TB) app {
	t.Helper()
	return startBehind(t, httpapi.Door{})
}

// startBehind starts the application behind a door; with Listen set everybody
// signs in.
func startBehind(t testing.TB, door httpapi.Door) app {
	t.Helper()
	alongside(t)
	return startOn(t, storetest.Jobs(t), door)
}

// alongside lets a story run beside others.
func alongside(t testing.TB) {
	if t, is := t.(*testing.T); is {
		if _, again := beside.LoadOrStore(t.Name(), true); !again {
			t.Parallel() // each story has a server, a database and a browser of its own
		}
	}
}

// startOn starts it on a store of the test's own.
func startOn(t testing.TB, jobs *job.Service, door httpapi.Door) app {
	t.Helper()
	front, err := ui.Dist()
	if err != nil {
		t.Fatal(err)
	}
	if _, err := fs.Stat(front, "index.html"); err != nil {
		t.Fatal("the front end is not built: run make ui")
	}
	if err := jobs.LoadDemo(context.Background()); err != nil {
		t.Fatal(err)
	}
	away, slow, full := &atomic.Bool{}, &atomic.Int64{}, &atomic.Bool{}
	opt := httpapi.Options{Jobs: jobs, Front: front, Door: door, Room: func() error {
		if full.Load() {
			return errors.New("3 MB are left")
		}
		return nil
	}}
	s, kept := jobs.Store.(*store.Store)
	if kept {
		opt.Tasks = storetest.Tasks(t, jobs)
	}
	if kept && door.Listen {
		opt.Accounts = &account.Service{Store: s, Now: time.Now, NewID: uuid.NewString}
		opt.Sessions = pgxstore.NewWithCleanupInterval(s.Pool(), 0)
	}
	h, err := httpapi.New(opt)
	if err != nil {
		t.Fatal(err)
	}
	server := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if away.Load() && r.Method == http.MethodPut {
			panic(http.ErrAbortHandler) // the connection breaks, as when the server is gone
		}
		if strings.HasPrefix(r.URL.Path, "/api/v1/calc/") {
			time.Sleep(time.Duration(slow.Load()))
		}
		h.ServeHTTP(w, r)
	}))
	t.Cleanup(server.Close)
	return app{server, jobs, away, slow, full}
}

// chrome is the one browser of the run; each page has a profile of its own in it.
var chrome = sync.OnceValues(func() (context.Context, error) {
	opts := append(chromedp.DefaultExecAllocatorOptions[:], chromedp.ExecPath(browserPath), chromedp.NoSandbox,
		chromedp.Flag("disable-component-update", true), chromedp.Flag("disable-gpu-compositing", true))
	alloc, stop := chromedp.NewExecAllocator(context.Background(), opts...)
	ctx, _ := chromedp.NewContext(alloc)
	closeBrowser = func() { _ = chromedp.Cancel(ctx); stop() } // the run is over
	return ctx, chromedp.Do(ctx)
})

// browserPath is Debian's Chromium without a window: the same engine, a third cheaper to run.
const browserPath = "/usr/bin/chromium-headless-shell"

var closeBrowser = func() {}

// page is a tab with a storage, a cache and downloads of its own.
type page struct {
	t         testing.TB
	ctx       context.Context
	app       app
	downloads string
}

func open(t testing.TB, a app, width, height int64) *page {
	t.Helper()
	shared, err := chrome()
	if err != nil {
		t.Fatal("the tests need a browser:", err)
	}
	ctx, stop := chromedp.NewContext(shared, chromedp.WithNewBrowserContext())
	t.Cleanup(stop)
	p := &page{t: t, ctx: ctx, app: a, downloads: t.TempDir()}
	p.do(chromedp.EmulateViewport(width, height))
	p.watchPolicy()
	p.do(chromedp.Func(func(ctx context.Context, _ *chromedp.Target) error {
		if _, err := chromedp.Call(ctx, emulation.SetFocusEmulationEnabled, emulation.SetFocusEmulationEnabledParams{Enabled: true}); err != nil {
			return err // many tabs: each behaves as the one in front
		}
		_, err := chromedp.Call(ctx, browser.SetDownloadBehavior, browser.SetDownloadBehaviorParams{
			Behavior: browser.SetDownloadBehaviorBehaviorAllow, DownloadPath: p.downloads,
			BrowserContextID: chromedp.FromContext(p.ctx).BrowserContextID})
		return err
	}))
	return p
}

// watchPolicy fails the test when the content policy stops anything on any page
// it opens.
func (p *page) watchPolicy() {
	const key = "test.stopped"
	p.do(chromedp.Func(func(ctx context.Context, _ *chromedp.Target) error {
		_, err := chromedp.Call(ctx, cdppage.AddScriptToEvaluateOnNewDocument, cdppage.AddScriptToEvaluateOnNewDocumentParams{
			Source: `{
				const ask = window.fetch
				window.testAsking = 0
				window.fetch = (...all) => (window.testAsking++, ask(...all).finally(() => window.testAsking--))
				` + counter + `
			}
			document.addEventListener('securitypolicyviolation', e => localStorage.setItem('` + key + `', (localStorage.getItem('` + key +
				`') ?? '') + e.violatedDirective + ' ' + e.blockedURI + '; '))`})
		return err
	}))
	p.t.Cleanup(func() {
		ctx, cancel := context.WithTimeout(p.ctx, 5*time.Second)
		defer cancel()
		stopped, err := chromedp.Run(ctx, chromedp.Evaluate[string](`localStorage.getItem('`+key+`') ?? ''`))
		if err == nil && stopped != "" {
			p.t.Errorf("the content policy stopped: %s", stopped)
		}
	})
}

func (p *page) do(steps ...chromedp.Action[chromedp.Void]) {
	p.t.Helper()
	ctx, cancel := context.WithTimeout(p.ctx, patience)
	defer cancel()
	if p.ctx.Err() == nil && chromedp.FromContext(p.ctx).Target == nil {
		ctx = p.ctx // the first call starts the browser and must not be cut short
	}
	if err := chromedp.Do(ctx, steps...); err != nil {
		p.t.Fatalf("%v%s", err, p.state())
	}
}

func (p *page) goTo(path string) { p.t.Helper(); p.do(chromedp.Navigate(p.app.URL + path)) }

// eval answers a script's value.
func eval[T any](p *page, script string) T {
	p.t.Helper()
	ctx, cancel := context.WithTimeout(p.ctx, patience) // a page that is stuck must not hold the run
	defer cancel()
	v, err := chromedp.Run(ctx, chromedp.Evaluate[T](script, chromedp.EvalAwaitPromise))
	if err != nil {
		p.t.Fatalf("%.300s: %v", script, err)
	}
	return v
}

// patience is how long a story waits for what must come. It costs time only where it
// fails, and a busy machine takes long.
const patience = time.Minute

// calm waits until nothing moves: no animation under way and none about to start, which
// the classes of an element that comes or goes tell.
func (p *page) calm() {
	p.t.Helper()
	p.wait("the screen to be still", `document.getAnimations().every(a => a.playState !== 'running')
		&& !document.querySelector('[class*="-enter-active"], [class*="-leave-active"]')`)
}

// unmoved is the page of somebody who asked his device for less motion.
func (p *page) unmoved() {
	p.do(chromedp.Func(func(ctx context.Context, _ *chromedp.Target) error {
		_, err := chromedp.Call(ctx, emulation.SetEmulatedMedia, emulation.SetEmulatedMediaParams{
			Features: []*emulation.MediaFeature{{Name: "prefers-reduced-motion", Value: "reduce"}}})
		return err
	}))
}

// wait polls until a script is true. One that looks into what is not drawn yet is asked
// again; what it stumbled over is told when it stays so.
func (p *page) wait(what, script string) {
	p.t.Helper()
	ask := "(() => { try { return document.body && (" + script + ") ? 'yes' : '' } catch (e) " +
		"{ if (e instanceof TypeError) return e.message; throw e } })()" // a page on its way has no body yet
	var said string
	pause := 10 * time.Millisecond // each look costs the page a layout
	for end := time.Now().Add(patience); time.Now().Before(end); time.Sleep(pause) {
		pause = min(2*pause, 100*time.Millisecond)
		if said = eval[string](p, ask); said == "yes" {
			return
		}
	}
	p.t.Fatalf("waited in vain for %s %s%s", what, said, p.state())
}

// state says where the page is, for failures.
func (p *page) state() string {
	text, err := chromedp.Run(p.ctx, chromedp.Evaluate[string](`location.pathname + "\n" + document.body.innerText.slice(0, 1500)`))
	if err != nil {
		return ""
	}
	return "\nthe page: " + text
}

// see waits until a text stands on the page.
func (p *page) see(text string) {
	p.t.Helper()
	p.wait(fmt.Sprintf("%q", text), fmt.Sprintf("document.body.innerText.includes(%q)", text))
}

// named is a CSS selector for a control with an accessible name.
func named(name string) string { return fmt.Sprintf(`[aria-label=%q]`, name) }

// press clicks the first visible control whose name or text is as given.
func (p *page) press(name string) {
	p.t.Helper()
	mark := fmt.Sprintf(`(() => {
		const words = e => (e.innerText ?? '').replace(/\s+/g, ' ').trim()
		const all = [...document.querySelectorAll('button, a, label, option, input, summary, [role=tab]')].filter(e => e.offsetParent !== null || e.getClientRects().length)
		const e = all.find(e => (e.getAttribute('aria-label') ?? '') === %[1]q) ?? all.find(e => words(e) === %[1]q) ?? all.find(e => words(e).startsWith(%[1]q))
		document.querySelectorAll('[data-test-target]').forEach(x => x.removeAttribute('data-test-target'))
		e?.setAttribute('data-test-target', '')
		// An answer on its way may move the control between finding and clicking.
		const place = e ? JSON.stringify(e.getBoundingClientRect()) : ''
		const still = place === window.testPlace && !window.testAsking
		window.testPlace = place
		return !!e && (still || performance.now() > (window.testPatience ??= performance.now() + 3000))
	})()`, name)
	p.calm()
	// The page may redraw between finding and clicking: then it is found anew.
	// Only the finding is hurried: a click cut short could still arrive, and a
	// second one would press twice.
	var err error
	for range 6 {
		eval[bool](p, `(window.testPatience = undefined, true)`)
		p.wait("the control "+name, mark)
		ctx, cancel := context.WithTimeout(p.ctx, 4*time.Second)
		var found []*chromedp.Node
		found, err = chromedp.Run(ctx, chromedp.Nodes(chromedp.CSS(`[data-test-target]`), chromedp.NodeVisible))
		cancel()
		if err != nil || len(found) == 0 {
			continue
		}
		ctx, cancel = context.WithTimeout(p.ctx, patience)
		err = chromedp.Do(ctx, chromedp.MouseClickNode(found[0]))
		cancel()
		if err == nil {
			return
		}
		if errors.Is(err, context.DeadlineExceeded) {
			break
		}
	}
	p.t.Fatalf("press %s: %v%s", name, err, p.state())
}

// hand puts the hand into the field of a label. An answer on its way may move the
// field under the finger: then it is reached for again.
func (p *page) hand(inside, label string) {
	p.t.Helper()
	field := fmt.Sprintf(`(() => {
		const l = [...document.querySelectorAll(%q + ' label')].find(l => l.innerText.trim() === %q)
		return l && document.getElementById(l.htmlFor)
	})()`, inside, label)
	for range 6 {
		p.wait("the field "+label, `(e => {
			document.querySelectorAll('[data-fill]').forEach(x => x.removeAttribute('data-fill'))
			e?.setAttribute('data-fill', '')
			const place = e ? JSON.stringify(e.getBoundingClientRect()) : ''
			const still = place === window.testPlace && !window.testAsking
			window.testPlace = place
			return e && (still || performance.now() > (window.testPatience ??= performance.now() + 3000))
		})(`+field+`)`)
		p.do(chromedp.Click(chromedp.CSS(`[data-fill]`)))
		if eval[bool](p, `window.testPatience = undefined, document.activeElement?.hasAttribute('data-fill')`) {
			return
		}
	}
	p.t.Fatalf("the field %s does not take the focus%s", label, p.state())
}

// keys types as a hand would, into whatever has the focus.
func (p *page) keys(text string) { p.t.Helper(); p.do(chromedp.KeyEvent(text)) }

// size chooses a dimension in the list and types over it.
func (p *page) size(path, value string) {
	p.t.Helper()
	p.do(chromedp.Click(chromedp.CSS(fmt.Sprintf(`[data-path=%q]`, path))))
	p.wait("the size's field", `document.activeElement?.tagName === 'INPUT'`)
	p.do(chromedp.Sleep(40 * time.Millisecond))
	p.keys(value + kb.Enter)
}

// saved waits until the bench says so.
func (p *page) saved() {
	p.t.Helper()
	p.still("the part to be saved", `document.querySelector('.shape')?.dataset.save === 'saved'`)
}

// still waits until a script stays true for a while in which nothing is asked of the
// server: what was typed last may still be read there, and is saved after that alone.
func (p *page) still(what, script string) {
	p.t.Helper()
	eval[bool](p, `(window.testStill = 0, true)`)
	p.wait(what, `(() => {
		if (window.testAsking || !(`+script+`)) return void (window.testStill = 0)
		window.testStill ||= performance.now()
		return performance.now() - window.testStill > 120
	})()`)
}

// revision answers the one that stands, as its button calls it. How many saves a number
// typed key by key takes depends on how fast the machine is.
func (p *page) revision() string {
	p.t.Helper()
	return eval[string](p, `[...document.querySelectorAll('button')].map(b => b.innerText.trim()).find(w => /^r[0-9]+$/.test(w)) ?? ''`)
}

// drawn waits for the folded body's first picture.
func (p *page) drawn() {
	p.t.Helper()
	p.wait("the body", `document.querySelector('.body[data-ready=true]')`)
}

// download answers the file a press fetched.
func (p *page) download(suffix string) (name string, data []byte) {
	p.t.Helper()
	for end := time.Now().Add(patience); time.Now().Before(end); time.Sleep(50 * time.Millisecond) {
		entries, err := os.ReadDir(p.downloads)
		if err != nil {
			p.t.Fatal(err)
		}
		for _, e := range entries {
			if strings.HasSuffix(e.Name(), suffix) {
				data, err := os.ReadFile(filepath.Join(p.downloads, e.Name()))
				if err != nil {
					p.t.Fatal(err)
				}
				if len(data) == 0 {
					continue // the browser keeps the name free with an empty file until all is there
				}
				return e.Name(), data
			}
		}
	}
	p.t.Fatalf("no file %s came down%s", suffix, p.state())
	return "", nil
}

func (p *page) shot(path string) {
	p.t.Helper()
	raw, err := chromedp.Run(p.ctx, chromedp.CaptureScreenshot())
	if err != nil {
		p.t.Fatal(err)
	}
	if err := os.WriteFile(path, raw, 0o644); err != nil {
		p.t.Fatal(err)
	}
}

// demoPart answers the ids of a demo part and its job.
func (a app) demoPart(t testing.TB, jobName, partName string) (jobID, partID string) {
	t.Helper()
	ctx := context.Background()
	list, err := a.jobs.Jobs(ctx, false)
	if err != nil {
		t.Fatal(err)
	}
	for _, j := range list {
		if j.Brief.Name != jobName {
			continue
		}
		parts, err := a.jobs.Parts(ctx, j.ID)
		if err != nil {
			t.Fatal(err)
		}
		frames, err := a.jobs.Frames(ctx, j.ID)
		if err != nil {
			t.Fatal(err)
		}
		for _, p := range parts {
			if p.Name == partName {
				return j.ID, p.ID
			}
		}
		for _, f := range frames {
			if f.Name == partName {
				return j.ID, f.ID
			}
		}
	}
	t.Fatalf("no demo part %s", partName)
	return "", ""
}

// free settles what holds a job's files back: nothing of it is measured on a vehicle,
// and no question is open.
func (a app) free(t testing.TB, jobID string) {
	t.Helper()
	ctx := context.Background()
	v, revision, err := a.jobs.Survey(ctx, jobID)
	if err != nil {
		t.Fatal(err)
	}
	v.Drawn = "made to a drawing"
	if _, err := a.jobs.SaveSurvey(ctx, jobID, job.On{Revision: revision}, v); err != nil {
		t.Fatal(err)
	}
	a.settle(t, jobID)
}

// settle closes a job's open questions.
func (a app) settle(t testing.TB, jobID string) {
	t.Helper()
	ctx := context.Background()
	j, err := a.jobs.Job(ctx, jobID)
	if err != nil {
		t.Fatal(err)
	}
	for i := range j.Brief.Open {
		j.Brief.Open[i].Done = true
	}
	if _, err := a.jobs.SaveBrief(ctx, jobID, job.On{Revision: j.Revision}, j.Brief); err != nil {
		t.Fatal(err)
	}
}
