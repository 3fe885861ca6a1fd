package develop

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// ConeCut is a plane that crosses a cone's axis so high above its bottom, leaning so far from the bottom's
// plane; it rises towards +x.
type ConeCut struct {
	Angle  float64 `json:"angle" doc:"degrees from the bottom's plane, rising towards +x"`
	Height float64 `json:"height" doc:"mm above the bottom where it crosses the axis"`
}

// ConeInput is a cone, a frustum or a cylinder between two level circles, its top shifted if it is
// oblique, cut off by a plane where one is given.
type ConeInput struct {
	Bottom   float64     `json:"bottom" doc:"mm, diameter of the bottom circle"`
	Top      float64     `json:"top" doc:"mm, diameter of the top circle; 0 for a point"`
	Height   float64     `json:"height" doc:"mm between them"`
	Offset   *[2]float64 `json:"offset,omitempty" doc:"mm, middle of the top from over the middle of the bottom"`
	Cut      *ConeCut    `json:"cut,omitempty" doc:"the lower part is kept"`
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
	n := in.Stations
	if n == 0 {
		n = 72
	}
	at := [2]float64{}
	if in.Offset != nil {
		at = *in.Offset
	}
	err := working.First(working.Within("/bottom", "The bottom's diameter", in.Bottom, 0, greatest, "mm"),
		working.Within("/top", "The top's diameter", in.Top, 0, greatest, "mm"), working.Above("/height", "The height", in.Height,
			0, greatest, "mm"),
		working.Within("/offset/0", "The offset", at[0], -greatest, greatest, "mm"),
		working.Within("/offset/1", "The offset", at[1], -greatest, greatest, "mm"),
		working.Within("/seam", "The seam", in.Seam, -360, 360, "°"), checkLap(in.Lap))
	switch {
	case err != nil:
		return ConeResult{}, err
	case n < fewestStations || n > mostStations:
		return ConeResult{}, working.Refuse("/stations", "A cone is drawn by %d to %d generators, not %d.", fewestStations,
			mostStations, n)
	case in.Bottom == 0 && in.Top == 0:
		return ConeResult{}, working.Refuse("/bottom", "Both ends are points: give one of them a diameter.")
	}
	if in.Cut != nil {
		if err := in.Cut.check(in.Height); err != nil {
			return ConeResult{}, err
		}
	}
	fine := (steps/n + 1) * n
	strip := make(Strip, fine+1)
	for i := range strip {
		r, why := in.generator(in.Seam*math.Pi/180+2*math.Pi*float64(i)/float64(fine), at)
		if why != "" {
			return ConeResult{}, working.Refuse("/cut", "%s", why)
		}
		strip[i] = r
	}
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
	if at == [2]float64{} && in.Cut == nil {
		slant := math.Hypot(in.Height, (in.Bottom-in.Top)/2)
		sweep := 180 * math.Abs(in.Bottom-in.Top) / slant
		out.Slant, out.Sweep = &slant, &sweep
	}
	out.overlaps(few)
	out.Working = in.working(out, fine)
	return out, nil
}

func (c ConeCut) check(height float64) error {
	if err := working.Within("/cut/angle", "The cut", c.Angle, -89, 89, "°"); err != nil {
		return err
	}
	return working.Above("/cut/height", "Where the cut crosses the axis", c.Height, 0, height, "mm")
}

// generator answers the ruling at an angle, cut off where there is a cut.
func (in ConeInput) generator(angle float64, at [2]float64) (Ruling, string) {
	sin, cos := math.Sincos(angle)
	r := Ruling{solid.Vector{in.Bottom / 2 * cos, in.Bottom / 2 * sin, 0}, solid.Vector{at[0] + in.Top/2*cos, at[1] + in.Top/2*sin,
		in.Height}}
	if in.Cut == nil {
		return r, ""
	}
	// over answers how far a place lies over the plane.
	rise := math.Tan(in.Cut.Angle * math.Pi / 180)
	axis := at[0] * in.Cut.Height / in.Height
	over := func(v solid.Vector) float64 { return v[2] - in.Cut.Height - rise*(v[0]-axis) }
	low, high := over(r.Bottom), over(r.Top)
	switch {
	case low >= 0:
		return r, "The cut runs through the bottom: cut it lower on one side only, or turn the cone over."
	case high > 0:
		r.Top = r.Bottom.Add(r.Top.Sub(r.Bottom).Mul(low / (low - high)))
	}
	return r, ""
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
	if in.Cut != nil {
		w.Inputs = append(w.Inputs, working.MM("hc", "the cut crosses the axis", in.Cut.Height),
			working.Quantity{Symbol: "α", Name: "the cut leans", Value: in.Cut.Angle, Unit: "°"})
	}
	return w
}
