package hold

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Suggestion is one change that was worked out, not guessed: the whole bracket
// is built and checked again with it.
type Suggestion struct {
	Label       string           `json:"label"`
	Mount       Mount            `json:"mount" doc:"the mount with the change"`
	Edits       []working.Edit   `json:"edits" doc:"of the part's recipe"`
	Utilisation *float64         `json:"utilisation" doc:"largest, with the change"`
	Verdict     strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	First       string           `json:"first" doc:"what then gives first"`
	Mass        float64          `json:"mass" doc:"kg of one part with the change, bolts not counted"`
	MassChange  float64          `json:"massChange" doc:"kg"`
	Asks        []string         `json:"asks" doc:"what else it asks for; nothing, as a change that brings new stops is not offered"`
}

// slack is the utilisation below which a bracket is said to be over-strong.
const slack = .25

var metricPlate = []float64{1, 1.25, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25}
var inchPlate = []float64{.0478 * 25.4, .0747 * 25.4, 25.4 / 8, 25.4 * 3 / 16, 25.4 / 4, 25.4 * 5 / 16, 25.4 * 3 / 8, 25.4 / 2,
	25.4 * 5 / 8, 25.4 * 3 / 4, 25.4}

type change struct {
	label string
	mount Mount
	edits []working.Edit
}

// Suggest answers what would help a bracket that is tight or over (hardest
// first relieved), or what could be saved on one that is over-strong.
func Suggest(r sheet.Recipe, m Mount, loads []Load, rule strength.Rule, opt made.Options) []Suggestion {
	out := []Suggestion{}
	part, err := made.Build(r, opt)
	if err != nil {
		return out
	}
	now := Check(part, r, m, loads, rule)
	if now.Hardest == nil {
		return out
	}
	up := *now.Hardest >= strength.TightFrom
	if !up && *now.Hardest >= slack {
		return out
	}
	for _, c := range changes(r, part, m, up, opt) {
		next, built, ok := tried(r, part, &c, opt)
		if !ok {
			continue
		}
		res := Check(built, next, c.mount, loads, rule)
		if res.Hardest == nil || stopped(res) || len(asks(part, built)) > 0 || silences(now, res) {
			continue
		}
		helps := up && *res.Hardest < *now.Hardest-1e-6 || !up && *res.Hardest < strength.TightFrom
		if helps {
			more := doublerMass(&built, next, c.mount) - doublerMass(&part, r, m)
			out = append(out, Suggestion{c.label, c.mount, append([]working.Edit{}, c.edits...), res.Hardest, res.Verdict, res.First, built.Mass,
				built.Mass - part.Mass + more, []string{}})
		}
	}
	return out
}

// tried builds the part with a change. Where that brings new stops that have a
// fix, such as a larger radius for thicker plate, the fixes join the change.
func tried(r sheet.Recipe, was made.Part, c *change, opt made.Options) (sheet.Recipe, made.Part, bool) {
	build := func(edits []working.Edit) (sheet.Recipe, made.Part, bool) {
		next, err := sheet.ApplyEdits(r, edits)
		if err != nil {
			return next, made.Part{}, false
		}
		built, err := made.Build(next, opt)
		return next, built, err == nil && built.Whole
	}
	next, built, ok := build(c.edits)
	had := stops(was)
	for range 3 { // a fix may ask for another: holes moved in, then a longer leg
		if !ok || len(asks(was, built)) == 0 {
			return next, built, ok
		}
		edits, labels := append([]working.Edit{}, c.edits...), []string{}
		for _, f := range built.Findings {
			if f.Severity == working.Stop && !had[f.Code+f.Feature] && len(f.Fixes) > 0 {
				edits = append(edits, f.Fixes[0].Edits...)
				if !slices.Contains(labels, lower(f.Fixes[0].Label)) {
					labels = append(labels, lower(f.Fixes[0].Label))
				}
			}
		}
		fixedRecipe, fixed, whole := build(edits)
		if len(labels) == 0 || !whole {
			break
		}
		c.edits, c.label = edits, c.label+", "+strings.Join(labels, ", ")
		next, built = fixedRecipe, fixed
	}
	return next, built, ok
}

// silences tells whether something that was answered before cannot be said any more.
func silences(was, now Result) bool {
	known := map[string]bool{}
	for _, c := range was.Checks {
		known[c.Key] = known[c.Key] || c.Verdict != strength.CannotSay
	}
	for _, c := range now.Checks {
		if c.Verdict == strength.CannotSay && known[c.Key] {
			return true
		}
	}
	return false
}

