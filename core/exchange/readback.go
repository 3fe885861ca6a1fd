package exchange

import (
	"context"
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/trace"
)

// within is how far a file read back may lie off the part, mm.
const within = .001

// ReadBack reads a written flat pattern as anybody else would and compares what
// is cut with the part: every loop's box, area and length. It answers what
// differs.
func ReadBack(f Flat, name string, data []byte) error {
	ctx := context.Background() // it was written from a part a moment ago
	d, err := trace.Read(ctx, name, data)
	if err != nil {
		return fmt.Errorf("read back: %w", err)
	}
	t, err := d.Join(ctx, trace.Options{Layers: []string{layerCut}})
	if err != nil {
		return fmt.Errorf("read back: %w", err)
	}
	mm := 1.0
	if d.UnitsToMM != nil {
		mm = *d.UnitsToMM
	} else if f.Inches {
		mm = 25.4
	}
	want := cuts(f.Part)
	if len(t.Loops) != len(want) || len(t.Open) > 0 {
		return fmt.Errorf("the file holds %d closed loops and %d open lines where the part has %d loops", len(t.Loops), len(t.Open), len(want))
	}
	used := make([]bool, len(t.Loops))
	for _, w := range want {
		found := false
		for i, l := range t.Loops {
			if !used[i] && same(w, l.Outline, mm, f.Part.Bounds, d.Down) {
				used[i], found = true, true
				break
			}
		}
		if !found {
			lo := w.Bounds().Min
			return fmt.Errorf("a loop of the part at %.3f, %.3f is not in the file", lo.X, lo.Y)
		}
	}
	return nil
}

// cuts answers every loop of a part that is cut: the outline first.
func cuts(p made.Part) []profile.Loop {
	out := []profile.Loop{p.Outline}
	for _, h := range p.Holes {
		switch {
		case h.Made == sheet.MadeDrilled, h.Made == sheet.MadeMatched:
		case len(h.Loop) > 0:
			out = append(out, h.Loop)
		default:
			r := profile.Point{X: h.Cut / 2}
			a, b := h.Centre.Sub(r), h.Centre.Add(r)
			out = append(out, profile.Loop{{X: a.X, Y: a.Y, Bulge: 1}, {X: b.X, Y: b.Y, Bulge: 1}})
		}
	}
	return out
}

// same compares a part's loop with one of a file, whose origin is the blank's
// lower left corner, or its upper left where y runs down.
func same(w, l profile.Loop, mm float64, blank profile.Bounds, down bool) bool {
	a, b := w.Bounds(), l.Bounds()
	lo, hi := b.Min.Mul(mm), b.Max.Mul(mm)
	if down {
		top := blank.Max.Y - blank.Min.Y
		lo.Y, hi.Y = top-hi.Y, top-lo.Y
	}
	if lo.Add(blank.Min).Sub(a.Min).Len() > within || hi.Add(blank.Min).Sub(a.Max).Len() > within ||
		math.Abs(l.Length()*mm-w.Length()) > within*float64(len(w)+1) {
		return false
	}
	// Every corner and every arc's middle of either lies on the other.
	own := make(profile.Loop, len(l))
	for i, v := range l {
		v.X, v.Y = v.X*mm, v.Y*mm
		if down {
			v.Y, v.Bulge = blank.Max.Y-blank.Min.Y-v.Y, -v.Bulge
		}
		own[i] = profile.Vertex{X: v.X + blank.Min.X, Y: v.Y + blank.Min.Y, Bulge: v.Bulge}
	}
	return on(w, own) && on(own, w)
}

func on(a, b profile.Loop) bool {
	rim := b.Flatten(within / 4)
	for i, v := range a {
		if profile.Distance(v.P(), rim) > within {
			return false
		}
		if v.Bulge == 0 {
			continue
		}
		next := a[(i+1)%len(a)]
		c, r := profile.ArcOf(v, next)
		chord := next.P().Sub(v.P())
		m := c.Add(profile.Point{X: chord.Y, Y: -chord.X}.Mul(math.Copysign(r/chord.Len(), v.Bulge)))
		if profile.Distance(m, rim) > within {
			return false
		}
	}
	return true
}
