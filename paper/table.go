package paper

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"slices"
	"strings"

	"github.com/xuri/excelize/v2"

	"warmanvil/core/exchange"
)

// Table is pages of rows of cells, headings first; numbers are float64 so that a
// spreadsheet can count with them.
type Table struct {
	Pages []TablePage
	Notes []string // below the first page in a workbook, at the end of a CSV
}

// TablePage is one of its pages.
type TablePage struct {
	Name string
	Rows [][]any
}

func cell(v any) string {
	switch x := v.(type) {
	case nil:
		return ""
	case float64:
		return strings.TrimRight(strings.TrimRight(fmt.Sprintf("%.3f", x), "0"), ".")
	case string:
		return exchange.Cell(x)
	}
	return fmt.Sprint(v)
}

// CSV writes the pages one below the other, a blank line between them.
func (t Table) CSV() ([]byte, error) {
	var b bytes.Buffer
	w := csv.NewWriter(&b)
	row := func(cells []any) {
		list := make([]string, len(cells))
		for i, v := range cells {
			list[i] = cell(v)
		}
		_ = w.Write(list) // told by Error below
	}
	for _, p := range t.Pages {
		for _, r := range p.Rows {
			row(r)
		}
		row(nil)
	}
	for _, n := range t.Notes {
		row([]any{n})
	}
	w.Flush()
	if err := w.Error(); err != nil {
		return nil, fmt.Errorf("write table: %w", err)
	}
	return b.Bytes(), nil
}

// XLSX writes the same as a workbook of one sheet for each page.
func (t Table) XLSX() ([]byte, error) {
	f := excelize.NewFile()
	defer func() { _ = f.Close() }() // nothing is open on disk
	if err := t.fill(f); err != nil {
		return nil, fmt.Errorf("write table: %w", err)
	}
	out, err := f.WriteToBuffer()
	if err != nil {
		return nil, fmt.Errorf("write table: %w", err)
	}
	return out.Bytes(), nil
}

func (t Table) fill(f *excelize.File) error {
	bold, err := f.NewStyle(&excelize.Style{Font: &excelize.Font{Bold: true}})
	if err != nil {
		return err
	}
	for i, p := range t.Pages {
		rows := p.Rows
		if i == 0 {
			err = f.SetSheetName("Sheet1", p.Name)
			for _, n := range t.Notes {
				rows = append(slices.Clip(rows), []any{n})
			}
		} else {
			_, err = f.NewSheet(p.Name)
		}
		if err != nil {
			return err
		}
		for k, r := range rows {
			at, err := excelize.CoordinatesToCellName(1, k+1)
			if err != nil {
				return err
			}
			kept := make([]any, len(r))
			for c, v := range r {
				if s, ok := v.(string); ok {
					v = exchange.Cell(s)
				}
				kept[c] = v
			}
			if err := f.SetSheetRow(p.Name, at, &kept); err != nil {
				return err
			}
		}
		if err := f.SetRowStyle(p.Name, 1, 1, bold); err != nil {
			return err
		}
	}
	return nil
}
