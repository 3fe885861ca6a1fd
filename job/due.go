package job

import (
	"fmt"
	"time"

	"warmanvil/core/brief"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// Due says how far off the day is a job is to be ready by: past it, and within two weeks
// of it while anything is over, cannot be said or stops.
func Due(t *brief.Told, date string, today time.Time, unsettled int) {
	day, err := time.Parse(time.DateOnly, date)
	if err != nil {
		return
	}
	left := int(day.Sub(today.UTC().Truncate(24*time.Hour)).Hours() / 24)
	say := func(severity working.Severity, format string, args ...any) {
		t.Says = append(t.Says, working.Finding{Code: "due", Severity: severity, Cause: "Ready by", Reason: fmt.Sprintf(format, args...)})
	}
	days := func(n int) string { return fmt.Sprintf("%d %s", n, told.Plural(n, "day", "days")) }
	switch {
	case left < 0:
		say(working.Mind, "It was to be ready on %s, %s ago.", date, days(-left))
	case left <= 14 && unsettled > 0:
		say(working.Mind, "It is to be ready on %s, in %s, and %d of its brackets and joints do not hold yet.", date, days(left), unsettled)
	case left <= 14:
		say(working.Note, "It is to be ready on %s, in %s.", date, days(left))
	}
}
