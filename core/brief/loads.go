package brief

import (
	"fmt"
	"math"

	"warmanvil/core/hold"
	"warmanvil/core/load"
)

// road answers the accelerations of the brief.
func (b Brief) OnRoad() load.Road {
	if b.Road != nil {
		return *b.Road
	}
	return load.Roads[b.Use]
}

// FeetCase is what a device puts on its mounts in one case and one way of
// sharing, N in vehicle axes.
type FeetCase struct {
	Case    string       `json:"case"`
	Sharing string       `json:"sharing"`
	Forces  [][3]float64 `json:"forces"`
	Largest float64      `json:"largest" doc:"N on one foot"`
	Foot    int          `json:"foot" doc:"index of that foot"`
	Name    string       `json:"name" doc:"case and sharing in one line"`

	Input load.FeetInput `json:"input" doc:"what it was worked out from: the calculation feet answers its working"`
}

const AllSharing = "all feet sharing"

// FeetCases answers every case of a device on its feet in every way of
// sharing, or why there is none. Duties that act on it count among the cases.
func (b Brief) FeetCases(d Device) ([]FeetCase, string) {
	switch {
	case d.Mass == nil || d.Mass.Value <= 0:
		return nil, fmt.Sprintf("The mass of %s is not known.", d.Named())
	case d.Gravity == nil:
		return nil, fmt.Sprintf("The centre of gravity of %s is not known: find it by tilting or by weighing each end.", d.Named())
	}
	in := load.FeetInput{Mass: d.Mass.Value, CentreOfGravity: [3]float64{d.Gravity.X, d.Gravity.Y, d.Gravity.Z}}
	for _, f := range d.Feet {
		in.Feet = append(in.Feet, [2]float64{f.X, f.Y})
	}
	var out []FeetCase
	for _, h := range b.Happenings() {
		in.Acceleration, in.Push, in.PushAt = h.Design, [3]float64{}, [3]float64{}
		if h.Duty != nil {
			mine := h.Duty.On.Kind == DeviceSide && h.Duty.On.Of == d.ID
			if !mine && h.Duty.Kind != load.Retention {
				continue
			}
			if mine && h.Duty.Kind != load.Retention {
				in.Push, in.PushAt = h.Load.Design, h.Duty.At
			}
		}
		for _, s := range load.Sharings(in.Feet) {
			in.Loose, in.Carrying = s.Loose, s.Carrying
			r, err := load.Feet(in)
			if err != nil {
				if s.Name == AllSharing {
					return nil, fmt.Sprintf("%s: %v", d.Named(), err)
				}
				continue // that way of sharing does not stand
			}
			fc := FeetCase{Case: h.Name, Sharing: s.Name, Forces: r.Forces, Name: h.Name, Input: in}
			if s.Name != AllSharing {
				fc.Name += ", " + s.Name
			}
			for i, f := range r.Forces {
				if size := math.Sqrt(f[0]*f[0] + f[1]*f[1] + f[2]*f[2]); size > fc.Largest {
					fc.Largest, fc.Foot = size, i
				}
			}
			out = append(out, fc)
		}
	}
	return out, ""
}

// Named names a device in a sentence.
func (d Device) Named() string {
	if d.Name == "" {
		return "the device"
	}
	return d.Name
}

// Device finds a device of the brief.
func (b Brief) Device(id string) (Device, bool) {
	for _, d := range b.Devices {
		if d.ID == id {
			return d, true
		}
	}
	return Device{}, false
}

// loads answers the forces on a mount's carrying holes, as they act on the part
// as drawn: those on the twin are mirrored about the vehicle's middle. Duties of the
// part itself act on them without the device.
func (b Brief) LoadsOn(m Mount, d Device, cases []FeetCase) ([]hold.Load, string) {
	out := make([]hold.Load, 0, len(cases)*(len(m.Feet)+len(m.TwinFeet)))
	for _, list := range []struct {
		feet []Link
		side float64
		word string
	}{{m.Feet, 1, ""}, {m.TwinFeet, -1, " on the twin"}} {
		for _, l := range list.feet {
			i, ok := d.Foot(l)
			if !ok {
				return nil, fmt.Sprintf("%s has no such foot any more: say anew which feet stand here.", d.Named())
			}
			where := fmt.Sprintf("foot %d%s", i+1, list.word)
			for _, c := range cases {
				f := c.Forces[i]
				out = append(out, hold.Load{Case: c.Name, Where: where, Force: [3]float64{f[0], list.side * f[1], f[2]}})
			}
		}
	}
	for _, h := range b.Happenings() {
		if h.Duty == nil || h.Duty.On.Kind != PartSide || h.Duty.On.Of != m.Part {
			continue
		}
		f := h.Load.Design
		out = append(out, hold.Load{Case: h.Name, Force: f})
		if len(m.TwinFeet) > 0 {
			out = append(out, hold.Load{Case: h.Name, Where: "on the twin", Force: [3]float64{f[0], -f[1], f[2]}})
		}
	}
	if len(out) == 0 {
		return nil, "Say which feet stand on it, or rate it for a duty."
	}
	return out, ""
}
