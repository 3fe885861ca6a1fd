package site

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/hole"
	"warmanvil/core/profile"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// FollowTold is how a part's holes lie against the pattern they follow.
type FollowTold struct {
	ID       string            `json:"id"`
	Part     string            `json:"part" doc:"id"`
	Name     string            `json:"name"`
	Why      string            `json:"why,omitempty"`
	Stale    bool              `json:"stale" doc:"the holes are not where the survey has them"`
	Most     string            `json:"most" doc:"largest difference"`
	Holes    []FollowHole      `json:"holes" doc:"in the axes of the holes' panel"`
	Panel    []profile.Point   `json:"panel" doc:"outline of the panel in the same axes"`
	Other    *OtherSide        `json:"other,omitempty" doc:"against the readings of the other side"`
	Findings []working.Finding `json:"findings"`
	Working  *working.Working  `json:"working,omitempty"`

	Shifts []lay.Shift `json:"-"`
	Group  string      `json:"-"` // what it follows: those of one group update together
}

// FollowHole is one hole as it is and where it should be.
type FollowHole struct {
	Name     string        `json:"name"`
	Diameter float64       `json:"diameter" doc:"mm"`
	Is       profile.Point `json:"is"`
	Should   profile.Point `json:"should"`
	Moves    string        `json:"moves"`
}

// OtherSide says what serves the other side.
type OtherSide struct {
	Answer hole.Answer      `json:"answer" enum:"serves,slot,differ"`
	Says   string           `json:"says"`
	Most   string           `json:"most"`
	Slots  []string         `json:"slots"`
	Work   *working.Working `json:"working,omitempty"`
}

// staleness is a difference nobody lays out: below it a part is up to date.
const staleness = .1 // mm

func follows(l *vehicle.Locator, s vehicle.Survey, b brief.Brief, parts []BuiltPart, out *Surveyed) {
	for _, f := range s.Follows {
		t := FollowTold{ID: f.ID, Part: f.Part, Name: f.Name, Holes: []FollowHole{}, Panel: []profile.Point{},
			Findings: []working.Finding{}, Most: "—"}
		follow(l, f, b, parts, &t)
		out.Follows = append(out.Follows, t)
	}
}

func follow(l *vehicle.Locator, f vehicle.Follow, b brief.Brief, parts []BuiltPart, t *FollowTold) {
	i := slices.IndexFunc(parts, func(p BuiltPart) bool { return p.ID == f.Part })
	if i < 0 || parts[i].Err != nil {
		t.Why = "Its part is not in the job any more, or cannot be built."
		return
	}
	if t.Name == "" {
		t.Name = parts[i].Name
	}
	pattern, why := pattern(l, f, b, t)
	if why != "" {
		t.Why = why
		return
	}
	part := parts[i].Built
	var is []profile.Point
	var holes []made.HoleMade
	var panel *made.PanelMade
	for _, m := range f.Holes {
		k := slices.IndexFunc(part.Holes, func(h made.HoleMade) bool { return h.ID == m.Hole })
		if k < 0 {
			t.Why = "One of its holes is not on the part any more: choose them again."
			return
		}
		h := part.Holes[k]
		if part.Round != nil {
			t.Why = "The part is a round: holes follow a pattern on a flat panel only."
			return
		}
		if panel == nil {
			n := slices.IndexFunc(part.Panels, func(p made.PanelMade) bool { return p.ID == h.Panel })
			panel = &part.Panels[n]
		}
		if h.Panel != panel.ID {
			t.Why = "Its holes lie on different panels: one pattern follows on one panel."
			return
		}
		is, holes = append(is, panel.Seat.In(h.Body)), append(holes, h)
	}
	if len(is) < 2 {
		t.Why = "Two holes or more follow a pattern."
		return
	}
	w, ht := panel.Seat.Width, panel.Seat.Height
	t.Panel = profile.Rect(0, 0, w, ht).Flatten(1)
	m := hole.Meet(pattern, is, f.Mirror)
	var play, bore []float64
	for k, at := range m.At {
		by := at.Sub(is[k])
		t.Holes = append(t.Holes, FollowHole{Name: holes[k].Name, Diameter: holes[k].Diameter, Is: is[k], Should: at,
			Moves: l.Pen.MM(by.Len())})
		t.Shifts = append(t.Shifts, lay.Shift{Feature: holes[k].Feature, By: by})
		bore = append(bore, holes[k].Diameter)
		play = append(play, math.Max((holes[k].Diameter-f.Bolt)/2, 0))
	}
	t.Most, t.Stale = l.Pen.MM(m.Most), m.Most > staleness
	t.Working = l.Pen.Explain(working.Working{Method: "Pattern laid on pattern", Source: "least squares of turn and shift in the plane",
		Formula:     "Σ|R·p + s − q|² → least",
		Inputs:      []working.Quantity{{Symbol: "n", Name: "holes", Value: float64(len(is))}},
		Steps:       []working.Quantity{{Symbol: "a", Name: "turned by", Value: m.By.Turn, Unit: "°"}},
		Assumptions: []string{"the pattern is laid where the part's holes are now; only what differs moves"},
		Result:      working.Quantity{Symbol: "max", Name: "largest difference", Value: m.Most, Unit: "mm"}})
	if t.Stale {
		t.Findings = append(t.Findings, working.Finding{Code: "stale", Severity: working.Stop, Cause: "Following", Name: t.Name,
			Reason: fmt.Sprintf("The survey has changed: %s lies %s from where it is measured. Bring the part up to date.",
				t.Holes[m.Worst].Name, t.Most)})
	}
	if f.Bolt > 0 {
		other(l, f, is, bore, play, t)
	}
}

