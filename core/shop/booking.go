package shop

import (
	"fmt"

	"warmanvil/core/brief"
	"warmanvil/core/working"
)

// Booking is a time a machine is taken: by a job of the shop, or by somebody else.
type Booking struct {
	ID   string `json:"id"`
	From string `json:"from" doc:"year-month-day"`
	To   string `json:"to,omitempty" doc:"year-month-day, the last of them; the same when left out"`
	For  string `json:"for" doc:"job or person"`
}

// Last is the last day of it.
func (b Booking) Last() string {
	if b.To == "" {
		return b.From
	}
	return b.To
}

// Says writes it.
func (b Booking) Says() string {
	if b.Last() == b.From {
		return fmt.Sprintf("%s for %s", b.From, b.For)
	}
	return fmt.Sprintf("%s to %s for %s", b.From, b.Last(), b.For)
}

// checkBookings refuses days that are none, that end before they begin, and two that overlap.
func checkBookings(at string, rows []Booking, ids map[string]bool) error {
	if err := list(at, len(rows)); err != nil {
		return err
	}
	for i, b := range rows {
		path := fmt.Sprintf("%s/%d", at, i)
		if err := working.First(own(path, b.ID, ids), text(path+"/for", b.For, brief.MaxName), day(path+"/from", b.From),
			day(path+"/to", b.To)); err != nil {
			return err
		}
		switch {
		case b.From == "":
			continue // not said yet
		case b.Last() < b.From:
			return working.Refuse(path+"/to", "It ends on %s, before it begins on %s.", b.To, b.From)
		}
		for _, o := range rows[:i] {
			if o.From != "" && b.From <= o.Last() && o.From <= b.Last() {
				return working.Refuse(path+"/from", "It is taken then already: %s.", o.Says())
			}
		}
	}
	return nil
}
