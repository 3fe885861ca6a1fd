package site

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/effort"
	"warmanvil/core/profile"
	"warmanvil/core/shell"
	"warmanvil/core/shell/facet"
	"warmanvil/core/shell/starters"
	"warmanvil/core/shop"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
)

// started is a body by a starter, of 2 mm steel.
func started(t testing.TB, key string) shell.Facets {
	t.Helper()
	n := 0
	k := .42
	f, err := starters.Start(key, nil, false, shell.Facets{Schema: 1, Material: "steel-s235", Thickness: 2, Process: "laser",
		Tool: bend.Tool{Kind: bend.ToolVDie}, Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k},
		Side:         facet.Outside,
		InsideRadius: 2}, func() string { n++; return fmt.Sprint("n", n) })
	if err != nil {
		t.Fatal(err)
	}
	return f
}

// By hand: a case of 500 × 350, 300 high behind and 180 in front weighs its panels as cut; its centre lies
// on its middle; its blanks name the part that is made of them; nothing of it is said in mm in an inch
// job, and no area a million times too large.
func TestABodyIsTold(t *testing.T) {
	f := started(t, "box")
	b := metric.Upgraded()
	told := Faceted(b, shop.Shop{}, f, "id", "Case", 1, nil, nil)
	if told.Why != "" || len(told.Panels) != 6 || len(told.Edges) != 12 || len(told.Blanks) != 2 || len(told.Findings) > 0 {
		t.Fatalf("%s, %d panels, %d edges, %d blanks, %v", told.Why, len(told.Panels), len(told.Edges), len(told.Blanks), told.Findings)
	}
	figures := map[string]string{}
	for _, x := range told.Figures {
		figures[x.Key] = x.Text
	}
	lid := 350 * math.Hypot(500, 120)
	area := (500*350 + lid + 350*300 + 350*180 + 2*500*240) * 1e-6
	var mass float64
	if _, err := fmt.Sscanf(figures["mass"], "%f kg", &mass); err != nil || math.Abs(mass-area*2*7.85) > .02*mass+.1 {
		t.Errorf("%s, its panels weigh %.2f", figures["mass"], area*2*7.85)
	}
	if want := fmt.Sprintf("%.2f m²", 2*area); figures["paint"] != want || !strings.Contains(figures["gravity"], ", 0.0 mm,") {
		t.Errorf("%v, want %s", figures, want)
	}
	weld := 2*(180.+300) + 2*350 + 2*math.Hypot(500, 120)
	if want := fmt.Sprintf("%.1f mm", weld); figures["weld"] != want {
		t.Errorf("%s to weld, want %s", figures["weld"], want)
	}
	for i, m := range told.Panels {
		if v := m.Mesh.Volume(); v <= 0 {
			t.Errorf("panel %d is inside out: %g", i, v)
		}
	}
	if len(told.Order) != 2 || len(told.Closing) == 0 || !strings.Contains(told.Closing[0], "gauge seam") {
		t.Errorf("%v %v", told.Order, told.Closing)
	}
	_, recipes, err := f.Blanks("id", "Case")
	if err != nil {
		t.Fatal(err)
	}
	told = Faceted(b, shop.Shop{}, f, "id", "Case", 1, []Part{{ID: "p", Name: "Case, Floor", Recipe: recipes[0]}}, nil)
	if told.Blanks[0].Part != "p" || told.Blanks[1].Part != "" {
		t.Errorf("%+v", told.Blanks)
	}
	inch := Faceted(inches.Upgraded(), shop.Shop{}, f, "id", "Case", 1, nil, nil)
	for _, x := range inch.Figures {
		if strings.Contains(x.Text, " mm") || strings.Contains(x.Text, "kg") || strings.Contains(x.Text, "m²") {
			t.Errorf("in inches: %s", x.Text)
		}
	}
	said := strings.Join(append(inch.Closing, inch.Order...),
		" ") + inch.Edges[0].Long + inch.Blanks[0].Size + inch.Points[0].Text + inch.Panels[0].Area
	if strings.Contains(said, " mm") {
		t.Errorf("in inches: %s", said)
	}
	f.Points[2].Z += 30 // the twin alone
	if bent := Faceted(b, shop.Shop{}, f, "id", "Case", 1, nil, nil); len(bent.Findings) == 0 || bent.Panels[0].Off == "" {
		t.Errorf("a corner that is lifted: %v", bent.Findings)
	}
	f.Panels[0].Points = f.Panels[0].Points[:2]
	if none := Faceted(b, shop.Shop{}, f, "id", "Case", 1, nil, nil); none.Why == "" || none.Where != "/body/panels/0/points" ||
		none.Blanks == nil {
		t.Errorf("%q at %s", none.Why, none.Where)
	}
	if begun := Faceted(b, shop.Shop{}, shell.Facets{Material: "steel-s235"}, "id", "x", 1, nil,
		nil); begun.Why != "" || begun.Panels == nil {
		t.Errorf("%+v", begun)
	}
}

