package site

import (
	"fmt"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// lay places a thing by typed numbers: from the point they count from to what of it they run
// to, which is known once it is turned.
func (s *stander) lay(p *vehicle.Placed, d *stand) {
	base, ok := s.base(p, d)
	if !ok {
		return
	}
	lo, hi := d.thing.Body.At(solid.Turned([3]float64{}, p.Yaw, p.Pitch, p.Roll)).Bounds()
	for k, end := range p.To.List() {
		d.Pose.Origin[k] = base[k] + p.At[k] - end.Between(0, lo[k], hi[k])
	}
}

// base answers where the numbers of a placed thing count from.
func (s *stander) base(p *vehicle.Placed, d *stand) (solid.Vector, bool) {
	if p.From == "" {
		return solid.Vector{}, true
	}
	at := s.from.At(p.From)
	if at == nil || at.At == nil {
		d.Why = "The point it is measured from has no place yet."
		if at != nil && at.Why != "" {
			d.Why += " " + at.Why
		}
		return solid.Vector{}, false
	}
	d.Sigma = math.Max(d.Sigma, at.Sigma)
	d.Sources = append(d.Sources, at.Sources...)
	return *at.At, true
}

// pastWords are the vehicle's, as one says which end of a thing is meant.
var pastWords = [3][2]string{{"to the rear", "ahead"}, {"to the right", "to the left"}, {"below", "above"}}

// reaches says where a thing's ends lie, and how far it goes past what holds it.
func (s *stander) reaches(p *vehicle.Placed, d *stand) {
	base, ok := s.base(p, &stand{})
	if !ok {
		base = solid.Vector{}
	}
	lo, hi := d.thing.Body.Bounds()
	for k := range 3 {
		o := d.Pose.Origin[k]
		d.told.Lies = append(d.told.Lies, Lies{o - base[k], lo[k] - base[k], (lo[k]+hi[k])/2 - base[k], hi[k] - base[k]})
	}
	if len(p.Mates) < 2 {
		return
	}
	least, most := solid.Vector{math.Inf(1), math.Inf(1), math.Inf(1)}, solid.Vector{math.Inf(-1), math.Inf(-1), math.Inf(-1)}
	for _, m := range p.Mates {
		at := s.from.At(m.Point)
		if at == nil || at.At == nil {
			return
		}
		for k := range 3 {
			least[k], most[k] = math.Min(least[k], at.At[k]), math.Max(most[k], at.At[k])
		}
	}
	say := s.from.Pen.MM
	for k := range 2 {
		behind, ahead := least[k]-lo[k], hi[k]-most[k]
		d.told.Past = append(d.told.Past, fmt.Sprintf("%s %s and %s %s", say(math.Max(ahead, 0)), pastWords[k][1], say(math.Max(behind, 0)),
			pastWords[k][0]))
		apart := most[k] - least[k]
		// By a lever: past the holds by more than half their distance, its end goes farther than
		// what holds it is apart once both ends are counted.
		if far := math.Max(behind, ahead); apart > 0 && far > apart/2 && far > 100 {
			end := pastWords[k][1]
			if behind > ahead {
				end = pastWords[k][0]
			}
			d.told.Findings = append(d.told.Findings, working.Finding{Code: "overhang", Severity: working.Mind, Cause: "Mating",
				Name: d.told.Name,
				Reason: fmt.Sprintf("It reaches %s %s past what holds it, which is %s apart: what lies out there pulls on the other "+
					"end's bolts, and "+
					"its end moves most. Hold it farther out, or ask it on the Hold bench with its load there.", say(far), end,
					say(apart))})
		}
	}
}
