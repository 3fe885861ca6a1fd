package site

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/member/shape"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/survey"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// FirstTold says whether the rest of a batch may be made: its first piece was measured and
// is as computed, or was taken as it is.
type FirstTold struct {
	Batch  int             `json:"batch" doc:"pieces in all, both hands counted"`
	State  string          `json:"state" enum:"single,open,off,stale,good,aside"`
	Held   bool            `json:"held" doc:"files of the batch are held back: those of the first piece are not"`
	Says   string          `json:"says"`
	Of     string          `json:"of" doc:"the state of the drawing now; what is measured says of which it is"`
	Allow  string          `json:"allow" doc:"what sizes may be off"`
	Sizes  []FirstSizeTold `json:"sizes"`
	Learns []Learned       `json:"learns" doc:"what its sizes say of K"`
}

// FirstSizeTold is one size of the first piece against the drawing; alike ones are one.
type FirstSizeTold struct {
	Key     string   `json:"key"`
	Name    string   `json:"name"`
	Many    int      `json:"many" doc:"features that have it: the one that is farthest off counts"`
	Angle   bool     `json:"angle" doc:"degrees it opens to; a length otherwise"`
	Nominal float64  `json:"nominal" doc:"mm or degrees"`
	Text    string   `json:"text"`
	Verdict string   `json:"verdict" enum:"good,bad,open"`
	Says    string   `json:"says"`
	Read    *float64 `json:"read,omitempty" doc:"mean of what was read"`
	sigma   float64  // mm or degrees, of that mean
}

// mostFirst is how many sizes are asked of a first piece.
const mostFirst = 60

// firstOff tells of a batch's first piece. of is the drawing's state now, sizes what is asked.
func firstOff(p told.Pen, b brief.Brief, with survey.Shop, c vehicle.PartCheck, batch int, of string, sizes []FirstSizeTold) FirstTold {
	f := vehicle.FirstOff{}
	if c.Made != nil {
		f = *c.Made
	}
	allow, angles := f.Allow, cmp.Or(f.Angles, 1)
	if allow == 0 {
		if allow = 1; b.Inches() {
			allow = 25.4 / 32
		}
	}
	t := FirstTold{Batch: batch, Of: of, Sizes: sizes, Learns: []Learned{}, Allow: fmt.Sprintf("%s and %s", p.Given(allow),
		p.Degrees(angles))}
	if sizes == nil {
		t.Sizes = []FirstSizeTold{}
	}
	if batch <= 1 {
		t.State, t.Says = "single", "It is the only one of its kind: it is its own first piece."
		return t
	}
	taken := slices.ContainsFunc(f.Sizes, func(s vehicle.FirstSize) bool { return s.Value.Taken() })
	let := strings.TrimSpace(f.Aside) != ""
	stale := taken && f.Of != of || let && f.Of != "" && f.Of != of // a reason is of a drawing too
	bad, still := 0, 0
	for i := range t.Sizes {
		s := &t.Sizes[i]
		s.Verdict, s.Says = "open", "measure it on the first piece"
		if k := slices.IndexFunc(f.Sizes, func(x vehicle.FirstSize) bool { return x.Size == s.Key }); k >= 0 && !stale {
			s.judge(p, f.Sizes[k].Value, with, allow, angles)
		}
		switch s.Verdict {
		case "bad":
			bad++
		case "open":
			still++
		}
	}
	who := ""
	if f.By != "" {
		who = " by " + f.By
	}
	if f.Date != "" {
		who += " on " + f.Date
	}
	switch {
	case let && !stale:
		t.State, t.Says = "aside", "The first piece is taken as it is"+who+": "+f.Aside
		if !taken {
			t.Says = "No first piece is measured: " + f.Aside
		}
	case stale:
		t.State, t.Held = "stale", true
		t.Says = "The drawing was changed since the first piece was measured: make another one and measure that."
		if !taken {
			t.Says = "The drawing was changed since the batch was let go without a first piece: say so again, or make one and measure it."
		}
	case bad > 0:
		t.State, t.Held = "off", true
		t.Says = fmt.Sprintf("The first piece is off in %d of %d sizes: mend what makes it so and make another, or say why it is "+
			"taken as it is.",
			bad, len(t.Sizes))
	case len(t.Sizes) == 0:
		t.State, t.Held = "open", true
		t.Says = "No size of it can be asked here: measure one all the same, and say why the batch is let go."
	case still > 0:
		t.State, t.Held = "open", true
		t.Says = fmt.Sprintf("Make one of the %d first: %d of its %d sizes wait to be measured. The files of the others are held back "+
			"until then.",
			batch, still, len(t.Sizes))
	default:
		t.State, t.Says = "good", "The first piece was measured"+who+" and is as computed."
	}
	return t
}

// Printed is what the papers of a batch say of its first piece; empty where there is none to tell
// of.
func (t FirstTold) Printed() string {
	if t.State == "good" || t.State == "aside" {
		return t.Says
	}
	return ""
}

