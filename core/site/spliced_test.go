package site

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/member"
	"warmanvil/core/member/shape"
)

// A spliced rail has its splice among the seams of the frame: in the plan, in its order, and in what it takes. By hand: a
// sleeve is welded once round 40 × 60 with corners of 6; plates on the sides of 60 with a wall of 3, 240 long, are welded
// along 2 · (240 + 42) each.
func TestASpliceIsWelded(t *testing.T) {
	laid := func(s Site) (mm float64, order int) {
		p, err := s.WeldPlan("f")
		if err != nil || p.Order == nil {
			t.Fatal(err, p.Why)
		}
		for _, q := range p.Seams {
			if strings.Contains(q.Name, "splice") {
				mm += q.Long
				for _, r := range p.Order.Best.Runs {
					if r.Seam == q.ID {
						order++
					}
				}
			}
		}
		return mm, order
	}
	long := func(s Site) (m float64) {
		g := gathering{kilos: map[string]float64{}}
		s.frameWork(&g, s.Frames[0], shape.Build(s.Frames[0].Doc, nil))
		for _, w := range g.welds {
			m += w.Long
		}
		return m
	}
	whole := square(t, brief.UnitMM)
	if mm, _ := laid(whole); mm != 0 {
		t.Errorf("%g mm of a splice in a frame without one", mm)
	}
	for kind, want := range map[string]float64{"sleeve": 2*(40+60) - 8*6 + 2*math.Pi*6, "plates": 2 * 2 * (240 + 42)} {
		s := square(t, brief.UnitMM)
		s.Frames[0].Doc.Members[0].Splice = &member.Splice{At: 500, Kind: kind}
		for unit, says := range map[brief.Unit][]string{brief.UnitMM: {"240 mm long", "42 mm wide and 3 mm"}, brief.UnitFraction: {"1.65"}} {
			s.Brief.Unit = unit
			told := s.Framed(s.Frames[0]).Told().Pieces[0].Splice
			for _, w := range says {
				if kind == "plates" && !strings.Contains(told, w) || unit != brief.UnitMM && strings.Contains(told, " mm") {
					t.Errorf("what is made is told as %q, want %q", told, w)
				}
			}
		}
		s.Brief.Unit = brief.UnitMM
		mm, order := laid(s)
		if math.Abs(mm-want) > .02*want || order == 0 {
			t.Errorf("%s: %g mm in %d runs, by hand %g", kind, mm, order, want)
		}
		if more := 1000 * (long(s) - long(whole)); math.Abs(more-mm) > 1e-6 {
			t.Errorf("%s: %g mm are paid for, %g laid", kind, more, mm)
		}
	}
}
