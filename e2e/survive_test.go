package e2e

import (
	"archive/zip"
	"bytes"
	"fmt"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"reflect"
	"strconv"
	"strings"
	"testing"
	"time"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"warmanvil/httpapi"
	"warmanvil/store/storetest"
)

// stop ends the server, connections and all; the answer starts it again at the
// same address.
func (a app) stop(t *testing.T) (again func()) {
	t.Helper()
	address, handler := a.Listener.Addr().String(), a.Config.Handler
	a.CloseClientConnections()
	a.Close()
	return func() {
		var l net.Listener
		var err error
		for range 50 {
			if l, err = net.Listen("tcp", address); err == nil {
				break
			}
			time.Sleep(20 * time.Millisecond)
		}
		if err != nil {
			t.Fatal(err)
		}
		s := &http.Server{Handler: handler}
		go func() { _ = s.Serve(l) }() // ends with the test
		t.Cleanup(func() { _ = s.Close() })
	}
}

// The server is killed and started again under an open page with unsent edits
// of a part and of a brief: the page says so, keeps them, and sends them.
func TestServerKilledUnderAnOpenPage(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	p.size("/base/length", "77")
	again := a.stop(t)
	p.see("What you type is kept on this device")
	// It had been read when the server went, or could not even be read.
	p.wait("the state", `document.querySelector('.shape').dataset.save === 'waiting for the server' || document.querySelector('[data-path="/base/length"] .mark')`)
	again()
	p.wait("the banner to go", `!document.querySelector('.away')`)
	p.wait("what was typed", `document.querySelector('[data-path="/base/length"] .num')?.innerText === '77.0 mm'`)
	p.saved()
	if got, err := a.jobs.Part(t.Context(), part); err != nil || got.Recipe.Base.Length != 77 {
		t.Fatalf("after the restart the base is %g long (%v)", got.Recipe.Base.Length, err)
	}
	p.goTo("/jobs/" + job + "/measure")
	p.wait("the brief", `document.querySelector('[data-brief]')`)
	p.do(chromedp.Click(chromedp.CSS(`#purpose textarea`)))
	a.away.Store(true)
	p.keys(" And a bin.")
	p.wait("it waits", `document.querySelector('[data-brief]').dataset.brief === 'waiting for the server'`)
	p.goTo("/jobs")
	p.goTo("/jobs/" + job + "/measure")
	a.away.Store(false)
	p.wait("it is sent", `document.querySelector('[data-brief]')?.dataset.brief === 'saved' && document.querySelector('#purpose textarea').value.includes('And a bin.')`)
	if got, err := a.jobs.Job(t.Context(), job); err != nil || !strings.Contains(got.Brief.Purpose, "And a bin.") {
		t.Errorf("the brief says %q (%v)", got.Brief.Purpose, err)
	}
}

// What is typed while the server is away is not read, stands as it was typed, and is read
// and saved by itself when it is back, in the field that has the hand and in one that was
// left.
func TestTypedWhileAway(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	p.saved()
	again := a.stop(t)
	p.size("/base/length", "71 1/2")
	p.see("What you type is kept on this device")
	p.wait("it is not read", `document.querySelector('[data-path="/base/length"] .mark')`)
	p.size("/base/width", "131")
	p.wait("this one neither", `document.querySelector('[data-path="/base/width"] .mark')`)
	again()
	p.wait("the banner to go", `!document.querySelector('.away')`)
	p.wait("what was typed", `document.querySelector('[data-path="/base/length"] .num')?.innerText === '71.5 mm' &&
		document.querySelector('[data-path="/base/width"] .num')?.innerText === '131.0 mm' && !document.querySelector('[data-path] .mark')`)
	p.saved()
	if got, err := a.jobs.Part(t.Context(), part); err != nil || got.Recipe.Base.Length != 71.5 || got.Recipe.Base.Width != 131 {
		t.Fatalf("%g × %g is kept (%v)", got.Recipe.Base.Length, got.Recipe.Base.Width, err)
	}
}

