package site

import (
	"context"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/sheet"
	"warmanvil/core/shop"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
)

// pan is a channel of 3 mm sheet, 300 long, 100 across outside, legs of 50 outside, bent with
// K 0.42 on a V die: flat 200 − 2·BD.
func pan(more ...sheet.Flange) sheet.Recipe {
	k := .42
	flange := func(id string, e sheet.Edge) sheet.Flange {
		return sheet.Flange{ID: id, Edge: e, Length: 50, Measure: sheet.Outside, Angle: 90, Up: true, InsideRadius: 3}
	}
	r := sheet.Recipe{Schema: 1, Material: "steel-a36", Thickness: 3, Process: "laser",
		Base: sheet.Base{ID: "b", Length: 300, Width: 100, Measure: sheet.Outside,
			Flanges: append([]sheet.Flange{flange("f", sheet.Front), flange("g", sheet.Back)}, more...)}}
	r.Tool.Kind, r.Bend = bend.ToolVDie, bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k}
	return r
}

// first answers what is told of the first piece of a batch, measured in this way.
func first(t *testing.T, b brief.Brief, r sheet.Recipe, quantity int, made func(told FirstTold) *vehicle.FirstOff) FirstTold {
	t.Helper()
	part := Part{ID: "p", Name: "Pan", Quantity: quantity, Recipe: r}
	parts := BuildParts(context.Background(), []Part{part}, b, shop.Shop{})
	check := vehicle.PartCheck{Part: "p", Aside: "a bench thing"}
	ask := func() FirstTold {
		return Site{Survey: vehicle.Survey{Checks: []vehicle.PartCheck{check}}, Brief: b, Parts: parts}.CheckOf(parts[0]).First
	}
	if made == nil {
		return ask()
	}
	check.Made = made(ask())
	return ask()
}

// read types every size as drawn but for what some are off by, in mm or degrees.
func read(off map[string]float64) func(FirstTold) *vehicle.FirstOff {
	return func(t FirstTold) *vehicle.FirstOff {
		f := &vehicle.FirstOff{Of: t.Of, Date: "2031-04-30", By: "Tovi"}
		for _, s := range t.Sizes {
			v := s.Nominal
			for key, by := range off {
				if strings.HasPrefix(s.Key, key) {
					v += by
				}
			}
			f.Sizes = append(f.Sizes, vehicle.FirstSize{Size: s.Key, Angle: s.Angle, Value: survey.Reading{Values: []float64{v},
				Instrument: map[bool]survey.Instrument{
					true: survey.AngleGauge, false: survey.Caliper}[s.Angle]}})
		}
		return f
	}
}

var metric, inches = brief.Brief{Unit: brief.UnitMM, Grain: 1, Quantity: 1}, brief.Brief{Unit: brief.UnitFraction, Grain: 25.4 / 16,
	Quantity: 1}

