package site

import (
	"fmt"

	"warmanvil/core/member/shape"
	"warmanvil/core/shell"
	"warmanvil/core/solid"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// Measured answers where a surveyed point is on the vehicle; nil where there is none.
type Measured func(id string) *vehicle.Located

// Measured answers where the points of the job's survey are.
func (s Site) Measured() Measured {
	l := newStander(s).from
	return l.At
}

// takenOver says which points of a body stand elsewhere than the surveyed points they were taken over
// from: what is cut by them does not move by itself.
func (t *FacetsTold) takenOver(p told.Pen, f shell.Facets, measured Measured) {
	for i, q := range f.Points {
		if q.Survey == "" || measured == nil {
			continue
		}
		now := measured(q.Survey)
		say := func(code, reason string) {
			t.Findings = append(t.Findings, working.Finding{Code: code, Severity: working.Mind, Cause: "Points from the survey",
				Feature: q.ID, Name: f.Called(q.ID), Reason: reason})
		}
		if now == nil || now.At == nil {
			why := ""
			if now != nil {
				why = now.Why + " "
			}
			say("facet.unsurveyed", fmt.Sprintf("%s keeps its place, but the surveyed point it was taken over from has none. %sCount it "+
				"from the origin, or take another over.", f.Called(q.ID), why))
			continue
		}
		if off := solid.Vector(*now.At).Sub(solid.Vector{q.X, q.Y, q.Z}).Len(); off > shape.Together {
			t.Points[i].Now = now.At
			from := "the survey"
			if now.Name != f.Called(q.ID) {
				from += "'s " + now.Name
			}
			say("facet.moved", fmt.Sprintf("%s was taken over from %s, which now has it %s away: at %s, %s, %s within %s. "+
				"Take it over again, or count it from the origin.", f.Called(q.ID), from, p.MM(off), now.Texts[0], now.Texts[1],
				now.Texts[2], now.Within))
		}
	}
}
