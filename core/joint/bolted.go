package joint

import (
	"fmt"
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// bolted is a bolt with a nut.
type bolted struct{ nut Nut }

func (bolted) form() strength.Form { return strength.BoltedForm }
func (bolted) set() Set            { return Turned }
func (bolted) threaded() bool      { return true }
func (bolted) captive() bool       { return false }
func (bolted) clamps() bool        { return true }
func (bolted) seats() bool         { return true }
func (bolted) making(*joint) bool  { return false }

func (bolted) ply(j *joint, k int) strength.Form {
	if j.outermost(k) {
		return strength.OuterPly
	}
	return strength.BoltedPly
}

// read finds thread, class and hardware.
func (bolted) read(j *joint) error {
	t, err := stock.FindThread(j.in.System, j.in.Size, j.in.Pitch)
	if err != nil {
		return working.Refuse("/size", "%v.", err)
	}
	g, err := stock.FindGrade(t, j.in.Grade)
	if err != nil {
		return working.Refuse("/grade", "%v.", err)
	}
	j.thread, j.grade = t, g
	j.hw, _ = stock.HardwareFor(t)
	return nil
}

// modes of a bolt: shear, tension, both together, slip.
func (bolted) modes(j *joint, list []spread) []mode {
	rule := j.in.Strength
	ta, va := j.bolt.Capacity(rule)
	source := j.bolt.Source(rule)
	said := []string{rule.Says(strength.Rupture)}
	shear := mode{Key: "shear", Name: "Bolt in shear", Unit: "N", Idle: "There is no shear.",
		Eval: func(s *spread) strength.Hit {
			return strength.HardestOf(len(s.vectors), func(i int) (float64, float64) { return s.sheared[i] / j.planes, va })
		},
		Explain: func(s *spread, h strength.Hit) working.Working {
			w := j.simply("Bolt in shear, elastic vector method", source, "V = |F/n + M·r/Σr²| / planes", "N", said,
				amount("planes", "shear planes", j.planes, ""))(s, h)
			if u, ok := j.instantaneous(s, va); ok {
				w.Steps = append(w.Steps, amount("u", "share used by the instantaneous centre of rotation, as a second answer", u, ""))
			}
			return w
		}}
	if j.in.Double && len(j.plies) != 3 {
		shear.Missing = fmt.Sprintf("Two shear planes need three plies with the pulling one in the middle, and there are %d: say one plane, or "+
			"put in the plies.", len(j.plies))
	}
	tension := mode{Key: "tension", Name: "Bolt in tension", Unit: "N", Idle: "There is no pull.",
		Unsure: func(s *spread) string { return s.silent },
		Eval: func(s *spread) strength.Hit {
			return strength.HardestOf(len(s.pull), func(i int) (float64, float64) { return s.tension(i), ta })
		},
		Explain: func(s *spread, h strength.Hit) working.Working {
			w := j.simply("Bolt in tension, neutral axis at the group's middle", source, "T = N/n + share of the moments + prying", "N", said)(s, h)
			if s.add[h.At] > 0 {
				w.Steps = append(w.Steps, newtons("Te", "of it by turning about the plies' edge", s.add[h.At]))
			}
			if s.pried[h.At] > 0 {
				w.Steps = append(w.Steps, newtons("q", "of it prying (AISC Manual part 9)", s.pried[h.At]))
			}
			return w
		}}
	combined := mode{Key: "combined", Name: "Bolt in shear and tension",
		Unsure: func(s *spread) string { return s.silent }, Missing: shear.Missing,
		Eval: func(s *spread) strength.Hit {
			return strength.HardestOf(len(s.pull), func(i int) (float64, float64) {
				return j.bolt.Combined(rule, s.tension(i), s.sheared[i]/j.planes), 1
			})
		},
		Explain: func(s *spread, h strength.Hit) working.Working {
			return working.Working{Method: "Shear with tension", Source: "AISC 360 J3.7; the ellipse where the school counts to yield",
				Formula: "T/Ta ≤ 1.3 − V/Va",
				Inputs: []working.Quantity{newtons("T", "tension", s.tension(h.At)), newtons("V", "shear", s.sheared[h.At]/j.planes),
					newtons("Ta", "usable tension", ta), newtons("Va", "usable shear", va)},
				Steps: []working.Quantity{}, Result: amount("u", "share used", h.Demand, ""), Assumptions: said}
		}}
	return []mode{shear, tension, combined, j.slips(list)}
}

// next answers bolts of the next class, and of the next size.
func (b bolted) next(in Input, heldHoles bool) (out []tried) {
	t, err := stock.FindThread(in.System, in.Size, in.Pitch)
	if err != nil {
		return nil
	}
	if mine, err := stock.FindGrade(t, in.Grade); err == nil {
		for _, name := range map[stock.System][]string{stock.Metric: {"8.8", "10.9"}, stock.Inch: {"SAE 5", "SAE 8"}}[in.System] {
			if g, err := stock.FindGrade(t, name); err == nil && g.Proof > mine.Proof {
				to := in
				to.Grade = name
				out = append(out, tried{"Bolts of class " + name, to})
			}
		}
	}
	if heldHoles {
		return out
	}
	for _, next := range stock.Threads {
		if next.System != in.System || !next.Coarse || next.Diameter <= t.Diameter+1e-6 || next.Diameter > 1.6*t.Diameter {
			continue
		}
		if _, err := stock.FindGrade(next, in.Grade); err != nil {
			continue
		}
		to := in.with(func(p *Ply) {
			if p.Hole > 0 {
				p.Hole = next.Clearance.Normal
			}
		})
		to.Size, to.Pitch, to.Washer = next.Size, next.Pitch, 0
		out = append(out, tried{fmt.Sprintf("%s bolts in holes of %s", next.Name(), in.Display.Text(next.Clearance.Normal)), to})
	}
	return out
}

// instantaneous answers the share used by the instantaneous centre of rotation,
// where that may be asked: equal bolts in steel plate thick enough to bear. The
// moment keeps its sign: a pattern that is not symmetrical is not the same both
// ways.
func (j *joint) instantaneous(s *spread, va float64) (float64, bool) {
	for _, p := range j.plies {
		if !p.metal || p.Thickness < bolt.ThinSheet || p.aluminium() {
			return 0, false
		}
	}
	f := s.force.Len()
	if f < 1e-6 || len(j.in.Holes) < 2 || math.Abs(s.turn) < 1e-3*f || j.in.Strength.Yields() {
		return 0, false
	}
	about := make([]point, len(j.group.at))
	for i, p := range j.group.at {
		about[i] = p.Sub(j.group.middle)
	}
	c, err := bolt.Ultimate(about, s.force.Mul(1/f), s.turn/f)
	if err != nil || c <= 0 {
		return 0, false
	}
	return f / (c * va * j.planes), true
}

// inCaptive is a bolt in a thread that is fast in the last ply.
type inCaptive struct{ bolted }

func (inCaptive) captive() bool { return true }

func (c inCaptive) form() strength.Form {
	switch c.nut {
	case Tapped:
		return strength.TappedForm
	case RivetNut:
		return strength.InsertForm
	case SlotNut:
		return strength.TrackForm
	}
	return strength.BoltedForm
}

// What inserts hold before they let go, N, by the size of their thread: typical of
// steel ones set in sheet as thick as their sheets ask for, low among makers.
var (
	rivetNutPull = map[string]float64{"M5": 5000, "M6": 7500, "M8": 12000, "M10": 16000, "M12": 22000}
	slotNutPull  = map[string]float64{"M6": 5000, "M8": 8000, "M10": 12000, "M12": 16000}
	slotNutSlip  = map[string]float64{"M6": 2000, "M8": 3000, "M10": 5000, "M12": 7000} // along its track, tightened
)

// rivetNutBody is about how wide the body of a rivet nut is, and its flange, by its
// thread's diameter (usual sizes: M8 sits in 11 mm under a flange of 14.5).
const rivetNutBody, rivetNutFlange = 1.4, 1.8

func (c inCaptive) modes(j *joint, list []spread) []mode {
	out := c.bolted.modes(j, list)
	switch c.nut {
	case Tapped:
		out = append(out, j.stripped())
	case RivetNut:
		out = append(out, j.typical("insert", "Rivet nut pulled out", rivetNutPull, (*spread).tension,
			"typical pull-out of steel rivet nuts in sheet"), j.pushed())
	case SlotNut:
		out = append(out, j.typical("insert", "Slot nut pulled out of its track", slotNutPull, (*spread).tension,
			"typical pull-out of slot nuts in steel track of 2.5 mm"),
			j.typical("slot-slip", "Slot nut slipped along its track", slotNutSlip, func(s *spread, i int) float64 { return s.sheared[i] },
				"typical slip of toothed slot nuts, all of the shear taken along the track"))
	}
	return out
}

// typical is a strength by the size of the thread.
func (j *joint) typical(key, name string, table map[string]float64, of func(s *spread, i int) float64, source string) mode {
	rule, last := j.in.Strength, j.plies[len(j.plies)-1]
	m := mode{Key: key, Name: name, Unit: "N", Where: last.Name}
	size := j.thread.Size
	if j.in.System == stock.Inch {
		size = j.thread.Lookalike()
	}
	v, ok := table[size]
	if !ok {
		m.Missing = "No typical strength is known of one of this size: by the maker's sheet, or take a bolt and nut."
		return m
	}
	c := rule.Capacity(v, strength.PullThrough)
	m.Eval = func(s *spread) strength.Hit {
		return strength.HardestOf(len(s.pull), func(i int) (float64, float64) { return of(s, i), c })
	}
	m.Explain = j.simply(name, source, "against F/Ω", "N",
		[]string{rule.Says(strength.PullThrough), "typical and low: by the maker's sheet for this sheet"}, newtons("F", "typical", v))
	return m
}

// stripped is the thread torn out of the last ply.
func (j *joint) stripped() mode {
	rule, last := j.in.Strength, j.plies[len(j.plies)-1]
	m := mode{Key: "strip", Name: "Thread stripped", Unit: "N", Where: last.Name}
	if !last.metal {
		m.Missing = "No strength is known of what is threaded: choose the material of " + last.Name + "."
		return m
	}
	fu, bolts := last.material.Tensile, j.grade.Tensile
	if rule.Yields() {
		fu, bolts = last.material.Yield, j.grade.Proof
	}
	e, err := bolt.Engagement(bolt.EngagementInput{Diameter: j.thread.Diameter, Pitch: j.thread.PitchMM(), BoltTensile: bolts,
		NutTensile: fu * last.worn})
	if err != nil {
		m.Missing = err.Error()
		return m
	}
	c := rule.Capacity(e.Pull*last.Thickness/e.Length, strength.Rupture)
	m.Eval = func(s *spread) strength.Hit {
		return strength.HardestOf(len(s.pull), func(i int) (float64, float64) { return s.tension(i), c })
	}
	m.Explain = j.simply("Thread stripped out of "+last.Name, e.Working.Source,
		"F = As·Rm·t/L, L the engagement at which the bolt breaks first; all of t is threaded", "N", []string{rule.Says(strength.Rupture)},
		newtons("As·Rm", "the bolt breaks at", e.Pull), working.MM("t", "thickness as measured", last.Thickness),
		working.MM("L", "engagement at which it would", e.Length))
	return m
}

// pushed is a rivet nut pulled through its sheet, body and flange, by the sheet's
// own thickness and metal: the sheet shears round the flange.
func (j *joint) pushed() mode {
	k := len(j.plies) - 1
	last, plate, rule := j.plies[k], j.plate(k), j.in.Strength
	m := mode{Key: "push", Name: "Insert pushed or turned through its sheet", Unit: "N", Where: last.Name}
	if !last.metal {
		m.Missing = "No strength is known of the sheet it is set in: choose the material of " + last.Name + "."
		return m
	}
	round := math.Pi * rivetNutBody * j.thread.Diameter
	c := rule.Capacity(.6*plate.Strong(rule)*round*last.Thickness, strength.PullThrough)
	thick, stress := j.stuff(k)
	m.Eval = func(s *spread) strength.Hit {
		return strength.HardestOf(len(s.pull), func(i int) (float64, float64) { return s.tension(i), c })
	}
	m.Explain = j.simply("Rivet nut through the sheet it is set in",
		"shear of the sheet round its body, 0.6·Fu, body of 1.4 thread diameters (usual sizes)", "T ≤ 0.6·Fu·π·db·t/Ω", "N",
		[]string{rule.Says(strength.PullThrough), "set as its sheet asks for; measure its body"},
		thick, stress, working.MM("db", "body", rivetNutBody*j.thread.Diameter))
	return m
}
