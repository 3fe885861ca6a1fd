package fresh_test

import (
	"errors"
	"math"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/fresh"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/working"
)

var shops = map[string]sheet.Usual{
	"millimetres": {Thickness: 3, Grain: 0.5},
	"inches":      {Thickness: 3, Grain: 25.4 / 16, Inch: true},
}

// put adds what was made to the recipe's base or its flange.
func put(t *testing.T, r *sheet.Recipe, f fresh.Feature) {
	t.Helper()
	base := &r.Base
	switch f.List {
	case "/base/flanges":
		base.Flanges = append(base.Flanges, *f.Flange)
	case "/base/edges":
		base.Edges = append(base.Edges, *f.Cut)
	case "/base/holes":
		base.Holes = append(base.Holes, *f.Hole)
	case "/base/marks":
		base.Marks = append(base.Marks, *f.Mark)
	case "/base/flanges/0/holes":
		base.Flanges[0].Holes = append(base.Flanges[0].Holes, *f.Hole)
	case "/base/flanges/0/marks":
		base.Flanges[0].Marks = append(base.Flanges[0].Marks, *f.Mark)
	default:
		t.Fatalf("goes to %s", f.List)
	}
}

// Everything that can be added to a plate or its flange makes a part that can be built,
// as it is: nothing stops it.
func TestEveryThingCanBeBuilt(t *testing.T) {
	bent := func() sheet.Recipe {
		r := plates.Plate(300, 200)
		r.Base.Flanges = []sheet.Flange{plates.Flange("wall", sheet.Back, 120, 90)}
		return r
	}
	for unit, usual := range shops {
		for _, thing := range fresh.Things() {
			for _, panel := range []string{"base", "wall"} {
				if panel == "wall" && thing.Row == fresh.OnEdge {
					continue
				}
				t.Run(unit+"/"+panel+"/"+thing.Key, func(t *testing.T) {
					r := bent()
					before := plates.Build(t, r)
					f, err := fresh.Make(before, fresh.Ask{Thing: thing.Key, ID: "new", Panel: panel, Edge: sheet.Front, Usual: usual})
					if err != nil {
						t.Fatal(err)
					}
					put(t, &r, f)
					after, err := made.Build(r, plates.Metric)
					if err != nil {
						t.Fatalf("%+v: %v", f, err)
					}
					for _, x := range after.Findings {
						if x.Severity == working.Stop {
							t.Errorf("%s: %s", x.Code, x.Reason)
						}
					}
					if !has(after, f) {
						t.Errorf("no size to type at %s…%s", f.List, f.First)
					}
				})
			}
		}
	}
}

// has tells whether the part has the size that is to be typed first.
func has(p made.Part, f fresh.Feature) bool {
	for _, d := range p.Dimensions {
		for _, n := range []string{"/0", "/1"} {
			if d.Path == f.List+n+f.First {
				return true
			}
		}
	}
	return f.Mark != nil
}

func TestNewOnesTakeWhatWasTypedLast(t *testing.T) {
	p := plates.Build(t, plates.Plate(300, 200))
	ask := fresh.Ask{ID: "new", Panel: "base", Edge: sheet.Left, Usual: shops["millimetres"],
		Last: fresh.Last{Length: 62, Angle: 75, InsideRadius: 6, Diameter: 11}}
	ask.Thing = "down"
	f, err := fresh.Make(p, ask)
	if err != nil || f.Flange.Length != 62 || f.Flange.Angle != 75 || f.Flange.InsideRadius != 6 || f.Flange.Up {
		t.Errorf("%+v, %v", f.Flange, err)
	}
	ask.Thing = "slot"
	f, err = fresh.Make(p, ask)
	if err != nil || f.Hole.Diameter != 11 || f.Hole.Length != 27.5 {
		t.Errorf("%+v, %v", f.Hole, err)
	}
	if f.Hole.X != (sheet.Offset{Edge: sheet.Left, Distance: 150}) || f.Hole.Y != (sheet.Offset{Edge: sheet.Front, Distance: 100}) {
		t.Errorf("at %+v, %+v", f.Hole.X, f.Hole.Y)
	}
}

