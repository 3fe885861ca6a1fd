package stock

import (
	"math"
	"testing"
)

func TestGaugeThickness(t *testing.T) {
	cases := []struct {
		f    Family
		g    float64
		inch float64
	}{
		{Steel, 10, .1345}, {Steel, 7, .1793}, {Steel, 16, .0598}, {Steel, 24, .0239},
		{Galvanized, 8, .1681}, {Galvanized, 10, .1382}, {Galvanized, 16, .0635}, {Galvanized, 24, .0276},
		{Stainless, 10, 9.0 / 64}, {Stainless, 7, 3.0 / 16}, {Stainless, 16, 1.0 / 16}, {Stainless, 24, .025},
		{Aluminum, 10, .1019}, {Aluminum, 7, .1443}, {Aluminum, 16, .0508}, {Aluminum, 24, .0201},
	}
	for _, c := range cases {
		mm, err := GaugeThickness(c.f, c.g)
		if err != nil || math.Abs(mm-c.inch*25.4) > 1e-9 {
			t.Errorf("%s %v ga = %v (%v), want %v", c.f, c.g, mm, err, c.inch*25.4)
		}
	}
	for _, c := range []struct {
		f Family
		g float64
	}{{Galvanized, 7}, {Steel, 6}, {Steel, 10.5}, {Steel, -1}, {Steel, 99}, {"copper", 10}, {Steel, math.NaN()}} {
		if mm, err := GaugeThickness(c.f, c.g); err == nil {
			t.Errorf("%s %v ga = %v, want a refusal", c.f, c.g, mm)
		}
	}
}

// A higher gauge is always thinner; a slip in a row would break this.
func TestGaugeTablesFall(t *testing.T) {
	for f := range gaugeInches {
		rows := GaugeTable(f)
		for i := 1; i < len(rows); i++ {
			if rows[i].MM >= rows[i-1].MM || rows[i].Number != rows[i-1].Number+1 {
				t.Errorf("%s: gauge %d (%v) after %v", f, rows[i].Number, rows[i].MM, rows[i-1].MM)
			}
		}
		if rows[len(rows)-1].Number < 24 {
			t.Errorf("%s ends at gauge %d", f, rows[len(rows)-1].Number)
		}
	}
}

func TestMaterialsAreComplete(t *testing.T) {
	for _, m := range Materials {
		if m.Density < 2500 || m.Density > 8100 || m.Yield <= 0 || m.Tensile <= m.Yield || m.Modulus < 6e4 || m.Source == "" ||
			GaugeSource[m.Family] == "" {
			t.Errorf("%s: implausible row %+v", m.Key, m)
		}
		for _, r := range m.Radius {
			if r.Across > r.Along {
				t.Errorf("%s: across the grain must not be worse than along: %+v", m.Key, r)
			}
		}
		if got, err := MaterialByKey(m.Key); err != nil || got.Name != m.Name {
			t.Errorf("%s: lookup gives %v, %v", m.Key, got.Name, err)
		}
	}
	if across, along := mustMaterial(t, "steel-a36").SmallestRadius(10); across != 15 || along != 25 {
		t.Errorf("A36 10 mm: %v, %v", across, along)
	}
	if _, err := MaterialByKey("oak"); err == nil {
		t.Error("oak was found")
	}
}

func mustMaterial(t *testing.T, key string) Material {
	m, err := MaterialByKey(key)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func TestSmallestHole(t *testing.T) {
	for _, c := range []struct {
		key     string
		t, want float64
	}{{"plasma", 6, 6}, {"plasma", 2, 3}, {"laser", 6, 3}, {"waterjet", 10, 2}, {"punch", 4, 4}} {
		p, err := ProcessByKey(c.key)
		if err != nil || p.SmallestHole(c.t) != c.want {
			t.Errorf("%s at %v mm: %v (%v), want %v", c.key, c.t, p.SmallestHole(c.t), err, c.want)
		}
	}
}
