package joint

import (
	"fmt"

	"warmanvil/core/working"
)

// Track is the channel a slot nut sits in.
type Track struct {
	Opening float64 `json:"opening" doc:"mm between its lips"`
	Deep    float64 `json:"deep" doc:"mm from under its lips to its bottom"`
}

// Bolts in a track (practice): the slot lets the bolt through with a little play, and its lips
// reach far enough under the nut; the nut is about as high as a plain one.
const (
	trackPlay = .3 // mm
	trackWide = 2. // diameters of the bolt past which the lips hardly bear
)

// track looks whether the bolt goes through the slot, the lips bear, and the bolt clamps
// before it stands on the bottom; and says how the nuts come in.
func (j *joint) track() {
	if j.in.Nut != SlotNut {
		return
	}
	n, d := len(j.in.Holes), j.thread.Diameter
	j.out.Making = append(j.out.Making, fmt.Sprintf("Slide %d slot nuts into the track before its end cap, or what closes it, goes on, "+
		"and one to "+
		"spare at each end; turn each across until its teeth stand in the lips, and pull at it.", n))
	t := j.in.Track
	if t == nil || t.Opening <= 0 || t.Deep <= 0 {
		j.say("track-unknown", working.Mind, "Track", "Which track it is is not said: whether this nut fits its lips, and whether the bolt "+
			"ends before "+
			"its bottom, is not looked at. Give its slot and depth.")
		return
	}
	switch {
	case t.Opening < d+trackPlay:
		j.say("track-narrow", working.Stop, "Track", fmt.Sprintf("The slot of %s does not let a bolt of %s through: the track takes a "+
			"smaller one.",
			j.mm(t.Opening), j.mm(d)))
	case t.Opening > trackWide*d:
		j.say("track-wide", working.Mind, "Track", fmt.Sprintf("The slot of %s is wide for a bolt of %s: the nut's shoulders hardly reach "+
			"under its lips. "+
			"Take the nut that is made for this track, or a larger thread.", j.mm(t.Opening), j.mm(d)))
	}
	if j.hw.Nut > t.Deep {
		j.say("track-shallow", working.Stop, "Track", fmt.Sprintf("A nut about %s high does not go into a track %s deep.", j.mm(j.hw.Nut),
			j.mm(t.Deep)))
	}
	if g := j.out.Grip; g != nil && g.Length != nil {
		// Under the head lie the plies, the last of which is the track's lip, and washers.
		if past := *g.Length - j.out.Stack; past > t.Deep {
			j.say("track-bottom", working.Stop, "Track", fmt.Sprintf("The bolt reaches %s past the lips and the track is %s deep: it stands on "+
				"the bottom "+
				"before it clamps anything. Take one shorter by %s or more, or washers.", j.mm(past), j.mm(t.Deep), j.mm(past-t.Deep)))
		}
	}
}
