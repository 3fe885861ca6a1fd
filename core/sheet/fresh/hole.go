package fresh

import (
	"cmp"
	"math"
	"slices"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/stock"
)

// hole is a round one in the middle; first is the size that is typed first.
func hole(first string, more func(at site, s spot, h *sheet.Hole)) func(site, *Feature) {
	return func(at site, f *Feature) {
		s := at.middle()
		h := sheet.Hole{ID: at.ID, Kind: sheet.RoundHole, X: s.x, Y: s.y}
		more(at, s, &h)
		f.List, f.First, f.Hole = "/holes", first, &h
	}
}

// sized is a hole whose diameter is the last one typed.
func sized(more func(at site, s spot, h *sheet.Hole)) func(site, *Feature) {
	return hole("/diameter", func(at site, s spot, h *sheet.Hole) {
		if h.Diameter = at.Last.Diameter; h.Diameter == 0 {
			h.Diameter = at.Usual.Or(9, 13./32)
		}
		more(at, s, h)
	})
}

// shaped is a hole of another shape; its sizes are whole steps.
func shaped(kind sheet.HoleKind, across, long float64) func(site, *Feature) {
	return sized(func(at site, _ spot, h *sheet.Hole) {
		h.Kind, h.Diameter, h.Length = kind, at.Usual.Step(across), at.Usual.Step(long)
		if long == 0 {
			h.Length = 0
		}
	})
}

// quarter sets x a quarter of the panel off its middle.
func quarter(at site, s spot, h *sheet.Hole) {
	h.X.Distance = at.Usual.Step(s.w / 4)
	if h.X.Edge == sheet.Middle {
		h.X.Distance = -h.X.Distance
	}
}

var holes = [...]Thing{
	{"round", Holes, "Hole", sized(func(site, spot, *sheet.Hole) {})},
	{"slot", Holes, "Slot", sized(func(at site, _ spot, h *sheet.Hole) {
		h.Kind, h.Length = sheet.SlotHole, at.Usual.Step(2.5*h.Diameter)
	})},
	{"grid", Holes, "Row or grid", sized(func(at site, s spot, h *sheet.Hole) {
		quarter(at, s, h)
		h.Pattern = &sheet.Pattern{Kind: sheet.GridPattern, Columns: 2, Rows: 1,
			PitchX: at.Usual.Step(s.w / 2), PitchY: at.Usual.Step(s.h / 2)}
	})},
	{"circle", Holes, "Hole circle", sized(func(at site, s spot, h *sheet.Hole) {
		h.Pattern = &sheet.Pattern{Kind: sheet.CirclePattern, Count: 4, Diameter: at.Usual.Step(min(s.w, s.h) / 2), Start: 45}
	})},
	{"edge", Holes, "Along an edge", sized(alongEdge)},
	{"pair", Holes, "Mirrored pair", sized(func(at site, s spot, h *sheet.Hole) {
		quarter(at, s, h)
		h.Pattern = &sheet.Pattern{Kind: sheet.MirrorPattern, Across: true}
	})},
	{"row", Holes, "Slanted row", sized(func(at site, s spot, h *sheet.Hole) {
		h.Pattern = &sheet.Pattern{Kind: sheet.RowPattern, Count: 3, PitchX: at.Usual.Step(s.w / 8)}
	})},
	{"square", Holes, "Square", shaped(sheet.SquareHole, 20, 0)},
	{"rectangle", Holes, "Rectangle", shaped(sheet.RectangleHole, 20, 40)},
	{"d", Holes, "D hole", sized(func(at site, _ spot, h *sheet.Hole) {
		h.Kind, h.Diameter, h.Flat = sheet.DHole, at.Usual.Step(16), at.Usual.Step(13)
	})},
	{"keyhole", Holes, "Keyhole", sized(func(at site, _ spot, h *sheet.Hole) {
		h.Kind, h.Diameter, h.Narrow, h.Length = sheet.KeyholeHole, at.Usual.Step(14), at.Usual.Step(7), at.Usual.Step(30)
	})},
}

// alongEdge follows the edge that was tapped, the first free one where none was.
func alongEdge(at site, _ spot, h *sheet.Hole) {
	e := sheet.Front
	if x, tapped := at.edge(at.Edge); tapped {
		e = x.Edge
	} else if i := slices.IndexFunc(at.panel.Edges, func(x made.EdgeMade) bool { return x.Role == "free" || x.Role == "tip" }); i >= 0 {
		e = at.panel.Edges[i].Edge
	}
	from := sheet.Offset{Edge: e, Distance: at.Usual.Step(at.Usual.Or(20, 0.75))}
	if e == sheet.Left || e == sheet.Right {
		h.X = from
	} else {
		h.Y = from
	}
	h.Pattern = &sheet.Pattern{Kind: sheet.EdgePattern, Edge: e, Count: 3, Margin: at.Usual.Step(at.Usual.Or(25, 1))}
}

