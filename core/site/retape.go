package site

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/member/shape"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
)

// CheckTold says whether a part or frame may go to the table: its governing dimensions
// measured again, its fit tried, nothing open that holds it back.
type CheckTold struct {
	Part      string          `json:"part"`
	Name      string          `json:"name"`
	Governing []GoverningTold `json:"governing"`
	Released  bool            `json:"released"`
	Says      string          `json:"says"`
	Holds     []string        `json:"holds" doc:"what else holds its files back"`
	Fit       string          `json:"fit" doc:"how its fit was tried, or that it was not"`
	Tried     bool            `json:"tried"`
	First     FirstTold       `json:"first" doc:"of a batch: its first piece"`
}

// GoverningTold is one dimension a part stands or falls with.
type GoverningTold struct {
	Key     string  `json:"key"`
	Name    string  `json:"name"`
	Nominal float64 `json:"nominal" doc:"mm"`
	Text    string  `json:"text"`
	Verdict string  `json:"verdict" enum:"good,bad,open"`
	Says    string  `json:"says"`
}

// fitted is a hole that has to meet something.
type fitted struct {
	name string
	body solid.Vector
}

// pitches answers the longest distances between holes, at most n of them.
func pitches(holes []fitted, n int) (out []GoverningTold) {
	for i, a := range holes {
		for _, b := range holes[:i] {
			out = append(out, GoverningTold{Key: b.name + " to " + a.name, Name: b.name + " to " + a.name + ", centres",
				Nominal: b.body.Sub(a.body).Len()})
		}
	}
	slices.SortStableFunc(out, func(a, b GoverningTold) int { return cmp.Compare(b.Nominal, a.Nominal) })
	return out[:max(0, min(n, len(out)))]
}

// surveyed are the holes of a part that are tied to the survey.
func surveyed(s vehicle.Survey, part BuiltPart) (out []fitted) {
	add := func(list []vehicle.MatePair) {
		for _, m := range list {
			for _, h := range part.Built.Holes {
				if h.ID == m.Hole && !slices.ContainsFunc(out, func(t fitted) bool { return t.name == h.Name }) {
					out = append(out, fitted{h.Name, h.Body})
				}
			}
		}
	}
	for _, f := range s.Follows {
		if f.Part == part.ID {
			add(f.Holes)
		}
	}
	for _, p := range s.Placed {
		if p.Part == part.ID {
			add(p.Mates)
		}
	}
	return out
}

// boltSets are the lists of a part's holes that take the bolts of one mount or joint
// together: a pitch of these that is off does not go on.
func boltSets(b brief.Brief, part BuiltPart) (out [][]fitted) {
	add := func(features []string) {
		var list []fitted
		for _, h := range part.Built.Holes {
			if slices.Contains(features, h.Feature) {
				list = append(list, fitted{h.Name, h.Body})
			}
		}
		out = append(out, list)
	}
	for _, m := range b.Mounts {
		if m.Part == part.ID {
			add(m.Hold.Fasten)
			add(m.Hold.Carry)
		}
	}
	for _, j := range b.Joints {
		if j.Part == part.ID {
			add(j.Features)
		}
	}
	return out
}

// governing answers the dimensions a part stands or falls with: the longest distances
// between holes tied to the survey, then the longest pitch of every set of bolts that
// no such distance covers, then its outside sizes; three, or all the pitches where
// those are more.
func governing(l *vehicle.Locator, s vehicle.Survey, b brief.Brief, part BuiltPart) (out []GoverningTold) {
	tied := surveyed(s, part)
	out = pitches(tied, 3)
	known := func(h fitted) bool {
		return slices.ContainsFunc(tied, func(t fitted) bool { return t.name == h.name })
	}
	for _, list := range boltSets(b, part) {
		if !slices.ContainsFunc(list, func(h fitted) bool { return !known(h) }) {
			continue
		}
		for _, g := range pitches(list, 1) {
			if !slices.ContainsFunc(out, func(o GoverningTold) bool { return o.Key == g.Key }) {
				out = append(out, g)
			}
		}
	}
	size := part.Built.Body
	lengths := [3]string{"left to right over all", "front to back over all", "height over all"}
	for i, name := range lengths {
		if d := size.Max[i] - size.Min[i]; len(out) < 3 && d > part.Recipe.Thickness*1.5 {
			out = append(out, GoverningTold{Key: name, Name: name, Nominal: d})
		}
	}
	for i := range out {
		out[i].Text, out[i].Verdict, out[i].Says = l.Pen.MM(out[i].Nominal), "open", "measure it again, from another edge"
	}
	return out
}

// proves tells whether a reading can speak against another: taken here, with something
// that is good to a millimetre or so.
func proves(r survey.Reading) bool {
	switch r.Instrument {
	case "", survey.Tape, survey.Rule, survey.Caliper:
		return r.Trust == "" || brief.Trust(r.Trust) == brief.Measured
	}
	return false
}

// overAll are the outside sizes of a frame.
func overAll(l *vehicle.Locator, built *shape.Built) (out []GoverningTold) {
	thick := 0.
	for _, m := range built.Pieces {
		thick = math.Max(thick, 1.5*math.Max(m.Section.Width, m.Section.Height))
	}
	for i, name := range [3]string{"front to back over all", "left to right over all", "height over all"} {
		if d := built.Max[i] - built.Min[i]; d > thick {
			out = append(out, GoverningTold{Key: name, Name: name, Nominal: d, Text: l.Pen.MM(d), Verdict: "open",
				Says: "measure where it goes again, from another edge"})
		}
	}
	return out
}

