package stock

import (
	"cmp"
	"fmt"
	"math"
	"slices"
)

// Family is a sheet gauge family: the same gauge number is a different
// thickness in each.
type Family string

// The four families of sheet.
const (
	Steel      Family = "steel"
	Galvanized Family = "galvanized"
	Stainless  Family = "stainless"
	Aluminum   Family = "aluminum"
)

// GaugeSource names the table a family's thicknesses come from.
var GaugeSource = map[Family]string{
	Steel:      "Manufacturers' Standard Gauge for uncoated steel sheet",
	Galvanized: "galvanised sheet gauge (zinc included)",
	Stainless:  "US Standard Gauge fractions, stainless practice",
	Aluminum:   "Brown & Sharpe (American Wire) gauge for non-ferrous sheet",
}

// gaugeInches: thickness in inch by family and gauge, first gauge given.
var gaugeInches = map[Family]struct {
	first  int
	inches []float64
}{
	Steel: {7, []float64{.1793, .1644, .1495, .1345, .1196, .1046, .0897, .0747, .0673, .0598, .0538, .0478,
		.0418, .0359, .0329, .0299, .0269, .0239, .0209, .0179, .0164, .0149, .0135, .0120}},
	Galvanized: {8, []float64{.1681, .1532, .1382, .1233, .1084, .0934, .0785, .0710, .0635, .0575, .0516,
		.0456, .0396, .0366, .0336, .0306, .0276, .0247, .0217, .0202, .0187, .0172, .0157}},
	Stainless: {7, []float64{.1875, .171875, .15625, .140625, .125, .109375, .09375, .078125, .0703125, .0625, .05625, .05,
		.04375, .0375, .034375, .03125, .028125, .025, .021875, .01875, .0171875, .015625, .0140625, .0125}},
	Aluminum: {7, []float64{.1443, .1285, .1144, .1019, .0907, .0808, .0720, .0641, .0571, .0508, .0453, .0403,
		.0359, .0320, .0285, .0253, .0226, .0201, .0179, .0159, .0142, .0126, .0113, .0100}},
}

// Gauge is one row of a gauge table.
type Gauge struct {
	Number int     `json:"gauge"`
	Inch   float64 `json:"inch"`
	MM     float64 `json:"mm"`
}

// GaugeThickness answers a gauge's nominal thickness in mm. Fractional and
// untabulated gauges are refused, never interpolated or borrowed from another
// family.
func GaugeThickness(family Family, gauge float64) (float64, error) {
	t, ok := gaugeInches[family]
	if !ok {
		return 0, fmt.Errorf("%q is not a gauge family: use steel, galvanized, stainless or aluminum", string(family))
	}
	last := t.first + len(t.inches) - 1
	if gauge != math.Trunc(gauge) || gauge < float64(t.first) || gauge > float64(last) {
		return 0, fmt.Errorf("%s has no %v gauge here: the table runs over whole gauges from %d to %d; type the measured thickness instead",
			family, gauge, t.first, last)
	}
	return t.inches[int(gauge)-t.first] * 25.4, nil
}

// GaugeTable lists a family's gauges, thickest first.
func GaugeTable(family Family) []Gauge {
	t := gaugeInches[family]
	rows := make([]Gauge, len(t.inches))
	for i, inch := range t.inches {
		rows[i] = Gauge{t.first + i, inch, inch * 25.4}
	}
	slices.SortFunc(rows, func(a, b Gauge) int { return cmp.Compare(a.Number, b.Number) })
	return rows
}
