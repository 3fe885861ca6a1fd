package e2e

import (
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/chromedp/cdproto/input"
	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"warmanvil/core/shell"
	"warmanvil/core/shell/facet"
	"warmanvil/core/vehicle"
	"warmanvil/job"
)

// A guard starts from a few numbers: its blanks are drawn with their bends, an edge is bent and its
// blanks are fewer, its parts are made; a hole is put into one of them, a point of the body is moved and
// the part follows with its hole; its DXF is cut from, the gauges are there. What bends are proposed is
// taken by a press.
func TestABodyOfPanels(t *testing.T) {
	a := startApp(t)
	if err := a.jobs.LoadDemoShop(t.Context()); err != nil {
		t.Fatal(err)
	}
	truck, _ := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + truck + "/shape/new")
	p.press("start a body")
	p.see("A body of flat panels")
	p.pick("form", "What it is", "Guard with returns")
	p.set("form", "Its name", "Rear guard")
	p.set("form", "Width", "1500")
	p.press("Start the body")
	p.wait("its blank", `document.querySelectorAll('[data-blank]').length === 1`)
	bodies, err := a.jobs.Bodies(t.Context(), truck)
	if err != nil || len(bodies) != 2 || bodies[1].Name != "Rear guard" || bodies[1].Body.Thickness != 3 {
		t.Fatalf("%v %+v", err, bodies)
	}
	id := bodies[1].ID
	saved := func() {
		p.still("it to be kept", `[...document.querySelectorAll('.bench *')].some(x => !x.children.length && x.innerText?.trim() === 'saved')`)
	}
	// The longest edge is that of the two faces: welded, they are two blanks.
	first := `tr[data-edge]:first-child`
	p.pick(first, eval[string](p, `document.querySelector('`+first+` label').innerText.trim()`), "welded corner to corner")
	p.wait("two blanks", `document.querySelectorAll('[data-blank]').length === 2`)
	saved()
	p.press("Which edges to bend?")
	p.wait("a proposal", `document.querySelector('[data-offer]')`)
	eval[bool](p, `([...document.querySelectorAll('[data-offer] button')].find(x => x.innerText === 'Take it').click(), true)`)
	p.wait("one blank again", `document.querySelectorAll('[data-blank]').length === 1`)
	saved()
	p.onTheFlat(id)
	p.press("Make its parts")
	p.see("holes, marks and files there")
	parts, err := a.jobs.PartsOf(t.Context(), id)
	if err != nil || len(parts) != 1 {
		t.Fatalf("%v %d", err, len(parts))
	}
	p.goTo("/jobs/" + truck + "/shape/" + parts[0].ID)
	p.drawn()
	p.see("its form is that of Rear guard")
	name, data := p.bodyDXF(truck, parts[0].ID)
	if !strings.HasSuffix(name, ".dxf") || !strings.Contains(string(data), "BEND_DOWN") {
		t.Errorf("%s has no bends", name)
	}
	p.goTo("/jobs/" + truck + "/shape/body/" + id)
	p.wait("the body", `document.querySelectorAll('[data-blank]').length === 1`)
	was := eval[string](p, `document.querySelector('[data-figure=mass]').innerText`)
	eval[bool](p, `([...document.querySelectorAll('.pick')].find(x => x.innerText.includes('Top right')).click(), true)`)
	p.set(".shown", "Up", "400")
	p.wait("another mass", `document.querySelector('[data-figure=mass]').innerText !== `+"`"+was+"`")
	saved()
	again, err := a.jobs.PartsOf(t.Context(), id)
	if err != nil || again[0].Revision <= parts[0].Revision || again[0].Recipe.Facet.Name != "Rear guard" {
		t.Fatalf("%v, revision %d", err, again[0].Revision)
	}
	b, err := a.jobs.FacetedBody(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	built, err := b.Body.Build()
	if err != nil {
		t.Fatal(err)
	}
	// What must fit inside is told at once, and drawn; the body is mocked up in board.
	p.press("Thing")
	p.wait("what of it is told", `[...document.querySelectorAll('.side [role=status]')].some(x => /panel|fit|inside|meets/.test(x.innerText))`)
	saved()
	if b, err = a.jobs.FacetedBody(t.Context(), id); err != nil || len(b.Body.Fits) != 1 {
		t.Fatalf("%v %+v", err, b.Body.Fits)
	}
	kept := fmt.Sprintf("_r%d.dxf", b.Revision)
	eval[bool](p, `(document.querySelector('a[href$="/files/mockup"]').click(), true)`)
	if name, data := p.download("-mockup" + kept); len(data) == 0 {
		t.Errorf("%s is empty", name)
	}
	eval[bool](p, `(document.querySelector('a[href*="/files/mockup-paper"]').click(), true)`)
	name, data = p.download(".pdf")
	if text := pdfText(t, data); !strings.Contains(text, "1 of 1: Face") || !strings.Contains(text, "mock-up") {
		t.Errorf("%s does not say what it is of", name)
	}
	welds := 0
	for _, e := range built.Edges {
		if len(e.Faces) == 2 && e.Seam.Kind != facet.BentOne && math.Abs(e.Turn) > 1 {
			welds++
		}
	}
	if welds > 0 {
		eval[bool](p, `(document.querySelector('a[href$="/files/gauges"]').click(), true)`)
		if name, data := p.download("-gauges" + kept); !strings.Contains(string(data), "SEAM") {
			t.Errorf("%s has no gauge", name)
		}
		eval[bool](p, `(document.querySelector('a[href*="/files/gauges-paper"]').click(), true)`)
		if name, data := p.download(".pdf"); !strings.Contains(pdfText(t, data), "SEAM") {
			t.Errorf("%s has no gauge", name)
		}
	}
}

