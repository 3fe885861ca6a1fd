package site

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/joint"
	"warmanvil/core/member/shape"
	"warmanvil/core/profile"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// mate is another part of a joint as its holes meet the bolts.
type mate struct {
	hole   float64 // mm, narrowest of them
	edge   float64 // mm, nearest edge
	wide   [2]float64
	misses []miss
	why    string // why it cannot be compared
}

// miss is a bolt that finds no hole, or one beside it.
type miss struct {
	bolt int
	off  float64 // mm; infinite where there is none
	play float64 // mm its hole leaves the bolt
}

// mateWithin is how far a hole may lie from a bolt to be meant for it, mm.
const mateWithin = 25.

// mates finds the holes of another part at the bolts of a joint, by where both stand.
func (s *site) mates(j brief.Joint, side brief.Side, d float64) mate {
	p := s.part(side.Of)
	if p == nil || p.Err != nil || !p.Built.Whole {
		return mate{why: "it cannot be built as it stands"}
	}
	id, why := s.instance(side)
	if why != "" || id == "" {
		return mate{why: "it has no place on the vehicle"}
	}
	st := s.stands[id]
	if st == nil || st.Why != "" || st.built == nil {
		return mate{why: "its place cannot be worked out"}
	}
	stands, why := s.standsOf(j)
	if why != "" {
		return mate{why: "the joint has no place"}
	}
	m := mate{hole: math.Inf(1), edge: math.Inf(1)}
	a, why := s.axesAt(j, stands[0])
	if why != "" {
		return mate{why: "the joint's place cannot be worked out"}
	}
	outline := st.built.Outline.Flatten(.05)
	panel := ""
	for i, at := range boltPlaces(s.at[j.ID].holes, a) {
		best, off := -1, math.Inf(1)
		for k := range st.built.Holes {
			h := &st.built.Holes[k]
			v := st.Pose.Apply(h.Body).Sub(at)
			along := v.Dot(a.off)
			across := v.Sub(a.off.Mul(along)).Len()
			if math.Abs(st.Pose.Turn(h.Normal).Dot(a.off)) > .9 && math.Abs(along) < 60 && across < off {
				best, off = k, across
			}
		}
		if best < 0 || off > mateWithin {
			m.misses = append(m.misses, miss{bolt: i, off: math.Inf(1)})
			continue
		}
		h := &st.built.Holes[best]
		m.hole, m.edge = math.Min(m.hole, h.Diameter), math.Min(m.edge, profile.Distance(h.Centre, outline))
		panel = h.Panel
		play := (h.Diameter - d) / 2
		if h.Length > h.Diameter {
			play = (h.Length - d) / 2
		}
		if off > play {
			m.misses = append(m.misses, miss{i, off, play})
		}
	}
	for i := range st.built.Panels {
		if st.built.Panels[i].ID == panel {
			m.wide = panelSize(&st.built.Panels[i])
		}
	}
	if math.IsInf(m.hole, 1) {
		m.hole, m.edge = 0, 0
	}
	return m
}

// boltPlaces answers where the bolts of a joint are on the vehicle.
func boltPlaces(holes [][2]float64, a axes) []solid.Vector {
	var mx, my float64
	for _, h := range holes {
		mx, my = mx+h[0]/float64(len(holes)), my+h[1]/float64(len(holes))
	}
	out := make([]solid.Vector, len(holes))
	for i, h := range holes {
		out[i] = a.at.Add(a.x.Mul(h[0] - mx)).Add(a.y.Mul(h[1] - my))
	}
	return out
}

// told says which bolts miss their holes and by how much.
func (m mate) told(name string, mm func(float64) string) []working.Finding {
	var out []working.Finding
	for _, x := range m.misses {
		f := working.Finding{Code: "hole-misses", Severity: working.Stop, Cause: "Parts that meet", Name: name}
		if math.IsInf(x.off, 1) {
			f.Reason = fmt.Sprintf("Bolt %d finds no hole in %s as it stands: add one there, or look at where both parts stand.",
				x.bolt+1, name)
		} else {
			f.Reason = fmt.Sprintf("Bolt %d misses its hole in %s by %s, and the hole leaves it %s: move one of the two, or open the hole.",
				x.bolt+1, name, mm(x.off), mm(math.Max(0, x.play)))
		}
		out = append(out, f)
	}
	return out
}

// panelSize answers the size of a panel's face on the flat pattern, across and up.
func panelSize(q *made.PanelMade) [2]float64 {
	if len(q.Flat) == 0 {
		return [2]float64{}
	}
	b := profile.Bounds{Min: q.Flat[0], Max: q.Flat[0]}
	for _, v := range q.Flat {
		b.Min, b.Max = profile.Point{X: min(b.Min.X, v.X), Y: min(b.Min.Y, v.Y)}, profile.Point{X: max(b.Max.X, v.X), Y: max(b.Max.Y, v.Y)}
	}
	return [2]float64{b.Max.X - b.Min.X, b.Max.Y - b.Min.Y}
}

