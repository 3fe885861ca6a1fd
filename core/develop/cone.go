package develop

import (
	"cmp"
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// ConeCut is a plane that crosses a cone's axis so high above its bottom, leaning so far from the bottom's
// plane.
type ConeCut struct {
	Angle  float64 `json:"angle" doc:"degrees from the bottom's plane"`
	Height float64 `json:"height" doc:"mm above the bottom where it crosses the axis"`
	Toward float64 `json:"toward,omitempty" doc:"degrees from +x anticlockwise, the way it rises"`
}

// ConeInput is a cone, a frustum or a cylinder between two level circles, its top shifted if it is
// oblique, cut off by a plane where one is given.
type ConeInput struct {
	Bottom   float64     `json:"bottom" doc:"mm, diameter of the bottom circle"`
	Top      float64     `json:"top" doc:"mm, diameter of the top circle; 0 for a point"`
	Height   float64     `json:"height" doc:"mm between them"`
	Offset   *[2]float64 `json:"offset,omitempty" doc:"mm, middle of the top from over the middle of the bottom"`
	Cut      *ConeCut    `json:"cut,omitempty" doc:"the lower part is kept"`
	Foot     *ConeCut    `json:"foot,omitempty" doc:"the upper part is kept"`
	Seam     float64     `json:"seam,omitempty" doc:"degrees from +x anticlockwise, where the seam is"`
	Lap      float64     `json:"lap,omitempty" doc:"mm the plate runs past the seam; 0 for a butted one"`
	Stations int         `json:"stations,omitempty" doc:"generators the outline is drawn by; 72 when left out"`
}

// ConeResult is a cone unrolled.
type ConeResult struct {
	Area     float64           `json:"area" doc:"mm²"`
	Outline  [][2]float64      `json:"outline" doc:"mm, anticlockwise from the seam's bottom, the outside up"`
	Slant    *float64          `json:"slant,omitempty" doc:"mm, of the uncut right cone or frustum"`
	Sweep    *float64          `json:"sweep,omitempty" doc:"degrees its flat runs round, of the uncut right cone or frustum"`
	Lengths  [2]float64        `json:"lengths" doc:"mm, of its bottom and of its top edge"`
	Lapped   *[2][2]float64    `json:"lapped,omitempty" doc:"mm, line on the flat its first side lies at, where it is lapped"`
	Shortest float64           `json:"shortest" doc:"mm, shortest generator"`
	Longest  float64           `json:"longest" doc:"mm, longest generator"`
	Findings []working.Finding `json:"findings"`
	Working  working.Working   `json:"working"`
}

// steps is how many pieces a cone is unrolled in at least: chords are then shorter than their arcs by
// less than a part in a million, (2π/n)²/24.
const steps = 2880

const (
	fewestStations, mostStations = 3, 1440
	greatest                     = 1e5 // mm
)

// Cone unrolls a cone. Generators join points of both circles at one angle: the circles are level, so
// that surface is a true cone, oblique ones too, and unrolls without stretch. It fails with
// *working.Fault where there is no surface.
func Cone(in ConeInput) (ConeResult, error) {
	n := cmp.Or(in.Stations, 72)
	if err := in.check(n); err != nil {
		return ConeResult{}, err
	}
	fine := (steps/n + 1) * n
	strip, err := in.strip(fine)
	if err != nil {
		return ConeResult{}, err
	}
	at := in.at()
	flat, err := strip.lapped(in.Lap)
	if err != nil {
		return ConeResult{}, err
	}
	out := ConeResult{Area: strip.Area() + flat.lapArea(len(strip)), Lapped: seamLine(in.Lap, flat.seam), Findings: []working.Finding{},
		Shortest: math.Inf(1)}
	few := Flat{}
	for i, r := range strip {
		if i%(fine/n) == 0 {
			few.Bottom, few.Top = append(few.Bottom, flat.Bottom[i]), append(few.Top, flat.Top[i])
		}
		long := dist(r.Bottom, r.Top)
		out.Shortest, out.Longest = math.Min(out.Shortest, long), math.Max(out.Longest, long)
		if i > 0 {
			out.Lengths[0] += dist(r.Bottom, strip[i-1].Bottom)
			out.Lengths[1] += dist(r.Top, strip[i-1].Top)
		}
	}
	few.Bottom, few.Top = append(few.Bottom, flat.Bottom[len(strip):]...), append(few.Top, flat.Top[len(strip):]...)
	out.Outline = pairs(few.Outline())
	if at == [2]float64{} && in.Cut == nil && in.Foot == nil {
		slant := math.Hypot(in.Height, (in.Bottom-in.Top)/2)
		sweep := 180 * math.Abs(in.Bottom-in.Top) / slant
		out.Slant, out.Sweep = &slant, &sweep
	}
	out.overlaps(few)
	out.Working = in.working(out, fine)
	return out, nil
}

// check refuses sizes that make no cone.
func (in ConeInput) check(n int) error {
	at := in.at()
	err := working.First(working.Within("/bottom", "The bottom's diameter", in.Bottom, 0, greatest, "mm"),
		working.Within("/top", "The top's diameter", in.Top, 0, greatest, "mm"), working.Above("/height", "The height", in.Height,
			0, greatest, "mm"),
		working.Within("/offset/0", "The offset", at[0], -greatest, greatest, "mm"),
		working.Within("/offset/1", "The offset", at[1], -greatest, greatest, "mm"),
		working.Within("/seam", "The seam", in.Seam, -360, 360, "°"), checkLap(in.Lap))
	switch {
	case err != nil:
		return err
	case n < fewestStations || n > mostStations:
		return working.Refuse("/stations", "A cone is drawn by %d to %d generators, not %d.", fewestStations,
			mostStations, n)
	case in.Bottom == 0 && in.Top == 0:
		return working.Refuse("/bottom", "Both ends are points: give one of them a diameter.")
	}
	for _, c := range []struct {
		path string
		cut  *ConeCut
	}{{"/cut", in.Cut}, {"/foot", in.Foot}} {
		if c.cut != nil {
			if err := working.Under(c.path, c.cut.check(in.Height)); err != nil {
				return err
			}
		}
	}
	return nil
}

// at answers how far the top's middle is shifted.
func (in ConeInput) at() [2]float64 {
	if in.Offset == nil {
		return [2]float64{}
	}
	return *in.Offset
}

// strip answers so many rulings once round from the seam, the last on the first.
func (in ConeInput) strip(n int) (Strip, error) {
	out, at := make(Strip, n+1), in.at()
	for i := range out {
		r, err := in.generator(in.Seam*math.Pi/180+2*math.Pi*float64(i)/float64(n), at)
		if err != nil {
			return nil, err
		}
		out[i] = r
	}
	return out, nil
}

func (c ConeCut) check(height float64) error {
	return working.First(working.Within("/angle", "The cut", c.Angle, -89, 89, "°"), working.Within("/toward", "The way it rises",
		c.Toward, -360, 360, "°"), working.Above("/height", "Where the cut crosses the axis", c.Height, 0, height, "mm"))
}

// generator answers the ruling at an angle, cut off where there is a cut.
func (in ConeInput) generator(angle float64, at [2]float64) (Ruling, error) {
	sin, cos := math.Sincos(angle)
	r := Ruling{solid.Vector{in.Bottom / 2 * cos, in.Bottom / 2 * sin, 0}, solid.Vector{at[0] + in.Top/2*cos, at[1] + in.Top/2*sin,
		in.Height}}
	whole := r
	if in.Cut != nil {
		low, high := in.over(*in.Cut, whole.Bottom), in.over(*in.Cut, whole.Top)
		if low >= 0 {
			return r, working.Refuse("/cut", "The cut runs through the bottom: cut it lower on one side only, or turn the cone over.")
		}
		if high > 0 {
			r.Top = whole.Bottom.Add(whole.Top.Sub(whole.Bottom).Mul(low / (low - high)))
		}
	}
	if in.Foot != nil {
		low, high := in.over(*in.Foot, whole.Bottom), in.over(*in.Foot, whole.Top)
		if high <= 0 {
			return r, working.Refuse("/foot", "The cut at the foot runs through the top: let it cross lower, or lean less.")
		}
		if low < 0 {
			r.Bottom = whole.Bottom.Add(whole.Top.Sub(whole.Bottom).Mul(low / (low - high)))
		}
	}
	if (in.Cut != nil || in.Foot != nil) && r.Top.Sub(r.Bottom).Dot(whole.Top.Sub(whole.Bottom)) <= 0 {
		return r, working.Refuse("/foot", "The two cuts cross within the round: nothing is left between them on one side.")
	}
	return r, nil
}

// over answers how far a place lies over a cut's plane.
func (in ConeInput) over(c ConeCut, v solid.Vector) float64 {
	rise := math.Tan(c.Angle * math.Pi / 180)
	sin, cos := math.Sincos(c.Toward * math.Pi / 180)
	at, t := in.at(), c.Height/in.Height
	return v[2] - c.Height - rise*((v[0]-at[0]*t)*cos+(v[1]-at[1]*t)*sin)
}

// overlaps says when the flat lies over itself: it has to be cut in pieces.
func (out *ConeResult) overlaps(f Flat) {
	if f.crosses() {
		out.Findings = append(out.Findings, working.Finding{Code: "flat-overlap", Severity: working.Mind, Cause: "Flat",
			Reason: "Unrolled it lies over itself: make it of two pieces or more, with a seam each."})
	}
}

// crosses tells whether a flat lies over itself.
func (f Flat) crosses() bool {
	var loop profile.Loop
	for _, p := range f.Outline() {
		loop = append(loop, profile.Vertex{X: p.X, Y: p.Y})
	}
	return len(loop) > 3 && loop.Crosses()
}

func pairs(list []profile.Point) [][2]float64 {
	out := make([][2]float64, len(list))
	for i, p := range list {
		out[i] = [2]float64{p.X, p.Y}
	}
	return out
}

func (in ConeInput) working(out ConeResult, fine int) working.Working {
	w := working.Working{Method: "Cone unrolled by its generators",
		Source: "descriptive geometry: a cone between level circles is developable",
		Formula: "each strip between two generators laid down by its true lengths; right cone: slant = √(h² + (R − r)²), sweep = " +
			"360°·(R − r)/slant",
		Inputs: []working.Quantity{working.MM("D", "bottom's diameter", in.Bottom), working.MM("d", "top's diameter", in.Top),
			working.MM("h", "height", in.Height)},
		Steps: []working.Quantity{working.MM("l", "shortest generator", out.Shortest), working.MM("L", "longest generator", out.Longest)},
		Assumptions: []string{"on the neutral surface: add what the school of K says for the plate's thickness",
			fmt.Sprintf("unrolled in %d strips", fine)},
		Result: working.Quantity{Symbol: "A", Name: "area", Value: out.Area, Unit: "mm²"}}
	if in.Lap > 0 {
		w.Inputs = append(w.Inputs, working.MM("o", "lap at the seam", in.Lap))
		w.Assumptions = append(w.Assumptions, lapSaid)
	}
	for _, c := range []struct {
		cut        *ConeCut
		sign, name string
	}{{in.Cut, "", "the cut"}, {in.Foot, "f", "the cut at the foot"}} {
		if c.cut != nil {
			w.Inputs = append(w.Inputs, working.MM("hc"+c.sign, c.name+" crosses the axis", c.cut.Height),
				working.Quantity{Symbol: "α" + c.sign, Name: c.name + " leans", Value: c.cut.Angle, Unit: "°"},
				working.Quantity{Symbol: "τ" + c.sign, Name: c.name + " rises towards", Value: c.cut.Toward, Unit: "°"})
		}
	}
	return w
}
