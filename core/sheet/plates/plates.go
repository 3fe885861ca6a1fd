// Package plates holds the parts that tests of sheet start from.
package plates

import (
	"fmt"
	"math"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

const tolerance = 2e-5 // hand-worked figures are given to 1e-5 mm

var Metric = made.Options{Display: quantity.Display{Style: quantity.Metric}}

// Plate is 3 mm A36, K fixed at 0.42, cut by laser.
func Plate(length, width float64) sheet.Recipe {
	k := .42
	return sheet.Recipe{Schema: 1, Material: "steel-a36", Thickness: 3, Process: "laser",
		Tool: bend.Tool{Kind: bend.ToolVDie}, Grain: sheet.GrainX,
		Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k}, Base: sheet.Base{ID: "base", Length: length, Width: width}}
}

func Flange(id string, edge sheet.Edge, length, angle float64) sheet.Flange {
	return sheet.Flange{ID: id, Edge: edge, Length: length, Angle: angle, Up: true, InsideRadius: 3,
		Relief: sheet.Relief{Kind: sheet.Rectangular}}
}

func Round(id string, x sheet.Edge, dx float64, y sheet.Edge, dy, d float64) sheet.Hole {
	return sheet.Hole{ID: id, Kind: sheet.RoundHole, Diameter: d, X: sheet.Offset{Edge: x, Distance: dx},
		Y: sheet.Offset{Edge: y, Distance: dy}}
}

func Build(t testing.TB, r sheet.Recipe) made.Part {
	t.Helper()
	p, err := made.Build(r, Metric)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

func Near(t *testing.T, what string, got, want float64) {
	t.Helper()
	if math.Abs(got-want) > tolerance {
		t.Errorf("%s = %.6f, want %.6f", what, got, want)
	}
}

func Codes(p made.Part) map[string]working.Finding {
	out := map[string]working.Finding{}
	for _, f := range p.Findings {
		out[f.Code] = f
	}
	return out
}

// Dice are thrown for a recipe.
type Dice interface {
	Float64() float64
	Intn(n int) int
}

// Random answers a tray-like part: any of four flanges at right angles, full
// width or set in, all sizes outside.
func Random(rnd Dice, angles bool) sheet.Recipe {
	r := Plate(120+rnd.Float64()*300, 120+rnd.Float64()*300)
	r.Thickness = 1 + rnd.Float64()*4
	for i, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left} {
		if rnd.Intn(3) == 0 {
			continue
		}
		f := Flange(fmt.Sprint("f", i), e, 30+rnd.Float64()*20, 90)
		f.InsideRadius = r.Thickness * (.5 + 2*rnd.Float64())
		f.Length += f.InsideRadius
		f.Up = rnd.Intn(2) == 0
		f.Relief.Kind = []sheet.ReliefKind{sheet.Rectangular, sheet.Round}[rnd.Intn(2)]
		if rnd.Intn(2) == 0 {
			f.SetIn = sheet.SetIn{Start: r.Thickness + 5*rnd.Float64(), End: r.Thickness + 8*rnd.Float64()}
		}
		if angles {
			f.Angle = 20 + 60*rnd.Float64()
		}
		f.Holes = []sheet.Hole{Round(fmt.Sprint("h", i), sheet.Left, 40, sheet.Front, 15, 5)}
		if e == sheet.Left || e == sheet.Right {
			f.Holes[0].X, f.Holes[0].Y = sheet.Offset{Edge: e, Distance: 12}, sheet.Offset{Edge: sheet.Back, Distance: 40}
		}
		r.Base.Flanges = append(r.Base.Flanges, f)
	}
	slot := sheet.Hole{ID: "slot", Kind: sheet.SlotHole, Diameter: 7, Length: 22, Angle: 30, X: sheet.Offset{Edge: sheet.Right, Distance: 50},
		Y: sheet.Offset{Edge: sheet.Back, Distance: 50}}
	grid := Round("grid", sheet.Left, 40, sheet.Front, 40, 6)
	grid.Pattern = &sheet.Pattern{Kind: sheet.GridPattern, Columns: 2, Rows: 2, PitchX: 20, PitchY: 15}
	r.Base.Holes = []sheet.Hole{slot, grid}
	return r
}

func NotchArea(r sheet.Relief) float64 {
	if r.Kind != sheet.Round {
		return r.Width * r.Depth
	}
	floor := max(r.Depth-r.Width/2, 0)
	return r.Width*floor + math.Pi*r.Width*r.Width/8
}

func Shaped(length, width float64, s sheet.Shape) sheet.Recipe {
	r := Plate(length, width)
	r.Base.Shape = &s
	return r
}

func Stops(p made.Part) (out []working.Finding) {
	for _, f := range p.Findings {
		if f.Severity == working.Stop {
			out = append(out, f)
		}
	}
	return out
}

// Congruent lays one body on the other in the eight ways a plate lies on a
// bench, matching every corner and every hole's middle.
func Congruent(a, b made.Part, thickness float64) bool {
	points := func(p made.Part) (out [][4]float64) {
		for _, h := range p.Holes {
			c := h.Body // in the middle plane
			out = append(out, [4]float64{c[0], c[1], c[2], h.Diameter})
		}
		for _, e := range p.Body.Edges {
			for _, v := range e {
				rim := false // its chords begin where they like
				for i, h := range p.Holes {
					d := v.Sub(solid.Vector{out[i][0], out[i][1], out[i][2]}).Len()
					rim = rim || math.Abs(d-math.Hypot(h.Diameter/2, thickness/2)) < .01
				}
				if !rim {
					out = append(out, [4]float64{v[0], v[1], v[2], 0})
				}
			}
		}
		mid := p.Body.Min.Add(p.Body.Max).Mul(.5)
		for i := range out {
			for k := range 3 {
				out[i][k] -= mid[k]
			}
		}
		return out
	}
	p, q := points(a), points(b)
	if len(p) == 0 {
		panic("no body to compare")
	}
	for _, over := range []float64{1, -1} {
		for quarters := range 4 {
			fits := true
			for _, v := range q {
				x, y, z := v[0], v[1]*over, v[2]*over
				for range quarters {
					x, y = -y, x
				}
				found := false
				for _, w := range p {
					found = found || math.Abs(w[0]-x) < .01 && math.Abs(w[1]-y) < .01 && math.Abs(w[2]-z) < .01 && w[3] == v[3]
				}
				if !found {
					fits = false
					break
				}
			}
			if fits {
				return true
			}
		}
	}
	return false
}
