package site

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/effort"
	"warmanvil/core/goods"
	"warmanvil/core/quantity"
)

// inFeet says in inch jobs how it was come to what is used up.
var inFeet = strings.NewReplacer("one for about 6 m of weld or edge", "one for about 20 ft of weld or edge",
	"3.3 min of arc for each metre, 12 l a minute", "1 min of arc for each foot, 25 ft³ an hour",
	"12.5 min of arc for each metre, 8 l a minute", "3.8 min of arc for each foot, 17 ft³ an hour")

// calledSo are words by which lines of stock are known to be what is used up.
var calledSo = map[string][]string{"wire": {"wire"}, "rods": {"electrode", "rod"}, "filler": {"filler", "tig rod"},
	"gas": {"gas", "argon"}, "argon": {"argon"}, "tip": {"contact tip"}, "nozzle": {"gas nozzle"}, "tungsten": {"tungsten"},
	"cup": {"gas cup", "ceramic cup"}, "flap": {"flap"}, "cutoff": {"cutting disc", "cut-off",
		"cutoff"},
	"paint": {"paint", "lacquer"}}

// usedUp sets what is used up against what lies in stock.
func (s Site) usedUp(u effort.UsedUp) UsedUpTold {
	if s.Brief.Inches() {
		u.Says = inFeet.Replace(u.Says)
	}
	t := UsedUpTold{UsedUp: u, Short: true, Need: s.amountTold(u.Key, u.Unit, u.Amount)}
	for _, l := range s.Shop.Stock {
		in, sold := soldIn[l.Unit]
		if l.Kind != goods.Consumable || !sold || in.unit != u.Unit || !called(strings.ToLower(l.Name), u) {
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

// called tells whether a line of stock is of what is used up: what is laid in a weld is of its metal too.
func called(name string, u effort.UsedUp) bool {
	if !slices.ContainsFunc(calledSo[u.Key], func(w string) bool { return strings.Contains(name, w) }) {
		return false
	}
	switch u.Key {
	case "wire", "rods", "filler":
		of := ""
		for _, m := range []struct{ word, family string }{{"alumin", "aluminum"}, {"stainless", "stainless"}} {
			if strings.Contains(name, m.word) {
				of = m.family
			}
		}
		return of == u.Metal
	}
	return true
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
	case unit == "l" && s.Brief.Inches() && (key == "gas" || key == "argon"):
		v, unit = v/cubicFoot, "ft³"
	case unit == "l" && s.Brief.Inches():
		v, unit = v/quart, "qt"
	case unit == "kg" && s.Brief.Inches():
		v, unit = v/quantity.Pound, "lb"
	}
	switch {
	case unit == "kg" && v < .1:
		return fmt.Sprintf("%.0f g", math.Ceil(1000*v))
	case unit == "lb" && v < .1:
		return fmt.Sprintf("%.1f oz", math.Ceil(160*v)/10)
	case v < 10:
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
