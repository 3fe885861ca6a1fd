package shop

import (
	"fmt"
	"slices"
	"unicode/utf8"

	"warmanvil/core/brief"
	"warmanvil/core/working"
)

// most is how many of a thing a list of a shop holds.
const most = 200

// greatest are the largest values of limits that mean anything, by quantity.
var greatest = map[string]float64{"length": 1e5, "force": 1e9, "rate": 1e6, "angle": 180, "mass": 1e6, "number": 1e6}

// Check refuses a shop that cannot be kept, with *working.Fault at the first fault.
func (s Shop) Check() error {
	if err := working.First(text("/name", s.Name, brief.MaxName), list("/machines", len(s.Machines)),
		list("/people", len(s.People)), list("/strips", len(s.Strips)), list("/settings", len(s.Settings)), list("/bows", len(s.Bows)),
		list("/sections", len(s.Sections)),
		list("/starters", len(s.Starters)), list("/materials", len(s.Materials)), list("/tools", len(s.Tools)),
		list("/bendTools", len(s.BendTools)), list("/suppliers", len(s.Suppliers)), list("/prices", len(s.Prices)), list("/devices",
			len(s.Devices)),
		text("/currency", s.Currency, 20)); err != nil {
		return err
	}
	if s.Unit != "" && s.Unit != brief.UnitMM && s.Unit != brief.UnitFraction && s.Unit != brief.UnitDecimal {
		return working.Refuse("/unit", "The shop's machines are said in mm, fraction or decimal, not %q.", s.Unit)
	}
	ids := map[string]bool{}
	for i, m := range s.Machines {
		if err := m.check(fmt.Sprintf("/machines/%d", i), ids); err != nil {
			return err
		}
	}
	for i, p := range s.People {
		if err := p.check(fmt.Sprintf("/people/%d", i), ids); err != nil {
			return err
		}
	}
	for i, x := range s.Tools {
		if err := x.check(fmt.Sprintf("/tools/%d", i), ids); err != nil {
			return err
		}
	}
	for i, x := range s.BendTools {
		if err := x.check(fmt.Sprintf("/bendTools/%d", i), ids); err != nil {
			return err
		}
	}
	for i, x := range s.Devices {
		at := fmt.Sprintf("/devices/%d", i)
		if err := working.First(own(at, x.ID, ids), text(at+"/name", x.Name, brief.MaxName), x.Check(at)); err != nil {
			return err
		}
	}
	for i, x := range s.Suppliers {
		if err := x.check(fmt.Sprintf("/suppliers/%d", i), ids); err != nil {
			return err
		}
	}
	for i, x := range s.Prices {
		if err := x.check(fmt.Sprintf("/prices/%d", i), ids); err != nil {
			return err
		}
	}
	if err := working.First(s.checkRates(), s.checkOwn(ids)); err != nil {
		return err
	}
	for i, x := range s.Settings {
		if err := x.check(fmt.Sprintf("/settings/%d", i), ids); err != nil {
			return err
		}
	}
	for i, x := range s.Bows {
		if err := x.check(fmt.Sprintf("/bows/%d", i), ids); err != nil {
			return err
		}
	}
	for i, x := range s.Strips {
		if err := x.check(fmt.Sprintf("/strips/%d", i), ids); err != nil {
			return err
		}
	}
	return nil
}

func own(at, id string, ids map[string]bool) error {
	if id == "" || ids[id] {
		return working.Refuse(at+"/id", "Everything in the shop has an id of its own, and %q is there twice or empty.", id)
	}
	ids[id] = true
	return nil
}

func text(at, s string, most int) error {
	if utf8.RuneCountInString(s) > most {
		return working.Refuse(at, "This holds up to %d characters.", most)
	}
	return nil
}

func list(at string, n int) error {
	if n > most {
		return working.Refuse(at, "This list holds up to %d.", most)
	}
	return nil
}

func (m Machine) check(at string, ids map[string]bool) error {
	k, known := kinds[m.Kind]
	switch {
	case !known:
		return working.Refuse(at+"/kind", "%q is no kind of machine.", m.Kind)
	case !slices.ContainsFunc(k.Sorts, func(s SortOf) bool { return s.Sort == m.Sort }):
		return working.Refuse(at+"/sort", "Say which sort of %s it is.", k.Text)
	case m.Where != "" && m.Where != Own && m.Where != Borrowed && m.Where != Outside:
		return working.Refuse(at+"/where", "It stands here (own), is borrowed or stands outside, not %q.", m.Where)
	}
	err := working.First(own(at, m.ID, ids), text(at+"/name", m.Name, brief.MaxName), text(at+"/of", m.Of, brief.MaxName),
		text(at+"/why", m.Why, brief.MaxText), list(at+"/ready", len(m.Ready)), list(at+"/care", len(m.Care)))
	if err != nil {
		return err
	}
	for key, v := range m.Limits {
		i := slices.IndexFunc(k.Limits, func(l LimitOf) bool { return l.Key == key })
		if i < 0 {
			return working.Refuse(at+"/limits/"+key, "A %s has no limit called %q.", k.Text, key)
		}
		if key == "bow" && v == 0 {
			continue // a beam that is crowned
		}
		if err := working.Above(at+"/limits/"+key, k.Limits[i].Text, v, 0, greatest[k.Limits[i].Quantity],
			unitOf(k.Limits[i].Quantity)); err != nil {
			return err
		}
	}
	for i, r := range m.Ready {
		path := fmt.Sprintf("%s/ready/%d", at, i)
		if err := working.First(own(path, r.ID, ids), text(path+"/text", r.Text, brief.MaxText)); err != nil {
			return err
		}
	}
	if err := checkBookings(at+"/booked", m.Booked, ids); err != nil {
		return err
	}
	for i, c := range m.Care {
		path := fmt.Sprintf("%s/care/%d", at, i)
		if err := working.First(own(path, c.ID, ids), text(path+"/text", c.Text, brief.MaxText)); err != nil {
			return err
		}
		if c.Date != "" && !brief.IsDay(c.Date) {
			return working.Refuse(path+"/date", "A day is written as year-month-day, such as 2031-04-30, not %q.", c.Date)
		}
	}
	return nil
}

func unitOf(quantity string) string {
	return map[string]string{"length": "mm", "force": "N", "rate": "N/mm", "angle": "°", "mass": "kg"}[quantity]
}

var (
	operations = []string{"cutting", "bending", "drilling", "sawing", "welding"}
	levels     = []string{"new", "practised", "sure"}
)

func (p Person) check(at string, ids map[string]bool) error {
	if err := working.First(own(at, p.ID, ids), text(at+"/name", p.Name, brief.MaxName), list(at+"/skills", len(p.Skills))); err != nil {
		return err
	}
	if p.Lift != nil {
		if err := working.Within(at+"/lift", "What somebody lifts alone", *p.Lift, 0, 200, "kg"); err != nil {
			return err
		}
	}
	if p.Hours != nil {
		if err := working.Above(at+"/hours", "What somebody works in a week", *p.Hours, 0, 168, "h"); err != nil {
			return err
		}
	}
	for i, k := range p.Skills {
		path := fmt.Sprintf("%s/skills/%d", at, i)
		switch {
		case !slices.Contains(operations, k.Operation):
			return working.Refuse(path+"/operation", "%q is no operation of the shop.", k.Operation)
		case !slices.Contains(levels, k.Level):
			return working.Refuse(path+"/level", "Somebody is new at it, practised or sure, not %q.", k.Level)
		}
		if err := own(path, k.ID, ids); err != nil {
			return err
		}
	}
	return nil
}
