package site

import (
	"math"

	"warmanvil/core/effort"
	"warmanvil/core/stock"
	"warmanvil/core/weld"
)

// weldedWork adds the seams of the welded joints, as often as the whole job is made, and names those that cannot be
// said, and those that another house lays.
func (s Site) weldedWork(g *gathering) (unsaid, outside []string) {
	if len(s.Brief.Welded) == 0 {
		return nil, nil
	}
	open := s.open()
	times := float64(max(s.Brief.Quantity, 1))
	for _, w := range s.Brief.Welded {
		x := open.seat(w, nil)
		if x.why != "" {
			unsaid = append(unsaid, w.Name)
			continue
		}
		set := map[effort.Op]bool{}
		for _, seam := range x.seams {
			q, inside := open.laidAs(&x, seam)
			if !inside {
				outside = append(outside, seam.Called()+" of "+w.Name)
				continue
			}
			q.Long, q.Spots = q.Long*times, q.Spots*times
			pieces := 0.
			if op := q.Work(0, "").Op; !set[op] { // set up once for each way
				set[op], pieces = true, 1
			}
			g.weld(q, pieces, w.Name)
		}
	}
	return unsaid, outside
}

// laidAs answers a seam as it is laid, m of it with both sides; false where another house lays it.
func (s *site) laidAs(x *seated, seam weld.Seam) (q effort.Weld, inside bool) {
	thin, thick := math.Min(seam.Sides[0].Thickness, seam.Sides[1].Thickness), math.Max(seam.Sides[0].Thickness, seam.Sides[1].Thickness)
	m, _ := stock.MaterialByKey(seam.Sides[0].Material)
	l := s.layerOf(x.by(seam.ID), m, thin, thick, seam.Form == weld.SpotForm)
	if l.outside {
		return q, false
	}
	q.By, q.Metal = effort.By(l.process), string(m.Family)
	if seam.Form == weld.PlugForm || seam.Form == weld.SpotForm {
		q.Spots, q.Leg = float64(len(seam.Path)), seam.Across
		if seam.Form == weld.PlugForm {
			q.Filled = thin
		}
		return q, true
	}
	if q.Left = string(seam.Finish); q.Left == "" {
		q.Left = string(weld.AsIs)
	}
	for _, r := range seam.Runs() {
		q.Long += lengthOf(r) / 1000
	}
	if seam.Both {
		q.Long *= 2
	}
	if q.Leg = seam.Leg; q.Leg == 0 {
		q.Leg = math.Max(seam.Throat, thin)
	}
	return q, true
}
