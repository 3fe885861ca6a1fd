package sheet

// CutFace answers the recipe as it is cut: with the face that shows up. A part
// whose back shows is turned over; the others are as they are.
func (r Recipe) CutFace() Recipe {
	if r.Seen == BackFace {
		return r.TurnOver()
	}
	return r
}

// TurnOver answers the same part seen from its other face: left and right change
// places, what went up goes down. Turned over twice it is itself. The body lies
// in its own axes, turned half round about the way from front to back.
func (r Recipe) TurnOver() Recipe {
	drawn := r.Hand.Drawn
	r = r.Mirror()
	r.Hand.Drawn = drawn
	switch r.Seen {
	case GoodFace:
		r.Seen = BackFace
	case BackFace:
		r.Seen = GoodFace
	}
	r.Base.Holes, r.Base.Flanges = overHoles(r.Base.Holes), overFlanges(r.Base.Flanges)
	return r
}

// overHoles changes the side of heads, nuts and hole flanges.
func overHoles(list []Hole) []Hole {
	for i, h := range list { // the mirror's own copy
		if h.Use != nil {
			u := *h.Use
			u.Back = u.sided() && !u.Back
			list[i].Use = &u
		}
	}
	return list
}

// sided tells whether a use differs between the faces.
func (u *Use) sided() bool {
	switch u.Kind {
	case UseCountersink, UseWeldNut, UseRivetNut, UseLightening:
		return true
	}
	return false
}

func overFlanges(list []Flange) []Flange {
	for i := range list {
		f := &list[i]
		f.Up = !f.Up
		f.Holes, f.Flanges = overHoles(f.Holes), overFlanges(f.Flanges)
	}
	return list
}
