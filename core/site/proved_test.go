package site

import (
	"context"
	"math"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/hold"
	"warmanvil/core/load"
	"warmanvil/core/member/held"
	"warmanvil/core/shop"
	"warmanvil/core/strength"
	"warmanvil/core/vehicle"
)

// Every section offered holds when it is put in, frame, foot plate, the joints at both
// its ends and whatever else the job has: what makes one of them worse is not offered.
func TestSectionsAreProvedThroughTheJob(t *testing.T) {
	const in = "50 × 50 × 4 mm tube"
	refused := 0
	for _, kilos := range []float64{40, 85, 120} {
		s := onFrame(t)
		s.Brief.Devices[0].Mass.Value = kilos
		if kilos == 85 { // a stout foot plate, and holes near the tube's end: its wall is torn first
			thick := s.Frames[0].Doc
			thick.Plates = slices.Clone(thick.Plates)
			thick.Plates[0].Thickness = 20
			s.Frames[0].Doc = thick
			s.Brief.Joints[0].Design.Plies[1].Edge = 5.9
		}
		before := s.Said(s.Hold())
		lightest := math.Inf(1)
		list := s.Sections(s.Frames[0], in)
		for _, o := range list {
			if strings.HasPrefix(o.Why, "It makes") {
				refused++
			}
			if o.Verdict == strength.Holds {
				lightest = math.Min(lightest, o.Mass)
			}
			if o.Now || strength.Worse(o.Verdict, strength.Tight) {
				continue
			}
			next := s.Frames[0]
			d := held.Swapped(next.Doc, in, o)
			next.Doc = d
			x := s.with(next)
			after := x.Said(x.Hold())
			if got := after["arm"].Verdict; got != o.Verdict {
				t.Errorf("%g kg, %s: %s is offered, %s put in: %s", kilos, o.Stock, o.Verdict, got, after["arm"].Why)
			}
			for _, id := range []string{"top", "foot"} {
				if strength.Worse(after[id].Verdict, before[id].Verdict) {
					t.Errorf("%g kg, %s: %s was %s, is %s: %s", kilos, o.Stock, before[id].Name, before[id].Verdict,
						after[id].Verdict, after[id].Why)
				}
			}
		}
		for _, o := range list {
			if o.Lightest && (o.Verdict != strength.Holds || o.Mass > lightest) {
				t.Errorf("%g kg: %s of %g kg is the lightest that holds, and %g kg holds too", kilos, o.Stock, o.Mass, lightest)
			}
		}
	}
	if refused == 0 {
		t.Error("no section makes a joint worse: the test shows nothing")
	}
}

// What makes something else worse says what and why; what changes nothing says nothing.
func TestWorseSaysWhat(t *testing.T) {
	use := func(v float64) *float64 { return &v }
	was := stood{map[string]Said{"a": {"Rail", strength.Holds, use(.5), ""}, "b": {"Foot", strength.Tight, use(.9), ""},
		"c": {"Arm", strength.Over, use(1.2), ""}}, map[string]int{"b": 1}}
	for what, c := range map[string]struct {
		change func(*stood)
		but    string
		want   string
	}{
		"nothing":                {func(*stood) {}, "", ""},
		"easier":                 {func(s *stood) { s.said["c"] = Said{"Arm", strength.Holds, use(.4), ""} }, "", ""},
		"harder within its room": {func(s *stood) { s.said["a"] = Said{"Rail", strength.Holds, use(.84), ""} }, "", ""},
		"a worse verdict": {func(s *stood) { s.said["a"] = Said{"Rail", strength.Tight, use(.86), "Bolt in shear"} }, "",
			"It makes Rail tight: Bolt in shear."},
		"the thing itself": {func(s *stood) { s.said["a"] = Said{"Rail", strength.Over, use(2), ""} }, "a", ""},
		"harder where it is tight": {func(s *stood) { s.said["b"] = Said{"Foot", strength.Tight, use(.91), "Slip"} }, "", "It " +
			"makes Foot work harder"},
		"harder where it is over": {func(s *stood) { s.said["c"] = Said{"Arm", strength.Over, use(1.3), "stress"} }, "", "It " +
			"makes Arm work harder"},
		"no number any more": {func(s *stood) { s.said["c"] = Said{"Arm", strength.Over, nil, "gone"} }, "", "It leaves Arm " +
			"without a number"},
		"a stop that was not there":  {func(s *stood) { s.stops["b"] = 2 }, "", "It brings a stop to Foot."},
		"a thing that was not there": {func(s *stood) { s.said["new"] = Said{"New", strength.Over, use(3), ""} }, "", ""},
	} {
		now := stood{map[string]Said{}, map[string]int{}}
		for k, v := range was.said {
			now.said[k] = v
		}
		for k, v := range was.stops {
			now.stops[k] = v
		}
		c.change(&now)
		if got := was.worse(now, c.but); c.want == "" != (got == "") || !strings.HasPrefix(got, c.want) {
			t.Errorf("%s: %q, want %q", what, got, c.want)
		}
	}
}

// A bracket's doubler is a plate that is made: a row of the parts list with its blank and
// its holes, one for every bracket of both hands, and weighed wherever the bracket is.
func TestDoublersAreMadeAndWeighed(t *testing.T) {
	b := truck(load.Smooth)
	b.Quantity = 3
	parts := pressParts()
	parts[0].Quantity = 2
	rows := func() []Listed { return List(context.Background(), vehicle.Survey{}, b, shop.Shop{}, parts, nil) }
	plain := rows()
	bare := kilos(b, &BuildParts(context.Background(), parts, b, shop.Shop{})[0])
	if len(plain) != len(parts[0].Hands()) {
		t.Fatalf("%d rows", len(plain))
	}
	b.Mounts[0].Hold.Doubler = 5
	list := rows()
	d := list[len(list)-1]
	if len(list) != len(plain)+1 || !d.Doubler || d.Name != "Doubler of Press foot" || d.Quantity != 2*3*len(parts[0].Hands()) ||
		d.Thickness != 5 || d.Flat == nil {
		t.Fatalf("%+v", d)
	}
	built := BuildParts(context.Background(), parts, b, shop.Shop{})[0]
	blank, ok := hold.Doubler(&built.Built, built.Recipe, b.Mounts[0].Hold)
	if !ok || len(blank.Base.Holes) != len(d.Flat.Holes) {
		t.Fatalf("%+v", blank)
	}
	area := blank.Base.Length * blank.Base.Width
	for _, h := range blank.Base.Holes {
		area -= math.Pi / 4 * h.Diameter * h.Diameter
	}
	near(t, "its mass", d.Kilos, area*5*7850e-9, 1e-9)
	near(t, "the bracket with it", kilos(b, &built), bare+d.Kilos, 1e-12)
	near(t, "as it is told", holding(b).Mounts[0].Mass, bare+d.Kilos, 1e-12)
	for _, i := range (Site{Brief: b, Parts: BuildParts(context.Background(), parts, b, shop.Shop{})}).assembled() {
		if i.Kind == "part" {
			near(t, "in the sum of weights", i.Kilos, bare+d.Kilos, 1e-12)
		}
	}
	// On nothing that can be laid out there is none.
	b.Mounts[0].Hold.Fasten = nil
	if got := rows(); len(got) != len(plain) {
		t.Errorf("a doubler on no bolts: %+v", got[len(got)-1])
	}
	b.Mounts = []brief.Mount{}
	if got := rows(); len(got) != len(plain) {
		t.Errorf("a doubler of no bracket: %+v", got)
	}
}
