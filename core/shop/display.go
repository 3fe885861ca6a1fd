package shop

import (
	"warmanvil/core/brief"
	"warmanvil/core/quantity"
)

// Inches tells whether the shop says its machines in inches and pounds.
func (s Shop) Inches() bool { return s.Unit == brief.UnitFraction || s.Unit == brief.UnitDecimal }

// Display answers how the shop writes lengths.
func (s Shop) Display() quantity.Display {
	unit := s.Unit
	if unit == "" {
		unit = brief.UnitMM
	}
	return brief.Brief{Unit: unit, Grain: 25.4 / 64}.Display()
}

// ToldIn answers the shop with what it measured written as a job writes lengths. Names of tools
// and machines stay its own.
func (s Shop) ToldIn(d quantity.Display) Shop {
	s.as = &d
	return s
}

// fine writes a small length for who asks.
func (s Shop) fine(mm float64) string {
	if s.as != nil {
		return s.as.Fine(mm)
	}
	return s.Display().Fine(mm)
}