// A quick number that got no answer is worked out by itself when there is one to be had.
func TestQuickNumberWhileAway(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/quick/bend")
	p.wait("the answer", `document.querySelector('[data-result]')`)
	was := eval[string](p, `document.querySelector('[data-result]').innerText`)
	again := a.stop(t)
	p.hand("main", "A, bend angle, from flat")
	p.keys("80" + kb.Enter)
	p.see("The server does not answer.")
	again()
	p.wait("another answer", `!document.body.innerText.includes('does not answer') && document.querySelector('[data-result]') &&
		document.querySelector('[data-result]').innerText !== `+strconv.Quote(was))
}

// The database is stopped while somebody types, comes back, hangs, comes back: each time the
// page says what is going on, keeps what is typed, and sends it by itself.
func TestDatabaseGoesWhileTyping(t *testing.T) {
	alongside(t)
	between, url := storetest.Stand(t, storetest.URL(t))
	a := startOn(t, storetest.JobsAt(t, url), httpapi.Door{})
	job, part := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	length := 70.
	for _, way := range []struct {
		name       string
		down, back func()
	}{{"stopped", between.Shut, between.Open}, {"hanging", between.Hold, between.Let}} {
		way.down()
		for range 3 {
			length++
			p.size("/base/length", fmt.Sprint(length))
		}
		p.see("The database does not answer.")
		p.wait("the state while it is "+way.name, `document.querySelector('.shape').dataset.save === 'waiting for the server'`)
		// It stands in the list, or as not read yet where even reading it got no answer.
		p.wait("what was typed", fmt.Sprintf(`(row => row.querySelector('.num').innerText === '%.1f mm' || row.querySelector('.mark'))`+
			`(document.querySelector('[data-path="/base/length"]'))`, length))
		way.back()
		p.wait("the banner to go", `!document.querySelector('.away')`)
		p.wait("what was typed", fmt.Sprintf(`document.querySelector('[data-path="/base/length"]').innerText.split('\n').join(' ') === 'Length %.1f mm'`, length))
		p.saved()
		if got, err := a.jobs.Part(t.Context(), part); err != nil || got.Recipe.Base.Length != length {
			t.Fatalf("after it was %s the base is %g long, not %g (%v)", way.name, got.Recipe.Base.Length, length, err)
		}
	}
}

// Where reading an entry takes longer than the hand stays at it, the later entry into a size
// counts, and nobody is led away from where he types.
func TestTypingFasterThanTheServerReads(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	was, err := a.jobs.Part(t.Context(), part)
	if err != nil {
		t.Fatal(err)
	}
	a.slow.Store(int64(400 * time.Millisecond))
	for _, length := range []string{"71", "72", "73"} {
		p.size("/base/length", length)
	}
	p.size("/base/flanges/0/length", "88")
	a.slow.Store(0)
	p.wait("what was typed", `document.querySelector('[data-path="/base/length"] .num')?.innerText === '73.0 mm'`)
	p.saved()
	now, err := a.jobs.Part(t.Context(), part)
	if err != nil {
		t.Fatal(err)
	}
	was.Recipe.Base.Length, was.Recipe.Base.Flanges[0].Length = 73, 88
	if !reflect.DeepEqual(now.Recipe, was.Recipe) {
		t.Errorf("typed was 73 and 88, and there is\n%+v\nnot\n%+v", now.Recipe, was.Recipe)
	}
}

// What takes long says for how long, and is stopped by a press; asked again it answers.
func TestLongWorkIsStopped(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/quick/bend")
	p.wait("the answer", `document.querySelector('[data-result]')`)
	a.slow.Store(int64(20 * time.Second))
	p.set("main", "A, bend angle, from flat", "80")
	p.see("Still working")
	p.press("Stop")
	p.see("You stopped this.")
	p.wait("the line to go", `!document.querySelector('.busy')`)
	a.slow.Store(0)
	p.set("main", "A, bend angle, from flat", "70")
	p.wait("the answer", `!document.body.innerText.includes('You stopped this.')`)
}

// The disk is full: the page says so, keeps what is typed and sends it when there is room.
func TestDiskFullWhileTyping(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	a.full.Store(true)
	p.size("/base/length", "77")
	p.see("The disk of the server is full")
	p.wait("the state", `document.querySelector('.shape').dataset.save === 'waiting for the server'`)
	p.goTo("/jobs/" + job + "/hold") // looking goes on
	p.see("Press on its feet")
	a.full.Store(false)
	p.wait("the banner to go", `!document.querySelector('.away')`)
	p.bench(job, part)
	p.wait("what was typed", `document.querySelector('[data-path="/base/length"] .num')?.innerText === '77.0 mm'`)
	p.saved()
	if got, err := a.jobs.Part(t.Context(), part); err != nil || got.Recipe.Base.Length != 77 {
		t.Fatalf("with room again the base is %g long (%v)", got.Recipe.Base.Length, err)
	}
}

