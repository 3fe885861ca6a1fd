package facet

import "testing"

// What a seam is ground round to stands at it on both its sides, and nowhere else.
func TestBlendsStandAtTheirSeams(t *testing.T) {
	s := tabbed()
	s.Seams[0].Blend = 3
	b, err := Build(s)
	if err != nil {
		t.Fatal(err)
	}
	times := 0
	for i := range b.Blanks {
		numbers, _ := b.Numbers(i)
		for id, list := range b.Blends(i) {
			for k, r := range list {
				if r == 0 {
					continue
				}
				if e := b.Edges[numbers[id][k]-1]; r != 3 || lineOf(e.A, e.B) != lineOf("b", "f") {
					t.Errorf("%s, side %d: %g", id, k+1, r)
				}
				times++
			}
		}
	}
	if times != 2 {
		t.Errorf("said %d times", times)
	}
	s.Seams[0].Blend = 0
	if b, err = Build(s); err != nil || b.Blends(0) != nil {
		t.Errorf("%v %v", err, b.Blends(0))
	}
}
