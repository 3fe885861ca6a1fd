package trace

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// nest finds which loops lie in which, adds their areas up, and looks for loops
// that cross themselves.
func (t *Traced) nest(ctx context.Context) error {
	for i := range t.Loops {
		t.Loops[i].area = t.Loops[i].Outline.Area()
	}
	slices.SortStableFunc(t.Loops, func(a, b Loop) int { return cmp.Compare(b.area, a.area) })
	whole := profile.Empty()
	for i := range t.Loops {
		l := &t.Loops[i]
		l.box = l.Outline.Bounds()
		w, h := l.box.Size()
		if !l.plain() {
			l.flat = l.Outline.Flatten(math.Max(math.Hypot(w, h)/5000, 1e-12))
		}
		whole.Include(l.box.Min)
		whole.Include(l.box.Max)
	}
	// Loops by the cells of a grid that their boxes touch, largest first.
	const cells = 64
	w, h := whole.Size()
	index := func(v, lo, size float64) int {
		if size <= 0 {
			return 0
		}
		return min(max(int((v-lo)/size*cells), 0), cells-1)
	}
	grid := make([][]int32, cells*cells)
	var wide []int32 // that touch many cells
	sides := 0
	for i := range t.Loops {
		if i%256 == 0 {
			if err := ctx.Err(); err != nil {
				return err
			}
		}
		l := &t.Loops[i]
		p := l.third(0)
		at := index(p.Y, whole.Min.Y, h)*cells + index(p.X, whole.Min.X, w)
		for k := range len(wide) + len(grid[at]) {
			o := &t.Loops[pick(wide, grid[at], k)]
			if p.X < o.box.Min.X || p.X > o.box.Max.X || p.Y < o.box.Min.Y || p.Y > o.box.Max.Y {
				continue
			}
			if sides += 1 + len(o.flat); sides > maxInside {
				return working.Refuse("/base64", "The drawing has so many outlines within outlines of so many corners that it would take "+
					"more than %d million looks to find which lies in which: save only what is to be cut, with curves as arcs.", maxInside/1_000_000)
			}
			if o.holds(l, p) {
				l.Depth++
				o.Holds = true
			}
		}
		if l.Depth%2 == 0 {
			t.Net += l.area
		} else {
			t.Net -= l.area
		}
		if l.Depth == 0 {
			t.Outer += l.area
		}
		x0, x1 := index(l.box.Min.X, whole.Min.X, w), index(l.box.Max.X, whole.Min.X, w)
		y0, y1 := index(l.box.Min.Y, whole.Min.Y, h), index(l.box.Max.Y, whole.Min.Y, h)
		if (x1-x0+1)*(y1-y0+1) > 256 {
			wide = append(wide, int32(i))
		} else {
			for y := y0; y <= y1; y++ {
				for x := x0; x <= x1; x++ {
					grid[y*cells+x] = append(grid[y*cells+x], int32(i))
				}
			}
		}
		if l.plain() {
			continue // a circle does not cross itself
		}
		if p, crosses := profile.Crossing(l.flat); crosses {
			t.Crossed = append(t.Crossed, p)
		}
	}
	if len(t.Crossed) > 0 {
		t.say(working.Stop, "crosses-itself", "Outlines", nil,
			fmt.Sprintf("An outline crosses itself at %s: it cannot be cut so. Correct it in the drawing, or leave its layer out.",
				places(t.Crossed)))
	}
	return nil
}

func pick(a, b []int32, k int) int32 {
	if k < len(a) {
		return a[k]
	}
	return b[k-len(a)]
}

// holds tells whether another loop, whose first place is p, lies inside: by the place of
// it that lies farthest from the outline among a few, since corners may touch.
func (l *Loop) holds(o *Loop, p profile.Point) bool {
	if l.Round {
		return p.Sub(l.Centre).Len() < l.Radius
	}
	in, n := 0, 3
	if !o.plain() {
		n = min(len(o.flat), 3)
	}
	for k := range n {
		if profile.Inside(o.third(k), l.flat) {
			in++
		}
	}
	return 2*in > n
}

// plain tells a circle drawn as one: there may be very many, and its points are known.
func (l *Loop) plain() bool { return l.Round && len(l.Outline) == 2 }

// third answers one of three places spread over the outline, of fewer corners one of them.
func (l *Loop) third(k int) profile.Point {
	if l.plain() {
		s, c := math.Sincos(math.Pi + float64(k)*2*math.Pi/3)
		return l.Centre.Add(profile.Point{X: l.Radius * c, Y: l.Radius * s})
	}
	return l.flat[k*len(l.flat)/min(len(l.flat), 3)]
}
