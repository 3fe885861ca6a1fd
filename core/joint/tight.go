package joint

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/bolt"
	"warmanvil/core/quantity"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Tight is how tight a bolt is made.
type Tight struct {
	Torque  float64         `json:"torque" doc:"N·mm"`
	Preload float64         `json:"preload" doc:"N"`
	Least   float64         `json:"least" doc:"N, with the scatter of a torque wrench against"`
	Most    float64         `json:"most" doc:"N, with the scatter for"`
	Factor  float64         `json:"factor" doc:"nut factor K"`
	Limited string          `json:"limited,omitempty" doc:"what keeps it below the bolt's share of proof"`
	Working working.Working `json:"working"`
}

// insertTorque is about what rivet nuts take before they turn, N·mm (typical,
// steel; makers differ).
var insertTorque = map[string]float64{"M5": 6e3, "M6": 10e3, "M8": 22e3, "M10": 35e3, "M12": 60e3, "#10": 5e3, "1/4": 10e3, "5/16": 20e3,
	"3/8": 35e3, "1/2": 70e3}

// Shares of the bolt's preload that a hollow ply stands without a sleeve, and a
// slot nut in a track (practice).
const hollowShare, trackShare = .25, .5

// tighten works the torque out: the bolt's share of proof, lowered to what the
// plies and inserts stand.
func (b bolted) tighten(j *joint) {
	in := j.in.Tighten
	r, err := bolt.Torque(bolt.TorqueInput{System: j.in.System, Size: j.in.Size, Pitch: j.thread.Pitch, Grade: j.in.Grade,
		NutFactor: nutFactor[in.Lubrication], Share: in.Share})
	if err != nil {
		j.say("torque", working.Mind, "Tightening", "The torque cannot be worked out: "+j.refused(err))
		return
	}
	t := &Tight{Torque: r.Torque, Preload: r.Preload, Factor: nutFactor[in.Lubrication]}
	var ways []working.Fix
	lower := func(to float64, why string, by ...working.Fix) {
		if to < t.Preload {
			t.Torque, t.Preload, t.Limited = t.Torque*to/t.Preload, to, why
			ways = by
		}
	}
	var soft []any // plies that want a sleeve: one alone leaves the torque where the next one holds it
	var names []string
	for i, p := range j.plies {
		if !p.Sleeved && (p.Hollow || p.Squash > 0 || !p.metal) {
			soft, names = append(soft, fmt.Sprintf("/plies/%d/sleeved", i), true), append(names, p.Name)
		}
	}
	sleeve := fix("A spacer tube through "+strings.Join(names, " and "), soft...)
	for i, p := range j.plies {
		outer := i == 0 || i == len(j.plies)-1 && !j.kind.captive()
		if p.Hollow && !p.Sleeved {
			lower(hollowShare*r.Preload, fmt.Sprintf("%s is hollow and is squeezed shut: put a sleeve through it", p.Name), sleeve)
		}
		if !p.metal && p.Squash == 0 && !p.Sleeved {
			lower(hollowShare*r.Preload, fmt.Sprintf("%s is no metal and creeps: sleeve it", p.Name), sleeve)
		}
		seat := .95 * j.bearing(i)
		if j.washeredAt(i) {
			seat = math.Max(j.washer, seat)
		}
		if outer && p.metal { // pressure under head, nut or washer up to yield
			hole := p.Hole
			if hole == 0 {
				hole = j.thread.Clearance.Normal
			}
			area := math.Pi / 4 * (seat*seat - hole*hole)
			if area > 0 {
				lower(p.material.Yield*p.worn*area, fmt.Sprintf("%s gives way under the head or washer of %s: a larger, thicker one", p.Name,
					j.mm(seat)))
			}
		}
		if p.Squash > 0 && !p.Sleeved {
			lower(.1*r.Preload, fmt.Sprintf("%s is soft: tighten on a sleeve, then the full torque holds", p.Name), sleeve)
		}
	}
	switch b.nut {
	case RivetNut:
		if most, ok := insertTorque[j.thread.Size]; ok && most < t.Torque {
			lower(t.Preload*most/t.Torque, "a rivet nut turns beyond about this (typical: by the maker's sheet)")
		}
	case SlotNut:
		lower(trackShare*r.Preload, "a slot nut pulls its track open (typical: by the track's sheet)")
	case Tapped:
		last := j.plies[len(j.plies)-1]
		if last.metal {
			if e, err := bolt.Engagement(bolt.EngagementInput{Diameter: j.thread.Diameter, Pitch: j.thread.PitchMM(), BoltTensile: j.grade.Tensile,
				NutTensile: last.material.Tensile}); err == nil && e.Length > last.Thickness {
				lower(r.Preload*last.Thickness/e.Length,
					fmt.Sprintf("the thread in %s is %s deep and the bolt asks for %s: it strips first", last.Name, j.mm(last.Thickness), j.mm(e.Length)))
			}
		}
	}
	t.Least, t.Most = .7*t.Preload, 1.3*t.Preload
	w := r.Working
	if t.Limited != "" {
		w.Assumptions = append(w.Assumptions, "lowered: "+t.Limited)
		w.Steps = append(w.Steps, working.Quantity{Symbol: "F'", Name: "preload as lowered", Value: t.Preload, Unit: "N"})
		w.Result.Value = t.Torque
		j.say("torque-lowered", working.Mind, "Tightening", fmt.Sprintf("Tighten only to %s: %s.", j.torque(t.Torque), t.Limited), ways...)
	}
	t.Working = w
	j.out.Tight, j.preload = t, t.Least
	j.out.Sequence = sequence(j.in.Holes)
	if j.grade.Name == "12.9" {
		j.out.Findings = append(j.out.Findings,
			working.Finding{Code: "brittle-plated", Severity: working.Mind, Cause: "Tightening",
				Reason: "Electroplated 12.9 can become brittle and break days later: take it plain or zinc-flake coated."})
	}
}

