package load

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// FeetInput is a device on its feet under one acceleration. The feet stand in
// one plane, at z of the foot; the heights are from the same floor.
type FeetInput struct {
	Mass            float64      `json:"mass" doc:"kg"`
	CentreOfGravity [3]float64   `json:"centreOfGravity" doc:"mm, z above the plane of the feet"`
	Feet            [][2]float64 `json:"feet" doc:"x, y of each foot, mm"`
	Acceleration    [3]float64   `json:"acceleration" doc:"net force on the mass in g, gravity included: at rest [0, 0, −1]"`
	Push            [3]float64   `json:"push,omitzero" doc:"N, another force on the device"`
	PushAt          [3]float64   `json:"pushAt,omitzero" doc:"mm, where it acts, z above the plane of the feet"`
	Loose           *int         `json:"loose,omitempty" doc:"index of a foot that carries nothing"`
	Carrying        *[2]int      `json:"carrying,omitempty" doc:"indices of two feet that carry, the others a thousandth as stiff"`
}

// FeetResult is what each foot puts on what it stands on.
type FeetResult struct {
	Forces  [][3]float64    `json:"forces" doc:"N on the mount under each foot; z negative presses down, positive lifts"`
	Lifts   bool            `json:"lifts" doc:"a foot pulls up"`
	Working working.Working `json:"working"`
}

const (
	maxMass = 1e5 // kg
	maxSpot = 1e5 // mm
	maxFeet = 64
	soft    = 1e-3
)

// Feet shares a device's load among its feet: a rigid body on equal springs,
// uplift included (the feet are fastened). Vertical forces follow from
// overturning, horizontal ones from an equal share and the turn about z. It
// fails with *working.Fault.
func Feet(in FeetInput) (FeetResult, error) {
	if err := in.check(); err != nil {
		return FeetResult{}, err
	}
	k := make([]float64, len(in.Feet))
	for i := range k {
		k[i] = 1
	}
	assumed := "all feet share, equally stiff"
	if in.Loose != nil {
		k[*in.Loose] = 0
		assumed = fmt.Sprintf("foot %d is loose and carries nothing", *in.Loose+1)
	}
	if in.Carrying != nil {
		for i := range k {
			if i != in.Carrying[0] && i != in.Carrying[1] {
				k[i] = soft
			}
		}
		assumed = fmt.Sprintf("feet %d and %d carry, the others only steady (a thousandth as stiff)", in.Carrying[0]+1, in.Carrying[1]+1)
	}
	forces, err := share(in, k)
	if err != nil {
		return FeetResult{}, err
	}
	r := FeetResult{Forces: forces}
	most := 0.0
	for _, f := range forces {
		r.Lifts = r.Lifts || f[2] > 1e-9*in.Mass*G
		most = max(most, math.Sqrt(f[0]*f[0]+f[1]*f[1]+f[2]*f[2]))
	}
	a := in.Acceleration
	r.Working = working.Working{Method: "Share of each foot", Source: "statics of a rigid body on springs",
		Formula: "Fz = k·(a + b·x + c·y) with ΣF and ΣM in balance; Fx, Fy = share by k, plus the turn about z",
		Inputs: []working.Quantity{{Symbol: "m", Name: "mass", Value: in.Mass, Unit: "kg"},
			{Symbol: "h", Name: "height of the centre of gravity", Value: in.CentreOfGravity[2], Unit: "mm"},
			{Symbol: "ax", Name: "forward", Value: a[0], Unit: "g"}, {Symbol: "ay", Name: "left", Value: a[1], Unit: "g"},
			{Symbol: "az", Name: "up", Value: a[2], Unit: "g"},
			{Symbol: "P", Name: "another force", Value: math.Sqrt(in.Push[0]*in.Push[0] + in.Push[1]*in.Push[1] + in.Push[2]*in.Push[2]), Unit: "N"}},
		Assumptions: []string{assumed, "the device is stiff, its feet are fastened and can pull"},
		Result:      working.Quantity{Symbol: "F", Name: "largest on a foot", Value: most, Unit: "N"}}
	return r, nil
}

