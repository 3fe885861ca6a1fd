package sheet

import (
	"bytes"
	"encoding/json"
	"fmt"
)

// Alike tells whether two recipes say the same.
func Alike(a, b Recipe) (bool, error) {
	x, err := json.Marshal(a)
	if err != nil {
		return false, fmt.Errorf("write recipe: %w", err)
	}
	y, err := json.Marshal(b)
	if err != nil {
		return false, fmt.Errorf("write recipe: %w", err)
	}
	return bytes.Equal(x, y), nil
}
