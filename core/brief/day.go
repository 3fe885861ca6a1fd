package brief

import "fmt"

// IsDay tells whether a text is a day of the calendar as 2031-04-30.
func IsDay(s string) bool {
	var y, m, d int
	if n, err := fmt.Sscanf(s, "%4d-%2d-%2d", &y, &m, &d); n != 3 || err != nil || fmt.Sprintf("%04d-%02d-%02d", y, m, d) != s {
		return false
	}
	if y < 1 || m < 1 || m > 12 || d < 1 {
		return false
	}
	days := [...]int{31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31}[m-1]
	if m == 2 && (y%4 == 0 && y%100 != 0 || y%400 == 0) {
		days++
	}
	return d <= days
}
