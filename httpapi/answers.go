package httpapi

import (
	"context"
	"crypto/sha256"
	"encoding/json"
	"fmt"

	lru "github.com/hashicorp/golang-lru/v2"

	"warmanvil/calc"
	"warmanvil/job"
)

// keptAnswers is how many answers of kept calculations are remembered, and bigAnswer the
// bytes of one that is not.
const (
	keptAnswers = 500
	bigAnswer   = 64 << 10
)

// answers remembers what kept calculations came to: the same request has the same answer,
// and a job's page shows all of them each time.
type answers struct {
	kept *lru.Cache[[32]byte, json.RawMessage]
}

// newHeads remembers lists of frames of the jobs last looked at.
func newHeads() *lru.Cache[string, []FrameHead] {
	kept, _ := lru.New[string, []FrameHead](200) // fails for no size alone
	return kept
}

// newHoldings remembers what was last said of the strength of jobs.
func newHoldings() *lru.Cache[string, HoldingView] {
	kept, _ := lru.New[string, HoldingView](50)
	return kept
}

func newAnswers() answers {
	kept, _ := lru.New[[32]byte, json.RawMessage](keptAnswers) // fails for no size alone
	return answers{kept}
}

// of answers a kept calculation, its working in the job's units.
func (a answers) of(ctx context.Context, n job.Number, inches bool) (json.RawMessage, error) {
	key := sha256.Sum256(fmt.Appendf(nil, "%s\x00%t\x00%s", n.Calc, inches, n.Request))
	if raw, known := a.kept.Get(key); known {
		return raw, nil
	}
	k, err := calc.Find(n.Calc)
	if err != nil {
		return nil, err
	}
	ans, err := k.Run(ctx, n.Request)
	if err != nil {
		return nil, err
	}
	raw, err := json.Marshal(calc.Written(ans, inches))
	if err == nil && len(raw) <= bigAnswer {
		a.kept.Add(key, raw)
	}
	return raw, err
}

// numberView answers a kept calculation with its answer, or why there is none now.
func (s *server) numberView(ctx context.Context, n job.Number, inches bool) NumberView {
	v := NumberView{ID: n.ID, Calc: n.Calc, Title: n.Title, Request: n.Request, Answer: json.RawMessage("null"), Created: n.Created}
	if raw, err := s.answers.of(ctx, n, inches); err != nil {
		v.Refused = err.Error()
	} else {
		v.Answer = raw
	}
	if len(v.Request) == 0 {
		v.Request = json.RawMessage("null")
	}
	return v
}
