package shop

import (
	"slices"

	"warmanvil/core/sheet"
)

// Station is what is read at a machine before it is used.
type Station struct {
	Machine string   `json:"machine"`
	Ready   []string `json:"ready" doc:"what is looked at"`
	Caution string   `json:"caution" doc:"what can hurt there"`
	Worked  []string `json:"worked" doc:"settings that were tried on such a sheet, what worked first"`
}

// Told answers it with lists that are never left out.
func (s Station) Told() Station {
	s.Ready, s.Worked = append([]string{}, s.Ready...), append([]string{}, s.Worked...)
	return s
}

// Bending answers the station a part is bent at.
func (s Shop) Bending(r sheet.Recipe) Station {
	out := s.station(Brake, brakes[r.Tool.Kind]...)
	out.Worked = s.Worked("bending", r.Material, r.Thickness, Brake, brakes[r.Tool.Kind]...)
	return out
}

// Cutting answers the station a part's blank is cut at: by hand a torch or a grinder where the
// shop has one, a shear or a grinder else.
func (s Shop) Cutting(r sheet.Recipe) Station {
	k, sorts := Table, []string{r.Process}
	if r.Process == "hand" {
		k, sorts = Grinder, nil
		for _, try := range []Kind{Shear, Torch} {
			if len(s.there(try, func(Machine) bool { return true })) > 0 {
				k = try
				break
			}
		}
	}
	out := s.station(k, sorts...)
	out.Worked = s.Worked("cutting", r.Material, r.Thickness, k, sorts...)
	return out
}

// Drilling answers the station holes are drilled at.
func (s Shop) Drilling(r sheet.Recipe) Station {
	out := s.station(Drill)
	out.Worked = s.Worked("drilling", r.Material, r.Thickness, Drill)
	return out
}

// Welding answers the station a metal is welded at, by the thicknesses that meet.
func (s Shop) Welding(material string, thick []float64) Station {
	out := s.station(Welder)
	for _, t := range thick {
		for _, line := range s.Worked("welding", material, t, Welder) {
			if !slices.Contains(out.Worked, line) {
				out.Worked = append(out.Worked, line)
			}
		}
	}
	return out
}

// Grinding answers the station edges are dressed at.
func (s Shop) Grinding() Station { return s.station(Grinder) }

// Sawing answers the station sticks of a metal are sawn at, by the walls of them.
func (s Shop) Sawing(material string, walls []float64) Station {
	out := s.station(Saw)
	for _, wall := range walls {
		for _, line := range s.Worked("sawing", material, wall, Saw) {
			if !slices.Contains(out.Worked, line) {
				out.Worked = append(out.Worked, line)
			}
		}
	}
	return out
}

// station answers the first machine there of some sorts, of any where none are named; a
// usual one where the shop has none.
func (s Shop) station(k Kind, sorts ...string) Station {
	of := k.table()
	is := func(m Machine) bool { return len(sorts) == 0 || slices.Contains(sorts, m.Sort) }
	usual := of.sort("")
	if len(sorts) > 0 {
		usual = of.sort(sorts[0])
	}
	out := Station{Machine: "the " + usual.Text, Ready: usual.Ready, Caution: of.Caution}
	list := s.there(k, is)
	if len(list) == 0 {
		return out
	}
	m := list[0]
	out.Machine, out.Ready = m.Called(), of.sort(m.Sort).Ready
	if len(m.Ready) > 0 {
		out.Ready = nil
		for _, r := range m.Ready {
			out.Ready = append(out.Ready, r.Text)
		}
	}
	return out
}
