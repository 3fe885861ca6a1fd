package goods

import (
	"fmt"
	"math"
	"strings"
	"testing"
)

// What came is set against what was ordered and what the line says it is.
func TestIncoming(t *testing.T) {
	sheet := Goods{Kind: Sheet, Thickness: 3}
	mm := func(v float64) *float64 { return &v }
	length := func(v float64) string { return fmt.Sprintf("%.2f mm", v) }
	for name, c := range map[string]struct {
		line    Goods
		ordered float64
		move    Move
		want    []string
	}{
		"as ordered":        {sheet, 5, Move{Kind: Received, Count: 5, Measured: mm(3.02)}, nil},
		"nobody ordered it": {sheet, 0, Move{Kind: Received, Count: 2}, nil},
		"too few":           {sheet, 5, Move{Kind: Received, Count: 3}, []string{"2 are still on their way"}},
		"too many":          {sheet, 5, Move{Kind: Received, Count: 6}, []string{"6 came and 5 were ordered"}},
		"rolled thin":       {sheet, 5, Move{Kind: Received, Count: 5, Measured: mm(2.9)}, []string{"bend a test strip"}},
		"another sheet":     {sheet, 5, Move{Kind: Received, Count: 5, Measured: mm(2.5)}, []string{"another sheet"}},
		"another sheet and short": {sheet, 5, Move{Kind: Received, Count: 4, Measured: mm(3.3)}, []string{"1 are still", "another " +
			"sheet"}},
		"bolts have no thickness": {Goods{Kind: Hardware}, 5, Move{Kind: Received, Count: 5, Measured: mm(3)}, nil},
		"counted, not received":   {sheet, 5, Move{Kind: Counted, Count: 1}, nil},
	} {
		got := Incoming(c.line, Counts{Ordered: c.ordered}, c.move, length)
		if len(got) != len(c.want) {
			t.Errorf("%s: %q", name, got)
			continue
		}
		for i, w := range c.want {
			if !strings.Contains(got[i], w) {
				t.Errorf("%s: %q lacks %q", name, got[i], w)
			}
		}
	}
	for what, m := range map[string]Move{"of what was taken": {Kind: Taken, Count: 1, Measured: mm(3)}, "nothing": {Kind: Received,
		Count: 1, Measured: mm(0)},
		"lost": {Kind: Received, Count: 1, Measured: mm(math.NaN())}} {
		if _, err := (Counts{Here: 5}).Apply(m, true); err == nil {
			t.Errorf("measured %s: kept", what)
		}
	}
}
