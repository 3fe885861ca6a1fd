package httpapi

import (
	"fmt"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"warmanvil/core/joint"
	"warmanvil/core/site"
	"warmanvil/core/strength"
	"warmanvil/core/told"
	"warmanvil/core/working"
	"warmanvil/paper"
)

func (s *server) torqueRoutes() {
	serve(s, shelf[paper.TorqueSheet]{path: "/api/v1/jobs/{id}/torque-sheet", id: "getTorqueSheet",
		summary: "What is tightened on a job, with boxes for witness marks and tightening again (PDF)",
		asks:    []*huma.Param{paperQuery}, files: []file[paper.TorqueSheet]{{form: asPDF, make: paper.TorqueSheet.PDF}}, open: s.torqueSheet})
	serve(s, shelf[paper.RatingLabel]{path: "/api/v1/jobs/{id}/rating-label", id: "getRatingLabel",
		summary: "What was proved under a duty, for what, and what was not (PDF); refused while anything under it is over or cannot be said",
		asks:    []*huma.Param{query("duty", "id of the duty"), paperQuery},
		files:   []file[paper.RatingLabel]{{form: asPDF, make: paper.RatingLabel.PDF}}, open: s.ratingLabel})
}

// ratingLabel answers what a duty was proved for.
func (s *server) ratingLabel(w want) (l paper.RatingLabel, called label, err error) {
	j, all, err := s.jobs.Site(w.ctx, w.id)
	if err != nil {
		return l, called, err
	}
	r, err := all.Rate(w.asked("duty"))
	if err != nil {
		return l, called, err
	}
	inches := j.Brief.Inches()
	l = paper.RatingLabel{Job: r.Job, Revision: j.Revision, Date: j.Updated.UTC(), Paper: w.paper, Duty: r.Duty, On: r.On,
		Rated: told.ForceText(r.Newtons, inches), Way: r.Way, School: r.School, Governs: r.Governs, Crash: r.Crash, Cautions: r.Cautions}
	if r.Newtons == 0 {
		l.Rated = "a stated acceleration"
	}
	for _, p := range r.Proved {
		l.Proved = append(l.Proved, [2]string{p.Name, fmt.Sprintf("%s %% used: %s", strength.Percent(p.Use), p.What)})
	}
	return l, label{job: j.Brief.Name, of: "rating " + r.Duty, revision: j.Revision}, nil
}

var (
	lubed = map[joint.Lubrication]string{joint.Dry: "dry", joint.Oiled: "oiled", joint.Waxed: "waxed", joint.Antiseize: "with antiseize",
		joint.Moly: "with moly grease"}
	locked = map[joint.Locking]string{joint.PlasticRing: "a plastic ring", joint.MetalLock: "an all-metal lock nut",
		joint.Liquid: "liquid lock", joint.JamNut: "a jam nut", joint.Wire: "wire"}
)

// torqueSheet answers what is tightened on a job; what is held back stands on it by name.
func (s *server) torqueSheet(w want) (sheet paper.TorqueSheet, called label, err error) {
	j, all, err := s.jobs.Site(w.ctx, w.id)
	if err != nil {
		return sheet, called, err
	}
	sheet = paper.TorqueSheet{Job: j.Brief.Name, Revision: j.Revision, Date: j.Updated.UTC(), Paper: w.paper,
		Inches: j.Brief.Inches(), Write: site.Lengths(j.Brief)}
	told := all.Hold().Joints
	held := 0
	for i, t := range told {
		if why := all.HeldBy(j.Brief.Joints[i]); why != "" {
			held++
			sheet.Joints = append(sheet.Joints, paper.TorqueJoint{Name: t.Name, Mind: []string{"Held back: " + why}})
			continue
		}
		if t.Result == nil {
			sheet.Joints = append(sheet.Joints, paper.TorqueJoint{Name: t.Name, Mind: []string{"It cannot be worked out. " + t.Why}})
			continue
		}
		design := j.Brief.Joints[i].Design
		row := paper.TorqueJoint{Name: t.Name, Lubed: lubed[design.Tighten.Lubrication], Locking: locked[design.Tighten.Locking],
			Sequence: t.Result.Sequence, Bolts: t.Holes, Keep: t.Result.Keep}
		for _, h := range t.Result.Hardware {
			row.Hardware = append(row.Hardware, h.String())
		}
		if n := len(j.Brief.Joints[i].Stands); n > 1 {
			row.Name = fmt.Sprintf("%s, %d times", row.Name, n)
			for k, st := range j.Brief.Joints[i].Stands {
				place := j.Brief.Label(j.Brief.Joints[i], st)
				if place == "" {
					place = fmt.Sprintf("place %d", k+1)
				}
				row.Places = append(row.Places, place)
			}
		}
		if t.Result.Tight != nil {
			row.Torque, row.Limited = t.Result.Tight.Torque, t.Result.Tight.Limited
		}
		for _, f := range t.Result.Findings {
			if f.Severity == working.Stop || f.Cause == "Caution" {
				row.Mind = append(row.Mind, f.Reason)
			}
		}
		sheet.Joints = append(sheet.Joints, row)
	}
	if len(sheet.Joints) == 0 {
		return sheet, called, hasNone{asFault("The job has no bolted joint yet: add one on the Hold bench.")}
	}
	called = label{job: j.Brief.Name, of: "torque sheet", revision: j.Revision}
	if held == len(sheet.Joints) {
		called.held = asFault("The torque sheet is held back: %s. Settle it in the brief, or under Make.",
			strings.TrimPrefix(sheet.Joints[0].Mind[0], "Held back: "))
	}
	return sheet, called, nil
}
