package told

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/stock"
)

// MaterialName names a material of the table; its key where it is not there.
func MaterialName(key string) string {
	if m, err := stock.MaterialByKey(key); err == nil {
		return m.Name
	}
	return key
}

// LowerFirst writes a text to stand within a sentence.
func LowerFirst(s string) string {
	if s == "" {
		return s
	}
	return strings.ToLower(s[:1]) + s[1:]
}

// Joined writes two pieces of text with a plus, one where they are alike.
func Joined(a, b string) string {
	if a == "" || a == b {
		return b
	}
	return a + " + " + b
}

// List writes a list as one says it: a, b and c.
func List(items []string) string {
	if n := len(items); n > 1 {
		return strings.Join(items[:n-1], ", ") + " and " + items[n-1]
	}
	return strings.Join(items, "")
}

// Plural picks the word for a number of things.
func Plural(n int, one, many string) string {
	if n == 1 {
		return one
	}
	return many
}

// ForceText writes a force as the job has it: pounds in inch jobs, newtons else.
func ForceText(newtons float64, inches bool) string {
	if inches {
		return fmt.Sprintf("%.0f lbf", math.Floor(newtons/4.4482216152605+1e-6))
	}
	if newtons >= 1000 {
		return fmt.Sprintf("%.2f kN", math.Floor(newtons/10+1e-6)/100)
	}
	return fmt.Sprintf("%.0f N", math.Floor(newtons+1e-6))
}

// Tidy writes words without stray blanks.
func Tidy(words string) string { return strings.Join(strings.Fields(words), " ") }