// The batch waits until every size of its first piece was measured and is within what is
// allowed; one of its kind waits for nothing.
func TestTheBatchWaitsForItsFirst(t *testing.T) {
	pair := pan()
	pair.Hand.Pair = true
	many := metric
	many.Quantity = 3
	for name, c := range map[string]struct {
		brief    brief.Brief
		recipe   sheet.Recipe
		quantity int
		made     func(FirstTold) *vehicle.FirstOff
		state    string
		held     bool
		batch    int
	}{
		"one":                     {metric, pan(), 1, nil, "single", false, 1},
		"one for each of three":   {many, pan(), 1, nil, "open", true, 3},
		"a pair":                  {metric, pair, 1, nil, "open", true, 2},
		"six":                     {metric, pan(), 6, nil, "open", true, 6},
		"as drawn":                {metric, pan(), 6, read(nil), "good", false, 6},
		"a length 0.9 mm over":    {metric, pan(), 6, read(map[string]float64{"f length": .9}), "good", false, 6},
		"a length 1.1 mm under":   {metric, pan(), 6, read(map[string]float64{"f length": -1.1}), "off", true, 6},
		"a length 1/32 in over":   {inches, pan(), 6, read(map[string]float64{"b /base/width": 25.4 / 32}), "good", false, 6},
		"a length 0.9 mm in inch": {inches, pan(), 6, read(map[string]float64{"b /base/width": .9}), "off", true, 6},
		"an angle 1.5° open":      {metric, pan(), 6, read(map[string]float64{"f angle": 1.5}), "off", true, 6},
		"off, and taken": {metric, pan(), 6, func(f FirstTold) *vehicle.FirstOff {
			m := read(map[string]float64{"f length": 4})(f)
			m.Aside = "it is trimmed after"
			return m
		}, "aside", false, 6},
		"of another drawing, and taken": {metric, pan(), 6, func(f FirstTold) *vehicle.FirstOff {
			m := read(nil)(f)
			m.Of, m.Aside = "0123", "it is trimmed after"
			return m
		}, "stale", true, 6},
		"let go": {metric, pan(), 6, func(f FirstTold) *vehicle.FirstOff {
			return &vehicle.FirstOff{Of: f.Of, Aside: "as the last " +
				"ones"}
		}, "aside",
			false, 6},
		"let go in another drawing": {metric, pan(), 6, func(f FirstTold) *vehicle.FirstOff {
			return &vehicle.FirstOff{Of: "0123", Aside: "as the last ones"}
		}, "stale", true, 6},
		"all but one": {metric, pan(), 6, func(f FirstTold) *vehicle.FirstOff {
			m := read(nil)(f)
			m.Sizes = m.Sizes[1:]
			return m
		}, "open", true, 6},
		"by eye": {metric, pan(), 6, func(f FirstTold) *vehicle.FirstOff {
			m := read(nil)(f)
			m.Sizes[0].Value.Instrument = survey.Eye
			return m
		}, "open", true, 6},
		"from memory": {metric, pan(), 6, func(f FirstTold) *vehicle.FirstOff {
			m := read(nil)(f)
			m.Sizes[0].Value.Trust = "memory"
			return m
		}, "open", true, 6},
		"one of two alike is off": {metric, pan(), 6, func(f FirstTold) *vehicle.FirstOff {
			m := read(nil)(f)
			for i := range m.Sizes {
				if m.Sizes[i].Size == "f length" {
					m.Sizes[i].Value.Values = []float64{50, 52}
				}
			}
			return m
		}, "off", true, 6},
	} {
		got := first(t, c.brief, c.recipe, c.quantity, c.made)
		if got.State != c.state || got.Held != c.held || got.Batch != c.batch || got.Says == "" {
			t.Errorf("%s: %s, held %v, %d in the batch: %s", name, got.State, got.Held, got.Batch, got.Says)
		}
	}
}

// What is asked of a channel is its base, a leg and an angle, each once with those alike it,
// and no size twice.
func TestSizesOfAFirstPiece(t *testing.T) {
	got := first(t, metric, pan(), 4, nil)
	var names []string
	for _, s := range got.Sizes {
		names = append(names, fmt.Sprintf("%s=%g×%d", s.Key, math.Round(s.Nominal*100)/100, s.Many))
	}
	if want := "b /base/length=300×1 b /base/width=100×1 f length=50×2 f angle=90×2"; strings.Join(names, " ") != want {
		t.Errorf("asked: %v, want %s", names, want)
	}
	if s := got.Sizes[2]; !strings.Contains(s.Name, "and 1 alike") || s.Text != "50.0 mm" {
		t.Errorf("%q %q", s.Name, s.Text)
	}
}

// By hand: legs of 50.3 and a base of 100.2 are 0.8 too much in sum over two bends, so each
// bend took 0.4 less than computed. BA = π/2·(3 + 0.42·3) − 0.4 = 6.2916, K = 0.3351.
func TestFirstPieceSaysK(t *testing.T) {
	made := read(map[string]float64{"f length": .3, "b /base/width": .2})
	for _, b := range []brief.Brief{metric, inches} {
		got := first(t, b, pan(), 4, made)
		if len(got.Learns) != 1 {
			t.Fatalf("it says %d things of K", len(got.Learns))
		}
		l := got.Learns[0]
		if math.Abs(l.K-.3351) > 1e-4 || math.Abs(l.Was-.42) > 1e-9 || !strings.Contains(l.Says, "less than computed") ||
			l.Working == nil {
			t.Errorf("K %.4f where %.4f was taken: %s", l.K, l.Was, l.Says)
		}
		// Three sizes by caliper, ±0.05: √3·0.05/2 a bend, over π/2·3.
		if !strings.Contains(l.Says, "±0.009") {
			t.Errorf("how good it is: %s", l.Says)
		}
		if b.Inches() != strings.Contains(l.Says, " in ") {
			t.Errorf("in the other unit: %s", l.Says)
		}
		w := shop.Shop{Schema: shop.Schema, Strips: []shop.Strip{l.Strip}}
		if err := w.Check(); err != nil {
			t.Errorf("the shop does not take it: %v", err)
		}
		if told := w.Told(); len(told) != 1 || math.Abs(told[0].K-l.K) > 1e-9 {
			t.Errorf("the shop says %+v", told)
		}
	}
	// Nothing is said of K where a bend of the row is of another angle, or a size is missing.
	odd := pan()
	odd.Base.Flanges[1].Angle = 60
	if got := first(t, metric, odd, 4, made); len(got.Learns) != 0 {
		t.Errorf("a row of unlike bends says %+v", got.Learns)
	}
	if got := first(t, metric, pan(), 4, func(f FirstTold) *vehicle.FirstOff {
		m := made(f)
		for i := range m.Sizes {
			if m.Sizes[i].Size == "b /base/width" {
				m.Sizes[i].Value.Values = nil
			}
		}
		return m
	}); len(got.Learns) != 0 {
		t.Errorf("with no width it says %+v", got.Learns)
	}
	// A slip of the rule gives a K that no sheet has: said, and nothing is kept.
	if got := first(t, metric, pan(), 4, read(map[string]float64{"b /base/width": 30})); len(got.Learns) != 1 || got.Learns[0].Why == "" {
		t.Errorf("30 mm too wide says %+v", got.Learns)
	}
}

