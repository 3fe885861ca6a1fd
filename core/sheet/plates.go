package sheet

import (
	"fmt"
	"math"
	"testing"
	"warmanvil/core/bend"
	"warmanvil/core/quantity"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

const tolerance = 2e-5 // hand-worked figures are given to 1e-5 mm

var metric = Options{Display: quantity.Display{Style: quantity.Metric}}

// plate is 3 mm A36, K fixed at 0.42, cut by laser.
func plate(length, width float64) Recipe {
	k := .42
	return Recipe{Schema: 1, Material: "steel-a36", Thickness: 3, Process: "laser", Tool: bend.Tool{Kind: bend.ToolVDie}, Grain: GrainX,
		Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k}, Base: Base{ID: "base", Length: length, Width: width}}
}

func flange(id string, edge Edge, length, angle float64) Flange {
	return Flange{ID: id, Edge: edge, Length: length, Angle: angle, Up: true, InsideRadius: 3, Relief: Relief{Kind: Rectangular}}
}

func round(id string, x Edge, dx float64, y Edge, dy, d float64) Hole {
	return Hole{ID: id, Kind: RoundHole, Diameter: d, X: Offset{Edge: x, Distance: dx}, Y: Offset{Edge: y, Distance: dy}}
}

func build(t testing.TB, r Recipe) Part {
	t.Helper()
	p, err := Build(r, metric)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

func near(t *testing.T, what string, got, want float64) {
	t.Helper()
	if math.Abs(got-want) > tolerance {
		t.Errorf("%s = %.6f, want %.6f", what, got, want)
	}
}

func codes(p Part) map[string]working.Finding {
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

// random answers a tray-like part: any of four flanges at right angles, full
// width or set in, all sizes outside.
func random(rnd Dice, angles bool) Recipe {
	r := plate(120+rnd.Float64()*300, 120+rnd.Float64()*300)
	r.Thickness = 1 + rnd.Float64()*4
	for i, e := range []Edge{Front, Right, Back, Left} {
		if rnd.Intn(3) == 0 {
			continue
		}
		f := flange(fmt.Sprint("f", i), e, 30+rnd.Float64()*20, 90)
		f.InsideRadius = r.Thickness * (.5 + 2*rnd.Float64())
		f.Length += f.InsideRadius
		f.Up = rnd.Intn(2) == 0
		f.Relief.Kind = []ReliefKind{Rectangular, Round}[rnd.Intn(2)]
		if rnd.Intn(2) == 0 {
			f.SetIn = SetIn{r.Thickness + 5*rnd.Float64(), r.Thickness + 8*rnd.Float64()}
		}
		if angles {
			f.Angle = 20 + 60*rnd.Float64()
		}
		f.Holes = []Hole{round(fmt.Sprint("h", i), Left, 40, Front, 15, 5)}
		if e == Left || e == Right {
			f.Holes[0].X, f.Holes[0].Y = Offset{Edge: e, Distance: 12}, Offset{Edge: Back, Distance: 40}
		}
		r.Base.Flanges = append(r.Base.Flanges, f)
	}
	slot := Hole{ID: "slot", Kind: SlotHole, Diameter: 7, Length: 22, Angle: 30, X: Offset{Edge: Right, Distance: 50},
		Y: Offset{Edge: Back, Distance: 50}}
	grid := round("grid", Left, 40, Front, 40, 6)
	grid.Pattern = &Pattern{Kind: GridPattern, Columns: 2, Rows: 2, PitchX: 20, PitchY: 15}
	r.Base.Holes = []Hole{slot, grid}
	return r
}

func notchArea(r Relief) float64 {
	if r.Kind != Round {
		return r.Width * r.Depth
	}
	floor := max(r.Depth-r.Width/2, 0)
	return r.Width*floor + math.Pi*r.Width*r.Width/8
}

func shaped(length, width float64, s Shape) Recipe {
	r := plate(length, width)
	r.Base.Shape = &s
	return r
}

func stops(p Part) (out []working.Finding) {
	for _, f := range p.Findings {
		if f.Severity == working.Stop {
			out = append(out, f)
		}
	}
	return out
}

// congruent lays one body on the other in the eight ways a plate lies on a
// bench, matching every corner and every hole's middle.
func congruent(a, b Part, thickness float64) bool {
	points := func(p Part) (out [][4]float64) {
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
