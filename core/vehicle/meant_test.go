package vehicle

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/hole"
	"warmanvil/core/quantity"
	"warmanvil/core/survey"
	"warmanvil/core/told"
)

// measured is a map of holes with every distance read once with a caliper.
func measured(at [][2]float64, across ...float64) *HoleMap {
	m := &HoleMap{ID: "m", Name: "Rail"}
	for i := range at {
		m.Holes = append(m.Holes, MapHole{ID: string(rune('a' + i)), Diameter: across[i%len(across)]})
		for k := range i {
			d := math.Hypot(at[i][0]-at[k][0], at[i][1]-at[k][1])
			m.Readings = append(m.Readings, MapReading{ID: m.Holes[k].ID + m.Holes[i].ID, From: m.Holes[k].ID, To: m.Holes[i].ID,
				Value: survey.Reading{Values: []float64{d}, Instrument: survey.Caliper, Trust: "measured"}})
		}
	}
	return m
}

func workedMap(m *HoleMap) *MapTold {
	l := NewLocator(Survey{Maps: []HoleMap{*m}}, told.Pen{Display: quantity.Display{Style: quantity.Metric}})
	return l.MapOf(m)
}

var plate = [][2]float64{{0, 0}, {300, 0}, {300, 160}, {0, 160}, {50, 71}, {220, 93}}

// Four holes alike in a rectangle are offered as one; taken, the map goes by it and is exact;
// when a reading then speaks against it, that is said and the map goes by the readings.
func TestMeantRectangle(t *testing.T) {
	m := measured(plate, 11, 11, 11, 11, 8, 9)
	m.Readings[0].Value.Values[0] += .03
	got := workedMap(m)
	if len(got.Meant) != 1 || got.Meant[0].Form != hole.RectangleForm || !got.Meant[0].Holds || got.Meant[0].Used || got.Meant[0].ID != "" {
		t.Fatalf("%+v", got.Meant)
	}
	m.Meant = []MeantHoles{{ID: "r", Form: hole.RectangleForm, Holes: got.Meant[0].Holes, Taken: true}}
	got = workedMap(m)
	if len(got.Meant) != 1 || !got.Meant[0].Used || !got.Agreed {
		t.Fatalf("taken: %+v, %q", got.Meant, got.Says)
	}
	h := got.Holes
	for _, off := range []float64{h[1].X - h[2].X, h[3].X - h[0].X, h[2].Y - h[3].Y} {
		if math.Abs(off) > 1e-6 {
			t.Errorf("the rectangle is off by %g", off)
		}
	}
	m.Readings[1].Value.Values[0] += 2.5 // from hole 1 to hole 3, and all others to hole 3 with it
	for i, r := range m.Readings {
		if r.To == "c" && i != 1 {
			m.Readings[i].Value.Values[0] += 2
		}
	}
	got = workedMap(m)
	if got.Meant[0].Used {
		t.Errorf("a rectangle is used that the readings speak against: %q", got.Meant[0].Says)
	}
	said := ""
	for _, f := range got.Findings {
		said += string(f.Severity) + " " + f.Reason + "\n"
	}
	if !strings.Contains(said, "stop Taken to be a rectangle") {
		t.Errorf("that the rectangle is not so is not said: %s", said)
	}
	m.Holes = m.Holes[1:]
	if got = workedMap(m); len(got.Meant) == 0 || got.Meant[0].Holds || got.Meant[0].Used {
		t.Errorf("a hole of it is gone: %+v", got.Meant)
	}
}

// Readings agree only where all count, none is doubtful and one is to spare.
func TestAgreed(t *testing.T) {
	for what, x := range map[string]struct {
		change func(*HoleMap)
		agreed bool
		says   string
	}{
		"as read": {func(*HoleMap) {}, true, "15 readings agree, 6 of them to spare."},
		"one not taken": {func(m *HoleMap) { m.Readings[3].Value.Values = nil }, true,
			"14 readings agree, 5 of them to spare. 1 is not taken yet."},
		"one read three times, one of them off": {func(m *HoleMap) {
			v := m.Readings[4].Value.Values[0]
			m.Readings[4].Value.Values = []float64{v, v + 9, v}
		}, false, "is doubtful: read it again"},
		"one that does not count": {func(m *HoleMap) {
			m.Readings[5].Tape, m.Readings[5].Value.Values = hole.Outside, []float64{4}
		}, false, "is doubtful"},
		"none to spare": {func(m *HoleMap) {
			m.Holes = m.Holes[:3]
			m.Readings = m.Readings[:3]
		}, false, "none to spare"},
		"one that is off": {func(m *HoleMap) { m.Readings[6].Value.Values[0] += 12 }, false, ""},
	} {
		m := measured(plate, 11)
		x.change(m)
		got := workedMap(m)
		if got.Agreed != x.agreed || !strings.Contains(got.Says, x.says) || !x.agreed && strings.Contains(got.Says, "agree,") {
			t.Errorf("%s: agreed %v, %q", what, got.Agreed, got.Says)
		}
	}
}

func TestHolesCSV(t *testing.T) {
	m := measured(plate, 11, 11, 11, 11, 8, 9)
	m.Meant = []MeantHoles{{ID: "r", Form: hole.RectangleForm, Holes: []string{"a", "b", "c", "d"}, Taken: true}}
	for _, inches := range []bool{false, true} {
		raw, err := HolesCSV([]HoleMap{*m}, []MapTold{*workedMap(m)}, quantity.Table{Inches: inches})
		if err != nil {
			t.Fatal(err)
		}
		rows := strings.Split(strings.TrimSpace(string(raw)), "\n")
		want := "Rail,2,11,300,0,"
		if inches {
			want = "Rail,2,0.4331,11.811,0,"
		}
		if len(rows) != 7 || !strings.HasPrefix(rows[2], want) || !strings.Contains(rows[2], "a rectangle 300.00 mm × 160.00 mm") ||
			strings.Contains(rows[5], "rectangle") {
			t.Errorf("%s", raw)
		}
	}
}
