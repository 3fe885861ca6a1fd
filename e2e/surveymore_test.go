package e2e

import (
	"context"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"warmanvil/core/brief"
	"warmanvil/job"
)

// blank starts a job of its own in some unit and opens a sheet of Measure.
func (a app) blank(t *testing.T, unit brief.Unit, sheet string) (jobID string, p *page) {
	t.Helper()
	j, err := a.jobs.CreateJob(t.Context(),
		brief.Brief{Name: "Yard cart", Quantity: 1, Unit: unit, Grain: 25.4 / 32,
			Targets: []brief.Target{{ID: "reach", Text: "Reach to the tap", Unit: "mm", Sense: "atMost", Wanted: ptr(800)}}})
	if err != nil {
		t.Fatal(err)
	}
	p = open(t, a, 1280, 800)
	p.goTo("/jobs/" + j.ID + "/measure/" + sheet)
	p.wait("the sheet", `document.querySelector('[data-survey]')`)
	return j.ID, p
}

func ptr(v float64) *float64 { return &v }

// Four heights in inches, typed as spoken, give slope and packing; a height
// that cannot be is refused beside itself and what was typed stays.
func TestLevelInInches(t *testing.T) {
	a := startApp(t)
	_, p := a.blank(t, brief.UnitFraction, "vehicle")
	p.press("Add a levelling")
	p.set("#levels", "What is levelled", "Cart bed")
	for label, text := range map[string]string{"Front to rear": "6 ft", "Left to right": "40", "Height front left": "21 1/2",
		"Height front right": "21-1/2", "Height rear left": "22", "Height rear right": "22 in"} {
		p.set("#levels", label, text)
	}
	p.surveySaved()
	p.wait("pitch", `document.querySelector('[data-level="Cart bed"] .came')?.innerText.includes('0.40°')`) // atan(0.5/72)
	p.wait("packing", `[...document.querySelectorAll('.corner .num')].map(x => x.innerText).join('|') === '1/2"|1/2"|0"|0"'`)
	p.set("#levels", "Height front left", "21 - 1/2 - x")
	p.wait("the refusal", `document.querySelector('#levels .wrong')`)
	p.set("#levels", "Wanted, nose low", "0.40")
	p.wait("nearly no packing", `[...document.querySelectorAll('.corner .num')].every(x => x.innerText.startsWith('0'))`)
}

// Points come in from a list, lines that cannot be read are told, and one of
// them measures a reach against its target.
func TestPointsFromAList(t *testing.T) {
	a := startApp(t)
	jobID, p := a.blank(t, brief.UnitMM, "vehicle")
	file := filepath.Join(t.TempDir(), "points.csv")
	if err := os.WriteFile(file, []byte("name,x mm,y mm,z mm\nSeat,0,0,400\nTap,500,300,900\nTap,1,1,1\nGone,1,2,\n"), 0o600); err != nil {
		t.Fatal(err)
	}
	p.do(chromedp.SetUploadFiles(chromedp.CSS(`input[type=file]`), []string{file}))
	p.see("2 points taken")
	p.see("Line 4: the name Tap stands in the list twice")
	p.see("Line 5: z is")
	p.wait("the points", `document.querySelectorAll('[data-point]').length === 2`)
	p.press("Add one between two points")
	p.set("#measures", "What", "Seat to tap")
	p.pick("#measures", "Kind", "reach")
	p.pick("#measures", "From", "Seat")
	p.pick("#measures", "To", "Tap")
	p.pick("#measures", "Target", "Reach to the tap")
	p.surveySaved()
	p.wait("the reach", `document.querySelector('#measures [data-verdict]')?.innerText.includes('768.1 mm')`)
	p.wait("close to the target, and known no better", `document.querySelector('#measures [data-verdict]').dataset.verdict === 'good'`)
	p.press("Tap")
	p.set(".point.shown", "up", "950")
	p.wait("too far", `document.querySelector('#measures [data-verdict]').dataset.verdict === 'bad'`)
	v, _, err := a.jobs.Survey(context.Background(), jobID)
	if err != nil || len(v.Points) != 2 {
		t.Errorf("%+v %v", v.Points, err)
	}
}

// Somebody else saves the survey meanwhile: nothing is overwritten. The server
// goes away: what is typed waits in this browser, through a closed page.
func TestSurveyIsNotLost(t *testing.T) {
	a := startApp(t)
	jobID, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/measure/vehicle")
	p.wait("the sheet", `document.querySelector('[data-map]')`)
	ctx := context.Background()
	v, revision, err := a.jobs.Survey(ctx, jobID)
	if err != nil {
		t.Fatal(err)
	}
	v.Datum.Forward = "along the sill"
	if _, err := a.jobs.SaveSurvey(ctx, jobID, job.On{Revision: revision}, v); err != nil {
		t.Fatal(err)
	}
	p.set("#datum", "The tape's hook is", "1.4")
	p.see("Joined with what somebody else changed meanwhile")
	p.surveySaved()
	if now, _, _ := a.jobs.Survey(ctx, jobID); now.Hook != 1.4 || now.Datum.Forward != "along the sill" {
		t.Errorf("overwritten: %g, %+v", now.Hook, now.Datum)
	}
	p.wait("the other's words", `[...document.querySelectorAll('textarea')].some(x => x.value === 'along the sill')`)
	a.away.Store(true)
	p.set("#datum", "The tape's hook is", "1.6")
	p.wait("the waiting", `document.querySelector('[data-survey]').dataset.survey === 'waiting for the server'`)
	p.do(chromedp.Navigate("about:blank"))
	a.away.Store(false)
	p.goTo("/jobs/" + jobID + "/measure/vehicle")
	p.wait("the sheet", `document.querySelector('[data-map]')`)
	p.surveySaved()
	if now, _, err := a.jobs.Survey(ctx, jobID); err != nil || now.Hook != 1.6 {
		t.Errorf("stored a hook of %v, %v", now.Hook, err)
	}
}