// What is proposed to be bent is made in the shop: on a short bed a ramp is more blanks than on a long
// one, and every blank of every proposal, taken, has no stop and goes on the bed.
func TestProposedBendsAreMadeInTheShop(t *testing.T) {
	f := started(t, "ramp")
	b := metric.Upgraded()
	count := func(w shop.Shop) int {
		list, err := ProposeFacets(context.Background(), b, w, f)
		if err != nil || len(list) == 0 {
			t.Fatal(err)
		}
		for _, o := range list {
			taken := f
			taken.Seams = o.Seams
			told := Faceted(b, w, taken, "id", "Ramp", 1, nil, nil)
			if len(told.Blanks) != o.Blanks {
				t.Errorf("%s: %d blanks, said %d", o.Why, len(told.Blanks), o.Blanks)
			}
			for _, x := range told.Blanks {
				if len(x.Stops) > 0 || x.Why != "" {
					t.Errorf("%s: %s %v", o.Why, x.Why, x.Stops)
				}
			}
		}
		return list[0].Blanks
	}
	long := count(shop.Shop{})
	short := count(shop.Shop{Machines: []shop.Machine{machine(shop.Table, "laser", map[string]float64{"long": 1300, "wide": 500,
		"steel": 10})}})
	if long >= short {
		t.Errorf("%d blanks on a long bed, %d on a short one", long, short)
	}
	gone, cancel := context.WithCancel(context.Background())
	cancel()
	if _, err := ProposeFacets(gone, b, shop.Shop{}, f); err == nil {
		t.Error("nobody waits, and it answered")
	}
	body, cards, err := FacetFiles(started(t, "hopper"))
	if err != nil || len(body.Pieces) != 4 || len(cards) == 0 || !strings.Contains(cards[0].Says, "SEAM") {
		t.Errorf("%v, %d pieces, %+v", err, len(body.Pieces), cards)
	}
	if _, _, err := FacetFiles(shell.Facets{}); err == nil {
		t.Error("files of no body")
	}
}