// Pieces bent with another K than they were computed with, whatever their sizes and however
// the difference falls on their panels, give that K back.
func TestFirstPieceGivesKBack(t *testing.T) {
	rnd := rand.New(rand.NewPCG(7, 1))
	for range 60 {
		r := pan()
		angle, radius := 30+rnd.Float64()*100, 1+rnd.Float64()*5
		lip := sheet.Flange{ID: "l", Edge: sheet.Front, Length: 25 + rnd.Float64()*20, Measure: sheet.Outside, Angle: angle,
			InsideRadius: radius, Up: rnd.IntN(2) == 0}
		for i := range r.Base.Flanges {
			f := &r.Base.Flanges[i]
			f.Angle, f.InsideRadius, f.Length, f.Up = angle, radius, 40+rnd.Float64()*80, rnd.IntN(2) == 0
		}
		bends := 2.
		if rnd.IntN(2) == 0 {
			r.Base.Flanges[0].Flanges, bends = []sheet.Flange{lip}, 3
		}
		is := .3 + rnd.Float64()*.2
		off := bends * (bend.Allowance(radius, 3, .42, angle) - bend.Allowance(radius, 3, is, angle)) // what its sizes are over in sum
		a, b := rnd.NormFloat64()*.2, rnd.NormFloat64()*.2
		by := map[string]float64{"b /base/width": off - a - b, "f length": a, "g length": b}
		got := first(t, metric, r, 2, read(by))
		if len(got.Learns) != 1 || got.Learns[0].Why != "" || math.Abs(got.Learns[0].K-is) > 1e-6 {
			t.Fatalf("bent %.1f° at R %.2f with K %.4f: %+v", angle, radius, is, got.Learns)
		}
	}
}

// What a drawing is called, counted and explained by does not make another piece of it; what
// is cut and bent does.
func TestStateOfADrawing(t *testing.T) {
	of := func(change func(*sheet.Recipe)) string {
		r := pan()
		if change != nil {
			change(&r)
		}
		return first(t, metric, r, 2, nil).Of
	}
	was := of(nil)
	for name, change := range map[string]func(*sheet.Recipe){
		"a name": func(r *sheet.Recipe) { r.Base.Flanges[0].Name = "Lip" },
		"a reason": func(r *sheet.Recipe) {
			r.Reasons = []sheet.Reason{{Feature: "f", Size: "length", Value: 50, Why: "tried"}}
		},
		"flanges listed the other way": func(r *sheet.Recipe) {
			r.Base.Flanges[0], r.Base.Flanges[1] = r.Base.Flanges[1], r.Base.Flanges[0]
		},
	} {
		if is := of(change); is != was {
			t.Errorf("%s makes another drawing", name)
		}
	}
	k := .4
	for name, change := range map[string]func(*sheet.Recipe){
		"another length": func(r *sheet.Recipe) { r.Base.Flanges[0].Length += .1 },
		"another K":      func(r *sheet.Recipe) { r.Bend.K = &k },
		"another sheet":  func(r *sheet.Recipe) { r.Material = "steel-1018" },
		"the other way":  func(r *sheet.Recipe) { r.Base.Flanges[0].Up = false },
		"a hole": func(r *sheet.Recipe) {
			r.Base.Holes = []sheet.Hole{{ID: "h", Kind: sheet.RoundHole, Diameter: 8, Made: sheet.MadeCut,
				X: sheet.Offset{Edge: sheet.Left, Distance: 20}, Y: sheet.Offset{Edge: sheet.Front, Distance: 30}}}
		},
	} {
		if is := of(change); is == was {
			t.Errorf("%s is the same drawing", name)
		}
	}
}

