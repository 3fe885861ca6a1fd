package job

import (
	"encoding/json"
	"fmt"
	"reflect"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/site"
)

func TestDisplay(t *testing.T) {
	for _, c := range []struct {
		unit  brief.Unit
		grain float64
		want  quantity.Display
	}{
		{brief.UnitMM, 1, quantity.Display{Style: quantity.Metric}},
		{brief.UnitDecimal, .254, quantity.Display{Style: quantity.Decimal}},
		{brief.UnitFraction, 25.4 / 16, quantity.Display{Style: quantity.Fraction, Denominator: 16}},
		{brief.UnitFraction, 25.4 / 32, quantity.Display{Style: quantity.Fraction, Denominator: 32}},
		{brief.UnitFraction, 25.4 / 64, quantity.Display{Style: quantity.Fraction, Denominator: 64}},
		{brief.UnitFraction, .001, quantity.Display{Style: quantity.Fraction, Denominator: 64}}, // no finer than 1/64
	} {
		if got := (brief.Brief{Unit: c.unit, Grain: c.grain}).Display(); got != c.want {
			t.Errorf("%s at %v mm: %+v, want %+v", c.unit, c.grain, got, c.want)
		}
	}
}

func TestHands(t *testing.T) {
	p := site.Part{Name: "Foot", Recipe: demo.PressFoot()}
	if h := p.Hands(); len(h) != 2 || h[0] != sheet.LeftHand {
		t.Fatalf("%v", h)
	}
	left, right := p.Handed(sheet.LeftHand), p.Handed(sheet.RightHand)
	if left.Base.Flanges[1].Edge != sheet.Left || right.Base.Flanges[1].Edge != sheet.Right {
		t.Errorf("the cheek is on %s of the left and %s of the right", left.Base.Flanges[1].Edge, right.Base.Flanges[1].Edge)
	}
	if p.Mark(sheet.LeftHand) != "Foot L" || p.Mark(sheet.RightHand) != "Foot R" || p.Mark("") != "Foot" {
		t.Error("marks")
	}
	p.Recipe.Hand.Drawn = sheet.RightHand // the same recipe, drawn as the right hand
	if p.Handed(sheet.RightHand).Base.Flanges[1].Edge != sheet.Left || p.Handed(sheet.LeftHand).Base.Flanges[1].Edge != sheet.Right {
		t.Error("the drawn hand is mirrored, the other is not")
	}
	p.Recipe.Hand = sheet.Hand{}
	if h := p.Hands(); len(h) != 1 || h[0] != "" {
		t.Errorf("a single part has hands %v", h)
	}
}

func TestChangedSaysWhat(t *testing.T) {
	state := func(change func(*PartState)) PartState {
		r := PartState{Name: "Bracket", Quantity: 2, Recipe: demo.ShelfBracket()}
		if change != nil {
			change(&r)
		}
		return r
	}
	for want, change := range map[string]func(*PartState){
		"Name Other, was Bracket": func(r *PartState) { r.Name = "Other" },
		"Quantity 9, was 2":       func(r *PartState) { r.Quantity = 9 },
		"Material Hot-rolled structural steel A36, was Cold-rolled mild steel": func(r *PartState) { r.Recipe.Material = "steel-a36" },
		"Base: length 70.0 mm, was 60.0 mm":                                    func(r *PartState) { r.Recipe.Base.Length = 70 },
		"Base: length 70.0 mm, was 60.0 mm, and 1 " +
			"more": func(r *PartState) { r.Recipe.Base.Length, r.Recipe.Base.Width = 70, 190 },
		"Hole grid 1 on base removed": func(r *PartState) { r.Recipe.Base.Holes = nil },
		"Hole 2 on base added": func(r *PartState) {
			r.Recipe.Base.Holes = append(r.Recipe.Base.Holes,
				sheet.Hole{ID: "new", Kind: sheet.RoundHole, Diameter: 5, X: demo.From(sheet.Left, 20), Y: demo.From(sheet.Back, 20)})
		},
		"Right flange removed": func(r *PartState) { r.Recipe.Base.Flanges = r.Recipe.Base.Flanges[:1] },
		"Grain y, was x":       func(r *PartState) { r.Recipe.Grain = sheet.GrainY },
		"Back flange: relief, kind round, was rectangular": func(r *PartState) { r.Recipe.Base.Flanges[0].Relief.Kind = sheet.Round },
		"nothing that shows": nil,
	} {
		if got := briefly(compare(state(nil), state(change), quantity.Display{Style: quantity.Metric})); got != want {
			t.Errorf("says %q, want %q", got, want)
		}
	}
}