// On a wall holes are counted from its tip, where a rule can be laid, not from its bend.
func TestHolesAreCountedFromWhereARuleLies(t *testing.T) {
	r := plates.Plate(300, 200)
	r.Base.Flanges = []sheet.Flange{plates.Flange("wall", sheet.Back, 120, 90)}
	p := plates.Build(t, r)
	f, err := fresh.Make(p, fresh.Ask{Thing: "round", ID: "new", Panel: "wall", Usual: shops["inches"]})
	if err != nil {
		t.Fatal(err)
	}
	for _, e := range p.Panels[1].Edges {
		if e.Edge == f.Hole.Y.Edge && e.Role == "bend" {
			t.Errorf("counted from its bend, %s", e.Edge)
		}
	}
	if steps := f.Hole.Y.Distance / (25.4 / 16); math.Abs(steps-math.Round(steps)) > 1e-9 {
		t.Errorf("%g mm is no whole sixteenth", f.Hole.Y.Distance)
	}
}

func TestWhatIsNotThereIsRefused(t *testing.T) {
	p := plates.Build(t, plates.Plate(300, 200))
	for name, x := range map[string]struct {
		ask  fresh.Ask
		path string
	}{
		"thing": {fresh.Ask{Thing: "wing", Panel: "base"}, "/thing"},
		"panel": {fresh.Ask{Thing: "round", Panel: "lid"}, "/panel"},
		"edge":  {fresh.Ask{Thing: "up", Panel: "base", Edge: "7"}, "/edge"},
	} {
		t.Run(name, func(t *testing.T) {
			_, err := fresh.Make(p, x.ask)
			var fault *working.Fault
			if !errors.As(err, &fault) || fault.Path != x.path {
				t.Errorf("%v, want a refusal of %s", err, x.path)
			}
		})
	}
}

// Changed into every other kind and back, a flange can be built each time and keeps what
// fits them all.
func TestBecome(t *testing.T) {
	for unit, usual := range shops {
		for _, from := range sheet.FlangeForms() {
			for _, to := range sheet.FlangeForms() {
				t.Run(unit+"/"+string(from.Kind)+" to "+string(to.Kind), func(t *testing.T) {
					f := sheet.FreshFlange(from.Kind, sheet.Flange{}, usual)
					f.ID, f.Edge, f.Up, f.Length, f.Name = "f", sheet.Back, true, 44, "lip"
					now := f.Become(to.Kind, usual)
					if now.Name != "lip" || now.Length != 44 || now.Edge != sheet.Back || !now.Up || now.Form().Kind != to.Kind {
						t.Errorf("%+v", now)
					}
					r := plates.Plate(300, 200)
					r.Base.Flanges = []sheet.Flange{now}
					for _, x := range plates.Build(t, r).Findings {
						if x.Severity == working.Stop {
							t.Errorf("%s: %s", x.Code, x.Reason)
						}
					}
				})
			}
		}
	}
}

// A hole for one thing becomes one for another, and a plain one again.
func TestAHoleForSomethingElse(t *testing.T) {
	for unit, usual := range shops {
		for _, kind := range []sheet.UseKind{"", sheet.UseTapped, sheet.UseWeldNut, sheet.UseRivetNut, sheet.UseCountersink, sheet.UseAccess,
			sheet.UseDrain, sheet.UsePass, sheet.UseLightening} {
			t.Run(unit+"/"+string(kind), func(t *testing.T) {
				h := plates.Round("h", sheet.Left, 150, sheet.Front, 100, 7)
				now := fresh.For(h, kind, fresh.Last{}, usual)
				r := plates.Plate(300, 200)
				r.Base.Holes = []sheet.Hole{now, fresh.For(now, "", fresh.Last{Diameter: 12}, usual)}
				r.Base.Holes[1].ID, r.Base.Holes[1].X.Distance = "back", 60
				for _, x := range plates.Build(t, r).Findings {
					if x.Severity == working.Stop {
						t.Errorf("%s: %s", x.Code, x.Reason)
					}
				}
				if back := r.Base.Holes[1]; back.Use != nil || back.Diameter == 0 {
					t.Errorf("not plain again: %+v", back)
				}
			})
		}
	}
	threaded := fresh.For(plates.Round("h", sheet.Left, 150, sheet.Front, 100, 7), sheet.UseTapped, fresh.Last{}, shops["inches"])
	threaded.Use.Thread = "3/8-16"
	if now := fresh.For(threaded, sheet.UseWeldNut, fresh.Last{}, shops["inches"]); now.Use.Thread != "3/8-16" {
		t.Errorf("its thread became %s", now.Use.Thread)
	}
}

