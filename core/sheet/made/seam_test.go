package made_test

import (
	"encoding/json"
	"math"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/flags"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/working"
)

// Bolt holes keep 3·T, and 10 mm at least, off a seam that is welded, from either of the
// flanges that meet there; what leaves the fault is gone, what is drilled later or takes
// no bolt is not asked, nor is a corner that is not welded.
func TestHolesNearASeam(t *testing.T) {
	with := func(kind sheet.MeetKind, on sheet.Edge, x sheet.Edge, off, thick float64, change func(*sheet.Hole)) made.Part {
		r := plates.Plate(300, 200)
		r.Thickness = thick
		h := plates.Round("h", x, off, sheet.Back, 30, 9)
		if on == sheet.Left { // it runs front to back
			h = plates.Round("h", sheet.Right, 30, map[sheet.Edge]sheet.Edge{sheet.Left: sheet.Front, sheet.Right: sheet.Back}[x], off, 9)
		}
		if change != nil {
			change(&h)
		}
		for _, e := range []sheet.Edge{sheet.Front, sheet.Left} {
			f := plates.Flange(string(e), e, 60, 90)
			f.InsideRadius = 2 * thick
			if e == on {
				f.Holes = []sheet.Hole{h}
			}
			r.Base.Flanges = append(r.Base.Flanges, f)
		}
		r.Base.Meets = []sheet.Meet{{A: "front", B: "left", Kind: kind}}
		return plates.Build(t, r)
	}
	clear := func(f working.Finding) float64 {
		for _, q := range f.Working.Inputs {
			if q.Symbol == "clear" {
				return q.Value
			}
		}
		return math.NaN()
	}
	for _, on := range []sheet.Edge{sheet.Front, sheet.Left} {
		// Which end of the flange the corner is at shows by where the finding is.
		near := 0
		for _, end := range []sheet.Edge{sheet.Left, sheet.Right} {
			f, said := plates.Codes(with(sheet.MeetWeld, on, end, 12, 3, nil))["hole-near-seam"]
			if !said {
				continue
			}
			near++
			if f.Severity != working.Mind || len(f.Fixes) == 0 || f.Working == nil || f.Working.Result.Value != 10 {
				t.Errorf("%s: %+v", on, f)
			}
			// A hole farther in by 2 mm is clear by 2 mm more, of whatever sheet.
			g, said := plates.Codes(with(sheet.MeetWeld, on, end, 14, 3, nil))["hole-near-seam"]
			if !said || math.Abs(clear(g)-clear(f)-2) > 1e-9 {
				t.Errorf("%s: %g clear at 12 mm, %g at 14", on, clear(f), clear(g))
			}
			last := 12 + 10 - clear(f) // where 10 mm are left
			for _, c := range []struct {
				off, thick float64
				want       bool
			}{{last - .01, 3, true}, {last + .01, 3, false}, {last + 4, 5, true}} {
				if _, said := plates.Codes(with(sheet.MeetWeld, on, end, c.off, c.thick, nil))["hole-near-seam"]; said != c.want {
					t.Errorf("%s, %g mm in, %g mm sheet: said %t", on, c.off, c.thick, said)
				}
			}
			for what, p := range map[string]made.Part{
				"edge to edge": with(sheet.MeetMitre, on, end, 12, 3, nil),
				"drilled":      with(sheet.MeetWeld, on, end, 12, 3, func(h *sheet.Hole) { h.Made = sheet.MadeDrilled }),
				"a drain":      with(sheet.MeetWeld, on, end, 12, 3, func(h *sheet.Hole) { h.Use = &sheet.Use{Kind: sheet.UseDrain} }),
			} {
				if _, said := plates.Codes(p)["hole-near-seam"]; said {
					t.Errorf("%s: said of %s", on, what)
				}
			}
		}
		if near != 1 {
			t.Errorf("%s: the seam is at one of its ends, said of %d", on, near)
		}
	}
}

// Copies of copies get off by the root of how many, all one way by how many; those of one
// master by no more than two transfers.
func TestChainOfCopies(t *testing.T) {
	for n, want := range map[int]flags.Copied{0: {}, 1: {Likely: .25, Worst: .25}, 2: {Likely: .35355, Worst: .5},
		4: {Likely: .5, Worst: 1}, 9: {Likely: .75, Worst: 2.25}} {
		if got := flags.Chained(n); math.Abs(got.Likely-want.Likely) > 1e-5 || math.Abs(got.Worst-want.Worst) > 1e-12 {
			t.Errorf("%d transfers: %+v, by hand %+v", n, got, want)
		}
	}
	if one := flags.Apart(); one != flags.Chained(2) {
		t.Errorf("two from one master: %+v, two transfers: %+v", one, flags.Chained(2))
	}
	r := plates.Plate(200, 100)
	h := plates.Round("h", sheet.Left, 50, sheet.Back, 50, 9)
	h.Made = sheet.MadeMatched
	r.Base.Holes = []sheet.Hole{h}
	opt := plates.Metric
	opt.Quantity = 10
	p, err := made.Build(r, opt)
	if err != nil {
		t.Fatal(err)
	}
	f, said := plates.Codes(p)["master-first"]
	if !said || f.Working == nil || f.Working.Result.Value != flags.Chained(9).Worst {
		raw, _ := json.Marshal(f)
		t.Errorf("%s", raw)
	}
}
