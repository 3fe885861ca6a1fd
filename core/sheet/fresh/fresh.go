// Package fresh makes new features as a shop starts them: usual or last used sizes, in
// the middle of what was pointed at. They are typed over afterwards.
package fresh

import (
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/working"
)

// Ask is what is to be added where. Lengths in mm, angles in degrees.
type Ask struct {
	Thing string     // key of a Thing
	ID    string     // of the feature, new in its recipe
	Panel string     // id of the panel it goes on
	Edge  sheet.Edge // that was tapped: for what goes on an edge or along one
	Last  Last
	Usual sheet.Usual
}

// Last is what the shop typed last; zero where it never did.
type Last struct {
	Length       float64 `json:"length,omitempty" doc:"mm, of a flange"`
	Angle        float64 `json:"angle,omitempty" doc:"degrees, of a flange"`
	InsideRadius float64 `json:"insideRadius,omitempty" doc:"mm, of a flange"`
	Diameter     float64 `json:"diameter,omitempty" doc:"mm, of a hole"`
}

// Feature is what was made: it goes at the end of a list of its panel.
type Feature struct {
	List   string         `json:"list" doc:"JSON pointer into the recipe, of the list it goes to"`
	First  string         `json:"first" doc:"JSON pointer below it, of the size that is typed first"`
	Flange *sheet.Flange  `json:"flange,omitempty"`
	Hole   *sheet.Hole    `json:"hole,omitempty"`
	Cut    *sheet.EdgeCut `json:"cut,omitempty"`
	Mark   *sheet.Mark    `json:"mark,omitempty"`
}

// Row is where things to add stand beside each other.
type Row string

// The rows.
const (
	OnEdge  Row = "edge"
	Holes   Row = "hole"
	ForUse  Row = "use"
	OnPanel Row = "mark"
)

// Thing is one that can be added.
type Thing struct {
	Key  string `json:"key"`
	Row  Row    `json:"row" enum:"edge,hole,use,mark"`
	Text string `json:"text"`
	make func(at site, f *Feature)
}

// Things answers what can be added, in the order it is offered.
func Things() []Thing {
	return slices.Concat(flanges(), cuts[:], holes[:], uses[:], marks[:])
}

// Make answers a new feature of a built part. It refuses a thing, panel or edge that is
// not there.
func Make(p made.Part, a Ask) (Feature, error) {
	list := Things()
	i := slices.IndexFunc(list, func(t Thing) bool { return t.Key == a.Thing })
	if i < 0 {
		return Feature{}, working.Refuse("/thing", "Nothing is called %q: choose one of those that can be added.", a.Thing)
	}
	k := slices.IndexFunc(p.Panels, func(x made.PanelMade) bool { return x.ID == a.Panel })
	if k < 0 {
		return Feature{}, working.Refuse("/panel", "This part has no such panel: choose one that is there.")
	}
	at := site{Ask: a, panel: p.Panels[k], round: p.Round}
	if list[i].Row == OnEdge {
		if p.Round != nil {
			return Feature{}, working.Refuse("/thing", "On the edges of a round nothing is put: let its form be cut leaning, or cut "+
				"a hole.")
		}
		e, ok := at.edge(a.Edge)
		if !ok {
			return Feature{}, working.Refuse("/edge", "%s has no edge %q: choose one of its own.", at.panel.Name, a.Edge)
		}
		at.long = math.Hypot(e.To.X-e.From.X, e.To.Y-e.From.Y)
	}
	var f Feature
	list[i].make(at, &f)
	f.List = at.panel.Path + f.List
	return f, nil
}

// site is where a new feature goes.
type site struct {
	Ask
	panel made.PanelMade
	round *made.RoundMade // of a part that is unrolled from one
	long  float64         // mm, of the edge
}

func (s site) edge(e sheet.Edge) (made.EdgeMade, bool) {
	i := slices.IndexFunc(s.panel.Edges, func(x made.EdgeMade) bool { return x.Edge == e })
	if i < 0 {
		return made.EdgeMade{}, false
	}
	return s.panel.Edges[i], true
}

// spot is the middle of a panel, counted from edges a rule is laid to, and the panel's
// size over all, mm.
type spot struct {
	x, y sheet.Offset
	w, h float64
}

var opposite = map[sheet.Edge]sheet.Edge{sheet.Front: sheet.Back, sheet.Back: sheet.Front, sheet.Left: sheet.Right, sheet.Right: sheet.Left}

// middle answers the middle of a panel, counted from the edge that was tapped where one was,
// else from those a rule is laid to.
func (s site) middle() spot {
	out := s.unchosen()
	e, tapped := s.edge(s.Edge)
	if !tapped || e.Role == "round" {
		return out
	}
	// How far the panel's middle lies within the edge, and whether that is across or front to back.
	d := e.To.Sub(e.From)
	long := d.Len()
	if long < sheet.Tiny {
		return out
	}
	along := s.panel.Pose.Undo(e.To).Sub(s.panel.Pose.Undo(e.From))
	in := sheet.Offset{Edge: e.Edge, Distance: s.Usual.Step(math.Abs(d.Cross(s.panel.Middle.Sub(e.From))) / long)}
	if math.Abs(along.Y) > math.Abs(along.X) {
		out.x = in
	} else {
		out.y = in
	}
	return out
}

func (s site) unchosen() spot {
	box := profile.Empty()
	for _, q := range s.panel.Flat {
		box.Include(q)
	}
	w, h := box.Size()
	out := spot{sheet.Offset{Edge: sheet.Middle}, sheet.Offset{Edge: sheet.Middle}, w, h}
	if s.round != nil {
		if around, up, ok := s.round.At(s.panel.Middle); ok {
			out.x = sheet.Offset{Edge: sheet.Around, Distance: math.Round(around)}
			out.y = sheet.Offset{Edge: sheet.Up, Distance: s.Usual.Step(up)}
		}
		return out
	}
	square := len(s.panel.Edges) == 4
	var root sheet.Edge
	for _, e := range s.panel.Edges {
		square = square && opposite[e.Edge] != "" && e.Role != "round"
		if e.Role == "bend" {
			root = e.Edge
		}
	}
	if !square {
		return out
	}
	out.x = sheet.Offset{Edge: sheet.Left, Distance: s.Usual.Step(w / 2)}
	out.y = sheet.Offset{Edge: sheet.Front, Distance: s.Usual.Step(h / 2)}
	switch root {
	case sheet.Left, sheet.Right:
		out.x.Edge = opposite[root]
	case sheet.Front, sheet.Back:
		out.y.Edge = opposite[root]
	}
	return out
}
