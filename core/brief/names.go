package brief

import (
	"strings"
	"unicode/utf8"

	"warmanvil/core/working"
)

// Limits of names and texts, in characters.
const (
	MaxName = 120
	MaxText = 4000
	MaxMany = 100_000
)

// CheckName refuses a name that is empty or too long.
func CheckName(path, name string) error {
	if strings.TrimSpace(name) == "" {
		return working.Refuse(path, "Give it a name.")
	}
	if utf8.RuneCountInString(name) > MaxName {
		return working.Refuse(path, "A name holds up to %d characters.", MaxName)
	}
	return nil
}
