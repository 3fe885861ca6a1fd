package site

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/member/shape"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Remeasured is a size that welding pulls off: what it should be, and what it was, tacked and cold.
type Remeasured struct {
	ID      string     `json:"id"`
	Name    string     `json:"name"`
	Should  float64    `json:"should" doc:"mm"`
	Allowed float64    `json:"allowed" doc:"mm it may be off"`
	By      string     `json:"by" doc:"where that comes from"`
	Square  bool       `json:"square" doc:"measured when it is tacked too, before the first run"`
	Tacked  *JudgedOff `json:"tacked" doc:"null where nobody measured"`
	Cooled  *JudgedOff `json:"cooled" doc:"null where nobody measured"`
}

// JudgedOff is a size that was measured.
type JudgedOff struct {
	Read float64 `json:"read" doc:"mm"`
	Off  float64 `json:"off" doc:"mm, over it positive"`
	Good bool    `json:"good"`
}

func judgedOff(read *float64, should, allowed float64) *JudgedOff {
	if read == nil {
		return nil
	}
	return &JudgedOff{*read, *read - should, math.Abs(*read-should) <= allowed+1e-9}
}

// weldedA is what lengths of something welded may be off, mm, to a length of so much: class A of ISO 13920, for what
// others are fitted to.
var weldedA = []struct{ to, off float64 }{{400, 1}, {1000, 2}, {2000, 3}, {4000, 4}, {8000, 5}, {12000, 6}, {16000, 7}, {20000, 8}}

func offA(mm float64) float64 {
	for _, r := range weldedA {
		if mm <= r.to {
			return r.off
		}
	}
	return 9
}

// squares lists the diagonals of a frame's openings.
func squares(built *shape.Built) (out []Remeasured) {
	for _, q := range openings(built) {
		first, second := q.Diagonals()
		for k, mm := range [2]float64{first, second} {
			out = append(out, Remeasured{ID: fmt.Sprintf("%s "+
				"%d", q.id, k+1), Square: true, Should: mm, Allowed: offA(mm), By: "ISO 13920 class A",
				Name: "diagonal inside, " + q.across(k)})
		}
	}
	return out
}

// holesApart lists, of every bolted joint of a part, how far apart the holes are that lie farthest from each other, and
// what their bolts leave.
func (s Site) holesApart(part string) (out []Remeasured) {
	k := slices.IndexFunc(s.Parts, func(p BuiltPart) bool { return p.ID == part })
	if k < 0 || s.Parts[k].Err != nil {
		return nil
	}
	built := &s.Parts[k].Built
	for _, j := range s.Brief.Joints {
		if j.Part != part {
			continue
		}
		r := Remeasured{ID: j.ID, Name: fmt.Sprintf("distance of the two holes of %s that lie farthest apart", j.Name)}
		bore := math.Inf(1)
		for a := range built.Holes {
			for b := range a {
				x, y := &built.Holes[a], &built.Holes[b]
				if !slices.Contains(j.Features, x.Feature) || !slices.Contains(j.Features, y.Feature) {
					continue
				}
				if mm := x.Body.Sub(y.Body).Len(); mm > r.Should {
					r.Should, bore = mm, min(x.Diameter, y.Diameter)
				}
			}
		}
		if r.Should <= 0 {
			continue
		}
		r.Allowed, r.By = offA(r.Should), "ISO 13920 class A"
		if t, err := stock.FindThread(j.Design.System, j.Design.Size, j.Design.Pitch); err == nil && bore > t.Diameter {
			r.Allowed, r.By = bore-t.Diameter, "what its bolts leave in their holes"
		}
		out = append(out, r)
	}
	return out
}

// planSizes tells what is measured again, and judges what was.
func (s Site) planSizes(p *WeldPlan, g welding, book brief.WeldBook) {
	pen := s.seamPen()
	p.Sizes = append(p.Sizes, g.sizes...)
	begun := slices.ContainsFunc(book.Seen, func(x brief.SeamSeen) bool { return x.Welded })
	waits := 0
	for i := range p.Sizes {
		z := &p.Sizes[i]
		saw := book.Size(z.ID)
		z.Cooled = judgedOff(saw.Cooled, z.Should, z.Allowed)
		if z.Square {
			z.Tacked = judgedOff(saw.Tacked, z.Should, z.Allowed)
			if z.Tacked == nil {
				waits++
			}
		}
		off := func(severity working.Severity, j *JudgedOff, then string) {
			way := "over"
			if j.Off < 0 {
				way = "under"
			}
			p.Findings = append(p.Findings, working.Finding{Code: "pulled-off", Severity: severity, Cause: "Measured", Name: p.Name,
				Reason: fmt.Sprintf("The %s is %s %s, where %s is allowed: "+
					"%s", z.Name, pen.Fine(math.Abs(j.Off)), way, pen.Fine(z.Allowed), then)})
		}
		switch {
		case z.Cooled != nil && !z.Cooled.Good:
			off(working.Mind, z.Cooled, "pull it back while it is hot or cut and weld it again, and measure what fits to it before "+
				"it is coated.")
		case z.Tacked != nil && !z.Tacked.Good && z.Cooled == nil:
			off(working.Stop, z.Tacked, "break tacks and square it up before the first run. Its weld map is held back until then.")
		}
	}
	if begun && waits > 0 {
		p.Findings = append(p.Findings, working.Finding{Code: "not-squared", Severity: working.Mind, Cause: "Measured", Name: p.Name,
			Reason: fmt.Sprintf("It is welded already, and %d of its diagonals %s not measured when it was tacked: measure them "+
				"now, before more is "+
				"laid.", waits, map[bool]string{true: "was", false: "were"}[waits == 1])})
	}
}

// Held answers why the weld map stays in the house: what is tacked is not square; empty where nothing says so.
func (p WeldPlan) Held() string {
	for _, f := range p.Findings {
		if f.Code == "pulled-off" && f.Severity == working.Stop {
			return f.Reason
		}
	}
	return ""
}
