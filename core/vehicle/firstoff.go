package vehicle

import (
	"fmt"

	"warmanvil/core/brief"
	"warmanvil/core/survey"
	"warmanvil/core/working"
)

// FirstOff is the first piece of a batch as it was measured: the rest is cut and bent when
// it is as computed, or was taken as it is.
type FirstOff struct {
	Of     string      `json:"of,omitempty" doc:"the state of the drawing it was made in, as it is told"`
	Date   string      `json:"date,omitempty" doc:"year-month-day"`
	By     string      `json:"by,omitempty" doc:"who measured it"`
	Sizes  []FirstSize `json:"sizes,omitempty"`
	Allow  float64     `json:"allow,omitempty" doc:"mm a length may be off; 1 mm, or 1/32 in where inches are spoken, when left out"`
	Angles float64     `json:"angles,omitempty" doc:"degrees an angle may be off; 1 when left out"`
	Aside  string      `json:"aside,omitempty" doc:"why no first piece is measured, or why it is taken as it is; printed"`
}

// FirstSize is one size of the first piece.
type FirstSize struct {
	Size  string         `json:"size" doc:"key of the size, as it is told"`
	Angle bool           `json:"angle,omitempty" doc:"degrees it opens to; a length when left out"`
	Value survey.Reading `json:"value"`
}

// mostSizes is how many sizes a first piece may have.
const mostSizes = 300

func (f FirstOff) check(at string) error {
	err := working.First(
		working.Within(at+"/allow", "What a length may be off", f.Allow, 0, 100, "mm"),
		working.Within(at+"/angles", "What an angle may be off", f.Angles, 0, 45, "°"))
	switch {
	case err != nil:
		return err
	case f.Date != "" && !brief.IsDay(f.Date):
		return working.Refuse(at+"/date", "A day is written as year-month-day, such as 2031-04-30, not %q.", f.Date)
	case len([]rune(f.By)) > brief.MaxName:
		return working.Refuse(at+"/by", "A name holds up to %d characters.", brief.MaxName)
	case len([]rune(f.Aside+f.Of)) > brief.MaxText:
		return working.Refuse(at+"/aside", "Texts hold up to %d characters.", brief.MaxText)
	case len(f.Sizes) > mostSizes:
		return working.Refuse(at+"/sizes", "A first piece has up to %d sizes.", mostSizes)
	}
	seen := map[string]bool{}
	for i, s := range f.Sizes {
		if s.Size == "" || seen[s.Size] {
			return working.Refuse(fmt.Sprintf("%s/sizes/%d/size", at, i),
				"Every size of the first piece is told once; %q is there twice or empty.", s.Size)
		}
		seen[s.Size] = true
		hi, unit := maxOffset, "mm"
		if s.Angle {
			hi, unit = 180, "°"
		}
		if err := s.Value.Check(fmt.Sprintf("%s/sizes/%d/value", at, i), "What was measured of the first piece", 1e-6, hi,
			unit); err != nil {
			return err
		}
	}
	return nil
}
