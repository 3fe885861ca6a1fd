package site

import (
	"math"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/profile"
)

// Runs of a seam lie on the edge it is welded along, from where it begins to where it ends, each once and numbered in
// the order of the plan; both sides of a seam lie there, and nothing lies on a part that is welded nowhere.
func TestFlatRunsLieOnTheirEdge(t *testing.T) {
	s := welds(t, func(s *Site) {
		s.Brief.Welded[0].Seams[0].Both = true
		s.Brief.Welded[0].Seams[0].Before, s.Brief.Welded[0].Seams[0].After = 5, 8
	})
	w := s.Brief.Welded[0]
	plan, err := s.WeldPlan(w.ID)
	if err != nil || plan.Order == nil {
		t.Fatal(err, plan.Why)
	}
	e, is := edgeOf(&s.Parts[0].Built, w.Seams[0])
	if !is {
		t.Fatal("the edge is not there")
	}
	long, laid, backs := e.To.Sub(e.From).Len(), 0., 0
	seen := map[int]bool{}
	way := e.To.Sub(e.From).Mul(1 / long)
	on := func(p profile.Point) float64 {
		d := p.Sub(e.From)
		if off := d.Sub(way.Mul(d.Dot(way))).Len(); off > 1e-6 {
			t.Errorf("%v lies %g mm off its edge", p, off)
		}
		return d.Dot(way)
	}
	for _, r := range s.FlatRuns(s.Parts[0].ID) {
		if seen[r.Number] || r.Number < 1 || r.Number > len(plan.Order.Best.Runs) || plan.Order.Best.Runs[r.Number-1].Name != r.Name {
			t.Errorf("%+v is numbered otherwise than in its plan", r)
		}
		seen[r.Number] = true
		if r.Back {
			backs++
		}
		if ofSeam(r.Seam, w.Seams[0].ID) {
			a, b := on(r.From), on(r.To)
			if laid += math.Abs(b - a); min(a, b) < 5-1e-6 || max(a, b) > long-8+1e-6 {
				t.Errorf("%+v runs from %g to %g of an edge of %g", r, a, b, long)
			}
		}
	}
	if math.Abs(laid-2*(long-13)) > 1e-6 || backs == 0 {
		t.Errorf("%g mm of both sides are laid of an edge of %g, %d of them behind", laid, long, backs)
	}
	if got := s.FlatRuns("nobody"); got == nil || len(got) != 0 {
		t.Errorf("%v", got)
	}
	s.Brief.Welded = []brief.Welded{}
	if got := s.FlatRuns(s.Parts[0].ID); len(got) != 0 {
		t.Errorf("%v", got)
	}
}

// A corner that is welded has its runs on the edge of the flange it runs along.
func TestFlatRunsOfCorners(t *testing.T) {
	s := cornered(t, 3)
	p := &s.Parts[0]
	runs := s.FlatRuns(p.ID)
	if len(runs) < len(p.Recipe.WeldedMeets()) || len(runs) == 0 {
		t.Fatalf("%d runs of %d corners", len(runs), len(p.Recipe.WeldedMeets()))
	}
	for _, r := range runs {
		near := math.Inf(1)
		for _, q := range p.Built.Panels {
			for _, e := range q.Edges {
				near = min(near, profile.Distance(r.From, []profile.Point{e.From, e.To}))
			}
		}
		if near > 1e-6 || r.Of != p.ID {
			t.Errorf("%+v lies %g off every edge", r, near)
		}
	}
}
