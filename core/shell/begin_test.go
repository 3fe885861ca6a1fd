package shell

import (
	"errors"
	"math"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// A body begins with a face: its corners are points, its arcs straight pieces within 0.2 mm, and its blank
// is that face.
func TestABodyBeginsWithAFace(t *testing.T) {
	n := 0
	id := func() string { n++; return string(rune('a'+n/26)) + string(rune('a'+n%26)) }
	f := hopper()
	f.Points, f.Panels, f.Seams = nil, nil, nil
	if err := f.Begin(profile.Loop{{}, {X: 300}, {X: 300, Y: 150, Bulge: 1}, {X: 0, Y: 150}}, id); err != nil {
		t.Fatal(err)
	}
	if err := f.Check(); err != nil {
		t.Fatal(err)
	}
	b, blanks, err := f.Blanks("body", "Body")
	if err != nil || len(blanks) != 1 || len(f.Panels) != 1 || len(f.Points) < 10 {
		t.Fatal(err, len(blanks), len(f.Points))
	}
	if want := 300*150 + math.Pi*150*150/2; math.Abs(b.Faces[0].Area-want) > .01*want {
		t.Errorf("%g mm² of %g", b.Faces[0].Area, want)
	}
	if b.Faces[0].Pose.Z[2] < .99 {
		t.Errorf("it looks %v", b.Faces[0].Pose.Z)
	}
	many := profile.Loop{}
	for i := range 90 {
		sin, cos := math.Sincos(2 * math.Pi * float64(i) / 90)
		many = append(many, profile.Vertex{X: 500 * cos, Y: 500 * sin})
	}
	for name, face := range map[string]profile.Loop{"many": many, "two": {{}, {X: 9}}, "far": {{X: 1e9}, {X: 1}, {Y: 1}},
		"crossing": {{}, {X: 100, Y: 100}, {X: 100}, {Y: 100}}} {
		g := hopper()
		g.Points, g.Panels, g.Seams = nil, nil, nil
		var fault *working.Fault
		if err := g.Begin(face, id); !errors.As(err, &fault) {
			t.Errorf("%s: %v", name, err)
		}
	}
}
