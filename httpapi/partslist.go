package httpapi

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/quantity"
	"warmanvil/core/site"
	"warmanvil/paper"
)

// partsListRoutes serves the list of everything a job makes.
func (s *server) partsListRoutes() {
	serve(s, shelf[paper.Table]{path: "/api/v1/jobs/{id}/parts-list/{kind}", id: "getPartsList",
		summary: "Every part and frame of a job with quantity, material, mass and centre of gravity",
		files: []file[paper.Table]{
			{name: "csv", form: asCSV, says: "a table as text", free: true, make: paper.Table.CSV},
			{name: "xlsx", form: asXLSX, says: "a sheet", free: true, make: paper.Table.XLSX},
		},
		open: func(w want) (paper.Table, label, error) {
			j, rows, err := s.jobs.PartsList(w.ctx, w.id)
			return partsTable(rows, quantity.Table{Inches: j.Brief.Inches()}), label{job: j.Brief.Name, of: "parts list",
				revision: j.Revision}, err
		}})
}

// cents rounds money to what is paid.
func cents(v float64) float64 { return math.Round(v*100) / 100 }

func partsTable(rows []site.Listed, u quantity.Table) paper.Table {
	unit, mass := u.LengthUnit(), u.MassUnit()
	cells := [][]any{{"name", "hand", "is", "revision", "quantity", "material", "thickness " + unit, "blank x " + unit, "blank y " + unit,
		"cut length " + unit,
		"pierces", "bends", mass + " each", mass + " in all",
		"centre of gravity x " + unit, "centre of gravity y " + unit, "centre of gravity z " + unit, "note", "metal each", "metal in " +
			"all"}}
	total, money, unpriced := 0., 0., 0
	for _, r := range rows {
		is := "part"
		if r.Frame {
			is = "frame"
		}
		if r.Doubler {
			is = "doubler"
		}
		if r.Temporary {
			is = "comes off"
		}
		row := []any{r.Name, string(r.Hand), is, r.Revision, r.Quantity, r.Material, nil, nil, nil, nil, nil, nil, nil, nil, nil, nil,
			nil, r.Why, nil, nil}
		if r.Held != "" {
			row[17] = strings.TrimSpace(r.Why + " HELD BACK, not to be cut: " + r.Held)
		}
		if r.Thickness > 0 {
			row[6] = u.Length(r.Thickness)
		}
		if r.Flat != nil {
			x, y := r.Flat.Bounds.Size()
			row[7], row[8], row[9], row[10], row[11] = u.Length(x), u.Length(y), u.Length(r.Flat.CutLength), r.Flat.Pierces,
				len(r.Flat.Steps)
		}
		if r.Gravity != nil {
			all := r.Kilos * float64(r.Quantity)
			row[12], row[13] = u.Mass(r.Kilos), u.Mass(all)
			row[14], row[15], row[16] = u.Length(r.Gravity[0]), u.Length(r.Gravity[1]), u.Length(r.Gravity[2])
			total += all
		}
		if r.Cost != nil {
			row[18], row[19] = cents(*r.Cost), cents(*r.Cost*float64(r.Quantity))
			money += *r.Cost * float64(r.Quantity)
		} else {
			unpriced++
		}
		cells = append(cells, row)
	}
	sum := make([]any, 20)
	sum[0], sum[13] = "in all", u.Mass(total)
	if money > 0 {
		sum[19] = cents(money)
		if unpriced > 0 {
			sum[17] = fmt.Sprintf("%d of %d have no price by weight in the Shop: their metal is in no sum", unpriced, len(rows))
		}
	}
	return paper.Table{Pages: []paper.TablePage{{Name: "Parts", Rows: append(cells, sum)}},
		Notes: []string{"Centres of gravity in each thing's own axes. Of a part: right and back from the base's front left corner, up " +
			"from the " +
			"middle of its sheet. Of a frame: forward, left and up of its origin.", "Fasteners, welds and paint are not counted. " +
			"Metal is priced by weight: of a part the box of its blank, of a frame its own mass; what is " +
			"left over of sheets and sticks is in no sum."}}
}
