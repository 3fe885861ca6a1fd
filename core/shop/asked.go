package shop

import (
	"cmp"
	"slices"
	"strings"

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
// shop's own first. Where the shop names no such machine, a usual one is taken, of a metric
// or an inch shop as the shop or, where it does not say, the job is; and says so.
func (s Shop) For(r sheet.Recipe, inch bool) flags.Machines {
	if s.Unit != "" {
		inch = s.Inches() // usual machines of such a shop
	}
	metal := family(r.Material)
	out := flags.Machines{Lifter: s.Lifter(), Sheets: s.Sheets(), Tools: flags.Tools{Drills: s.Drilled(), Saws: s.Sawed(),
		Taps: s.Tapped(), Steps: s.Stepped(r.Thickness),
		Nuts: s.Nutted()}}
	of := func(m Machine) flags.Machine {
		f := flags.Machine{ID: m.ID, Name: m.Called(), Where: m.stands(), Named: true, Said: true}
		limit := func(key string) (v float64) {
			v, said := m.Limit(key, inch)
			f.Said = f.Said && (said || v == 0)
			return v
		}
		f.Long, f.Wide, f.Thick = limit("long"), limit("wide"), limit(metal)
		f.Force, f.PerLength, f.Angle = limit("force"), limit("line"), limit("angle")
		f.Air = m.asked("air", inch)
		f.Bow, f.BowSaid = m.Limit("bow", inch)
		_, f.Sure[0] = m.Limits["force"]
		_, f.Sure[1] = m.Limits["line"]
		return f
	}
	out.Tables = s.taken(Table, []string{r.Process}, of, &out.Away)
	if len(out.Tables) == 0 && len(out.Away) == 0 {
		out.Tables = []flags.Machine{usualTable(r.Process, inch, of)}
		if len(s.Machines) > 0 && r.Process != "hand" {
			out.Unnamed = append(out.Unnamed, Table.table().sort(r.Process).Text)
		}
	}
	sorts, away := brakes[r.Tool.Kind], len(out.Away)
	if len(r.Base.Flanges) == 0 {
		sorts = nil // nothing is bent
	}
	out.Brakes = s.taken(Brake, sorts, of, &out.Away)
	if len(out.Brakes) == 0 && len(out.Away) == away && len(sorts) > 0 {
		m := of(Machine{Kind: Brake, Sort: sorts[0]})
		m.Name, m.Named = "a usual "+Brake.table().sort(sorts[0]).Text, false
		out.Brakes = []flags.Machine{m}
		if len(s.Machines) > 0 {
			out.Unnamed = append(out.Unnamed, Brake.table().sort(sorts[0]).Text)
		}
	}
	for _, m := range s.there(Lift, func(Machine) bool { return true }) {
		if v, said := m.Limit("mass", inch); said { // what carries no plate lifts nothing
			out.Gear = append(out.Gear, flags.Lifter{Name: m.Called(), Kilos: v})
		}
	}
	s.bench(&out, metal, inch)
	slices.SortStableFunc(out.Gear, func(a, b flags.Lifter) int { return cmp.Compare(a.Kilos, b.Kilos) })
	out.Untried = s.Untried()
	return out
}

// Untried lists the kinds of work nobody there is practised at, of those somebody said how well
// they do.
func (s Shop) Untried() (out []string) {
	for _, o := range operations {
		if s.untried(o) {
			out = append(out, o)
		}
	}
	return out
}

// untried tells whether of those there who said how well they do something nobody is
// practised at it. What nobody said anything of is not asked.
func (s Shop) untried(operation string) bool {
	said := false
	for _, p := range s.People {
		for _, k := range p.Skills {
			switch {
			case p.Away || k.Operation != operation:
			case k.Level != "new":
				return false
			default:
				said = true
			}
		}
	}
	return said
}

// taken answers the machines of some sorts that are there; where all are away, those.
func (s Shop) taken(k Kind, sorts []string, of func(Machine) flags.Machine, away *[]string) (out []flags.Machine) {
	for _, m := range s.there(k, func(m Machine) bool { return slices.Contains(sorts, m.Sort) }) {
		out = append(out, of(m))
	}
	if len(out) > 0 {
		return out
	}
	for _, m := range s.Machines {
		if m.Kind == k && m.Away && slices.Contains(sorts, m.Sort) {
			told := upper(m.Called()) + " is not there now"
			if m.Why != "" {
				told += ": " + strings.TrimSuffix(m.Why, ".")
			}
			*away = append(*away, told+".")
		}
	}
	return nil
}

// usualTable is what a blank is cut on where the shop names no table for it: by hand a usual
// sheet, of any thickness.
func usualTable(process string, inch bool, of func(Machine) flags.Machine) flags.Machine {
	if process == "hand" {
		m := of(Machine{Kind: Table, Sort: "plasma"})
		m.Name, m.Named, m.Thick = "a usual sheet", false, 0
		return m
	}
	m := of(Machine{Kind: Table, Sort: process})
	m.Name, m.Named = "a usual "+Table.table().sort(process).Text, false
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

// Lifter answers who of those there lifts most; nobody where none said.
func (s Shop) Lifter() (best flags.Lifter) {
	for _, p := range s.People {
		if !p.Away && p.Lift != nil && *p.Lift > best.Kilos {
			best = flags.Lifter{Name: p.Name, Kilos: *p.Lift}
		}
	}
	return best
}

func upper(s string) string {
	r := []rune(s)
	return strings.ToUpper(string(r[:1])) + string(r[1:])
}
