package split

import (
	"fmt"
	"math"
	"slices"
	"sort"
	"strings"

	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/working"
)

// Line is a place where a part can be split, proved by building its pieces.
type Line struct {
	Name    string   `json:"name"`
	Parting Parting  `json:"parting" doc:"as it is asked for"`
	Pieces  []Size   `json:"pieces"`
	Crossed []string `json:"crossed" doc:"bends that are bent in two pieces then, and have to meet"`
	Left    []string `json:"left" doc:"what is still too large of them"`
	Why     string   `json:"why" doc:"why there, in words"`
}

// Size is how large a piece comes out.
type Size struct {
	Name  string     `json:"name"`
	Blank [2]float64 `json:"blank" doc:"mm"`
	Mass  float64    `json:"mass" doc:"kg"`
}

// Lines are the places where a part can be split, best first, and why there are none
// along a way.
type Lines struct {
	Lines []Line          `json:"lines"`
	Not   []string        `json:"not" doc:"why there is no line along a way"`
	Told  working.Working `json:"working"`
}

// tries is how many places along a way are tried: they are 1/34 of it apart.
const tries = 33

// Propose tries where a part can be split: along both ways of its base, from the middle
// outwards, and at its bends. Every line is one whose pieces were built and have nothing
// that stops them; the first along a way whose pieces are not too large is offered, else
// the most even one beside the one that leaves fewer too large. It fails with *working.Fault where nothing can be
// split, and with the context's error when the work is to end.
func Propose(r sheet.Recipe, joined Parting, opt made.Options) (Lines, error) {
	out := Lines{Lines: []Line{}, Not: []string{}}
	opt.Proved, opt.Body, opt.Sections, opt.Quantity, opt.Master = false, false, false, 0, nil
	whole, err := made.Build(r, opt)
	if err != nil {
		return out, err
	}
	if !whole.Whole {
		return out, working.Refuse("", "The part cannot be unfolded as it stands: mend that first.")
	}
	t := proposer{r: r, opt: opt, whole: whole}
	joined.Axis, joined.Bend, joined.At, joined.Why = "", "", 0, ""
	x, y := math.Inf(-1), math.Inf(-1)
	x0, y0 := math.Inf(1), math.Inf(1)
	for _, p := range whole.Panels[0].Flat {
		x, y, x0, y0 = math.Max(x, p.X), math.Max(y, p.Y), math.Min(x0, p.X), math.Min(y0, p.Y)
	}
	for _, way := range []struct {
		axis, from string
		long       float64
	}{{"x", "from left to right", x - x0}, {"y", "from front to back", y - y0}} {
		joined.Axis = way.axis
		found, why, err := t.along(joined, way.long)
		if err != nil {
			return out, err
		}
		if out.Lines = append(out.Lines, found...); len(found) == 0 {
			out.Not = append(out.Not, fmt.Sprintf("No line across it holds %s: %s", way.from, why))
		}
	}
	joined.Axis, joined.Joint = "", LapJoint
	for _, l := range whole.BendLines {
		joined.Bend = l.ID
		best, _, err := t.at(joined)
		if err != nil {
			return out, err
		}
		if best != nil {
			best.Name = "At the bend of " + l.Name
			out.Lines = append(out.Lines, *best)
		}
	}
	sort.SliceStable(out.Lines, func(i, k int) bool {
		a, b := out.Lines[i], out.Lines[k]
		if len(a.Left) != len(b.Left) {
			return len(a.Left) < len(b.Left)
		}
		return len(a.Crossed) < len(b.Crossed)
	})
	out.Told = t.working(len(out.Lines))
	return out, nil
}

// proposer tries lines of one part.
type proposer struct {
	r     sheet.Recipe
	opt   made.Options
	whole made.Part
	tried int
}

// along tries places along a way, from the middle outwards. It answers the one nearest to
// the middle and, where that leaves pieces too large, the nearest that leaves fewer.
func (t *proposer) along(p Parting, long float64) (found []Line, why string, err error) {
	step := 1.
	if t.opt.Display.Style == quantity.Fraction || t.opt.Display.Style == quantity.Decimal {
		step = 25.4 / 16
	}
	var places []float64
	for k := range tries {
		at := math.Round(long*float64(k+1)/(tries+1)/step) * step
		places = append(places, at)
	}
	slices.SortStableFunc(places, func(a, b float64) int {
		da, db := math.Abs(a-long/2), math.Abs(b-long/2)
		switch {
		case da < db-1e-9:
			return -1
		case da > db+1e-9:
			return 1
		}
		return 0
	})
	middle := ""
	for i, at := range slices.Compact(places) {
		p.At = at
		line, not, err := t.at(p)
		if line != nil {
			line.Name = fmt.Sprintf("%s from the %s", t.opt.Display.Text(at), map[string]string{"x": "left", "y": "front"}[p.Axis])
		}
		if err != nil {
			return nil, "", err
		}
		if line == nil {
			if i == 0 {
				middle = not
			}
			if why == "" {
				why = not
			}
			continue
		}
		switch {
		case i == 0:
			line.Why = "In the middle. " + line.Why
		case middle != "":
			line.Why = "Beside the middle, where it does not go (" + strings.TrimSuffix(middle, ".") + "). " + line.Why
		}
		switch {
		case len(found) == 0:
			found = []Line{*line}
		case len(line.Left) < len(found[len(found)-1].Left):
			found = append(found[:1], *line)
		}
		if last := found[len(found)-1]; len(last.Left) == 0 {
			return []Line{last}, "", nil
		}
	}
	return found, why, nil
}

