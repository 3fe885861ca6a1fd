package site

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/shop"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// SeamHow is how the shop lays a seam.
type SeamHow struct {
	Process  string           `json:"process" doc:"in words, and the welder of the Shop"`
	Lines    []string         `json:"lines" doc:"where to start, in words"`
	Worked   []string         `json:"worked" doc:"what was tried on such metal, what worked first"`
	Position string           `json:"position,omitempty" doc:"as it lies where it is welded in place"`
	Why      string           `json:"why,omitempty" doc:"why that welder"`
	Past     string           `json:"past,omitempty" doc:"why no welder of the Shop lays it in one pass"`
	Outs     []SeamOut        `json:"outs" doc:"ways out of that, in the order they are tried"`
	Passed   string           `json:"passed,omitempty" doc:"the coupon that shows it comes out all the same"`
	Working  *working.Working `json:"working"`
	Machine  string           `json:"machine,omitempty" doc:"id of the Shop's welder"`
	Material string           `json:"material,omitempty" doc:"key of the metal a coupon of it is of"`
	Thick    float64          `json:"thick,omitempty" doc:"mm, the thicker: what a coupon must have been of"`

	Spots *SpotsTold `json:"spots,omitempty" doc:"where it is at spot welds of the body: what plugs in their places take"`

	findings []working.Finding
}

// seamHow answers how a seam is laid by the shop's first welder that takes it.
func (s *site) seamHow(x *seated, seam weld.Seam) (h SeamHow) {
	h = SeamHow{Lines: []string{}, Worked: []string{}, Outs: []SeamOut{}}
	inch, pen := s.Brief.Inches(), s.seamPen()
	m, err := stock.MaterialByKey(seam.Sides[0].Material)
	if err != nil {
		return h
	}
	thin, thick := math.Min(seam.Sides[0].Thickness, seam.Sides[1].Thickness), math.Max(seam.Sides[0].Thickness, seam.Sides[1].Thickness)
	h.Material, h.Thick = seam.Sides[0].Material, thick
	h.Spots = s.spotted(x, seam)
	if x.inPlace() && x.placed {
		h.Position = position(seam)
	}
	in := weld.HowInput{Process: weld.MIG, Family: string(m.Family), Thinner: thin, Thicker: thick, Leg: seam.Leg,
		Length:   math.Max(seam.Len(), 1),
		Position: h.Position}
	if seam.Stitch > 0 {
		in.Length = math.Min(seam.Stitch, in.Length)
	}
	in.Gap = x.gap(seam.ID)
	spots := seam.Form == weld.SpotForm
	l := s.layerOf(x.by(seam.ID), m, thin, thick, spots)
	in.Process, h.Why = l.process, l.why
	switch {
	case l.outside:
		h.Process, in.Process = "welded outside", weld.MIG
		h.Past = "Another house lays it, and what its welder shows for it nobody wrote down."
	case l.welder != nil:
		in.Most, h.Process, h.Machine = amps(*l.welder, inch), l.welder.Called(), l.welder.ID
		if h.Past = s.pastWelders(l, m, thin, thick); h.Past != "" {
			h.Outs = s.seamOuts(x, seam, l, m)
		}
	case x.by(seam.ID) != "":
		h.Process = processSaid[l.process]
		h.Past = fmt.Sprintf("It is to be laid with %s, and the Shop names no such welder.", processSaid[l.process])
		h.Outs = s.seamOuts(x, seam, l, m)
	case spots:
		h.Process = "a spot welder: the Shop names none"
	default:
		h.Process = "MIG, as small shops have it: the Shop names no welder"
	}
	if h.Past != "" {
		if h.Passed = x.passed(seam.ID); h.Passed == "" && !l.outside {
			h.Passed = s.Shop.Coupon(seam.Sides[0].Material, thick)
		}
	}
	r, err := weld.How(in)
	if err != nil {
		return h
	}
	add := func(format string, args ...any) { h.Lines = append(h.Lines, fmt.Sprintf(format, args...)) }
	if in.Process == weld.Spot {
		add("a run of spots; set it by a peel test of two strips")
	} else {
		add("start at %.0f A", math.Round(r.Amps/5)*5)
	}
	switch in.Process {
	case weld.MIG:
		add("wire %s, %s", pen.Fine(r.Wire), r.Gas)
	case weld.TIG:
		add("rod %s, tungsten %s, %s", pen.Fine(r.Rod), pen.Fine(r.Tungsten), r.Gas)
	case weld.Stick:
		add("rods %s, dry", pen.Fine(r.Rod))
	}
	if r.Passes > 1 {
		add("%d passes", r.Passes)
	}
	if r.Runs > 1 && in.Process != weld.Spot {
		add("runs of %s at most, then let it cool to the hand", pen.MM(r.Run))
	}
	add("bright %s each side", pen.MM(r.Band))
	for _, t := range []float64{thin, thick} {
		for _, line := range s.Shop.Welding(seam.Sides[0].Material, []float64{t}).Worked {
			if len(h.Worked) == 0 || h.Worked[len(h.Worked)-1] != line {
				h.Worked = append(h.Worked, line)
			}
		}
	}
	k := r.Working.Written(inch)
	h.Working, h.findings = &k, r.Findings
	return h
}