// The price of a proposal is worked out by hand from what the parts and seams of the body are once it is
// taken: nothing of it is left out, and what the shop does not say makes no sum.
func TestProposedBendsArePriced(t *testing.T) {
	f := started(t, "ramp")
	b := metric.Upgraded()
	w := shop.Shop{Hour: amount(60), Currency: "crowns", Prices: []shop.Price{{ID: "p", What: f.Material, Price: 2, Per: "kg"}}}
	list, err := ProposeFacets(context.Background(), b, w, f)
	if err != nil || len(list) < 2 {
		t.Fatalf("%d, %v", len(list), err)
	}
	now, marked := 0, map[string]bool{}
	for _, o := range list {
		taken := f
		taken.Seams = o.Seams
		built, recipes, err := taken.Blanks("body", "")
		if err != nil {
			t.Fatal(err)
		}
		weld, seams, kilos, cut, bends, paint, holes := 0., 0., 0., 0., 0., 0., 0.
		for _, e := range built.Edges {
			if len(e.Faces) == 2 && e.Seam.Kind != facet.BentOne {
				weld, seams = weld+e.Long/1000, seams+1
			}
		}
		minutes := 0.
		for _, r := range recipes {
			p := BuildParts(context.Background(), []Part{{ID: "x", Quantity: 1, Recipe: r}}, b, w)[0]
			if p.Err != nil {
				t.Fatal(p.Err)
			}
			x, y := p.Built.Bounds.Size()
			kilos += x * y * f.Thickness * 7.85e-6
			cut, paint, holes = cut+p.Built.CutLength/1000, paint+2*p.Built.Area*1e-6, holes+float64(len(p.Built.Holes))
			minutes += 10 + 30 // cutting and painting are set up for
			if n := len(p.Built.BendLines); n > 0 {
				bends, minutes = bends+float64(n), minutes+15
			}
		}
		dressed := weld
		if f.Process == "plasma" {
			dressed += cut
		}
		minutes += cut*1.5 + bends*2 + paint*20 + dressed*4
		if seams > 0 {
			minutes += seams*5 + 10 + weld*10 + 10
		}
		if holes > 0 {
			t.Fatalf("%v holes: this sum knows of none", holes)
		}
		if math.Abs(o.Price.Minutes-minutes) > 1e-6*minutes {
			t.Errorf("%s: %.3f min, by hand %.3f", o.Why, o.Price.Minutes, minutes)
		}
		if o.Price.Cost == nil || math.Abs(*o.Price.Cost-minutes-2*kilos) > 1e-3*minutes || len(o.Price.Lacks) > 0 {
			t.Errorf("%s: %v of %.2f, lacks %v", o.Why, o.Price.Cost, minutes+2*kilos, o.Price.Lacks)
		}
		if o.Now {
			now++
		}
		for _, m := range o.Best {
			marked[m] = true
		}
	}
	if now != 1 || !marked["cheapest"] || !marked["least hours"] {
		t.Errorf("%d as it stands, best in %v", now, marked)
	}
	silent, err := ProposeFacets(context.Background(), b, shop.Shop{}, f)
	if err != nil || silent[0].Price.Cost != nil || len(silent[0].Price.Lacks) != 2 {
		t.Errorf("%v, %+v", err, silent[0].Price)
	}
}

// What welding a body takes is in what the job takes, as often as it is made.
func TestEffortCountsTheSeamsOfBodies(t *testing.T) {
	f := started(t, "hopper")
	built, err := f.Build()
	if err != nil {
		t.Fatal(err)
	}
	long := 0.
	for _, e := range built.Edges {
		if len(e.Faces) == 2 && e.Seam.Kind != facet.BentOne {
			long += e.Long / 1000
		}
	}
	f.Hand.Pair = true
	e, err := Site{Brief: metric, Bodies: []FacetBody{{ID: "b", Name: "Hopper", Quantity: 3, Doc: f}}}.Effort()
	if err != nil {
		t.Fatal(err)
	}
	for _, l := range e.Lines {
		if l.Op == effort.Welding && math.Abs(l.Many-6*long) > 1e-9 {
			t.Errorf("%v m to weld of %v", l.Many, 6*long)
		}
	}
	if len(e.Lines) != 3 {
		t.Errorf("%+v", e.Lines)
	}
	if said := strings.Join(e.Working.Assumptions, " "); !strings.Contains(said, "blanks of Hopper that are no parts yet") {
		t.Errorf("nothing says that its blanks are in no hour: %s", said)
	}
}

func BenchmarkFaceted(b *testing.B) {
	f := started(b, "box")
	for b.Loop() {
		if t := Faceted(brief.Brief{Unit: brief.UnitMM, Grain: 1, Quantity: 1}, shop.Shop{}, f, "id", "Case", 1, nil, nil); t.Why != "" {
			b.Fatal(t.Why)
		}
	}
}

