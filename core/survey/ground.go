package survey

import (
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Wheels are where a vehicle touches the ground. Of a trailer only the rear
// ones count.
type Wheels struct {
	Front   float64 `json:"front" doc:"mm, x of the front axle"`
	Rear    float64 `json:"rear" doc:"mm, x of the rear axle"`
	Radius  float64 `json:"radius" doc:"mm, of the tyres under load"`
	Ground  float64 `json:"ground" doc:"mm, z of the ground"`
	Trailer bool    `json:"trailer,omitempty"`
}

// Check refuses wheels that cannot be.
func (w Wheels) Check(path string) error {
	err := working.First(working.Above(path+"/radius", "The tyre's radius", w.Radius, 0, 3000, "mm"),
		working.Within(path+"/front", "The front axle's place", w.Front, -1e5, 1e5, "mm"),
		working.Within(path+"/rear", "The rear axle's place", w.Rear, -1e5, 1e5, "mm"),
		working.Within(path+"/ground", "The ground", w.Ground, -1e5, 1e5, "mm"))
	if err == nil && !w.Trailer && w.Front <= w.Rear {
		err = working.Refuse(path+"/front", "The front axle lies before the rear one: x runs forward.")
	}
	return err
}

// Lowest is where a vehicle first touches: Angle in degrees, or Height in mm
// over the ground. By is the thing, −1 for none.
type Lowest struct {
	Value float64
	By    int
	At    [3]float64
}

// Ramps are the ground clearance and the angles of a vehicle with what hangs on
// it. An angle of 90 says that nothing touches before.
type Ramps struct {
	Clearance, Approach, Departure, BreakOver Lowest
}

// ramp answers the steepest ramp a tyre can meet before a point touches it:
// the point lies ahead mm before the axle and height mm over the ground; the
// ramp is the common tangent of tyre and point. 90 when it never touches.
func ramp(radius, ahead, height float64) float64 {
	if ahead <= 0 {
		return 90
	}
	m := math.Hypot(ahead, radius-height)
	if m <= radius {
		return 90 // within the tyre's own circle
	}
	a := (math.Atan2(ahead, radius-height) - math.Acos(radius/m)) * 180 / math.Pi
	return min(max(a, 0), 90)
}

// Ground works out what things leave of ground clearance and ramp angles: the
// things alone, not the vehicle's own underside.
func (w Wheels) Over(things []Thing) Ramps {
	none := Lowest{Value: 90, By: -1}
	r := Ramps{Lowest{Value: math.Inf(1), By: -1}, none, none, none}
	take := func(l *Lowest, v float64, by int, at solid.Vector) {
		if v < l.Value {
			*l = Lowest{v, by, at}
		}
	}
	for i, t := range things {
		for _, p := range t.Body.Pieces {
			for _, tri := range p {
				for _, c := range tri {
					h := c[2] - w.Ground
					take(&r.Clearance, h, i, c)
					if !w.Trailer && c[0] > w.Front {
						take(&r.Approach, ramp(w.Radius, c[0]-w.Front, h), i, c)
					}
					if c[0] < w.Rear {
						take(&r.Departure, ramp(w.Radius, w.Rear-c[0], h), i, c)
					}
					if !w.Trailer && c[0] < w.Front && c[0] > w.Rear {
						take(&r.BreakOver, ramp(w.Radius, w.Front-c[0], h)+ramp(w.Radius, c[0]-w.Rear, h), i, c)
					}
				}
			}
		}
	}
	return r
}
