package site

import (
	"context"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/effort"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/flags"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
	"warmanvil/core/stock"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// CutRoute is one way to cut a part's blank.
type CutRoute struct {
	Process string   `json:"process" doc:"key of the process table"`
	Name    string   `json:"name"`
	Now     bool     `json:"now,omitempty"`
	Machine string   `json:"machine" doc:"what takes it, and where it stands; empty where nothing there does"`
	Usual   bool     `json:"usual,omitempty" doc:"the Shop names none of its sort: a usual one is taken"`
	Outside bool     `json:"outside,omitempty" doc:"it is cut outside"`
	Kerf    string   `json:"kerf"`
	Within  string   `json:"within" doc:"how true an edge comes out"`
	Hole    string   `json:"hole" doc:"smallest hole that comes out round"`
	Own     bool     `json:"own,omitempty" doc:"kerf or hole are the Shop's own"`
	Minutes *float64 `json:"minutes,omitempty" doc:"cutting one here by the rate of the Shop or a usual one, set-up left out; left out where it is cut outside"`
	Stops   []string `json:"stops" doc:"flags that say do not cut"`
	Minds   []string `json:"minds" doc:"of cutting alone: what other ways say too is left out"`
}

// CutRoutes answers every way to cut a part side by side: what takes it, how true it comes out, what
// it brings. It fails with *working.Fault where the recipe is none, or with the context's error.
func CutRoutes(until context.Context, b brief.Brief, w shop.Shop, r sheet.Recipe) ([]CutRoute, error) {
	if err := working.Under("/recipe", r.Validate()); err != nil {
		return nil, err
	}
	p := told.Pen{Display: b.Display()}
	out := make([]CutRoute, len(stock.Processes))
	var minds [][]working.Finding
	for i, process := range stock.Processes {
		next := r
		next.Process = process.Key
		next = w.Fill(next)
		c := CutRoute{Process: process.Key, Name: process.Name, Now: process.Key == r.Process, Stops: []string{}, Minds: []string{}}
		if own := next.Cuts; own != nil {
			process, c.Own = *own, true
		}
		c.Kerf, c.Within, c.Hole = p.Fine(process.Kerf), p.Fine(process.Within), p.Fine(process.SmallestHole(r.Thickness))
		opt := PartOptions(b, w, Part{Recipe: next, Quantity: 1}, nil)
		opt.Until = until
		built, err := made.Build(next, opt)
		if until.Err() != nil {
			return nil, until.Err()
		}
		if err != nil {
			c.Stops = append(c.Stops, b.Refused(err))
			out[i], minds = c, append(minds, nil)
			continue
		}
		c.table(opt.Machines, built, next, w)
		var list []working.Finding
		for _, f := range built.Findings {
			switch {
			case f.SetAside != "":
			case f.Severity == working.Stop:
				c.Stops = append(c.Stops, f.Reason)
			case f.Severity == working.Mind:
				list = append(list, f)
			}
		}
		out[i], minds = c, append(minds, list)
	}
	for i := range out {
		for _, f := range minds[i] {
			every := true
			for k := range out {
				same := false
				for _, g := range minds[k] {
					same = same || g.Code == f.Code && g.Feature == f.Feature
				}
				every = every && same
			}
			if !every {
				out[i].Minds = append(out[i].Minds, f.Reason)
			}
		}
	}
	return out, nil
}

// table says which of the tables a blank goes on, and how long cutting takes there.
func (c *CutRoute) table(m flags.Machines, built made.Part, r sheet.Recipe, w shop.Shop) {
	x, y := built.Bounds.Size()
	if t := m.Cutter(x, y, r.Thickness); t != nil {
		c.Machine, c.Usual = t.Name, !t.Named
		if t.Where != "" {
			c.Machine += " (" + t.Where + ")"
		}
		c.Outside = strings.HasPrefix(t.Where, "outside")
	}
	if c.Machine == "" || c.Outside {
		return
	}
	if e, err := effort.Add([]effort.Work{{Op: effort.Cutting, Many: built.CutLength / 1000}}, w.Rates); err == nil {
		c.Minutes = &e.Minutes
	}
}
