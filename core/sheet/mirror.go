package sheet

// Mirror answers the recipe of the other hand: left and right change places,
// nothing else. Mirrored twice it is itself.
func (r Recipe) Mirror() Recipe {
	r.Base.Holes = mirrorHoles(r.Base.Holes)
	r.Base.Flanges = mirrorFlanges(r.Base.Flanges)
	if r.Hand.Drawn != "" {
		r.Hand.Drawn = r.Hand.Drawn.Other()
	}
	return r
}

// Other answers the opposite hand.
func (s Side) Other() Side {
	if s == RightHand {
		return LeftHand
	}
	return RightHand
}

func (e Edge) mirrored() Edge {
	switch e {
	case Left:
		return Right
	case Right:
		return Left
	}
	return e
}

func mirrorHoles(list []Hole) []Hole {
	if list == nil {
		return nil
	}
	out := make([]Hole, len(list))
	for i, h := range list {
		h.X.Edge, h.Y.Edge = h.X.Edge.mirrored(), h.Y.Edge.mirrored()
		out[i] = h // angles turn from the edges, so they mirror by themselves
	}
	return out
}

func mirrorFlanges(list []Flange) []Flange {
	if list == nil {
		return nil
	}
	out := make([]Flange, len(list))
	for i, f := range list {
		if f.Edge == Front || f.Edge == Back {
			f.SetIn.Start, f.SetIn.End = f.SetIn.End, f.SetIn.Start
		}
		f.Edge = f.Edge.mirrored()
		f.Holes, f.Flanges = mirrorHoles(f.Holes), mirrorFlanges(f.Flanges)
		out[i] = f
	}
	return out
}