// fromPart fills a ply in from the part the bolts go through: bore, edge, width, the
// bend that pulls it, and the way its slots run.
func (s *site) fromPart(j brief.Joint, q *joint.Ply, t bolted) {
	p := s.part(j.Part)
	q.Hole, q.Edge = t.bore, t.edge
	panel := ""
	for i := range p.Built.Holes {
		h := &p.Built.Holes[i]
		if !slices.Contains(j.Features, h.Feature) {
			continue
		}
		panel = h.Panel
		if h.Length > h.Diameter {
			q.Slotted = true
			if way := slotWay(h.Loop); q.Way == nil {
				q.Way = &way
			}
		}
	}
	for i := range p.Built.Panels {
		if p.Built.Panels[i].ID == panel {
			q.Wide = panelSize(&p.Built.Panels[i])
		}
	}
	if q.Pull == 0 && !q.Stiff {
		q.Pull = bendBeside(p.Built, panel, t.holes)
	}
}

// slotWay answers the way a slot runs, degrees from x towards y: between the two
// points of its outline farthest apart.
func slotWay(l profile.Loop) float64 {
	pts := l.Flatten(.05)
	best, way := 0., 0.
	for i, a := range pts {
		for _, b := range pts[:i] {
			if d := b.Sub(a); d.Len() > best {
				best, way = d.Len(), math.Atan2(d.Y, d.X)*180/math.Pi
			}
		}
	}
	return way
}

// bendBeside answers how far the bolts nearest to each bend of a panel stand from it,
// of the bend that is farthest: the load may come through any of them. 0 where the
// panel has no bend.
func bendBeside(p made.Part, panel string, holes [][2]float64) float64 {
	far := 0.
	for _, line := range p.BendLines {
		on := line.ID == panel
		for _, q := range p.Panels {
			on = on || q.ID == line.ID && q.Parent == panel
		}
		if !on {
			continue
		}
		near := math.Inf(1)
		for _, h := range holes {
			near = math.Min(near, toLine(profile.Point{X: h[0], Y: h[1]}, line.From, line.To))
		}
		near -= line.BendAllowance / 2 // to its tangent line
		if !math.IsInf(near, 1) {
			far = math.Max(far, near)
		}
	}
	return far
}

func toLine(p, a, b profile.Point) float64 {
	d := b.Sub(a)
	if d.Len() < 1e-9 {
		return p.Sub(a).Len()
	}
	return math.Abs(p.Sub(a).Cross(d)) / d.Len()
}

// endPlate finds the plate of a frame's member a joint is at: the base that is nearest
// to it, the only one where the joint has no place.
func (s *site) endPlate(j brief.Joint, side brief.Side) *shape.PlateAt {
	built := s.frames[side.Of]
	if built == nil {
		return nil
	}
	pose := s.frame(side.Of).Doc.Fit.Solid()
	var place *solid.Vector
	if stands, why := s.standsOf(j); why == "" && len(stands) > 0 {
		if a, why := s.axesAt(j, stands[0]); why == "" {
			place = &a.at
		}
	}
	var found *shape.PlateAt
	best, many := math.Inf(1), 0
	for i := range built.Plates {
		p := &built.Plates[i]
		mine := p.Member == side.Member
		for _, piece := range built.Pieces {
			mine = mine || piece.ID == p.Member && piece.Of == side.Member
		}
		if p.Kind != "base" || !mine {
			continue
		}
		many++
		d := 0.
		if place != nil {
			d = pose.Apply(p.At).Sub(*place).Len()
		}
		if d < best {
			best, found = d, p
		}
	}
	if found == nil || place == nil && many > 1 || place != nil && best > holderWithin {
		return nil
	}
	return found
}

// fromPlate fills a ply in from a frame's end plate: its own thickness and metal, its
// holes and edges, and the member's wall that pulls it.
func fromPlate(p *shape.PlateAt, material string, wall func(h [2]float64) float64, q *joint.Ply) {
	q.Material, q.Thickness, q.Hollow = material, p.Thickness, false
	q.Hole, q.Edge = p.Hole, p.Margin
	side := math.Min(p.Width, p.Height) // which way it lies to the joint's axes is not said
	q.Wide = [2]float64{side, side}
	if q.Pull == 0 && !q.Stiff {
		for _, h := range p.Holds {
			q.Pull = math.Max(q.Pull, wall(h))
		}
	}
	if q.Name == "" {
		q.Name = p.Name
	}
}
