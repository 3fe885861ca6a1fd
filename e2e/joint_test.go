package e2e

import (
	"bytes"
	"cmp"
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"warmanvil/core/brief"
	"warmanvil/core/sheet"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
	"warmanvil/job"
)

// The press foot bolted to floor and outrigger: loaded until its bolts are over,
// a better class taken, a lock left out and said, and the torque sheet fetched.
func TestJointOnTheFloor(t *testing.T) {
	a := startApp(t)
	job, _ := a.demoPart(t, "Orchard truck", "Press foot")
	a.free(t, job)
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + job + "/hold")
	p.press("Press foot on floor and outrigger")
	p.verdict("holds")
	torque := `document.querySelector('[data-torque]').innerText`
	if got := eval[string](p, torque); got != "70.4 N·m" {
		t.Errorf("tighten to %s", got)
	}
	p.pick("main", "Class", "10.9")
	p.wait("a higher torque", torque+` === '101 N·m'`)
	p.pick("main", "Class", "8.8")
	p.wait("the first torque", torque+` === '70.4 N·m'`)
	// Half the share of proof is half the torque.
	p.set("main", "Share of proof, %", "37.5")
	p.wait("half the torque", torque+` === '35.2 N·m'`)
	p.set("main", "Share of proof, %", "75")
	p.wait("the whole torque", torque+` === '70.4 N·m'`)
	p.pick("main", "Locked by", "nothing")
	p.pick("main", "Screwed into", "a hexagon nut")
	p.wait("the lock missed", `document.querySelector('[data-code=no-lock]')`)
	// The plates backed, a pull of 70 kN is too much for two M12 of 8.8, not of 10.9.
	for _, ply := range []string{"0", "2"} {
		eval[bool](p, `(() => { [...document.querySelectorAll('[data-ply="`+ply+
			`"] .tick')].find(l => l.innerText.includes('backed or stiff')).querySelector('input').click(); return true })()`)
	}
	p.pick("main", "Class", "10.9")
	p.press("typed here")
	p.wait("the typed cases", `document.querySelector('[data-case="0"]')`)
	eval[bool](p, `(() => { const l = [...document.querySelectorAll('[data-case="0"] label')].find(l => l.innerText === 'Force off'); document.getElementById(l.htmlFor).focus(); document.getElementById(l.htmlFor).select(); return true })()`)
	p.keys("70000" + kb.Enter)
	p.verdict("holds")
	p.pick("main", "Class", "8.8")
	p.verdict("over")
	p.wait("what would help", `document.querySelector('[data-suggestions] .row')`)
	p.press("Take it")
	p.wait("the better class", `[...document.querySelectorAll('main label')].some(l => l.innerText === 'Class' && document.getElementById(l.htmlFor).value === '10.9')`)
	p.briefKept()
	p.press("Torque sheet of the job")
	name, data := p.download(".pdf")
	if name == "" || !bytes.HasPrefix(data, []byte("%PDF")) {
		t.Errorf("%q is no sheet", name)
	}
	// Another joint, removed again.
	p.press("Work a joint out")
	p.wait("its plies", `document.querySelectorAll('[data-ply]').length === 2`)
	p.press("Remove this joint")
	p.wait("it gone", `[...document.querySelectorAll('.list .pick')].every(x => !x.innerText.includes(', bolted'))`)
	p.do(chromedp.Reload())
	p.see("Press foot on floor and outrigger")
}

