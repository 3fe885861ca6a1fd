package starters

import (
	"strings"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shell/facet"
)

// The number of every welded seam stands on the flats of both its sides, within the sheet; a mock-up of
// board has a tab to glue on one of them, and no more.
func TestSeamsAreNumberedOnBothSides(t *testing.T) {
	for _, s := range Starters {
		f, err := Start(s.Key, nil, false, like(), ids())
		if err != nil {
			t.Fatal(s.Key, err)
		}
		b, blanks, err := f.Blanks("body", "Body")
		if err != nil {
			t.Fatal(s.Key, err)
		}
		seams := 0
		for _, e := range b.Edges {
			if len(e.Faces) > 1 && e.Seam.Kind != facet.BentOne {
				seams++
			}
		}
		stands, tabs := map[string]int{}, 0
		for _, r := range blanks {
			p, err := made.Build(r, made.Options{})
			if err != nil || !p.Whole {
				t.Fatal(s.Key, err)
			}
			rim := p.Outline.Flatten(.1)
			for _, m := range p.Marks {
				if strings.HasPrefix(m.Text, "S") {
					stands[m.Text]++
					if m.Height <= 0 || !profile.Inside(m.At, rim) {
						t.Errorf("%s: %s stands off its blank at %v", s.Key, m.Text, m.At)
					}
				}
			}
			board := r.Mockup(1)
			if q, err := made.Build(board, made.Options{}); err != nil || !q.Whole {
				t.Errorf("%s: of board it cannot be made: %v %+v", s.Key, err, q.Findings)
			} else if bare := untabbed(t, r); (q.Area <= bare) == (len(r.Facet.Glued) > 0) {
				t.Errorf("%s: its tabs take no board, %g of %g", s.Key, q.Area, bare)
			}
			for _, list := range r.Facet.Glued {
				tabs += len(list)
			}
		}
		for text, times := range stands {
			if times != 2 {
				t.Errorf("%s: %s stands %d times", s.Key, text, times)
			}
		}
		if len(stands) != seams || tabs != seams {
			t.Errorf("%s: %d seams, %d numbered, %d tabs", s.Key, seams, len(stands), tabs)
		}
	}
}

// untabbed answers how much board a blank takes without its tabs, mm².
func untabbed(t *testing.T, r sheet.Recipe) float64 {
	t.Helper()
	of := *r.Facet
	of.Glued = nil
	r.Facet = &of
	p, err := made.Build(r.Mockup(1), made.Options{})
	if err != nil {
		t.Fatal(err)
	}
	return p.Area
}