// A point that was taken over from the survey keeps its place when the reading changes, and says in the
// job's units how far off it then is; one whose surveyed point is gone says so.
func TestPointsTakenOver(t *testing.T) {
	f := started(t, "box")
	taped := func(v float64) survey.Reading {
		return survey.Reading{Values: []float64{v}, Instrument: survey.Tape, Trust: "measured"}
	}
	q := &f.Points[0]
	s := Site{Brief: metric.Upgraded(), Survey: vehicle.Survey{Schema: vehicle.SurveySchema, Points: []vehicle.SurveyPoint{{ID: "rail",
		Name: "Rail end", Kind: "point", Way: vehicle.ByOffsets, X: taped(q.X), Y: taped(q.Y), Z: taped(q.Z)}}}}
	q.Survey = "rail"
	said := func(b brief.Brief) (FacetsTold, string) {
		told := Faceted(b, shop.Shop{}, f, "id", "Case", 1, nil, s.Measured())
		for _, x := range told.Findings {
			if x.Cause == "Points from the survey" && x.Feature == q.ID {
				return told, x.Reason
			}
		}
		return told, ""
	}
	if told, why := said(s.Brief); why != "" || told.Points[0].Now != nil || told.Why != "" {
		t.Errorf("as taken: %s %s", why, told.Why)
	}
	s.Survey.Points[0].X.Values[0] += 12.7
	told, why := said(s.Brief)
	if !strings.Contains(why, "from the survey's Rail end, which now has it 12.7 mm away") || told.Points[0].Now == nil ||
		(*told.Points[0].Now)[0] != q.X+12.7 || (*told.Points[0].At)[0] != q.X {
		t.Errorf("moved: %s %+v", why, told.Points[0])
	}
	if _, why := said(inches.Upgraded()); strings.Contains(why, " mm") || !strings.Contains(why, "1/2") {
		t.Errorf("in inches: %s", why)
	}
	s.Survey.Points = nil
	if told, why := said(s.Brief); !strings.Contains(why, "keeps its place") || told.Points[0].Now != nil || told.Why != "" {
		t.Errorf("gone: %s %s", why, told.Why)
	}
	q.From = f.Points[1].ID
	if err := f.Check(); err == nil {
		t.Error("a point that counts from another and from the survey was taken")
	}
}

// A blank says at how many edges it is welded: the case is a tub of five panels with a lid on it, and a
// lid that is bent on instead leaves the seams of the rest.
func TestBlanksCountTheirSeams(t *testing.T) {
	f := started(t, "box")
	built, recipes, err := f.Blanks("id", "Case")
	if err != nil {
		t.Fatal(err)
	}
	welds, seen := 0, 0
	for _, e := range built.Edges {
		if len(e.Faces) == 2 && e.Seam.Kind != facet.BentOne {
			welds++
		}
	}
	for _, r := range recipes {
		seen = max(seen, r.Facet.Seams)
	}
	// All seams are the tub's: four up its corners, four round the lid, which has these alone.
	if welds != 8 || seen != 8 || recipes[0].Facet.Seams+recipes[1].Facet.Seams != 12 {
		t.Errorf("%d welds, blanks count %d and %d", welds, recipes[0].Facet.Seams, recipes[1].Facet.Seams)
	}
}

// What must fit in a sloped case of 500 × 350, 300 high behind and 180 in front, 2 thick outside: a battery
// of 200 × 150 × 150 set 10 off the floor and 20 off the front fits with that; one too high meets the lid;
// one outside is not inside; the case holds 496 × 346 times its mean height between the sheets.
func TestWhatFitsInside(t *testing.T) {
	f := started(t, "box")
	told := Faceted(metric.Upgraded(), shop.Shop{}, f, "id", "Case", 1, nil, nil)
	room := 0.
	for _, x := range told.Figures {
		if x.Key == "room" {
			if _, err := fmt.Sscanf(x.Text, "%f L", &room); err != nil || strings.Contains(x.Name, "openings") {
				t.Errorf("%+v", x)
			}
		}
	}
	if want := 496 * 346 * (240 - 4) * 1e-6; math.Abs(room-want) > .02*want {
		t.Errorf("it holds %g L, about %g by hand", room, want)
	}
	lo, hi := bounds(f)
	at := func(name string, x, y, z, high, gap float64) shell.FacetFit {
		return shell.FacetFit{ID: name, Name: name, X: lo[0] + x, Y: lo[1] + y, Z: lo[2] + z, Long: 200, Wide: 150, High: high, Gap: gap}
	}
	middle := (hi[1]-lo[1])/2 - 75
	f.Fits = []shell.FacetFit{at("battery", 150, middle, 10, 120, 5), at("asked", 150, middle, 10, 120, 30), at("high", 150, middle,
		10, 400, 0),
		at("beside", 150, middle+600, 10, 100, 0)}
	if err := f.Check(); err != nil {
		t.Fatal(err)
	}
	told = Faceted(metric.Upgraded(), shop.Shop{}, f, "id", "Case", 1, nil, nil)
	for i, want := range []string{"good 8.0 mm off", "bad asked comes to 8.0 mm", "bad high does not fit: it meets", "bad beside is " +
		"not inside"} {
		if got := told.Fits[i].Verdict + " " + told.Fits[i].Text; !strings.HasPrefix(got, want) {
			t.Errorf("%q, want %q", got, want)
		}
	}
	if n := len(told.Findings); n != 3 {
		t.Errorf("%d flags", n)
	}
	f.Fits[0].Long = 0
	if err := f.Check(); err == nil {
		t.Error("a box of no length is asked")
	}
}

