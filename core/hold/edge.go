package hold

import (
	"math"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/working"
)

// moreEdge gives holes that stand nearer to an edge than two bolts' diameters more of
// it: those that count from that edge move in, or the panel grows past them.
func moreEdge(r sheet.Recipe, part made.Part, m Mount, opt made.Options) (list []change) {
	p, err := lay(&part, m)
	if err != nil {
		return nil
	}
	lack := 0.
	for i, h := range p.holes {
		lack = math.Max(lack, 2*p.bolt.Thread.Diameter-h.Diameter/2-p.clear[i])
	}
	grain := grainOf(opt)
	if lack = math.Ceil(lack/grain) * grain; lack <= 0 {
		return nil
	}
	in := change{label: "Holes " + written(lack, opt) + " farther in from the edge", mount: m}
	each(r, m.Fasten, func(path string, h sheet.Hole) {
		for i, o := range [2]sheet.Offset{h.X, h.Y} {
			if o.Distance > 0 && o.Distance < 2*p.bolt.Thread.Diameter+lack && o.Feature == "" && o.Edge != "middle" {
				in.edits = append(in.edits, working.Edit{Path: path + [2]string{"/x", "/y"}[i] + "/distance", Value: o.Distance + lack})
			}
		}
	})
	if len(in.edits) > 0 {
		list = append(list, in)
	}
	grown := func(path string, was float64) {
		if was > 0 {
			list = append(list, change{label: p.panel.Name + " " + written(lack, opt) + " longer past its holes", mount: m,
				edits: []working.Edit{{Path: path, Value: was + lack}}})
		}
	}
	if p.panel.ID == r.Base.ID {
		if r.Base.Shape == nil {
			grown("/base/length", r.Base.Length)
			grown("/base/width", r.Base.Width)
		}
		return list
	}
	flanges(r, func(path string, f sheet.Flange) {
		if f.ID == p.panel.ID {
			grown(path+"/length", f.Length)
			grown(path+"/width", f.Width)
		}
	})
	return list
}
