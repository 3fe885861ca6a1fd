package goods

import (
	"cmp"
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Need is what is looked for.
type Need struct {
	Kind      Kind         `json:"kind" enum:"sheet,stick,hardware" doc:"a sheet is served by sheets and remnants"`
	Material  string       `json:"material,omitempty" doc:"key of the material table"`
	Thickness float64      `json:"thickness,omitempty" doc:"mm"`
	Outline   profile.Loop `json:"outline,omitempty" doc:"of the blank"`
	Margin    float64      `json:"margin,omitempty" doc:"mm from the sheet's edge"`
	Section   string       `json:"section,omitempty" doc:"of a stick"`
	Long      float64      `json:"long,omitempty" doc:"mm, of a stick; of a bolt the shortest"`
	Longest   float64      `json:"longest,omitempty" doc:"mm, of a bolt; any length over the shortest when left out"`
	System    stock.System `json:"system,omitempty" enum:"inch,metric"`
	Size      string       `json:"size,omitempty"`
	Grade     string       `json:"grade,omitempty" doc:"the least a bolt has"`
	Count     float64      `json:"count,omitempty" doc:"1 when left out"`
}

// Lying is a line with how many of it there are.
type Lying struct {
	Goods
	Counts
}

// Choice is a line that serves a need.
type Choice struct {
	Line   string        `json:"line" doc:"its id"`
	Free   float64       `json:"free" doc:"that nobody keeps"`
	Enough bool          `json:"enough" doc:"as many as needed are free"`
	Turned float64       `json:"turned,omitempty" doc:"degrees the blank is turned, anticlockwise"`
	At     profile.Point `json:"at" doc:"where the turned blank's own origin comes to lie on it"`
	Left   float64       `json:"left" doc:"mm² of it left, or mm of a stick or past a bolt"`
}

const (
	sameThickness = .02 // of it: sheets are sold by nominal thickness
	mostPlaces    = 40_000
	mostTurns     = 24
)

// Choose answers the lines that serve a need: those of which enough are free first, remnants
// before whole sheets, then what leaves least. It fails with *working.Fault when the need is none.
// A place for a blank on a remnant is looked for with its corners and sides against those of the
// remnant; one that is not found may exist.
func Choose(n Need, lines []Lying) ([]Choice, error) {
	if n.Count == 0 {
		n.Count = 1
	}
	if err := n.check(); err != nil {
		return nil, err
	}
	out := []Choice{}
	kinds := map[string]Kind{}
	for _, l := range lines {
		c, serves := n.served(l)
		if !serves {
			continue
		}
		c.Line, c.Free = l.ID, l.Free()
		c.Enough = c.Free >= n.Count-1e-9
		kinds[l.ID] = l.Kind
		out = append(out, c)
	}
	rank := func(c Choice) int {
		r := 0
		if !c.Enough {
			r += 2
		}
		if kinds[c.Line] != Remnant {
			r++
		}
		return r
	}
	slices.SortStableFunc(out, func(a, b Choice) int { return cmp.Or(rank(a)-rank(b), cmp.Compare(a.Left, b.Left)) })
	return out, nil
}

func (n Need) check() error {
	switch n.Kind {
	case Sheet:
		if len(n.Outline) < 3 || math.Abs(n.Outline.Area()) < 1e-6 {
			return working.Refuse("/outline", "The blank needs an outline.")
		}
		if len(n.Outline) > 5000 {
			return working.Refuse("/outline", "The blank has %d corners; up to 5000 are looked at.", len(n.Outline))
		}
		return working.First(working.Above("/thickness", "The thickness", n.Thickness, 0, 100, "mm"),
			working.Within("/margin", "The margin", n.Margin, 0, 1000, "mm"), working.Within("/count", "How many", n.Count, 0,
				mostCount, ""))
	case Stick:
		if n.Section == "" {
			return working.Refuse("/section", "Say which section.")
		}
		return working.First(working.Above("/long", "The length", n.Long, 0, greatest, "mm"),
			working.Within("/count", "How many", n.Count, 0, mostCount, ""))
	case Hardware:
		if _, err := stock.FindThread(n.System, n.Size, 0); err != nil {
			return working.Refuse("/size", "%s is no size of the table.", n.Size)
		}
		return working.Within("/count", "How many", n.Count, 0, mostCount, "")
	}
	return working.Refuse("/kind", "Looked for are sheets, sticks and hardware, not %q.", string(n.Kind))
}

// served tells whether a line is what is looked for, and what is left of it.
func (n Need) served(l Lying) (c Choice, serves bool) {
	switch n.Kind {
	case Sheet:
		if l.Kind != Sheet && l.Kind != Remnant || l.Material != n.Material ||
			math.Abs(l.Thickness-n.Thickness) > sameThickness*n.Thickness {
			return c, false
		}
		c.Turned, c.At, serves = place(n.Outline, l.Goods, n.Margin)
		c.Left = l.Area() - math.Abs(n.Outline.Area())
		return c, serves
	case Stick:
		c.Left = l.Long - n.Long
		return c, l.Kind == Stick && l.Section == n.Section && (n.Material == "" || l.Material == n.Material) && c.Left >= -1e-9
	}
	least := Goods{System: n.System, Size: n.Size, Grade: n.Grade}.strength()
	c.Left = l.Long - n.Long
	return c, l.Kind == Hardware && l.System == n.System && l.Size == n.Size && c.Left >= -1e-9 &&
		(n.Longest == 0 || l.Long <= n.Longest+1e-9) && (n.Grade == "" || l.strength() >= least-1e-9)
}

// place finds where a blank lies on a sheet or remnant, a margin from its edges.
func place(blank profile.Loop, on Goods, margin float64) (turned float64, at profile.Point, found bool) {
	shape := blank.Flatten(.05)
	if on.Kind == Sheet {
		sheet := profile.Rect(0, 0, on.Long, on.Wide).Flatten(1)
		w, h := blank.Bounds().Size()
		turn, fits := profile.RectangleIn(w, h, on.Long-2*margin, on.Wide-2*margin)
		if fits {
			if turn != 0 && turn != 90 { // between the long sides
				turn += map[bool]float64{true: 90}[on.Wide > on.Long] - map[bool]float64{true: 90}[h > w]
			}
			return corner(shape, turn, margin)
		}
		return within(shape, sheet, margin)
	}
	return within(shape, on.Outline.Flatten(.05), margin)
}

// corner lays a turned shape into the lower left corner.
func corner(shape []profile.Point, turn, margin float64) (float64, profile.Point, bool) {
	lo := profile.Empty()
	for _, p := range rotated(shape, turn) {
		lo.Include(p)
	}
	return turn, profile.Point{X: margin - lo.Min.X, Y: margin - lo.Min.Y}, true
}

func rotated(p []profile.Point, degrees float64) []profile.Point {
	sin, cos := math.Sincos(degrees * math.Pi / 180)
	out := make([]profile.Point, len(p))
	for i, q := range p {
		out[i] = profile.Point{X: q.X*cos - q.Y*sin, Y: q.X*sin + q.Y*cos}
	}
	return out
}

// within looks for a place of a shape inside another: turned so that sides run along sides,
// moved so that corners come under corners, each way for itself.
func within(shape, in []profile.Point, margin float64) (float64, profile.Point, bool) {
	for _, turn := range turns(shape, in) {
		p := rotated(shape, turn)
		xs := moves(p, in, margin, func(q profile.Point) float64 { return q.X })
		ys := moves(p, in, margin, func(q profile.Point) float64 { return q.Y })
		tried := 0
		for _, x := range xs {
			for _, y := range ys {
				if tried++; tried > mostPlaces {
					break
				}
				if inside(p, in, profile.Point{X: x, Y: y}, margin) {
					return turn, profile.Point{X: x, Y: y}, true
				}
			}
		}
	}
	return 0, profile.Point{}, false
}

// turns are how a shape is turned so that one of its longest sides runs along one of the
// other's, degrees; unturned first.
func turns(shape, in []profile.Point) []float64 {
	type side struct{ long, way float64 }
	sides := func(p []profile.Point) (out []side) {
		for i, q := range p {
			d := p[(i+1)%len(p)].Sub(q)
			out = append(out, side{d.Len(), math.Atan2(d.Y, d.X) * 180 / math.Pi})
		}
		slices.SortStableFunc(out, func(a, b side) int { return cmp.Compare(b.long, a.long) })
		return out[:min(len(out), 6)]
	}
	out := []float64{0, 90, 180, 270}
	for _, a := range sides(shape) {
		for _, b := range sides(in) {
			t := math.Mod(b.way-a.way+720, 360)
			if len(out) < mostTurns && !slices.ContainsFunc(out, func(x float64) bool { return math.Abs(x-t) < .01 }) {
				out = append(out, t)
			}
		}
	}
	return out
}

// moves are the ways along one axis that bring a corner under a corner, a margin off.
func moves(p, in []profile.Point, margin float64, of func(profile.Point) float64) []float64 {
	var out []float64
	for _, a := range p {
		for _, b := range in {
			for _, m := range [3]float64{0, margin, -margin} {
				out = append(out, of(b)-of(a)+m)
				if margin == 0 {
					break
				}
			}
		}
	}
	slices.Sort(out)
	return slices.CompactFunc(out, func(a, b float64) bool { return math.Abs(a-b) < 1e-6 })
}

// inside tells whether a moved shape lies in another, a margin from its outline.
func inside(p, in []profile.Point, by profile.Point, margin float64) bool {
	const slack = 1e-4
	at := make([]profile.Point, len(p))
	for i, q := range p {
		at[i] = q.Add(by)
		if d := profile.Distance(at[i], in); d < margin-slack || !profile.Inside(at[i], in) && d > slack {
			return false
		}
	}
	for _, q := range in { // a corner that juts into the shape
		if d := profile.Distance(q, at); profile.Inside(q, at) && d > slack || d < margin-slack {
			return false
		}
	}
	for i, a := range at { // sides that cross between their corners
		b := at[(i+1)%len(at)]
		mid := a.Add(b).Mul(.5)
		if !profile.Inside(mid, in) && profile.Distance(mid, in) > slack {
			return false
		}
		for k, c := range in {
			if crosses(a, b, c, in[(k+1)%len(in)]) {
				return false
			}
		}
	}
	return true
}

// crosses tells whether two sides cross well within both.
func crosses(a, b, c, d profile.Point) bool {
	side := func(p, q, r profile.Point) float64 { return q.Sub(p).Cross(r.Sub(p)) / math.Max(q.Sub(p).Len(), 1e-9) }
	const slack = 1e-4
	x, y := side(a, b, c), side(a, b, d)
	u, v := side(c, d, a), side(c, d, b)
	return (x > slack && y < -slack || x < -slack && y > slack) && (u > slack && v < -slack || u < -slack && v > slack)
}