// judge sets what was read against the drawing; of repeats the farthest off counts.
func (s *FirstSizeTold) judge(p told.Pen, r survey.Reading, with survey.Shop, allow, angles float64) {
	if !r.Taken() {
		return
	}
	if !measured(r, s.Angle) {
		s.Says = "read by eye or from memory: that proves nothing; measure it"
		return
	}
	mean, worst := 0., 0.
	for _, v := range r.Values {
		mean += v / float64(len(r.Values))
		if d := v - s.Nominal; math.Abs(d) > math.Abs(worst) {
			worst = d
		}
	}
	s.Read, s.sigma = &mean, r.Sigma(with, s.Angle)/math.Sqrt(float64(len(r.Values)))
	off := p.MM(math.Abs(worst))
	if s.Angle {
		off, allow = p.Degrees(math.Abs(worst)), angles
	}
	way := "over"
	if worst < 0 {
		way = "under"
	}
	switch {
	case math.Abs(worst) > allow+1e-9:
		s.Verdict, s.Says = "bad", off+" "+way
	case math.Abs(worst) < 5e-4:
		s.Verdict, s.Says = "good", "as drawn"
	default:
		s.Verdict, s.Says = "good", off+" "+way+", within what is allowed"
	}
}

// measured tells whether a reading is a measurement: taken here, with an instrument for it.
func measured(r survey.Reading, angle bool) bool {
	if r.Trust != "" && brief.Trust(r.Trust) != brief.Measured {
		return false
	}
	switch r.Instrument {
	case "", survey.Tape, survey.Rule, survey.Caliper:
		return true
	case survey.AngleGauge, survey.Level:
		return angle
	}
	return false
}

// firstSizes are the sizes of a part that is folded right: those of its base, the length and
// the angle of every bend, its outside sizes and the pitches it stands or falls with. Alike
// flanges are one row.
func firstSizes(p told.Pen, part BuiltPart, governing []GoverningTold) (out []FirstSizeTold) {
	type alike struct {
		label, note string
		value       float64
	}
	rows := map[alike]int{}
	for _, d := range part.Built.Dimensions {
		flange := strings.Contains(d.Path, "/flanges/")
		angle := d.Kind == "angle"
		if !d.Main || d.Hole || d.Kind == "count" || strings.Contains(d.Path, "/holes/") || strings.Contains(d.Path, "/edges/") ||
			strings.Contains(d.Path, "/marks/") || !flange && !strings.HasPrefix(d.Path, "/base/") || !flange && angle {
			continue
		}
		s := FirstSizeTold{Key: d.Feature + " " + d.Size, Name: d.Group + ", " + lay.Lower(d.Label), Many: 1, Angle: angle,
			Nominal: d.Value, Text: d.Text}
		if angle {
			s.Nominal = 180 - d.Value
			s.Name, s.Text = d.Group+", opens to", p.Degrees(s.Nominal)
			if s.Nominal < 1 {
				continue // folded shut
			}
		} else if d.Note != "" {
			s.Name += ", " + d.Note
		}
		key := alike{d.Label, d.Note, d.Value}
		if k, known := rows[key]; known && flange {
			out[k].Many++
			continue
		} else if flange {
			rows[key] = len(out)
		}
		out = append(out, s)
	}
	for _, g := range governing {
		twice := slices.ContainsFunc(out, func(s FirstSizeTold) bool { return !s.Angle && math.Abs(s.Nominal-g.Nominal) < .05 })
		if !twice {
			out = append(out, FirstSizeTold{Key: g.Key, Name: g.Name, Many: 1, Nominal: g.Nominal, Text: g.Text})
		}
	}
	for i, s := range out {
		if s.Many > 1 {
			out[i].Name += fmt.Sprintf(", and %d alike", s.Many-1)
		}
	}
	return out[:min(len(out), mostFirst)]
}

// batchOf answers how many pieces of a part a job makes, both hands counted.
func batchOf(b brief.Brief, quantity, hands int) int { return quantity * max(b.Quantity, 1) * hands }

// Unmeasured is the refusal of a batch's files before its first piece was measured.
func (c CheckTold) Unmeasured() error {
	return working.Refuse("", "The files of the batch of %s are held back. %s The files of its first piece may be had before.", c.Name,
		c.First.Says)
}

// apexed tells whether a flange is one bend with an apex.
func apexed(f sheet.Flange) bool {
	return (f.Kind == "" || f.Kind == sheet.Bent) && f.Angle > 0 && f.Angle < 165
}

// firstFrameSizes are the sizes of a frame that is put together right: outside, and both
// diagonals of its largest openings, which tell whether it is square.
func firstFrameSizes(p told.Pen, built *shape.Built, governing []GoverningTold) (out []FirstSizeTold) {
	for _, g := range governing {
		out = append(out, FirstSizeTold{Key: g.Key, Name: g.Name, Many: 1, Nominal: g.Nominal, Text: g.Text})
	}
	for _, q := range built.Quads() {
		first, second := q.Diagonals()
		for k, d := range [2]float64{first, second} {
			var ids, names [4]string
			for i := range 4 { // a corner lies between a piece and the next
				x := built.Pieces[q.Pieces[(k+i)%4]]
				ids[i], names[i] = x.ID+x.Of, x.Name
			}
			out = append(out, FirstSizeTold{Key: "inside " + strings.Join(ids[:], " "), Many: 1, Nominal: d, Text: p.MM(d),
				Name: fmt.Sprintf("inside diagonal, corner of %s and %s to corner of %s and %s", names[0], names[1], names[2], names[3])})
		}
	}
	return out[:min(len(out), mostFirst)]
}
