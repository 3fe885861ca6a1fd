package held

import (
	"fmt"
	"math"
	"runtime"
	"slices"

	"golang.org/x/sync/errgroup"

	"warmanvil/core/frame"
	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/section"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// mode is one way a frame may give way, asked of a solved case.
type mode = strength.Mode[answered]

// shares is the stress at one place.
type shares struct {
	axial, bend, shear, total float64
	high, side                float64 // bending about the section's principal axes, MPa
}

// look is one place along a member in a case.
type look struct {
	frame.Station
	shares
}

// asking is a member that is being asked.
type asking struct {
	w       *weighing
	i       int
	r       *shape.Run
	yield   float64
	soft    string
	may     float64
	plate   strength.Factors
	corners []fibre
	up      [2]float64 // reach of the fibres in height and sideways, mm
	iy, iz  float64
	tilted  float64
	welds   [2]*weld.SeamsAsk // its ends as they are asked
	perT    float64           // shear stress of a torque of 1 N·mm
	wide    float64           // areas that take shear
	tall    float64
	grows   float64 // what bending grows by as the frame moves
	unsafe  string  // why that cannot be: it buckles
}

// asked opens a member for asking.
func (w *weighing) asked(i int) *asking {
	r := w.m.b.Runs[i]
	a := &asking{w: w, i: i, r: r, corners: fibres(r)}
	a.yield, a.soft = yieldOf(w.m.material)
	a.plate = strength.Yield
	a.may = w.ask.Rule.Capacity(a.yield, a.plate)
	up, iy, iz := principal(r)
	a.iy, a.iz = iy, iz
	a.tilted = math.Atan2(up.Dot(r.Axes.Y), up.Dot(r.Axes.Z))
	a.perT, a.wide, a.tall = twist(r.Section, r.Props)
	for _, f := range a.corners {
		a.up[0], a.up[1] = max(a.up[0], math.Abs(f.z)), max(a.up[1], math.Abs(f.y))
	}
	alpha := 1.6 // AISC 360 C2, appendix 7: allowable loads are asked at 1.6 of them
	if w.ask.Rule.School == strength.Factored {
		alpha = 1
	}
	a.grows = 1
	if w.presser < 1e-6 { // nothing is pressed: nothing buckles
		return a
	}
	if w.unsaid == "" && w.stable.Factor > 0 {
		if w.stable.Factor <= alpha*1.0001 {
			a.unsafe = fmt.Sprintf("The frame buckles as a whole at %.3g times its loads, and %.2g times is the least: brace "+
				"it.", w.stable.Factor,
				alpha)
		} else {
			a.grows = 1 / (1 - alpha/w.stable.Factor)
		}
	} else if w.unsaid == "" {
		a.unsafe = "The frame buckles as a whole under its loads: brace it."
	}
	return a
}

// stress answers the largest equivalent stress of a section under a station's
// forces. Largest bending, torsion and shear are taken together, which is on the
// safe side.
func (a *asking) stress(s frame.Station) (v shares) {
	v.axial = s.N / a.r.Props.Area
	most := 0.0
	for _, f := range a.corners {
		b := s.My*f.z/a.iy - s.Mz*f.y/a.iz
		v.bend = max(v.bend, math.Abs(b))
		most = max(most, math.Abs(v.axial+b))
	}
	v.high, v.side = math.Abs(s.My)*a.up[0]/a.iy, math.Abs(s.Mz)*a.up[1]/a.iz
	sin, cos := math.Sincos(a.tilted)
	sy, sz := s.Vy*cos-s.Vz*sin, s.Vy*sin+s.Vz*cos // along the section's own width and height
	v.shear = math.Abs(s.T)*a.perT + math.Hypot(sy/a.wide, sz/a.tall)
	v.total = math.Sqrt(most*most + 3*v.shear*v.shear)
	return v
}

// members asks every member under every case, side by side, and answers what they
// must answer and did.
func (w *weighing) members() (ledgers []strength.Ledger, list []strength.Check) {
	n := len(w.m.b.Runs)
	w.held.Members = make([]MemberHeld, n)
	var g errgroup.Group
	hands := min(n, runtime.GOMAXPROCS(0))
	for first := range hands {
		g.Go(func() error {
			cases := slices.Clone(w.answers)
			var room []frame.Station
			for i := first; i < n; i += hands {
				w.held.Members[i], room = w.member(i, cases, room)
			}
			return nil
		})
	}
	_ = g.Wait() // a member that cannot be asked says so itself
	for i := range w.held.Members {
		x := &w.held.Members[i]
		ledgers = append(ledgers, memberLedgers(x.ID, x.Name)...)
		list = append(list, x.Stress, x.Column, x.Weld)
		list = append(list, x.More...)
	}
	return ledgers, list
}

func memberLedgers(id, name string) []strength.Ledger {
	return []strength.Ledger{{Form: strength.MemberForm, Feature: id, Where: name}, {Form: strength.MemberEnd, Feature: id, Where: name}}
}

// member asks one member. room is memory that is used again.
func (w *weighing) member(i int, cases []answered, room []frame.Station) (MemberHeld, []frame.Station) {
	r := w.m.b.Runs[i]
	x := MemberHeld{ID: r.ID, Name: r.Named(), Along: []Along{}, More: []strength.Check{}}
	if len(w.m.of[i]) == 0 {
		why := w.m.b.Pieces[i].Why
		x.Stress, x.Column, x.Weld = strength.Silent("stress", "stress", why), strength.Silent("column", "buckling", why),
			strength.Silent("weld", "its welds", why)
		for _, c := range []*strength.Check{&x.Stress, &x.Column, &x.Weld} {
			c.Feature, c.Where = r.ID, x.Name
		}
		x.Verdict = strength.CannotSay
		return x, room
	}
	a := w.asked(i)
	for k := range cases {
		room = room[:0]
		looks := cases[k].looks[:0]
		for _, n := range w.m.of[i] {
			from := w.m.parts[n].from
			start := len(room)
			room = cases[k].design.Forces(room, n, 10)
			for _, s := range room[start:] {
				v := a.stress(s)
				s.At += from
				looks = append(looks, look{s, v})
			}
		}
		cases[k].looks = looks
	}
	checks := append(strength.Hardest(a.modes(), cases, func(c *answered) string { return c.name }), a.weld(cases))
	o := strength.Close(memberLedgers(x.ID, x.Name), checks)
	x.Verdict, x.Use = o.Verdict, o.Hardest
	for _, c := range o.Checks {
		switch c.Key {
		case "stress":
			x.Stress = c
		case "column":
			x.Column = c
		case "weld":
			x.Weld = c
		default:
			x.More = append(x.More, c)
		}
	}
	x.Ends = a.welds
	a.along(&x, cases)
	return x, room
}

// along writes the diagrams of the case that governs the stress.
func (a *asking) along(x *MemberHeld, cases []answered) {
	at := -1
	for k := range cases {
		if cases[k].name == x.Stress.Case || at < 0 {
			if at = k; cases[k].name == x.Stress.Case {
				break
			}
		}
	}
	if at < 0 {
		return
	}
	most := -1.
	for _, n := range a.w.m.of[a.i] {
		for _, s := range cases[at].design.Along(n, 10) {
			v := a.stress(s)
			place := s.At + a.w.m.parts[n].from
			if v.total > most {
				most, x.At = v.total, place
			}
			x.Along = append(x.Along, Along{At: place, N: s.N, Vy: s.Vy, Vz: s.Vz, T: s.T, My: s.My, Mz: s.Mz, MPa: v.total, Place: s.Place})
		}
	}
}

// modes lists what a member must answer.
func (a *asking) modes() []mode {
	out := []mode{a.stressed(), a.column(), a.order(), a.lateral(), a.local(), a.torsion(), a.splice()}
	out = append(out, a.chord())
	for i := range out {
		out[i].Feature = a.r.ID
		if out[i].Where == "" {
			out[i].Where = a.r.Named()
		}
	}
	return out
}

// hardest answers the hardest of the looks of a case.
func hardest(c *answered, of func(l *look) (demand, capacity float64)) strength.Hit {
	return strength.HardestOf(len(c.looks), func(i int) (float64, float64) { return of(&c.looks[i]) })
}

// place names where on the member a hit is.
func (a *asking) place(c *answered, h strength.Hit) (feature, where string) {
	return a.r.ID, fmt.Sprintf("%s, %.0f mm from its first point", a.r.Named(), c.looks[h.At].At)
}

func (a *asking) assume() []string {
	out := []string{a.w.ask.Rule.Says(a.plate), "largest bending, torsion and shear of the section taken together",
		"tubes with sharp corners, no holes, joints as strong as the members"}
	if a.r.Formed[0] != nil && a.r.Formed[0].Kind == member.Bent || a.r.Formed[1] != nil && a.r.Formed[1].Kind == member.Bent {
		out = append(out, "bends as sharp corners at their points")
	}
	if a.soft != "" {
		out = append(out, a.soft)
	}
	return out
}

// stressed is the worst equivalent stress along the member.
func (a *asking) stressed() mode {
	return mode{Key: "stress", Name: "stress", Unit: "MPa", Also: a.soft, Spot: a.place,
		Eval: func(c *answered) strength.Hit {
			return hardest(c, func(l *look) (float64, float64) { return l.total, a.may })
		},
		Explain: func(c *answered, h strength.Hit) working.Working {
			l := c.looks[h.At]
			return working.Working{Method: "Worst equivalent stress along a member", Source: "space frame by direct stiffness; von Mises",
				Formula: "σ = √((N/A + My·z/Iy − Mz·y/Iz)² + 3·τ²)", Assumptions: a.assume(),
				Inputs: []working.Quantity{newtons("N", "pull", l.N), moment("My", "bending in "+
					"height", l.My), moment("Mz", "bending sideways", l.Mz),
					moment("T", "torque", l.T),
					amount("A", "area", a.r.Props.Area, "mm²"), amount("Iy", "in "+
						"height", a.iy, "mm⁴"), amount("Iz", "sideways", a.iz, "mm⁴"),
					mpa("fy", "yield", a.yield)},
				Steps: []working.Quantity{mpa("σN", "by pull", l.axial), mpa("σM", "by bending", l.bend), mpa("τ", "by torque and "+
					"shear", l.shear),
					mpa("may", "may be used", a.may)},
				Result: mpa("σ", "equivalent stress", h.Demand)}
		}}
}

// splice asks a member made of two pieces where they meet.
func (a *asking) splice() mode {
	m := mode{Key: "splice", Name: "splice", Unit: "MPa", Spot: a.place}
	if a.r.Splice == nil {
		m.Needless = "It is one piece."
		return m
	}
	at, capacity := a.r.Splice.At, spliced*a.may
	m.Eval = func(c *answered) strength.Hit {
		return hardest(c, func(l *look) (float64, float64) {
			if math.Abs(l.At-at) > a.r.Length/9 {
				return 0, capacity
			}
			return l.total, capacity
		})
	}
	m.Explain = func(c *answered, h strength.Hit) working.Working {
		return working.Working{Method: "Splice with a sleeve or plates",
			Source:  "practice: a splice that was not proved counts half of the member, sleeve and plates four times as long as it is deep",
			Formula: "σ ≤ may/2", Assumptions: a.assume(),
			Inputs: []working.Quantity{working.MM("a", "splice, from its first point", at), mpa("may", "may be used of the member", a.may)},
			Steps:  []working.Quantity{mpa("cap", "may be used of the splice", capacity)}, Result: mpa("σ", "equivalent stress "+
				"near it", h.Demand)}
	}
	return m
}

// spliced is the share of a member that an unproved splice counts (practice).
const spliced = .5

func amount(symbol, name string, v float64, unit string) working.Quantity {
	return working.Quantity{Symbol: symbol, Name: name, Value: v, Unit: unit}
}

func newtons(symbol, name string, v float64) working.Quantity { return amount(symbol, name, v, "N") }
func moment(symbol, name string, v float64) working.Quantity  { return amount(symbol, name, v, "N·mm") }
func mpa(symbol, name string, v float64) working.Quantity     { return amount(symbol, name, v, "MPa") }

// aluminium tells whether the frame is of it.
func (a *asking) aluminium() bool { return a.w.m.material.Family == stock.Aluminum }

// Named tells the section of a piece.
func Named(s section.Sizes, stock string) string {
	if stock != "" {
		return stock
	}
	return shape.Words(s)
}
