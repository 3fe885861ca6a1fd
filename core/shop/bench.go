package shop

import (
	"warmanvil/core/sheet/flags"
)

// magnetHolds is the thinnest steel a magnet drill stands on, mm (practice: its maker says; many
// want 6 mm and more).
const magnetHolds = 6.

// bench puts down the shears, drills, welders and places that are there now; a kind the shop
// names none of is not asked.
func (s Shop) bench(out *flags.Machines, metal string, inch bool) {
	all := func(Machine) bool { return true }
	for _, m := range s.there(Shear, all) {
		out.Shears = append(out.Shears, flags.ShearOf{Name: m.says(), Long: m.asked("long", inch), Thick: m.asked(metal, inch)})
	}
	for _, m := range s.there(Drill, all) {
		d := flags.DrillPress{Name: m.says(), Most: m.asked("drill", inch), Throat: m.asked("throat", inch)}
		if m.Sort == "magnet" {
			d.Throat, d.Holds = flags.Limit{}, flags.Limit{Value: magnetHolds, Usual: true}
		}
		out.Presses = append(out.Presses, d)
	}
	for _, m := range s.there(Compressor, all) {
		out.Compressors = append(out.Compressors, flags.Compressor{Name: m.says(), Flow: m.asked("flow", inch)})
	}
	out.Welders, out.Places = s.Welders(inch), s.Places(inch)
	for _, x := range s.Suppliers {
		out.Outside = append(out.Outside, flags.Outsider{Name: x.Name, Does: x.Does, Long: x.Rules["long"], Wide: x.Rules["wide"],
			Thickest: x.Rules["thickest"], Thinnest: x.Rules["thinnest"], Bend: x.Rules["bend"]})
	}
}

// Welders answers the welders that are there, the shop's own first; none where it names none.
func (s Shop) Welders(inch bool) (out []flags.WelderOf) {
	inch = s.inchesOr(inch)
	for _, m := range s.there(Welder, func(Machine) bool { return true }) {
		out = append(out, flags.WelderOf{Name: m.says(), Least: m.asked("least", inch), Most: m.asked("most", inch)})
	}
	return out
}

// Places answers the ovens, spray places and transport that are there; none where it names none.
func (s Shop) Places(inch bool) (out []flags.Place) {
	inch = s.inchesOr(inch)
	for _, k := range []Kind{Oven, Spray, Transport} {
		for _, m := range s.there(k, func(Machine) bool { return true }) {
			p := flags.Place{Name: m.says(), Kind: string(k), Said: true}
			for i, key := range []string{"long", "wide", "high"} {
				v, said := m.Limit(key, inch)
				p.Sizes[i], p.Said = v, p.Said && said
			}
			p.Air = m.asked("air", inch)
			if k == Transport {
				v, said := m.Limit("mass", inch)
				p.Kilos, p.Said = v, p.Said && said
			}
			out = append(out, p)
		}
	}
	return out
}

// Benders answers the tube benders that are there; none where the shop names none.
func (s Shop) Benders(inch bool) (out []BenderSaid) {
	inch = s.inchesOr(inch)
	for _, m := range s.there(Bender, func(Machine) bool { return true }) {
		out = append(out, BenderSaid{m.says(), m.asked("round", inch), m.asked("wall", inch), m.asked("angle", inch)})
	}
	return out
}

// BenderSaid is a tube bender with what it takes, mm and degrees.
type BenderSaid struct {
	Name               string
	Round, Wall, Angle flags.Limit
}

// asked is a limit as said, or as usual and then said to be so.
func (m Machine) asked(key string, inch bool) flags.Limit {
	v, said := m.Limit(key, inch)
	return flags.Limit{Value: v, Usual: v > 0 && !said}
}

// says names a machine with where it stands.
func (m Machine) says() string {
	if where := m.stands(); where != "" {
		return m.Called() + " (" + where + ")"
	}
	return m.Called()
}

// inchesOr tells whether usual machines are those of an inch shop: as the shop says, or where it
// does not as the job.
func (s Shop) inchesOr(job bool) bool {
	if s.Unit != "" {
		return s.Inches()
	}
	return job
}

// First answers the machine of a kind that is there and is taken first; false where the shop names
// none.
func (s Shop) First(k Kind) (Machine, bool) {
	list := s.there(k, func(Machine) bool { return true })
	if len(list) == 0 {
		return Machine{}, false
	}
	return list[0], true
}

// ByID answers a machine of the shop.
func (s Shop) ByID(id string) (Machine, bool) {
	for _, m := range s.Machines {
		if m.ID == id && id != "" {
			return m, true
		}
	}
	return Machine{}, false
}

// Welds answers the welders that are there, the shop's own first.
func (s Shop) Welds() []Machine { return s.there(Welder, func(Machine) bool { return true }) }

// Coupon answers the newest weld on a metal as thick that was bent or torn and held, or broke beside the weld; empty
// where none was.
func (s Shop) Coupon(material string, thick float64) string {
	best := ""
	date := ""
	for _, x := range s.Settings {
		if !x.of("welding", material, thick, s.at(Welder)) || x.Result != "worked" || x.Broke != "beside" && x.Broke != "held" {
			continue
		}
		if best == "" || x.Date > date {
			best, date = s.told(x), x.Date
		}
	}
	return best
}
