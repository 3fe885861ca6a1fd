package vehicle

import (
	"fmt"

	"warmanvil/core/brief"
	"warmanvil/core/working"
)

// Limited sets a measured thing against a limit of the brief: sense 1 where it must be
// that much at least, −1 at most. Past it the verdict is bad and a stop says by how much.
func (t *ResultTold) Limited(limit *brief.Given, value, sense float64, write func(float64) string) {
	if limit == nil || limit.Value <= 0 {
		return
	}
	word := "at least"
	if sense < 0 {
		word = "at most"
	}
	t.Says += fmt.Sprintf("; %s %s is asked", word, write(limit.Value))
	if by := sense * (limit.Value - value); by > 1e-6 {
		t.Verdict = "bad"
		t.Findings = append(t.Findings, working.Finding{Code: "limit", Severity: working.Stop, Cause: "Limits", Name: t.Name,
			Reason: fmt.Sprintf("%s is over its limit: %s, and %s %s is asked, %s past it. %s", t.Name, t.Text, word,
				write(limit.Value), write(by), t.Says)})
	}
}
