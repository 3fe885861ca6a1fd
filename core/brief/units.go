package brief

import (
	"slices"

	"warmanvil/core/quantity"
	"warmanvil/core/sheet/made"
	"warmanvil/core/working"
)

// Unit is how a job writes lengths.
type Unit string

// Millimetres, inches with fractions, decimal inches.
const (
	UnitMM       Unit = "mm"
	UnitFraction Unit = "fraction"
	UnitDecimal  Unit = "decimal"
)

// BuildOptions answers what a part is built and checked with in the job.
func (b Brief) BuildOptions() made.Options {
	opt := made.Options{Display: b.Display(), NearPeople: slices.ContainsFunc(b.Devices, func(d Device) bool { return d.NearPeople })}
	if b.Limits.Lift != nil {
		opt.Lift = b.Limits.Lift.Value
	}
	return opt
}

// Inches tells whether the job is in inches and pounds.
func (b Brief) Inches() bool { return b.Unit != UnitMM }

// Display answers how the job writes lengths.
func (b Brief) Display() quantity.Display {
	switch b.Unit {
	case UnitFraction:
		den := 16
		for den < 64 && 25.4/float64(den) > b.Grain+1e-9 {
			den *= 2
		}
		return quantity.Display{Style: quantity.Fraction, Denominator: den}
	case UnitDecimal:
		return quantity.Display{Style: quantity.Decimal}
	}
	return quantity.Display{Style: quantity.Metric}
}

// Refused says why something was refused in the job's units.
func (b Brief) Refused(err error) string { return working.SpokenError(err, b.Inches()).Error() }
