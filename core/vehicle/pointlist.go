package vehicle

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"io"
	"math"
	"strconv"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/quantity"
	"warmanvil/core/survey"
)

// PointsCSV writes located points as a list in the job's unit, one a row. A cell
// that a spreadsheet would run as a formula is led by an apostrophe.
func PointsCSV(list []Located, u quantity.Table) ([]byte, error) {
	var b bytes.Buffer
	w := csv.NewWriter(&b)
	unit := u.LengthUnit()
	long := func(mm float64) string { return strconv.FormatFloat(u.Length(mm), 'f', -1, 64) }
	rows := [][]string{{"name", "kind", "x " + unit, "y " + unit, "z " + unit, "size " + unit, "uncertainty " + unit, "least trusted"}}
	for _, p := range list {
		if p.At == nil {
			continue
		}
		trust := ""
		if p.Least != nil {
			trust = string(p.Least.Trust)
		}
		rows = append(rows, []string{cell(p.Name), p.Kind, long(p.At[0]), long(p.At[1]),
			long(p.At[2]), long(p.Size), long(p.Sigma), trust})
	}
	if err := w.WriteAll(rows); err != nil {
		return nil, fmt.Errorf("write points: %w", err)
	}
	return b.Bytes(), nil
}

func cell(s string) string {
	if s != "" && strings.ContainsRune("=+-@\t\r", rune(s[0])) {
		return "'" + s
	}
	return s
}

// RefusedLine is a line of a list that was not taken.
type RefusedLine struct {
	Line int    `json:"line" doc:"from 1, the heading counted"`
	Text string `json:"text"`
	Why  string `json:"why"`
}

// PointsIn reads a list as PointsCSV writes it: a heading names the columns
// name, x, y, z and, where there are, kind, size and instrument, with mm or in after
// each length. A scan gives such a list too: its instrument is scan.
// What cannot be read is answered line by line; the rest is taken.
func PointsIn(raw string, newID func() string) ([]SurveyPoint, []RefusedLine) {
	r := csv.NewReader(strings.NewReader(strings.TrimPrefix(raw, "\ufeff")))
	r.FieldsPerRecord, r.TrimLeadingSpace, r.LazyQuotes = -1, true, true
	if head, _, _ := strings.Cut(raw, "\n"); strings.Count(head, ";") > strings.Count(head, ",") {
		r.Comma = ';'
	}
	points, refused := []SurveyPoint{}, []RefusedLine{}
	column := map[string]int{}
	scale := map[string]float64{}
	names := map[string]bool{}
	for {
		row, err := r.Read()
		if err == io.EOF {
			break
		}
		line, _ := r.FieldPos(0)
		if err != nil {
			refused = append(refused, RefusedLine{line, "", "it cannot be read as a row: " + err.Error()})
			continue
		}
		text := strings.Join(row, string(r.Comma))
		if len(column) == 0 {
			for i, h := range row {
				key, unit, _ := strings.Cut(strings.ToLower(strings.TrimSpace(h)), " ")
				column[key], scale[key] = i, 1
				if strings.Trim(unit, "() ") == "in" {
					scale[key] = 25.4
				}
			}
			for _, want := range []string{"name", "x", "y", "z"} {
				if _, ok := column[want]; !ok {
					return points, []RefusedLine{{line, text,
						"the heading has no column " + want + ": it names name, x, y and z, each length with mm or in after it"}}
				}
			}
			continue
		}
		p, why := pointIn(row, column, scale)
		switch {
		case why == "" && names[p.Name]:
			why = "the name " + p.Name + " stands in the list twice"
		case why == "" && len(points) >= brief.MaxList:
			why = fmt.Sprintf("a survey holds up to %d points", brief.MaxList)
		}
		if why != "" {
			refused = append(refused, RefusedLine{line, text, why})
			continue
		}
		names[p.Name] = true
		p.ID = newID()
		points = append(points, p)
	}
	if len(column) == 0 {
		refused = append(refused, RefusedLine{1, "", "there is no heading: its columns are name, x, y, z"})
	}
	return points, refused
}

func pointIn(row []string, column map[string]int, scale map[string]float64) (p SurveyPoint, why string) {
	get := func(key string) string {
		i, ok := column[key]
		if !ok || i >= len(row) {
			return ""
		}
		return strings.TrimPrefix(strings.TrimSpace(row[i]), "'")
	}
	p = SurveyPoint{Name: get("name"), Kind: "point", Way: ByOffsets}
	if p.Name == "" {
		return p, "it has no name"
	}
	if len([]rune(p.Name)) > brief.MaxName {
		return p, fmt.Sprintf("its name is longer than %d characters", brief.MaxName)
	}
	switch k := get("kind"); k {
	case "":
	case "point", "hole", "square", "thread", "edge":
		p.Kind = k
	default:
		return p, fmt.Sprintf("a kind is point, hole, square, thread or edge, not %q", k)
	}
	by := survey.Tape
	if k := survey.Instrument(get("instrument")); k != "" {
		if _, ok := survey.Uncertainty[k]; !ok {
			return p, fmt.Sprintf("there is no instrument %q: tape, caliper, rule, string, level, eye or scan", string(k))
		}
		by = k
	}
	for _, x := range []struct {
		key string
		to  *survey.Reading
	}{{"x", &p.X}, {"y", &p.Y}, {"z", &p.Z}} {
		v, err := strconv.ParseFloat(get(x.key), 64)
		if err != nil || math.IsNaN(v) || math.Abs(v*scale[x.key]) > maxOffset {
			return p, fmt.Sprintf("%s is %q, which is not a length within %.0f m", x.key, get(x.key), maxOffset/1000)
		}
		*x.to = survey.Reading{Values: []float64{v * scale[x.key]}, Instrument: by, Trust: string(brief.Copied)}
	}
	if t := get("size"); t != "" {
		v, err := strconv.ParseFloat(t, 64)
		if err != nil || !(v >= 0) || v*scale["size"] > 2000 {
			return p, fmt.Sprintf("size is %q, which is not a diameter", t)
		}
		p.Size = v * scale["size"]
	}
	return p, ""
}
