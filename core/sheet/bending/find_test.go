package bending

import (
	"context"
	"errors"
	"fmt"
	"math"
	"strings"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/working"
)

func near(t *testing.T, what string, got, want, within float64) {
	t.Helper()
	if math.Abs(got-want) > within {
		t.Errorf("%s = %.4f, want %.4f ± %g", what, got, want, within)
	}
}

func names(b Bending) string {
	var out []string
	for _, s := range b.Steps {
		out = append(out, s.Name)
	}
	return strings.Join(out, ", ")
}

// By hand: 2 mm, R 2, K 0.42: BA = π/2·(2 + 0.84) = 4.4611; a leg of 40 to the apex leaves
// 40 − 4 = 36 past the tangent line, so the stop stands 36 + 2.2305 from the bend line.
func TestZed(t *testing.T) {
	b := find(t, plate(300, 60, 2, flange("up", sheet.Front, 40, true), flange("down", sheet.Back, 40, false)), press)
	if !b.Goes || b.Found != Exact || b.Over != 1 || len(b.Steps) != 2 || b.Steps[0].SideUp == b.Steps[1].SideUp {
		t.Fatalf("%+v", b)
	}
	near(t, "stop", b.Steps[0].Stop.MM, 38.2305, 1e-3)
	if s := b.Steps[0]; s.StopAt != "edge of "+s.Name || s.Aim == nil || *s.Aim < 90 || *s.Aim > 92 {
		t.Errorf("%+v", s)
	}
	// The first flange hangs down at the far side of the die when the second is bent: 60 less
	// the two setbacks and half the bends is more than half the bed.
	if s := b.Steps[1]; s.Near == "" || s.Clear < 5 || s.Clear > 30 {
		t.Errorf("%s stays %.2f off", s.Near, s.Clear)
	}
}

// What is bent already goes to the stop with its outside: 36 past the tangent line of the
// side, then the lip's setback R + T.
func TestStopAtWhatIsBent(t *testing.T) {
	b := find(t, plate(300, 140, 2, flange("side", sheet.Front, 50, true, flange("lip", sheet.Front, 15, true))), press)
	if !b.Goes || names(b) != "lip, side" {
		t.Fatalf("%s %+v", names(b), b.Conflict)
	}
	near(t, "stop", b.Steps[1].Stop.MM, 2.2305+(50-4-4)+4, 1e-3)
	if b.Steps[1].StopAt != "outside of the bend of lip" {
		t.Errorf("%q", b.Steps[1].StopAt)
	}
}

// A tray needs its last two bends between sides that stand: a punch put together to fit, or
// the order does not exist.
func TestTrayNeedsPieces(t *testing.T) {
	r := trayOf(300, 200, 2, func(e sheet.Edge) sheet.Flange { return flange("side "+string(e), e, 50, true) })
	b := find(t, r, pan)
	if !b.Goes || b.Over != 0 || b.Steps[3].Upper.Setup.Long > 192 || b.Steps[0].Upper.Setup.Long < 1000 {
		t.Fatalf("%+v", b)
	}
	b = find(t, r, folder)
	if b.Goes || b.Conflict == nil || !b.Conflict.Proven || !strings.Contains(b.Conflict.Says, "the clamping beam") ||
		!strings.Contains(b.Conflict.Ways[0], "it goes with fingers in sections") {
		t.Fatalf("%+v", b.Conflict)
	}
	// With the pieces there are, the longest that goes in between is taken, of the fewest.
	own := pan
	own.Upper = []Tool{{Name: "fingers", Said: true, Outline: Finger(6, 90, 45), Pieces: []float64{85, 100, 300, 320}}}
	b = find(t, r, own)
	if !b.Goes {
		t.Fatalf("%+v", b.Conflict)
	}
	if b.Steps[3].Upper.Setup.Long != 185 || fmt.Sprint(b.Steps[3].Upper.Setup.Pieces) != "[85 100]" {
		t.Fatalf("%+v", b.Steps[len(b.Steps)-1].Upper)
	}
}

