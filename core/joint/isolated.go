package joint

import (
	"fmt"
	"math"

	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Isolator is rubber among the plies, one on each bolt, as its maker rates it.
type Isolator struct {
	Shear float64 `json:"shear,omitempty" doc:"N one takes sideways, by its maker's sheet; not known when left out"`
	Pull  float64 `json:"pull,omitempty" doc:"N one takes in pull, by its maker's sheet; not known when left out"`
}

// isolated lists what rubber among the plies asks: the bolt is bent over its height,
// and the rubber itself is sheared and pulled.
func (j *joint) isolated(k int) []mode {
	p := j.plies[k]
	bend := j.bentOver(k)
	bend.Key, bend.Where, bend.Name = fmt.Sprintf("rubber-bend-%d", k), p.Name, "Bolt bent over the rubber"
	rated := func(key, name, idle, missing string, limit float64, of func(s *spread, i int) float64) mode {
		m := mode{Key: fmt.Sprintf("%s-%d", key, k), Name: name, Where: p.Name, Unit: "N", Idle: idle}
		if limit <= 0 {
			m.Unsure = func(s *spread) string {
				for i := range s.pull {
					if s.through(k) && of(s, i) > 1 {
						return missing
					}
				}
				return ""
			}
			m.Eval = func(*spread) strength.Hit { return strength.Hit{} }
			return m
		}
		m.Eval = func(s *spread) strength.Hit {
			if !s.through(k) {
				return strength.Hit{}
			}
			return strength.HardestOf(len(s.pull), func(i int) (float64, float64) { return of(s, i), limit })
		}
		m.Explain = j.simply(name, "the isolator's maker", "F against what its sheet allows", "N",
			[]string{"as its sheet rates it: no factor is put on it here"}, newtons("F", "allowed", limit))
		return m
	}
	return []mode{bend,
		rated("rubber-shear", "Isolator in shear", "There is no shear.",
			"what one isolator takes sideways is not given: take it from its maker's sheet.", p.Isolator.Shear,
			func(s *spread, i int) float64 { return s.sheared[i] }),
		rated("rubber-pull", "Isolator pulled", "There is no pull.",
			"what one isolator takes in pull is not given: take it from its maker's sheet, or hold it by a bolt with a washer on its far side.",
			p.Isolator.Pull, (*spread).drawn)}
}

// filler is how thick a ply between may be before the bolt's bending over it counts,
// mm (AISC 360 J5.2b: a quarter inch).
const filler = 6.

// softened asks a ply that is no metal and no isolator: it carries nothing itself;
// a thick one lets the bolt bend.
func (j *joint) softened(k int) mode {
	p := j.plies[k]
	m := j.bentOver(k)
	m.Key, m.Name, m.Where = fmt.Sprintf("ply-%d", k), "Hole of "+p.Name, p.Name
	switch {
	case p.Squash == 0:
		m = mode{Key: m.Key, Name: m.Name, Where: p.Name,
			Missing: "No strength is known of what it is made of: choose its material, or say how far it is pressed together if it " +
				"only lies between."}
	case p.Thickness-p.Squash <= filler:
		m = mode{Key: m.Key, Name: m.Name, Where: p.Name,
			Needless: fmt.Sprintf("It only lies between, no thicker than %s: its neighbours carry.", j.mm(filler))}
	default:
		m.Name = "Bolt bent over " + p.Name
	}
	return m
}

// bentOver is the bolt bent across a soft ply of some height: sheared at one end and
// held at the other, both guided, so M = V·h/2, with its pull.
func (j *joint) bentOver(k int) mode {
	p, rule := j.plies[k], j.in.Strength
	if p.Sleeved {
		return mode{Needless: "A spacer tube through it presses metal on metal: the bolt is not bent over it."}
	}
	h := p.Thickness - p.Squash
	a := j.thread.StressArea()
	d := math.Sqrt(4 * a / math.Pi)
	z := math.Min(d*d*d/6, 1.6*math.Pi*d*d*d/32)
	m := mode{Unit: "MPa", Idle: "There is no shear over it."}
	capacity := rule.Capacity(j.grade.Proof, strength.Yield)
	at := func(s *spread, i int) float64 { return s.sheared[i]*h/2/z + s.drawn(i)/a }
	m.Eval = func(s *spread) strength.Hit {
		if !s.through(k) {
			return strength.Hit{}
		}
		return strength.HardestOf(len(s.pull), func(i int) (float64, float64) {
			if s.sheared[i] <= 1e-9 {
				return 0, capacity
			}
			return at(s, i), capacity
		})
	}
	m.Explain = func(s *spread, hit strength.Hit) working.Working {
		return working.Working{Method: "Bolt bent over " + p.Name,
			Source: "beam with both ends guided; AISC 360 F11 on the core of the thread, proof stress for yield", Formula: "σ = V·h/2/Z + T/As",
			Inputs: []working.Quantity{newtons("V", "shear on it", s.sheared[hit.At]), newtons("T", "pull on it", s.drawn(hit.At)),
				working.MM("h", "height, pressed together", h), working.MM("d", "core of the thread", d), mpa("Fp", "proof stress", j.grade.Proof)},
			Steps: []working.Quantity{mpa("cap", "may be used", capacity)}, Result: mpa("σ", "stress in the bolt", hit.Demand),
			Assumptions: []string{rule.Says(strength.Yield), "the preload is left out: rubber does not keep it"}}
	}
	return m
}
