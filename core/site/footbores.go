package site

import (
	"fmt"

	"warmanvil/core/brief"
	"warmanvil/core/joint"
	"warmanvil/core/stock"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// footBores says when the bolts of a joint do not go through the holes in the feet of the device it
// holds, or rattle in them: more than a free clearance is washers or another bolt.
func (s *site) footBores(j brief.Joint, in joint.Input) (out []working.Finding) {
	thread, err := stock.FindThread(in.System, in.Size, in.Pitch)
	if err != nil {
		return nil
	}
	p := told.Pen{Display: s.Brief.Display()}
	for _, side := range j.Sides {
		d, known := s.Brief.Device(side.Of)
		if side.Kind != brief.DeviceSide || !known {
			continue
		}
		small, wide := false, false // one foot says it for those alike
		for i, f := range d.Feet {
			switch {
			case f.Bore == 0:
			case !small && thread.Diameter > f.Bore+1e-9:
				small = true
				out = append(out, working.Finding{Code: "foot-bore", Severity: working.Stop, Cause: "Feet", Name: d.Named(),
					Reason: fmt.Sprintf("%s is %s thick and the hole in foot %d of %s is %s: it does not go through. Take a smaller "+
						"bolt, or drill the foot "+
						"where its maker allows it.", thread.Name(), p.MM(thread.Diameter), i+1, d.Named(), p.MM(f.Bore))})
			case !wide && f.Bore > thread.Clearance.Loose+1e-9 && thread.Clearance.Loose > 0:
				wide = true
				out = append(out, working.Finding{Code: "foot-bore-wide", Severity: working.Mind, Cause: "Feet", Name: d.Named(),
					Reason: fmt.Sprintf("The hole in foot %d of %s is %s, wider than a free hole for %s: a thick washer over it, a "+
						"sleeve in it, or a larger "+
						"bolt.", i+1, d.Named(), p.MM(f.Bore), thread.Name())})
			}
		}
	}
	return out
}
