package brief

import (
	"slices"
)

// Renamed answers the brief with the parts and frames it names called by their new ids.
func (b Brief) Renamed(ids map[string]string) Brief {
	name := func(id *string) {
		if is, known := ids[*id]; known {
			*id = is
		}
	}
	b.Joints, b.Welded = renamedJoints(b.Joints, ids), renamedWelded(b.Welded, ids)
	b.Mounts, b.Open, b.Duties = slices.Clone(b.Mounts), slices.Clone(b.Open), slices.Clone(b.Duties)
	for i := range b.Mounts {
		name(&b.Mounts[i].Part)
	}
	for i := range b.Open {
		name(&b.Open[i].Of)
	}
	b.Books = slices.Clone(b.Books)
	for i := range b.Books {
		name(&b.Books[i].Of)
	}
	b.Identity.Fitted = slices.Clone(b.Identity.Fitted)
	for i := range b.Identity.Fitted {
		name(&b.Identity.Fitted[i].Of)
	}
	for i := range b.Duties {
		name(&b.Duties[i].On.Of)
	}
	return b
}
