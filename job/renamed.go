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

// renamed answers the brief with the parts and frames it names called by their new ids.
func (b Brief) renamed(ids map[string]string) Brief {
	name := func(id *string) {
		if is, known := ids[*id]; known {
			*id = is
		}
	}
	b.Joints = renamedJoints(b.Joints, ids)
	b.Mounts, b.Open, b.Duties = slices.Clone(b.Mounts), slices.Clone(b.Open), slices.Clone(b.Duties)
	for i := range b.Mounts {
		name(&b.Mounts[i].Part)
	}
	for i := range b.Open {
		name(&b.Open[i].Of)
	}
	for i := range b.Duties {
		name(&b.Duties[i].On.Of)
	}
	return b
}
