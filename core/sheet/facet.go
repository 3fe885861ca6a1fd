package sheet

import (
	"slices"
	"strconv"
	"strings"

	"warmanvil/core/working"
)

// Facet makes a part a blank of a faceted body: its panels are as the body has them, and change with
// it; what is on them (holes, notches, marks, flanges of its own) is the part's.
type Facet struct {
	Of      string               `json:"of" doc:"id of the body"`
	Name    string               `json:"name" doc:"its name then"`
	Corners map[string][]string  `json:"corners" doc:"of each panel by its id: the body's points its numbered edges start at"`
	Seams   int                  `json:"seams,omitempty" doc:"edges at which it is welded into the body"`
	Numbers map[string][]int     `json:"numbers,omitempty" doc:"of each panel by its id: the numbers of the body's seams along its edges, 0 where there is none; they are marked on both sides of a seam"`
	Blends  map[string][]float64 `json:"blends,omitempty" doc:"mm, of each panel: what its numbered seams are ground round to, 0 where nothing is said; left out where none is"`
	Glued   map[string][]int     `json:"glued,omitempty" doc:"of each panel: numbers of its edges, from 1, that carry the tab a mock-up is glued at"`
}

// LocatorPrefix begins the ids of tabs and notches that a body gives its blanks.
const LocatorPrefix = "locate-"

// PartsOwn leaves out of what is cut on an edge the tabs and notches that a body gives its blanks.
func PartsOwn(list []EdgeCut) (own []EdgeCut) {
	for _, c := range list {
		if !strings.HasPrefix(c.ID, LocatorPrefix) {
			own = append(own, c)
		}
	}
	return own
}

// mostFacets is how many panels a blank has at most.
const mostFacets = 500

func (f *Facet) validate() error {
	if f == nil {
		return nil
	}
	if f.Of == "" || len(f.Of) > 64 || len(f.Name) > maxReason {
		return working.Refuse("/facet/of", "Say which body of the job it is of.")
	}
	if len(f.Corners) > mostFacets {
		return working.Refuse("/facet/corners", "A blank has up to %d panels.", mostFacets)
	}
	if f.Seams < 0 || f.Seams > mostFacets*mostCorners {
		return working.Refuse("/facet/seams", "A blank is welded at its own edges.")
	}
	for id, list := range f.Blends {
		if len(id) > 64 || len(list) > mostCorners || slices.ContainsFunc(list, func(r float64) bool { return !(r >= 0 && r <= 100) }) {
			return working.Refuse("/facet/blends/"+id, "A seam is ground to a radius of up to 100 mm.")
		}
	}
	for _, x := range []struct {
		at   string
		list map[string][]int
	}{{"/facet/numbers/", f.Numbers}, {"/facet/glued/", f.Glued}} {
		for id, list := range x.list {
			if len(id) > 64 || len(list) > mostCorners || slices.ContainsFunc(list,
				func(n int) bool { return n < 0 || n > mostFacets*mostCorners }) {
				return working.Refuse(x.at+id, "A panel has up to %d edges, with the numbers of the body's seams.", mostCorners)
			}
		}
	}
	for id, list := range f.Corners {
		if len(id) > 64 || len(list) > mostCorners {
			return working.Refuse("/facet/corners/"+id, "A panel has up to %d corners.", mostCorners)
		}
		for _, p := range list {
			if len(p) > 64 {
				return working.Refuse("/facet/corners/"+id, "A point is named in up to 64 letters.")
			}
		}
	}
	return nil
}

// Renumbered answers by which number an edge of a panel goes, where its corners were some and are others:
// that between the same two points, whichever way round. false where there is none any more.
func Renumbered(was, is []string, e Edge) (Edge, bool) {
	i, err := strconv.Atoi(string(e))
	if err != nil || i < 1 || i > len(was) {
		return e, err != nil // no number: the middle, another feature
	}
	a, b := was[i-1], was[i%len(was)]
	for k, p := range is {
		if q := is[(k+1)%len(is)]; p == a && q == b || p == b && q == a {
			return Edge(strconv.Itoa(k + 1)), true
		}
	}
	return e, false
}

// OnEdges answers what is on a panel with every edge it counts from renamed.
func (p PanelOwn) OnEdges(name func(Edge) Edge) PanelOwn {
	at := func(o Offset) Offset { o.Edge = name(o.Edge); return o }
	out := PanelOwn{Corner: p.Corner, Meets: p.Meets}
	for _, h := range p.Holes {
		h.X, h.Y = at(h.X), at(h.Y)
		if h.Pattern != nil {
			pat := *h.Pattern
			pat.Edge = name(pat.Edge)
			h.Pattern = &pat
		}
		out.Holes = append(out.Holes, h)
	}
	for _, e := range p.Edges {
		e.Edge = name(e.Edge)
		out.Edges = append(out.Edges, e)
	}
	for _, m := range p.Marks {
		m.X, m.Y = at(m.X), at(m.Y)
		out.Marks = append(out.Marks, m)
	}
	for _, f := range p.Flanges {
		f.Edge = name(f.Edge)
		out.Flanges = append(out.Flanges, f)
	}
	return out
}

// PanelOwn is what is on a panel besides its form.
type PanelOwn struct {
	Corner  Corner
	Meets   []Meet
	Holes   []Hole
	Edges   []EdgeCut
	Marks   []Mark
	Flanges []Flange
}
