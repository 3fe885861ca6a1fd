package survey

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// Corners is a value at each corner of a vehicle or platform.
type Corners struct {
	FrontLeft  float64 `json:"frontLeft"`
	FrontRight float64 `json:"frontRight"`
	RearLeft   float64 `json:"rearLeft"`
	RearRight  float64 `json:"rearRight"`
}

func (c Corners) list() [4]float64 {
	return [4]float64{c.FrontLeft, c.FrontRight, c.RearLeft, c.RearRight}
}

func cornersOf(v [4]float64) Corners { return Corners{v[0], v[1], v[2], v[3]} }

// Slope is how a plane lies: pitch positive nose low, roll positive left side
// high, degrees (ISO 8855).
type Slope struct {
	Pitch float64 `json:"pitch" doc:"degrees, nose low positive"`
	Roll  float64 `json:"roll" doc:"degrees, left side high positive"`
}

// height is the plane's height at a place, mm.
func (s Slope) height(x, y float64) float64 {
	return -x*math.Tan(s.Pitch*math.Pi/180) + y*math.Tan(s.Roll*math.Pi/180)
}

// LevelInput are heights over the floor at four corners.
type LevelInput struct {
	Wheelbase float64 `json:"wheelbase" doc:"mm, front to rear between the corners"`
	Track     float64 `json:"track" doc:"mm, left to right between them"`
	Heights   Corners `json:"heights" doc:"mm, up positive"`
	Floor     *Slope  `json:"floor,omitempty" doc:"how the floor itself lies: added to the heights"`
	Wanted    *Slope  `json:"wanted,omitempty" doc:"how it shall lie; level when left out"`
}

// LevelResult is how it lies and what packing brings it where it shall be.
type LevelResult struct {
	Pitch    float64           `json:"pitch" doc:"degrees, nose low positive"`
	Roll     float64           `json:"roll" doc:"degrees, left side high positive"`
	Twist    float64           `json:"twist" doc:"mm, front left over front right less rear left over rear right"`
	Packing  Corners           `json:"packing" doc:"mm under each corner"`
	Findings []working.Finding `json:"findings"`
	Working  working.Working   `json:"working"`
}

// Levels answers pitch, roll, twist and packing. It fails with *working.Fault.
func Levels(in LevelInput) (LevelResult, error) {
	err := working.First(working.Above("/wheelbase", "The distance front to rear", in.Wheelbase, 0, 1e5, "mm"),
		working.Above("/track", "The distance left to right", in.Track, 0, 1e5, "mm"))
	if err != nil {
		return LevelResult{}, err
	}
	names := [4]string{"frontLeft", "frontRight", "rearLeft", "rearRight"}
	h := in.Heights.list()
	for i, v := range h {
		if err := working.Within("/heights/"+names[i], "The height", v, -1e5, 1e5, "mm"); err != nil {
			return LevelResult{}, err
		}
	}
	for _, x := range []struct {
		path string
		s    *Slope
	}{{"/floor", in.Floor}, {"/wanted", in.Wanted}} {
		if x.s != nil {
			if err := working.First(working.Within(x.path+"/pitch", "The pitch", x.s.Pitch, -60, 60, "°"),
				working.Within(x.path+"/roll", "The roll", x.s.Roll, -60, 60, "°")); err != nil {
				return LevelResult{}, err
			}
		}
	}
	l, w := in.Wheelbase/2, in.Track/2
	x, y := [4]float64{l, l, -l, -l}, [4]float64{w, -w, w, -w}
	if in.Floor != nil {
		for i := range h {
			h[i] += in.Floor.height(x[i], y[i])
		}
	}
	forward := (h[0] + h[1] - h[2] - h[3]) / (2 * in.Wheelbase)
	left := (h[0] + h[2] - h[1] - h[3]) / (2 * in.Track)
	r := LevelResult{Pitch: -math.Atan(forward) * 180 / math.Pi, Roll: math.Atan(left) * 180 / math.Pi,
		Twist:    (h[0] - h[1]) - (h[2] - h[3]),
		Findings: []working.Finding{}}
	over := h // above the wanted plane
	if in.Wanted != nil {
		for i := range over {
			over[i] -= in.Wanted.height(x[i], y[i])
		}
	}
	top := max(over[0], over[1], over[2], over[3])
	var pack [4]float64
	for i := range pack {
		pack[i] = top - over[i]
	}
	r.Packing = cornersOf(pack)
	mean := (h[0] + h[1] + h[2] + h[3]) / 4
	if math.Abs(r.Twist) > 6 {
		r.Findings = append(r.Findings, working.Finding{Code: "twist", Severity: working.Mind, Cause: "Level",
			Reason: fmt.Sprintf("The four corners do not lie in one plane: %.1f mm of twist. Bolted down flat, the part or the "+
				"vehicle takes it "+
				"up; measure the corners again before packing.", r.Twist)})
	}
	if math.Abs(r.Pitch) > 15 || math.Abs(r.Roll) > 15 {
		r.Findings = append(r.Findings, working.Finding{Code: "steep", Severity: working.Mind, Cause: "Level",
			Reason: "More than 15° off level: look whether a height was taken from another mark or in another unit."})
	}
	r.Working = working.Working{Method: "Plane through four corners", Source: "least-squares plane over a rectangle; signs by ISO 8855",
		Formula: "pitch = −atan((hF − hR)/L), roll = atan((hL − hR)/T), packing = highest − height over the wanted plane",
		Inputs: []working.Quantity{{Symbol: "L", Name: "front to rear", Value: in.Wheelbase, Unit: "mm"},
			{Symbol: "T", Name: "left to right", Value: in.Track, Unit: "mm"},
			{Symbol: "FL", Name: "front left, floor allowed for", Value: h[0], Unit: "mm"},
			{Symbol: "FR", Name: "front right", Value: h[1], Unit: "mm"}, {Symbol: "RL", Name: "rear left", Value: h[2], Unit: "mm"},
			{Symbol: "RR", Name: "rear right", Value: h[3], Unit: "mm"}},
		Steps: []working.Quantity{{Symbol: "h", Name: "mean height", Value: mean, Unit: "mm"},
			{Symbol: "roll", Name: "left side high", Value: r.Roll, Unit: "°"}, {Symbol: "t", Name: "twist", Value: r.Twist, Unit: "mm"}},
		Assumptions: []string{"the corners form a rectangle", "packing does not move the other corners"},
		Result:      working.Quantity{Symbol: "pitch", Name: "nose low", Value: r.Pitch, Unit: "°"}}
	return r, nil
}

