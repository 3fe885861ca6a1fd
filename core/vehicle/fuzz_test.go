package vehicle

import (
	"fmt"
	"math"
	"testing"

	"warmanvil/core/survey"
)

// Whatever list of points is brought in, each line is read or refused by its number, and
// what was read holds numbers and ids of its own.
func FuzzPointsIn(f *testing.F) {
	f.Add("name,x,y,z\nA,1,2,3\nB,4.5,-6,7\n")
	f.Add("P1;1,5;2,5;3,5\n\"a; b\";1;2;3")
	f.Add("1 2 3\n4\t5\t6\r\n# nothing\n,,,\nNaN,1e400,-0,inf")
	f.Fuzz(func(t *testing.T, raw string) {
		n := 0
		points, refused := PointsIn(raw, func() string { n++; return fmt.Sprint("p", n) })
		seen := map[string]bool{}
		for _, p := range points {
			if seen[p.ID] || p.ID == "" {
				t.Fatalf("the id %q twice", p.ID)
			}
			seen[p.ID] = true
			for _, r := range []survey.Reading{p.X, p.Y, p.Z} {
				for _, v := range r.Values {
					if math.IsNaN(v) || math.IsInf(v, 0) {
						t.Fatalf("a place that is none: %v", r)
					}
				}
			}
		}
		for _, r := range refused {
			if r.Line < 1 || r.Why == "" {
				t.Fatalf("refused in silence: %+v", r)
			}
		}
	})
}
