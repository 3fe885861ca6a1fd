package survey

import (
	"testing"
)

// A wall is drilled from in front: freely with a usual bit, past a beam beside it with a long
// one, in a narrow gap with an angle head, and where that is closed not at all; what moves away
// is not in the way.
func TestStraight(t *testing.T) {
	box := func(at, size [3]float64) Space {
		return Space{ID: "s", Name: "beam", Kind: Fixed, Shape: Shape{Form: BoxForm, At: at, Size: size}}
	}
	d := Drilling{Into: [3]float64{-1, 0, 0}, Diameter: 8} // drilled towards the rear, from in front
	beam := box([3]float64{60, 25, -200}, [3]float64{90, 200, 400})
	wall := func(off float64) Space { return box([3]float64{off, -300, -300}, [3]float64{30, 600, 600}) }
	moving := wall(40)
	moving.Moves = []State{InUse}
	for name, c := range map[string]struct {
		spaces []Space
		way    BitWay
	}{
		"nothing before it":        {nil, UsualBit},
		"a beam beside it":         {[]Space{beam}, LongBit},
		"a wall far off":           {[]Space{wall(700)}, UsualBit},
		"a wall across, near":      {[]Space{wall(150)}, AngleHead},
		"a wall right before it":   {[]Space{wall(60)}, NoWay},
		"a lid that swings away":   {[]Space{moving}, UsualBit},
		"an opening, not a thing":  {[]Space{{Kind: Opening, Shape: wall(40).Shape}}, UsualBit},
		"behind the wall, no harm": {[]Space{wall(-200)}, UsualBit},
	} {
		got := Straight(d, 12, c.spaces)
		if got.Way != c.way {
			t.Errorf("%s: %+v, want %s", name, got, c.way)
		}
		if c.way == LongBit {
			// The machine must be past the beam, the chuck beside it: 150 less the chuck's 60.
			if got.Out < 90+12 || got.Out > 90+12+10 || got.Space != 0 {
				t.Errorf("%s: %+v", name, got)
			}
		}
	}
}
