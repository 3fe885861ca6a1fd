package made

import (
	"fmt"
	"math"

	"warmanvil/core/develop"
	"warmanvil/core/profile"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// RoundMade is what is special of a part that is unrolled from a round.
type RoundMade struct {
	Says   string             `json:"says" doc:"pipe, cone, transition, band"`
	Lines  []RoundLine        `json:"lines" doc:"lines it is pressed at, from its left end on"`
	Lap    *[2]profile.Point  `json:"lap,omitempty" doc:"where its first end lies on the flat"`
	Trims  [][2]profile.Point `json:"trims" doc:"where the plate for the rolls is cut off"`
	Closed bool               `json:"closed" doc:"its ends meet in a seam"`
	Seam   float64            `json:"seam,omitempty" doc:"mm, length of its ends that are welded; left out of one that is open"`
	Sharp  float64            `json:"sharp,omitempty" doc:"mm, of what is rolled: smallest radius of the middle of the plate"`
	Notes  []string           `json:"notes" doc:"taken for granted"`
	round  *develop.Round
}

// RoundLine is a line a round is pressed at.
type RoundLine struct {
	Number int           `json:"number" doc:"from the left end on; in a lap that of the line it lies over"`
	From   profile.Point `json:"from"`
	To     profile.Point `json:"to"`
	Angle  float64       `json:"angle" doc:"degrees turned from flat"`
	Up     bool          `json:"up" doc:"towards the good side, which is the outside"`
	Long   lay.Length    `json:"long"`
	Text   string        `json:"text" doc:"which way and by how much"`
	Ends   [2]string     `json:"ends" doc:"places of its ends from the blank's left and front edge"`
}

func (b *maker) roundMade() *RoundMade {
	r := b.Round
	m := &RoundMade{Says: b.Recipe.Base.Shape.Round.Says(), Lines: []RoundLine{}, Lap: r.Lap, Trims: r.Trims, Closed: r.Closed,
		Sharp: r.Sharp,
		Notes: []string{}, round: r}
	for _, n := range r.Notes {
		m.Notes = append(m.Notes, working.Spoken(n, b.Inches()))
	}
	if m.Trims == nil {
		m.Trims = [][2]profile.Point{}
	}
	zero := b.Outline.Bounds().Min
	place := func(p profile.Point) string { return b.Len(p.X-zero.X) + ", " + b.Len(p.Y-zero.Y) }
	if r.Closed {
		m.Seam = r.Seam
	}
	own := 0
	for _, l := range r.Lines {
		if !l.Again {
			own++
		}
	}
	for i, l := range r.Lines {
		x := RoundLine{Number: i + 1, From: l.From, To: l.To, Angle: math.Abs(l.Angle), Up: l.Angle < 0,
			Long: b.Length(l.To.Sub(l.From).Len()),
			Ends: [2]string{place(l.From), place(l.To)}}
		if l.Again {
			x.Number = i + 1 - own
		}
		way := "in"
		if x.Up {
			way = "out"
		}
		x.Text = fmt.Sprintf("%s %.1f°", way, x.Angle)
		m.Lines = append(m.Lines, x)
	}
	return m
}

// SeamLine answers where the ends of a closed round meet, in the part's own axes: on the middle of its plate, and the way
// its outside looks there; false of one that is open.
func (m *RoundMade) SeamLine() (from, to, out solid.Vector, is bool) {
	if m == nil || !m.Closed || m.round == nil || len(m.round.Strip) == 0 {
		return from, to, out, false
	}
	facets, _ := m.round.Facets(0, 1)
	first := m.round.Strip[0]
	return first.Bottom, first.Top, facets[0].Out, true
}

// OnRound is a place on a round.
type OnRound struct {
	Around float64 `json:"around" doc:"degrees from +x anticlockwise, seen from above"`
	Up     float64 `json:"up" doc:"mm over the bottom"`
	Text   string  `json:"text" doc:"both, as the job writes it"`
}

// onRound says where a place of the blank is on a round; nil on none and beside it.
func (b *maker) onRound(p *lay.Panel, place profile.Point) *OnRound {
	if b.Round == nil {
		return nil
	}
	at, _, ok := b.OnBody(p, place)
	if !ok {
		return nil
	}
	turned, up := b.Round.Where(at)
	turned, up = math.Round(turned*1e4)/1e4+0, math.Round(up*1e4)/1e4+0
	return &OnRound{turned, up, fmt.Sprintf("%s° round, %s up", lay.TrimZeros(fmt.Sprintf("%.1f", turned)), b.Len(up))}
}

// At answers where a place of the blank is on the round; false beside it.
func (m *RoundMade) At(p profile.Point) (around, up float64, ok bool) {
	v, _, ok := m.round.Onto(p)
	if !ok {
		return 0, 0, false
	}
	around, up = m.round.Where(v)
	return around, up, true
}

// sharpFold is from what turn on a bend of a round is drawn as an edge, degrees.
const sharpFold = 14.

// roundBody answers a round bent: pieces between two rulings with both faces of the plate; one a hole
// is cut in is a plate of pieces round it.
func (b *maker) roundBody(facets []develop.RoundFacet, rows []develop.RoundRow) Body {
	id := b.Recipe.Base.ID
	body := Body{Thickness: b.Recipe.Thickness, Panels: []BodyPanel{}, Bends: []BodyBend{}, Edges: [][]solid.Vector{}}
	var rims [4][]solid.Vector
	for _, r := range rows {
		for k, v := range r {
			rims[k] = append(rims[k], v)
		}
	}
	body.Edges = append(body.Edges, rims[:]...)
	for _, r := range []develop.RoundRow{rows[0], rows[len(rows)-1]} {
		body.Edges = append(body.Edges, []solid.Vector{r[0], r[2]}, []solid.Vector{r[1], r[3]}, []solid.Vector{r[0], r[1]},
			[]solid.Vector{r[2], r[3]})
	}
	for i := 1; i < len(facets); i++ {
		if facets[i-1].Out.Dot(facets[i].Out) < math.Cos(sharpFold*math.Pi/180) {
			body.Edges = append(body.Edges, []solid.Vector{rows[i][0], rows[i][2]}, []solid.Vector{rows[i][1], rows[i][3]})
		}
	}
	cuts := b.roundCuts(&body)
	run := BodyBend{ID: id}
	end := func() {
		if len(run.Rows) > 1 {
			body.Bends = append(body.Bends, run)
		}
		run = BodyBend{ID: id}
	}
	for i, f := range facets {
		pieces, cut := pierced(f.Flat, cuts)
		if !cut {
			if len(run.Rows) == 0 {
				run.Rows = append(run.Rows, rows[i])
			}
			run.Rows = append(run.Rows, rows[i+1])
			continue
		}
		end()
		for _, p := range pieces {
			body.Panels = append(body.Panels, roundPiece(id, f, p))
		}
	}
	end()
	return body
}

// roundExtent answers the box round a round, to both faces of its plate.
func roundExtent(rows []develop.RoundRow) (lo, hi solid.Vector) {
	lo = solid.Vector{math.Inf(1), math.Inf(1), math.Inf(1)}
	hi = lo.Mul(-1)
	for _, r := range rows {
		for _, v := range r {
			for i := range 3 {
				lo[i], hi[i] = math.Min(lo[i], v[i]), math.Max(hi[i], v[i])
			}
		}
	}
	return lo, hi
}

// roundCuts answers the rims of holes that are cut, as convex pieces on the flat, and draws them.
func (b *maker) roundCuts(body *Body) (out [][]profile.Point) {
	half := b.Recipe.Thickness / 2
	for i := range b.Holes {
		h := &b.Holes[i]
		if !h.Cut() {
			continue
		}
		rim := rimOf(h)
		for _, z := range []float64{-half, half} {
			var line []solid.Vector
			for k := range len(rim) + 1 {
				if at, n, ok := b.OnBody(h.Panel, rim[k%len(rim)]); ok {
					line = append(line, at.Add(n.Mul(z)))
				}
			}
			if len(line) > 1 {
				body.Edges = append(body.Edges, line)
			}
		}
		if (profile.Polygon(rim)).Convex() {
			out = append(out, rim)
			continue
		}
		for _, t := range solid.Triangulate(rim, nil) {
			out = append(out, t[:])
		}
	}
	return out
}

// pierced answers a convex piece less the convex cuts that reach into it, in convex pieces; false where
// none does.
func pierced(piece []profile.Point, cuts [][]profile.Point) ([][]profile.Point, bool) {
	rest, any := [][]profile.Point{piece}, false
	for _, c := range cuts {
		var next [][]profile.Point
		for _, p := range rest {
			left, hit := profile.Polygon(p).Less(c)
			any = any || hit
			for _, q := range left {
				next = append(next, q)
			}
		}
		rest = next
	}
	return rest, any
}

// roundPiece stands a piece of a facet on the body.
func roundPiece(id string, f develop.RoundFacet, flat []profile.Point) BodyPanel {
	x := f.Body[1].Sub(f.Body[0]).Unit()
	y := f.Out.Cross(x)
	m := BodyPanel{ID: id, Origin: f.Body[0], X: x, Y: y, Z: f.Out}
	u := f.Flat[1].Sub(f.Flat[0])
	u = u.Mul(1 / u.Len())
	v := profile.Point{X: -u.Y, Y: u.X}
	for _, q := range flat { // a facet is as large on the body as on the flat
		d := q.Sub(f.Flat[0])
		m.Face = append(m.Face, profile.Point{X: d.Dot(u), Y: d.Dot(v)})
	}
	return m
}
