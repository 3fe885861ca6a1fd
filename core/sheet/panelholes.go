package sheet

// AddHoles answers the recipe with holes more in one of its panels; false where no panel
// goes by that id. What they were added to is not changed.
func (r Recipe) AddHoles(panel string, holes []Hole) (Recipe, bool) {
	if r.Base.ID == panel {
		r.Base.Holes = append(append([]Hole{}, r.Base.Holes...), holes...)
		return r, true
	}
	flanges, found := holesInto(r.Base.Flanges, panel, holes)
	r.Base.Flanges = flanges
	return r, found
}

func holesInto(list []Flange, panel string, holes []Hole) ([]Flange, bool) {
	for i := range list {
		f := list[i]
		found := f.ID == panel
		if found {
			f.Holes = append(append([]Hole{}, f.Holes...), holes...)
		} else if f.Flanges, found = holesInto(f.Flanges, panel, holes); !found {
			continue
		}
		out := append([]Flange{}, list...)
		out[i] = f
		return out, true
	}
	return list, false
}
