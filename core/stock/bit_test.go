package stock

import (
	"math"
	"slices"
	"strings"
	"testing"
)

// A shop has no drill of .257: it has F.
func TestBitText(t *testing.T) {
	for _, x := range []struct {
		mm     float64
		inches bool
		text   string
	}{
		{.257 * 25.4, true, `F (0.257")`},
		{.201 * 25.4, true, `#7 (0.201")`},
		{.25 * 25.4, true, `1/4"`}, // E is the same drill
		{13. / 32 * 25.4, true, `13/32"`},
		{6.8, false, "6.8 mm"},
		{6.8, true, `6.8 mm, or H (0.266"), 0.002 in smaller`},
		{.257 * 25.4, false, `F, or 6.5 mm, 0.03 mm smaller`},
		{6.87, false, "6.9 mm, 0.03 mm larger"},
		{22.5, false, "22.5 mm"},
	} {
		if got := BitText(x.mm, x.inches); got != x.text {
			t.Errorf("%g mm, inches %t: %q, want %q", x.mm, x.inches, got, x.text)
		}
	}
}

// The sizes of a series only grow or only shrink: a slip in the table would not.
func TestBitsInOrder(t *testing.T) {
	by := map[Series][]float64{}
	for _, b := range bits {
		by[b.Series] = append(by[b.Series], b.Diameter)
	}
	for series, list := range by {
		back := slices.Clone(list)
		slices.Reverse(back)
		if !slices.IsSorted(list) && !slices.IsSorted(back) {
			t.Errorf("%s: %v", series, list)
		}
		for i := 1; i < len(list); i++ {
			if step := math.Abs(list[i] - list[i-1]); step < .01 || step > 1.4 {
				t.Errorf("%s: from %g to %g mm", series, list[i-1], list[i])
			}
		}
	}
}

// Tap drills of the thread table are drills that exist, to what the table is rounded to.
func TestTapDrillsExist(t *testing.T) {
	for _, th := range Threads {
		inches := th.System == Inch
		if near := NearestBit(th.TapDrill, inches); math.Abs(near.Diameter-th.TapDrill) > bitGrain {
			t.Errorf("%s taps with %g mm and the nearest drill is %s of %g mm", th.Name(), th.TapDrill, near.Name, near.Diameter)
		}
	}
}

// A hole is asked for by what goes through it.
func TestHoleNamed(t *testing.T) {
	const in = 25.4
	for text, want := range map[string]float64{
		"M8": 9, "m8 close": 8.4, "M8 bolt loose": 10, "M10x1.25": 11, "M10×1.25 medium": 11,
		"3/8 bolt": 13. / 32 * in, "3/8-24 bolt close": 25. / 64 * in, `1/2" bolt`: 9. / 16 * in, "1/2 in screw loose": 39. / 64 * in,
		"#10 bolt": .221 * in, "#10-32 bolt": .221 * in, "1 bolt": 35. / 32 * in,
		"5/16-18 tap": .257 * in, "tap 5/16-18": .257 * in, "M8 tapped": 6.8, "tap M8 x 1": 7,
		"F": .257 * in, "letter f": .257 * in, "#7": .201 * in, "no. 7": .201 * in, "number 30": .1285 * in, "#10 drill": .1935 * in,
	} {
		got, named, err := HoleNamed(text)
		if err != nil || !named || math.Abs(got.Diameter-want) > 1e-9 || got.Says == "" {
			t.Errorf("%q: %+v, %t, %v; want %g", text, got, named, err, want)
		}
	}
	// Lengths, and what is nothing, are left to who reads lengths.
	for _, text := range []string{"", "3/8", "9", "13/32 in", "5/16-18", "10 mm", "bolt", "3/8 bolt snug", "tap 5/16-18 loose", "FF"} {
		if got, named, err := HoleNamed(text); named || err != nil {
			t.Errorf("%q is read as %+v (%v)", text, got, err)
		}
	}
	for text, words := range map[string]string{"#10": "two readings", "# 8": "#8 drill", "#8 bolt": "table", "M7": "table",
		"13/32 bolt": "table"} {
		if _, named, err := HoleNamed(text); !named || err == nil || !strings.Contains(err.Error(), words) {
			t.Errorf("%q: %t, %v", text, named, err)
		}
	}
}