// checkPart tells whether a part may be made.
func checkPart(l *vehicle.Locator, s vehicle.Survey, b brief.Brief, part BuiltPart, stops []string) CheckTold {
	t := CheckTold{Part: part.ID, Name: part.Name, Governing: []GoverningTold{}, Holds: []string{}, Fit: "its fit was not tried"}
	if part.Err != nil {
		t.Says, t.First = "The part cannot be built.", firstOff(l.Pen, b, s.Shop, vehicle.PartCheck{}, 1, "", nil)
		return t
	}
	t.Governing = governing(l, s, b, part)
	c := check(l, &t, s, b, append(slices.Clip(stops), unrated(b, part.ID, false)))
	t.First = firstOff(l.Pen, b, s.Shop, c, batchOf(b, part.Quantity, len(part.Hands())), part.Built.State(part.Recipe),
		firstSizes(l.Pen, part,
			t.Governing))
	if c.Made != nil && t.First.State != "stale" && t.First.Batch > 1 {
		t.First.Learns = learn(l.Pen, part, *c.Made, t.First.Sizes)
	}
	return t
}

// checkFrame tells whether a frame may be made.
func checkFrame(l *vehicle.Locator, s vehicle.Survey, b brief.Brief, frame Frame, stops []string) CheckTold {
	t := CheckTold{Part: frame.ID, Name: frame.Name, Governing: []GoverningTold{}, Holds: []string{}, Fit: "its fit was not tried"}
	built := shape.Build(frame.Doc, l.ForFrame(frame.Doc))
	if t.Governing = overAll(l, built); len(t.Governing) == 0 {
		t.Governing, t.Says = []GoverningTold{}, "There is nothing to make yet."
		t.First = firstOff(l.Pen, b, s.Shop, vehicle.PartCheck{}, 1, "", nil)
		return t
	}
	c := check(l, &t, s, b, append(slices.Clip(stops), unrated(b, frame.ID, len(frame.Doc.Loads) > 0)))
	t.First = firstOff(l.Pen, b, s.Shop, c, batchOf(b, frame.Quantity, 1), built.State(), firstFrameSizes(l.Pen, built, t.Governing))
	return t
}

// check sets a thing's governing dimensions against what was measured again, and looks
// what else holds it back. It answers what was checked of it.
func check(l *vehicle.Locator, t *CheckTold, s vehicle.Survey, b brief.Brief, more []string) (c vehicle.PartCheck) {
	for _, x := range s.Checks {
		if x.Part == t.Part {
			c = x
		}
	}
	if c.Fit != "" {
		t.Tried = true
		t.Fit = "tried " + map[string]string{"paper": "on paper", "board": "in board", "vehicle": "on the vehicle"}[c.Fit]
		if c.Result != "" {
			t.Fit += ": " + c.Result
		}
	}
	bad, still, same := 0, 0, 0
	for i := range t.Governing {
		g := &t.Governing[i]
		k := slices.IndexFunc(c.Retape, func(r vehicle.Retape) bool { return r.Dimension == g.Key })
		if k < 0 || !c.Retape[k].Value.Taken() {
			still++
			continue
		}
		if !proves(c.Retape[k].Value) {
			g.Says = "read by eye, off a scan or from memory: that proves nothing; measure it with tape, rule or caliper"
			still++
			continue
		}
		r := c.Retape[k].Value.Work(s.Shop, false)
		off := r.Value - g.Nominal
		allow := math.Max(2*survey.Root(r.Sigma, survey.Uncertainty[survey.Tape].Length), 1)
		if math.Abs(off) > allow {
			g.Verdict = "bad"
			g.Says = fmt.Sprintf("measured %s: %s off; find out which is right before anything is cut", l.Pen.MM(r.Value),
				l.Pen.MM(math.Abs(off)))
			bad++
		} else {
			from := told.Tidy(cmp.Or(told.Tidy(c.Retape[k].From), c.From))
			switch {
			case from == "" || told.Tidy(c.First) == "":
				g.Says = "agrees; say from which edge it was measured the first time and this time"
				still++
			case strings.EqualFold(from, told.Tidy(c.First)):
				g.Says = "agrees, but it was measured from the same edge as the first time (" + from + "): take it from another"
				same++
			default:
				g.Verdict, g.Says = "good", fmt.Sprintf("measured again from %s, %s off", from, l.Pen.MM(math.Abs(off)))
			}
		}
	}
	switch {
	case bad > 0:
		t.Says = "A governing dimension disagrees with what was measured again."
	case c.Aside != "":
		t.Released, t.Says = true, "Not measured again: "+c.Aside
	case strings.TrimSpace(s.Drawn) != "":
		t.Released, t.Says = true, "Nothing of this job is measured again: "+s.Drawn
	case same > 0:
		t.Says = "A dimension was measured twice from the same edge: that repeats a mistake instead of finding it."
	case still > 0:
		t.Says = fmt.Sprintf("%d of %d governing dimensions wait to be measured again, from another edge than the first time.", still,
			len(t.Governing))
	default:
		t.Released, t.Says = true, "All governing dimensions were measured again and agree."
	}
	t.Holds = holds(b, c, t.Part, more)
	t.Released = t.Released && len(t.Holds) == 0
	return c
}

// CheckOf answers whether a part may go to the table. The site has the whole job where something is welded in it.
func (s Site) CheckOf(part BuiltPart) CheckTold {
	return checkPart(newStander(s).from, s.Survey, s.Brief, part, s.weldStops(part.ID))
}

// CheckOfFrame answers whether a frame may go to the saw.
func (s Site) CheckOfFrame(frame Frame) CheckTold {
	return checkFrame(newStander(s).from, s.Survey, s.Brief, frame, s.weldStops(frame.ID))
}
