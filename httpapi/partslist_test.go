package httpapi_test

import (
	"encoding/csv"
	"math"
	"strconv"
	"strings"
	"testing"
)

// The demo's parts list has a row for each hand and frame, in numbers that a
// spreadsheet can count with: twins mirror each other's middle, and the masses
// add up to the last row.
func TestPartsList(t *testing.T) {
	c := start(t)
	j, _ := c.demo()
	r := c.do("GET", "/api/v1/jobs/"+j.ID+"/parts-list/csv", "")
	if r.status != 200 || !strings.Contains(r.header.Get("Content-Disposition"), "orchard-truck_parts-list_r") ||
		r.header.Get("Content-Type") != "text/csv; charset=utf-8" {
		t.Fatal(r.status, r.header)
	}
	read := csv.NewReader(strings.NewReader(string(r.body)))
	read.FieldsPerRecord = -1
	rows, err := read.ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	column := map[string]int{}
	for i, h := range rows[0] {
		column[h] = i
	}
	number := func(row []string, head string) float64 {
		v, err := strconv.ParseFloat(row[column[head]], 64)
		if err != nil {
			t.Fatalf("%s of %v: %v", head, row, err)
		}
		return v
	}
	byName := map[string][]string{}
	sum := 0.
	for _, row := range rows[1:] {
		if row[0] == "in all" {
			if math.Abs(number(row, "kg in all")-sum) > .01 { // cells have three places
				t.Errorf("in all %v, the rows add up to %v", row, sum)
			}
			byName["in all"] = row
			break
		}
		sum += number(row, "kg in all")
		if got, want := number(row, "kg in all"), number(row, "kg each")*number(row, "quantity"); math.Abs(got-want) > .01 {
			t.Errorf("%v: %v, want %v", row[:3], got, want)
		}
		byName[row[0]+" "+row[column["hand"]]] = row
	}
	left, right := byName["Press foot left"], byName["Press foot right"]
	if left == nil || right == nil || byName["in all"] == nil || byName["Underfloor outriggers "] == nil {
		t.Fatalf("rows %v", rows)
	}
	for name, why := range map[string]string{"Press foot left": "How thick is the floor", "Underfloor outriggers ": "measured again"} {
		if note := byName[name][column["note"]]; !strings.Contains(note, "HELD BACK") || !strings.Contains(note, why) {
			t.Errorf("%s is held back, and the list says %q", name, note)
		}
	}
	if byName["Underfloor outriggers "][column["is"]] != "frame" || left[column["blank x mm"]] == "" {
		t.Errorf("%v, %v", byName["Underfloor outriggers "], left)
	}
	if number(left, "kg each") != number(right, "kg each") ||
		number(left, "centre of gravity z mm") != number(right, "centre of gravity z mm") ||
		number(left, "centre of gravity y mm") != number(right, "centre of gravity y mm") {
		t.Errorf("the twins differ: %v, %v", left, right)
	}
	if x := c.do("GET", "/api/v1/jobs/"+j.ID+"/parts-list/xlsx", ""); x.status != 200 || !strings.HasPrefix(string(x.body), "PK") {
		t.Errorf("xlsx: %d %.20q", x.status, x.body)
	}
	c.do("GET", "/api/v1/jobs/"+j.ID+"/parts-list/saw", "").refused(t, 404, "")
	c.do("GET", "/api/v1/jobs/nothing/parts-list/csv", "").refused(t, 404, "")
}
