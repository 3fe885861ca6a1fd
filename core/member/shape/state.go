package shape

import (
	"crypto/sha256"
	"encoding/hex"
	"fmt"
	"math"
	"slices"
	"strings"
)

// State tells the drawing a frame is made by: what each piece is of, how long it is cut, its
// ends and where it lies, to a hundredth of a millimetre and of a degree. One made in another
// state is another frame; how its pieces are named and listed does not matter.
func (b *Built) State() string {
	var lines []string
	say := func(kind string, v ...float64) {
		for _, x := range v {
			kind += fmt.Sprintf(" %.2f", math.Round(x*100)/100+0) // no minus before nothing
		}
		lines = append(lines, kind)
	}
	for _, p := range b.Pieces {
		say("p "+p.Stock, p.Length, p.Short, p.Ends[0].Cut, p.Ends[0].Tilt, p.Ends[1].Cut, p.Ends[1].Tilt,
			p.From[0], p.From[1], p.From[2], p.To[0], p.To[1], p.To[2])
	}
	for _, p := range b.Plates {
		say("t "+p.Kind, p.Mass, p.At[0], p.At[1], p.At[2])
	}
	say("m " + b.Steel.Key)
	slices.Sort(lines)
	sum := sha256.Sum256([]byte(strings.Join(lines, "\n")))
	return hex.EncodeToString(sum[:8])
}