// gap answers the gap measured under a seam.
func (x *seated) gap(id string) float64 {
	for _, q := range x.w.Seams {
		if q.ID == id && q.Gap != nil {
			return *q.Gap
		}
	}
	return 0
}

func (x *seated) passed(id string) string {
	for _, q := range x.w.Seams {
		if q.ID == id {
			return strings.TrimSpace(q.Passed)
		}
	}
	return ""
}

// by answers how a seam is to be laid; empty where nobody said.
func (x *seated) by(id string) string {
	for _, q := range x.w.Seams {
		if q.ID == id {
			return q.By
		}
	}
	return ""
}

func amps(m shop.Machine, inch bool) float64 {
	v, said := m.Limit("amps", inch)
	if !said {
		return 0
	}
	return v
}

// pastWelders says why the welder of a seam does not lay it in one pass, nor any other that lays seams that way.
func (s *site) pastWelders(l laying, m stock.Material, thin, thick float64) string {
	if m.Family == stock.Aluminum || s.takes(*l.welder, thin, thick) {
		return ""
	}
	var says []string
	limits := s.Shop.Welders(s.Brief.Inches()) // one for each of them: it says which limits are usual ones
	for i, w := range s.Shop.Welds() {
		if (w.Sort == weld.Spot) != (l.process == weld.Spot) || l.why == "as chosen" && w.Sort != l.process {
			continue
		}
		says = append(says, fmt.Sprintf("%s welds from %s to %s in one pass", w.Called(), limits[i].Least.Says(s.seamPen().Fine),
			limits[i].Most.Says(s.seamPen().Fine)))
	}
	what := s.seamPen().Fine(thick)
	if thin < thick-1e-9 {
		what = s.seamPen().Fine(thin) + " on " + what
	}
	return fmt.Sprintf("%s is welded, and no welder of the Shop takes that: %s.", what, strings.Join(says, ", "))
}

// unproved adds that nobody can say what seams hold that the shop's welders are not said to lay.
func (s *site) unproved(x *seated, r *weld.SeamsHeld) {
	for _, seam := range x.seams {
		h := s.seamHow(x, seam)
		if h.Past == "" || h.Passed != "" {
			continue
		}
		c := strength.Silent("welder", "Whether the shop lays it", fmt.Sprintf("%s: %s Until a coupon of the same two pieces was cut and "+
			"etched, or "+
			"bent, and held, nobody can say what it holds.", seam.Called(), h.Past))
		c.Feature = seam.ID
		r.Checks = append([]strength.Check{c}, r.Checks...)
		if r.Verdict != strength.Over {
			r.Verdict = strength.CannotSay
		}
	}
}

// position answers how a seam lies that is welded where it is: by the way it runs, and the way its corner opens.
func position(seam weld.Seam) string {
	long := seam.Path[len(seam.Path)-1].Sub(seam.Path[0])
	if seam.Len() > 0 && math.Abs(long[2]) > .7*seam.Len() {
		return "vertical"
	}
	face, wall := seam.Sides[0].Normal, seam.Sides[1].Normal
	open := face
	if seam.Form == weld.FilletForm && wall.Len() > 0 {
		open = face.Sub(wall)
	}
	lowest := unitUp(open)
	if seam.Both && face.Len() > 0 { // the worse of its two corners
		lowest = math.Min(lowest, unitUp(face.Mul(-1).Sub(wall)))
	}
	switch {
	case face.Len() == 0:
		return ""
	case lowest < -.3:
		return "overhead"
	case lowest < .6:
		return "horizontal"
	}
	return "flat"
}

// unitUp is how far up a way looks, from −1 to 1.
func unitUp(v solid.Vector) float64 {
	if v.Len() == 0 {
		return 0
	}
	return v[2] / v.Len()
}
