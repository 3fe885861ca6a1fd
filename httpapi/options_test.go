package httpapi

import (
	"reflect"
	"testing"

	"warmanvil/core/brief"
)

// The survey sheet lists the options that decide whether things fit; the one to take to
// the vehicle leaves open what nobody looked at.
func TestOptionsOnTheSurveySheet(t *testing.T) {
	options := []brief.Fitted{{Text: "Second battery", State: "yes", Seen: "Mara, under the seat"}, {Text: "Tow pack", State: "unknown"},
		{Text: "Spare wheel below", State: "no"}}
	if got := (lines{}).fitted(nil); got != nil {
		t.Errorf("%+v", got)
	}
	for blank, open := range map[bool]string{true: "", false: "not known: look"} {
		got := lines{blank: blank}.fitted(options)
		want := [][]string{{"Second battery", "yes", "Mara, under the seat"}, {"Tow pack", open, ""}, {"Spare wheel below", "no", ""}}
		if len(got) != 1 || !reflect.DeepEqual(got[0].Rows, want) {
			t.Errorf("blank %v: %+v", blank, got)
		}
	}
}
