package lay

import (
	"warmanvil/core/working"
)

// Teller gathers what one step finds, with the place of each finding.
type Teller struct {
	*pen
	Findings []working.Finding
	Spots    []*Spot // of the findings
}

func (t *Teller) find(severity working.Severity, code, cause string, p *Panel, reason string, fixes []working.Fix) {
	t.Findings = append(t.Findings, working.Finding{Code: code, Severity: severity, Cause: cause, Feature: p.ID, Name: p.Name,
		Reason: reason, Fixes: fixes})
	t.Spots = append(t.Spots, spotOf(p))
}

func (t *Teller) Stop(code, cause string, p *Panel, reason string, fixes ...working.Fix) {
	t.find(working.Stop, code, cause, p, reason, fixes)
}

func (t *Teller) Mind(code, cause string, p *Panel, reason string, fixes ...working.Fix) {
	t.find(working.Mind, code, cause, p, reason, fixes)
}

func (t *Teller) Note(code, cause string, p *Panel, reason string, fixes ...working.Fix) {
	t.find(working.Note, code, cause, p, reason, fixes)
}

// Fix makes a fix from pairs of path and value.
func (t *Teller) Fix(label string, pairs ...any) working.Fix {
	f := working.Fix{Label: label}
	for i := 0; i+1 < len(pairs); i += 2 {
		f.Edits = append(f.Edits, working.Edit{Path: pairs[i].(string), Value: pairs[i+1]})
	}
	return f
}

// Attach gives the findings made since at their working.
func (t *Teller) Attach(at int, explain func() working.Working) {
	if at == len(t.Findings) {
		return
	}
	w := t.Explain(explain())
	for i := at; i < len(t.Findings); i++ {
		t.Findings[i].Working = &w
	}
}

// Next answers an empty teller for another step, that writes alike.
func (t *Teller) Next() *Teller { return &Teller{pen: t.pen} }
