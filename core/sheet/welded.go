package sheet

// WeldedMeets lists the corners of a part that are closed by a weld once it is bent, the base's first.
func (r Recipe) WeldedMeets() (out []Meet) {
	add := func(list []Meet) {
		for _, m := range list {
			if m.Kind == MeetWeld {
				out = append(out, m)
			}
		}
	}
	add(r.Base.Meets)
	var walk func([]Flange)
	walk = func(list []Flange) {
		for _, f := range list {
			add(f.Meets)
			walk(f.Flanges)
		}
	}
	walk(r.Base.Flanges)
	return out
}