// Sides too high for the punch meet the beam over it: by hand, a side 180 high on a floor of
// 200 reaches (200 − 8 + 180 − 4)/√2 or so over the die at half the turn, far over 120.
func TestDeepTray(t *testing.T) {
	r := trayOf(300, 200, 2, func(e sheet.Edge) sheet.Flange { return flange("side "+string(e), e, 180, true) })
	b := find(t, r, press)
	if b.Goes || len(b.Conflict.IDs) != 2 || !strings.Contains(b.Conflict.Says, "hinder each other") ||
		!strings.Contains(b.Conflict.Says, "the upper beam") {
		t.Fatalf("%+v", b.Conflict)
	}
	low := trayOf(300, 200, 2, func(e sheet.Edge) sheet.Flange { return flange("side "+string(e), e, 40, true) })
	if b := find(t, low, press); !b.Goes {
		t.Errorf("%+v", b.Conflict)
	}
}

// A box that closes round the punch does not come off it; in a vice it slides off the bar.
func TestClosedBox(t *testing.T) {
	r := plate(100, 60, 2, flange("a", sheet.Front, 60, true), flange("b", sheet.Back, 60, true, flange("c", sheet.Back, 56, true)))
	if b := find(t, r, press); b.Goes {
		t.Errorf("%s", names(b))
	}
	b := find(t, r, vice)
	if !b.Goes || !strings.Contains(b.Steps[2].Out, "along the bend") {
		t.Errorf("%+v", b.Conflict)
	}
}

// Flanges in line that are bent alike are bent at once; of twenty lips and twenty flanges
// four strokes are left.
func TestInLineAtOnce(t *testing.T) {
	r := plate(1600, 600, 3)
	for i := range 20 {
		e, at := sheet.Front, float64(i%10)
		if i >= 10 {
			e = sheet.Back
		}
		f := flange(fmt.Sprint("f", i), e, 50, true, flange(fmt.Sprint("l", i), e, 25, true))
		f.SetIn = sheet.SetIn{Start: 30 + at*155, End: 1600 - 30 - at*155 - 120}
		r.Base.Flanges = append(r.Base.Flanges, f)
	}
	b := find(t, r, press)
	if !b.Goes || len(b.Steps) != 4 || len(b.Steps[0].IDs) != 10 {
		t.Fatalf("%d steps, %+v", len(b.Steps), b.Conflict)
	}
}

// Over twelve strokes the hopeful states are searched, and that is said.
func TestManyBends(t *testing.T) {
	r := plate(900, 400, 2)
	for i := range 14 {
		f := flange(fmt.Sprint("f", i), []sheet.Edge{sheet.Front, sheet.Back}[i%2], 30+float64(i), true)
		f.Angle = 60 + 2*float64(i) // none like another
		f.SetIn = sheet.SetIn{Start: 20 + 120*float64(i/2), End: 900 - 20 - 120*float64(i/2) - 90}
		r.Base.Flanges = append(r.Base.Flanges, f)
	}
	b := find(t, r, press)
	if !b.Goes || b.Found != Search || len(b.Steps) != 14 || !strings.Contains(strings.Join(b.Working.Assumptions, " "), "hopeful") {
		t.Fatalf("%v %s %+v", b.Goes, b.Found, b.Conflict)
	}
}

// A brake that is too short or too light is passed over for one that takes it.
func TestTheBrakeThatTakesIt(t *testing.T) {
	r := plate(1400, 100, 2, flange("f", sheet.Front, 40, true))
	thin := press
	thin.Name, thin.Thick = "a light press", 1.5
	if b := find(t, r, pan, thin, press); b.Brake != press.Name {
		t.Errorf("bent on %s", b.Brake)
	}
}

// Another sort of brake is proved before it is named as the way out.
func TestWaysOutAreProved(t *testing.T) {
	r := trayOf(300, 200, 2, func(e sheet.Edge) sheet.Flange { return flange("side "+string(e), e, 180, true) })
	b, err := Find(t.Context(), laid(r), Asked{Brakes: []Brake{press}, Others: []Brake{folder, vice}}, nil)
	if err != nil {
		t.Fatal(err)
	}
	if !strings.Contains(b.Conflict.Ways[1], "it goes on the vice") || strings.Contains(b.Conflict.Ways[1], "folder") {
		t.Errorf("%q", b.Conflict.Ways)
	}
}

