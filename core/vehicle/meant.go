package vehicle

import (
	"cmp"
	"errors"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/hole"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// MeantTold is what some holes are meant to be, tested against the readings.
type MeantTold struct {
	ID      string           `json:"id,omitempty" doc:"empty of what nobody said and the readings go with"`
	Form    hole.Form        `json:"form" enum:"rectangle,row,evenRow,circle,evenCircle"`
	Holes   []string         `json:"holes" doc:"ids"`
	Name    string           `json:"name" doc:"the form with its sizes and holes, in words"`
	Holds   bool             `json:"holds"`
	Used    bool             `json:"used" doc:"the map goes by it"`
	Says    string           `json:"says"`
	Working *working.Working `json:"working,omitempty"`
}

// meant tests what holes of a worked map are meant to be, and answers the map with what was
// taken made exact; nil where nothing was taken or the readings speak against it.
func (l *Locator) meant(m *HoleMap, t *MapTold, in hole.MapInput, r hole.MapResult) [][2]float64 {
	var taken []hole.Figure
	for _, x := range m.Meant {
		f := figureOf(m, x)
		test := l.tested(m, in, r, f)
		test.ID, test.Holes = x.ID, x.Holes
		t.Meant = append(t.Meant, test)
		if x.Taken && test.Holds {
			taken = append(taken, f)
		}
	}
	defer l.propose(m, t, in, r)
	if len(taken) == 0 {
		return nil
	}
	all, err := in.Meant(r, taken)
	if err != nil || !all.Holds {
		return nil
	}
	for i, x := range m.Meant {
		t.Meant[i].Used = x.Taken && t.Meant[i].Holds
	}
	return all.Points
}

// sayMeant says what was taken and is not used any more: nobody may go on by a rectangle
// that the readings have turned down.
func (l *Locator) sayMeant(m *HoleMap, t *MapTold) {
	for i, x := range m.Meant {
		if !x.Taken || i >= len(t.Meant) || t.Meant[i].Used {
			continue
		}
		why := t.Meant[i].Says
		if t.Meant[i].Holds {
			why = "Together with what else was taken the readings do not go with it."
		}
		t.Findings = append(t.Findings, working.Finding{Code: "meant", Severity: working.Stop, Cause: "Hole map", Name: m.Name,
			Reason:  fmt.Sprintf("Taken to be %s, and not so: %s The map goes by the readings.", t.Meant[i].Name, why),
			Working: t.Meant[i].Working})
	}
}

func figureOf(m *HoleMap, x MeantHoles) (f hole.Figure) {
	f.Form = x.Form
	for _, id := range x.Holes {
		f.Holes = append(f.Holes, slices.IndexFunc(m.Holes, func(h MapHole) bool { return h.ID == id }))
	}
	return f
}

// tested says how the readings go with a figure.
func (l *Locator) tested(m *HoleMap, in hole.MapInput, r hole.MapResult, f hole.Figure) MeantTold {
	t := MeantTold{Form: f.Form, Holes: []string{}}
	var names []string
	for _, h := range f.Holes {
		if h < 0 {
			t.Name, t.Says = formWords[f.Form], "One of its holes is not in the map any more: choose them again."
			return t
		}
		t.Holes, names = append(t.Holes, m.Holes[h].ID), append(names, holeName(m, h))
	}
	which := "holes " + told.List(names)
	t.Name = formWords[f.Form] + " of " + which
	x, err := in.Meant(r, []hole.Figure{f})
	var refused *working.Fault
	if errors.As(err, &refused) {
		t.Says = l.Pen.Spoken(refused.Message)
		return t
	}
	if err != nil {
		t.Says = l.Pen.Refused(err)
		return t
	}
	t.Holds, t.Working = x.Holds, l.Pen.Explain(x.Working)
	t.Name = l.formed(f.Form, x.Sizes[0]) + ", " + which
	worst := f.Holes[0]
	for _, h := range f.Holes {
		if x.Moves[h] > x.Moves[worst] {
			worst = h
		}
	}
	moves := fmt.Sprintf("made exact, hole %s moves by %s", holeName(m, worst), l.Pen.MM(x.Moves[worst]))
	switch {
	case !x.Holds:
		t.Says = fmt.Sprintf("The readings speak against it: %s, more than they leave room for.", moves)
	case x.Shows > 50:
		t.Says = fmt.Sprintf("The readings do not speak against it: %s. They hardly could: take more across it.", moves)
	default:
		t.Says = fmt.Sprintf("The readings go with it: %s. One that stood %s off would show.", moves, l.Pen.MM(x.Shows))
	}
	return t
}

var formWords = map[hole.Form]string{hole.RectangleForm: "a rectangle", hole.RowForm: "in one line",
	hole.EvenRowForm: "in one line and evenly spaced", hole.CircleForm: "on a circle", hole.EvenCircleForm: "evenly round a circle"}

// formed is a figure with its sizes, in words.
func (l *Locator) formed(f hole.Form, sizes []float64) string {
	s := l.Pen.Display.Fine(sizes[0])
	switch f {
	case hole.RectangleForm:
		return fmt.Sprintf("a rectangle %s × %s", s, l.Pen.Display.Fine(sizes[1]))
	case hole.RowForm:
		return fmt.Sprintf("in one line %s long", s)
	case hole.EvenRowForm:
		return fmt.Sprintf("in one line, each %s from the next", s)
	case hole.EvenCircleForm:
		return fmt.Sprintf("evenly round a circle of %s", s)
	}
	return fmt.Sprintf("on a circle of %s", s)
}

// usedFor answers what a hole is taken to be part of; empty for nothing.
func (t MapTold) usedFor(id string) string {
	for _, x := range t.Meant {
		if x.Used && slices.Contains(x.Holes, id) {
			return x.Name
		}
	}
	return ""
}

// most holes of one size that are looked at for a figure nobody named, and proposals made.
const (
	mostLooked   = 24
	mostProposed = 6
)

// propose adds figures of holes alike in size, and of all, that the readings go with and
// that would show if they were not so.
func (l *Locator) propose(m *HoleMap, t *MapTold, in hole.MapInput, r hole.MapResult) {
	if r.Redundancy < 1 || !r.Consistent && r.Suspect == nil || len(r.Alternatives) > 0 {
		return
	}
	said := map[string]bool{}
	key := func(f hole.Figure) string { return fmt.Sprint(slices.Sorted(slices.Values(f.Holes))) }
	for _, x := range m.Meant {
		said[key(figureOf(m, x))] = true
	}
	var list []MeantTold
	for _, group := range alike(m) {
		if said[key(hole.Figure{Holes: group})] {
			continue
		}
		for _, form := range []hole.Form{hole.RectangleForm, hole.EvenCircleForm, hole.EvenRowForm, hole.CircleForm, hole.RowForm} {
			f := hole.Figure{Form: form, Holes: group}
			n, exactly := form.Least()
			if len(group) < n || exactly && len(group) != n {
				continue
			}
			x, err := in.Meant(r, []hole.Figure{f})
			if err != nil || !x.Holds || x.Shows > 10 {
				continue // what would not show cannot be proposed
			}
			list = append(list, l.tested(m, in, r, f))
			break // a rectangle lies on a circle as well, an even row in a line
		}
	}
	t.Meant = append(t.Meant, list[:min(len(list), mostProposed)]...)
}

// alike groups holes by their size, and all of them where that is another group.
func alike(m *HoleMap) (out [][]int) {
	bySize := map[float64][]int{}
	var sizes []float64
	var all []int
	for i, h := range m.Holes {
		d := math.Round(2*h.Diameter) / 2
		if bySize[d] == nil {
			sizes = append(sizes, d)
		}
		bySize[d], all = append(bySize[d], i), append(all, i)
	}
	slices.SortFunc(sizes, func(a, b float64) int { return cmp.Compare(len(bySize[b]), len(bySize[a])) })
	for _, d := range sizes {
		if n := len(bySize[d]); n >= 3 && n <= mostLooked {
			out = append(out, bySize[d])
		}
	}
	if len(sizes) > 1 && len(all) >= 3 && len(all) <= mostLooked {
		out = append(out, all)
	}
	return out
}

// agree says what the readings of a map come to: they agree only where every one counts,
// none is doubtful, none was read so that it contradicts itself, and one is to spare.
func (l *Locator) agree(m *HoleMap, t *MapTold) {
	n, waiting, doubtful := 0, 0, []string{}
	name := func(r MapReading) string {
		return l.holeOf(m, r.From) + " to " + l.holeOf(m, r.To)
	}
	for k, r := range m.Readings {
		switch {
		case !r.Value.Taken():
			waiting++
			continue
		case t.Readings[k].Why != "":
			doubtful = append(doubtful, name(r))
			continue
		case t.Readings[k].Large || r.Value.Doubtful(l.Survey.Shop, false):
			doubtful = append(doubtful, name(r))
			t.Readings[k].Large = true
		}
		n++
	}
	if t.Why != "" {
		return
	}
	count := fmt.Sprintf("%d %s", n, told.Plural(n, "reading", "readings"))
	switch {
	case t.Suspect != "" || !t.Consistent || len(t.Alternatives) > 0:
		return // the findings say it
	case len(doubtful) > 0:
		t.Says = fmt.Sprintf("%s go together, but %s %s doubtful: read %s again.", count, told.List(doubtful),
			told.Plural(len(doubtful), "is", "are"), told.Plural(len(doubtful), "it", "them"))
	case t.Spare == 0:
		t.Says = count + ", none to spare: nothing would show a wrong one."
	default:
		t.Agreed = true
		t.Says = fmt.Sprintf("%s agree, %d of them to spare.", count, t.Spare)
	}
	if waiting > 0 {
		t.Says += fmt.Sprintf(" %d %s not taken yet.", waiting, told.Plural(waiting, "is", "are"))
	}
}

func (l *Locator) holeOf(m *HoleMap, id string) string {
	for i := range m.Holes {
		if m.Holes[i].ID == id {
			return holeName(m, i)
		}
	}
	return "?"
}
