package shop

import (
	"warmanvil/core/bend"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/flags"
	"warmanvil/core/stock"
)

// family answers under which limit a metal's thickness is kept.
func family(material string) string {
	m, err := stock.MaterialByKey(material)
	if err != nil {
		return ""
	}
	switch m.Family {
	case stock.Stainless:
		return "stainless"
	case stock.Aluminum:
		return "aluminum"
	}
	return "steel"
}

// brakes are the sorts of brake that bend on a tool, the first the usual one.
var brakes = map[bend.ToolKind][]string{bend.ToolVDie: {"press"}, bend.ToolPan: {"pan", "folder"}, bend.ToolVice: {"vice"}}

// For answers what a part is cut and bent on and who lifts it: of what is there now, the
// shop's own first. Where the shop names no such machine, a usual one is taken, and says so.
func (s Shop) For(r sheet.Recipe, inch bool) flags.Machines {
	metal := family(r.Material)
	out := flags.Machines{Lifter: s.lifter()}
	of := func(m Machine) flags.Machine {
		f := flags.Machine{Name: m.Called(), Where: m.stands(), Said: true}
		limit := func(key string) (v float64) {
			v, said := m.Limit(key, inch)
			f.Said = f.Said && (said || v == 0)
			return v
		}
		f.Long, f.Wide, f.Thick = limit("long"), limit("wide"), limit(metal)
		f.Force, f.PerLength, f.Angle = limit("force"), limit("line"), limit("angle")
		return f
	}
	for _, m := range s.there(Table, func(m Machine) bool { return m.Sort == r.Process }) {
		out.Tables = append(out.Tables, of(m))
	}
	if len(out.Tables) == 0 {
		out.Tables = []flags.Machine{usualTable(r.Process, inch, of)}
	}
	sorts := brakes[r.Tool.Kind]
	for _, m := range s.there(Brake, func(m Machine) bool {
		for _, sort := range sorts {
			if m.Sort == sort {
				return true
			}
		}
		return false
	}) {
		out.Brakes = append(out.Brakes, of(m))
	}
	if len(out.Brakes) == 0 && len(sorts) > 0 {
		m := of(Machine{Kind: Brake, Sort: sorts[0]})
		m.Name = "a usual " + Brake.table().sort(sorts[0]).Text
		out.Brakes = []flags.Machine{m}
	}
	return out
}

// usualTable is what a blank is cut on where the shop names no table for it: by hand a usual
// sheet, of any thickness.
func usualTable(process string, inch bool, of func(Machine) flags.Machine) flags.Machine {
	if process == "hand" {
		m := of(Machine{Kind: Table, Sort: "plasma"})
		m.Name, m.Thick = "a usual sheet", 0
		return m
	}
	m := of(Machine{Kind: Table, Sort: process})
	m.Name = "a usual " + Table.table().sort(process).Text
	return m
}

// stands says where a machine stands when it is not the shop's own.
func (m Machine) stands() string {
	where := map[Where]string{Borrowed: "borrowed", Outside: "outside"}[m.Where]
	if where != "" && m.Of != "" {
		where += ", " + m.Of
	}
	return where
}

// lifter answers who of those there lifts most; nobody where none said.
func (s Shop) lifter() (best flags.Lifter) {
	for _, p := range s.People {
		if !p.Away && p.Lift != nil && *p.Lift > best.Kilos {
			best = flags.Lifter{Name: p.Name, Kilos: *p.Lift}
		}
	}
	return best
}
