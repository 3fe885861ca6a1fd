package develop

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// ArchInput is a wheel as it moves under a body, and the band that is to keep off it. Seen from the side:
// x forward and z up from the wheel's middle at ride height.
type ArchInput struct {
	Tyre         float64 `json:"tyre" doc:"mm, diameter of the tyre at rest"`
	Width        float64 `json:"width" doc:"mm, across the tyre"`
	Growth       float64 `json:"growth,omitempty" doc:"mm its radius grows at speed, chains and mud with it"`
	Up           float64 `json:"up" doc:"mm the wheel rises to its stop"`
	Down         float64 `json:"down,omitempty" doc:"mm it falls"`
	Lock         float64 `json:"lock,omitempty" doc:"degrees it is steered either way; 0 of an axle that is not"`
	Articulation float64 `json:"articulation,omitempty" doc:"degrees it leans at full cross travel"`
	Gap          float64 `json:"gap" doc:"mm to keep off everywhere"`
	Above        float64 `json:"above,omitempty" doc:"mm above the wheel's middle at ride height where the arch ends"`
}

// ArchResult is the band: an arc of a circle, so wide.
type ArchResult struct {
	Radius     float64         `json:"radius" doc:"mm, inside of the band"`
	Centre     [2]float64      `json:"centre" doc:"mm, of its arc, forward and up from the wheel's middle at ride height"`
	Concentric float64         `json:"concentric" doc:"mm, inside radius of one about the wheel's middle that keeps off as far"`
	Width      float64         `json:"width" doc:"mm the band is wide at least"`
	Sweep      float64         `json:"sweep" doc:"degrees it runs round"`
	Length     float64         `json:"length" doc:"mm, along the inside of the band"`
	AtRest     float64         `json:"atRest" doc:"mm between tyre and band over the wheel at ride height"`
	Working    working.Working `json:"working"`
}

// archSteps is how finely lock, lean and travel are tried, and the outline of the tyre in each.
const archSteps, archRound = 8, 180

// Arch answers the smallest round band that keeps off a wheel in everything it does: travel, growth, lock
// and lean together. A wheel steered or leaning is a cylinder turned about its middle: seen from the side
// its disc is an ellipse and its width shifts that along. It fails with *working.Fault.
func Arch(in ArchInput) (ArchResult, error) {
	err := working.First(working.Above("/tyre", "The tyre", in.Tyre, 0, 5000, "mm"), working.Above("/width", "Its width", in.Width,
		0, 2000, "mm"),
		working.Within("/growth", "How much it grows", in.Growth, 0, 500, "mm"), working.Within("/up", "How far it rises", in.Up, 0,
			1000, "mm"),
		working.Within("/down", "How far it falls", in.Down, 0, 1000, "mm"), working.Within("/lock", "The lock", in.Lock, 0, 60, "°"),
		working.Within("/articulation", "How far it leans", in.Articulation, 0, 45, "°"), working.Within("/gap", "The gap", in.Gap,
			0, 500, "mm"),
		working.Within("/above", "Where it ends", in.Above, -in.Tyre/2, in.Tyre/2+in.Up, "mm"))
	if err != nil {
		return ArchResult{}, err
	}
	points := in.silhouette()
	c, r := profile.Enclosing(points)
	out := ArchResult{Radius: r + in.Gap, Centre: [2]float64{c.X, c.Y}}
	for _, p := range points {
		out.Concentric = math.Max(out.Concentric, p.Len())
	}
	out.Concentric += in.Gap
	if rise := in.Above - c.Y; math.Abs(rise) >= out.Radius {
		return ArchResult{}, working.Refuse("/above", "So high nothing is left of the arch: end it lower.")
	} else {
		out.Sweep = 2 * math.Acos(rise/out.Radius) * 180 / math.Pi
	}
	out.Length = out.Radius * out.Sweep * math.Pi / 180
	out.Width = in.across() + 2*in.Gap
	out.AtRest = c.Y + out.Radius - in.Tyre/2
	out.Working = working.Working{Method: "Band round a moving wheel",
		Source: "projection of a turned cylinder; smallest circle about points (Welzl 1991)",
		Formula: "half length seen from the side = r·cos δ + w/2·sin δ, half height = r·cos ρ + w/2·sin ρ, at every height of the " +
			"travel; band = smallest " +
			"circle about the upper part of all of them + gap",
		Inputs: []working.Quantity{working.MM("r", "radius of the tyre, grown", in.Tyre/2+in.Growth), working.MM("w", "its width",
			in.Width),
			working.MM("u", "it rises", in.Up), working.MM("d", "it falls", in.Down), {Symbol: "δ", Name: "lock", Value: in.Lock,
				Unit: "°"},
			{Symbol: "ρ", Name: "leans", Value: in.Articulation, Unit: "°"}, working.MM("g", "gap", in.Gap)},
		Steps: []working.Quantity{working.MM("Rc", "about the wheel's middle", out.Concentric), working.MM("s",
			"over the wheel at rest", out.AtRest)},
		Assumptions: []string{"the wheel turns and leans about its own middle: add what its steering axis and scrub shift it",
			"the tyre is a cylinder; its shoulders are round and keep off more"},
		Result: working.MM("R", "inside of the band", out.Radius)}
	return out, nil
}

// silhouette answers outlines of the tyre seen from the side in every state, as far up as the arch asks.
func (in ArchInput) silhouette() (out []profile.Point) {
	r, half := in.Tyre/2+in.Growth, in.Width/2
	lock, lean := in.Lock*math.Pi/180, in.Articulation*math.Pi/180
	for i := range archSteps + 1 {
		sd, cd := math.Sincos(lock * float64(i) / archSteps)
		for k := range archSteps + 1 {
			sr, cr := math.Sincos(lean * float64(k) / archSteps)
			for _, z := range []float64{-in.Down, 0, in.Up} {
				for n := range archRound {
					sin, cos := math.Sincos(2 * math.Pi * float64(n) / archRound)
					p := profile.Point{X: r*cd*cos + math.Copysign(half*sd, cos), Y: z + r*cr*sin + math.Copysign(half*sr, sin)}
					if p.Y >= math.Min(in.Above, 0)-1e-9 {
						out = append(out, p)
					}
				}
			}
		}
	}
	return out
}

// across answers how wide the wheel is in everything it does, seen from above and from ahead.
func (in ArchInput) across() float64 {
	r := in.Tyre/2 + in.Growth
	most := in.Width
	for _, angle := range []float64{in.Lock, in.Articulation} {
		// A cylinder turned by less than the angle of its diagonal is widest at the full turn.
		sin, cos := math.Sincos(math.Min(angle*math.Pi/180, math.Atan2(2*r, in.Width)))
		most = math.Max(most, in.Width*cos+2*r*sin)
	}
	return most
}
