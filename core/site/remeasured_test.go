package site

import (
	"math"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/goods"
	"warmanvil/core/member"
	"warmanvil/core/member/racks"
	"warmanvil/core/section"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// square is a frame of two rails 1000 long and two rungs that butt on them, of 40 × 40 × 3: 660 × 760 inside.
func square(t *testing.T, unit brief.Unit) Site {
	t.Helper()
	d := member.Doc{Points: []member.Point{racks.Point("a", 0, 0, 0), racks.Point("b", 1000, 0, 0), racks.Point("c", 0, 800, 0),
		racks.Point("d", 1000, 800, 0)},
		Members: []member.Member{{ID: "l", Name: "Right rail", From: "a", To: "b", Section: racks.Box40},
			{ID: "r", Name: "Left rail", From: "c", To: "d", Section: racks.Box40}}}
	for i, x := range []float64{150, 850} {
		id := string(rune('s' + i))
		d.Points = append(d.Points, racks.Point(id+"1", x, 0, 0), racks.Point(id+"2", x, 800, 0))
		d.Members = append(d.Members, member.Member{ID: id, Name: "Rung " + id, From: id + "1", To: id + "2", Section: racks.Box40,
			A: member.End{Kind: member.Butt, Onto: "l"}, B: member.End{Kind: member.Butt, Onto: "r"}})
	}
	return Site{Brief: brief.Brief{Name: "Gate", Quantity: 1, Unit: unit, Grain: 1, Criticality: brief.LoadLost,
		Strength: strength.Rule{School: strength.Allowable}},
		Frames: []Frame{{ID: "f", Name: "Gate frame", Quantity: 1, Doc: racks.Steel(t, d)}}}
}

// By hand: inside 660 × 760 the diagonals are √(660² + 760²) = 1006.6 mm, 3 mm may they be off (ISO 13920 A, to 2 m); a
// brace is 100 longer, its r at least L/200. What lies in the Shop and does is taken before what is bought.
func TestSquareFrameIsBracedAndMeasured(t *testing.T) {
	want := math.Hypot(660, 760)
	for _, unit := range []brief.Unit{brief.UnitMM, brief.UnitFraction} {
		s := square(t, unit)
		p, err := s.WeldPlan("f")
		if err != nil || len(p.Braces) != 1 || len(p.Sizes) != 2 {
			t.Fatalf("%v %+v %+v", err, p.Braces, p.Sizes)
		}
		for _, z := range p.Sizes {
			if math.Abs(z.Should-want) > 1e-6 || z.Allowed != 3 || !z.Square || z.Tacked != nil {
				t.Errorf("%+v, by hand %g", z, want)
			}
		}
		b := p.Braces[0]
		props, known := sectionNamed(b.Section, 7850)
		if !known || b.Lies || b.On || b.Long < want+100 || b.Long > want+113 || props.RMin < want/200 ||
			math.Abs(b.Kilos-props.MassPerMetre*b.Long/1000) > 1e-9 || b.Working == nil {
			t.Errorf("%+v", b)
		}
		for _, x := range section.Table() {
			if o, ok := workedOf(x, 7850); ok && x.Sizes.Kind == "rectTube" && x.Inches == s.Brief.Inches() && o.RMin >= want/200 &&
				o.MassPerMetre < props.MassPerMetre-1e-9 {
				t.Errorf("%s does and is lighter than %s", x.Name, b.Section)
			}
		}
		if unit != brief.UnitMM && strings.Contains(b.Says, " mm long") {
			t.Errorf("half metric: %s", b.Says)
		}
		if rows := s.Backs(); len(rows) != 0 {
			t.Errorf("%+v are listed", rows)
		}
		s.Brief.Books = []brief.WeldBook{{ID: "k", Of: "f", Braced: []string{b.ID}}}
		stick := func(id, name string, long float64) goods.Lying {
			return goods.Lying{Goods: goods.Goods{ID: id, Kind: goods.Stick, Material: "steel-s235", Section: name, Long: long},
				Counts: goods.Counts{Here: 1}}
		}
		s.Shop.Stock = []goods.Lying{stick("m", "15 × 15 × 1.5 mm tube", 1100), stick("l", "30 × 30 × 2 mm tube", 1400)}
		if rows := s.Backs(); len(rows) != 1 || rows[0].Material != "30 × 30 × 2 mm tube" || !rows[0].Temporary {
			t.Errorf("%+v", rows)
		}
	}
}

// A diagonal that is off when it is tacked stops the first run and holds the map back; squared up it does not. Off when
// cold it is minded, and what was welded before anybody measured is told.
func TestOutOfSquareStops(t *testing.T) {
	s := square(t, brief.UnitMM)
	first, err := s.WeldPlan("f")
	if err != nil || first.Held() != "" {
		t.Fatal(err, first.Held())
	}
	z := first.Sizes[0]
	for _, c := range []struct {
		name           string
		tacked, cooled float64 // off, mm; NaN where nobody measured
		code           string
		severity       working.Severity
		held           bool
	}{{"tacked as it should", 3, math.NaN(), "", "", false}, {"tacked off", 3.1, math.NaN(), "pulled-off", working.Stop, true},
		{"tacked short", -3.1, math.NaN(), "pulled-off", working.Stop, true}, {"cold off", 0, 4, "pulled-off", working.Mind, false},
		{"cold as it should", 3.1, 2.9, "", "", false}} {
		saw := brief.SizeSeen{ID: z.ID}
		put := func(at **float64, off float64) {
			if !math.IsNaN(off) {
				v := z.Should + off
				*at = &v
			}
		}
		put(&saw.Tacked, c.tacked)
		put(&saw.Cooled, c.cooled)
		s.Brief.Books = []brief.WeldBook{{ID: "k", Of: "f", Sizes: []brief.SizeSeen{saw}}}
		p, err := s.WeldPlan("f")
		if err != nil {
			t.Fatal(err)
		}
		k := slices.IndexFunc(p.Findings, func(f working.Finding) bool { return f.Code == "pulled-off" })
		if (k >= 0) != (c.code != "") || k >= 0 && p.Findings[k].Severity != c.severity || (p.Held() != "") != c.held {
			t.Errorf("%s: %+v, held %q", c.name, p.Findings, p.Held())
		}
	}
	s.Brief.Books[0].Seen = []brief.SeamSeen{{ID: first.Seams[0].ID, Welded: true}}
	if p, _ := s.WeldPlan("f"); !slices.ContainsFunc(p.Findings, func(f working.Finding) bool { return f.Code == "not-squared" }) {
		t.Errorf("one diagonal was never measured: %+v", p.Findings)
	}
	bad := welds(t).Brief
	v := -1.
	bad.Books = []brief.WeldBook{{ID: "k", Of: "f", Sizes: []brief.SizeSeen{{ID: z.ID, Cooled: &v}}}}
	if err := bad.Check(); err == nil || !strings.Contains(err.Error(), "size") {
		t.Errorf("a size of -1 mm: %v", err)
	}
}
