package site

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/bend"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// Learned is what the sizes of a first piece say of K, to be kept as a test strip.
type Learned struct {
	Strip   shop.Strip       `json:"strip"`
	K       float64          `json:"k"`
	Was     float64          `json:"was" doc:"K the piece was made with"`
	Says    string           `json:"says"`
	Working *working.Working `json:"working,omitempty"`
	Why     string           `json:"why,omitempty" doc:"why they say nothing; there is no strip then"`
}

// run is a row of panels straight across the base: their sizes by key of the first piece,
// with the bends between them.
type run struct {
	name  string
	keys  []string // of the base first
	bends []string
}

// runs answers the rows of panels that lie straight across a part, from free edge to free
// edge: front to back and left to right of a base with four sides.
func runs(r sheet.Recipe, part BuiltPart) (out []run) {
	if r.Base.Kind() != sheet.Rectangle {
		return nil
	}
	of := func(feature, tail string) string {
		for _, d := range part.Built.Dimensions {
			if d.Feature == feature && len(d.Path) >= len(tail) && d.Path[len(d.Path)-len(tail):] == tail {
				return feature + " " + d.Size
			}
		}
		return ""
	}
	for _, w := range []struct {
		name, size string
		ends       [2]sheet.Edge
	}{{"front to back", "/base/width", [2]sheet.Edge{sheet.Front, sheet.Back}}, {"left to right", "/base/length",
		[2]sheet.Edge{sheet.Left, sheet.Right}}} {
		x := run{name: w.name, keys: []string{of(r.Base.ID, w.size)}}
		straight := true
		for _, edge := range w.ends {
			for list := r.Base.Flanges; ; {
				var on []sheet.Flange
				for _, f := range list {
					if f.Edge == edge {
						on = append(on, f)
					}
				}
				if len(on) == 0 {
					break
				}
				straight = straight && len(on) == 1 && apexed(on[0])
				x.keys, x.bends = append(x.keys, of(on[0].ID, "/length")), append(x.bends, on[0].ID)
				list = on[0].Flanges
			}
		}
		if straight && len(x.bends) > 0 {
			out = append(out, x)
		}
	}
	return out
}

// learn answers what the first piece says of K: along a row of panels the flat is what it
// was cut to, so that what its sizes are off in sum is what its bends took less or more
// than computed.
func learn(p told.Pen, part BuiltPart, f vehicle.FirstOff, sizes []FirstSizeTold) []Learned {
	out := []Learned{}
	r := part.Recipe
	for n, x := range runs(r, part) {
		off, square, legs := 0., 0., []float64{}
		whole := true
		for _, key := range x.keys {
			s, known := sizeOf(part, key, sizes)
			whole = whole && known && s.Read != nil
			if whole {
				off, square, legs = off+*s.Read-s.Nominal, square+s.sigma*s.sigma, append(legs, *s.Read)
			}
		}
		first, same := bends(part, x.bends)
		if !whole || !same {
			continue
		}
		angle := opened(part, x.bends, sizes)
		deduction := first.BendDeduction + off/float64(len(x.bends))
		legA, legB := legs[1], legs[0]
		c := bend.Coupon{InsideRadius: first.InsideRadius, Thickness: r.Thickness, Angle: angle, LegA: legA, LegB: legB,
			Flat: legA + legB - deduction}
		l := Learned{Was: first.KFactor, Strip: shop.Strip{ID: fmt.Sprintf("first-%s-%s-%d", part.Built.State(r), f.Date, n),
			Material: r.Material,
			Tool:     r.Tool.Kind, Date: f.Date, Batch: told.Tidy("first piece of " + part.Name), Coupon: c}}
		k, err := bend.FromCoupon(c)
		if err != nil {
			l.Why = "The sizes " + x.name + " say nothing of K: " + p.Refused(err)
			out = append(out, l)
			continue
		}
		l.K = k.KFactor
		w := k.Working
		w.Assumptions = append(w.Assumptions, fmt.Sprintf("the flat is as it was cut, so that what %d sizes are off in sum, %s, is "+
			"what %d bends took "+
			"otherwise than computed; per bend", len(x.keys), p.Fine(math.Abs(off)), len(x.bends)))
		l.Working = p.Explain(w)
		l.Says = fmt.Sprintf("Its sizes %s say K %.3f, where %.3f was taken: each bend takes %s %s than computed.", x.name, l.K, l.Was,
			p.Fine(math.Abs(off)/float64(len(x.bends))), map[bool]string{true: "less", false: "more"}[off > 0])
		if math.Abs(off) < 1e-6 {
			l.Says = fmt.Sprintf("Its sizes %s say K %.3f, as was taken.", x.name, l.K)
		}
		doubt := math.Sqrt(square) / float64(len(x.bends)) / (angle * math.Pi / 180 * r.Thickness)
		l.Says += fmt.Sprintf(" As its sizes were read, that is good to ±%.3f.", doubt)
		out = append(out, l)
	}
	return out
}

// sizeOf finds a size of the first piece: itself, or the row of those alike it.
func sizeOf(part BuiltPart, key string, sizes []FirstSizeTold) (FirstSizeTold, bool) {
	for _, s := range sizes {
		if s.Key == key {
			return s, true
		}
	}
	for _, d := range part.Built.Dimensions {
		if d.Feature+" "+d.Size != key {
			continue
		}
		for _, e := range part.Built.Dimensions { // the row is called after the first of them
			if e.Label == d.Label && e.Note == d.Note && e.Value == d.Value {
				for _, s := range sizes {
					if s.Key == e.Feature+" "+e.Size {
						return s, true
					}
				}
			}
		}
	}
	return FirstSizeTold{}, false
}

// bends answers the first of some bends, and whether all are alike: of one angle and radius.
func bends(part BuiltPart, ids []string) (first bendAlike, same bool) {
	for i, id := range ids {
		k := slices.IndexFunc(part.Built.BendLines, func(b made.BendLine) bool { return b.ID == id })
		if k < 0 {
			return first, false
		}
		b := part.Built.BendLines[k]
		now := bendAlike{b.Angle, b.InsideRadius, b.BendDeduction, b.KFactor}
		if i == 0 {
			first = now
		}
		if math.Abs(now.Angle-first.Angle) > .01 || math.Abs(now.InsideRadius-first.InsideRadius) > 1e-6 {
			return first, false
		}
	}
	return first, len(ids) > 0
}

// bendAlike is what bends of a row have in common.
type bendAlike struct{ Angle, InsideRadius, BendDeduction, KFactor float64 }

// opened answers the angle some alike bends were turned by as measured, as drawn where none was.
func opened(part BuiltPart, ids []string, sizes []FirstSizeTold) float64 {
	sum, n, drawn := 0., 0., 0.
	for _, id := range ids {
		for _, d := range part.Built.Dimensions {
			if d.Feature != id || d.Kind != "angle" || !d.Main {
				continue
			}
			drawn = d.Value
			if s, known := sizeOf(part, d.Feature+" "+d.Size, sizes); known && s.Angle && s.Read != nil {
				sum, n = sum+180-*s.Read, n+1
			}
		}
	}
	if n == 0 {
		return drawn
	}
	return sum / n
}
