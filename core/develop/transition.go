package develop

import (
	"cmp"
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// TransitionInput is a skin between two closed outlines in level planes: square to round, offset, any
// to any. Outlines are lists of corners in turn, either way round; an arc is given by points on it.
type TransitionInput struct {
	Bottom [][2]float64 `json:"bottom,omitempty" doc:"mm, corners of the bottom outline"`
	Top    [][2]float64 `json:"top,omitempty" doc:"mm, corners of the top outline, the offset left out"`
	Below  *OutlineForm `json:"below,omitempty" doc:"the bottom as a round or a rectangle, instead of its corners; the seam is then in the middle of a side"`
	Above  *OutlineForm `json:"above,omitempty" doc:"the top as a round or a rectangle"`
	Height float64      `json:"height" doc:"mm between them"`
	Offset *[2]float64  `json:"offset,omitempty" doc:"mm, by which the top is shifted"`
	Seam   int          `json:"seam,omitempty" doc:"index of the bottom corner the seam starts at"`
	Lap    float64      `json:"lap,omitempty" doc:"mm the plate runs past the seam; 0 for a butted one"`
}

// OutlineForm is an outline about the origin: a round by its diameter, else a rectangle.
type OutlineForm struct {
	Round float64 `json:"round,omitempty" doc:"mm, diameter"`
	Sides int     `json:"sides,omitempty" doc:"of a quarter of a round, 1 to 90: its corners lie on the round; 18 when left out"`
	Long  float64 `json:"long,omitempty" doc:"mm, along x"`
	Wide  float64 `json:"wide,omitempty" doc:"mm, along y"`
}

// usualSides is in how many sides a quarter of a round is given, mostSides how many it may be.
const usualSides, mostSides = 18, 90

// inside answers how far the sides of a round lie inside it, mm; 0 of a rectangle.
func (f *OutlineForm) inside() float64 {
	if f == nil || f.Round == 0 {
		return 0
	}
	return f.Round / 2 * (1 - math.Cos(math.Pi/4/float64(cmp.Or(f.Sides, usualSides))))
}

// corners answers the outline from the middle of the side towards −y on, anticlockwise.
func (f *OutlineForm) corners(path string) ([][2]float64, error) {
	if f.Round != 0 {
		if err := working.Above(path+"/round", "The diameter", f.Round, 0, greatest, "mm"); err != nil {
			return nil, err
		}
		if f.Long != 0 || f.Wide != 0 {
			return nil, working.Refuse(path+"/round", "An end is a round or a rectangle: give a diameter, or a length and a width.")
		}
		if f.Sides < 0 || f.Sides > mostSides {
			return nil, working.Refuse(path+"/sides", "A quarter of a round is given 1 to %d sides.", mostSides)
		}
		out := make([][2]float64, 4*cmp.Or(f.Sides, usualSides))
		for i := range out {
			sin, cos := math.Sincos(2*math.Pi*float64(i)/float64(len(out)) - math.Pi/2)
			out[i] = [2]float64{f.Round / 2 * cos, f.Round / 2 * sin}
		}
		return out, nil
	}
	if f.Sides != 0 {
		return nil, working.Refuse(path+"/sides", "Only a round is given in sides: leave them out of a rectangle.")
	}
	if err := working.First(working.Above(path+"/long", "The length", f.Long, 0, greatest, "mm"),
		working.Above(path+"/wide", "The width", f.Wide, 0, greatest, "mm")); err != nil {
		return nil, err
	}
	x, y := f.Long/2, f.Wide/2
	return [][2]float64{{0, -y}, {x, -y}, {x, y}, {-x, y}, {-x, -y}}, nil
}

// PressLine is a line the flat is bent at.
type PressLine struct {
	From  [2]float64 `json:"from" doc:"mm, on the flat, at the bottom edge"`
	To    [2]float64 `json:"to" doc:"mm, at the top edge"`
	Angle float64    `json:"angle" doc:"degrees turned from flat; positive to the inside"`
}

// TransitionResult is a transition unrolled.
type TransitionResult struct {
	Area     float64           `json:"area" doc:"mm²"`
	Outline  [][2]float64      `json:"outline" doc:"mm, anticlockwise from the seam's bottom, the outside up"`
	Lines    []PressLine       `json:"lines" doc:"lines it is bent at, from the seam on; what lies between is flat"`
	Longest  float64           `json:"longest" doc:"mm, longest of the lines and of the seam's sides"`
	Lengths  [2]float64        `json:"lengths" doc:"mm, of its bottom and of its top edge"`
	SeamTurn float64           `json:"seamTurn" doc:"degrees its two sides are turned at the seam"`
	Inside   float64           `json:"inside,omitempty" doc:"mm, how far the sides of a round lie inside it"`
	Lapped   *[2][2]float64    `json:"lapped,omitempty" doc:"mm, line on the flat its first side lies at, where it is lapped"`
	Exact    bool              `json:"exact" doc:"both outlines bulge outwards everywhere: it is the skin a sheet takes by itself; else the smallest of triangles"`
	Findings []working.Finding `json:"findings"`
	Working  working.Working   `json:"working"`
}

const mostCorners = 1000

// Transition unrolls a skin between two outlines. Where both are convex it is their hull's side, the
// one surface a sheet bends into without stretch; else triangles of the least area, found by trying
// all ways from the seam. It fails with *working.Fault where an outline is none or crosses itself.
func Transition(in TransitionInput) (TransitionResult, error) {
	strip, exact, err := in.strip()
	if err != nil {
		return TransitionResult{}, err
	}
	return told(in, strip, exact)
}

// strip answers the skin's rulings once round from the seam; exact tells whether it is a hull's.
func (in TransitionInput) strip() (strip Strip, exact bool, err error) {
	if err := working.Above("/height", "The height", in.Height, 0, greatest, "mm"); err != nil {
		return nil, false, err
	}
	if err := checkLap(in.Lap); err != nil {
		return nil, false, err
	}
	at := [2]float64{}
	if in.Offset != nil {
		at = *in.Offset
		for i, v := range at {
			if err := working.Within(fmt.Sprintf("/offset/%d", i), "The offset", v, -greatest, greatest, "mm"); err != nil {
				return nil, false, err
			}
		}
	}
	for _, x := range []struct {
		path string
		form *OutlineForm
		list *[][2]float64
	}{{"/below", in.Below, &in.Bottom}, {"/above", in.Above, &in.Top}} {
		if x.form == nil {
			continue
		}
		if len(*x.list) > 0 {
			return nil, false, working.Refuse(x.path, "Give corners or a form, not both.")
		}
		corners, err := x.form.corners(x.path)
		if err != nil {
			return nil, false, err
		}
		*x.list = corners
	}
	bottom, seam, err := ring("/bottom", in.Bottom, [2]float64{}, in.Seam)
	if err != nil {
		return nil, false, err
	}
	top, _, err := ring("/top", in.Top, at, 0)
	if err != nil {
		return nil, false, err
	}
	exact = convex(bottom) && convex(top)
	var way [][2]int
	if exact {
		way = hullWay(bottom, top, seam)
	} else {
		way = leastWay(bottom, top, seam, in.Height)
	}
	strip = make(Strip, len(way))
	for k, w := range way {
		b, t := bottom[w[0]%len(bottom)], top[w[1]%len(top)]
		strip[k] = Ruling{solid.Vector{b.X, b.Y, 0}, solid.Vector{t.X, t.Y, in.Height}}
	}
	return strip, exact, nil
}

// ring reads an outline, anticlockwise; seam is where its corner of that index then is.
func ring(path string, list [][2]float64, at [2]float64, seam int) ([]profile.Point, int, error) {
	n := len(list)
	if n < 3 || n > mostCorners {
		return nil, 0, working.Refuse(path, "An outline has 3 to %d corners, not %d.", mostCorners, n)
	}
	if seam < 0 || seam >= n {
		return nil, 0, working.Refuse("/seam", "The seam starts at one of the bottom's corners, 0 to %d.", n-1)
	}
	out := make([]profile.Point, n)
	var loop profile.Loop
	for i, p := range list {
		for k, v := range p {
			if err := working.Within(fmt.Sprintf("%s/%d/%d", path, i, k), "A corner", v, -greatest, greatest, "mm"); err != nil {
				return nil, 0, err
			}
		}
		out[i] = profile.Point{X: p[0] + at[0], Y: p[1] + at[1]}
		loop = append(loop, profile.Vertex{X: out[i].X, Y: out[i].Y})
	}
	for i := range out {
		if next := (i + 1) % n; out[i].Sub(out[next]).Len() < .01 {
			return nil, 0, working.Refuse(fmt.Sprintf("%s/%d", path, next), "Corners %d and %d lie on one spot.", i+1, next+1)
		}
	}
	if loop.Crosses() {
		return nil, 0, working.Refuse(path, "This outline crosses itself.")
	}
	if loop.Area() < 0 {
		for i, k := 0, n-1; i < k; i, k = i+1, k-1 {
			out[i], out[k] = out[k], out[i]
		}
		seam = n - 1 - seam
	}
	return out, seam, nil
}

// convex tells whether an anticlockwise outline bulges outwards everywhere; straight on counts.
func convex(l []profile.Point) bool {
	for i, p := range l {
		a, b := l[(i+1)%len(l)].Sub(p), l[(i+2)%len(l)].Sub(l[(i+1)%len(l)])
		if a.Cross(b) < -1e-9*a.Len()*b.Len() {
			return false
		}
	}
	return true
}

// hullWay answers the rulings of the hull's side, by bottom and top corner, once round from the seam:
// a plane that rolls round both outlines rests on an edge of one and on the other's corner farthest
// that way, so their edges come in the order of their directions.
func hullWay(bottom, top []profile.Point, seam int) [][2]int {
	n, m := len(bottom), len(top)
	heading := func(l []profile.Point, i int) float64 {
		d := l[(i+1)%len(l)].Sub(l[i%len(l)])
		return math.Atan2(d.Y, d.X)
	}
	j, first := besideSeam(bottom, top, seam, heading)
	after := func(h float64) float64 { return turned(first, h) }
	way := [][2]int{{seam, j}}
	b, t, wasB, wasT := 0, 0, 0., 0.
	for b < n || t < m {
		hb, ht := math.Inf(1), math.Inf(1)
		if b < n {
			hb = ahead(after(heading(bottom, seam+b)), wasB)
		}
		if t < m {
			ht = ahead(after(heading(top, j+t)), wasT)
		}
		if hb <= ht+alike {
			b, wasB = b+1, hb
		} else {
			t, wasT = t+1, ht
		}
		way = append(way, [2]int{seam + b, j + t})
	}
	return way
}

// besideSeam answers the top's corner the seam runs to and the direction of the plane it lies in:
// the plane rolls over the seam's corner from the side before it to the side after, and of the top's
// corners it rests on meanwhile the nearest makes the straightest seam.
func besideSeam(bottom, top []profile.Point, seam int, heading func([]profile.Point, int) float64) (int, float64) {
	n, m := len(bottom), len(top)
	before, first := heading(bottom, seam+n-1), heading(bottom, seam)
	turn := turned(before, first)
	past := func(k int) float64 { return turned(before, heading(top, k)) }
	start := 0
	for k := range m {
		if past(k) < past(start)-alike {
			start = k
		}
	}
	for range m {
		if math.Abs(past(start+m-1)-past(start)) > alike {
			break
		}
		start = (start + m - 1) % m
	}
	far := func(k int) float64 { return top[k%m].Sub(bottom[seam]).Len() }
	best := start
	for k := start; k < start+m && past(k) <= turn+alike; k++ {
		if far(k+1) < far(best)-alike {
			best = k + 1
		}
	}
	if past(best) <= turn+alike {
		first = heading(top, best)
	}
	return best % m, first
}

// turned answers how far direction h is past another, 0 to 2π.
func turned(from, h float64) float64 {
	d := math.Mod(h-from, 2*math.Pi)
	if d < 0 {
		d += 2 * math.Pi
	}
	if d > 2*math.Pi-alike {
		return 0
	}
	return d
}

// alike is how near two directions are the same, rad.
const alike = 1e-9

// ahead answers a direction that is not behind the one before it: once round, it is a turn on.
func ahead(h, was float64) float64 {
	if h < was-alike {
		h += 2 * math.Pi
	}
	return h
}

// leastWay answers the rulings that make the least area of triangles, once round from the seam and
// from the top corner nearest to it (Fuchs, Kedem and Uselton 1977, the start held).
func leastWay(bottom, top []profile.Point, seam int, height float64) [][2]int {
	n, m := len(bottom), len(top)
	low := func(i int) solid.Vector { p := bottom[(seam+i)%n]; return solid.Vector{p.X, p.Y, 0} }
	start := 0
	for k := range top {
		if top[k].Sub(bottom[seam]).Len() < top[start].Sub(bottom[seam]).Len() {
			start = k
		}
	}
	high := func(k int) solid.Vector { p := top[(start+k)%m]; return solid.Vector{p.X, p.Y, height} }
	sum := make([][]float64, n+1)
	for i := range sum {
		sum[i] = make([]float64, m+1)
		for k := range sum[i] {
			if i+k == 0 {
				continue
			}
			best := math.Inf(1)
			if i > 0 {
				best = sum[i-1][k] + triangle(low(i-1), low(i), high(k))
			}
			if k > 0 {
				best = math.Min(best, sum[i][k-1]+triangle(high(k-1), high(k), low(i)))
			}
			sum[i][k] = best
		}
	}
	way := [][2]int{}
	for i, k := n, m; ; {
		way = append(way, [2]int{seam + i, start + k})
		if i+k == 0 {
			break
		}
		if k == 0 || i > 0 && sum[i-1][k]+triangle(low(i-1), low(i), high(k)) <= sum[i][k-1]+triangle(high(k-1), high(k), low(i)) {
			i--
		} else {
			k--
		}
	}
	for i, k := 0, len(way)-1; i < k; i, k = i+1, k-1 {
		way[i], way[k] = way[k], way[i]
	}
	return way
}
