package site

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/told"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

const (
	spatters = 100. // mm from a weld that spatter lies on bare threads and faces (practice)
	grinds   = 2.   // mm of sheet that is easily ground through beside a flush weld (practice)
)

// seamCovers says which threads near a seam are covered before it is laid, and where flush is ground through.
func (s *site) seamCovers(x *seated, say func(string, working.Severity, string, string, ...any)) {
	var names []string
	near := func(built *made.Part, pose solid.Pose) {
		for i := range built.Holes {
			h := &built.Holes[i]
			if h.Use != sheet.UseTapped && h.Use != sheet.UseWeldNut && h.Use != sheet.UseRivetNut {
				continue
			}
			for _, seam := range x.seams {
				if d := offLine(pose.Apply(h.Body), seam.Path); d < spatters {
					names = append(names, fmt.Sprintf("%s, %s off", h.Name, s.seamPen().MM(math.Max(d, 0))))
					break
				}
			}
		}
	}
	if x.built != nil {
		near(x.built, x.pose)
	}
	if st := s.stands[x.ids[1]]; st != nil && st.Why == "" && st.built != nil && x.placed {
		near(st.built, st.Pose)
	}
	s.seamFaces(x, say)
	if len(names) > 0 {
		say("cover-threads", working.Note, "", "Cover the %s of %s before it is welded: an old bolt screwed in, its end greased, keeps "+
			"spatter off. "+
			"Rivet nuts and their plastic rings come "+
			"after.", told.Plural(len(names), "thread", "threads"), strings.Join(names[:min(len(names), 6)], "; "))
	}
	for _, seam := range x.seams {
		thin := math.Min(seam.Sides[0].Thickness, seam.Sides[1].Thickness)
		if seam.Finish == weld.Flush && thin <= grinds {
			say("ground-through", working.Mind, seam.ID, "%s is ground flush on sheet of %s: it is soon ground through. Weld it "+
				"from the inside "+
				"too, "+
				"grind with a fine flap, and measure what is left.", seam.Called(), s.seamPen().Fine(thin))
		}
	}
}

// seamFaces says on which faces something lies later that spatter would hold off: those of bolted joints near a seam.
func (s *site) seamFaces(x *seated, say func(string, working.Severity, string, string, ...any)) {
	var names []string
	near := func(part string, built *made.Part, pose solid.Pose) {
		for _, j := range s.Brief.Joints {
			if j.Part != part || part == "" {
				continue
			}
			least := math.Inf(1)
			for i := range built.Holes {
				h := &built.Holes[i]
				if !slices.Contains(j.Features, h.Feature) {
					continue
				}
				for _, seam := range x.seams {
					least = math.Min(least, offLine(pose.Apply(h.Body), seam.Path)-h.Diameter/2)
				}
			}
			if least < spatters {
				names = append(names, fmt.Sprintf("%s, %s off", j.Name, s.seamPen().MM(math.Max(least, 0))))
			}
		}
	}
	if x.built != nil {
		near(x.w.Sides[0].Of, x.built, x.pose)
	}
	if st := s.stands[x.ids[1]]; st != nil && st.Why == "" && st.built != nil && x.placed {
		near(x.w.Sides[1].Of, st.built, st.Pose)
	}
	if len(names) > 0 {
		say("cover-faces", working.Note, "", "Cover the %s on which something is bolted later (%s) with a bright strip or spatter "+
			"paste: a pea of "+
			"spatter holds a face off, and its bolts come "+
			"loose.", told.Plural(len(names), "face", "faces"), strings.Join(names[:min(len(names), 6)], "; "))
	}
}

// offLine is how far a place is from a line of straight pieces, mm.
func offLine(p solid.Vector, line []solid.Vector) float64 {
	near := math.Inf(1)
	for _, v := range line {
		near = math.Min(near, p.Sub(v).Len())
	}
	for i := 1; i < len(line); i++ {
		d := line[i].Sub(line[i-1])
		if l := d.Len(); l > 0 {
			t := math.Max(0, math.Min(1, p.Sub(line[i-1]).Dot(d)/(l*l)))
			near = math.Min(near, p.Sub(line[i-1].Add(d.Mul(t))).Len())
		}
	}
	return near
}