// torque writes a torque as the job's wrench has it.
func (j *joint) torque(nmm float64) string {
	if s := j.in.Display.Style; s == quantity.Fraction || s == quantity.Decimal {
		return fmt.Sprintf("%.3g lbf·ft", nmm/1355.818)
	}
	return fmt.Sprintf("%.3g N·m", nmm/1000)
}

// sequence answers bolts from the middle outwards, each opposite the one before.
func sequence(holes [][2]float64) []int {
	var cx, cy float64
	for _, h := range holes {
		cx, cy = cx+h[0]/float64(len(holes)), cy+h[1]/float64(len(holes))
	}
	left := make([]int, len(holes))
	for i := range left {
		left[i] = i
	}
	away := func(i int) float64 { return math.Hypot(holes[i][0]-cx, holes[i][1]-cy) }
	slices.SortStableFunc(left, func(a, b int) int {
		switch {
		case away(a) < away(b)-1e-6:
			return -1
		case away(b) < away(a)-1e-6:
			return 1
		}
		return 0
	})
	var out []int
	for len(left) > 0 {
		pick := 0
		if len(out) > 0 { // of those about as near the middle, the one most opposite the last
			last := holes[out[len(out)-1]]
			best := math.Inf(-1)
			for k, i := range left {
				if away(i) > away(left[0])+1e-6+.1*away(left[0]) {
					break
				}
				if d := math.Hypot(holes[i][0]-last[0], holes[i][1]-last[1]); d > best+1e-9 {
					best, pick = d, k
				}
			}
		}
		out = append(out, left[pick])
		left = slices.Delete(left, pick, pick+1)
	}
	return out
}

// potential in sea water, V (usual tables), by what the metal is.
var potential = map[stock.Family]float64{stock.Galvanized: -1.0, stock.Aluminum: -.78, stock.Steel: -.61, stock.Stainless: -.08}
