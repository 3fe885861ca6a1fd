package paper

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"strings"

	"github.com/xuri/excelize/v2"

	"warmanvil/core/exchange"
)

// CutTable is a cut list and its sticks as rows of cells; numbers are float64 so
// that a spreadsheet can count with them.
type CutTable struct {
	Heads  []any
	Pieces [][]any
	Sticks [][]any // heading first
	Notes  []string
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

// CSV writes the table: pieces, a blank line, sticks, a blank line, notes.
func (c CutTable) CSV() ([]byte, error) {
	var b bytes.Buffer
	w := csv.NewWriter(&b)
	row := func(cells []any) {
		list := make([]string, len(cells))
		for i, v := range cells {
			list[i] = cell(v)
		}
		_ = w.Write(list) // told by Error below
	}
	row(c.Heads)
	for _, r := range c.Pieces {
		row(r)
	}
	row(nil)
	for _, r := range c.Sticks {
		row(r)
	}
	row(nil)
	for _, n := range c.Notes {
		row([]any{n})
	}
	w.Flush()
	if err := w.Error(); err != nil {
		return nil, fmt.Errorf("write cut list: %w", err)
	}
	return b.Bytes(), nil
}

// XLSX writes the same as a workbook of two sheets.
func (c CutTable) XLSX() ([]byte, error) {
	f := excelize.NewFile()
	defer func() { _ = f.Close() }() // nothing is open on disk
	bold, err := f.NewStyle(&excelize.Style{Font: &excelize.Font{Bold: true}})
	if err != nil {
		return nil, fmt.Errorf("write cut list: %w", err)
	}
	fill := func(sheet string, rows [][]any) error {
		for i, r := range rows {
			at, err := excelize.CoordinatesToCellName(1, i+1)
			if err != nil {
				return err
			}
			kept := make([]any, len(r))
			for k, v := range r {
				if s, ok := v.(string); ok {
					v = exchange.Cell(s)
				}
				kept[k] = v
			}
			if err := f.SetSheetRow(sheet, at, &kept); err != nil {
				return err
			}
		}
		return f.SetRowStyle(sheet, 1, 1, bold)
	}
	pieces := append([][]any{c.Heads}, c.Pieces...)
	for _, n := range c.Notes {
		pieces = append(pieces, []any{n})
	}
	if err := f.SetSheetName("Sheet1", "Pieces"); err != nil {
		return nil, fmt.Errorf("write cut list: %w", err)
	}
	if _, err := f.NewSheet("Sticks"); err != nil {
		return nil, fmt.Errorf("write cut list: %w", err)
	}
	if err := fill("Pieces", pieces); err != nil {
		return nil, fmt.Errorf("write cut list: %w", err)
	}
	if err := fill("Sticks", c.Sticks); err != nil {
		return nil, fmt.Errorf("write cut list: %w", err)
	}
	out, err := f.WriteToBuffer()
	if err != nil {
		return nil, fmt.Errorf("write cut list: %w", err)
	}
	return out.Bytes(), nil
}
