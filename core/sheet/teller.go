package sheet

import (
	"warmanvil/core/working"
)

// teller gathers what one step finds, with the place of each finding.
type teller struct {
	*pen
	findings []working.Finding
	spots    []*spot // of the findings
}

func (t *teller) find(severity working.Severity, code, cause string, p *panel, reason string, fixes []working.Fix) {
	t.findings = append(t.findings, working.Finding{Code: code, Severity: severity, Cause: cause, Feature: p.id, Name: p.name,
		Reason: reason, Fixes: fixes})
	t.spots = append(t.spots, spotOf(p))
}

func (t *teller) stop(code, cause string, p *panel, reason string, fixes ...working.Fix) {
	t.find(working.Stop, code, cause, p, reason, fixes)
}

func (t *teller) mind(code, cause string, p *panel, reason string, fixes ...working.Fix) {
	t.find(working.Mind, code, cause, p, reason, fixes)
}

func (t *teller) note(code, cause string, p *panel, reason string, fixes ...working.Fix) {
	t.find(working.Note, code, cause, p, reason, fixes)
}

// fix makes a fix from pairs of path and value.
func (t *teller) fix(label string, pairs ...any) working.Fix {
	f := working.Fix{Label: label}
	for i := 0; i+1 < len(pairs); i += 2 {
		f.Edits = append(f.Edits, working.Edit{Path: pairs[i].(string), Value: pairs[i+1]})
	}
	return f
}

// attach gives the findings made since at their working.
func (t *teller) attach(at int, explain func() working.Working) {
	if at == len(t.findings) {
		return
	}
	w := t.explain(explain())
	for i := at; i < len(t.findings); i++ {
		t.findings[i].Working = &w
	}
}
