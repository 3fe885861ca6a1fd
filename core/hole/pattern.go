package hole

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
)

// Rigid is a turn and a shift in the plane, mirrored first when Mirror says so
// (x → −x).
type Rigid struct {
	Mirror bool
	Turn   float64 // degrees
	Shift  profile.Point
}

// Apply carries a point.
func (r Rigid) Apply(p profile.Point) profile.Point {
	if r.Mirror {
		p.X = -p.X
	}
	s, c := math.Sincos(r.Turn * math.Pi / 180)
	return profile.Point{X: p.X*c - p.Y*s, Y: p.X*s + p.Y*c}.Add(r.Shift)
}

// Fit answers the turn and shift that bring from nearest to onto, point by
// point, by least squares.
func Fit(from, onto []profile.Point, mirror bool) Rigid {
	r := Rigid{Mirror: mirror}
	at := make([]profile.Point, len(from))
	var a, b profile.Point
	for i, p := range from {
		at[i] = r.Apply(p)
		a, b = a.Add(at[i]), b.Add(onto[i])
	}
	n := float64(len(from))
	if n == 0 {
		return r
	}
	a, b = a.Mul(1/n), b.Mul(1/n)
	var dot, cross float64
	for i := range at {
		p, q := at[i].Sub(a), onto[i].Sub(b)
		dot, cross = dot+p.Dot(q), cross+p.Cross(q)
	}
	r.Turn = math.Atan2(cross, dot) * 180 / math.Pi
	r.Shift = profile.Point{}
	r.Shift = b.Sub(Rigid{Turn: r.Turn}.Apply(a))
	return r
}

// Meets is how two patterns go together.
type Meets struct {
	By     Rigid
	At     []profile.Point // where each of the one comes to lie on the other
	Misses []profile.Point // from there to the other's hole
	Worst  int
	Most   float64 // mm, the largest miss
}

// Meet lays one pattern on another, hole by hole.
func Meet(from, onto []profile.Point, mirror bool) Meets {
	m := Meets{By: Fit(from, onto, mirror)}
	for i, p := range from {
		at := m.By.Apply(p)
		miss := onto[i].Sub(at)
		m.At, m.Misses = append(m.At, at), append(m.Misses, miss)
		if l := miss.Len(); l > m.Most {
			m.Most, m.Worst = l, i
		}
	}
	return m
}

// Answer says what to do about two patterns that shall meet.
type Answer string

// Serves: one part does. Slot: one hole or more becomes a slot. Differ: two
// different parts.
const (
	Serves Answer = "serves"
	Slot   Answer = "slot"
	Differ Answer = "differ"
)

// Slotted is one hole that must become a slot.
type Slotted struct {
	Hole   int
	Along  profile.Point // unit, the way it runs, in the axes of the pattern laid on
	Length float64       // mm overall
}

// Settle answers whether a pattern laid on another goes on bolts of its holes'
// play (mm on the radius each), with slots up to twice the hole's diameter
// where the play is not enough.
func (m Meets) Settle(diameters, play []float64) (Answer, []Slotted) {
	answer := Serves
	var slots []Slotted
	for i, miss := range m.Misses {
		l := miss.Len()
		if l <= play[i] {
			continue
		}
		length := diameters[i] + 2*(l-play[i])
		if length > 2*diameters[i] {
			return Differ, nil
		}
		answer = Slot
		slots = append(slots, Slotted{i, miss.Mul(1 / l), math.Ceil(length*2) / 2})
	}
	return answer, slots
}

// Lay lays a pattern on another so that the fewest holes become slots: on all
// holes at once, or on all but one, whichever asks for less.
func Lay(from, onto []profile.Point, mirror bool, diameters, play []float64) (Meets, Answer, []Slotted) {
	best := Meet(from, onto, mirror)
	answer, slots := best.Settle(diameters, play)
	if answer == Serves || len(from) < 3 {
		return best, answer, slots
	}
	for leave := range from {
		var f, o []profile.Point
		for i := range from {
			if i != leave {
				f, o = append(f, from[i]), append(o, onto[i])
			}
		}
		m := Meets{By: Fit(f, o, mirror)}
		for i, p := range from {
			miss := onto[i].Sub(m.By.Apply(p))
			m.At, m.Misses = append(m.At, m.By.Apply(p)), append(m.Misses, miss)
			if l := miss.Len(); l > m.Most {
				m.Most, m.Worst = l, i
			}
		}
		if a, s := m.Settle(diameters, play); a == Slot && (answer == Differ || len(s) < len(slots)) {
			best, answer, slots = m, a, s
		}
	}
	return best, answer, slots
}

