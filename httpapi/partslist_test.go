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

// With a price by weight the list says what the metal of each thing costs, blanks by the box they are
// cut from, and how many have no price; without one it says nothing of money.
func TestPartsListWithPrices(t *testing.T) {
	c := start(t)
	j, _ := c.demo()
	rows := func() (out []map[string]string) {
		t.Helper()
		r := c.do("GET", "/api/v1/jobs/"+j.ID+"/parts-list/csv", "")
		read := csv.NewReader(strings.NewReader(string(r.body)))
		read.FieldsPerRecord = -1
		all, err := read.ReadAll()
		if err != nil || r.status != 200 {
			t.Fatal(r.status, err)
		}
		for _, row := range all[1:] {
			if len(row) != len(all[0]) {
				break // what stands below the table
			}
			m := map[string]string{}
			for i, h := range all[0] {
				m[h] = row[i]
			}
			out = append(out, m)
		}
		return out
	}
	for _, r := range rows() {
		if r["metal each"]+r["metal in all"] != "" {
			t.Errorf("no price, and %s costs %s", r["name"], r["metal in all"])
		}
	}
	if r := c.do("PUT", "/api/v1/shop", `{"schema":1,"prices":[{"id":"p","what":"steel-s235 sheet","price":2,"per":"kg"}]}`, "If-Match", "0"); r.status != 200 {
		t.Fatal(r.status, string(r.body))
	}
	number := func(s string) float64 {
		v, _ := strconv.ParseFloat(s, 64)
		return v
	}
	sum, unpriced := 0., 0
	for _, r := range rows() {
		if r["name"] == "in all" {
			if math.Abs(number(r["metal in all"])-sum) > .05 || unpriced > 0 && !strings.Contains(r["note"], strconv.Itoa(unpriced)+" "+
				"of ") {
				t.Errorf("in all %s, the rows come to %.2f; %d without a price: %q", r["metal in all"], sum, unpriced, r["note"])
			}
			break
		}
		if r["metal each"] == "" {
			unpriced++
			continue
		}
		sum += number(r["metal in all"])
		if !strings.Contains(r["material"], "S235") {
			t.Errorf("%s of %s has a price", r["name"], r["material"])
		}
		if r["is"] == "part" { // its box weighs as much as it does, or more
			box := number(r["blank x mm"]) * number(r["blank y mm"]) * number(r["thickness mm"]) * 7.85e-6 * 2
			if math.Abs(box-number(r["metal each"])) > .02 || number(r["metal each"]) < 2*number(r["kg each"])-.02 {
				t.Errorf("%s: %s each, its box %.2f", r["name"], r["metal each"], box)
			}
		}
	}
	if sum == 0 || unpriced == 0 {
		t.Errorf("%.2f in all, %d without a price", sum, unpriced)
	}
}
