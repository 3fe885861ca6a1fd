package e2e

import (
	"bytes"
	"encoding/json"
	"fmt"
	"math"
	"strings"
	"testing"
	"time"

	"github.com/chromedp/chromedp/kb"

	"warmanvil/core/brief"
	"warmanvil/core/joint"
	"warmanvil/core/load"
	"warmanvil/core/member"
	"warmanvil/core/member/starters"
	"warmanvil/core/section"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/vehicle"
	"warmanvil/job"
)

// boxOnArm is a job of two bodies: a box bolted on a frame, an arm, that is bolted to a
// rail of the vehicle. How far the box's holes stand from its edge nobody said.
func (a app) boxOnArm(t *testing.T, unit brief.Unit) (id string) {
	t.Helper()
	var d member.Doc
	for _, s := range section.Table() {
		if s.Name == "50 × 50 × 4 mm tube" {
			var err error
			if d, err = starters.Start("standoff", map[string]float64{"length": 300, "plate": 140, "kilos": 15}, s, "steel-s235",
				a.jobs.NewID); err != nil {
				t.Fatal(err)
			}
		}
	}
	d.Plates = d.Plates[:1] // the box is bolted through the open end
	d.Fit = &member.Pose{Y: 250, Z: 400}
	frame := a.jobs.NewID()
	arm := d.Members[0].ID
	known := func(v float64) *brief.Given { return &brief.Given{Value: v, Trust: brief.Measured} }
	foot := joint.Input{System: stock.Metric, Size: "M10", Grade: "8.8", Nut: joint.Lock, Washers: 2,
		Holes: [][2]float64{{-50, -50}, {50, -50}, {50, 50}, {-50, 50}},
		Plies: []joint.Ply{{}, {Name: "rail", Material: "steel-s235", Thickness: 6, Hole: 11, Edge: 40, Wide: [2]float64{300, 180}, Stiff: true}}}
	top := foot
	top.Size, top.Holes = "M5", [][2]float64{{-20, -20}, {20, -20}, {20, 20}, {-20, 20}}
	top.Plies = []joint.Ply{{Name: "box's foot", Material: "alu-3003-h14", Thickness: 2, Hole: 5.5, Wide: [2]float64{100, 100}, Stiff: true},
		{Name: "tube", Hole: 5.5, Edge: 20, Wide: [2]float64{50, 300}, Stiff: true}}
	b := brief.Brief{Name: "Winch box", Quantity: 1, Unit: unit, Grain: 1, Criticality: brief.Comfort,
		Strength: strength.Rule{School: strength.Allowable}, Use: load.Smooth,
		Devices: []brief.Device{{ID: "box", Name: "Box", Mass: known(12), Gravity: &brief.Gravity{Z: 120, Trust: brief.Measured},
			Envelope: &brief.Box{Length: 200, Width: 200, Height: 240}, Behind: known(0)}},
		Joints: []brief.Joint{
			{ID: "top", Name: "Box on the arm", Path: true, Stands: []brief.Stand{{At: [3]float64{0, 520, 425}, Heads: brief.FaceUp}},
				Sides: []brief.Side{{Kind: brief.DeviceSide, Of: "box"}, {Kind: brief.MemberSide, Of: frame, Member: arm}}, Design: top},
			{ID: "foot", Name: "Arm on the rail", Path: true, Stands: []brief.Stand{{At: [3]float64{0, 250, 400}, Heads: brief.FaceLeft}},
				Sides: []brief.Side{{Kind: brief.MemberSide, Of: frame, Member: arm}, {Kind: brief.VehicleSide}}, Design: foot}}}
	j, err := a.jobs.CreateJob(t.Context(), b)
	if err != nil {
		t.Fatal(err)
	}
	body, err := json.Marshal(job.FrameState{Name: "Standoff", Quantity: 1, Frame: d})
	if err != nil {
		t.Fatal(err)
	}
	now := time.Now()
	if err := a.jobs.Store.AddDocuments(t.Context(),
		job.Document{ID: frame, Kind: job.KindFrame, Revision: 1, Body: body,
			Kept: job.Kept{JobID: j.ID, Summary: "started", Created: now, Updated: now}}); err != nil {
		t.Fatal(err)
	}
	v := vehicle.Survey{Schema: vehicle.SurveySchema,
		Placed: []vehicle.Placed{{ID: "placed-box", Name: "Box", Device: "box", At: [3]float64{0, 520, 425}}}}
	if _, err := a.jobs.SaveSurvey(t.Context(), j.ID, job.On{Revision: 0}, v); err != nil {
		t.Fatal(err)
	}
	return j.ID
}

