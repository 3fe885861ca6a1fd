package survey

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// CentredInput is something that must stand on a centre line: from the line to its left and
// right side, at both ends.
type CentredInput struct {
	Apart      float64 `json:"apart" doc:"mm between the two ends"`
	FrontLeft  float64 `json:"frontLeft" doc:"mm from the centre line to its left side, at the front end"`
	FrontRight float64 `json:"frontRight" doc:"mm to its right side, at the front end"`
	RearLeft   float64 `json:"rearLeft" doc:"mm to its left side, at the rear end"`
	RearRight  float64 `json:"rearRight" doc:"mm to its right side, at the rear end"`
	HalfFront  float64 `json:"halfFront,omitempty" doc:"mm, half width wanted at the front; left out when only the middle counts"`
	HalfRear   float64 `json:"halfRear,omitempty" doc:"mm, half width wanted at the rear; the front's when left out"`
	Allow      float64 `json:"allow,omitempty" doc:"mm it may stand off the line, and each side off its half width; 1 when left out"`
	Sigma      float64 `json:"sigma,omitempty" doc:"mm, uncertainty of one reading; a tape's when left out"`
}

// CentredResult is how it stands.
type CentredResult struct {
	FrontOff  float64           `json:"frontOff" doc:"mm its middle lies left of the line at the front, negative right"`
	RearOff   float64           `json:"rearOff" doc:"mm at the rear"`
	Turn      float64           `json:"turn" doc:"degrees it is turned, the front to the left positive"`
	FrontWide float64           `json:"frontWide" doc:"mm over both sides at the front"`
	RearWide  float64           `json:"rearWide" doc:"mm over both sides at the rear"`
	Worst     float64           `json:"worst" doc:"mm, the largest of all it is off, by size"`
	Sigma     float64           `json:"sigma" doc:"mm, standard uncertainty of that"`
	Kept      Kept              `json:"kept" enum:"proved,as read,unsure,past"`
	Findings  []working.Finding `json:"findings"`
	Working   working.Working   `json:"working"`
}

// Centred answers how far something stands off its centre line, how it is turned, and whether
// its half widths are kept. It fails with *working.Fault.
func Centred(in CentredInput) (CentredResult, error) {
	if in.Sigma == 0 {
		in.Sigma = Uncertainty[Tape].Length
	}
	if in.Allow == 0 {
		in.Allow = 1
	}
	if in.HalfRear == 0 {
		in.HalfRear = in.HalfFront
	}
	err := working.First(working.Above("/apart", "The distance between the ends", in.Apart, 0, 1e5, "mm"),
		working.Within("/frontLeft", "The half width", in.FrontLeft, -1e5, 1e5, "mm"),
		working.Within("/frontRight", "The half width", in.FrontRight, -1e5, 1e5, "mm"),
		working.Within("/rearLeft", "The half width", in.RearLeft, -1e5, 1e5, "mm"),
		working.Within("/rearRight", "The half width", in.RearRight, -1e5, 1e5, "mm"),
		working.Within("/halfFront", "The half width wanted", in.HalfFront, 0, 1e5, "mm"),
		working.Within("/halfRear", "The half width wanted", in.HalfRear, 0, 1e5, "mm"),
		working.Within("/allow", "What is allowed", in.Allow, 0, 1000, "mm"),
		working.Within("/sigma", "The uncertainty", in.Sigma, 0, 100, "mm"))
	if err == nil && (in.FrontLeft+in.FrontRight <= 0 || in.RearLeft+in.RearRight <= 0) {
		err = working.Refuse("/frontLeft", "Left and right together are no width: a side past the line counts as negative, not both.")
	}
	if err != nil {
		return CentredResult{}, err
	}
	r := CentredResult{FrontOff: (in.FrontLeft - in.FrontRight) / 2, RearOff: (in.RearLeft - in.RearRight) / 2,
		FrontWide: in.FrontLeft + in.FrontRight, RearWide: in.RearLeft + in.RearRight, Kept: Proved, Findings: []working.Finding{}}
	r.Turn = math.Atan2(r.FrontOff-r.RearOff, in.Apart) * 180 / math.Pi
	half := in.Sigma / math.Sqrt2 // of the mean of two readings
	what := ""
	look := func(off, sigma float64, name string) {
		r.Kept = worst(r.Kept, Keeps(off, in.Allow, sigma))
		if math.Abs(off) > math.Abs(r.Worst) || what == "" {
			r.Worst, r.Sigma, what = off, sigma, name
		}
	}
	look(r.FrontOff, half, "the front end's middle")
	look(r.RearOff, half, "the rear end's middle")
	if in.HalfFront > 0 {
		look(in.FrontLeft-in.HalfFront, in.Sigma, "front left")
		look(in.FrontRight-in.HalfFront, in.Sigma, "front right")
		look(in.RearLeft-in.HalfRear, in.Sigma, "rear left")
		look(in.RearRight-in.HalfRear, in.Sigma, "rear right")
	}
	say := func(code string, severity working.Severity, text string, args ...any) {
		r.Findings = append(r.Findings, working.Finding{Code: code, Severity: severity, Cause: "Centre line",
			Reason: fmt.Sprintf(text, args...)})
	}
	if d := math.Abs(r.FrontOff - r.RearOff); d > in.Allow && d > 2*in.Sigma {
		say("turned", working.Mind, "It is turned by %.2f°: its ends stand %.1f mm apart across the line. Bring the front end %s by "+
			"%.1f mm, "+
			"or the rear end %s by as much, before it is moved sideways.", math.Abs(r.Turn), d, side(r.RearOff-r.FrontOff), d,
			side(r.FrontOff-r.RearOff))
	}
	if in.HalfFront > 0 {
		for _, x := range []struct {
			end        string
			wide, half float64
		}{{"front", r.FrontWide, in.HalfFront}, {"rear", r.RearWide, in.HalfRear}} {
			if d := x.wide - 2*x.half; math.Abs(d) > 2*in.Allow && math.Abs(d) > 2*math.Sqrt2*in.Sigma {
				say("wide-"+x.end, working.Mind, "At the %s it is %.1f mm %s over both sides than wanted: that no moving sideways "+
					"mends.", x.end,
					math.Abs(d), map[bool]string{true: "wider", false: "narrower"}[d > 0])
			}
		}
	}
	r.Working = working.Working{Method: "Half widths to a centre line", Source: "geometry: half the difference of left and right at " +
		"each end",
		Formula: "off = (left − right)/2; turn = atan((front off − rear off)/apart)",
		Inputs: []working.Quantity{working.MM("FL", "front left", in.FrontLeft), working.MM("FR", "front right", in.FrontRight),
			working.MM("RL", "rear left", in.RearLeft), working.MM("RR", "rear right", in.RearRight), working.MM("a", "apart", in.Apart),
			working.MM("h", "half width wanted at the front", in.HalfFront), working.MM("k", "half width wanted at the rear", in.HalfRear),
			working.MM("±", "one reading", in.Sigma)},
		Steps: []working.Quantity{working.MM("of", "front off, to the left", r.FrontOff), working.MM("or", "rear off, to the left",
			r.RearOff),
			{Symbol: "t", Name: "turned, the front to the left", Value: r.Turn, Unit: "°"},
			working.MM("s", "standard uncertainty of the result", r.Sigma)},
		Assumptions: []string{"each half width is read square to the line", "kept is proved where twice the uncertainty still lies within"},
		Result:      working.MM("w", "most off: "+what, r.Worst)}
	return r, nil
}

// side says which way something goes.
func side(left float64) string {
	if left < 0 {
		return "right"
	}
	return "left"
}