// A foot is placed under a tank: its bolts do not go in from above, and from below
// they do; a cover over it is cut for the socket. Both by one press.
func TestBoltBlockedAndFlipped(t *testing.T) {
	a := startApp(t)
	id, foot := a.demoPart(t, "Orchard truck", "Press foot")
	v, revision, err := a.jobs.Survey(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	v.Placed = append(v.Placed, vehicle.Placed{ID: "under", Name: "Foot under the tank", Part: foot, At: [3]float64{-9000, 0, 0}})
	v.Spaces = append(v.Spaces, survey.Space{ID: "low-tank", Name: "Low tank", Kind: survey.Tank,
		Shape: survey.Shape{Form: survey.BoxForm, At: [3]float64{-9400, -400, 46}, Size: [3]float64{1200, 900, 200}}})
	if _, err := a.jobs.SaveSurvey(t.Context(), id, job.On{Revision: revision}, v); err != nil {
		t.Fatal(err)
	}
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + id + "/hold")
	p.press("Press foot on floor and outrigger")
	p.verdict("holds")
	p.pick("main", "Place 1", "Foot under the tank")
	reach := `document.querySelector('[data-reach]').innerText`
	p.wait("blocked by the tank", reach+`.includes('Bolt 1 blocked') && `+reach+`.includes('Low tank')`)
	eval[bool](p, `(() => { const b = [...document.querySelectorAll('[data-reach] dd')].find(d => d.innerText.includes('from the other side')).querySelector('button'); b.click(); return true })()`)
	p.wait("reached from below", `!`+reach+`.includes('blocked')`)
	p.briefKept()
	j, err := a.jobs.Job(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	if !j.Brief.Joints[1].HeadsBack {
		t.Error("the heads are still on top")
	}
}

// Behind a closed wall no nut is put on: weld nuts by one press, or blind rivets,
// which have a size of their own; and another class out of the bins.
func TestClosedBehind(t *testing.T) {
	a := startApp(t)
	id, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + id + "/hold")
	p.press("Press foot on floor and outrigger")
	p.verdict("holds")
	eval[bool](p, `(() => { document.querySelector('[data-instead] summary').click(); return true })()`)
	p.press("Take A2-70")
	p.wait("the torque of stainless", `document.querySelector('[data-torque]').innerText !== '70.4 N·m'`)
	p.wait("the class taken", `document.querySelector('.facts').innerText.includes('A2-70')`)
	p.pick("main", "Reached from", "the heads' side only")
	p.wait("nuts nobody puts on", `document.querySelector('[data-code=blind]')`)
	reach := `document.querySelector('[data-reach]').innerText`
	p.wait("what is in the way", reach+`.includes("what closes the nuts' side")`)
	p.press("Weld nuts")
	p.wait("reached", `!document.querySelector('[data-code=blind]') && !`+reach+`.includes('blocked')`)
	p.pick("main", "Screwed into", "nothing: a blind rivet")
	p.wait("a rivet", `document.querySelector('.facts').innerText.includes('blind rivet 4.8 mm of steel')`)
	p.pick("main", "Rivet", "6.4 mm, aluminium")
	p.wait("another rivet", `document.querySelector('.facts').innerText.includes('blind rivet 6.4 mm of aluminium')`)
	p.briefKept()
	j, err := a.jobs.Job(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	if w := j.Brief.Joints[1].Design; w.Rivet == nil || w.Rivet.Diameter != 6.4 || w.Reached != "heads" {
		t.Errorf("%+v", w)
	}
}

func TestAccessHoleCut(t *testing.T) {
	a := startApp(t)
	id, foot := a.demoPart(t, "Orchard truck", "Press foot")
	r := sheet.Recipe{Schema: sheet.SchemaVersion, Material: "steel-s235", Thickness: 3, Process: "laser",
		Base: sheet.Base{ID: "base", Length: 500, Width: 500}}
	r.Tool.Kind, r.Bend.School, r.Bend.Method = "vdie", "table", "air"
	cover, err := a.jobs.CreatePart(t.Context(), id, job.PartState{Name: "Cover plate", Quantity: 1, Recipe: r})
	if err != nil {
		t.Fatal(err)
	}
	v, revision, err := a.jobs.Survey(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	v.Placed = append(v.Placed, vehicle.Placed{ID: "under", Name: "Foot under the cover", Part: foot, At: [3]float64{-9000, 0, 0}},
		vehicle.Placed{ID: "cover", Name: "Cover in place", Part: cover.ID, At: [3]float64{-9200, -200, 43}})
	if _, err := a.jobs.SaveSurvey(t.Context(), id, job.On{Revision: revision}, v); err != nil {
		t.Fatal(err)
	}
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + id + "/hold")
	p.press("Press foot on floor and outrigger")
	p.pick("main", "Place 1", "Foot under the cover")
	p.pick("main", "Screwed into", "a weld nut")
	first := `(document.querySelector('[data-reach] .reach-blocked, [data-reach] .reach-tight')?.innerText ?? '')`
	p.wait("bolt 1 under the cover", `[...document.querySelectorAll('[data-reach] dd')].some(d => d.innerText.includes('access hole'))`)
	was := eval[string](p, first)
	if !strings.Contains(was, "Bolt 1") {
		t.Fatalf("%q", was)
	}
	eval[bool](p, `(() => { [...document.querySelectorAll('[data-reach] dd')].find(d => d.innerText.includes('access hole')).querySelector('button').click(); return true })()`)
	p.see("An access hole is cut in Cover plate")
	p.wait("bolt 1 reached through it", `!`+first+`.includes('Bolt 1 ')`)
	cut, err := a.jobs.Part(t.Context(), cover.ID)
	if err != nil || len(cut.Recipe.Base.Holes) != 1 {
		t.Fatalf("%v, %+v", err, cut.Recipe.Base.Holes)
	}
}

// The press's holes and those of its foot cannot always meet: slotted where it is
// said, they do.
func TestPatternsSlotted(t *testing.T) {
	a := startApp(t)
	id, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + id + "/hold")
	p.press("Press on its feet")
	p.set("main [data-ply='0']", "Hole", "13.5")
	p.wait("the holes that miss", `document.querySelector('[data-code=holes-miss]')`)
	eval[bool](p, `(() => { [...document.querySelectorAll('[data-code=holes-miss] button')].find(b => b.innerText.includes("Slot the holes of press's frame")).click(); return true })()`)
	p.wait("they meet", `!document.querySelector('[data-code=holes-miss]')`)
	p.pick("main [data-ply='0']", "Its holes are", "cut on a table")
	p.set("main [data-ply='0']", "A hole may lie off by", "0.1")
	p.briefKept()
	j, err := a.jobs.Job(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	if plies := j.Brief.Joints[0].Design.Plies; !plies[0].Slotted || plies[1].Slotted || plies[0].Tolerance != .1 {
		t.Errorf("slotted: %v, %v; off by %g", plies[0].Slotted, plies[1].Slotted, plies[0].Tolerance)
	}
}

// The load path case by case, and what all joints take from the bins.
func TestLoadPathAndHardware(t *testing.T) {
	a := startApp(t)
	id, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + id + "/hold")
	p.press("Load path")
	rows := `document.querySelectorAll('[data-path-panel] tbody tr')`
	p.wait("eight links and the vehicle", rows+`.length === 9`)
	p.pick("[data-path-panel]", "Case", "at rest")
	// 185 kg on four feet, the middle 20 behind them: 433 N in front.
	p.wait("at rest", rows+`[0].innerText.match(/43[0-9] N/)`)
	p.wait("arrows on the bodies", `document.querySelectorAll('[data-path-panel] .force').length`)
	p.press("front")
	p.press("Press on its feet")
	p.verdict("holds")
	p.press("Hardware")
	lines := `document.querySelector('[data-hardware]').innerText`
	p.wait("16 bolts", lines+`.includes('40 mm')`)
	p.set("[data-bin='0']", "Lengths, mm", "45; 60")
	p.wait("from the bin", lines+`.includes('45 mm') && !`+lines+`.includes('40 mm')`)
}

