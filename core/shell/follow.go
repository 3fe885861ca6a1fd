package shell

import (
	"slices"

	"warmanvil/core/sheet"
	"warmanvil/core/shell/facet"
	"warmanvil/core/working"
)

// Blanks answers the body's blanks as parts, each with the body it is of.
func (f Facets) Blanks(id, name string) (facet.Built, []sheet.Recipe, error) {
	b, err := f.Build()
	if err != nil {
		return b, nil, err
	}
	out := make([]sheet.Recipe, len(b.Blanks))
	for i := range b.Blanks {
		r, err := b.Recipe(i, f.Sheet())
		if err != nil {
			return b, nil, err
		}
		r.Facet = &sheet.Facet{Of: id, Name: name, Corners: b.Corners(i), Seams: b.Welded(i)}
		r.Facet.Numbers, r.Facet.Glued = b.Numbers(i)
		r.Facet.Blends = b.Blends(i)
		out[i] = r
	}
	return b, out, nil
}

// Root answers the panel a blank is known by while the body changes: the one that most of a part's
// panels are still in.
func Root(part sheet.Recipe, blanks []sheet.Recipe) int {
	best, most := -1, 0
	for i, r := range blanks {
		n := 0
		for id := range part.Facet.Corners {
			if _, has := r.Facet.Corners[id]; has {
				n++
			}
		}
		if r.Base.ID == part.Base.ID {
			n += 1000 // its base before all
		}
		if n > most {
			best, most = i, n
		}
	}
	return best
}

// Follow answers a blank as a part made of it once: the form is the body's, and what was put on its
// panels stays on them, by the edges between the same points. lost are the panels that are not of it
// any more, whose holes and marks went with them.
func Follow(blank, part sheet.Recipe) (out sheet.Recipe, lost []string) {
	out = blank
	out.Grain, out.Ticks, out.Seen, out.Master = part.Grain, part.Ticks, part.Seen, part.Master
	out.Guessed, out.Gauge, out.SetAside, out.Reasons, out.Piece = part.Guessed, part.Gauge, part.SetAside, part.Reasons, part.Piece
	own := ownOf(part)
	out.Base.Flanges = slices.Clone(blank.Base.Flanges)
	put(&out.Base.Corner, &out.Base.Meets, &out.Base.Holes, &out.Base.Edges, &out.Base.Marks, &out.Base.Flanges, out.Base.ID, own,
		part, blank)
	var walk func(list []sheet.Flange)
	walk = func(list []sheet.Flange) {
		for i := range list {
			f := &list[i]
			if _, is := blank.Facet.Corners[f.ID]; !is {
				continue // the part's own
			}
			f.Flanges = slices.Clone(f.Flanges)
			put(&f.Corner, &f.Meets, &f.Holes, &f.Edges, &f.Marks, &f.Flanges, f.ID, own, part, blank)
			walk(f.Flanges)
		}
	}
	walk(out.Base.Flanges)
	for id := range part.Facet.Corners {
		if _, still := blank.Facet.Corners[id]; !still {
			lost = append(lost, id)
		}
	}
	slices.Sort(lost)
	return out, lost
}

func put(corner *sheet.Corner, meets *[]sheet.Meet, holes *[]sheet.Hole, edges *[]sheet.EdgeCut, marks *[]sheet.Mark,
	flanges *[]sheet.Flange,
	id string, own map[string]sheet.PanelOwn, part, blank sheet.Recipe) {
	o, had := own[id]
	if !had {
		return
	}
	was, is := part.Facet.Corners[id], blank.Facet.Corners[id]
	o = o.OnEdges(func(e sheet.Edge) sheet.Edge {
		to, _ := sheet.Renumbered(was, is, e)
		return to
	})
	*corner, *meets, *holes, *marks = o.Corner, o.Meets, o.Holes, o.Marks
	*edges = append(slices.Clone(*edges), o.Edges...) // the body's own tabs and notches before the part's
	*flanges = append(*flanges, o.Flanges...)
}

// ownOf answers what is on each of a part's panels besides the form its body gives it.
func ownOf(r sheet.Recipe) map[string]sheet.PanelOwn {
	out := map[string]sheet.PanelOwn{}
	mine := func(list []sheet.Flange) (own []sheet.Flange) {
		for _, f := range list {
			if _, of := r.Facet.Corners[f.ID]; !of {
				own = append(own, f)
			}
		}
		return own
	}
	out[r.Base.ID] = sheet.PanelOwn{Corner: r.Base.Corner, Meets: r.Base.Meets, Holes: r.Base.Holes, Edges: sheet.PartsOwn(r.Base.Edges),
		Marks:   r.Base.Marks,
		Flanges: mine(r.Base.Flanges)}
	var walk func(list []sheet.Flange)
	walk = func(list []sheet.Flange) {
		for _, f := range list {
			if _, of := r.Facet.Corners[f.ID]; of {
				out[f.ID] = sheet.PanelOwn{Corner: f.Corner, Meets: f.Meets, Holes: f.Holes, Edges: sheet.PartsOwn(f.Edges), Marks: f.Marks,
					Flanges: mine(f.Flanges)}
				walk(f.Flanges)
			}
		}
	}
	walk(r.Base.Flanges)
	return out
}

// Kept refuses a part whose form is not as its body makes it: that is changed in the body.
func Kept(blank, part sheet.Recipe, name string) error {
	if part.Facet != nil { // what the body says of it is said anew, and no matter of its form
		of := *part.Facet
		of.Seams, of.Numbers, of.Glued, of.Blends = blank.Facet.Seams, blank.Facet.Numbers, blank.Facet.Glued, blank.Facet.Blends
		part.Facet = &of
	}
	want, _ := Follow(blank, part)
	if same, err := sheet.Alike(want, part); err != nil || same {
		return err
	}
	return working.Refuse("/recipe",
		"Form and sheet of this part are those of %s: change them there. Holes, notches, marks and flanges "+
			"of its own are put on here.", name)
}
