package survey

import (
	"math"

	"warmanvil/core/solid"
)

// Drills held by hand (practice): a chuck, the machine behind it, and how far a usual bit and a
// long one stand out of a chuck; an angle head is short.
const (
	chuckRadius, chuckLong     = 22., 60.  // mm
	machineRadius, machineLong = 40., 250. // mm, from the chuck's front
	headRadius, headLong       = 32., 110. // mm, an angle head with its short bit
	usualBit, longBit          = 80., 300. // mm out of the chuck
)

// Bit is how a hole is drilled past what stands in front of its wall.
type Bit struct {
	Out   float64 // mm the bit stands out of its chuck
	Way   BitWay
	Space int // what is in the way of a usual bit, −1 for nothing
}

// BitWay is with what.
type BitWay string

// UsualBit, LongBit: in a straight machine. AngleHead: none goes straight, an angle head does.
// NoWay: neither.
const (
	UsualBit  BitWay = "usual"
	LongBit   BitWay = "long"
	AngleHead BitWay = "angle"
	NoWay     BitWay = "none"
)

// Straight answers how far a bit must stand out of its chuck so that chuck and machine pass
// what always stands in front of the wall; deep is how far the bit goes in. What moves away, or
// is not there in some state, is taken to be out of the way.
func Straight(d Drilling, deep float64, spaces []Space) Bit {
	at, out := solid.Vector(d.At), solid.Vector(d.Into).Unit().Mul(-1)
	var trees []*solid.Tree
	var of []int
	for k, s := range spaces {
		if len(s.Moves) > 0 || len(s.Absent) > 0 || s.Kind == Opening || s.Kind == Room || s.Kind == View {
			continue
		}
		trees, of = append(trees, solid.NewTree(s.In(Stowed))), append(of, k)
	}
	// meets answers the first space a cylinder in front of the wall runs into.
	meets := func(from, to, radius float64) int {
		c := solid.NewTree(solid.Cylinder(at.Add(out.Mul(from)), at.Add(out.Mul(to)), radius))
		for i, t := range trees {
			if g := solid.Within(c, t, 1); g.Into || g.Distance < 1 {
				return of[i]
			}
		}
		return -1
	}
	b := Bit{Way: NoWay, Space: -1}
	for stand := 5.; stand+deep <= longBit; stand += 10 {
		hit := meets(1, stand, math.Max(d.Diameter/2, .5)) // the bit itself
		if hit >= 0 {
			if b.Space < 0 {
				b.Space = hit
			}
			break // farther out it only meets more
		}
		hit = meets(stand, stand+chuckLong, chuckRadius)
		if hit < 0 {
			hit = meets(stand+chuckLong, stand+machineLong+deep, machineRadius)
		}
		if hit < 0 {
			b.Out, b.Way = stand+deep, UsualBit
			if b.Out > usualBit {
				b.Way = LongBit
			}
			return b
		}
		if b.Space < 0 {
			b.Space = hit
		}
	}
	if meets(5, headLong, headRadius) < 0 {
		b.Way = AngleHead
	}
	return b
}
