package httpapi

import (
	"fmt"
	"math"
	"net/http"
	"strconv"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"
	"github.com/google/uuid"

	"warmanvil/core/brief"
	"warmanvil/core/joint"
	"warmanvil/core/site"
	"warmanvil/core/told"
	"warmanvil/core/working"
	"warmanvil/job"
	"warmanvil/paper"
)

func (s *server) torqueRoutes() {
	s.download(huma.Operation{OperationID: "getTorqueSheet", Path: "/api/v1/jobs/{id}/torque-sheet", Summary: "What is tightened on a job, with boxes for witness marks and tightening again (PDF)",
		Parameters: []*huma.Param{idParam, query("paper", "of the sheet", "a4", "letter")}}, s.torqueSheet)
	s.download(huma.Operation{OperationID: "getRatingLabel", Path: "/api/v1/jobs/{id}/rating-label", Summary: "What was proved under a duty, for what, and what was not (PDF); refused while anything under it is over or cannot be said",
		Parameters: []*huma.Param{idParam, query("duty", "id of the duty"), query("paper", "of the label", "a4", "letter")}}, s.ratingLabel)
}

// ratingLabel prints what a duty was proved for.
func (s *server) ratingLabel(c *gin.Context) error {
	id := c.Param("id")
	if _, err := uuid.Parse(id); err != nil {
		return job.ErrNotFound
	}
	j, all, err := s.jobs.Site(c.Request.Context(), id)
	if err != nil {
		return err
	}
	r, err := all.Rate(c.Query("duty"))
	if err != nil {
		return err
	}
	inches := j.Brief.Unit != brief.UnitMM
	label := paper.RatingLabel{Job: r.Job, Revision: j.Revision, Date: j.Updated.UTC(), Paper: paper.A4, Duty: r.Duty, On: r.On, Rated: told.ForceText(r.Newtons, inches), Way: r.Way, School: r.School, Governs: r.Governs, Crash: r.Crash, Cautions: r.Cautions}
	if r.Newtons == 0 {
		label.Rated = "a stated acceleration"
	}
	if c.Query("paper") == "letter" {
		label.Paper = paper.Letter
	}
	for _, p := range r.Proved {
		label.Proved = append(label.Proved, [2]string{p.Name, fmt.Sprintf("%.0f %% used: %s", math.Ceil(100*p.Use), p.What)})
	}
	raw, err := label.PDF()
	if err != nil {
		return err
	}
	c.Header("Content-Disposition", `attachment; filename="`+site.FileName(j.Brief.Name, "rating "+r.Duty, "", "r"+strconv.Itoa(j.Revision), "pdf")+`"`)
	c.Data(http.StatusOK, "application/pdf", raw)
	return nil
}

var (
	lubed  = map[joint.Lubrication]string{joint.Dry: "dry", joint.Oiled: "oiled", joint.Waxed: "waxed", joint.Antiseize: "with antiseize", joint.Moly: "with moly grease"}
	locked = map[joint.Locking]string{joint.PlasticRing: "a plastic ring", joint.MetalLock: "an all-metal lock nut", joint.Liquid: "liquid lock", joint.JamNut: "a jam nut", joint.Wire: "wire"}
)

func (s *server) torqueSheet(c *gin.Context) error {
	id := c.Param("id")
	if _, err := uuid.Parse(id); err != nil {
		return job.ErrNotFound
	}
	j, all, err := s.jobs.Site(c.Request.Context(), id)
	if err != nil {
		return err
	}
	sheet := paper.TorqueSheet{Job: j.Brief.Name, Revision: j.Revision, Date: j.Updated.UTC(), Paper: paper.A4, Inches: j.Brief.Unit != brief.UnitMM, Write: site.Lengths(j.Brief)}
	if c.Query("paper") == "letter" {
		sheet.Paper = paper.Letter
	}
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
		row := paper.TorqueJoint{Name: t.Name, Lubed: lubed[design.Tighten.Lubrication], Locking: locked[design.Tighten.Locking], Sequence: t.Result.Sequence, Bolts: t.Holes, Keep: t.Result.Keep}
		for _, h := range t.Result.Hardware {
			row.Hardware = append(row.Hardware, h.String())
		}
		if n := len(j.Brief.Joints[i].Stands); n > 1 {
			row.Name = fmt.Sprintf("%s, %d times", row.Name, n)
			for k, st := range j.Brief.Joints[i].Stands {
				place := st.Label()
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
		return asFault("The job has no bolted joint yet: add one on the Hold bench.")
	}
	if held == len(sheet.Joints) {
		return asFault("The torque sheet is held back: %s. Settle it in the brief, or under Make.", strings.TrimPrefix(sheet.Joints[0].Mind[0], "Held back: "))
	}
	raw, err := sheet.PDF()
	if err != nil {
		return err
	}
	c.Header("Content-Disposition", `attachment; filename="`+site.FileName(j.Brief.Name, "torque sheet", "", "r"+strconv.Itoa(j.Revision), "pdf")+`"`)
	c.Data(http.StatusOK, "application/pdf", raw)
	return nil
}
