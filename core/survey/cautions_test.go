package survey

import (
	"fmt"
	"strings"
	"testing"
)

func brick(name string, at, size [3]float64) Thing {
	sp := Space{Shape: Shape{Form: BoxForm, At: at, Size: size}}
	return Thing{ID: name, Name: name, Body: sp.In(Stowed)}
}

// Each caution is said where the geometry asks for it, and not where it does not.
func TestCautionsFromGeometry(t *testing.T) {
	wheels := &Wheels{Front: 0, Rear: -3000, Radius: 350, Ground: -600}
	shaft := Space{ID: "s", Name: "Prop shaft", Kind: Moving,
		Shape: Shape{Form: CylinderForm, At: [3]float64{-500, 0, -200}, To: [3]float64{-2500, 0, -200}, Radius: 40}}
	line := func(y float64) Space {
		return Space{ID: "l", Name: "Fuel line", Kind: Line,
			Shape: Shape{Form: RunForm, Radius: 5, Corners: [][3]float64{{-500, y, -200}, {-2500, y, -200}}}}
	}
	lamp := Space{ID: "v", Name: "Left rear lamp", Kind: View,
		Shape: Shape{Form: BoxForm, At: [3]float64{-4200, 500, -100}, Size: [3]float64{400, 200, 150}}}
	for name, c := range map[string]struct {
		in   Surroundings
		want string
	}{
		"a spot under the floor": {Surroundings{Wheels: wheels, Spots: []Spot{{"rail hole", [3]float64{-1000, 400,
			-100}}}}, "under-vehicle"},
		"a spot on the roof":              {Surroundings{Wheels: wheels, Spots: []Spot{{"rack foot", [3]float64{-1000, 400, 1200}}}}, ""},
		"a spot beside the vehicle":       {Surroundings{Wheels: wheels, Spots: []Spot{{"step", [3]float64{-1000, 1000, -300}}}}, ""},
		"the ground itself":               {Surroundings{Wheels: wheels, Spots: []Spot{{"ground", [3]float64{-1000, 0, -600}}}}, ""},
		"under the datum, wheels unknown": {Surroundings{Spots: []Spot{{"rail hole", [3]float64{-1000, 400, -80}}}}, "under-vehicle"},
		"a line beside a shaft":           {Surroundings{Spaces: []Space{shaft, line(75)}}, "line-near-shaft"},
		"a line away from it":             {Surroundings{Spaces: []Space{shaft, line(400)}}, ""},
		"a thing beside a shaft": {Surroundings{Spaces: []Space{shaft}, Things: []Thing{brick("Tray", [3]float64{-1500, 60,
			-250}, [3]float64{300, 300, 100})}}, "full-travel"},
		"a thing away from it": {Surroundings{Spaces: []Space{shaft}, Things: []Thing{brick("Tray", [3]float64{-1500,
			160, -250}, [3]float64{300, 300, 100})}}, ""},
		"a rack before the lamp": {Surroundings{Spaces: []Space{lamp}, Things: []Thing{brick("Rack", [3]float64{-4100, 550,
			-50}, [3]float64{100, 100, 900})}}, "hides-view"},
		"a short tail": {Surroundings{Wheels: wheels, Things: []Thing{brick("Rack", [3]float64{-4700, 0, 0},
			[3]float64{500, 500, 500})}}, ""},
		"a long tail": {Surroundings{Wheels: wheels, Things: []Thing{brick("Rack", [3]float64{-4900, 0, 0},
			[3]float64{500, 500, 500})}}, "overhang"},
	} {
		c.in.Text = func(mm float64) string { return fmt.Sprintf("%.0f", mm) }
		var got []string
		for _, f := range c.in.Cautions() {
			got = append(got, f.Code)
		}
		if strings.Join(got, " ") != c.want {
			t.Errorf("%s: says %q, want %q", name, got, c.want)
		}
	}
}
