package weld

import (
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Carried is what a millimetre of a seam carries by itself, beside what the sheet it joins does.
type Carried struct {
	Along     *float64        `json:"along" doc:"N/mm, pulled lengthwise; null where nobody can say"`
	Across    *float64        `json:"across" doc:"N/mm, pulled across in the plane of what it is the edge of; null where nobody can say"`
	Sheared   float64         `json:"sheared" doc:"N/mm, that the thinner carries along in shear"`
	Pulled    float64         `json:"pulled" doc:"N/mm, that the thinner carries pulled across"`
	WhyAlong  string          `json:"whyAlong,omitempty" doc:"why nobody can say"`
	WhyAcross string          `json:"whyAcross,omitempty" doc:"why nobody can say"`
	Working   working.Working `json:"working"`
}

// Carries answers what a straight seam carries by itself, pulled along and across through its middle: nothing bends it
// there. It fails with *working.Fault.
func Carries(s Seam, filler string, rule strength.Rule) (out Carried, err error) {
	if len(s.Path) < 2 {
		return out, working.Refuse("/path", "%s has no length: give two points of it at least.", s.Called())
	}
	long := s.Len()
	a, b := s.Path[0], s.Path[len(s.Path)-1]
	along := b.Sub(a).Unit()
	across := s.Sides[0].Normal.Cross(along).Unit()
	if across.Len() == 0 { // nobody said how it faces: any way square to it
		across = along.Cross(solid.Vector{along[1] + 1, along[2] + 2, along[0] + 3}).Unit()
	}
	ask := func(name string, way solid.Vector) (*float64, string, error) {
		h, err := Hold(SeamsAsk{Seams: []Seam{s}, Filler: filler, Rule: rule,
			Cases: []SeamsCase{{Name: name, Force: way.Mul(long), At: a.Add(b).Mul(.5)}}})
		if err != nil {
			return nil, "", err
		}
		for _, c := range h.Checks {
			if c.Verdict == strength.CannotSay {
				return nil, c.Why, nil
			}
		}
		if h.Hardest == nil || *h.Hardest <= 0 {
			return nil, "nothing of it could be asked", nil
		}
		q := 1 / *h.Hardest
		return &q, "", nil
	}
	if out.Along, out.WhyAlong, err = ask("along", along); err != nil {
		return out, err
	}
	if out.Across, out.WhyAcross, err = ask("across", across); err != nil {
		return out, err
	}
	thin := s.Sides[0]
	if s.Sides[1].thick() < thin.thick() {
		thin = s.Sides[1]
	}
	m, err := stock.MaterialByKey(thin.Material)
	if err != nil {
		return out, working.Refuse("/sides", "%v", err)
	}
	out.Pulled = rule.Capacity(m.Yield, strength.Yield) * thin.thick()
	out.Sheared = rule.Capacity(.6*m.Yield, baseShear) * thin.thick()
	steps := []working.Quantity{perMM("s1", "the sheet, sheared along", out.Sheared), perMM("s2", "the sheet, pulled across", out.Pulled)}
	for _, q := range []struct {
		symbol, name string
		v            *float64
	}{{"q1", "the seam, along", out.Along}, {"q2", "the seam, across", out.Across}} {
		if q.v != nil {
			steps = append(steps, perMM(q.symbol, q.name, *q.v))
		}
	}
	out.Working = working.Working{Method: "What a seam carries by itself",
		Source:  "the checks of welded joints for 1 N on each millimetre; the sheet by AISC 360 D2 and J4.2",
		Formula: "q = 1 / share used at 1 N/mm; the sheet pulled Fy·t, sheared 0.6·Fy·t",
		Inputs: []working.Quantity{working.MM("L", "seam", long), working.MM("t", "thinner", thin.thick()), working.MM("leg", "leg", s.Leg),
			{Symbol: "Fy", Name: "yield of it", Value: m.Yield, Unit: "MPa"}},
		Steps: steps,
		Assumptions: []string{"pulled through its middle: nothing bends it, and where one side alone is welded bending opens its root",
			"what presses or shakes the body is not known here: that its seams hold is not said by it", rule.Says(baseShear)},
		Result: steps[len(steps)-1]}
	return out, nil
}
