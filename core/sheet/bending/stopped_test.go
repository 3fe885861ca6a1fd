package bending

import (
	"strings"
	"testing"

	"warmanvil/core/sheet"
)

// The flange of 40 that hangs down 56 behind the second bend of a zed comes up and out: at 45° its edge
// is at 56·cos 45° + 40·sin 45° = 68, past a stop at 58. A stop far behind is met by nothing, a
// side that is flat or stands up swings away from it, and before a leaf nothing behind moves.
func TestPartSwingsIntoTheStop(t *testing.T) {
	zed := plate(300, 60, 2, flange("up", sheet.Front, 40, true), flange("down", sheet.Back, 40, false))
	cup := plate(300, 60, 2, flange("up", sheet.Front, 40, true), flange("too", sheet.Back, 40, true))
	// swung tells whether the second bend of a part swings into a stop with what is bent already behind it.
	swung := func(r sheet.Recipe, brake Brake, stop float64) (out bool) {
		t.Helper()
		p, plan := planned(t, r, brake)
		first, second := plan.moves[0], plan.moves[1]
		for lay := range 2 { // one of them has it behind
			m := second
			m.stands.lay = lay
			out = out || p.swings(m, 1<<first.stroke, stop)
		}
		return out
	}
	if !swung(zed, press, 58) {
		t.Error("it does not swing into the stop")
	}
	if swung(zed, press, 500) || swung(cup, press, 58) || swung(zed, folder, 58) {
		t.Error("it swings into a stop that it does not meet")
	}
	// The order found has the long side before the punch: no step of it swings.
	for _, s := range find(t, zed, press).Steps {
		if strings.Contains(s.Note, "draw the stop back") {
			t.Errorf("%+v", s)
		}
	}
}