// SlopeInput is an angle read with a gauge that knows the plumb line.
type SlopeInput struct {
	Reading float64 `json:"reading" doc:"degrees from level as read, up towards the end you face positive"`
	Own     float64 `json:"own" doc:"degrees, the same gauge on the vehicle's own level face, same way round"`
	Wanted  float64 `json:"wanted,omitempty" doc:"degrees to the vehicle the face shall have"`
}

// SlopeResult is the angle to the vehicle.
type SlopeResult struct {
	Angle   float64         `json:"angle" doc:"degrees between the face and the vehicle's level"`
	Turn    float64         `json:"turn" doc:"degrees still to turn it, up positive"`
	Show    float64         `json:"show" doc:"degrees the gauge shows when it is right"`
	Working working.Working `json:"working"`
}

// OwnSlope takes the vehicle's own slope off an angle reading. It fails with
// *working.Fault.
func OwnSlope(in SlopeInput) (SlopeResult, error) {
	if err := working.First(working.Within("/reading", "The reading", in.Reading, -180, 180, "°"),
		working.Within("/own", "The vehicle's own slope", in.Own, -90, 90, "°"),
		working.Within("/wanted", "The angle wanted", in.Wanted, -180, 180, "°")); err != nil {
		return SlopeResult{}, err
	}
	r := SlopeResult{Angle: in.Reading - in.Own}
	r.Turn, r.Show = in.Wanted-r.Angle, in.Wanted+in.Own
	r.Working = working.Working{Method: "Angle to the vehicle", Source: "difference of two readings of one gauge",
		Formula: "angle = reading − own slope",
		Inputs: []working.Quantity{{Symbol: "r", Name: "read on the face", Value: in.Reading, Unit: "°"},
			{Symbol: "o", Name: "read on the vehicle's level face", Value: in.Own, Unit: "°"},
			{Symbol: "w", Name: "wanted to the vehicle", Value: in.Wanted, Unit: "°"}},
		Steps:       []working.Quantity{{Symbol: "s", Name: "the gauge then shows", Value: r.Show, Unit: "°"}},
		Assumptions: []string{"both read in the same plane with the gauge the same way round: up towards the end you face is positive"},
		Result:      working.Quantity{Symbol: "a", Name: "angle to the vehicle", Value: r.Angle, Unit: "°"}}
	return r, nil
}
