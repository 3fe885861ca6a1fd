package httpapi_test

import (
	"context"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/joint"
	"warmanvil/core/load"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
	"warmanvil/core/site"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// stopsIn counts the stops a job's path and joints say.
func stopsIn(h site.Holding) (n int) {
	count := func(list []working.Finding) {
		for _, f := range list {
			if f.Severity == working.Stop {
				n++
			}
		}
	}
	count(h.Path.Findings)
	for _, j := range h.Joints {
		if j.Result != nil {
			count(j.Result.Findings)
		}
	}
	return n
}

// Everything the demo jobs offer, as they are, on thin sheet over rough roads and four
// times as heavy off the road, is taken: a fix of a part
// clears its flag and brings neither stop nor caution; a change of a bracket or joint
// gives what it says, makes nothing else of the job worse and brings no stop.
func TestEveryOfferOfTheDemos(t *testing.T) {
	c := start(t)
	c.demo()
	jobs, err := c.jobs.Jobs(t.Context(), false)
	if err != nil || len(jobs) < 3 {
		t.Fatal(len(jobs), err)
	}
	fixes, brackets, joints := 0, 0, 0
	for _, j := range jobs {
		for _, use := range []load.Use{load.Smooth, load.Rough, load.OffRoad} {
			_, all, err := c.jobs.Site(t.Context(), j.ID)
			if err != nil {
				t.Fatal(err)
			}
			all.Brief.Use = use
			all.Brief.Road = nil
			if use == load.Rough { // on thin sheet: what the vehicle gives is the first to go
				for i, x := range all.Brief.Joints {
					for k, side := range x.Sides {
						if side.Kind == brief.VehicleSide || side.Kind == brief.DeviceSide {
							x.Design.Plies = append([]joint.Ply{}, x.Design.Plies...)
							x.Design.Plies[k].Thickness = .4
							all.Brief.Joints[i] = x
						}
					}
				}
			}
			if use == load.OffRoad { // and what is carried is a good deal heavier than anybody said
				for i, d := range all.Brief.Devices {
					if d.Mass != nil {
						all.Brief.Devices[i].Mass = &brief.Given{Value: 4 * d.Mass.Value, Trust: d.Mass.Trust}
					}
				}
			}
			before := all.Hold()
			for k, m := range all.Brief.Mounts {
				offers, err := all.Suggest(m.ID)
				if err != nil {
					t.Fatal(err)
				}
				for _, s := range offers {
					brackets++
					next := all
					next.Brief.Mounts = append([]brief.Mount{}, all.Brief.Mounts...)
					next.Brief.Mounts[k].Hold = s.Mount
					next.Parts = append([]site.BuiltPart{}, all.Parts...)
					for i, p := range next.Parts {
						if p.ID == m.Part {
							recipe, err := sheet.ApplyEdits(p.Recipe, s.Edits)
							if err != nil {
								t.Fatal(err)
							}
							p.Recipe = recipe
							next.Parts[i] = site.BuildParts(context.Background(), []site.Part{p.Part}, all.Brief, shop.Shop{})[0]
						}
					}
					after := next.Hold()
					if got := after.Mounts[k].Result; got.Verdict != s.Verdict || *got.Hardest > *s.Utilisation+1e-9 {
						t.Errorf("%s, %s, %s: promised %s, is %s", j.Brief.Name, use, s.Label, s.Verdict, got.Verdict)
					}
					for i, x := range after.Mounts {
						if strength.Worse(x.Verdict, before.Mounts[i].Verdict) {
							t.Errorf("%s, %s, %s makes %s %s", j.Brief.Name, use, s.Label, x.Mount.Name, x.Verdict)
						}
					}
					if n := stopsIn(after); n > stopsIn(before) {
						t.Errorf("%s, %s, %s brings %d stops", j.Brief.Name, use, s.Label, n-stopsIn(before))
					}
				}
			}
			for k, told := range before.Joints {
				for _, s := range told.Suggestions {
					joints++
					next := all
					next.Brief.Joints = append([]brief.Joint{}, all.Brief.Joints...)
					next.Brief.Joints[k].Design = s.Input
					after := next.Hold()
					got := after.Joints[k].Result
					if got == nil || got.Hardest == nil || *got.Hardest > *s.Hardest+1e-6 {
						t.Errorf("%s, %s, %s: promised %.3f, is %+v %s", j.Brief.Name, use, s.Text, *s.Hardest, got, after.Joints[k].Why)
						continue
					}
					if n := stopsIn(after); n > stopsIn(before) {
						t.Errorf("%s, %s, %s brings %d stops", j.Brief.Name, use, s.Text, n-stopsIn(before))
					}
				}
			}
			if use != load.Smooth {
				continue
			}
			for _, p := range all.Parts {
				opt := all.Brief.BuildOptions()
				opt.Proved = true
				built, err := made.Build(p.Recipe, opt)
				if err != nil {
					t.Fatal(err)
				}
				had := map[string]bool{}
				for _, f := range built.Findings {
					had[f.Code+f.Feature] = true
				}
				for _, f := range built.Findings {
					for _, x := range f.Fixes {
						fixes++
						next, err := sheet.ApplyEdits(p.Recipe, x.Edits)
						if err != nil {
							t.Fatal(err)
						}
						opt.Proved = false
						now, err := made.Build(next, opt)
						if err != nil {
							t.Fatal(err)
						}
						for _, g := range now.Findings {
							if g.Code == f.Code && g.Feature == f.Feature || g.Severity != working.Note && !had[g.Code+g.Feature] {
								t.Errorf("%s, %s: after %s there is %s", p.Name, f.Code, x.Label, g.Reason)
							}
						}
					}
				}
			}
		}
	}
	t.Logf("%d fixes, %d changes of brackets, %d of joints", fixes, brackets, joints)
	if fixes == 0 || brackets == 0 || joints == 0 {
		t.Errorf("%d fixes, %d changes of brackets, %d of joints were taken", fixes, brackets, joints)
	}
}
