package site

import (
	"math"

	"warmanvil/core/brief"
	"warmanvil/core/member/shape"
	"warmanvil/core/stock"
)

// bolts is what all joints take.
const bolts = "bolts, nuts and washers"

// made lists what a job makes and bolts on, as masses on the vehicle: parts and frames
// where the survey has them, the bolts of its joints by their volume.
func (s Site) made(joints []BoltedTold) []brief.Made {
	roof := s.onRoof()
	front, known := s.front()
	var out []brief.Made
	for _, i := range s.assembled() {
		if i.Kind == "device" || i.Kilos <= 0 {
			continue
		}
		m := brief.Made{Name: i.Name, Mass: i.Kilos, OnRoof: roof[i.of]}
		if i.At != nil && known {
			behind := front - i.At[0]
			m.Behind = &behind
		}
		out = append(out, m)
	}
	kg := 0.
	for i, t := range joints {
		if t.Result != nil {
			kg += boltMass(s.Brief.Joints[i], t)
		}
	}
	if kg > 0 {
		out = append(out, brief.Made{Name: bolts, Mass: kg})
	}
	return out
}

// onRoof tells by id what carries a device on the roof.
func (s Site) onRoof() map[string]bool {
	up := map[string]bool{}
	for _, d := range s.Brief.Devices {
		up[d.ID] = d.OnRoof
	}
	for _, m := range s.Brief.Mounts {
		up[m.Part] = up[m.Part] || m.Device != "" && up[m.Device]
	}
	for range len(s.Brief.Joints) { // a rack under a frame under the device
		for _, j := range s.Brief.Joints {
			any := up[j.Part]
			for _, x := range j.Sides {
				any = any || x.Of != "" && up[x.Of]
			}
			if !any {
				continue
			}
			for _, x := range append([]brief.Side{{Of: j.Part}}, j.Sides...) {
				if x.Of != "" && x.Kind != brief.VehicleSide {
					up[x.Of] = true
				}
			}
		}
	}
	return up
}

// front answers how far the front axle or coupling lies forward of the survey's datum:
// as said of a trailer, else by a device that is placed and whose distance is known.
func (s Site) front() (float64, bool) {
	if c := s.Brief.Card.Coupling; c != nil {
		return c.Value, true
	}
	st := newStander(s)
	for _, p := range s.Survey.Placed {
		d, ok := s.Brief.Device(p.Device)
		if !ok || d.Behind == nil {
			continue
		}
		if at := st.stand(p.ID); at.Why == "" {
			return d.Behind.Value + at.Pose.Apply([3]float64{})[0], true
		}
	}
	return 0, false
}

// steelDensity is that of bolts, kg/mm³.
const steelDensity = 7.85e-6

// boltMass answers what the bolts of a joint weigh in all its places, kg: shank through
// the grip and one diameter past it, head and nut as hexagons of 1.5 diameters across
// and two thirds high, two washers of twice the diameter and a sixth thick.
func boltMass(j brief.Joint, t BoltedTold) float64 {
	d := 0.
	if thread, err := stock.FindThread(j.Design.System, j.Design.Size, j.Design.Pitch); err == nil {
		d = thread.Diameter
	}
	grip := 0.
	for _, p := range t.Plies {
		grip += p.Thickness
	}
	hex := 2 * math.Sqrt(3) / 2 * math.Pow(1.5*d, 2) * (2. / 3) * d
	washers := 2 * math.Pi / 4 * (4 - 1) * d * d * d / 6
	one := (math.Pi/4*d*d*(grip+d) + hex + washers) * steelDensity
	return one * float64(len(t.Holes)*max(len(j.Stands), 1))
}

// frameSizes are the frames of a job with their outside sizes.
func (s Site) frameSizes() (out []sized) {
	l := newStander(s).from
	for _, f := range s.Frames {
		b := shape.Build(f.Doc, l.ForFrame(f.Doc))
		out = append(out, sized{f.Name, b.Max.Sub(b.Min), b.Mass})
	}
	return out
}
