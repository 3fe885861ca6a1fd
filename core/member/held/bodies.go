package held

// bodies numbers the nodes of a model by the bodies its members make: a frame may be of
// several that do not touch, a pair of outriggers of two.
func (m *model) bodies() map[string]int {
	beside := map[string][]string{}
	for _, x := range m.in.Members {
		beside[x.From], beside[x.To] = append(beside[x.From], x.To), append(beside[x.To], x.From)
	}
	out := map[string]int{}
	n := 0
	for _, x := range m.in.Members {
		if _, seen := out[x.From]; seen {
			continue
		}
		for next := []string{x.From}; len(next) > 0; {
			at := next[len(next)-1]
			next = next[:len(next)-1]
			if _, seen := out[at]; !seen {
				out[at] = n
				next = append(next, beside[at]...)
			}
		}
		n++
	}
	return out
}
