package shop

import (
	"slices"

	"warmanvil/core/sheet"
)

// Station is what is read at a machine before it is used.
type Station struct {
	Machine string   // what it is called
	Ready   []string // what is looked at
	Caution string   // what can hurt there
}

// Bending answers the station a part is bent at.
func (s Shop) Bending(r sheet.Recipe) Station { return s.station(Brake, brakes[r.Tool.Kind]...) }

// Drilling answers the station holes are drilled at.
func (s Shop) Drilling() Station { return s.station(Drill) }

// Sawing answers the station sticks are sawn at.
func (s Shop) Sawing() Station { return s.station(Saw) }

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
