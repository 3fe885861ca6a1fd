package e2e

import (
	"math"
	"os"
	"path/filepath"
	"reflect"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"

	"warmanvil/core/bend"
	"warmanvil/core/demo"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/job"
)

// The bed is made smaller, in inches: the parts that do not go on it are named, and one of
// them is split by one press into pieces that do. What was said of the shop can be undone.
func TestABedMadeSmaller(t *testing.T) {
	a := startApp(t)
	truck, tray := a.demoPart(t, "Orchard truck", "Compressor tray")
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

	p.goTo("/jobs/" + truck + "/shape/" + tray)
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
	parts, err := a.jobs.Parts(t.Context(), truck)
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
	lorry, tray := a.demoPart(t, "Sound lorry", "Amplifier shelf")
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
	p.goTo("/jobs/" + lorry + "/shape/" + tray)
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
	w.Stock = nil // it is no part of the file
	if err != nil || !reflect.DeepEqual(w, demo.Shop()) {
		t.Errorf("%v %+v", err, w)
	}
}

// A strip typed on one part's bench counts for every part of its sheet and tool: the blank of
// another job's part follows it, and the shop says by how much.
func TestAStripForEveryJob(t *testing.T) {
	a := startApp(t)
	first, id := a.demoPart(t, "Orchard truck", "Press foot")
	foot, err := a.jobs.Part(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	r := foot.Recipe
	r.Base = sheet.Base{ID: "ear", Length: 120, Width: 80, Flanges: []sheet.Flange{{ID: "f", Edge: sheet.Front, Length: 60, Angle: 90,
		InsideRadius: 6}}}
	r.Bend = bend.Rule{School: bend.SchoolShop, Method: bend.MethodAir}
	second, err := a.jobs.DuplicateJob(t.Context(), first)
	if err != nil {
		t.Fatal(err)
	}
	var parts []job.Part
	for _, of := range []string{first, second.ID} {
		p, err := a.jobs.CreatePart(t.Context(), of, job.PartState{Name: "Ear", Quantity: 1, Recipe: r})
		if err != nil {
			t.Fatal(err)
		}
		parts = append(parts, p)
	}
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + first + "/shape/" + parts[0].ID)
	p.drawn()
	p.wait("that the shop has none", `document.querySelector('[data-code=school-silent]')?.innerText.includes('The Shop has no strip of this sheet')`)
	p.press("Bend allowance")
	p.press("Type a strip")
	for label, v := range map[string]string{"Flat": "100", "Leg a, outside": "55", "Leg b, outside": "55.2", "Angle": "90",
		"Thickness": "6", "Inside R": "6"} {
		p.set("[aria-label='A new strip']", label, v)
	}
	p.press("Write it down in the shop")
	p.see("It is written down in the shop.")
	p.wait("the blank of it", `document.querySelector('[data-school=shop]')?.innerText.includes('in use') && !document.querySelector('[data-school=shop] .soft')`)
	// BD = 55 + 55.2 − 100 = 10.2; 80 + 60 − 10.2.
	p.wait("by its deduction", `document.querySelector('[data-school=shop]').innerText.includes('129.8')`)
	p.goTo("/shop")
	p.wait("the strip", `document.querySelectorAll('[data-strip]').length === 1 && document.querySelector('[data-strips]').innerText.includes('from one strip')`)
	p.set("[data-strip]", "Leg a, outside", "55.4")
	p.wait("both blanks to follow", `[...document.querySelectorAll('[data-moved=Ear]')].filter(x => x.innerText.includes('× 129.40 mm, was') && x.innerText.includes('× 129.80 mm.')).length === 2`)
	for _, q := range parts {
		now, err := a.jobs.Part(t.Context(), q.ID)
		if err != nil {
			t.Fatal(err)
		}
		b, err := made.Build(now.Recipe, made.Options{})
		if err != nil || math.Abs(b.Outline.Bounds().Max.Y-b.Outline.Bounds().Min.Y-129.4) > 1e-6 {
			t.Errorf("%v %+v", err, b.Outline.Bounds())
		}
	}
}

// Drills and taps that are named are asked of the holes that are drilled; the next larger one
// is a fix.
func TestDrillsAtHand(t *testing.T) {
	a := startApp(t)
	truck, id := a.demoPart(t, "Orchard truck", "Press foot")
	foot, err := a.jobs.Part(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	r := foot.Recipe
	r.Base = sheet.Base{ID: "plate", Length: 120, Width: 80, Holes: []sheet.Hole{{ID: "h", Name: "Pivot", Kind: sheet.RoundHole, Diameter: 8.7,
		Made: sheet.MadeDrilled, X: sheet.Offset{Edge: sheet.Left, Distance: 40}, Y: sheet.Offset{Edge: sheet.Front, Distance: 40}}}}
	plate, err := a.jobs.CreatePart(t.Context(), truck, job.PartState{Name: "Pivot plate", Quantity: 1, Recipe: r})
	if err != nil {
		t.Fatal(err)
	}
	p := open(t, a, 1280, 800)
	p.goTo("/shop")
	p.press("Add a set of tools")
	p.wait("a box of drills", `document.querySelector('[data-tools=drill]')`)
	p.set("[data-tools=drill]", "To", "10")
	p.wait("the plate to be named", `document.querySelector('[data-moved="Pivot plate"]')?.innerText.includes('its next are 8.5 mm and 9 mm')`)
	p.press("Add a set of tools")
	p.wait("another", `document.querySelectorAll('[data-tools]').length === 2`)
	p.goTo("/jobs/" + truck + "/shape/" + plate.ID)
	p.drawn()
	p.press("Drill it 9 mm")
	p.wait("it to be mended", `!document.querySelector('[data-code=drill-missing]')`)
	p.saved()
	now, err := a.jobs.Part(t.Context(), plate.ID)
	if err != nil || now.Recipe.Base.Holes[0].Diameter != 9 {
		t.Errorf("%v %+v", err, now.Recipe.Base.Holes)
	}
}
