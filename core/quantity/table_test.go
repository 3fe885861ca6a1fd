package quantity

import "testing"

func TestTable(t *testing.T) {
	in, mm := Table{Inches: true}, Table{}
	for what, x := range map[string][2]float64{
		"inches":        {in.Length(150), 5.9055},
		"millimetres":   {mm.Length(150.12345), 150.123},
		"nothing":       {mm.Length(-.00001), 0},
		"pounds":        {in.Mass(1), 2.2046},
		"kilograms":     {mm.Mass(1.23456), 1.2346},
		"square inches": {in.Area(645.16 * 2), 2},
		"square mm":     {mm.Area(12.3456), 12.346},
	} {
		if x[0] != x[1] {
			t.Errorf("%s: %v, want %v", what, x[0], x[1])
		}
	}
	if in.LengthUnit()+in.MassUnit()+mm.LengthUnit()+mm.MassUnit() != "inlbmmkg" {
		t.Error("units by other names")
	}
}
