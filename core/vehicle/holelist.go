package vehicle

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"strconv"

	"warmanvil/core/quantity"
)

// HolesCSV writes every hole of worked maps in the map's own axes: x along the line from
// hole 1 to hole 2, y off it, and how well each place is known.
func HolesCSV(maps []HoleMap, told []MapTold, u quantity.Table) ([]byte, error) {
	var b bytes.Buffer
	w := csv.NewWriter(&b)
	unit := u.LengthUnit()
	long := func(mm float64) string { return strconv.FormatFloat(u.Length(mm), 'f', -1, 64) }
	rows := [][]string{{"map", "hole", "diameter " + unit, "x " + unit, "y " + unit, "uncertainty " + unit, "meant to be"}}
	for i, m := range maps {
		for k, h := range told[i].Holes {
			rows = append(rows, []string{cell(m.Name), cell(h.Name), long(h.Size), long(h.X), long(h.Y), long(told[i].Bare.Sigmas[k]),
				told[i].usedFor(h.ID)})
		}
	}
	if err := w.WriteAll(rows); err != nil {
		return nil, fmt.Errorf("write holes: %w", err)
	}
	return b.Bytes(), nil
}