// Way is another way a part would bolt up.
type Way struct {
	Over  bool    // turned over, its other face up
	Turn  float64 // degrees; turned over, of the line it turns about
	Moved int     // holes that come to lie on another one
}

func (w Way) String() string {
	if w.Over {
		return fmt.Sprintf("turned over about a line at %.0f°", w.Turn)
	}
	return fmt.Sprintf("turned by %.0f°", w.Turn)
}

// Ways answers every other way a pattern bolts up on itself: slack is what the
// holes leave, mm, between the centre of a hole and of the bolt it comes to lie
// on, on both together. Diameters must agree within half a millimetre.
func Ways(holes []profile.Point, diameters []float64, slack float64) (out []Way) {
	n := len(holes)
	if n < 2 {
		return nil
	}
	a, b, far := 0, 1, 0.0
	for i := range n {
		for j := range i {
			if d := holes[i].Sub(holes[j]).Len(); d > far {
				a, b, far = j, i, d
			}
		}
	}
	same := func(i, j int) bool { return math.Abs(diameters[i]-diameters[j]) <= .5 }
	for k := range n {
		for l := range n {
			if k == l || !same(a, k) || !same(b, l) || math.Abs(holes[k].Sub(holes[l]).Len()-far) > 2*slack {
				continue
			}
			for _, over := range []bool{false, true} {
				if !over && k == a && l == b {
					continue // as it is
				}
				onto := matched(holes, diameters, a, b, k, l, over, slack)
				if onto == nil {
					continue
				}
				m := Meet(holes, pick(holes, onto), over)
				if m.Most > slack {
					continue
				}
				w := Way{Over: over, Turn: norm(m.By.Turn)}
				if over { // x → −x and a turn is a flip about the line at half the turn and 90°
					w.Turn = math.Mod(norm(m.By.Turn)/2+90, 180)
				}
				for i, o := range onto {
					if i != o {
						w.Moved++
					}
				}
				if over && w.Moved == 0 && !inRow(holes, slack) {
					continue
				}
				out = append(out, w)
			}
		}
	}
	return out
}

func norm(deg float64) float64 {
	deg = math.Mod(deg, 360)
	if deg < 0 {
		deg += 360
	}
	return deg
}

func pick(holes []profile.Point, at []int) []profile.Point {
	out := make([]profile.Point, len(at))
	for i, k := range at {
		out[i] = holes[k]
	}
	return out
}

func inRow(holes []profile.Point, slack float64) bool {
	var far profile.Point
	for _, p := range holes {
		if d := p.Sub(holes[0]); d.Len() > far.Len() {
			far = d
		}
	}
	for _, p := range holes {
		if math.Abs(far.Cross(p.Sub(holes[0])))/far.Len() > slack {
			return false
		}
	}
	return true
}

// matched answers which hole each comes to lie on when a goes to k and b to l.
func matched(holes []profile.Point, diameters []float64, a, b, k, l int, over bool, slack float64) []int {
	by := Fit([]profile.Point{holes[a], holes[b]}, []profile.Point{holes[k], holes[l]}, over)
	onto := make([]int, len(holes))
	used := make([]bool, len(holes))
	for i, p := range holes {
		at, best := by.Apply(p), 3*slack+1e-6
		onto[i] = -1
		for j, q := range holes {
			if d := q.Sub(at).Len(); !used[j] && d < best && math.Abs(diameters[i]-diameters[j]) <= .5 {
				best, onto[i] = d, j
			}
		}
		if onto[i] < 0 {
			return nil
		}
		used[onto[i]] = true
	}
	return onto
}

// Shifted is a change that leaves only one way to bolt up.
type Shifted struct {
	Hole int
	By   profile.Point // mm
}

// OneWay looks for one hole to move by a step so that no other way is left. It
// answers false when none does.
func OneWay(holes []profile.Point, diameters []float64, slack, step float64) (Shifted, bool) {
	for i := len(holes) - 1; i >= 0; i-- {
		for _, by := range []profile.Point{{X: step}, {X: -step}, {Y: step}, {Y: -step}, {X: step, Y: step}, {X: -step, Y: step}} {
			moved := append([]profile.Point{}, holes...)
			moved[i] = moved[i].Add(by)
			free := true
			for k, p := range moved {
				free = free && (k == i || p.Sub(moved[i]).Len() > (diameters[i]+diameters[k])/2+3)
			}
			if free && len(Ways(moved, diameters, slack)) == 0 {
				return Shifted{i, by}, true
			}
		}
	}
	return Shifted{}, false
}