func bounds(f shell.Facets) (lo, hi [3]float64) {
	at, _ := f.Places()
	lo, hi = [3]float64{1e9, 1e9, 1e9}, [3]float64{-1e9, -1e9, -1e9}
	for _, v := range at {
		for k := range 3 {
			lo[k], hi[k] = math.Min(lo[k], v[k]), math.Max(hi[k], v[k])
		}
	}
	return lo, hi
}

// Every corner lies on the flat of its blank near the rim of what is cut, and moving it there by a
// millimetre moves the body's point so that the flat shows it a millimetre on, all the others of its
// panel at rest and the panel still plane.
func TestCornersMovedOnTheFlat(t *testing.T) {
	b := metric.Upgraded()
	for _, key := range []string{"guard", "hopper", "box", "ramp"} {
		f := started(t, key)
		was := Faceted(b, shop.Shop{}, f, "id", "Body", 1, nil, nil)
		moved := 0
		for i, blank := range was.Blanks {
			if len(blank.Corners) == 0 {
				t.Fatalf("%s: no corners on %s", key, blank.Name)
			}
			for n, c := range blank.Corners {
				near, last := math.Inf(1), blank.Outline[len(blank.Outline)-1]
				for _, q := range blank.Outline {
					side := profile.Point{X: q[0] - last[0], Y: q[1] - last[1]}
					to := profile.Point{X: c.At[0] - last[0], Y: c.At[1] - last[1]}
					t := max(0, min(1, to.Dot(side)/side.Dot(side)))
					near, last = min(near, to.Sub(side.Mul(t)).Len()), q
				}
				if near > 6*f.Thickness {
					t.Errorf("%s: corner %s is %.1f mm off the rim of %s", key, c.Point, near, blank.Name)
				}
				k := slices.IndexFunc(f.Points, func(p shell.FacetPoint) bool { return p.ID == c.Point })
				next := f
				next.Points = slices.Clone(f.Points)
				for axis, by := range []*float64{&next.Points[k].X, &next.Points[k].Y, &next.Points[k].Z} {
					*by += 3*c.X[axis] + 4*c.Y[axis]
				}
				if hasDependants(f.Points, c.Point) || blank.Corners[0].Panel != c.Panel {
					continue // others go with it, or the flat turns under it
				}
				now := Faceted(b, shop.Shop{}, next, "id", "Body", 1, nil, nil)
				if now.Why != "" || len(now.Blanks) != len(was.Blanks) {
					continue // a corner that turns a neighbour over
				}
				moved++
				to := now.Blanks[i].Corners
				for m, d := range to {
					if d.Panel != c.Panel || m == n {
						continue
					}
					from := blank.Corners[m].At
					before := math.Hypot(from[0]-c.At[0]-3, from[1]-c.At[1]-4)
					after := math.Hypot(d.At[0]-to[n].At[0], d.At[1]-to[n].At[1])
					if math.Abs(before-after) > 1e-6 {
						t.Errorf("%s: corner %s of %s: %.6f mm to %s, asked %.6f", key, c.Point, blank.Name, after, d.Point, before)
					}
				}
				for m, p := range now.Panels {
					if p.ID == c.Panel && p.Off != "" && was.Panels[m].Off == "" {
						t.Errorf("%s: %s is not flat any more by %s", key, p.Name, p.Off)
					}
				}
			}
		}
		if moved < 2 {
			t.Errorf("%s: only %d corners were moved", key, moved)
		}
	}
}

// hasDependants tells whether another point counts from one.
func hasDependants(list []shell.FacetPoint, id string) bool {
	return slices.ContainsFunc(list, func(p shell.FacetPoint) bool { return p.From == id })
}