// The story of a pull: it is typed as a duty on the box, and the job cannot say; the
// edge that was missing is measured and typed, and it holds; the pull is raised, and it
// is over, with no label; a change is taken, it holds, and the label is printed.
func TestStoryOfAPull(t *testing.T) {
	a := startApp(t)
	id := a.boxOnArm(t, brief.UnitMM)
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + id + "/hold")
	says := func(verdict string) {
		t.Helper()
		p.wait("the duty to say "+verdict, fmt.Sprintf(`document.querySelector('[data-says]')?.dataset.says === %q`, verdict))
	}
	p.press("Duties")
	p.press("Rate something")
	p.set("[data-duty]", "Duty", "Winch line")
	p.pick("[data-duty]", "It acts on", "Box")
	p.set("[data-duty]", "Pull", "300")
	p.set("[data-duty]", "Way, forward", "0")
	p.set("[data-duty]", "Way, up", "1")
	says("cannot say")
	p.press("Rating label")
	p.see("There is no label while anything under Winch line is over or cannot be said")

	p.press("Box on the arm")
	p.verdict("cannot say")
	p.see("distance to the nearest edge is not given")
	p.set("[data-ply='0']", "Hole to the nearest edge", "20")
	p.verdict("holds")
	p.briefKept()

	p.press("Duties")
	says("holds")
	p.set("[data-duty]", "Pull", "2 kN")
	says("over")
	p.press("Rating label")
	p.see("pulled through over")

	p.press("Box on the arm")
	p.verdict("over")
	p.see("duty: Winch line")
	p.wait("what would help", `document.querySelector('[data-suggestions] .row')`)
	p.wait("the washers taken", `(() => {
		const row = [...document.querySelectorAll('[data-suggestions] .row')].find(r => r.innerText.includes('Washers of'))
		row?.querySelector('button').click()
		return !!row
	})()`)
	p.verdict("holds")
	p.briefKept()
	p.press("Duties")
	says("holds")
	p.press("Rating label")
	name, pdf := p.download(".pdf")
	if !bytes.HasPrefix(pdf, []byte("%PDF")) {
		t.Fatalf("%q is no label", name)
	}
	text := pdfText(t, pdf)
	for _, w := range []string{"Winch line", "2", "kN", "Box on the arm", "Arm on the rail", "Standoff", "alculated, not tested", "engineer"} {
		if !strings.Contains(text, w) {
			t.Errorf("the label lacks %q:\n%s", w, text)
		}
	}
}

// In an inch job a pull is typed and told in pounds, a unit that is written counts
// whatever the job's, one of another quantity is refused beside the field, and workings
// have pounds with the newtons beside them.
func TestPoundsInAnInchJob(t *testing.T) {
	a := startApp(t)
	id := a.boxOnArm(t, brief.UnitFraction)
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + id + "/hold")
	field := func(label, want string) {
		t.Helper()
		p.wait(label+" to show "+want, fmt.Sprintf(`(() => {
			const l = [...document.querySelectorAll('[data-duty] label')].find(l => l.innerText.trim() === %q)
			return document.getElementById(l?.htmlFor)?.value === %q
		})()`, label, want))
	}
	kept := func(want float64) {
		t.Helper()
		p.briefKept()
		j, err := a.jobs.Job(t.Context(), id)
		if err != nil {
			t.Fatal(err)
		}
		if got := j.Brief.Duties[0].Force; math.Abs(got-want) > 1e-6 {
			t.Errorf("%g N are kept, want %g", got, want)
		}
	}
	p.press("Duties")
	p.press("Rate something")
	p.set("[data-duty]", "Duty", "Winch line")
	p.pick("[data-duty]", "It acts on", "Box")
	p.set("[data-duty]", "Pull", "300")
	p.set("[data-duty]", "Way, up", "1")
	field("Pull", "300 lbf")
	p.wait("what it is under", `document.querySelector('[data-says]')?.innerText.includes('under 300 lbf') || document.querySelector('[data-says]')?.innerText.includes('cannot say')`)
	kept(300 * 4.4482216152605)
	p.set("[data-duty]", "Pull", "2 kN")
	field("Pull", "449.618 lbf")
	kept(2000)
	// An answer that comes late must not touch what is typed over the entry it is about.
	a.slow.Store(int64(600 * time.Millisecond))
	p.set("[data-duty]", "Pull", "450")
	p.enter("[data-duty]", "Pull")
	for _, r := range "80 kg" {
		p.keys(string(r))
		time.Sleep(150 * time.Millisecond)
	}
	p.keys(kb.Tab)
	a.slow.Store(0)
	p.see("A force is wanted here, in N or lbf")
	p.set("[data-duty]", "Pull", "100 lb")
	field("Pull", "100 lbf")
	kept(444.82216152605)

	p.press("Arm on the rail")
	p.wait("the ledger", `document.querySelector('.ledger [data-check=shear]')`)
	p.wait("forces in pounds", `document.querySelector('.ledger [data-check=shear]').innerText.includes('lbf of')`)
	if eval[bool](p, `/\d (k?N|N·m|MPa|kg)\b/.test(document.querySelector('.ledger').innerText)`) {
		t.Errorf("metric units in the ledger of an inch job: %s", eval[string](p, `document.querySelector('.ledger').innerText`))
	}
	p.press("Why Bolt in shear")
	p.wait("pounds with newtons beside them", `/[\d.]+ lbf \([\d.]+ N\)/.test(document.body.innerText)`)
	p.press("Close the working")
	p.press("Load path")
	p.wait("the path in pounds", `document.querySelector('[data-path-panel]')?.innerText.includes(' lbf ') && document.querySelector('[data-path-panel]').innerText.includes(' lb')`)
	if eval[bool](p, `/\d (kN|kg)\b/.test(document.querySelector('[data-path-panel]').innerText)`) {
		t.Error("metric units in the load path of an inch job")
	}
}
