package site

import (
	"fmt"
	"math"

	"warmanvil/core/hole"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/weld"
)

// TorchRoom is whether a torch and the hand that holds it come to a seam.
type TorchRoom struct {
	Reach hole.Reach `json:"reach" enum:"reachable,tight,blocked"`
	Says  string     `json:"says" doc:"in words: by what, and what to do"`
}

// A torch as it is tried, mm (a small MIG torch with a glove): it is held off the weld, its nozzle is so long and so
// thick, and behind it comes the hand.
const (
	torchOff    = 14.
	stickFrom   = 9. // the wire or tungsten before it
	stickThick  = 3.
	nozzleLong  = 95.
	nozzleThick = 10.
	handLong    = 150.
	handThick   = 45.
	torchPlay   = 8. // less than this about it is tight
)

// torchLeans are the ways a torch is leant off the middle of its corner, degrees: along the seam and across it.
var torchLeans = [][2]float64{{15, 0}, {-15, 0}, {15, 20}, {15, -20}, {-15, 20}, {-15, -20}, {45, 0}, {-45, 0}}

// roomFor tries a torch at five places of a seam whose corner opens a way, past what stands there.
func roomFor(path []solid.Vector, open solid.Vector, trees []*solid.Tree, names []string) *TorchRoom {
	open = open.Unit()
	if open.Len() == 0 || len(path) < 2 {
		return nil
	}
	worst, by := hole.Reachable, ""
	for k := range 5 {
		at, along := placeOn(path, (float64(k)+.5)/5)
		best, name := hole.Blocked, ""
		for _, lean := range torchLeans {
			axis := leant(open, along, lean)
			reach, hit := heldTo(at, axis, trees, names)
			if better(reach, best) || name == "" {
				best, name = reach, hit
			}
			if best == hole.Reachable {
				break
			}
		}
		if better(worst, best) {
			worst, by = best, name
		}
	}
	switch worst {
	case hole.Tight:
		return &TorchRoom{worst, fmt.Sprintf("A torch just comes to it past %s: try it cold, with the glove on, before it is tacked.", by)}
	case hole.Blocked:
		return &TorchRoom{worst, fmt.Sprintf("No torch comes to all of it past %s: weld it before that is on, from the other side, with a "+
			"smaller torch "+
			"or a stub of tungsten, or end the seam before.", by)}
	}
	return &TorchRoom{worst, "A torch and the hand behind it come to it."}
}

// better tells whether one reach is better than another.
func better(a, b hole.Reach) bool {
	rank := map[hole.Reach]int{hole.Reachable: 0, hole.Tight: 1, hole.Blocked: 2}
	return rank[a] < rank[b]
}

// placeOn answers a place along a line by its share, and the way it runs there.
func placeOn(path []solid.Vector, share float64) (at, along solid.Vector) {
	want := share * lengthOf(path)
	for i := 1; i < len(path); i++ {
		d := path[i].Sub(path[i-1])
		if l := d.Len(); l > 0 && (want <= l || i == len(path)-1) {
			return path[i-1].Add(d.Mul(math.Min(want/l, 1))), d.Mul(1 / l)
		} else {
			want -= l
		}
	}
	return path[0], solid.Vector{}
}

// leant turns the middle of a corner along the seam and across it.
func leant(open, along solid.Vector, lean [2]float64) solid.Vector {
	side := along.Cross(open).Unit()
	s, c := math.Sincos(lean[0] * math.Pi / 180)
	axis := open.Mul(c).Add(along.Mul(s))
	s, c = math.Sincos(lean[1] * math.Pi / 180)
	return axis.Mul(c).Add(side.Mul(s)).Unit()
}

// heldTo tries a torch at one place and one way.
func heldTo(at, axis solid.Vector, trees []*solid.Tree, names []string) (hole.Reach, string) {
	tip := at.Add(axis.Mul(torchOff + nozzleThick))
	back := tip.Add(axis.Mul(nozzleLong))
	nozzle := solid.NewTree(solid.Cylinder(tip, back, nozzleThick))
	hand := solid.NewTree(solid.Cylinder(back.Add(axis.Mul(handThick/2)), back.Add(axis.Mul(handLong)), handThick))
	stick := solid.NewTree(solid.Cylinder(at.Add(axis.Mul(stickFrom)), tip, stickThick))
	reach, by := hole.Reachable, ""
	for i, t := range trees {
		for _, body := range []*solid.Tree{stick, nozzle, hand} {
			switch gap := solid.Within(body, t, torchPlay); {
			case gap.Distance <= 1e-6:
				return hole.Blocked, names[i]
			case body == hand && gap.Distance < torchPlay:
				reach, by = hole.Tight, names[i]
			}
		}
	}
	return reach, by
}

// torchObstacles are what stands round a welded joint: its own two, and where it is welded in place all that is placed
// and the spaces of the survey.
func (s *site) torchObstacles(x *seated, own solid.Body) (trees []*solid.Tree, names []string) {
	add := func(name string, b solid.Body) {
		if len(b.Pieces) > 0 {
			trees, names = append(trees, solid.NewTree(b)), append(names, name)
		}
	}
	add("what is welded", own)
	if !x.inPlace() || !x.placed {
		return trees, names
	}
	for _, id := range s.order {
		if st := s.stands[id]; st.Why == "" && id != x.ids[0] && id != x.ids[1] {
			add(st.told.Name, st.thing.Body)
		}
	}
	for _, sp := range s.Survey.Spaces {
		if sp.Kind != survey.Opening && sp.Kind != survey.Room {
			add(sp.Name, sp.In(survey.Stowed))
		}
	}
	return trees, names
}

// opens answers the way the corner of a seam opens on one of its sides.
func opens(seam weld.Seam, face solid.Vector) solid.Vector {
	if seam.Form == weld.FilletForm {
		return face.Unit().Sub(seam.Sides[1].Normal.Unit())
	}
	return face
}
