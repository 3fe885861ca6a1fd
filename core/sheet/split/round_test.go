package split_test

import (
	"strings"
	"testing"

	"warmanvil/core/develop"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/sheet/split"
)

// A round parted by a line across its flat would be two flat plates: it is refused, with what would do.
func TestARoundIsNotParted(t *testing.T) {
	r := plates.Shaped(0, 0, sheet.Shape{Kind: sheet.Developed, Round: &develop.Form{Kind: develop.ConeForm, Face: develop.MiddleFace,
		Way: develop.Rolled, Cone: &develop.ConeInput{Bottom: 200, Top: 200, Height: 300}}})
	p := split.Usual(false)
	p.Axis, p.At = "x", 300
	if _, err := split.Part(r, p, func() string { return "x" }); err == nil || !strings.Contains(err.Error(), "two rounds") {
		t.Errorf("%v", err)
	}
}
