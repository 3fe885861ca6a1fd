package httpapi

import (
	"context"

	"warmanvil/core/goods"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/told"
	"warmanvil/job"
)

// JobGoods is what a job has of the shop's stock, and what in it would serve its blanks.
type JobGoods struct {
	Kept   []JobKept      `json:"kept" doc:"for this job"`
	Blanks []JobBlank     `json:"blanks" doc:"of its parts, hand by hand"`
	Lines  []JobListed    `json:"lines" doc:"that are named above"`
	None   bool           `json:"none,omitempty" doc:"no account is kept of sheets"`
	Typed  job.TypedStock `json:"typed" doc:"of the shop's stock that stands in the job's own documents"`
}

// JobListed is a line by its name.
type JobListed struct {
	ID     string  `json:"id"`
	Called string  `json:"called"`
	Place  string  `json:"place,omitempty"`
	Free   float64 `json:"free"`
}

// JobKept is how many of a line are kept for the job.
type JobKept struct {
	Line  string  `json:"line"`
	Count float64 `json:"count"`
}

// JobBlank is a blank of the job and what serves it.
type JobBlank struct {
	Part     string         `json:"part"`
	Name     string         `json:"name"`
	Hand     sheet.Side     `json:"hand,omitempty" enum:"left,right"`
	Quantity int            `json:"quantity" doc:"for the whole job"`
	Sheet    string         `json:"sheet" doc:"thickness and material"`
	Size     string         `json:"size" doc:"its box"`
	Choices  []goods.Choice `json:"choices" doc:"the first few"`
	Why      string         `json:"why,omitempty" doc:"why it has no blank"`
}

// mostChoices is how many lines are named for a blank.
const mostChoices = 4

func (s *server) jobGoods(ctx context.Context, id string) (JobGoods, error) {
	out := JobGoods{Kept: []JobKept{}, Blanks: []JobBlank{}, Lines: []JobListed{}}
	j, err := s.jobs.Job(ctx, id)
	if err != nil {
		return out, err
	}
	parts, err := s.jobs.Parts(ctx, id)
	if err != nil {
		return out, err
	}
	w, err := s.jobs.Shop(ctx)
	if err != nil {
		return out, err
	}
	if out.Typed, err = s.jobs.TypedStock(ctx, id); err != nil {
		return out, err
	}
	pen := told.Pen{Display: j.Brief.Display()}
	named := map[string]bool{}
	for _, l := range w.Stock {
		if n := l.Held[id]; n > 0 {
			out.Kept = append(out.Kept, JobKept{l.ID, n})
			named[l.ID] = true
		}
	}
	sheets := w.Sheets()
	out.None = len(sheets) == 0
	for _, p := range parts {
		for _, hand := range p.Hands() {
			b := JobBlank{Part: p.ID, Name: p.Name, Hand: hand, Quantity: p.Quantity * max(j.Brief.Quantity, 1), Choices: []goods.Choice{}}
			r := p.Cut(hand)
			b.Sheet = pen.MM(r.Thickness) + " " + told.MaterialName(r.Material)
			built, err := made.Build(r, made.Options{Display: j.Brief.Display(), Until: ctx})
			if err != nil || !built.Whole {
				b.Why = "It cannot be unfolded as it stands."
				out.Blanks = append(out.Blanks, b)
				continue
			}
			x, y := built.Bounds.Size()
			b.Size = pen.MM(x) + " × " + pen.MM(y)
			got, err := goods.Choose(goods.Need{Kind: goods.Sheet, Material: r.Material, Thickness: r.Thickness, Outline: built.Outline}, sheets)
			if err != nil {
				return out, err
			}
			b.Choices = append(b.Choices, got[:min(len(got), mostChoices)]...)
			for _, c := range b.Choices {
				named[c.Line] = true
			}
			out.Blanks = append(out.Blanks, b)
		}
	}
	for _, l := range w.Stock {
		if named[l.ID] {
			out.Lines = append(out.Lines, JobListed{l.ID, l.Called(pen.MM), l.Place, l.Free()})
		}
	}
	return out, nil
}
