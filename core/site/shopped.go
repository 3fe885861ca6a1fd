package site

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/joint"
	"warmanvil/core/member"
	"warmanvil/core/member/cutlist"
	"warmanvil/core/member/shape"
	"warmanvil/core/sheet/flags"
	"warmanvil/core/shop"
	"warmanvil/core/stock"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// shopped asks of a frame whether the shop's benders bend its pieces, its welders weld their
// walls, and its ovens, spray places and transport take it whole. A kind of machine the shop
// names none of is not asked.
func shopped(p told.Pen, w shop.Shop, built *shape.Built, cut cutlist.CutList, inch bool) (out []working.Finding) {
	say := func(code string, severity working.Severity, cause, name, reason string) {
		out = append(out, working.Finding{Code: code, Severity: severity, Cause: cause, Name: name, Reason: reason})
	}
	benders := w.Benders(inch)
	for _, r := range cut.Rows {
		if r.Bend == nil || len(benders) == 0 {
			continue
		}
		if why := notBent(p, benders, r); why != "" {
			say("past-bender", working.Mind, "Bender", r.Mark, fmt.Sprintf("%s, %s: no bender of the Shop bends it: %s.",
				r.Mark, r.Stock, why)+flags.Ways{Tool: "another former or die", Machine: "another bender (say it in the Shop)",
				Split: "corners that are cut and welded", Supplier: "have it bent outside", Design: "another section"}.Says())
		}
	}
	if welders := w.Welders(inch); len(welders) > 0 && len(built.Pieces) > 1 {
		seen := map[string]bool{}
		for _, x := range built.Pieces {
			t := member.Thickness(x.Section)
			if x.Why != "" || seen[x.Stock] || t == 0 {
				continue
			}
			seen[x.Stock] = true
			if why := flags.NoWelder(welders, t, built.Steel, p.MM); why != "" {
				say("past-welder", working.Mind, "Welder", x.Stock, x.Stock+": "+why)
			}
		}
	}
	for _, op := range w.Untried() {
		if op == "sawing" && len(built.Pieces) > 0 || op == "welding" && len(built.Pieces) > 1 || op == "bending" &&
			len(built.Formed) > 0 {
			say("practice", working.Note, "People", "", fmt.Sprintf("Nobody in the shop is practised at %s: make a practice piece of "+
				"the same section "+
				"first, and break it open or measure it.", op))
		}
	}
	size := [3]float64(built.Max.Sub(built.Min))
	for _, o := range flags.OutgrownOf(w.Places(inch), size, built.Mass) {
		what := fmt.Sprintf("Put together it is %s × %s × %s, more than %s takes laid square", p.MM(size[0]), p.MM(size[1]),
			p.MM(size[2]), o.Name)
		if o.Why == "mass" {
			what = fmt.Sprintf("It weighs %s, more than %s carries", p.Kilos(built.Mass), o.Name)
		}
		say("past-"+o.Kind, working.Note, "Machines", "", what+". "+o.Says())
	}
	return out
}

// notBent says why no bender bends a piece; empty when one does.
func notBent(p told.Pen, benders []shop.BenderSaid, r cutlist.CutRow) string {
	most := 0.
	for _, b := range r.Bend.Bends {
		most = math.Max(most, math.Abs(b.Angle))
	}
	var why []string
	for _, b := range benders {
		switch {
		case b.Round.More(r.Bend.Outside):
			why = append(why, fmt.Sprintf("%s takes up to %s", b.Name, b.Round.Says(p.MM)))
		case b.Wall.More(r.Bend.Wall):
			why = append(why, fmt.Sprintf("%s takes walls up to %s", b.Name, b.Wall.Says(p.MM)))
		case b.Angle.More(most):
			why = append(why, fmt.Sprintf("%s turns up to %s", b.Name, b.Angle.Says(degrees)))
		default:
			return ""
		}
	}
	return strings.Join(why, ", ")
}

func degrees(v float64) string { return fmt.Sprintf("%.4g°", v) }

// socketWithin is how far a socket may be off a head to turn it, mm: 13 mm turns 1/2 in badly, and
// rounds it (practice).
const socketWithin = .15

// tooled asks whether the shop has what turns, sets or drives the bolts of a joint; a kind of tool
// the shop names none of is not asked.
func tooled(p told.Pen, w shop.Shop, in joint.Input) (out []working.Finding) {
	mind := func(code, reason string) {
		out = append(out, working.Finding{Code: code, Severity: working.Mind, Cause: "Tools", Reason: reason})
	}
	if in.Nut.Set() == joint.Drawn && in.Rivet != nil {
		if have := w.Riveted(); have != nil && !slices.ContainsFunc(have,
			func(d float64) bool { return math.Abs(d-in.Rivet.Diameter) < .06 }) {
			mind("riveter-missing", fmt.Sprintf("No rivet tool of the Shop sets rivets of %s: buy or borrow one, or take another size.",
				p.MM(in.Rivet.Diameter)))
		}
		return out
	}
	have := w.Turned()
	thread, err := stock.FindThread(in.System, in.Size, in.Pitch)
	if have == nil || err != nil || in.Nut.Set() != joint.Turned || in.Head == stock.SocketHead {
		return out
	}
	if !slices.ContainsFunc(have, func(d float64) bool { return math.Abs(d-thread.AcrossHex) <= socketWithin }) {
		mind("socket-missing", fmt.Sprintf("%s heads are %s across flats, and the Shop has no socket or spanner of that size: buy or "+
			"borrow "+
			"one, or take another size of bolt.", thread.Name(), p.MM(thread.AcrossHex)))
	}
	return out
}

// thinnest answers the thinnest wall of a frame's sections, mm; 0 of none.
func thinnest(built *shape.Built) (mm float64) {
	for _, x := range built.Pieces {
		if t := member.Thickness(x.Section); x.Why == "" && t > 0 && (mm == 0 || t < mm) {
			mm = t
		}
	}
	return mm
}

// sawOf answers what sticks are planned with, the Shop's price by weight where none is typed,
// and where its kerf comes from: as typed, as
// the shop measured it, as its blade says, or as usual.
func sawOf(p told.Pen, d member.Doc, w shop.Shop, built *shape.Built, inch bool) (member.Saw, string) {
	if price, is := w.PriceOf(built.Steel); is && d.Saw.PerKilo == 0 {
		d.Saw.PerKilo = price
	}
	if d.Saw.Kerf > 0 {
		return cutlist.Usual(d.Saw, inch), "as typed"
	}
	mm, says := w.SawKerf(d.Material, thinnest(built), p.Display.Fine)
	if d.Saw.Kerf = mm; mm == 0 {
		says = "usual: no saw or blade of the Shop says"
	}
	return cutlist.Usual(d.Saw, inch), says
}

// lackedTools says which tools for a joint the shop does not have.
func (s *site) lackedTools(in joint.Input) []working.Finding {
	return tooled(told.Pen{Display: s.Brief.Display()}, s.Shop, in)
}
