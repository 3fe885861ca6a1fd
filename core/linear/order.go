package linear

import "slices"

// order answers the blocks in the order they are eliminated in, by approximate
// minimum degree (Amestoy, Davis and Duff 1996): of those left, one that fewest
// unknowns hang on goes next. near has for each block those it shares a coefficient
// with, weight how many unknowns it has.
func order(near [][]int, weight []int) []int {
	q := newQuotient(near, weight)
	for len(q.out) < len(near) {
		p := q.least()
		q.eliminate(p)
	}
	return q.out
}

// quotient is the graph of what is left while blocks are eliminated: variables that
// are left, and elements, each the clique that an eliminated one left behind.
type quotient struct {
	vars    [][]int // of a variable: variables it still shares a coefficient with
	elems   [][]int // of a variable: elements it is in
	members [][]int // of an element: its variables
	weight  []int   // unknowns of a variable, with those merged into it; 0 once it is gone
	merged  [][]int // variables merged into one, which go with it
	degree  []int
	heads   [][]int // variables by degree, those whose degree changed since are stale
	lowest  int
	mark    []int // by variable
	round   int
	outside []int // by element: weight outside the clique in hand
	seen    []int
	left    int // weight not yet eliminated
	out     []int
}

func newQuotient(near [][]int, weight []int) *quotient {
	n := len(near)
	q := &quotient{vars: make([][]int, n), elems: make([][]int, n), members: make([][]int, n), weight: slices.Clone(weight),
		merged: make([][]int, n), degree: make([]int, n), mark: make([]int, n), outside: make([]int, n), seen: make([]int, n)}
	for _, w := range weight {
		q.left += w
	}
	q.heads = make([][]int, q.left+1)
	for i := range n {
		q.vars[i] = slices.Clone(near[i])
		for _, j := range near[i] {
			q.degree[i] += weight[j]
		}
		q.heads[q.degree[i]] = append(q.heads[q.degree[i]], i)
	}
	return q
}

// least takes a variable of the least degree.
func (q *quotient) least() int {
	for {
		list := q.heads[q.lowest]
		if len(list) == 0 {
			q.lowest++
			continue
		}
		p := list[len(list)-1]
		q.heads[q.lowest] = list[:len(list)-1]
		if q.alive(p) && q.degree[p] == q.lowest {
			return p
		}
	}
}

func (q *quotient) alive(i int) bool { return q.weight[i] > 0 && q.members[i] == nil }

// eliminate makes p an element, with all that can go with it.
func (q *quotient) eliminate(p int) {
	clique := q.clique(p)
	q.members[p] = clique
	if clique == nil {
		q.members[p] = []int{}
	}
	q.emit(p)
	size := 0
	for _, i := range clique {
		size += q.weight[i]
	}
	q.measure(clique)
	for _, i := range clique {
		q.update(i, p, size)
	}
	q.merge(clique)
	kept := clique[:0]
	for _, i := range clique {
		if !q.alive(i) {
			continue
		}
		kept = append(kept, i)
		q.heads[q.degree[i]] = append(q.heads[q.degree[i]], i)
		q.lowest = min(q.lowest, q.degree[i])
	}
	q.members[p] = kept
}

func (q *quotient) emit(p int) {
	q.left -= q.weight[p]
	q.weight[p] = 0
	q.out = append(append(q.out, p), q.merged[p]...)
}

// clique lists the variables that p's elimination joins; its elements are absorbed.
func (q *quotient) clique(p int) (out []int) {
	q.round++
	q.mark[p] = q.round
	take := func(list []int) {
		for _, i := range list {
			if q.alive(i) && q.mark[i] != q.round {
				q.mark[i] = q.round
				out = append(out, i)
			}
		}
	}
	take(q.vars[p])
	for _, e := range q.elems[p] {
		take(q.members[e])
		q.members[e] = []int{} // absorbed
		q.outside[e] = -1
	}
	return out
}

// measure finds for every element beside the clique how much of it lies outside.
func (q *quotient) measure(clique []int) {
	for _, i := range clique {
		for _, e := range q.elems[i] {
			if q.outside[e] < 0 {
				continue
			}
			if q.seen[e] != q.round {
				q.seen[e] = q.round
				q.outside[e] = 0
				for _, k := range q.members[e] {
					if q.alive(k) {
						q.outside[e] += q.weight[k]
					}
				}
			}
			q.outside[e] -= q.weight[i]
		}
	}
}

// update gives a variable of the clique its element and its degree. An element
// that lies within the clique is absorbed.
func (q *quotient) update(i, p, size int) {
	degree := size - q.weight[i]
	elems := q.elems[i][:0]
	for _, e := range q.elems[i] {
		if q.outside[e] > 0 {
			elems = append(elems, e)
			degree += q.outside[e]
		} else if q.outside[e] == 0 {
			q.members[e] = []int{}
		}
	}
	q.elems[i] = append(elems, p)
	vars := q.vars[i][:0]
	for _, k := range q.vars[i] {
		if q.alive(k) && q.mark[k] != q.round {
			vars = append(vars, k)
			degree += q.weight[k]
		}
	}
	q.vars[i] = vars
	q.degree[i] = min(degree, q.left-q.weight[i], q.degree[i]+size-q.weight[i])
}

// merge puts variables of the clique together that hang on the same.
func (q *quotient) merge(clique []int) {
	type key struct{ vars, elems, sum int }
	groups := map[key][]int{}
	for _, i := range clique {
		k := key{len(q.vars[i]), len(q.elems[i]), 0}
		for _, j := range q.vars[i] {
			k.sum += j
		}
		for _, e := range q.elems[i] {
			k.sum += e
		}
		alike := false
		for _, j := range groups[k] {
			if same(q.vars[i], q.vars[j]) && same(q.elems[i], q.elems[j]) {
				q.degree[j] = max(q.degree[j]-q.weight[i], 0)
				q.weight[j] += q.weight[i]
				q.weight[i] = 0
				q.merged[j] = append(append(q.merged[j], i), q.merged[i]...)
				alike = true
				break
			}
		}
		if !alike {
			groups[k] = append(groups[k], i)
		}
	}
}

// same tells whether two short lists hold the same.
func same(a, b []int) bool {
	for _, x := range a {
		if !slices.Contains(b, x) {
			return false
		}
	}
	return len(a) == len(b)
}