// onTheFlat drags a corner of the body on the flat of its blank and pushes it with the arrow keys: the point
// goes that far within its panel, and the body is kept so.
func (p *page) onTheFlat(id string) {
	p.t.Helper()
	p.press("as it is cut")
	p.wait("the flats", `document.querySelector('[data-testid=flats] [data-corner]')`)
	which := eval[string](p, `document.querySelector('[data-corner]').dataset.corner`)
	corner := `[data-corner="` + which + `"]`
	point := which[strings.LastIndex(which, " ")+1:]
	at := func() (v [3]float64) {
		b, err := p.app.jobs.FacetedBody(p.t.Context(), id)
		if err != nil {
			p.t.Fatal(err)
		}
		for _, q := range b.Body.Points {
			if q.ID == point {
				return [3]float64{q.X, q.Y, q.Z}
			}
		}
		p.t.Fatalf("no point %s", point)
		return v
	}
	saved := func() {
		p.still("it to be kept", `[...document.querySelectorAll('.bench *')].some(x => !x.children.length && x.innerText?.trim() === 'saved')`)
	}
	was := at()
	rim := eval[string](p, `document.querySelector('[data-testid=flats] polygon').getAttribute('points')`)
	eval[bool](p, `(document.querySelector('`+corner+`').focus(), true)`)
	for range 3 {
		p.keys(kb.ArrowRight)
	}
	p.wait("the flat drawn anew", `document.querySelector('[data-testid=flats] polygon').getAttribute('points') !== '`+rim+`'`)
	saved()
	if now := at(); math.Abs(apart(was, now)-3) > 1e-3 {
		p.t.Errorf("three steps of a millimetre moved it from %v to %v", was, now)
	}
	spot := eval[[]float64](p, `(r => [r.x + r.width / 2, r.y + r.height / 2])(document.querySelector('`+corner+` .catch').getBoundingClientRect())`)
	p.do(chromedp.MouseEvent(input.DispatchMouseEventTypeMousePressed, spot[0], spot[1], chromedp.ButtonLeft),
		chromedp.MouseEvent(input.DispatchMouseEventTypeMouseMoved, spot[0]+12, spot[1]+2, chromedp.ButtonLeft),
		chromedp.MouseEvent(input.DispatchMouseEventTypeMouseMoved, spot[0]+24, spot[1]+2, chromedp.ButtonLeft),
		chromedp.MouseEvent(input.DispatchMouseEventTypeMouseReleased, spot[0]+24, spot[1]+2, chromedp.ButtonLeft))
	saved()
	if now := at(); apart(was, now) < 4 {
		p.t.Errorf("dragged from %v to %v", was, now)
	}
	p.press("as it stands")
}

