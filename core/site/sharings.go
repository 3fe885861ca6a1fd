package site

import (
	"slices"

	"warmanvil/core/load"
)

// sharing is one way the joints of a device carry it.
type sharing struct {
	name   string
	of     string // id of the device's body
	joints []load.PathJoint
}

// sharings answers the ways besides all together: each foot of a device loose, and
// two across each other carrying, as its feet alone are asked.
func sharings(in load.PathInput, devices map[string]bool) (out []sharing) {
	for _, b := range in.Bodies {
		var held []int
		var at [][2]float64
		for i, j := range in.Joints {
			if (j.A == b.ID || j.B == b.ID) && devices[b.ID] {
				held, at = append(held, i), append(at, [2]float64{j.At[0], j.At[1]})
			}
		}
		for _, s := range load.Sharings(at)[1:] {
			w := sharing{name: s.Name, of: b.ID, joints: slices.Clone(in.Joints)}
			if len(devices) > 1 {
				w.name = b.Name + ": " + s.Name
			}
			for k, i := range held {
				switch {
				case s.Loose != nil && *s.Loose == k:
					w.joints[i].Stiffness = 1e-9
				case s.Carrying != nil && k != s.Carrying[0] && k != s.Carrying[1]:
					w.joints[i].Stiffness = 1e-3
				}
			}
			out = append(out, w)
		}
	}
	return out
}
