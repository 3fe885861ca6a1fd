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
