package site

import (
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/stock"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// HolesOf answers the holes of a worked map as holes of a panel about its middle: as seen
// onto the wall, or mirrored where the part is drawn from behind. They have no ids yet. w
// and h are the way between their outermost centres, mm. Refusals are *working.Fault.
func HolesOf(m vehicle.HoleMap, t vehicle.MapTold, behind bool) (out []sheet.Hole, w, h float64, err error) {
	switch {
	case t.Why != "":
		return nil, 0, 0, working.Refuse("/map", "%s", t.Why)
	case len(t.Alternatives) > 0:
		return nil, 0, 0, working.Refuse("/map", "Another map fits as well: take the reading that tells them apart first.")
	case !t.Consistent && t.Suspect == "":
		return nil, 0, 0, working.Refuse("/map", "The readings of %s contradict each other: settle them first.", m.Name)
	}
	box := profile.Empty()
	for i, x := range t.Holes {
		d := m.Holes[i].Diameter
		if thread := m.Holes[i].Thread; thread != "" {
			named, is, err := stock.HoleNamed(thread + " bolt")
			if err != nil || !is {
				return nil, 0, 0, working.Refuse("/map", "Hole %s is tapped %q, which is no thread of the table: type its "+
					"diameter.", x.Name, thread)
			}
			d = named.Diameter
		}
		if d <= 0 {
			return nil, 0, 0, working.Refuse("/map", "Hole %s of %s has no diameter yet: type what goes through it.", x.Name, m.Name)
		}
		at := profile.Point{X: x.X, Y: x.Y}
		if behind {
			at.X = -at.X
		}
		box.Include(at)
		out = append(out, sheet.Hole{Name: x.Name, Group: m.Name, Kind: sheet.RoundHole, Diameter: d,
			X: sheet.Offset{Edge: sheet.Middle, Distance: at.X}, Y: sheet.Offset{Edge: sheet.Middle, Distance: at.Y}})
	}
	middle := box.Min.Add(box.Max).Mul(.5)
	for i := range out {
		out[i].X.Distance = hundredth(out[i].X.Distance - middle.X)
		out[i].Y.Distance = hundredth(out[i].Y.Distance - middle.Y)
	}
	w, h = box.Size()
	return out, w, h, nil
}

// hundredth drops what no tape and no table says.
func hundredth(mm float64) float64 { return math.Round(mm*100)/100 + 0 }

// PlateOf answers a flat plate around holes: as far past the outermost centres as twice the
// largest hole, the usual edge distance, to the next 5 mm.
func PlateOf(r sheet.Recipe, id string, holes []sheet.Hole, w, h float64) sheet.Recipe {
	most := 0.
	for _, x := range holes {
		most = math.Max(most, x.Diameter)
	}
	up := func(mm float64) float64 { return 5 * math.Ceil((mm+4*most)/5) }
	r.Base = sheet.Base{ID: id, Measure: sheet.Flat, Length: up(w), Width: up(h), Holes: holes}
	return r
}

// QuarterTurned answers holes turned a quarter where they lie within a panel only so.
func QuarterTurned(holes []sheet.Hole, w, h float64, p made.PanelMade) []sheet.Hole {
	if w <= p.Seat.Width && h <= p.Seat.Height || h > p.Seat.Width || w > p.Seat.Height {
		return holes
	}
	out := slices.Clone(holes)
	for i := range out {
		out[i].X.Distance, out[i].Y.Distance = -holes[i].Y.Distance+0, holes[i].X.Distance
	}
	return out
}

// Followed pairs the holes of a part as made with those of a map: hole by hole, features in
// the map's order.
func Followed(part made.Part, features []string, m vehicle.HoleMap) (out []vehicle.MatePair) {
	for i, f := range features {
		for _, h := range part.Holes {
			if h.Feature == f {
				out = append(out, vehicle.MatePair{Hole: h.ID, Point: m.Holes[i].ID})
			}
		}
	}
	return out
}
