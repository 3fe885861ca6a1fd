package fresh

import (
	"strings"

	"warmanvil/core/sheet"
)

// flanges are the kinds of flange; the plain one goes up or down.
func flanges() []Thing {
	var out []Thing
	for _, f := range sheet.FlangeForms() {
		if f.Word == "" {
			out = append(out, Thing{"up", OnEdge, "Flange up", bend(f.Kind, true)}, Thing{"down", OnEdge, "Flange down", bend(f.Kind, false)})
			continue
		}
		out = append(out, Thing{string(f.Kind), OnEdge, strings.ToUpper(f.Word[:1]) + f.Word[1:], bend(f.Kind, true)})
	}
	return out
}

func bend(kind sheet.FlangeKind, up bool) func(site, *Feature) {
	return func(at site, f *Feature) {
		last := sheet.Flange{Length: at.Last.Length, Angle: at.Last.Angle, InsideRadius: at.Last.InsideRadius}
		x := sheet.FreshFlange(kind, last, at.Usual)
		x.ID, x.Edge, x.Up = at.ID, at.Edge, up
		f.List, f.First, f.Flange = "/flanges", "/length", &x
	}
}

var cuts = [...]Thing{
	{"notch", OnEdge, "Notch", notch},
	{"tab", OnEdge, "Tab", tab},
}

func cut(at site, kind sheet.EdgeKind) sheet.EdgeCut {
	return sheet.EdgeCut{ID: at.ID, Kind: kind, Edge: at.Edge, At: at.Usual.Step(at.long / 2),
		Width: at.Usual.Step(min(at.long/4, at.Usual.Or(20, 0.75)))}
}

func notch(at site, f *Feature) {
	x := cut(at, sheet.Notch)
	x.Depth, x.Shape = at.Usual.Step(x.Width/2), sheet.SquareNotch
	f.List, f.First, f.Cut = "/edges", "/width", &x
}

// tab goes through a sheet as thick as its own.
func tab(at site, f *Feature) {
	x := cut(at, sheet.Tab)
	x.Depth = at.Usual.Thickness
	f.List, f.First, f.Cut = "/edges", "/width", &x
}
