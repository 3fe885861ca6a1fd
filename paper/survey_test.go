package paper

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"warmanvil/core/profile"
)

// The sheet carries every section in order, breaks over pages with its heads
// repeated, and comes out the same every time.
func TestSurveySheet(t *testing.T) {
	s := SurveySheet{Job: "Orchard truck", Vehicle: "Morvan 350", Revision: 3,
		Date: time.Date(2026, 11, 25, 0, 0, 0, 0, time.UTC), Paper: A4, Blank: true,
		Lines: []SurveySection{{Title: "1  Datum", Note: strings.Repeat("Measured from the front axle. ", 20)},
			{Title: "2  Points", Heads: []string{"point", "how", "reading"}, Widths: []float64{.4, .4, .2}},
			{Title: "3  Hole map: rail", Heads: []string{"from", "to"}, Widths: []float64{.5, .5}, Rows: [][]string{{"1", "2"}},
				Sketch: &MapSketch{Names: []string{"1", "2", "3"}, At: []profile.Point{{}, {X: 420}, {X: 80, Y: 60}}, Pairs: [][2]int{{0, 1}, {1, 2}}}},
			{Title: "4  Not mapped yet", Sketch: &MapSketch{Names: []string{"a", "b"}, Pairs: [][2]int{{0, 1}}}}}}
	for i := range 90 {
		s.Lines[1].Rows = append(s.Lines[1].Rows,
			[]string{fmt.Sprintf("point %d with a name long enough to run over its column's width", i+1), "forward from the datum", ""})
	}
	raw, err := s.PDF()
	if err != nil {
		t.Fatal(err)
	}
	text := pdf(t, raw, "pdftotext", "-")
	for _, want := range []string{"Survey sheet, to take to the vehicle", "Morvan 350", "revision 3", "1 Datum", "point 90",
		"3 Hole map: rail", "4 Not mapped yet", "page 2", "Measured by"} {
		if !strings.Contains(strings.Join(strings.Fields(text), " "), want) {
			t.Errorf("it does not say %q", want)
		}
	}
	if n := strings.Count(text, "reading"); n < 3 {
		t.Errorf("the heads stand %d times over %d rows", n, len(s.Lines[1].Rows))
	}
	again, _ := s.PDF()
	if string(again) != string(raw) {
		t.Error("the second print differs")
	}
	if one := strings.Index(text, "1  Datum"); one > strings.Index(text, "4  Not mapped") {
		t.Error("the sections are out of order")
	}
}
