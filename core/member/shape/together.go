package shape

import "warmanvil/core/solid"

// Together answers which body each member is of, by its index, and the bodies: members that meet at a point, or stand
// on each other, are of one. A member that cannot be shown is of none, −1.
func (b *Built) Together() (of []int, bodies []solid.Body) {
	up := make([]int, len(b.Runs))
	for i := range up {
		up[i] = i
	}
	var root func(i int) int
	root = func(i int) int {
		if up[i] != i {
			up[i] = root(up[i])
		}
		return up[i]
	}
	met := map[string]int{}
	byID := map[string]int{}
	for i, r := range b.Runs {
		byID[r.ID] = i
		if b.Pieces[i].Why != "" {
			continue
		}
		for _, p := range []string{r.From, r.To} {
			if o, known := met[p]; known {
				up[root(i)] = root(o)
			}
			met[p] = i
		}
	}
	for i, r := range b.Runs {
		for _, onto := range []string{r.A.Onto, r.B.Onto} {
			if o, known := byID[onto]; known && b.Pieces[i].Why == "" && b.Pieces[o].Why == "" {
				up[root(i)] = root(o)
			}
		}
	}
	of = make([]int, len(b.Runs))
	at := map[int]int{}
	for i := range b.Runs {
		if of[i] = -1; b.Pieces[i].Why != "" {
			continue
		}
		k, known := at[root(i)]
		if !known {
			k = len(bodies)
			at[root(i)], bodies = k, append(bodies, solid.Body{})
		}
		of[i], bodies[k] = k, bodies[k].With(b.Pieces[i].Mesh.Body())
	}
	for _, p := range b.Plates {
		if i, known := byID[p.Member]; known && of[i] >= 0 {
			bodies[of[i]] = bodies[of[i]].With(p.Mesh.Body())
		}
	}
	return of, bodies
}
