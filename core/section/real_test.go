package section

import (
	"math"
	"testing"
)

// What a bought tube really is, by its standard; every tube of the table has an inside, and
// nothing else has.
func TestReal(t *testing.T) {
	by := map[string]Stock{}
	for _, s := range Table() {
		by[s.Name] = s
		r, tube := s.Real()
		if tube != (s.Sizes.Wall > 0 && (s.Sizes.Kind == "rectTube" || s.Sizes.Kind == "roundTube")) {
			t.Errorf("%s: %v", s.Name, tube)
		}
		if tube && (r.Off <= 0 || r.Inside <= r.Off || r.Width <= 0 || r.Corner < 0 || r.Corner >= math.Max(r.Width, r.Height)/2) {
			t.Errorf("%s: %+v", s.Name, r)
		}
	}
	for name, want := range map[string]Real{
		"40 × 40 × 3 mm tube":    {Off: .5, Width: 34, Height: 34, Corner: 3, Inside: 1.1, Outside: 6},
		"100 × 100 × 5 mm tube":  {Off: .8, Width: 90, Height: 90, Corner: 5, Inside: 1.8, Outside: 10},
		"2 × 2 × 11 ga in tube":  {Off: .508, Width: 50.8 - 6.096, Height: 50.8 - 6.096, Corner: 3.048, Inside: .508 + .6096, Outside: 6.096},
		"pipe 1-1/2 schedule 40": {Off: 25.4 / 64, Width: 48.26 - 7.366, Inside: 25.4/64 + .7366},
		"Ø 60.3 × 2.9 mm tube":   {Off: .603, Width: 54.5, Inside: .603 + .58},
		"4 × 4 × 1/4 in tube":    {Off: .762, Width: 101.6 - 12.7, Height: 101.6 - 12.7, Corner: 6.35, Inside: .762 + 1.27, Outside: 12.7},
	} {
		s, known := by[name]
		r, _ := s.Real()
		if !known || math.Abs(r.Off-want.Off)+math.Abs(r.Width-want.Width)+math.Abs(r.Height-want.Height)+math.Abs(r.Corner-want.Corner)+
			math.Abs(r.Inside-want.Inside)+math.Abs(r.Outside-want.Outside) > 1e-3 {
			t.Errorf("%s %v: %+v, want %+v", name, known, r, want)
		}
	}
}
