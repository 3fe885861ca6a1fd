package e2e

import (
	"fmt"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// What is ordinary works by keys alone: an icon says its name when it is reached, a day
// is typed and kept, a group used before is offered and chosen, every state that was
// kept stands in its order.
func TestOrdinaryControlsByKeys(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Orchard truck", "Shelf bracket")
	a.free(t, job)
	p := open(t, a, 1280, 800)

	p.goTo("/jobs/" + job + "/measure")
	p.see("Ready by")
	p.enter("#bench", "Ready by")
	p.keys("2027-02-31" + kb.Enter) // there is no such day
	p.briefSaved()
	if got, err := a.jobs.Job(t.Context(), job); err != nil || got.Brief.Limits.Date != "" {
		t.Errorf("kept a day that there is not: %q (%v)", got.Brief.Limits.Date, err)
	}
	p.enter("#bench", "Ready by")
	p.keys("2027-03-31" + kb.Enter)
	p.wait("the calendar to close", `!document.querySelector('.n-date-panel')`)
	p.briefSaved()
	if got, err := a.jobs.Job(t.Context(), job); err != nil || got.Brief.Limits.Date != "2027-03-31" {
		t.Errorf("kept the day %q (%v)", got.Brief.Limits.Date, err)
	}

	p.bench(job, part)
	p.press("Options of Back flange")
	p.enter(".shape", "In the group")
	p.keys("Lid" + kb.Tab)
	p.wait("the group", `document.querySelectorAll('[data-group=Lid]').length === 1`)
	p.press("Options of Right flange")
	p.enter(".shape", "In the group")
	p.wait("what is known", `[...document.querySelectorAll('[role=listbox]')].some(l => l.innerText.trim() === 'Lid')`)
	p.wait("it says so", `document.activeElement.getAttribute('aria-expanded') === 'true'`)
	p.keys(kb.ArrowDown + kb.Enter)
	p.wait("both in it", `document.querySelector('[data-group=Lid] .num').innerText === '2'`)
	p.saved()

	sizes := `[...document.querySelectorAll('[data-path] .num')].map(e => e.innerText).join()`
	before := eval[string](p, sizes)
	p.press("Flags")
	for _, step := range []struct{ key, drawer, tab string }{
		{kb.ArrowRight, "bends", "Bends"}, {kb.ArrowRight, "holes", "Holes"}, {kb.End, "split", "Split"},
		{kb.ArrowRight, "flags", "Flags"}, {kb.ArrowLeft, "split", "Split"}, {kb.Home, "flags", "Flags"},
	} {
		p.keys(step.key)
		p.wait("the drawer "+step.drawer, fmt.Sprintf(`document.querySelector('[data-drawer=%s][role=tabpanel][aria-label=%q]')
			&& document.activeElement.getAttribute('role') === 'tab' && document.activeElement.innerText.startsWith(%[2]q)
			&& document.querySelectorAll('[aria-label=Show] [role=tab][tabindex="0"][aria-selected=true]').length === 1`, step.drawer, step.tab))
	}
	if after := eval[string](p, sizes); after != before || before == "" {
		t.Errorf("walking along the tabs changed the sizes: %s, were %s", after, before)
	}

	eval[bool](p, `(document.querySelector('[aria-label="Group Lid"]').focus(), true)`)
	p.keys(kb.Tab + kb.Tab)
	p.wait("the name beside it", `[...document.querySelectorAll('.n-tooltip')].some(e => e.innerText === 'Copy the group')`)
	p.do(chromedp.KeyEvent(kb.Escape))
	p.wait("it goes", `!document.querySelector('.n-tooltip')`)

	last := p.revision()
	p.press(last)
	p.wait("every state, the newest first", `(l => l[0] === '`+last+`' && l.at(-1) === 'r1' && l.length === Number('`+last+`'.slice(1)))(
		[...document.querySelectorAll('[role=listitem]')].map(e => e.innerText.trim().match(/^r[0-9]+/)?.[0]))`)
	p.see("stands now")
}
