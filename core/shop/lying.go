package shop

import (
	"cmp"
	"maps"
	"slices"

	"warmanvil/core/goods"
	"warmanvil/core/stock"
)

// ForJob answers the shop as one job sees it: what is kept for that job is free to it.
func (s Shop) ForJob(id string) Shop {
	stock := slices.Clone(s.Stock)
	for i, l := range stock {
		if l.Held[id] > 0 {
			stock[i].Held = maps.Clone(l.Held)
			delete(stock[i].Held, id)
		}
	}
	s.Stock = stock
	return s
}

// Sheets answers the sheets and remnants that lie in the shop; nil where none is kept account of.
func (s Shop) Sheets() (out []goods.Lying) {
	for _, l := range s.Stock {
		if l.Kind == goods.Sheet || l.Kind == goods.Remnant {
			out = append(out, l)
		}
	}
	return out
}

// Bolts answers the lengths of bolts of a size there are free ones of, of at least a grade, mm,
// shortest first.
func (s Shop) Bolts(system stock.System, size, grade string) (out []float64) {
	got, err := goods.Choose(goods.Need{Kind: goods.Hardware, System: system, Size: size, Grade: grade}, s.Stock)
	if err != nil {
		return nil
	}
	long := map[string]float64{}
	for _, l := range s.Stock {
		long[l.ID] = l.Long
	}
	for _, c := range got {
		if v := long[c.Line]; c.Enough && v > 0 && !slices.Contains(out, v) {
			out = append(out, v)
		}
	}
	slices.Sort(out)
	return out
}

// Stick is a stick of a section in stock, as many as are free.
type Stick struct {
	Section string
	Long    float64
	Many    int
}

// Sticks answers the sticks of a material nobody keeps, shortest first.
func (s Shop) Sticks(material string) (out []Stick) {
	for _, l := range s.Stock {
		if n := int(l.Free() + 1e-9); l.Kind == goods.Stick && l.Material == material && n > 0 {
			out = append(out, Stick{l.Section, l.Long, n})
		}
	}
	slices.SortStableFunc(out, func(a, b Stick) int { return cmp.Compare(a.Long, b.Long) })
	return out
}
