package job

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/site"
	"warmanvil/core/vehicle"
)

// The holes of a map made in a new plate and in a part lie as measured, hole for hole, follow
// the map, and the plate is large enough for them to raise no stop.
func TestHolesFromMap(t *testing.T) {
	for _, behind := range []bool{false, true} {
		s, _ := remembering()
		if err := s.LoadDemo(ctx); err != nil {
			t.Fatal(err)
		}
		j := demoJob(t, s, "Orchard truck")
		v, _, err := s.Survey(ctx, j.ID)
		if err != nil {
			t.Fatal(err)
		}
		parts, err := s.Parts(ctx, j.ID)
		if err != nil {
			t.Fatal(err)
		}
		recipe := parts[0].Recipe
		into := []MapInto{{Map: v.Maps[0].ID, Behind: behind, Recipe: &recipe}}
		for _, p := range parts {
			if p.Name == "Compressor tray" {
				into = append(into, MapInto{Map: v.Maps[0].ID, Behind: behind, Part: p.ID, Panel: p.Recipe.Base.ID})
			}
		}
		for _, in := range into {
			before, _, _ := s.Survey(ctx, j.ID)
			p, err := s.HolesFromMap(ctx, j.ID, in, "Mara")
			if err != nil {
				t.Fatal(err)
			}
			now, _, err := s.Survey(ctx, j.ID)
			if err != nil || len(now.Follows) != len(before.Follows)+1 {
				t.Fatalf("%d patterns follow, %d did (%v)", len(now.Follows), len(before.Follows), err)
			}
			f := now.Follows[len(now.Follows)-1]
			_, all, err := s.Site(ctx, j.ID)
			if err != nil {
				t.Fatal(err)
			}
			worked := site.WorkSurvey(now, all.Brief, all.Parts, all.Frames...)
			told := worked.Follows[len(worked.Follows)-1]
			if f.Part != p.ID || f.Mirror != behind || len(f.Holes) != len(v.Maps[0].Holes) || told.Why != "" || told.Stale {
				t.Errorf("behind %v, %s: %+v\n%+v", behind, p.Name, f, told)
			}
			built, err := made.Build(p.Recipe, made.Options{})
			if err != nil {
				t.Fatal(err)
			}
			at := map[string]made.HoleMade{}
			for _, h := range built.Holes {
				at[h.ID] = h
			}
			m := worked.Maps[0]
			for i, a := range f.Holes {
				if got, want := at[a.Hole].Diameter, v.Maps[0].Holes[i].Diameter; math.Abs(got-want) > 1e-9 {
					t.Errorf("hole %d is %g across, %g was measured", i+1, got, want)
				}
				for k, b := range f.Holes[:i] {
					got := at[a.Hole].Body.Sub(at[b.Hole].Body).Len()
					if want := math.Hypot(m.Holes[i].X-m.Holes[k].X, m.Holes[i].Y-m.Holes[k].Y); math.Abs(got-want) > .03 {
						t.Errorf("holes %d and %d are %g apart, %g on the vehicle", k+1, i+1, got, want)
					}
				}
			}
			for _, x := range built.Findings {
				if in.Part == "" && x.Severity == "stop" {
					t.Errorf("the new plate is stopped: %s", x.Reason)
				}
			}
		}
		if p, err := s.HolesFromMap(ctx, j.ID, MapInto{Map: "nothing", Recipe: &recipe}, ""); err == nil {
			t.Errorf("a map that is not there made %s", p.Name)
		}
		if p, err := s.HolesFromMap(ctx, j.ID, MapInto{Map: v.Maps[0].ID, Part: parts[0].ID, Panel: "none"}, ""); err == nil {
			t.Errorf("a panel that is not there took the holes: %s", p.Name)
		}
	}
}

// A hole without a diameter and a map without its readings are refused by name; a tapped hole
// becomes one its bolt goes through.
func TestHolesFromMapRefused(t *testing.T) {
	m := vehicle.HoleMap{ID: "m", Name: "Rail", Holes: []vehicle.MapHole{{ID: "a", Diameter: 9}, {ID: "b", Thread: "M8"}}}
	told := vehicle.MapTold{Consistent: true, Holes: []vehicle.MapHoleTold{{ID: "a", Name: "1"}, {ID: "b", Name: "2", X: 120.004}}}
	holes, w, h, err := site.HolesOf(m, told, false)
	if err != nil || len(holes) != 2 || holes[1].Diameter != 9 || holes[1].X.Distance != 60 || math.Abs(w-120.004) > 1e-9 || h != 0 {
		t.Errorf("%+v %g %g %v", holes, w, h, err)
	}
	plate := site.PlateOf(sheet.Recipe{}, "p", holes, w, h)
	if plate.Base.Length != 160 || plate.Base.Width != 40 {
		t.Errorf("the plate is %g × %g", plate.Base.Length, plate.Base.Width)
	}
	for what, change := range map[string]func(*vehicle.HoleMap, *vehicle.MapTold){
		"no diameter":      func(m *vehicle.HoleMap, _ *vehicle.MapTold) { m.Holes[0].Diameter = 0 },
		"no thread":        func(m *vehicle.HoleMap, _ *vehicle.MapTold) { m.Holes[1].Thread = "J9" },
		"more distances":   func(_ *vehicle.HoleMap, t *vehicle.MapTold) { t.Why = "2 more distances are needed." },
		"contradict":       func(_ *vehicle.HoleMap, t *vehicle.MapTold) { t.Consistent = false },
		"Another map fits": func(_ *vehicle.HoleMap, t *vehicle.MapTold) { t.Alternatives = make([][][2]float64, 1) },
	} {
		bad, said := m, told
		bad.Holes = append([]vehicle.MapHole{}, m.Holes...)
		change(&bad, &said)
		if _, _, _, err := site.HolesOf(bad, said, false); err == nil || !strings.Contains(err.Error(), what) {
			t.Errorf("%s: %v", what, err)
		}
	}
}