// Whatever leaf of a recipe is changed, it is said, and said once.
func TestNoChangeIsSilent(t *testing.T) {
	d := quantity.Display{Style: quantity.Metric}
	for name, r := range map[string]sheet.Recipe{"shelf bracket": demo.ShelfBracket(), "press foot": demo.PressFoot(),
		"amplifier shelf": demo.AmplifierShelf()} {
		was := PartState{"Part", 1, r}
		raw, err := json.Marshal(was)
		if err != nil {
			t.Fatal(err)
		}
		changed := 0
		var walk func(v any, at string, set func(any))
		var doc any
		walk = func(v any, at string, set func(any)) {
			var to any
			switch x := v.(type) {
			case map[string]any:
				for k, in := range x {
					if k != "id" { // another id is another thing
						walk(in, at+"/"+k, func(to any) { x[k] = to })
					}
				}
				return
			case []any:
				for i, in := range x {
					walk(in, fmt.Sprint(at, "/", i), func(to any) { x[i] = to })
				}
				return
			case float64:
				to = x + 1
			case bool:
				to = !x
			case string:
				to = x + "x"
			}
			set(to)
			text, err := json.Marshal(doc)
			set(v)
			if err != nil {
				t.Fatal(err)
			}
			now, err := Body[PartState](text)
			if err != nil || reflect.DeepEqual(now, was) {
				return // a form that the program does not take
			}
			changed++
			list := compare(was, now, d)
			what := map[string]int{}
			for _, x := range list {
				what[x.What]++
				if what[x.What] > 1 || x.What == "" || x.Was == x.Now {
					t.Errorf("%s %s: %+v", name, at, list)
				}
			}
			if len(list) == 0 {
				t.Errorf("%s: another %s is not said", name, at)
			}
		}
		if err := json.Unmarshal(raw, &doc); err != nil {
			t.Fatal(err)
		}
		walk(doc, "", nil)
		if changed < 40 {
			t.Errorf("%s: only %d leaves were changed", name, changed)
		}
	}
}

// What two states differ in is written as the job writes lengths, and the other
// way round it says the same the other way round.
func TestCompareBothWays(t *testing.T) {
	a := PartState{"Bracket", 2, demo.ShelfBracket()}
	b := PartState{"Bracket", 2, demo.ShelfBracket()}
	b.Recipe.Base.Length = 63.5
	b.Recipe.Base.Flanges = b.Recipe.Base.Flanges[:1]
	inch := quantity.Display{Style: quantity.Fraction, Denominator: 16}
	there, back := compare(a, b, inch), compare(b, a, inch)
	if len(there) != 2 || len(back) != 2 {
		t.Fatalf("%v, %v", there, back)
	}
	if there[0].Now != `2 1/2"` || back[0].Was != `2 1/2"` {
		t.Errorf("in inches: %v, %v", there[0], back[0])
	}
	if there[1].Now != "removed" || back[1].Now != "added" {
		t.Errorf("%v, %v", there[1], back[1])
	}
	if d := compare(a, a, inch); len(d) != 0 {
		t.Errorf("a state differs from itself: %v", d)
	}
}

// Two sizes that differ never read the same, however near, in either unit system.
func TestNearSizesReadApart(t *testing.T) {
	inch := quantity.Display{Style: quantity.Fraction, Denominator: 16}
	for _, tc := range []struct {
		show     quantity.Display
		from, to float64
		was, now string
	}{
		{quantity.Display{Style: quantity.Metric}, 60, 60.02, "60.0 mm", "60.02 mm"},
		{quantity.Display{Style: quantity.Metric}, 160, 160.00004, "160.0 mm at 160 mm", "160.0 mm at 160.00004 mm"},
		{inch, 63.5, 63.6, `2 1/2"`, `2.5039"`},
		{inch, 1270, 1270.3, `50"`, `50.0118"`},
	} {
		a := PartState{"Bracket", 2, demo.ShelfBracket()}
		b := PartState{"Bracket", 2, demo.ShelfBracket()}
		a.Recipe.Base.Length, b.Recipe.Base.Length = tc.from, tc.to
		list := compare(a, b, tc.show)
		if len(list) != 1 || list[0].Was != tc.was || list[0].Now != tc.now {
			t.Errorf("%g and %g: %+v", tc.from, tc.to, list)
		}
	}
	if got := (spot{unit: "mm", show: inch}).words(1234.567); got != `48.605"` {
		t.Errorf("a long one: %s", got)
	}
}

func TestCopyNameStaysWithinBounds(t *testing.T) {
	long := strings.Repeat("ü", brief.MaxName)
	if got := copyName(long); len([]rune(got)) != brief.MaxName || !strings.HasSuffix(got, " (copy)") {
		t.Errorf("%d runes: %q", len([]rune(got)), got)
	}
	if got := copyName("Foot"); got != "Foot (copy)" {
		t.Error(got)
	}
}

func TestSlug(t *testing.T) {
	for in, want := range map[string]string{
		"Press foot": "press-foot", "  --  ": "part", "Träger/links": "trager-links", `a"b\c:d`: "a-b-c-d", "棚": "part",
		strings.Repeat("ab", 60): strings.Repeat("ab", 24),
	} {
		if got := site.Slug(in); got != want {
			t.Errorf("%q: %q, want %q", in, got, want)
		}
	}
}