// A hole nobody looked behind is not to be drilled; looked at, the stop is set;
// into a line, never.
func TestDrillOnlyWhatWasLookedBehind(t *testing.T) {
	a := startApp(t)
	jobID, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/measure/room")
	p.press("Add a hole to drill")
	p.wait("the new one", `document.querySelectorAll('.drill').length === 2`)
	row := ".card:nth-of-type(2) .drill"
	p.set(row, "Hole", "Clip")
	p.pick(row, "At the point", "Left rail 8")
	p.pick(row, "The wall faces", "to the left")
	p.set(row, "Drill", "9")
	p.set(row, "Wall thickness", "5")
	says := func(words string) {
		t.Helper()
		p.wait("the stop: "+words, fmt.Sprintf(`document.querySelector('[data-drill="Clip"] .num.big')?.innerText.includes(%q)`, words))
	}
	says("not before somebody looked")
	p.set(row, "Who looked, and what is there", "Ane, with a mirror: fuel line 40 behind")
	says("mm")
	p.see("licensed engineer")
	p.set(row, "Wall thickness", "40")
	says("do not drill")
}

// A stack is typed from nothing by keyboard: layers, places, spacers and shims.
func TestStackByKeyboard(t *testing.T) {
	a := startApp(t)
	_, p := a.blank(t, brief.UnitMM, "fits")
	tab := func(to string) {
		t.Helper()
		for range 90 {
			p.keys(kb.Tab)
			if eval[bool](p, `document.activeElement?.matches(`+"`"+to+"`"+`) ?? false`) {
				return
			}
		}
		t.Fatalf("Tab never reaches %s%s", to, p.state())
	}
	tab(`#stacks > .stack > .cards > .row > .press`)
	p.keys(kb.Enter)
	p.wait("the stack", `document.querySelector('[data-stack]')`)
	p.set("#stacks", "Stack", "Deck")
	p.set(".place", "Gap, 1", "62.5")
	p.wait("the standoff", `document.querySelector('[data-stack="Deck"] td.big')?.innerText === '62.5 mm'`)
	p.press("Plate, pad, coat or weld gap")
	p.set(".layer", "Thickness", "12")
	p.set(".layer", "How many", "2")
	p.wait("less two plates", `document.querySelector('[data-stack="Deck"] td.big')?.innerText === '38.5 mm'`)
	p.wait("spacer and shim", `document.querySelector('[data-stack="Deck"] tbody tr').innerText.includes('38.0 mm')`)
	p.set(".layer", "How many", "9")
	p.see("Nothing is left")
	p.press("Add a sliding fit")
	p.wait("the fit", `document.querySelector('[data-fit] [data-verdict=good]')`)
	p.set("[data-fit] .fields", "width", "42.5")
	p.wait("it binds", `document.querySelector('[data-fit] [data-verdict=bad]')`)
}

// The paper for the vehicle leaves its readings open; the one with results is in
// the job's units.
func TestSurveyPapers(t *testing.T) {
	a := startApp(t)
	lorry, _ := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	p := open(t, a, 800, 1180)
	p.goTo("/jobs/" + lorry + "/measure/vehicle")
	p.press("Survey with its results")
	name, results := p.download(".pdf")
	if !strings.HasPrefix(name, "sound-lorry_survey-results") {
		t.Errorf("named %q", name)
	}
	text := pdfText(t, results)
	if !strings.Contains(text, `-11 1/2"`) || !strings.Contains(text, "Shelf cleat, left") || !strings.Contains(text, "left door hinge") {
		t.Errorf("it says %s", text)
	}
	p.press("Survey sheet to fill in")
	_, blank := p.download("blank_r1.pdf")
	if text = pdfText(t, blank); strings.Contains(text, `-11 1/2"`) || !strings.Contains(text, "Shelf cleat, left") ||
		!strings.Contains(text, "Measured by") {
		t.Errorf("the blank says %s", text)
	}
}

func pdfText(t *testing.T, raw []byte) string {
	t.Helper()
	file := filepath.Join(t.TempDir(), "sheet.pdf")
	if err := os.WriteFile(file, raw, 0o600); err != nil {
		t.Fatal(err)
	}
	out, err := exec.Command("pdftotext", file, "-").Output()
	if err != nil {
		t.Fatal(err)
	}
	return string(out)
}