// A batch of frames waits like a batch of parts, of its outside sizes; another metal or another
// cut makes it another frame, another name does not.
func TestFirstOfManyFrames(t *testing.T) {
	told := func(change func(*Frame), made *vehicle.FirstOff) FirstTold {
		f := Frame{ID: "f", Name: "Corner", Quantity: 3, Doc: mitred()}
		if change != nil {
			change(&f)
		}
		check := vehicle.PartCheck{Part: "f", Aside: "a bench thing", Made: made}
		return Site{Survey: vehicle.Survey{Checks: []vehicle.PartCheck{check}}, Brief: metric}.CheckOfFrame(f).First
	}
	open := told(nil, nil)
	if !open.Held || open.State != "open" || open.Batch != 3 || len(open.Sizes) < 2 {
		t.Fatalf("%+v", open)
	}
	if good := told(nil, read(nil)(open)); good.Held || good.State != "good" {
		t.Errorf("as drawn: %+v", good)
	}
	if off := told(nil, read(map[string]float64{open.Sizes[0].Key: 3})(open)); !off.Held || off.State != "off" {
		t.Errorf("3 mm off: %+v", off)
	}
	for what, change := range map[string]func(*Frame){"another metal": func(f *Frame) { f.Doc.Material = "steel-s355" },
		"longer": func(f *Frame) { f.Doc.Points[1].X += 5 }} {
		if got := told(change, read(nil)(open)); got.State != "stale" || !got.Held {
			t.Errorf("%s: %s", what, got.State)
		}
	}
	if got := told(func(f *Frame) { f.Name, f.Doc.Members[0].Name = "Angle", "Rail" }, read(nil)(open)); got.State != "good" {
		t.Errorf("renamed: %s", got.State)
	}
	if got := told(func(f *Frame) { f.Quantity = 1 }, nil); got.State != "single" || got.Held {
		t.Errorf("one: %+v", got)
	}
}

// A frame that closes is asked for both diagonals of its opening, in the job's units: outside sizes
// that are right leave it held, and one diagonal that is off says the frame is.
func TestFirstFrameIsAskedForItsDiagonals(t *testing.T) {
	s := section.Sizes{Kind: "rectTube", Width: 40, Height: 40, Wall: 3}
	d := member.Doc{Schema: 1, Material: "steel-s235", Points: []member.Point{{ID: "a"}, {ID: "b", X: 1000}, {ID: "c", X: 1000, Y: 600},
		{ID: "d", Y: 600}}}
	names := [4]string{"Front", "Left", "Rear", "Right"}
	for i, id := range [4]string{"m", "n", "o", "p"} {
		ends := [4]string{"a", "b", "c", "d"}
		next, before := [4]string{"n", "o", "p", "m"}[i], [4]string{"p", "m", "n", "o"}[i]
		d.Members = append(d.Members, member.Member{ID: id, Name: names[i], From: ends[i], To: ends[(i+1)%4], Section: s,
			A: member.End{Kind: member.Mitre, Onto: before}, B: member.End{Kind: member.Mitre, Onto: next}})
	}
	for b, text := range map[*brief.Brief]string{&metric: "1110", &inches: `43`} {
		check := vehicle.PartCheck{Part: "f", Aside: "a bench thing"}
		told := func() FirstTold {
			return Site{Survey: vehicle.Survey{Checks: []vehicle.PartCheck{check}}, Brief: *b}.CheckOfFrame(Frame{ID: "f", Name: "Ring", Quantity: 2,
				Doc: d}).First
		}
		open := told()
		var across []FirstSizeTold
		for _, x := range open.Sizes {
			if strings.Contains(x.Name, "inside diagonal") {
				across = append(across, x)
			}
		}
		if len(across) != 2 || math.Abs(across[0].Nominal-math.Hypot(960, 560)) > 1e-6 || !strings.Contains(across[0].Text, text[:2]) ||
			b.Inches() == strings.Contains(across[0].Text, "mm") {
			t.Fatalf("%+v", across)
		}
		all := read(nil)(open)
		some := *all
		some.Sizes = slices.DeleteFunc(slices.Clone(all.Sizes), func(x vehicle.FirstSize) bool { return x.Size == across[1].Key })
		check.Made = &some
		if got := told(); got.State != "open" || !got.Held {
			t.Errorf("one diagonal not measured: %s", got.State)
		}
		check.Made = read(map[string]float64{across[1].Key: 4})(open)
		if got := told(); got.State != "off" || !got.Held {
			t.Errorf("out of square: %s", got.State)
		}
		check.Made = all
		if got := told(); got.State != "good" {
			t.Errorf("square: %s %s", got.State, got.Says)
		}
	}
}