// A base becomes every shape about as large as it was, and one with sides gets more of them.
func TestReshape(t *testing.T) {
	for unit, usual := range shops {
		for _, kind := range []sheet.ShapeKind{sheet.Rectangle, sheet.Trapezoid, sheet.Triangle, sheet.Polygon, sheet.Sides, sheet.Disc,
			sheet.Ring, sheet.Obround} {
			t.Run(unit+"/"+string(kind), func(t *testing.T) {
				r := plates.Plate(300, 200)
				r.Base = fresh.Reshape(r.Base, kind, 0, 0, usual)
				p := plates.Build(t, r)
				for _, x := range p.Findings {
					if x.Severity == working.Stop {
						t.Errorf("%s: %s", x.Code, x.Reason)
					}
				}
				w, h := p.Bounds.Size()
				if kind != sheet.Ring && kind != sheet.Disc && (math.Abs(w-300) > 1 || math.Abs(h-200) > 1) {
					t.Errorf("it became %g × %g", w, h)
				}
				more := fresh.More(r.Base, usual)
				if kind != sheet.Polygon && kind != sheet.Sides {
					return
				}
				before, _, _ := r.Base.Outline()
				after, _, why := more.Outline()
				if why != "" || len(after) != len(before)+1 {
					t.Errorf("%d corners became %d: %s", len(before), len(after), why)
				}
			})
		}
	}
}

// What is added after an edge was tapped counts from that edge, on plates of any form, and
// lies where it would lie else.
func TestCountedFromTheTappedEdge(t *testing.T) {
	square := plates.Plate(300, 200)
	wedge := plates.Plate(300, 200)
	wedge.Base.Shape = &sheet.Shape{Kind: sheet.Polygon, Points: profile.Loop{{X: 0, Y: 0}, {X: 300, Y: 0}, {X: 260, Y: 200}, {X: 40, Y: 200}}}
	for name, r := range map[string]sheet.Recipe{"square": square, "wedge": wedge} {
		p := plates.Build(t, r)
		for _, e := range p.Panels[0].Edges {
			f, err := fresh.Make(p, fresh.Ask{Thing: "round", ID: "new", Panel: p.Panels[0].ID, Edge: e.Edge, Usual: shops["millimetres"]})
			if err != nil {
				t.Fatal(name, e.Edge, err)
			}
			from := 0
			for _, o := range []sheet.Offset{f.Hole.X, f.Hole.Y} {
				if o.Edge == e.Edge {
					from++
				}
			}
			if from != 1 {
				t.Errorf("%s, edge %s: counted from %s and %s", name, e.Edge, f.Hole.X.Edge, f.Hole.Y.Edge)
			}
			with := r
			with.Base.Holes = []sheet.Hole{*f.Hole}
			built := plates.Build(t, with)
			if len(built.Holes) != 1 || built.Holes[0].Centre.Sub(p.Panels[0].Middle).Len() > 30 {
				t.Errorf("%s, edge %s: %d holes at %+v, the middle is %v", name, e.Edge, len(built.Holes), built.Holes, p.Panels[0].Middle)
			}
		}
	}
}

// Holes along an edge follow the one that was tapped; where none was, a free one.
func TestAlongTheTappedEdge(t *testing.T) {
	r := plates.Plate(300, 200)
	r.Base.Flanges = []sheet.Flange{plates.Flange("wall", sheet.Front, 60, 90)}
	before := plates.Build(t, r)
	for _, tapped := range []sheet.Edge{sheet.Left, sheet.Right, sheet.Back, sheet.Front, ""} {
		f, err := fresh.Make(before, fresh.Ask{Thing: "edge", ID: "new", Panel: "base", Edge: tapped, Usual: shops["millimetres"]})
		if err != nil {
			t.Fatal(tapped, err)
		}
		want := tapped
		if want == "" {
			want = f.Hole.Pattern.Edge
			if want == sheet.Front {
				t.Error("untapped, it runs along the bend")
			}
		}
		across := f.Hole.Y
		if want == sheet.Left || want == sheet.Right {
			across = f.Hole.X
		}
		if f.Hole.Pattern.Edge != want || across.Edge != want {
			t.Errorf("tapped %q, it runs along %q, counted from %q", tapped, f.Hole.Pattern.Edge, across.Edge)
		}
	}
}
