package made

import (
	"crypto/sha256"
	"encoding/hex"
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/sheet"
)

// State tells the drawing a piece is made by: the sheet it is of, its outline, what is cut
// out, where it is bent, how far, which way and how tight, to a hundredth of a millimetre. A
// piece made in another state is another piece, whatever its name; how it is named, counted
// or explained does not matter.
func (p Part) State(r sheet.Recipe) string {
	var lines []string
	say := func(kind string, v ...float64) {
		line := kind
		for _, x := range v {
			line += fmt.Sprintf(" %.2f", math.Round(x*100)/100+0) // no minus before nothing
		}
		lines = append(lines, line)
	}
	for _, v := range p.Outline {
		say("o", v.X, v.Y, 100*v.Bulge)
	}
	for _, h := range p.Holes {
		say("h", h.Centre.X, h.Centre.Y, h.Cut, h.Diameter, h.Length)
		for _, v := range h.Loop {
			say("l", v.X, v.Y, 100*v.Bulge)
		}
	}
	for _, b := range p.BendLines {
		up := 0.
		if b.Up {
			up = 1
		}
		say("b", b.From.X, b.From.Y, b.To.X, b.To.Y, b.Angle, b.InsideRadius, up)
	}
	if p.Round != nil {
		for _, l := range p.Round.Lines {
			say("p", l.From.X, l.From.Y, l.To.X, l.To.Y, l.Angle, r.Base.Shape.Round.Radius)
		}
		say("r", p.Round.Sharp)
	}
	slices.Sort(lines) // the order things are listed in is none of the drawing
	say(r.Material+" "+string(r.Tool.Kind), r.Thickness)
	sum := sha256.Sum256([]byte(strings.Join(lines, "\n")))
	return hex.EncodeToString(sum[:8])
}
