package held

import (
	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/solid"
)

// Standing is a frame opened so that it can be asked again and again what it puts on
// what holds it.
type Standing struct {
	w    *weighing
	ways []way
}

// Stand opens a frame for asking. It fails where it cannot be solved, in words.
func Stand(b *shape.Built, d member.Doc, ask Asked) (*Standing, error) {
	w, err := weighed(b, d, ask, &Held{})
	if err != nil {
		return nil, err
	}
	return &Standing{w, w.ways()}, nil
}

// Ways names how its own devices may stand besides all their feet alike.
func (s *Standing) Ways() (out []string) {
	for _, x := range s.ways {
		out = append(out, x.name)
	}
	return out
}

// Lacks says what of its loads is not known or acts nowhere.
func (s *Standing) Lacks() []string { return s.w.missing }

// People tells whether somebody stands on it.
func (s *Standing) People() bool {
	for _, x := range s.w.masses {
		if x.person > 0 {
			return true
		}
	}
	return false
}

// Holder is a place that holds the frame.
type Holder struct {
	Point, Name string
	At          solid.Vector // mm, in the frame's axes
}

// Holders lists what holds it.
func (s *Standing) Holders() (out []Holder) {
	seen := map[string]bool{}
	for _, v := range s.w.m.b.Laid.Supports {
		n, ok := s.w.m.node[v.Point]
		at, used := s.w.m.in.Nodes[n]
		if ok && used && !seen[n] {
			seen[n] = true
			out = append(out, Holder{v.Point, s.w.m.b.Laid.Name(v.Point), at})
		}
	}
	return out
}

// Asking is one case a standing frame is asked under: g on its masses, people times
// their stepping down, typed forces times Typed, one of its Ways (−1 for all feet
// alike), and what lands.
type Asking struct {
	Net    solid.Vector
	People float64
	Typed  float64
	Way    int
	Lands  []Wrench
}

// React answers what the frame puts on each of its holders, by point.
func (s *Standing) React(q Asking) (map[string]Wrench, error) {
	var how *way
	if q.Way >= 0 && q.Way < len(s.ways) {
		how = &s.ways[q.Way]
	}
	l := s.w.loading(q.Net, q.People, q.Typed, how, q.Lands)
	l.Coarse = true
	a, err := s.w.m.solved.Case(l)
	if err != nil {
		return nil, s.w.m.words(err)
	}
	out := map[string]Wrench{}
	for _, h := range s.Holders() {
		r := a.Reactions[s.w.m.node[h.Point]]
		out[h.Point] = Wrench{solid.Vector{-r[0], -r[1], -r[2]}, solid.Vector{-r[3], -r[4], -r[5]}}
	}
	return out, nil
}
