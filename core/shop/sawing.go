package shop

import "math"

// Sawn is one cut: how wide and high the section lies in the saw, mm, and how far the blade
// turns from square, degrees. A square cut may be made lying either way.
type Sawn struct {
	Wide, High float64
	Round      bool
	Angle      float64
}

// SawSaid is a saw with what it takes.
type SawSaid struct {
	Name                     string
	Named, Said              bool // the shop names it; all its limits were said
	Wide, High, Round, Angle float64
}

// Saws answers the saws that are there, the shop's own first; a usual one where it names
// none. Where all its saws are away there is none.
func (s Shop) Saws(inch bool) (out []SawSaid) {
	if s.Unit != "" {
		inch = s.Inches()
	}
	of := func(m Machine) SawSaid {
		w := SawSaid{Name: m.Called(), Named: true, Said: true}
		for key, to := range map[string]*float64{"wide": &w.Wide, "high": &w.High, "round": &w.Round, "angle": &w.Angle} {
			v, said := m.Limit(key, inch)
			*to, w.Said = v, w.Said && (said || v == 0)
		}
		if where := m.stands(); where != "" {
			w.Name += " (" + where + ")"
		}
		return w
	}
	away := false
	for _, m := range s.Machines {
		away = away || m.Kind == Saw && m.Away
	}
	for _, m := range s.there(Saw, func(Machine) bool { return true }) {
		out = append(out, of(m))
	}
	if len(out) == 0 && !away {
		m := of(Machine{Kind: Saw, Sort: "band"})
		m.Name, m.Named, m.Angle = "a usual band saw", false, 0 // a frame asks a usual saw's angle itself
		out = append(out, m)
	}
	return out
}

// Takes says why a saw does not make a cut: its size or its angle; empty when it does. A
// turned blade crosses more of the width, by 1/cos of the angle.
func (w SawSaid) Takes(x Sawn) string {
	const tiny = 1e-6
	if w.Angle > 0 && x.Angle > w.Angle+tiny {
		return "angle"
	}
	across := x.Wide / math.Cos(math.Min(x.Angle, 89)*math.Pi/180)
	goes := func(wide, high float64) bool {
		return (w.Wide == 0 || wide <= w.Wide+tiny) && (w.High == 0 || high <= w.High+tiny)
	}
	switch {
	case x.Round && w.Round > 0 && math.Max(across, x.High) <= w.Round+tiny:
	case x.Round && w.Round > 0:
		return "size"
	case goes(across, x.High), x.Angle == 0 && goes(x.High, x.Wide):
	default:
		return "size"
	}
	return ""
}