func apart(a, b [3]float64) float64 {
	return math.Hypot(math.Hypot(a[0]-b[0], a[1]-b[1]), a[2]-b[2])
}

// bodyDXF downloads the flat pattern of a part from the Make bench, its hold let go.
func (p *page) bodyDXF(job, part string) (string, []byte) {
	p.t.Helper()
	p.app.free(p.t, job)
	p.goTo("/jobs/" + job + "/make")
	row := `[...document.querySelectorAll('section.part')].find(x => x.querySelector('h2').innerText.startsWith('Rear guard'))`
	p.wait("the part", `!!(`+row+`)`)
	eval[bool](p, `(`+row+`.querySelector('[data-file=dxf]').click(), true)`)
	return p.download(".dxf")
}

// Points of the survey are taken over into an empty body; a later reading moves none of them, is told
// at once, and is taken by a press.
func TestABodyOfSurveyedPoints(t *testing.T) {
	a := startApp(t)
	if err := a.jobs.LoadDemoShop(t.Context()); err != nil {
		t.Fatal(err)
	}
	truck, _ := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + truck + "/shape/new")
	p.press("start a body")
	p.pick("form", "What it is", "Nothing: an empty body")
	p.set("form", "Its name", "Bulkhead")
	p.press("Start the body")
	p.press("Points from the survey")
	for _, id := range []string{"rail-l1", "rail-l2", "rail-r1"} {
		p.wait(id, `document.querySelector('[data-surveyed="`+id+`"] input:not(:disabled)')`)
		eval[bool](p, `(document.querySelector('[data-surveyed="`+id+`"] input').click(), true)`)
	}
	p.press("Take over 3 points")
	body := func() shell.FacetPoint {
		t.Helper()
		list, err := a.jobs.Bodies(t.Context(), truck)
		if err != nil || len(list) != 2 || len(list[1].Body.Points) != 3 {
			t.Fatalf("%v %+v", err, list)
		}
		return list[1].Body.Points[1]
	}
	p.wait("them to be kept", `[...document.querySelectorAll('button')].some(x => x.innerText.trim() === 'r2')`)
	survey, revision, err := a.jobs.Survey(t.Context(), truck)
	if err != nil {
		t.Fatal(err)
	}
	worked, err := a.jobs.WorkSurvey(t.Context(), truck, survey)
	if err != nil {
		t.Fatal(err)
	}
	at := func(id string) [3]float64 {
		for _, x := range worked.Points {
			if x.ID == id {
				return *x.At
			}
		}
		t.Fatalf("%s is not surveyed", id)
		return [3]float64{}
	}
	was := at("rail-l2")
	if got := body(); got.Survey != "rail-l2" || [3]float64{got.X, got.Y, got.Z} != was {
		t.Errorf("taken over as %+v, surveyed at %v", got, was)
	}
	for i := range survey.Points { // the rail's first hole is measured again, and its second counts from it
		if survey.Points[i].ID == "rail-l1" {
			survey.Points[i].X.Values = []float64{survey.Points[i].X.Values[0] + 7}
		}
	}
	if _, err := a.jobs.SaveSurvey(t.Context(), truck, job.On{Revision: revision}, survey); err != nil {
		t.Fatal(err)
	}
	id := eval[string](p, `location.pathname.split('/').pop()`)
	p.goTo("/jobs/" + truck + "/shape/body/" + id)
	p.see("was taken over from the survey, which now has it 7.5 mm away")
	if got := body(); got.X != was[0] {
		t.Errorf("moved by itself to %g", got.X)
	}
	eval[bool](p, `([...document.querySelectorAll('.pick')].find(x => x.innerText.includes('Left rail hole 2')).click(), true)`)
	eval[bool](p, `(document.querySelector('.shown').querySelectorAll('.form > button')[0].click(), true)`)
	p.wait("it to be kept", `[...document.querySelectorAll('button')].some(x => x.innerText.trim() === 'r3')`)
	if worked, err = a.jobs.WorkSurvey(t.Context(), truck, survey); err != nil {
		t.Fatal(err)
	}
	if got := body(); got.X != at("rail-l2")[0] || math.Abs(got.X-was[0]) < 6 {
		t.Errorf("taken over again at %g, surveyed at %g", got.X, at("rail-l2")[0])
	}
}

