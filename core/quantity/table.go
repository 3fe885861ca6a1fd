package quantity

import "math"

// Table is the units of the numbers of a table that is taken away: those of the job.
type Table struct{ Inches bool }

// LengthUnit names the unit of lengths, in or mm.
func (t Table) LengthUnit() string {
	if t.Inches {
		return string(Inch)
	}
	return string(Millimetre)
}

// MassUnit names the unit of masses, lb or kg.
func (t Table) MassUnit() string {
	if t.Inches {
		return "lb"
	}
	return "kg"
}

// Length answers a length given in mm: to a thousandth of a millimetre, or a ten-thousandth
// of an inch.
func (t Table) Length(mm float64) float64 {
	if t.Inches {
		return math.Round(mm/25.4*1e4)/1e4 + 0
	}
	return math.Round(mm*1e3)/1e3 + 0
}

// Area answers an area given in mm², in square millimetres or square inches.
func (t Table) Area(mm2 float64) float64 {
	if t.Inches {
		return math.Round(mm2/645.16*1e4)/1e4 + 0
	}
	return math.Round(mm2*1e3)/1e3 + 0
}

// Mass answers a mass given in kg, to a ten-thousandth.
func (t Table) Mass(kg float64) float64 {
	if t.Inches {
		kg /= Pound
	}
	return math.Round(kg*1e4)/1e4 + 0
}