func stops(p made.Part) map[string]bool {
	had := map[string]bool{}
	for _, f := range p.Findings {
		if f.Severity == working.Stop {
			had[f.Code+f.Feature] = true
		}
	}
	return had
}

// asks lists the stops of the changed part that the part did not have.
func asks(was, now made.Part) []string {
	had := stops(was)
	out := []string{}
	for _, f := range now.Findings {
		if f.Severity == working.Stop && f.SetAside == "" && !had[f.Code+f.Feature] && !slices.Contains(out, f.Reason) {
			out = append(out, f.Reason)
		}
	}
	return out
}

func stopped(r Result) bool {
	for _, f := range r.Findings {
		if f.Severity == working.Stop {
			return true
		}
	}
	return false
}

func changes(r sheet.Recipe, part made.Part, m Mount, up bool, opt made.Options) (list []change) {
	if len(m.Welded) > 0 { // no bolts to change
		if c, ok := otherPlate(r, m, up, opt); ok {
			list = append(list, c)
		}
		return list
	}
	if c, ok := otherSize(r, m, up); ok {
		list = append(list, c)
	}
	if up {
		if c, ok := otherGrade(m); ok {
			list = append(list, c)
		}
		if c, ok := wider(r, m, opt); ok {
			list = append(list, c)
		}
		if c, ok := nearer(r, part, m, opt); ok {
			list = append(list, c)
		}
		list = append(list, moreEdge(r, part, m, opt)...)
		list = append(list, doubled(r, part, m, opt)...)
	}
	if c, ok := otherPlate(r, m, up, opt); ok {
		list = append(list, c)
	}
	return list
}

// otherSize takes the next thread up or down that has the grade, and opens or
// closes the holes to its normal clearance.
func otherSize(r sheet.Recipe, m Mount, up bool) (change, bool) {
	now, err := stock.FindThread(m.Bolts.System, m.Bolts.Size, m.Bolts.Pitch)
	if err != nil {
		return change{}, false
	}
	var best *stock.Thread
	for _, t := range stock.Threads {
		if t.System != now.System || t.Coarse != now.Coarse || t.Diameter == now.Diameter || (t.Diameter > now.Diameter) != up {
			continue
		}
		if _, err := stock.FindGrade(t, m.Bolts.Grade); err != nil {
			continue
		}
		if best == nil || math.Abs(t.Diameter-now.Diameter) < math.Abs(best.Diameter-now.Diameter)-1e-9 {
			best = &t
		}
	}
	if best == nil {
		return change{}, false
	}
	c := change{label: best.Size + " bolts in place of " + now.Size, mount: m}
	c.mount.Bolts.Size, c.mount.Bolts.Pitch = best.Size, best.Pitch
	if m.Bolts.Washer > 0 {
		c.mount.Bolts.Washer = m.Bolts.Washer * best.Diameter / now.Diameter
	}
	each(r, m.Fasten, func(path string, h sheet.Hole) {
		c.edits = append(c.edits, working.Edit{Path: path + "/diameter", Value: best.Clearance.Normal})
	})
	return c, true
}

func otherGrade(m Mount) (change, bool) {
	t, err := stock.FindThread(m.Bolts.System, m.Bolts.Size, m.Bolts.Pitch)
	if err != nil {
		return change{}, false
	}
	now, err := stock.FindGrade(t, m.Bolts.Grade)
	if err != nil {
		return change{}, false
	}
	for _, g := range stock.Grades {
		if g.System != t.System || g.Name == now.Name || g.Tensile <= now.Tensile || g.Stainless != now.Stainless {
			continue
		}
		if _, err := stock.FindGrade(t, g.Name); err == nil {
			c := change{label: g.Name + " bolts in place of " + m.Bolts.Grade, mount: m}
			c.mount.Bolts.Grade = g.Name
			return c, true
		}
	}
	return change{}, false
}

// wider spreads the pattern by a quarter about its middle.
func wider(r sheet.Recipe, m Mount, opt made.Options) (change, bool) {
	c := change{label: "Holes a quarter farther apart", mount: m}
	grain := grainOf(opt)
	grow := func(path string, v, half float64, offset string, at sheet.Offset) {
		if v <= 0 {
			return
		}
		more := math.Max(grain, math.Round(v/4/grain)*grain)
		c.edits = append(c.edits, working.Edit{Path: path, Value: v + more})
		if offset != "" {
			c.edits = append(c.edits, working.Edit{Path: offset, Value: at.Distance - half*more})
		}
	}
	each(r, m.Fasten, func(path string, h sheet.Hole) {
		p := h.Pattern
		switch {
		case p == nil:
		case p.Kind == sheet.CirclePattern:
			grow(path+"/pattern/diameter", p.Diameter, 0, "", h.X)
		default:
			if p.Columns > 1 {
				grow(path+"/pattern/pitchX", p.PitchX, float64(p.Columns-1)/2, path+"/x/distance", h.X)
			}
			if p.Rows > 1 {
				grow(path+"/pattern/pitchY", p.PitchY, float64(p.Rows-1)/2, path+"/y/distance", h.Y)
			}
		}
	})
	return c, len(c.edits) > 0
}

