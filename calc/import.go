package calc

import (
	"context"
	"encoding/base64"

	"warmanvil/core/trace"
	"warmanvil/core/working"
)

// ImportRequest of import.
type ImportRequest struct {
	Name      string   `json:"name,omitempty" doc:"of the file; its ending says what it is"`
	Base64    string   `json:"base64,omitempty" doc:"the file"`
	Path      string   `json:"path,omitempty" doc:"of the file, read by the binary only"`
	Tolerance *float64 `json:"tolerance,omitempty" doc:"file units within which ends are joined; 0.01 mm when left out, 0.001 of a unit where the file does not say its units"`
	Layers    []string `json:"layers,omitempty" doc:"only these; all that are not hidden when left out"`
}

// ImportAnswer of import, in file units.
type ImportAnswer struct {
	Loops     []ImportLoop      `json:"loops" doc:"closed outlines, largest first, anticlockwise in the file's axes"`
	Holes     []ImportHole      `json:"holes" doc:"round loops and circles that hold no other loop"`
	OuterArea float64           `json:"outerArea" doc:"square units, loops inside others not taken off"`
	NetArea   float64           `json:"netArea" doc:"square units, even–odd"`
	Open      int               `json:"open" doc:"chains left open"`
	UnitsToMM *float64          `json:"unitsToMM" doc:"null when the file does not say"`
	Tolerance float64           `json:"tolerance" doc:"file units, as used"`
	Layers    []trace.Layer     `json:"layers"`
	Ends      [][4]float64      `json:"ends" doc:"x, y of both ends of every open chain"`
	Crossed   [][2]float64      `json:"crossed" doc:"where an outline crosses itself"`
	Findings  []working.Finding `json:"findings"`
}

// ImportLoop is one closed outline.
type ImportLoop struct {
	Outline [][3]float64 `json:"outline" doc:"x, y and bulge of each vertex"`
	Area    float64      `json:"area"`
	Depth   int          `json:"depth" doc:"how many loops it lies in"`
}

// ImportHole is a round hole.
type ImportHole struct {
	Centre   [2]float64 `json:"centre"`
	Diameter float64    `json:"diameter"`
}

func importFile(ctx context.Context, r ImportRequest) (ImportAnswer, error) {
	if r.Path != "" {
		return ImportAnswer{}, working.Refuse("/path", "Only the program on the command line reads a path: send the file as base64.")
	}
	data, err := base64.StdEncoding.DecodeString(r.Base64)
	if err != nil {
		return ImportAnswer{}, working.Refuse("/base64", "The file is not in base64: %v.", err)
	}
	d, err := trace.Read(ctx, r.Name, data)
	if err != nil {
		return ImportAnswer{}, err
	}
	opt := trace.Options{Layers: r.Layers}
	if r.Tolerance != nil {
		if err := working.Above("/tolerance", "The tolerance", *r.Tolerance, 0, 1e6, ""); err != nil {
			return ImportAnswer{}, err
		}
		opt.Tolerance = *r.Tolerance
	}
	t, err := d.Join(ctx, opt)
	if err != nil {
		return ImportAnswer{}, err
	}
	a := ImportAnswer{Loops: []ImportLoop{}, Holes: []ImportHole{}, OuterArea: t.Outer, NetArea: t.Net, Open: len(t.Open),
		UnitsToMM: d.UnitsToMM, Tolerance: t.Tolerance, Layers: d.Layers, Ends: [][4]float64{}, Crossed: [][2]float64{}, Findings: t.Findings}
	if a.Layers == nil {
		a.Layers = []trace.Layer{}
	}
	if a.Findings == nil {
		a.Findings = []working.Finding{}
	}
	for _, l := range t.Loops {
		a.Loops = append(a.Loops, ImportLoop{loop(l.Outline), l.Outline.Area(), l.Depth})
		if l.Round && !l.Holds {
			a.Holes = append(a.Holes, ImportHole{pair(l.Centre), 2 * l.Radius})
		}
	}
	for _, c := range t.Open {
		a.Ends = append(a.Ends, [4]float64{c.From.X, c.From.Y, c.To.X, c.To.Y})
	}
	for _, p := range t.Crossed {
		a.Crossed = append(a.Crossed, pair(p))
	}
	return a, nil
}
