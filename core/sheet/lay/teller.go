package lay

import (
	"cmp"
	"fmt"
	"slices"

	"warmanvil/core/working"
)

// Teller gathers what one step finds, with the place of each finding.
type Teller struct {
	*pen
	Findings []working.Finding
	Spots    []*Spot // of the findings
	alike    map[kind]*more
}

// kind is what findings have in common that say the same of different things.
type kind struct {
	severity working.Severity
	code     string
}

// more counts findings of a kind.
type more struct {
	cause string
	n     int
}

// mostAlike is how many findings of a kind are listed: nobody mends more before looking
// again, and two thousand holes over one another would make millions.
const mostAlike = 200

func (t *Teller) find(severity working.Severity, code, cause string, p *Panel, reason string, fixes []working.Fix) {
	if t.enough(severity, code, cause) {
		return
	}
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

// Enough tells whether as many findings of a kind are listed as ever are, and then counts
// one more, which need not be put into words.
func (t *Teller) Enough(severity working.Severity, code string) bool {
	m := t.alike[kind{severity, code}]
	if m == nil || m.n < mostAlike {
		return false
	}
	m.n++
	return true
}

// enough counts a finding and tells whether it is one more than are listed.
func (t *Teller) enough(severity working.Severity, code, cause string) bool {
	k := kind{severity, code}
	m := t.alike[k]
	if m == nil {
		if t.alike == nil {
			t.alike = map[kind]*more{}
		}
		m = &more{cause: cause}
		t.alike[k] = m
	}
	m.n++
	return m.n > mostAlike
}

// Beyond answers a finding for each kind of which more were found than are listed: as
// severe as those, and of no feature, so that it cannot be set aside with one.
func (t *Teller) Beyond() (out []working.Finding) {
	for k, m := range t.alike {
		if m.n > mostAlike {
			out = append(out, working.Finding{Code: k.code + "-more", Severity: k.severity, Cause: m.cause,
				Reason: fmt.Sprintf("%d more like these are not listed: mend those first.", m.n-mostAlike)})
		}
	}
	slices.SortFunc(out, func(a, b working.Finding) int { return cmp.Compare(a.Code, b.Code) })
	return out
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