// nearer moves the pattern half way to the bend the load comes through, as far
// as a socket and the bend leave room.
func nearer(r sheet.Recipe, part made.Part, m Mount, opt made.Options) (change, bool) {
	p, err := lay(&part, m)
	if err != nil {
		return change{}, false
	}
	list, _ := p.sections()
	if len(list) < 2 {
		return change{}, false
	}
	row, before := list[len(list)-1], list[len(list)-2]
	if row.holes == 0 {
		return change{}, false
	}
	gap := before.at.Sub(row.at).Dot(row.across)
	least := max(p.bolt.Thread.AcrossHex, m.Bolts.Washer)/2 + r.Thickness
	by := min(gap/2, gap-least)
	grain := grainOf(opt)
	if by = math.Floor(by/grain) * grain; by < 2*grain {
		return change{}, false
	}
	s := p.panel.Seat
	way := p.panel.Onto(profile.Point{X: row.across.Dot(s.X), Y: row.across.Dot(s.Y)})
	c := change{label: fmt.Sprintf("Holes %s nearer to the bend", written(by, opt)), mount: m}
	each(r, m.Fasten, func(path string, h sheet.Hole) {
		for i, o := range [2]sheet.Offset{h.X, h.Y} {
			inward := map[sheet.Edge]profile.Point{sheet.Left: {X: 1}, sheet.Right: {X: -1}, sheet.Front: {Y: 1}, sheet.Back: {Y: -1}}[o.Edge]
			if d := by * way.Dot(inward); math.Abs(d) > 1e-6 {
				c.edits = append(c.edits, working.Edit{Path: path + [2]string{"/x", "/y"}[i] + "/distance", Value: o.Distance + d})
			}
		}
	})
	return c, len(c.edits) > 0
}

func otherPlate(r sheet.Recipe, m Mount, up bool, opt made.Options) (change, bool) {
	list := metricPlate
	if opt.Display.Style != "mm" {
		list = inchPlate
	}
	next := 0.0
	for _, t := range list {
		if up && t > 1.12*r.Thickness && next == 0 || !up && t < r.Thickness/1.12 {
			next = t
		}
	}
	if next == 0 {
		return change{}, false
	}
	c := change{label: fmt.Sprintf("%s plate in place of %s", written(next, opt), written(r.Thickness, opt)), mount: m,
		edits: []working.Edit{{Path: "/thickness", Value: next}}}
	if r.Gauge != nil {
		c.edits = append(c.edits, working.Edit{Path: "/gauge", Value: nil})
	}
	return c, true
}

// grainOf is what sizes are changed by, mm: a millimetre, or a sixteenth.
func grainOf(opt made.Options) float64 {
	if opt.Display.Style != quantity.Metric {
		return 25.4 / 16
	}
	return 1
}

// written writes a length as the job does.
func written(mm float64, opt made.Options) string { return lengthIn(opt.Display, mm) }

func lengthIn(d quantity.Display, mm float64) string {
	return d.Text(mm)
}

// each visits the named hole features of a recipe with their paths.
func each(r sheet.Recipe, features []string, visit func(path string, h sheet.Hole)) {
	holes := func(path string, list []sheet.Hole) {
		for i, h := range list {
			if slices.Contains(features, h.ID) {
				visit(fmt.Sprintf("%s/holes/%d", path, i), h)
			}
		}
	}
	holes("/base", r.Base.Holes)
	flanges(r, func(path string, f sheet.Flange) { holes(path, f.Holes) })
}

// flanges visits every flange of a recipe with its path.
func flanges(r sheet.Recipe, visit func(path string, f sheet.Flange)) {
	var walk func(path string, list []sheet.Flange)
	walk = func(path string, list []sheet.Flange) {
		for i, f := range list {
			at := fmt.Sprintf("%s/flanges/%d", path, i)
			visit(at, f)
			walk(at, f.Flanges)
		}
	}
	walk("/base", r.Base.Flanges)
}
