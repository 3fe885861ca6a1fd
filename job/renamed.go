package job

import (
	"slices"

	"warmanvil/core/sheet"
)

// renamed answers the recipe with the parts it names, its master and what it was
// split from, called by their new ids.
func renamed(r sheet.Recipe, ids map[string]string) sheet.Recipe {
	if r.Master != nil {
		if id, known := ids[r.Master.Part]; known {
			r.Master = &sheet.Master{Part: id, Name: r.Master.Name}
		}
	}
	if r.Piece != nil {
		if id, known := ids[r.Piece.Of]; known {
			r.Piece = &sheet.Piece{Of: id, Name: r.Piece.Name}
		}
	}
	return r
}

// renamedOpen answers open items with the parts they concern called by their new ids.
func renamedOpen(list []OpenItem, ids map[string]string) []OpenItem {
	out := slices.Clone(list)
	for i := range out {
		if id, known := ids[out[i].Of]; known {
			out[i].Of = id
		}
	}
	return out
}

// renamedDuties answers duties on parts called by their new ids.
func renamedDuties(list []Duty, ids map[string]string) []Duty {
	out := slices.Clone(list)
	for i := range out {
		if id, known := ids[out[i].On.Of]; known {
			out[i].On.Of = id
		}
	}
	return out
}