// briefKept waits until the brief is kept.
func (p *page) briefKept() {
	p.t.Helper()
	p.still("the brief to be kept", `document.querySelector('[data-brief]')?.dataset.brief === 'saved'`)
}

// A ply taken out takes with it what it belongs to, comes back to its place with it, and
// keeps it when it is moved.
func TestPlyKeepsWhatItBelongsTo(t *testing.T) {
	a := startApp(t)
	id, _ := a.demoPart(t, "Orchard truck", "Press foot")
	stands := func() string {
		t.Helper()
		j, err := a.jobs.Job(t.Context(), id)
		if err != nil {
			t.Fatal(err)
		}
		at := slices.IndexFunc(j.Brief.Joints, func(x brief.Joint) bool { return x.Name == "Press foot on floor and outrigger" })
		var said []string
		for i, p := range j.Brief.Joints[at].Design.Plies {
			s := j.Brief.Joints[at].Sides[i]
			if s.ID != p.ID {
				t.Errorf("ply %s stands beside side %s", p.ID, s.ID)
			}
			said = append(said, fmt.Sprintf("%s is %s", p.Name, cmp.Or(string(s.Kind), "typed")))
		}
		return strings.Join(said, ", ")
	}
	whole := stands()
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + id + "/hold")
	p.press("Press foot on floor and outrigger")
	for _, step := range []struct{ what, press, want string }{
		{"taken out", "Remove ply 1", "floor is vehicle, outrigger's plate is typed"},
		{"put back", "Put it back", whole},
		{"moved", "Move ply 1 down", "floor is vehicle, foot is part, outrigger's plate is typed"},
		{"moved on", "Move ply 2 down", "floor is vehicle, outrigger's plate is typed, foot is part"},
		{"the last taken out", "Remove ply 3", "floor is vehicle, outrigger's plate is typed"},
		{"undone", "Undo", "floor is vehicle, outrigger's plate is typed, foot is part"},
	} {
		p.press(step.press)
		p.briefKept()
		if got := stands(); got != step.want {
			t.Errorf("%s: %s\n want %s", step.what, got, step.want)
		}
	}
	p.wait("the part's side on the last ply", `document.querySelector('main [data-ply="2"] .field').innerText.includes('Press foot')`)
}