// pattern answers the points followed, in a plane of their own.
func pattern(l *vehicle.Locator, f vehicle.Follow, b brief.Brief, t *FollowTold) ([]profile.Point, string) {
	if f.Device != "" {
		d, ok := b.Device(f.Device)
		if !ok || len(d.Feet) < len(f.Holes) {
			return nil, "The device has fewer feet than holes follow it."
		}
		var out []profile.Point
		for i := range f.Holes {
			out = append(out, profile.Point{X: d.Feet[i].X, Y: d.Feet[i].Y})
		}
		t.Group = f.Device
		return out, ""
	}
	var m *vehicle.HoleMap
	same := len(f.Holes) > 0
	for i, h := range f.Holes {
		of := l.HoleOf[h.Point]
		if i == 0 {
			m = of
		}
		same = same && of != nil && of == m
	}
	if same { // one map: its own plane, wherever it stands
		told := l.MapOf(m)
		if told.Why != "" {
			return nil, told.Why
		}
		t.Group = m.ID
		var out []profile.Point
		for _, h := range f.Holes {
			for _, x := range told.Holes {
				if x.ID == h.Point {
					out = append(out, profile.Point{X: x.X, Y: x.Y})
				}
			}
		}
		return out, ""
	}
	var at []solid.Vector
	for _, h := range f.Holes {
		p := l.At(h.Point)
		if p.At == nil {
			return nil, p.Name + " has no place yet. " + p.Why
		}
		at = append(at, *p.At)
		t.Group += h.Point + " "
	}
	return inPlane(at), ""
}

// inPlane answers points in space in the plane of the widest three.
func inPlane(at []solid.Vector) []profile.Point {
	if len(at) == 0 {
		return nil
	}
	var x solid.Vector
	for _, p := range at {
		if d := p.Sub(at[0]); d.Len() > x.Len() {
			x = d
		}
	}
	x = x.Unit()
	var y solid.Vector
	for _, p := range at {
		d := p.Sub(at[0])
		if d = d.Sub(x.Mul(d.Dot(x))); d.Len() > y.Len() {
			y = d
		}
	}
	y = y.Unit()
	// Right-handed as seen from where the normal points up, else left, else front.
	n := x.Cross(y)
	if n[2] < -1e-9 || math.Abs(n[2]) <= 1e-9 && (n[1] < -1e-9 || math.Abs(n[1]) <= 1e-9 && n[0] < 0) {
		y = y.Mul(-1)
	}
	out := make([]profile.Point, len(at))
	for i, p := range at {
		d := p.Sub(at[0])
		out[i] = profile.Point{X: d.Dot(x), Y: d.Dot(y)}
	}
	return out
}

// other lays the part on the map of the other side, mirrored as its twin is.
func other(l *vehicle.Locator, f vehicle.Follow, is []profile.Point, bore, play []float64, t *FollowTold) {
	m := l.HoleOf[f.Holes[0].Point]
	if m == nil || m.Other == "" || l.Maps[m.Other] == nil {
		return
	}
	o := l.Maps[m.Other]
	told := l.MapOf(o)
	t.Other = &OtherSide{Answer: hole.Differ, Says: "The other side has no map yet. " + told.Why, Most: "—", Slots: []string{}}
	if told.Why != "" {
		return
	}
	var onto []profile.Point
	for _, h := range f.Holes {
		i := slices.IndexFunc(m.Holes, func(x vehicle.MapHole) bool { return x.ID == h.Point })
		if i < 0 || i >= len(told.Holes) {
			t.Other.Says = "The other side's map has fewer holes: give it the same, in the same order."
			return
		}
		onto = append(onto, profile.Point{X: told.Holes[i].X, Y: told.Holes[i].Y})
	}
	mirror := hole.Meet(is, onto, true).Most <= hole.Meet(is, onto, false).Most
	best, answer, slots := hole.Lay(is, onto, mirror, bore, play)
	t.Other.Answer, t.Other.Most = answer, l.Pen.MM(best.Most)
	switch answer {
	case hole.Serves:
		t.Other.Says = fmt.Sprintf("The mirrored part serves %s: no hole is more than %s off, within the play of its bolts.", o.Name,
			t.Other.Most)
	case hole.Slot:
		t.Other.Says = fmt.Sprintf("%s differs by up to %s. Slot the mirrored part:", o.Name, t.Other.Most)
		for _, s := range slots {
			way := math.Mod(math.Atan2(s.Along.Y, s.Along.X)*180/math.Pi+360, 180)
			t.Other.Slots = append(t.Other.Slots,
				fmt.Sprintf("%s to a slot %s long, at %.0f° to the line of %s's holes 1 and 2", t.Holes[s.Hole].Name,
					l.Pen.MM(s.Length), way, o.Name))
		}
		t.Findings = append(t.Findings, working.Finding{Code: "slot", Severity: working.Mind, Cause: "The other side", Name: t.Name,
			Reason: t.Other.Says + " " + t.Other.Slots[0] + "."})
	case hole.Differ:
		t.Other.Says = fmt.Sprintf("%s differs by up to %s, more than a slot makes up: make two different parts.", o.Name, t.Other.Most)
		t.Findings = append(t.Findings, working.Finding{Code: "differ", Severity: working.Stop, Cause: "The other side",
			Name: t.Name, Reason: t.Other.Says})
	}
}
