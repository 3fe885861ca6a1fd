package stock

import (
	"fmt"
	"regexp"
	"slices"
	"strings"
)

// Named is a hole that was asked for by what goes through it, or by its drill.
type Named struct {
	Diameter float64 // mm
	Says     string  // what was understood
}

var (
	// threadWritten is a thread's name and what follows it.
	threadWritten = regexp.MustCompile(`(?i)^(M\d+(?:\.\d+)?(?:\s*[x×*]\s*\d+(?:\.\d+)?)?|#\s*\d+(?:\s*-\s*\d+)?|\d+(?:/\d+)?(?:\s*-\s*\d+)?)(?:\s*"|\s*in\b)?\s*(.*)$`)
	// fits are the names of the three clearances: inch shops' and those of ISO 273.
	fits = map[string]string{"": "normal", "normal": "normal", "medium": "normal", "close": "close", "fine": "close", "loose": "loose",
		"coarse": "loose"}
)

// alsoScrews are numbers of drills that are numbers of screws too.
var alsoScrews = []string{"#1", "#2", "#3", "#4", "#5", "#6", "#8", "#10", "#12"}

// HoleNamed reads a hole as a shop asks for it: `M8`, `M8 close`, `3/8 bolt`, `3/8-16 bolt
// loose`, `5/16-18 tap`, `tap M8`, `#7`, `F drill`. A bare fraction is a length, and no name.
// It answers false for what is none of these, and an error for a size that is in no table.
func HoleNamed(text string) (Named, bool, error) {
	text = strings.TrimSpace(text)
	low := strings.ToLower(text)
	tapped := strings.HasPrefix(low, "tap ") || strings.HasSuffix(low, " tap") || strings.HasSuffix(low, " tapped")
	bare := strings.TrimSpace(strings.TrimSuffix(strings.TrimSuffix(strings.TrimPrefix(low, "tap "), " tapped"), " tap"))
	if n := strings.ReplaceAll(low, " ", ""); slices.Contains(alsoScrews, n) {
		return Named{}, true, fmt.Errorf("%s has two readings: write %s drill, or %s bolt for a hole that a screw of that size goes through",
			n, n, n)
	}
	if !tapped {
		if b, ok := BitNamed(text); ok {
			return Named{b.Diameter, "drill " + b.Name}, true, nil
		}
	}
	m := threadWritten.FindStringSubmatch(bare)
	if m == nil {
		return Named{}, false, nil
	}
	name, rest := strings.ReplaceAll(m[1], " ", ""), m[2]
	words := strings.Fields(rest)
	bolt := len(words) > 0 && (words[0] == "bolt" || words[0] == "screw")
	if bolt {
		words = words[1:]
	}
	class, known := fits[strings.Join(words, " ")]
	if metric := name[0] == 'm'; !metric && !bolt && !tapped && name[0] != '#' || !known || tapped && len(words) > 0 {
		return Named{}, false, nil
	}
	t, err := ThreadNamed(strings.ReplaceAll(name, "*", "x"))
	if err != nil {
		return Named{}, true, err
	}
	if tapped {
		return Named{t.TapDrill, fmt.Sprintf("tap drill of %s", t.Name())}, true, nil
	}
	d := map[string]float64{"close": t.Clearance.Close, "normal": t.Clearance.Normal, "loose": t.Clearance.Loose}[class]
	return Named{d, fmt.Sprintf("for a bolt of %s, %s clearance", t.Size, class)}, true, nil
}
