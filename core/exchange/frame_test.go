package exchange

import (
	"bytes"
	"encoding/binary"
	"math"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// A body's STL holds every facet with its normal, and its volume.
func TestSTL(t *testing.T) {
	b := solid.Box(solid.Vector{10, 20, 30}, solid.Vector{110, 70, 40})
	raw := STL(b, "plate")
	if len(raw) != 84+50*b.Count() || binary.LittleEndian.Uint32(raw[80:]) != uint32(b.Count()) {
		t.Fatalf("%d bytes for %d facets", len(raw), b.Count())
	}
	volume := 0.0
	for r := bytes.NewReader(raw[84:]); r.Len() > 0; {
		var f struct {
			N, A, B, C [3]float32
			Rest       uint16
		}
		if err := binary.Read(r, binary.LittleEndian, &f); err != nil {
			t.Fatal(err)
		}
		v := func(a [3]float32) solid.Vector {
			return solid.Vector{float64(a[0]), float64(a[1]), float64(a[2])}
		}
		volume += v(f.A).Dot(v(f.B).Cross(v(f.C))) / 6
		if d := v(f.B).Sub(v(f.A)).Cross(v(f.C).Sub(v(f.A))).Unit().Sub(v(f.N)).Len(); d > 1e-6 {
			t.Errorf("a normal is %g off", d)
		}
	}
	if math.Abs(volume-100*50*10) > 1 {
		t.Errorf("volume %g", volume)
	}
}

// The jig is read back by the judge: outlines closed at their places from the
// lowest corner, in both units.
func TestJigIsReadBack(t *testing.T) {
	for _, inches := range []bool{false, true} {
		scale := 1.0
		if inches {
			scale = 25.4
		}
		j := readBack(t, Jig{Outlines: []profile.Loop{profile.Rect(-500, 100, 700, 140)},
			Plates: []profile.Loop{profile.Rect(-508, 60, -500, 180)}, Points: []profile.Point{{X: -500, Y: 120}},
			Marks: []Mark{{Text: "A1", At: profile.Point{X: 100, Y: 120}}}, Inches: inches}.DXF())
		if len(j.Errors) != 0 || len(j.Fixes) != 0 {
			t.Fatalf("%v %v", j.Errors, j.Fixes)
		}
		count := map[string]int{}
		for _, e := range j.Entities {
			count[e.Type+" "+e.Layer]++
			if e.Type == "LWPOLYLINE" && e.Layer == layerMark &&
				(math.Abs(e.Min[0]*scale-8) > 1e-6 || math.Abs(e.Max[0]*scale-1208) > 1e-6 || math.Abs(e.Min[1]*scale-40) > 1e-6) {
				t.Errorf("outline from %v to %v", e.Min, e.Max)
			}
		}
		if count["LWPOLYLINE MARK"] != 1 || count["LWPOLYLINE CUT"] != 1 || count["LINE MARK"] != 2 || count["TEXT MARK"] != 1 {
			t.Errorf("%v", count)
		}
	}
}
