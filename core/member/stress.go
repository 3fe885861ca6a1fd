package member

import (
	"fmt"
	"math"

	"warmanvil/core/frame"
	"warmanvil/core/section"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// members asks every member under every case.
func (w *weighing) members() {
	for i, r := range w.m.b.runs {
		x := MemberHeld{ID: r.ID, Name: r.named(), Along: []Along{}}
		if len(w.m.of[i]) == 0 {
			x.Stress = strength.Silent("stress", "stress", w.m.b.Pieces[i].Why)
			x.Column, x.Weld = strength.Silent("column", "buckling", w.m.b.Pieces[i].Why), strength.Silent("weld", "weld at its ends", w.m.b.Pieces[i].Why)
			x.Verdict = strength.CannotSay
			w.held.Members = append(w.held.Members, x)
			continue
		}
		w.member(i, r, &x)
		x.Verdict = strength.Worst([]strength.Check{x.Stress, x.Column})
		for _, c := range []strength.Check{x.Stress, x.Column} {
			if c.Utilisation != nil && (x.Use == nil || *c.Utilisation > *x.Use) {
				x.Use = c.Utilisation
			}
		}
		w.held.Members = append(w.held.Members, x)
	}
}

// shares is the stress at one place.
type shares struct {
	axial, bend, shear, total float64
}

// stress answers the largest equivalent stress of a section under a station's
// forces. Largest bending, torsion and shear are taken together, which is on the
// safe side.
func stress(s frame.Station, area, iy, iz float64, corners []fibre, twist, wide, high float64, tilted float64) (v shares) {
	v.axial = s.N / area
	most := 0.0
	for _, f := range corners {
		b := s.My*f.z/iy - s.Mz*f.y/iz
		v.bend = math.Max(v.bend, math.Abs(b))
		most = math.Max(most, math.Abs(v.axial+b))
	}
	sin, cos := math.Sincos(tilted)
	sy, sz := s.Vy*cos-s.Vz*sin, s.Vy*sin+s.Vz*cos // along the section's own width and height
	v.shear = math.Abs(s.T)*twist + math.Hypot(sy/wide, sz/high)
	v.total = math.Sqrt(most*most + 3*v.shear*v.shear)
	return v
}

func (w *weighing) member(i int, r *run, x *MemberHeld) {
	yield, soft := yieldOf(w.m.material)
	capacity := w.ask.Rule.Capacity(yield, strength.Yield)
	corners := fibres(r)
	up, iy, iz := principal(r)
	tilted := math.Atan2(up.Dot(r.axes.Y), up.Dot(r.axes.Z))
	perMoment, wide, high := twist(r.Section, r.props)
	k := w.m.buckles(i, r)
	column, err := frame.Column(frame.ColumnInput{Length: r.length, K: k, RadiusOfGyration: r.props.RMin, Area: r.props.Area, Yield: yield, Modulus: w.m.modulus})
	buckles := w.ask.Rule.Capacity(column.CriticalStress, strength.Yield)
	var worst, buckled shares
	var at frame.Station
	best, share := -1.0, -1.0
	var gCase, cCase string
	for _, a := range w.answers {
		for _, n := range w.m.of[i] {
			from := w.m.parts[n].from
			for _, s := range a.design.Along(n, 10) {
				v := stress(s, r.props.Area, iy, iz, corners, perMoment, wide, high, tilted)
				s.At += from
				if v.total > best {
					best, worst, at, gCase = v.total, v, s, a.name
				}
				if err == nil {
					if u := math.Max(-v.axial, 0)/buckles + v.bend/capacity; u > share {
						share, buckled, cCase = u, v, a.name
					}
				}
			}
		}
	}
	x.At = at.At
	c := strength.Check{Key: "stress", Name: "stress", Feature: r.ID, Where: fmt.Sprintf("%s, %.0f mm from its first point", r.named(), at.At), Case: gCase, Demand: best, Capacity: capacity, Unit: "MPa"}
	c.Utilisation, c.Verdict = strength.Judge(best, capacity)
	assume := []string{w.ask.Rule.Says(strength.Yield), "largest bending, torsion and shear of the section taken together", "tubes with sharp corners, no holes, no warping, joints as strong as the members"}
	if r.formed[0] != nil && r.formed[0].kind == Bent || r.formed[1] != nil && r.formed[1].kind == Bent {
		assume = append(assume, "bends as sharp corners at their points")
	}
	if soft != "" {
		assume = append(assume, soft)
		c.Why = soft
	}
	c.Working = &working.Working{Method: "Worst equivalent stress along a member", Source: "space frame by direct stiffness; von Mises", Formula: "σ = √((N/A + My·z/Iy − Mz·y/Iz)² + 3·τ²)", Assumptions: assume,
		Inputs: []working.Quantity{{Symbol: "N", Name: "pull", Value: at.N, Unit: "N"}, {Symbol: "My", Name: "bending in height", Value: at.My, Unit: "N·mm"}, {Symbol: "Mz", Name: "bending sideways", Value: at.Mz, Unit: "N·mm"}, {Symbol: "T", Name: "torque", Value: at.T, Unit: "N·mm"},
			{Symbol: "A", Name: "area", Value: r.props.Area, Unit: "mm²"}, {Symbol: "Iy", Name: "in height", Value: iy, Unit: "mm⁴"}, {Symbol: "Iz", Name: "sideways", Value: iz, Unit: "mm⁴"}, {Symbol: "fy", Name: "yield", Value: yield, Unit: "MPa"}},
		Steps:  []working.Quantity{{Symbol: "σN", Name: "by pull", Value: worst.axial, Unit: "MPa"}, {Symbol: "σM", Name: "by bending", Value: worst.bend, Unit: "MPa"}, {Symbol: "τ", Name: "by torque and shear", Value: worst.shear, Unit: "MPa"}, {Symbol: "may", Name: "may be used", Value: capacity, Unit: "MPa"}},
		Result: working.Quantity{Symbol: "σ", Name: "equivalent stress", Value: best, Unit: "MPa"}}
	x.Stress = c
	if err != nil {
		x.Column = strength.Silent("column", "buckling", err.Error())
	} else {
		c := strength.Check{Key: "column", Name: "buckling", Feature: r.ID, Where: r.named(), Case: cCase, Demand: share, Capacity: 1}
		c.Utilisation, c.Verdict = strength.Judge(share, 1)
		c.Working = &working.Working{Method: "Buckling with bending", Source: "Johnson and Euler columns; sum of shares, linear", Formula: "u = σN/σcr + σM/σmay", Assumptions: []string{w.ask.Rule.Says(strength.Yield), "K as given, else 2 for what stands or has a free end and 1 between held joints; bending at its largest", "no lateral torsional buckling: tubes do not, open sections may"},
			Inputs: []working.Quantity{{Symbol: "K·L", Name: "buckling length", Value: k * r.length, Unit: "mm"}, {Symbol: "r", Name: "least radius of gyration", Value: r.props.RMin, Unit: "mm"}, {Symbol: "λ", Name: "slenderness", Value: column.Slenderness}},
			Steps:  []working.Quantity{{Symbol: "σN", Name: "by pressing", Value: -buckled.axial, Unit: "MPa"}, {Symbol: "σcr", Name: "may be used before it buckles", Value: buckles, Unit: "MPa"}, {Symbol: "σM", Name: "by bending", Value: buckled.bend, Unit: "MPa"}},
			Result: working.Quantity{Symbol: "u", Name: "sum of shares", Value: share}}
		if column.Slenderness > 200 {
			c.Why = fmt.Sprintf("slenderness %.0f is past 200: it shakes and is bent by handling", column.Slenderness)
		}
		x.Column = c
	}
	x.Weld = w.weld(i, r)
	for _, a := range w.answers {
		if a.name != gCase {
			continue
		}
		for _, n := range w.m.of[i] {
			for _, s := range a.design.Along(n, 10) {
				v := stress(s, r.props.Area, iy, iz, corners, perMoment, wide, high, tilted)
				x.Along = append(x.Along, Along{At: s.At + w.m.parts[n].from, N: s.N, Vy: s.Vy, Vz: s.Vz, T: s.T, My: s.My, Mz: s.Mz, MPa: v.total, Place: s.Place})
			}
		}
	}
}

// buckles answers a member's buckling length over its own: as its user says,
// else 2 where an end is free or the member stands and may sway, and 1 between
// joints that are held by others.
func (m *model) buckles(i int, r *run) float64 {
	if r.K > 0 {
		return r.K
	}
	if math.Abs(r.axes.X[2]) > .7 {
		return 2
	}
	list := m.of[i]
	for _, n := range []string{m.in.Members[list[0]].From, m.in.Members[list[len(list)-1]].To} {
		_, held := m.in.Supports[n]
		_, soft := m.in.Springs[n]
		met := 0
		for _, x := range m.in.Members {
			if x.From == n || x.To == n {
				met++
			}
		}
		if met < 2 && !held && !soft {
			return 2
		}
	}
	return 1
}

// Named tells the section of a piece.
func Named(s section.Sizes, stock string) string {
	if stock != "" {
		return stock
	}
	return Words(s)
}
