package site

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/fit"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
)

// keptWords are the verdict of what is kept, and what is said of it.
var keptWords = map[survey.Kept][2]string{survey.Proved: {"good", "within what it may be"},
	survey.AsRead: {"doubtful", "within what it may be as read; the readings are not fine enough to prove it"},
	survey.Unsure: {"doubtful", "past what it may be, by less than the readings can be off: measure again, finer"},
	survey.Past:   {"bad", "past what it may be"}}

// centre tells how something stands on its centre line.
func (w tabling) centre(v vehicle.CentreRow) vehicle.ResultTold {
	t := vehicle.Waiting(v.ID, v.Name, "Left and right of the line at both ends, and how far those are apart, are needed.")
	if !v.Apart.Taken() {
		return t
	}
	sigma := 0.0 // how far apart the ends are hardly tells in it
	for _, r := range []survey.Reading{v.FrontLeft, v.FrontRight, v.RearLeft, v.RearRight} {
		if !r.Taken() {
			return t
		}
		sigma = math.Max(sigma, r.Work(w.s.Shop, false).Sigma)
	}
	r, err := survey.Centred(survey.CentredInput{Apart: w.val(v.Apart), FrontLeft: w.val(v.FrontLeft), FrontRight: w.val(v.FrontRight),
		RearLeft: w.val(v.RearLeft), RearRight: w.val(v.RearRight), HalfFront: v.HalfFront, HalfRear: v.HalfRear, Allow: v.Allow,
		Sigma: sigma})
	if err != nil {
		t.Says, t.Verdict = w.p.Refused(err), "bad"
		return t
	}
	off := func(mm float64) string {
		switch {
		case mm > 0:
			return w.p.MM(mm) + " to the left"
		case mm < 0:
			return w.p.MM(-mm) + " to the right"
		}
		return "on the line"
	}
	kept := keptWords[r.Kept]
	return vehicle.ResultTold{ID: v.ID, Name: v.Name, Value: &r.Worst, Text: w.p.MM(math.Abs(r.Worst)), Verdict: kept[0],
		Says: fmt.Sprintf("front end %s, rear end %s, turned %.2f°, known to ± %s: %s", off(r.FrontOff), off(r.RearOff), math.Abs(r.Turn),
			w.p.MM(2*r.Sigma), kept[1]),
		Findings: w.p.Found(r.Findings), Working: w.p.Explain(r.Working)}
}

// flush tells how far two faces are from flush.
func (w tabling) flush(v vehicle.FlushRow) vehicle.ResultTold {
	t := vehicle.Waiting(v.ID, v.Name, "Read the step at both ends: a face that is flush at one may stand off at the other.")
	if !v.One.Taken() || !v.Other.Taken() {
		return t
	}
	in := survey.FlushInput{One: w.val(v.One), Other: w.val(v.Other), Wanted: v.Wanted, Allow: v.Allow,
		Sigma: math.Max(v.One.Work(w.s.Shop, false).Sigma, v.Other.Work(w.s.Shop, false).Sigma)}
	if v.Middle.Taken() {
		k := v.Middle.Work(w.s.Shop, false)
		in.Middle, in.Sigma = &k.Value, math.Max(in.Sigma, k.Sigma)
	}
	r, err := survey.Flush(in)
	if err != nil {
		t.Says, t.Verdict = w.p.Refused(err), "bad"
		return t
	}
	move := func(mm float64) string {
		switch {
		case mm > 0:
			return "bring it out " + w.p.Display.Fine(mm)
		case mm < 0:
			return "bring it in " + w.p.Display.Fine(-mm)
		}
		return "leave it"
	}
	kept := keptWords[r.Kept]
	return vehicle.ResultTold{ID: v.ID, Name: v.Name, Value: &r.Worst, Text: w.p.Display.Fine(r.Worst), Verdict: kept[0],
		Says: fmt.Sprintf("at one end %s, at the other %s; known to ± %s: %s", move(r.MoveOne), move(r.MoveOther),
			w.p.Display.Fine(2*in.Sigma),
			kept[1]),
		Findings: w.p.Found(r.Findings), Working: w.p.Explain(r.Working)}
}

// spacer says what to set in a gap while fitting up, and of which of the shop's sheets.
func (w tabling) spacer(v vehicle.GapRow, gives float64) string {
	r, err := fit.EvenGap(fit.EvenGapInput{Need: v.Need, Gives: math.Max(gives, 0), Other: v.Grows, Sheets: w.plates})
	if err != nil {
		return "" // it opens by more than must stay
	}
	say := ". While fitting up set " + w.p.MM(r.Spacer)
	if len(r.Stack) > 0 && len(r.Stack) <= 4 {
		var names []string
		for _, s := range r.Stack {
			names = append(names, w.p.Given(s))
		}
		say += ": " + strings.Join(names, " + ") + " of this job's sheets"
	}
	return say
}
