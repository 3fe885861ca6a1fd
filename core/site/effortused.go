package site

import (
	"fmt"
	"slices"
	"strings"

	"warmanvil/core/effort"
	"warmanvil/core/goods"
	"warmanvil/core/quantity"
)

// inFeet says in inch jobs how it was come to what is used up.
var inFeet = map[string]string{"gas": "1 min of arc for each foot, 25 ft³ an hour", "flap": "one for about 20 ft of weld or edge"}

// calledSo are words by which lines of stock are known to be what is used up.
var calledSo = map[string][]string{"wire": {"wire"}, "gas": {"gas", "argon"}, "flap": {"flap"}, "cutoff": {"cutting disc", "cut-off",
	"cutoff"},
	"paint": {"paint", "lacquer"}}

// usedUp sets what is used up against what lies in stock.
func (s Site) usedUp(u effort.UsedUp) UsedUpTold {
	if says, is := inFeet[u.Key]; is && s.Brief.Inches() {
		u.Says = says
	}
	t := UsedUpTold{UsedUp: u, Short: true, Need: s.amountTold(u.Key, u.Unit, u.Amount)}
	for _, l := range s.Shop.Stock {
		name := strings.ToLower(l.Name)
		in, sold := soldIn[l.Unit]
		if l.Kind != goods.Consumable || !sold || in.unit != u.Unit ||
			!slices.ContainsFunc(calledSo[u.Key], func(w string) bool { return strings.Contains(name, w) }) {
			continue
		}
		free := l.Free() * in.times
		if t.Here != nil {
			free += *t.Here
		}
		t.Here = &free
		t.Short, t.Lies = free < u.Amount-1e-9, s.amountTold(u.Key, u.Unit, free)
	}
	return t
}

// soldIn are the units lines of stock may be kept in, with what one is of the base unit.
var soldIn = map[string]struct {
	unit  string
	times float64
}{"": {"", 1}, "kg": {"kg", 1}, "g": {"kg", .001}, "lb": {"kg", quantity.Pound}, "l": {"l", 1}, "ml": {"l", .001}, "qt": {"l", quart},
	"gal": {"l", 4 * quart}, "ft³": {"l", cubicFoot}, "cu ft": {"l", cubicFoot}}

const (
	quart     = .946353 // l, US
	cubicFoot = 28.3168 // l
)

// amountTold writes an amount of something used up in the units of the job.
func (s Site) amountTold(key, unit string, v float64) string {
	switch {
	case unit == "":
		return fmt.Sprintf("%.0f", v)
	case unit == "l" && s.Brief.Inches() && key == "gas":
		v, unit = v/cubicFoot, "ft³"
	case unit == "l" && s.Brief.Inches():
		v, unit = v/quart, "qt"
	case unit == "kg" && s.Brief.Inches():
		v, unit = v/quantity.Pound, "lb"
	}
	if v < 10 {
		return fmt.Sprintf("%.2f %s", v, unit)
	}
	return fmt.Sprintf("%.0f %s", v, unit)
}

// workTold writes a kind of work in the units of the job.
func (s Site) workTold(l effort.WorkLine) WorkTold {
	many, each, unit := l.Many, l.Each, l.Unit
	if s.Brief.Inches() {
		switch unit {
		case "m":
			many, each, unit = many/.3048, each*.3048, "ft"
		case "m²":
			many, each, unit = many/(.3048*.3048), each*.3048*.3048, "ft²"
		}
	}
	t := WorkTold{Op: l.Op, Text: l.Text, Own: l.Own, Many: fmt.Sprintf("%.0f %s", many, unit), Takes: hoursTold(l.Minutes / 60),
		Each: fmt.Sprintf("%.3g min", each), SetUp: fmt.Sprintf("%.0f × %.3g min", l.Pieces, l.SetUp)}
	if l.Pieces == 0 || l.SetUp == 0 {
		t.SetUp = ""
	}
	if unit != l.Unit || strings.HasPrefix(unit, "m") {
		t.Many, t.Each = fmt.Sprintf("%.1f %s", many, unit), t.Each+" a "+unit
	}
	return t
}
