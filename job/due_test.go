package job

import (
	"strings"
	"testing"
	"time"

	"warmanvil/core/brief"
	"warmanvil/core/working"
)

// A day that is near says so, one that is past says how long.
func TestDue(t *testing.T) {
	due := func(list []working.Finding) string {
		if len(list) == 0 {
			return ""
		}
		return list[0].Reason
	}
	today := time.Date(2031, 4, 20, 15, 0, 0, 0, time.UTC)
	for date, want := range map[string]string{"2031-04-19": "1 day ago", "2031-04-30": "in 10 days, and 2 of", "2031-06-01": "", "": ""} {
		var x brief.Told
		Due(&x, date, today, 2)
		if got := due(x.Says); (got == "") != (want == "") || !strings.Contains(got, want) {
			t.Errorf("%s: %q, want %q", date, got, want)
		}
	}
}
