package job

import (
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
