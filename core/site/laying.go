package site

import (
	"fmt"

	"warmanvil/core/effort"
	"warmanvil/core/shop"
	"warmanvil/core/stock"
	"warmanvil/core/weld"
)

// laying is who lays a seam, and with what.
type laying struct {
	process string        // of weld: mig, tig, stick, spot
	welder  *shop.Machine // of the Shop; nil where it names none of that way
	outside bool          // another house lays it
	why     string        // why this one
}

var processSaid = map[string]string{weld.MIG: "MIG", weld.TIG: "TIG", weld.Stick: "rods", weld.Spot: "a spot welder"}

// layerOf answers who lays a seam: by the way said, or the first welder of the Shop that takes both thicknesses.
func (s Site) layerOf(by string, m stock.Material, thin, thick float64, spots bool) (l laying) {
	l.process = weld.MIG
	if spots {
		l.process = weld.Spot
	}
	switch by {
	case "":
	case "outside":
		l.outside, l.why = true, "welded outside"
		return l
	default:
		l.process, l.why = by, "as chosen"
	}
	for _, w := range s.Shop.Welds() {
		if by != "" && w.Sort != by || m.Family == stock.Aluminum && w.Sort != weld.TIG && w.Sort != weld.MIG || by == "" && (w.Sort ==
			weld.Spot) != spots {
			continue
		}
		takes := s.takes(w, thin, thick)
		if l.welder == nil || takes {
			l.welder, l.process = &w, w.Sort
		}
		if takes {
			if by == "" {
				l.why = fmt.Sprintf("the first of the Shop's welders that takes %s", s.seamPen().MM(thick))
			}
			break
		}
	}
	return l
}

// takes tells whether a welder takes both of what is joined in one pass. What welders take is said of steel.
func (s Site) takes(w shop.Machine, thin, thick float64) bool {
	least, _ := w.Limit("least", s.Brief.Inches())
	most, _ := w.Limit("most", s.Brief.Inches())
	return thin >= least-1e-9 && (thick <= most+1e-9 || most == 0)
}

// laidBy answers a seam for the hours and what is used up: long m, its leg mm.
func (s Site) laidBy(material string, thin, thick, long, leg float64) effort.Weld {
	m, err := stock.MaterialByKey(material)
	if err != nil {
		return effort.Weld{Long: long, Leg: leg}
	}
	return effort.Weld{Long: long, Leg: leg, By: effort.By(s.layerOf("", m, thin, thick, false).process), Metal: string(m.Family)}
}

// weld adds a weld, with what is dressed of it: spots are not.
func (g *gathering) weld(w effort.Weld, pieces float64, of string) {
	if w.Long <= 0 && w.Spots <= 0 {
		return
	}
	g.works = append(g.works, w.Work(pieces, of))
	g.welds = append(g.welds, w)
	g.add(effort.Dressing, w.Dressed(), 0, of)
	g.dressed += w.Dressed()
}