// use is a hole for something: what its use asks for has its usual size.
func use(kind sheet.UseKind, first string) func(site, *Feature) {
	return hole(first, func(at site, s spot, h *sheet.Hole) {
		h.Use = started(kind, "", at.Usual)
		switch kind {
		case sheet.UseTab:
			h.Kind = sheet.RectangleHole
		case sheet.UseLightening:
			h.Diameter = at.Usual.Step(min(s.w, s.h) / 2)
		}
	})
}

// started answers a use with what it asks for; thread is the one a hole has already.
func started(kind sheet.UseKind, thread string, u sheet.Usual) *sheet.Use {
	out := &sheet.Use{Kind: kind}
	switch kind {
	case sheet.UseTapped, sheet.UseRivetNut, sheet.UseWeldNut:
		out.Thread, out.Back = cmp.Or(thread, usualThread(u)), kind == sheet.UseWeldNut
	case sheet.UseCountersink:
		out.Thread = cmp.Or(thread, sunk(u))
	case sheet.UseAccess:
		out.Tool = u.Or(22, 7./8)
	case sheet.UsePass:
		out.Line, out.Cover = u.Or(12, 0.5), "grommet"
	case sheet.UseTab:
		out.Width = u.Step(u.Or(20, 0.75))
	}
	return out
}

func usualThread(u sheet.Usual) string {
	if u.Inch {
		return "5/16"
	}
	return "M8"
}

// sunk answers the largest usual thread whose head lies within the sheet.
func sunk(u sheet.Usual) string {
	names, cone := []string{"M8", "M6", "M5"}, 90.
	if u.Inch {
		names, cone = []string{"5/16", "1/4", "#10"}, 82.
	}
	for _, n := range names {
		t, err := stock.ThreadNamed(n)
		deep := (2*t.Diameter - t.Clearance.Normal) / 2 / math.Tan(cone/2*math.Pi/180)
		if err == nil && deep <= u.Thickness {
			return n
		}
	}
	return names[len(names)-1]
}

const place = "/x/distance"

var uses = [...]Thing{
	{"tapped", ForUse, "Tapped", use(sheet.UseTapped, place)},
	{"weldnut", ForUse, "Weld nut", use(sheet.UseWeldNut, place)},
	{"rivetnut", ForUse, "Rivet nut", use(sheet.UseRivetNut, place)},
	{"countersink", ForUse, "Countersunk", use(sheet.UseCountersink, place)},
	{"access", ForUse, "Tool access", use(sheet.UseAccess, "/use/tool")},
	{"drain", ForUse, "Drain", use(sheet.UseDrain, place)},
	{"pass", ForUse, "Line through", use(sheet.UsePass, "/use/line")},
	{"lightening", ForUse, "Lightening", use(sheet.UseLightening, "/diameter")},
	{"tabslot", ForUse, "Slot for a tab", use(sheet.UseTab, "/use/width")},
}

// For answers a round hole for something else, or for nothing in particular: what the
// use asks for takes its usual size, a thread stays.
func For(h sheet.Hole, kind sheet.UseKind, last Last, u sheet.Usual) sheet.Hole {
	was := h.Use
	if h.Use = nil; kind != "" {
		thread := ""
		if was != nil {
			thread = was.Thread
		}
		h.Use = started(kind, thread, u)
	}
	if kind == "" || kind == sheet.UseLightening {
		h.Diameter = cmp.Or(h.Diameter, last.Diameter, u.Or(9, 13./32))
	} else {
		h.Diameter = 0
	}
	return h
}

// Pattern answers a layout with pitches to be typed over.
func Pattern(kind sheet.PatternKind, u sheet.Usual) sheet.Pattern {
	p := sheet.Pattern{Kind: kind}
	switch kind {
	case sheet.GridPattern:
		p.Columns, p.Rows, p.PitchX, p.PitchY = 2, 1, u.Or(50, 2), u.Or(50, 2)
	case sheet.CirclePattern:
		p.Count, p.Diameter, p.Start = 4, u.Or(60, 2.5), 45
	case sheet.RowPattern:
		p.Count, p.PitchX = 3, u.Or(30, 1.25)
	case sheet.EdgePattern:
		p.Count, p.Margin = 3, u.Or(25, 1)
	case sheet.MirrorPattern:
		p.Across = true
	case sheet.AroundPattern:
		p.Count = 4
	}
	return p
}
