package site

import (
	"fmt"
	"math"

	"warmanvil/core/shell"
	"warmanvil/core/shell/facet"
	"warmanvil/core/solid"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// FacetFitTold is whether a thing fits inside a body.
type FacetFitTold struct {
	ID      string `json:"id"`
	Verdict string `json:"verdict" enum:"good,bad"`
	Text    string `json:"text" doc:"how far it keeps off what panel, or what it meets"`

	Working *working.Working `json:"working,omitempty"`
}

// inside says how much room a body holds, and whether what must fit does.
func (t *FacetsTold) inside(p told.Pen, f shell.Facets, b *facet.Built) {
	room, openings := b.Inside()
	if room.Count() > 0 {
		name := "Room inside"
		if openings > 0 {
			name = fmt.Sprintf("Room inside, openings closed flat (%d)", openings)
		}
		t.figure(p, "room", name, p.Room(room.Volume()), working.Working{Method: "Room in a body", Source: "divergence theorem over " +
			"its inner faces",
			Formula: "V = Σ a·(b × c)/6 over triangles of the inner faces and of its openings, closed from their middles",
			Inputs: []working.Quantity{working.MM("T", "thickness", b.Thickness), {Symbol: "n", Name: "openings closed",
				Value: float64(openings)}},
			Assumptions: []string{"inner corners are where the inner faces of all panels at a point meet", "bends and welds inside " +
				"are not taken off",
				"what stands in its holes is not looked at"},
			Result: working.Quantity{Symbol: "V", Name: "room", Value: room.Volume(), Unit: "mm³"}})
	}
	if len(f.Fits) == 0 {
		return
	}
	held := solid.NewTree(room)
	panels := make([]*solid.Tree, len(b.Faces))
	for i := range b.Faces {
		panels[i] = solid.NewTree(plateOf(b, i).Body())
	}
	for _, x := range f.Fits {
		told := fitsIn(p, f, b, x, held, openings, panels)
		t.Fits = append(t.Fits, told)
		if told.Verdict == "bad" {
			t.Findings = append(t.Findings, working.Finding{Code: "facet.fit", Severity: working.Mind, Cause: "Room inside", Feature: x.ID,
				Name: x.Name, Reason: told.Text})
		}
	}
}

// fitsIn looks how far a box keeps off every panel, and whether it is inside at all.
func fitsIn(p told.Pen, f shell.Facets, b *facet.Built, x shell.FacetFit, held *solid.Tree, openings int,
	panels []*solid.Tree) FacetFitTold {
	lo := solid.Vector{x.X, x.Y, x.Z}
	hi := lo.Add(solid.Vector{x.Long, x.Wide, x.High})
	box := solid.NewTree(solid.Box(lo, hi))
	out := FacetFitTold{ID: x.ID, Verdict: "bad"}
	name := x.Name
	if name == "" {
		name = "It"
	}
	if !held.Holds(lo.Add(hi).Mul(.5)) {
		out.Text = name + " is not inside: its middle lies out of the body"
		if openings > 0 {
			out.Text += ", its openings closed flat"
		}
		out.Text += "."
		return out
	}
	near, which := math.Inf(1), 0
	for i, tree := range panels {
		if g := solid.Between(box, tree); g.Distance < near {
			near, which = g.Distance, i
		}
	}
	panel := f.Called(b.Faces[which].ID)
	switch {
	case near <= 0:
		out.Text = fmt.Sprintf("%s does not fit: it meets %s.", name, panel)
	case near < x.Gap-1e-6:
		out.Text = fmt.Sprintf("%s comes to %s of %s, %s is asked.", name, p.MM(near), panel, p.MM(x.Gap))
	default:
		out.Verdict, out.Text = "good", fmt.Sprintf("%s off %s, the nearest panel.", p.MM(near), panel)
	}
	out.Working = p.Explain(working.Working{Method: "A box among panels", Source: "least distance of closed surfaces",
		Formula: "d = least distance of the box to every panel",
		Inputs: []working.Quantity{working.MM("l", "long", x.Long), working.MM("w", "wide", x.Wide), working.MM("h", "high", x.High),
			working.MM("g", "gap asked", x.Gap)},
		Assumptions: []string{"panels without their holes; their bends without radius", "what it is put in through is not looked at"},
		Result:      working.MM("d", "to "+panel, near)})
	return out
}
