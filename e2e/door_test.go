package e2e

import (
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"warmanvil/httpapi"
)

const code = "SETUPCODE234"

func startShared(t testing.TB) app {
	t.Helper()
	return startBehind(t, httpapi.Door{Listen: true, SetupCode: code})
}

// fill types into the field of a label.
func (p *page) fill(label, text string) {
	p.t.Helper()
	p.hand("body", label)
	p.keys(text)
}

// makeOwner walks the first visitor's way.
func (p *page) makeOwner() {
	p.t.Helper()
	p.goTo("/jobs")
	p.see("This server has no owner yet")
	p.see("without TLS")
	p.fill("Code", code)
	p.fill("Your name", "Mara")
	p.fill("Password, twelve characters or more", "a few plain words")
	p.keys(kb.Enter)
	p.see("Orchard truck")
}

// The first visitor makes the owner with the printed code; a wrong password is
// refused beside itself, the right one lets in where one was going.
func TestSignIn(t *testing.T) {
	a := startShared(t)
	p := open(t, a, 1280, 800)
	p.makeOwner()
	p.press("People")
	p.see("this one")
	p.press("Sign out")
	p.see("Sign in")
	p.fill("Your name", "Mara")
	p.fill("Password", "guess")
	p.keys(kb.Enter)
	p.see("Name and password do not go together.")
	p.fill("Password", "")
	p.do(chromedp.KeyEvent("a", chromedp.KeyModifiers(chromedp.ModifierCtrl)))
	p.keys("a few plain words" + kb.Enter)
	p.see("Orchard truck")
}

// What is typed and not sent yet belongs to whoever typed it: it is kept under their name,
// signing out asks before it goes, and then nothing of theirs is left in the browser.
func TestDraftsGoWithTheirOwner(t *testing.T) {
	a := startShared(t)
	job, part := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.makeOwner()
	p.bench(job, part)
	p.size("/base/length", "64")
	p.saved()
	a.away.Store(true)
	p.size("/base/length", "65")
	p.see("waiting for the server")
	kept := `Object.keys(localStorage).filter(k => k.startsWith('warmanvil.draft.')).join()`
	if got := eval[string](p, kept); got != "warmanvil.draft.mara.part."+part {
		t.Errorf("kept as %q", got)
	}
	p.goTo("/people")
	p.press("Sign out")
	p.see("What you typed in 1 place is not sent yet")
	p.press("No")
	p.see("this one")
	p.press("Sign out")
	p.press("Yes")
	p.see("Your name")
	a.away.Store(false)
	if got := eval[string](p, `Object.keys(localStorage).filter(k => !/\.(theme|paper|opened|board)/.test(k) && k.startsWith('warmanvil')).join()`); got != "warmanvil.whose" {
		t.Errorf("left behind: %q", got)
	}
	p.fill("Your name", "Mara")
	p.fill("Password", "a few plain words")
	p.keys(kb.Enter)
	p.see("Orchard truck")
	p.bench(job, part)
	p.wait("what was saved", `document.querySelector('[data-path="/base/length"] .num')?.innerText === '64.0 mm'`)
}

// A tablet is paired by the code on the signed-in screen, works, is listed, and
// is signed out from there.
func TestPairATablet(t *testing.T) {
	a := startShared(t)
	desk, tablet := open(t, a, 1280, 800), open(t, a, 800, 1180)
	desk.makeOwner()
	desk.press("People")
	desk.press("Pair a tablet")
	desk.wait("the code", `document.querySelector('[data-code]')`)
	word := strings.ReplaceAll(eval[string](desk, `document.querySelector('[data-code]').innerText`), " ", "")
	if eval[int](desk, `document.querySelector('.card img').naturalWidth`) < 200 {
		t.Error("there is no picture to scan")
	}
	tablet.goTo("/pair#" + word)
	tablet.see("Pair this device")
	tablet.press("Pair")
	tablet.see("Orchard truck")
	desk.goTo("/people")
	desk.wait("both devices", `document.querySelectorAll('[data-device]').length === 2`)
	desk.press(eval[string](desk, `[...document.querySelectorAll('[data-device] button')][0].getAttribute('aria-label')`))
	desk.see("Sign it out?")
	desk.press("No")
	desk.wait("nothing done", `document.querySelectorAll('[data-device]').length === 2 && !document.querySelector('[role=alertdialog]')`)
	desk.wait("the hand back where it was", `document.activeElement.getAttribute('aria-label')?.startsWith('Sign out ')`)
	desk.keys(kb.Enter)
	desk.wait("the hand in the question", `document.activeElement.closest('[role=alertdialog]')`)
	desk.press("Yes")
	desk.see("signed out.")
	tablet.goTo("/jobs")
	tablet.see("Sign in")
}

// A reader looks at everything and can change nothing.
func TestReaderChangesNothing(t *testing.T) {
	a := startShared(t)
	desk, reader := open(t, a, 1280, 800), open(t, a, 1280, 800)
	desk.makeOwner()
	desk.press("People")
	desk.press("reader")
	desk.press("Make an invitation")
	desk.wait("the code", `document.querySelector('[data-code]')`)
	word := strings.ReplaceAll(eval[string](desk, `document.querySelector('[data-code]').innerText`), " ", "")
	reader.goTo("/join#" + word)
	reader.fill("Your name", "Rolf")
	reader.fill("Password, twelve characters or more", "a few other words")
	reader.keys(kb.Enter)
	reader.see("You look at this as a reader")
	job, part := a.demoPart(t, "Orchard truck", "Shelf bracket")
	a.free(t, job)
	reader.bench(job, part)
	reader.size("/base/length", "99")
	reader.wait("the refusal", `document.querySelector('.shape').dataset.save === 'not saved'`)
	reader.see("your account may look but not change this")
	if got, err := a.jobs.Part(t.Context(), part); err != nil || got.Revision != 1 || got.Recipe.Base.Length != 60 {
		t.Errorf("the reader changed it: r%d, %g (%v)", got.Revision, got.Recipe.Base.Length, err)
	}
	reader.goTo("/jobs/" + job + "/hold")
	reader.verdict("tight")
	reader.goTo("/jobs/" + job + "/make")
	reader.press("Cut ticket")
	if _, data := reader.download(".csv"); len(data) == 0 {
		t.Error("the reader cannot take the cut ticket")
	}
	if eval[int](reader, `[...document.querySelectorAll('.rail a')].filter(x => x.innerText.trim() === 'People').length`) != 0 {
		t.Error("the reader is shown the owner's page")
	}
}

// The way in and the people's page: no serious violation in either theme, at
// a desk and on a telephone.
func TestDoorIsAccessible(t *testing.T) {
	axe := readAxe(t)
	a := startShared(t)
	p := open(t, a, 390, 844)
	check := func(where string) {
		t.Helper()
		for _, theme := range []string{"day", "shed"} {
			p.choose(theme)
			for _, f := range p.serious(axe) {
				t.Errorf("%s, %s: %s", where, theme, f)
			}
		}
		if over := eval[int](p, `document.querySelector('#bench').scrollWidth - document.querySelector('#bench').clientWidth`); over > 1 {
			t.Errorf("%s runs %d px off sideways", where, over)
		}
	}
	p.goTo("/sign-in")
	p.see("This server has no owner yet")
	check("setup")
	p.makeOwner()
	p.goTo("/people")
	p.see("this one")
	p.press("Pair a tablet")
	p.wait("the code", `document.querySelector('[data-code]')`)
	check("people")
	p.goTo("/pair")
	p.see("Pair this device")
	check("pair")
}
