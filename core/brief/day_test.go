package brief

import "testing"

// Days that are in no calendar are refused, leap years by the Gregorian rule.
func TestIsDay(t *testing.T) {
	for day, want := range map[string]bool{
		"2031-04-30": true, "2031-04-31": false, "2028-02-29": true, "2031-02-29": false,
		"2000-02-29": true, "2100-02-29": false, "2031-13-01": false, "2031-00-10": false,
		"2031-06-00": false, "2031-6-1": false, "soon": false, "": false, "2031-06-01x": false, "-031-06-01": false,
	} {
		if got := IsDay(day); got != want {
			t.Errorf("%q: %v", day, got)
		}
	}
}
