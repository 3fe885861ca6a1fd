package e2e

import (
	"context"
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"warmanvil/core/brief"
	"warmanvil/job"
)

// The brief saves itself; its unit changes how every size is written; nonsense
// is refused beside its field.
func TestBrief(t *testing.T) {
	a := startApp(t)
	jobID, partID := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/measure")
	p.wait("the brief", `document.querySelector('.brief')`)
	saved := func() {
		p.t.Helper()
		p.still("the brief to be saved", `document.querySelector('.head [role=status]').innerText === 'saved'`)
	}
	p.press("inch, fractions")
	p.press("1/32 in")
	saved()
	p.do(chromedp.Click(chromedp.CSS(`.brief textarea`)))
	p.keys(" It must leave no hole behind.")
	p.wait("the change", `document.querySelector('.head [role=status]').innerText !== 'saved'`)
	saved()
	j, err := a.jobs.Job(context.Background(), jobID)
	if err != nil || j.Brief.Unit != brief.UnitFraction || j.Brief.Purpose[len(j.Brief.Purpose)-29:] != "It must leave no hole behind." {
		t.Errorf("stored %+v, %v", j.Brief, err)
	}
	p.bench(jobID, partID)
	if got := p.shown("/base/length"); got != `5.9055"` { // 150 mm
		t.Errorf("150 mm is written %q", got)
	}
	p.goTo("/jobs/" + jobID + "/measure")
	p.wait("the brief", `document.querySelector('.brief')`)
	p.do(chromedp.Click(chromedp.CSS(`.brief input`)))
	p.do(chromedp.KeyEvent("a", chromedp.KeyModifiers(chromedp.ModifierCtrl)))
	p.keys(kb.Backspace)
	p.see("Give it a name.")
}

// A brief changed elsewhere meanwhile is joined with what is typed here, and told; where
// both changed the same it is chosen, and undo takes back what was done here.
func TestBriefOfTwo(t *testing.T) {
	a := startApp(t)
	jobID, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/measure")
	p.wait("the brief", `document.querySelector('.brief')`)
	stands := func() job.Job {
		t.Helper()
		j, err := a.jobs.Job(t.Context(), jobID)
		if err != nil {
			t.Fatal(err)
		}
		return j
	}
	elsewhere := func(change func(b *brief.Brief)) {
		t.Helper()
		j := stands()
		change(&j.Brief)
		if _, err := a.jobs.SaveBrief(t.Context(), jobID, job.On{Revision: j.Revision}, j.Brief); err != nil {
			t.Fatal(err)
		}
	}
	elsewhere(func(b *brief.Brief) { b.Vehicle = "Morvan 360, found in a barn" })
	p.do(chromedp.Click(chromedp.CSS(`.brief textarea`)))
	p.keys(kb.End + " Mine.")
	p.see("Joined with what somebody else changed meanwhile: Vehicle Morvan 360, found in a barn.")
	p.briefKept()
	if b := stands().Brief; b.Vehicle != "Morvan 360, found in a barn" || !strings.Contains(b.Purpose, "Mine.") {
		t.Errorf("not joined: %q, %q", b.Vehicle, b.Purpose)
	}
	p.wait("theirs in the field", `[...document.querySelectorAll('.brief input')].some(i => i.value === 'Morvan 360, found in a barn')`)
	p.press("Seen")

	elsewhere(func(b *brief.Brief) { b.Vehicle = "Morvan 361" })
	p.set(".brief", "Vehicle", "Morvan 362")
	p.see("Two versions")
	p.press("Morvan 361")
	p.press("Join like this")
	p.wait("theirs", `[...document.querySelectorAll('.brief input')].some(i => i.value === 'Morvan 361')`)
	p.briefKept()
	elsewhere(func(b *brief.Brief) { b.Vehicle = "Morvan 363" })
	p.set(".brief", "Vehicle", "Morvan 364")
	p.see("Two versions")
	p.press("Join like this")
	p.briefKept()
	if b := stands().Brief; b.Vehicle != "Morvan 364" {
		t.Errorf("mine was chosen, %q stands", b.Vehicle)
	}
	p.keys(kb.Tab) // out of the field
	p.do(chromedp.KeyEvent("z", chromedp.KeyModifiers(chromedp.ModifierCtrl)))
	p.wait("what was undone", `[...document.querySelectorAll('.brief input')].some(i => i.value === 'Morvan 363')`)
	p.press("Redo")
	p.wait("what was done again", `[...document.querySelectorAll('.brief input')].some(i => i.value === 'Morvan 364')`)
	p.press("r" + fmt.Sprint(stands().Revision))
	p.see("Vehicle Morvan 361, was Morvan 360, found in a barn")
	p.press("Compare r1 with what stands")
	p.wait("the comparison", `document.querySelector('[role=dialog]').innerText.includes('Morvan 364')`)
}

// Whoever comes first is offered the demo; a job that is gone says so with a
// way back.
func TestFirstRunAndLostPages(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/")
	p.press("Look at the demo jobs")
	p.drawn()
	p.goTo("/jobs")
	p.see("Orchard truck")
	if eval[bool](p, `document.body.innerText.includes('Look at the demo jobs')`) {
		t.Error("the demo is offered again after it was seen")
	}
	p.goTo("/jobs/00000000-0000-7000-8000-000000000000/shape")
	p.see("it is not there")
	p.goTo("/no/such/page")
	p.press("Go to the jobs")
	p.see("Orchard truck")
}

// The dim shed is remembered on the device and reaches every view.
func TestTheme(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/jobs")
	day := eval[string](p, `getComputedStyle(document.body).backgroundColor`)
	p.press("Dim")
	p.wait("the shed", `document.documentElement.dataset.theme === 'shed'`)
	p.goTo("/quick/bend")
	p.wait("the shed after a new page", `document.documentElement.dataset.theme === 'shed'`)
	if shed := eval[string](p, `getComputedStyle(document.body).backgroundColor`); shed == day {
		t.Errorf("the shed looks like the day: %s", shed)
	}
	p.press("Day")
	p.wait("the day", `document.documentElement.dataset.theme === 'day'`)
}

// The watch over the content policy sees what it stops: every other test relies
// on it.
func TestContentPolicyIsWatched(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/jobs")
	p.see("Orchard truck")
	eval[bool](p, `(() => { const s = document.createElement('script'); s.src = 'https://elsewhere.example/x.js'; document.head.append(s); return true })()`)
	p.wait("the violation", `(localStorage.getItem('test.stopped') ?? '').includes('script-src')`)
	eval[bool](p, `(localStorage.removeItem('test.stopped'), true)`)
}
