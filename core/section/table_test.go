package section

import "testing"

// Every section of the table works out, goes by one name, and weighs what its
// standard says; rolled ones a little less, for their fillets are left out.
func TestTable(t *testing.T) {
	said := map[string]float64{ // kg/m of the standards
		"50 × 50 × 3 mm tube": 4.25, "60 × 40 × 3 mm tube": 4.25, "100 × 50 × 4 mm tube": 8.59, "40 × 40 × 2 mm tube": 2.31,
		"100 × 100 × 8 mm tube": 21.4, "Ø 48.3 × 3.2 mm tube": 3.56, "Ø 60.3 × 3.6 mm tube": 5.03,
		"pipe 2 schedule 40": 5.44, "pipe 1 schedule 80": 3.24, "L 50 × 50 × 5 mm": 3.77, "L 100 × 65 × 8 mm": 9.94, "UPE 100": 9.82,
		"UPE 160": 17, "C4 × 5.4": 8.04, "C6 × 8.2": 12.2, "flat 50 × 5 mm": 1.96, "round 20 mm": 2.47, "round 1/2 in": .99,
	}
	seen := map[string]bool{}
	for _, s := range Table() {
		p, err := Work(s.Sizes)
		if err != nil {
			t.Errorf("%s: %v", s.Name, err)
			continue
		}
		if seen[s.Name] || s.Source == "" {
			t.Errorf("%s stands twice, or without a source", s.Name)
		}
		seen[s.Name] = true
		if want, known := said[s.Name]; known {
			least := .985
			if s.Sizes.Kind == "channel" || s.Sizes.Kind == "angle" {
				least = .94
			}
			if p.MassPerMetre < least*want || p.MassPerMetre > 1.015*want {
				t.Errorf("%s: %.3f kg/m, the standard says %.2f", s.Name, p.MassPerMetre, want)
			}
			delete(said, s.Name)
		}
	}
	for name := range said {
		t.Errorf("%s is not in the table", name)
	}
	if len(seen) < 200 {
		t.Errorf("only %d sections", len(seen))
	}
}
