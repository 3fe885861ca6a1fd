package e2e

import (
	"os"
	"path/filepath"
	"reflect"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"

	"warmanvil/core/demo"
	"warmanvil/core/sheet/made"
)

// The bed is made smaller, in inches: the parts that do not go on it are named, and one of
// them is split by one press into pieces that do. What was said of the shop can be undone.
func TestABedMadeSmaller(t *testing.T) {
	a := startApp(t)
	job, tray := a.demoPart(t, "Orchard truck", "Compressor tray")
	p := open(t, a, 1280, 800)
	p.goTo("/shop")
	p.see("None yet: usual ones are taken")
	p.press("inch, fractions")
	p.press("laser")
	p.wait("its card", `document.querySelector('[data-machine=laser]')`)
	p.set("[data-machine=laser]", "Called", "Short laser")
	p.set("[data-machine=laser]", "Longest", "2'")
	p.set("[data-machine=laser]", "Widest", "2'")
	p.wait("what that makes of the tray", `document.querySelector('[data-moved="Compressor tray"]')?.innerText.includes('does not go on Short laser, 609.6 mm × 609.6 mm')`)
	p.wait("it to be kept", `document.querySelector('[data-shop]')?.dataset.shop === 'saved'`)
	w, err := a.jobs.Shop(t.Context())
	if err != nil || len(w.Machines) != 1 || w.Machines[0].Limits["long"] != 609.6 || !w.Inches() {
		t.Fatalf("%v %+v", err, w)
	}

	p.goTo("/jobs/" + job + "/shape/" + tray)
	p.drawn()
	p.wait("the flag", `document.querySelector('[data-code=past-bed]')?.innerText.includes('Short laser')`)
	p.press("Where to split it")
	p.wait("lines", `document.querySelector('[data-line]')`)
	name := eval[string](p, `document.querySelector('[data-line] b').innerText`)
	if left := eval[string](p, `document.querySelector('[data-line]').innerText`); strings.Contains(left, "Still too large") {
		t.Errorf("the first line leaves something: %s", left)
	}
	p.press("Split at the line " + name)
	p.see("Compressor tray, first piece")
	p.drawn()
	parts, err := a.jobs.Parts(t.Context(), job)
	if err != nil {
		t.Fatal(err)
	}
	pieces := 0
	for _, q := range parts {
		if q.Recipe.Piece == nil {
			continue
		}
		pieces++
		b, err := made.Build(q.Recipe, made.Options{Machines: w.For(q.Recipe, false)})
		if err != nil || !b.Whole {
			t.Fatalf("%v %+v", err, b.Findings)
		}
		for _, f := range b.Findings {
			if f.Cause == "Large parts" {
				t.Errorf("%s: %s", q.Name, f.Reason)
			}
		}
	}
	if pieces != 2 {
		t.Errorf("%d pieces", pieces)
	}

	p.goTo("/shop")
	p.wait("the machine", `document.querySelector('[data-machine=laser]')`)
	p.press("Remove Short laser")
	p.wait("none", `!document.querySelector('[data-machine]') && document.querySelector('[data-shop]')?.dataset.shop === 'saved'`)
	p.press("Undo")
	p.wait("it is back", `document.querySelector('[data-machine=laser]')`)
}

// Who is there and what each lifts is asked of every part; a minus is refused at its field.
func TestWhoIsInTheShop(t *testing.T) {
	a := startApp(t)
	job, tray := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	p := open(t, a, 800, 1180)
	p.goTo("/shop")
	p.press("Add a person")
	p.keys("Ines")
	p.set("[data-person]", "Lifts alone", "-4")
	p.see("What somebody lifts alone must be from 0 to 200")
	p.set("[data-person]", "Lifts alone", "1 lb")
	p.press("Skill")
	p.pick("[data-person]", "Is", "new at it")
	p.wait("it to be kept", `document.querySelector('[data-shop]')?.dataset.shop === 'saved'`)
	w, err := a.jobs.Shop(t.Context())
	if err != nil || len(w.People) != 1 || w.People[0].Name != "Ines" || len(w.People[0].Skills) != 1 || w.People[0].Skills[0].Level != "new" {
		t.Fatalf("%v %+v", err, w)
	}
	p.goTo("/jobs/" + job + "/shape/" + tray)
	p.wait("who cannot lift it", `document.querySelector('[data-code=past-lift]')?.innerText.includes('Ines lifts 1 lb')`)
}

// The shop goes out as a file and comes in again; a file that is none changes nothing. A
// frame is named when its saw is too small, in the shed.
func TestTheShopAsAFile(t *testing.T) {
	a := startApp(t)
	if err := a.jobs.LoadDemoShop(t.Context()); err != nil {
		t.Fatal(err)
	}
	p := open(t, a, 1280, 800)
	p.goTo("/shop")
	p.choose("shed")
	p.wait("its machines", `document.querySelectorAll('[data-machine]').length === 9`)
	p.press("Save as a file")
	name, raw := p.download(".json")
	if name != "shop.warmanvil.json" || !strings.Contains(string(raw), "Pillar drill") {
		t.Fatalf("%s: %s", name, raw)
	}
	p.set("[data-machine=band]", "Widest", "20")
	p.set("[data-machine=band]", "Highest", "20")
	p.wait("the frame it is too small for", `[...document.querySelectorAll('[data-moved]')].some(x => x.innerText.includes('not cut at') && x.innerText.includes('Band saw takes 20.0 mm wide'))`)
	dir := t.TempDir()
	none, kept := filepath.Join(dir, "job.json"), filepath.Join(dir, "kept.json")
	for file, text := range map[string]string{none: `{"format":"warm-anvil-job","documents":[]}`, kept: string(raw)} {
		if err := os.WriteFile(file, []byte(text), 0o600); err != nil {
			t.Fatal(err)
		}
	}
	p.do(chromedp.SetUploadFiles(chromedp.CSS(`input[type=file]`), []string{none}))
	p.see("job.json is no file of a shop. Nothing was changed.")
	p.do(chromedp.SetUploadFiles(chromedp.CSS(`input[type=file]`), []string{kept}))
	p.see("kept.json stands in the place of what was here")
	p.wait("the saw as it was", `document.querySelector('[data-shop]')?.dataset.shop === 'saved' && !document.querySelector('[data-moved]')`)
	w, err := a.jobs.Shop(t.Context())
	if err != nil || !reflect.DeepEqual(w, demo.Shop()) {
		t.Errorf("%v %+v", err, w)
	}
}