// A body begins with a face that was drawn elsewhere: its corners are the drawing's, by the unit it says.
func TestABodyFromADrawnFace(t *testing.T) {
	a := startApp(t)
	job, _ := a.demoPart(t, "Orchard truck", "Press foot")
	file := drawnInInches(t, "side of a case.dxf", [][4]float64{{0, 0, 8, 0}, {8, 0, 6, 5}, {6, 5, 0, 5}, {0, 5, 0, 0}}, "")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + job + "/shape/new")
	p.press("A drawing: DXF or SVG")
	p.wait("the file", `document.querySelector('input[type=file]')`)
	p.do(chromedp.SetUploadFiles(chromedp.CSS(`input[type=file]`), []string{file}))
	p.press("Start a body from this face")
	p.wait("its blank", `document.querySelectorAll('[data-blank]').length === 1`)
	list, err := a.jobs.Bodies(t.Context(), job)
	if err != nil || len(list) != 2 {
		t.Fatal(err, len(list))
	}
	body := list[1]
	far := 0.
	for _, q := range body.Body.Points {
		far = math.Max(far, q.X)
	}
	if body.Name != "side of a case" || len(body.Body.Points) != 4 || len(body.Body.Panels) != 1 || math.Abs(far-8*25.4) > 1e-6 {
		t.Errorf("%+v", body.Body)
	}
}

// A body stands on the vehicle like any thing: a box that is placed right into its face is told to meet it,
// moved behind it the air between them is told, in the inches of the job.
func TestABodyPlacedOnTheVehicle(t *testing.T) {
	a := startApp(t)
	lorry, _ := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	v, _, err := a.jobs.Survey(t.Context(), lorry)
	if err != nil {
		t.Fatal(err)
	}
	guard := v.Placed[slices.IndexFunc(v.Placed, func(x vehicle.Placed) bool { return x.Name == "Rear guard" })]
	at := guard.At
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + lorry + "/measure/room")
	p.wait("the guard", `document.querySelector('[data-placed="Rear guard"]')`)
	p.press("Place something")
	p.keys("Bin")
	p.wait("it", `document.querySelector('.placed.shown')`)
	inch := func(mm float64) string { return strconv.FormatFloat(mm/25.4, 'f', 3, 64) }
	for _, x := range []struct {
		label string
		mm    float64
	}{{"length", 254}, {"width", 254}, {"height", 254}, {"Forward to its origin", at[0] - 30}, {"Left to its origin", at[1]},
		{"Up to its origin", at[2]}} {
		p.set(".placed.shown", x.label, inch(x.mm))
	}
	p.surveySaved()
	clear := `[...document.querySelectorAll('tr')].find(x => x.innerText.includes('Bin') && x.innerText.includes('Rear guard'))?.innerText ?? ''`
	p.wait("they meet", `/into|meet|through/.test(`+clear+`)`)
	p.set(".placed.shown", "Forward to its origin", inch(at[0]-2000))
	p.surveySaved()
	p.wait("the air between them", `!/into|meet|through/.test(`+clear+`)`)
	if row := eval[string](p, clear); !strings.Contains(row, `"`) || strings.Contains(row, " mm") {
		t.Errorf("the air is told as %q", row)
	}
}
