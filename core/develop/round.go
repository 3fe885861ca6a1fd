package develop

import (
	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// Taking answers by how much the flat is shorter than the middle surface bent sharp by an angle in
// degrees at the form's radius: 2·(R + T/2)·tan(A/2) − BA. It fails where the school has no figure.
type Taking func(angle float64) (mm float64, err error)

// Round is a round part unrolled: its middle surface, and its flat with the outside up.
type Round struct {
	Strip   Strip
	Lines   []RoundLine
	Outline []profile.Point    // of the blank, anticlockwise, lap and pinch with it
	Sides   [2]int             // of the outline: the index its first end and its last end begin at
	Lap     *[2]profile.Point  // where the first end lies, of a lapped seam
	Trims   [][2]profile.Point // where the pinch is cut off
	Closed  bool               // its ends meet in a seam
	Area    float64            // mm², of the blank
	Lengths [2]float64         // mm, of the bottom and the top edge on the middle surface
	Seam    float64            // mm, length of its ends; of one that is open too
	Sharp   float64            // mm, smallest radius of the middle surface where it is rolled; 0 of pressed ones
	Inside  float64            // mm, how far flats lie inside the round
	Arch    *ArchResult        // of a band about a wheel
	Notes   []string           // what was taken for granted
	Overlap bool               // the flat lies over itself

	bottom, top []profile.Point // of the rulings as unrolled, nothing taken
	by          []profile.Point // what is added to facet i on the flat
	height      float64
	over        [2]float64 // the middle of the top, from over that of the bottom
	flip        bool
}

// RoundLine is a line the flat is bent at.
type RoundLine struct {
	From, To profile.Point // at the bottom edge, at the top edge
	Angle    float64       // degrees from flat; positive to the inside
	Again    bool          // in the lap, over the first
	ruling   int
}

// rulings is in how many a round is unrolled: its edges are then short of their arcs by less than a
// part in ten thousand of a percent, (2π/n)²/24.
const rulings = 720

// skin is a form's middle surface and what is to be known of it.
type skin struct {
	strip  Strip
	lap    float64
	closed bool
	lines  []int
	angles []float64
	sharp  float64
	inside float64
	height float64
	over   [2]float64
	notes  []string
	arch   *ArchResult
}

// Build unrolls a round of a plate so thick. It fails with *working.Fault whose path points into the form.
func (f Form) Build(thickness float64, take Taking) (*Round, error) {
	if err := f.Check(); err != nil {
		return nil, err
	}
	var s skin
	var err error
	switch f.Kind {
	case ConeForm:
		s, err = f.cone(thickness)
	case TransitionForm:
		s, err = f.transition(thickness)
	case ElbowForm:
		s, err = f.elbow(thickness)
	default:
		s, err = f.band(thickness)
	}
	if fault, is := err.(*working.Fault); is && fault.Path == "/depth" {
		return nil, err
	} else if err != nil {
		return nil, working.Under("/"+string(f.Kind), err)
	}
	flat, err := s.strip.lapped(s.lap)
	if err != nil {
		return nil, working.Under("/"+string(f.Kind), err)
	}
	r := &Round{Strip: s.strip, Closed: s.closed, Inside: s.inside, Arch: s.arch, Notes: s.notes, height: s.height, over: s.over,
		flip: f.Flip}
	if f.Way == Rolled {
		r.Sharp = s.sharp
	}
	if err := r.lay(s, flat, f, take); err != nil {
		return nil, err
	}
	return r, nil
}