func TestSecondPerson(t *testing.T) {
	strong := press
	strong.Lift = 20
	b, err := Find(t.Context(), laid(plate(1200, 1300, 2, flange("f", sheet.Front, 40, true))), Asked{Brakes: []Brake{strong},
		Mass: 24}, nil)
	if err != nil || b.Steps[0].Second != "heavier than one there lifts" {
		t.Fatalf("%v %+v", err, b.Steps)
	}
	b, err = Find(t.Context(), laid(plate(1200, 1300, 2, flange("f", sheet.Front, 40, true))), Asked{Brakes: []Brake{strong},
		Mass: 18, Lift: 15},
		nil)
	if err != nil || b.Steps[0].Second != "heavier than the job lets one person lift" {
		t.Fatalf("%v %+v", err, b.Steps)
	}
	strong.Lift = 30
	b, err = Find(t.Context(), laid(plate(1200, 1300, 2, flange("f", sheet.Front, 40, true))), Asked{Brakes: []Brake{strong},
		Mass: 24}, nil)
	if err != nil || b.Steps[0].Second != "so much sheet hangs out" {
		t.Fatalf("%v %+v", err, b.Steps)
	}
}

// A hem is bent as far as an acute punch goes; that it is pressed together after is said.
func TestHem(t *testing.T) {
	hem := sheet.Flange{ID: "hem", Name: "hem", Kind: sheet.Hem, Hem: sheet.OpenHem, Gap: 2, Edge: sheet.Front, Length: 20, Up: true}
	b := find(t, plate(300, 100, 1, hem), press)
	if !b.Goes || b.Steps[0].Upper.Name != "a usual acute punch" || b.Steps[0].Aim != nil || !strings.Contains(b.Steps[0].Note,
		"pressed together") {
		t.Fatalf("%+v %+v", b.Steps, b.Conflict)
	}
	near(t, "turned", b.Steps[0].Angle, 135, 1e-9)
}

func TestRefusals(t *testing.T) {
	whole := plate(300, 100, 2, flange("f", sheet.Front, 40, true))
	broken := plate(300, 3, 2, flange("f", sheet.Front, 40, true))
	for name, c := range map[string]struct {
		r      sheet.Recipe
		brakes []Brake
		says   string
	}{
		"flat":     {plate(300, 100, 2), []Brake{press}, "Nothing of it is bent"},
		"broken":   {broken, []Brake{press}, "cannot be unfolded"},
		"no brake": {whole, nil, "say one in the Shop"},
	} {
		var fault *working.Fault
		if _, err := Find(t.Context(), laid(c.r), Asked{Brakes: c.brakes}, nil); !errors.As(err, &fault) ||
			!strings.Contains(fault.Message, c.says) {
			t.Errorf("%s: %v", name, err)
		}
	}
	gone, stop := context.WithCancel(t.Context())
	stop()
	if _, err := Find(gone, laid(whole), Asked{Brakes: []Brake{press}}, nil); !errors.Is(err, context.Canceled) {
		t.Errorf("%v", err)
	}
}

// What is asked twice is answered alike, and progress runs to its end.
func TestSameAgain(t *testing.T) {
	last := 0
	l := laid(lipped())
	a, err := Find(t.Context(), l, Asked{Brakes: []Brake{tall()}}, func(done, total int) {
		if last = done; total != 12 {
			t.Errorf("of %d", total)
		}
	})
	if err != nil || !a.Goes || last != 12 {
		t.Fatalf("%v %v, progress to %d", err, a.Conflict, last)
	}
	b, err := Find(t.Context(), l, Asked{Brakes: []Brake{tall()}}, nil)
	if err != nil || names(a) != names(b) || fmt.Sprint(a.Working) != fmt.Sprint(b.Working) {
		t.Errorf("%s, then %s", names(a), names(b))
	}
}

func BenchmarkOrderOfTwelve(b *testing.B) {
	l := laid(lipped())
	for b.Loop() {
		found, err := Find(b.Context(), l, Asked{Brakes: []Brake{tall()}}, nil)
		if err != nil || !found.Goes {
			b.Fatal(err, found.Conflict)
		}
	}
}