// A job is taken away as a file and brought in again as a job of its own; what
// is not a job's file is refused in words.
func TestTakeAwayAndBringIn(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/jobs")
	p.press("Take Orchard truck away as a file")
	name, data := p.download(".warmanvil.json")
	if name != "orchard-truck.warmanvil.json" || !strings.Contains(string(data), `"warmanvil-job"`) {
		t.Errorf("%s: %.200s", name, data)
	}
	dir := t.TempDir()
	good, bad := filepath.Join(dir, name), filepath.Join(dir, "letter.json")
	for path, content := range map[string]string{good: strings.ReplaceAll(string(data), `"name":"Orchard truck"`, `"name":"Orchard truck II"`),
		bad: `{"format":"letter"}`} {
		if err := os.WriteFile(path, []byte(content), 0o600); err != nil {
			t.Fatal(err)
		}
	}
	p.do(chromedp.SetUploadFiles(chromedp.CSS(`input[type=file]`), []string{good}))
	p.see("Orchard truck II brought in.")
	p.see("Morvan 350 panel truck, retired")
	p.do(chromedp.SetUploadFiles(chromedp.CSS(`input[type=file]`), []string{bad}))
	p.see("Not taken: This is not a job's file")
	for _, f := range p.serious(readAxe(t)) {
		t.Error(f)
	}
	p.press("Put away what is said of letter.json")
	p.wait("that to go", `!document.body.innerText.includes('Not taken')`)
	p.see("Orchard truck II brought in.")
	p.press("Open")
	p.wait("the job", `location.pathname.endsWith('/measure') && document.body.innerText.includes('Orchard truck II')`)
}

// Revisions are compared in words and as flat patterns over each other, and an
// old one is brought back as a new one.
func TestCompareRevisions(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	p.size("/base/length", "18")
	p.saved()
	p.press("Remove Left flange")
	p.wait("it to go", `![...document.querySelectorAll('h3')].some(h => h.innerText.startsWith('Left flange'))`)
	p.saved()
	last := p.revision()
	p.press(last)
	p.press("Compare r1 with what stands")
	p.wait("the lengths", `[...document.querySelectorAll('[role=dialog] tr')].some(r => r.innerText.includes('Base: length') && r.innerText.includes('16 1/2"') && r.innerText.includes('18"'))`)
	p.wait("the flange", `[...document.querySelectorAll('[role=dialog] tr')].some(r => r.innerText.includes('Left flange') && r.innerText.includes('removed'))`)
	p.wait("the overlay", `document.querySelectorAll('[data-overlay] .was path').length > 4 && document.querySelectorAll('[data-overlay] .now path').length > 3`)
	p.press("Bring r1 back")
	p.saved()
	if now := p.revision(); now == last {
		t.Errorf("brought back, and %s still stands", now)
	}
	if got, err := a.jobs.Part(t.Context(), part); err != nil || len(got.Recipe.Base.Flanges) != 4 {
		t.Errorf("brought back: %d flanges (%v)", len(got.Recipe.Base.Flanges), err)
	}
}

// All files of a job are packed while another page is looked at, and fetched as one; what is
// held back is told.
func TestPackAllFiles(t *testing.T) {
	a := startApp(t)
	job, _ := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + job + "/make")
	p.press("Pack all files")
	p.wait("it is asked for", `document.querySelector('.long li')`)
	p.goTo("/jobs")
	p.see("Sound lorry")
	p.goTo("/jobs/" + job + "/make")
	p.see("left out: the list in it says why")
	p.press("Fetch the packet")
	name, raw := p.download(".zip")
	z, err := zip.NewReader(bytes.NewReader(raw), int64(len(raw)))
	if err != nil || !strings.HasPrefix(name, "orchard-truck_packet_") || len(z.File) < 10 {
		t.Fatal(name, len(raw), err)
	}
	p.press("Put away what is said of Orchard truck")
	p.wait("that to go", `!document.body.innerText.includes('Fetch the packet')`)
}
