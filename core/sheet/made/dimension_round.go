package made

import (
	"fmt"

	"warmanvil/core/develop"
)

// round lists the sizes of a round.
func (d *dimensioner) round(f *develop.Form) {
	if f == nil {
		return
	}
	const at = "/base/shape/round"
	note := string(f.Face)
	if f.Face == develop.MiddleFace {
		note = "middle of the plate"
	}
	switch {
	case f.Cone != nil:
		d.cone(at+"/cone", note, f.Cone)
	case f.Transition != nil:
		d.transition(at+"/transition", note, f.Transition)
	case f.Elbow != nil:
		d.length(at+"/elbow/diameter", "Diameter", f.Elbow.Diameter, note, nil, true)
		d.length(at+"/elbow/radius", "Radius of the centre line", f.Elbow.Radius, "", nil, true)
		d.angle(at+"/elbow/angle", "Turns", f.Elbow.Angle, "the whole elbow", true)
		d.count(at+"/elbow/middle", "Whole segments", f.Elbow.Middle)
		d.length(at+"/elbow/straight", "Straight at its ends", f.Elbow.Straight, "", nil, true)
		usual := "round from the throat"
		if f.Whole {
			usual = "round from the back"
		}
		d.angle(at+"/turned", "Seam", f.Turned, usual, false)
	case f.Band != nil:
		d.band(at+"/band", note, f.Band)
	}
	switch {
	case f.Way == develop.Rolled:
		d.length(at+"/pinch", "Plate for the rolls", f.Pinch, "beside each end, cut off after", nil, false)
	default:
		if f.Kind != develop.TransitionForm {
			d.length(at+"/depth", "Flats inside the round", f.Depth, "at most", nil, false)
		}
		d.length(at+"/radius", "Radius of its bends", f.Radius, "inside", nil, false)
	}
}

func (d *dimensioner) cone(at, note string, c *develop.ConeInput) {
	d.length(at+"/bottom", "Bottom, diameter", c.Bottom, note, nil, true)
	d.length(at+"/top", "Top, diameter", c.Top, note, nil, true)
	d.length(at+"/height", "High", c.Height, "", nil, true)
	d.offset2(at, c.Offset)
	for _, x := range []struct {
		path, name string
		cut        *develop.ConeCut
	}{{"/cut", "Cut at the top", c.Cut}, {"/foot", "Cut at the foot", c.Foot}} {
		if x.cut != nil {
			d.angle(at+x.path+"/angle", x.name, x.cut.Angle, "leans from level", true)
			d.length(at+x.path+"/height", x.name+", high", x.cut.Height, "where it crosses the axis", nil, true)
			d.angle(at+x.path+"/toward", x.name+" rises towards", x.cut.Toward, "round from +x", false)
		}
	}
	d.angle(at+"/seam", "Seam", c.Seam, "round from +x", false)
	d.length(at+"/lap", "Lap at the seam", c.Lap, "0 for a butted one", nil, false)
}

// offset2 lists by how much the top is shifted, where that may be typed.
func (d *dimensioner) offset2(at string, o *[2]float64) {
	if o != nil {
		d.length(at+"/offset/0", "Top shifted, x", o[0], "", nil, false)
		d.length(at+"/offset/1", "Top shifted, y", o[1], "", nil, false)
	}
}

func (d *dimensioner) transition(at, note string, t *develop.TransitionInput) {
	for _, x := range []struct {
		path, name string
		form       *develop.OutlineForm
		corners    [][2]float64
	}{{"/below", "Bottom", t.Below, t.Bottom}, {"/above", "Top", t.Above, t.Top}} {
		switch {
		case x.form == nil:
			list := map[string]string{"/below": "/bottom", "/above": "/top"}[x.path]
			for i, c := range x.corners {
				for k, way := range []string{"across", "back"} {
					d.length(fmt.Sprintf("%s%s/%d/%d", at, list, i, k), fmt.Sprintf("%s corner %d %s", x.name, i+1, way), c[k], "",
						nil, false)
				}
			}
		case x.form.Round > 0:
			d.length(at+x.path+"/round", x.name+", diameter", x.form.Round, note, nil, true)
			if x.form.Sides > 0 {
				d.count(at+x.path+"/sides", x.name+", sides of a quarter", x.form.Sides)
			}
		default:
			d.length(at+x.path+"/long", x.name+", along x", x.form.Long, note, nil, true)
			d.length(at+x.path+"/wide", x.name+", along y", x.form.Wide, note, nil, true)
		}
	}
	d.length(at+"/height", "High", t.Height, "", nil, true)
	d.offset2(at, t.Offset)
	d.count(at+"/seam", "Seam at bottom corner, 0 in a side", t.Seam)
	d.length(at+"/lap", "Lap at the seam", t.Lap, "0 for a butted one", nil, false)
}

func (d *dimensioner) band(at, note string, b *develop.Band) {
	if w := b.Wheel; w != nil {
		d.length(at+"/wheel/tyre", "Tyre, diameter", w.Tyre, "at rest", nil, true)
		d.length(at+"/wheel/width", "Tyre, wide", w.Width, "", nil, true)
		d.length(at+"/wheel/growth", "Tyre grows", w.Growth, "radius, at speed, with chains and mud", nil, false)
		d.length(at+"/wheel/up", "Wheel rises", w.Up, "to its stop", nil, true)
		d.length(at+"/wheel/down", "Wheel falls", w.Down, "", nil, false)
		d.angle(at+"/wheel/lock", "Steered either way", w.Lock, "0 of an axle that is not", false)
		d.angle(at+"/wheel/articulation", "Wheel leans", w.Articulation, "at full cross travel", false)
		d.length(at+"/wheel/gap", "Gap everywhere", w.Gap, "", nil, true)
		d.length(at+"/wheel/above", "Ends above the wheel's middle", w.Above, "at ride height", nil, false)
	} else {
		d.length(at+"/radius", "Radius", b.Radius, note, nil, true)
		d.angle(at+"/sweep", "Runs round", b.Sweep, "", true)
	}
	d.length(at+"/width", "Wide", b.Width, "", nil, true)
}
