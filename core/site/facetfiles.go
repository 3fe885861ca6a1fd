package site

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/shell"
	"warmanvil/core/shell/facet"
	"warmanvil/core/solid"
)

// GaugeCard is a card that shows the angle of some seams, placed beside others on a sheet.
type GaugeCard struct {
	Outline profile.Loop
	Middle  profile.Point // where its words begin
	Says    string
}

// gaugeLeg and gaugeTip are the legs of a gauge and what is cut off its tip for the weld, mm.
const gaugeLeg, gaugeTip = 80., 12.

// FacetFiles answers a body as one solid, and the gauges of its welded seams: one card for those of one
// angle. It fails with *working.Fault where it is no body yet.
func FacetFiles(f shell.Facets) (solid.Body, []GaugeCard, error) {
	b, err := f.Build()
	if err != nil {
		return solid.Body{}, nil, err
	}
	body := solid.Body{}
	for i := range b.Faces {
		body.Pieces = append(body.Pieces, plateOf(&b, i).Body().Pieces...)
	}
	type card struct {
		edge  int
		seams []string
	}
	var cards []card
	for i, e := range b.Edges {
		if len(e.Faces) < 2 || e.Seam.Kind == facet.BentOne || b.Gauge(i, gaugeLeg, gaugeTip) == nil {
			continue
		}
		same := false
		for k := range cards {
			if math.Abs(b.Edges[cards[k].edge].Between()-e.Between()) < .05 {
				cards[k].seams, same = append(cards[k].seams, fmt.Sprint(i+1)), true
				break
			}
		}
		if !same {
			cards = append(cards, card{i, []string{fmt.Sprint(i + 1)}})
		}
	}
	var out []GaugeCard
	for k, c := range cards {
		at := profile.Point{X: float64(k%5) * 2.2 * gaugeLeg, Y: -float64(k/5) * 1.2 * gaugeLeg}
		g := GaugeCard{Says: fmt.Sprintf("%.1f SEAM %s", b.Edges[c.edge].Between(), strings.Join(c.seams, " "))}
		for _, q := range b.Gauge(c.edge, gaugeLeg, gaugeTip) {
			q = q.Add(at)
			g.Outline = append(g.Outline, profile.Vertex{X: q.X, Y: q.Y})
		}
		half := b.Edges[c.edge].Between() * math.Pi / 360
		g.Middle = at.Add(profile.Point{X: math.Cos(half), Y: math.Sin(half)}.Mul(1.6 * gaugeTip))
		out = append(out, g)
	}
	return body, out, nil
}
