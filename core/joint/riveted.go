package joint

import (
	"fmt"
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// RivetPick is a blind rivet.
type RivetPick struct {
	Diameter float64 `json:"diameter" doc:"mm: 3.2, 4, 4.8 or 6.4"`
	Material string  `json:"material" enum:"aluminium,steel,stainless"`
}

// riveted is a blind rivet.
type riveted struct{ bolted }

func (riveted) form() strength.Form           { return strength.RivetForm }
func (riveted) ply(*joint, int) strength.Form { return strength.RivetedPly }
func (riveted) set() Set                      { return Drawn }
func (riveted) threaded() bool                { return false }
func (riveted) clamps() bool                  { return false }
func (riveted) seats() bool                   { return false }
func (riveted) tighten(*joint)                {}

func (riveted) making(j *joint) bool {
	j.out.Making = append(j.out.Making, fmt.Sprintf("Clamp the plies, drill one hole of %s through all of them, pin it with a rivet clamp, "+
		"drill the rest through, take them apart and take the burr off.", j.drill(j.rivet.Hole)))
	return true
}

// next answers the next larger rivet of the same metal.
func (riveted) next(in Input, heldHoles bool) (out []tried) {
	for _, r := range stock.Rivets {
		if p := in.Rivet; !heldHoles && p != nil && r.Material == p.Material && r.Diameter > p.Diameter {
			to := in.with(func(q *Ply) {
				if q.Hole > 0 {
					q.Hole = r.Hole
				}
			})
			to.Rivet = &RivetPick{r.Diameter, r.Material}
			out = append(out, tried{fmt.Sprintf("Rivets of %s", in.Display.Text(r.Diameter)), to})
		}
	}
	return out
}

// read puts a rivet in the place of the thread: as thick, a head of twice its
// diameter (ISO 15977), its hole.
func (riveted) read(j *joint) error {
	p := j.in.Rivet
	if p == nil {
		return working.Refuse("/rivet", "Say which rivet: its diameter and what it is of.")
	}
	for _, r := range stock.Rivets {
		if r.Material == p.Material && math.Abs(r.Diameter-p.Diameter) < 1e-6 {
			j.rivet = r
			j.thread = stock.Thread{System: j.in.System, Size: fmt.Sprintf("%g", r.Diameter), Diameter: r.Diameter, AcrossHex: 2 * r.Diameter}
			j.thread.Clearance.Normal = r.Hole
			return nil
		}
	}
	return working.Refuse("/rivet/diameter",
		"There is no rivet of %g mm of %s in the table: 3.2, 4, 4.8 or 6.4 of aluminium or steel, up to 4.8 of stainless.", p.Diameter,
		p.Material)
}

// rivetPlay is how much wider a hole may be than the rivet asks for before its
// body no longer fills it, mm (practice).
const rivetPlay = .3

// stack works a rivet's grip out: its length, and what speaks against it.
func (riveted) stack(j *joint) {
	in := bolt.RivetInput{Display: j.in.Display, Diameter: j.rivet.Diameter, Material: j.rivet.Material}
	for _, p := range j.plies {
		in.Plies = append(in.Plies, bolt.Ply{Name: p.Name, Thickness: p.Thickness + p.Coat, Squash: p.Squash})
	}
	r, err := bolt.Rivet(in)
	if err != nil {
		j.say("stack", working.Mind, "Stack", "The rivet's length cannot be worked out: "+j.refused(err))
		return
	}
	j.out.Findings = append(j.out.Findings, r.Findings...)
	for _, p := range j.plies {
		if most := j.rivet.Hole + rivetPlay; p.Hole > most {
			j.say("rivet-hole", working.Stop, "Plies",
				fmt.Sprintf("The hole of %s in %s is too wide for a rivet of %s, which fills %s: it never grips.", j.mm(p.Hole), p.Name,
					j.mm(j.rivet.Diameter), j.mm(j.rivet.Hole)))
			break
		}
	}
	length := "no length reaches through them"
	if r.Length != nil {
		length = fmt.Sprintf("%s long, grips %s to %s", j.mm(*r.Length), j.mm(r.From), j.mm(r.To))
	}
	j.take(len(j.in.Holes), "blind rivet %s of %s, %s", j.mm(j.rivet.Diameter), j.rivet.Material, length)
	j.out.Keep = append(j.out.Keep, "Set rivets from the middle outwards.",
		fmt.Sprintf("Look for turning rivets and dark rings of dust after %s: they are loose then.", j.km(500)))
}

// modes of the rivets themselves, by typical strengths.
func (riveted) modes(j *joint, _ []spread) []mode {
	rule := j.in.Strength
	said := []string{rule.Says(strength.PullThrough), stock.RivetSource}
	shear, pull := rule.Capacity(j.rivet.Shear, strength.PullThrough), rule.Capacity(j.rivet.Tension, strength.PullThrough)
	return []mode{
		{Key: "shear", Name: "Rivet in shear", Unit: "N", Idle: "There is no shear.",
			Eval: func(s *spread) strength.Hit {
				return strength.HardestOf(len(s.vectors), func(i int) (float64, float64) { return s.sheared[i], shear })
			},
			Explain: j.simply("Rivet in shear, elastic vector method", "typical values", "V = |F/n + M·r/Σr²| against Fv/Ω", "N", said,
				newtons("Fv", "typical in shear", j.rivet.Shear))},
		{Key: "tension", Name: "Rivet in tension", Unit: "N", Idle: "There is no pull.", Unsure: func(s *spread) string { return s.silent },
			Eval: func(s *spread) strength.Hit {
				return strength.HardestOf(len(s.pull), func(i int) (float64, float64) { return s.drawn(i), pull })
			},
			Explain: j.simply("Rivet in tension", "typical values", "T = N/n + share of the moments against Ft/Ω", "N", said,
				newtons("Ft", "typical in tension", j.rivet.Tension))},
		{Key: "combined", Name: "Rivet in shear and tension", Unsure: func(s *spread) string { return s.silent },
			Eval: func(s *spread) strength.Hit {
				return strength.HardestOf(len(s.pull), func(i int) (float64, float64) {
					return math.Hypot(s.sheared[i]/shear, s.drawn(i)/pull), 1
				})
			},
			Explain: func(s *spread, h strength.Hit) working.Working {
				return working.Working{Method: "Shear with tension", Source: "ellipse", Formula: "u = √((V/Va)² + (T/Ta)²)",
					Inputs: []working.Quantity{newtons("V", "shear", s.sheared[h.At]), newtons("T", "tension", s.drawn(h.At)),
						newtons("Va", "usable shear", shear), newtons("Ta", "usable tension", pull)},
					Steps: []working.Quantity{}, Result: amount("u", fmt.Sprintf("share used of rivet %d", h.At+1), h.Demand, ""), Assumptions: said}
			}}}
}