func (in FeetInput) check() error {
	if err := working.Above("/mass", "The mass", in.Mass, 0, maxMass, "kg"); err != nil {
		return err
	}
	for i := range 3 {
		err := working.First(
			working.Within(fmt.Sprintf("/centreOfGravity/%d", i), "The centre of gravity", in.CentreOfGravity[i], -maxSpot, maxSpot, "mm"),
			working.Within(fmt.Sprintf("/acceleration/%d", i), "The acceleration", in.Acceleration[i], -100, 100, "g"),
			working.Within(fmt.Sprintf("/push/%d", i), "The force", in.Push[i], -1e8, 1e8, "N"),
			working.Within(fmt.Sprintf("/pushAt/%d", i), "Where the force acts", in.PushAt[i], -maxSpot, maxSpot, "mm"))
		if err != nil {
			return err
		}
	}
	if len(in.Feet) < 3 {
		return working.Refuse("/feet", "A device needs three feet to stand on its own, and %d are given: with fewer its mounts must hold "+
			"moments, which this does not work out.", len(in.Feet))
	}
	if len(in.Feet) > maxFeet {
		return working.Refuse("/feet", "%d feet are more than the %d this takes.", len(in.Feet), maxFeet)
	}
	for i, f := range in.Feet {
		for j := range 2 {
			if err := working.Within(fmt.Sprintf("/feet/%d/%d", i, j), "A foot's place", f[j], -maxSpot, maxSpot, "mm"); err != nil {
				return err
			}
		}
	}
	if in.Loose != nil && (*in.Loose < 0 || *in.Loose >= len(in.Feet)) {
		return working.Refuse("/loose", "There is no foot %d: they count from 0 to %d.", *in.Loose, len(in.Feet)-1)
	}
	if c := in.Carrying; c != nil {
		for i := range 2 {
			if c[i] < 0 || c[i] >= len(in.Feet) || c[0] == c[1] {
				return working.Refuse(fmt.Sprintf("/carrying/%d", i), "Two different feet carry: they count from 0 to %d.", len(in.Feet)-1)
			}
		}
	}
	return nil
}

// share solves the rigid body on springs k about the springs' own centre.
func share(in FeetInput, k []float64) ([][3]float64, error) {
	var sum, cx, cy float64
	for i, f := range in.Feet {
		sum += k[i]
		cx += k[i] * f[0]
		cy += k[i] * f[1]
	}
	cx, cy = cx/sum, cy/sum
	var xx, yy, xy float64
	for i, f := range in.Feet {
		x, y := f[0]-cx, f[1]-cy
		xx += k[i] * x * x
		yy += k[i] * y * y
		xy += k[i] * x * y
	}
	det := xx*yy - xy*xy
	if det <= 1e-12*(xx+yy)*(xx+yy) {
		return nil, working.Refuse("/feet", "The feet that carry stand in one line, which holds no moment across it: move one out of the line.")
	}
	w := in.Mass * G
	var fx, fy, fz, mx, my, turned float64
	// Σ Fz·x and Σ Fz·y that the feet must answer: each load's own place, and its
	// horizontal part at its height, which presses the side it points to.
	for _, l := range [2]struct{ f, at [3]float64 }{{[3]float64{in.Acceleration[0] * w, in.Acceleration[1] * w, in.Acceleration[2] * w},
		in.CentreOfGravity}, {in.Push, in.PushAt}} {
		px, py, h := l.at[0]-cx, l.at[1]-cy, l.at[2]
		fx, fy, fz = fx+l.f[0], fy+l.f[1], fz+l.f[2]
		mx, my = mx+l.f[2]*px-l.f[0]*h, my+l.f[2]*py-l.f[1]*h
		turned += px*l.f[1] - py*l.f[0]
	}
	a := fz / sum
	b := (mx*yy - my*xy) / det
	c := (my*xx - mx*xy) / det
	turn := turned / (xx + yy)
	out := make([][3]float64, len(in.Feet))
	for i, f := range in.Feet {
		x, y := f[0]-cx, f[1]-cy
		out[i] = [3]float64{k[i] * (fx/sum - turn*y), k[i] * (fy/sum + turn*x), k[i] * (a + b*x + c*y)}
	}
	return out, nil
}

// Sharing is one way the feet may carry.
type Sharing struct {
	Name     string
	Loose    *int
	Carrying *[2]int
}

// Sharings lists the ways a device's feet may carry: all together; each one
// loose where the others still stand; the two pairs of corner feet that lie
// across each other.
func Sharings(feet [][2]float64) []Sharing {
	out := []Sharing{{Name: "all feet sharing"}}
	if len(feet) < 4 {
		return out
	}
	for i := range feet {
		out = append(out, Sharing{Name: fmt.Sprintf("foot %d loose", i+1), Loose: &i})
	}
	for _, s := range [][2]float64{{1, 1}, {1, -1}} {
		low, high := 0, 0
		at := func(i int) float64 { return s[0]*feet[i][0] + s[1]*feet[i][1] }
		for i := range feet {
			if at(i) < at(low) {
				low = i
			}
			if at(i) > at(high) {
				high = i
			}
		}
		if low != high {
			out = append(out, Sharing{Name: fmt.Sprintf("feet %d and %d carrying", low+1, high+1), Carrying: &[2]int{low, high}})
		}
	}
	return out
}