// large are the findings that say a part is more than a bed, a brake or a person takes.
func large(p made.Part) (out []working.Finding) {
	for _, f := range p.Findings {
		if f.Cause == "Large parts" {
			out = append(out, f)
		}
	}
	return out
}

// left says in few words what a piece is too large for, each once.
func left(piece string, list []working.Finding) (out []string) {
	for _, f := range list {
		what := map[string]string{"past-bed": "the table", "past-brake": "the brake", "past-lift": "one person's lift"}[f.Code]
		if what == "" {
			what = f.Code
		}
		if told := piece + " for " + what; !slices.Contains(out, told) {
			out = append(out, told)
		}
	}
	return out
}

// at tries one line: its pieces are built. It answers why not, where it does not go.
func (t *proposer) at(p Parting) (*Line, string, error) {
	if t.opt.Until != nil && t.opt.Until.Err() != nil {
		return nil, "", t.opt.Until.Err()
	}
	n := 0
	t.tried++
	pieces, err := Part(t.r, p, func() string { n++; return fmt.Sprintf("split-%d", n) })
	if err != nil {
		return nil, err.Error(), nil
	}
	out := &Line{Parting: p, Pieces: []Size{}, Crossed: []string{}, Left: []string{}}
	bends, stops := map[string]int{}, map[string]int{}
	for _, f := range t.whole.Findings {
		if f.Severity == working.Stop {
			stops[f.Code]++
		}
	}
	fits := []string{}
	for _, s := range pieces.Parts {
		b, err := made.Build(s.Recipe, t.opt)
		if err != nil {
			if t.opt.Until != nil && t.opt.Until.Err() != nil {
				return nil, "", err
			}
			return nil, err.Error(), nil
		}
		for _, f := range b.Findings {
			if f.Severity != working.Stop {
				continue
			}
			if stops[f.Code]--; stops[f.Code] < 0 { // more than the whole has
				return nil, f.Reason, nil
			}
		}
		if !b.Whole {
			return nil, "The " + s.Name + " cannot be unfolded.", nil
		}
		out.Left = append(out.Left, left(s.Name, large(b))...)
		for _, l := range b.BendLines {
			if bends[l.ID]++; bends[l.ID] == 2 {
				out.Crossed = append(out.Crossed, l.Name)
			}
		}
		x, y := b.Outline.Bounds().Size()
		out.Pieces = append(out.Pieces, Size{s.Name, [2]float64{x, y}, b.Mass})
		fits = append(fits, fmt.Sprintf("%s × %s of %s", t.opt.Display.Text(x), t.opt.Display.Text(y), quantity.FormatMass(b.Mass,
			t.opt.Display)))
	}
	out.Why = "Blanks of " + strings.Join(fits, " and ") + "."
	if len(out.Left) == 0 && len(large(t.whole)) > 0 {
		out.Why += " They fit bed, brake and lift, which the whole does not."
	}
	return out, "", nil
}

func (t *proposer) working(found int) working.Working {
	return working.Working{Method: "Lines tried from the middle outwards along both ways, and at each bend; the pieces of each are built " +
		"and checked",
		Source:      "practice: pieces as even as they come, no hole or notch on the line, within bed, brake and lift",
		Formula:     "at = long·k / 34, k = 17, 16, 18, 15 …",
		Inputs:      []working.Quantity{{Name: "Longer way of the blank", Value: longer(t.whole), Unit: "mm"}},
		Steps:       []working.Quantity{{Name: "Places and bends tried", Value: float64(t.tried)}},
		Assumptions: []string{"bed, brake and lift are those the findings name", "a line between two places tried may hold where neither does"},
		Result:      working.Quantity{Name: "Lines that hold", Value: float64(found)}}
}

func longer(p made.Part) float64 {
	x, y := p.Outline.Bounds().Size()
	return math.Max(x, y)
}
