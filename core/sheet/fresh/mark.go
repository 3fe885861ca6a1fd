package fresh

import "warmanvil/core/sheet"

func mark(kind sheet.MarkKind, more func(at site, s spot, m *sheet.Mark)) func(site, *Feature) {
	return func(at site, f *Feature) {
		s := at.middle()
		m := sheet.Mark{ID: at.ID, Kind: kind, X: s.x, Y: s.y}
		more(at, s, &m)
		f.List, f.First, f.Mark = "/marks", place, &m
	}
}

func bare(site, spot, *sheet.Mark) {}

var marks = [...]Thing{
	{"text", OnPanel, "Words", mark(sheet.TextMark, func(at site, _ spot, m *sheet.Mark) { m.Text, m.Height = at.panel.Name, at.Usual.Or(8, 5./16) })},
	{"centre", OnPanel, "Centre mark", mark(sheet.CentreMark, bare)},
	{"arrow", OnPanel, "View arrow", mark(sheet.ArrowMark, bare)},
	{"bead", OnPanel, "Bead", mark(sheet.BeadMark, func(at site, s spot, m *sheet.Mark) { m.Length, m.Width = at.Usual.Step(s.w/2), at.Usual.Or(12, 0.5) })},
	{"noweld", OnPanel, "No weld here", mark(sheet.NoWeldMark, func(at site, s spot, m *sheet.Mark) {
		m.Length, m.Width = at.Usual.Step(s.w/3), at.Usual.Or(20, 0.75)
	})},
}
