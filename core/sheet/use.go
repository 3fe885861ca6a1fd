package sheet

import (
	"fmt"
	"math"

	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// used is what a hole's use makes of it.
type used struct {
	cut  float64 // mm, diameter of the finished hole
	pre  float64 // mm, what is cut for it, where that is less
	says string
}

// use works a hole's use out. why says what it still needs.
func (b *layer) use(h *hole) (u used, why string) {
	r, t := h.recipe, b.recipe.Thickness
	u.cut = r.Diameter
	if r.Use == nil {
		return b.pilot(h, u), ""
	}
	if r.Use.Kind == UseTab {
		clear := slotClearance(b.process.Key)
		h.tab = [2]float64{r.Use.Width + clear, orThickness(r.Use.Thick, t) + clear}
		u.cut, u.says = h.tab[1], fmt.Sprintf("for a tab of %s, %s clear", b.len(r.Use.Width), b.len(clear))
		return u, ""
	}
	thread := stock.Thread{}
	switch r.Use.Kind {
	case UseTapped, UseWeldNut, UseRivetNut, UseCountersink:
		var err error
		if thread, err = stock.ThreadNamed(r.Use.Thread); err != nil {
			return u, "choose its thread: " + err.Error()
		}
	}
	side := "good side"
	if r.Use.Back {
		side = "back"
	}
	or := func(mm float64) {
		if u.cut == 0 {
			u.cut = mm
		}
	}
	switch r.Use.Kind {
	case UseTapped:
		or(thread.TapDrill)
		u.says = fmt.Sprintf("%s tapped, drill %s", thread.Name(), b.len(u.cut))
		if pitch := thread.PitchMM(); t < 3*pitch-tiny {
			b.mind("thin-thread", "Threads", h.subject(),
				fmt.Sprintf("%s in %s has %.1f threads, and three are the least that hold (practice): weld a nut on, or set a rivet nut.",
					thread.Name(), b.len(t), t/pitch),
				b.fix("A weld nut", h.path+"/use/kind", UseWeldNut, h.path+"/diameter", 0.0),
				b.fix("A rivet nut", h.path+"/use/kind", UseRivetNut, h.path+"/diameter", 0.0))
		}
	case UseWeldNut, UseRivetNut:
		insert, known := stock.InsertFor(thread)
		if !known && u.cut == 0 {
			return u, fmt.Sprintf("no usual hole is known for a nut of %s: type its diameter", thread.Name())
		}
		word := "weld nut"
		if r.Use.Kind == UseRivetNut {
			or(insert.RivetNut)
			word = "rivet nut"
		} else {
			or(insert.WeldNut)
		}
		u.says = fmt.Sprintf("%s %s on the %s", thread.Name(), word, side)
		if r.Diameter == 0 {
			b.note("insert-typical", "Threads", h.subject(),
				fmt.Sprintf("The hole of %s for the %s %s is a typical one: measure the insert before cutting.", b.len(u.cut), thread.Name(), word))
		}
		if r.Use.Kind == UseRivetNut && t > thread.Diameter/2+tiny {
			b.mind("rivet-nut-thick", "Threads", h.subject(),
				fmt.Sprintf("%s is thick for a rivet nut of %s: look whether its grip reaches, or tap the sheet.", b.len(t), thread.Name()))
		}
	case UseCountersink:
		or(thread.Clearance.Normal)
		head, cone := r.Use.Head, r.Use.Cone
		if head == 0 {
			head = 2 * thread.Diameter
		}
		if cone == 0 {
			cone = 90
			if thread.System == stock.Inch {
				cone = 82
			}
		}
		deep := (head - u.cut) / 2 / math.Tan(cone*math.Pi/360)
		u.says = fmt.Sprintf("countersunk %s × %g° for %s, %s", b.len(head), cone, thread.Name(), side)
		at := len(b.findings)
		switch {
		case deep > t+tiny:
			b.stop("countersink-deep", "Countersinks", h.subject(),
				fmt.Sprintf("The head is %s deep and the sheet %s: it would stand proud and its hole grow. Use a smaller screw, a flat head under a "+
					"washer, or dimple the sheet.", b.len(deep), b.len(t)))
		case deep > 2*t/3+tiny:
			b.mind("countersink-thin", "Countersinks", h.subject(),
				fmt.Sprintf("The head takes %s of %s: the edge left under it is thin and cuts into the screw. Two thirds is the usual "+
					"limit (practice).", b.len(deep), b.len(t)))
		}
		b.attach(at, func() working.Working {
			return working.Working{Method: "Depth of a countersunk head", Source: "cone", Formula: "depth = (head − hole)/2 / tan(cone/2)",
				Inputs: []working.Quantity{working.MM("head", "head", head), working.MM("hole", "hole", u.cut),
					{Symbol: "cone", Name: "cone", Value: cone, Unit: "°"}, working.MM("T", "thickness", t)}, Result: working.MM("depth", "depth", deep)}
		})
	case UseAccess:
		or(math.Ceil(r.Use.Tool + 4)) // 2 mm all round
		u.says = fmt.Sprintf("access for a tool of %s", b.len(r.Use.Tool))
		if u.cut < r.Use.Tool+1 {
			b.mind("access-tight", "Access", h.subject(),
				fmt.Sprintf("%s leaves a tool of %s under half a millimetre all round.", b.len(u.cut), b.len(r.Use.Tool)),
				b.fix("Make it Ø "+b.len(math.Ceil(r.Use.Tool+4)), h.path+"/diameter", math.Ceil(r.Use.Tool+4)))
		}
	case UseDrain:
		or(math.Max(8, 2*t))
		u.says = "drain"
		if u.cut < 6-tiny {
			b.mind("drain-small", "Water", h.subject(), fmt.Sprintf("A drain of %s clogs: 6 mm and more stays open (practice).", b.len(u.cut)),
				b.fix("Make it Ø 8", h.path+"/diameter", 8.0))
		}
	case UsePass:
		lining := map[string]float64{"grommet": 6, "split": 3}[r.Use.Cover]
		or(math.Ceil(r.Use.Line + lining + 1))
		u.says = fmt.Sprintf("leads %s through", b.len(r.Use.Line))
		switch {
		case lining == 0:
			b.mind("pass-bare", "Lines through", h.subject(), "A line through a bare edge chafes through: put a grommet in, or cover the edge.",
				b.fix("A grommet", h.path+"/use/cover", "grommet"), b.fix("Cover the edge", h.path+"/use/cover", "split"))
		case u.cut < r.Use.Line+lining-tiny:
			b.mind("pass-tight", "Lines through", h.subject(),
				fmt.Sprintf("%s lined takes %s; %s does not go through.", b.len(u.cut), b.len(u.cut-lining), b.len(r.Use.Line)))
		}
		if lining > 0 {
			u.says += ", " + map[string]string{"grommet": "grommet", "split": "edge covered"}[r.Use.Cover]
		}
	case UseLightening:
		u.says = "lightening hole"
		if height := r.Use.Height; height > 0 {
			// Hole flanging: the middle of the wall keeps its length,
			// d0 = Dm − 2·(H − 0.43·R − 0.72·T) with R = T (usual textbook formula).
			mean := r.Diameter + t
			u.pre = mean - 2*(height-.43*t-.72*t)
			u.says = fmt.Sprintf("flanged to %s inside, %s high towards the %s, from a hole of %s", b.len(r.Diameter),
				b.len(height), side, b.len(u.pre))
			if u.pre < .6*r.Diameter {
				b.stop("flange-hole-high", "Lightening holes", h.subject(),
					fmt.Sprintf("A flange of %s would have to be drawn from a hole of %s: it splits. Lower it to %s or less.", b.len(height), b.len(u.pre),
						b.len(math.Floor((mean-.6*r.Diameter)/2+1.15*t))))
			}
		}
	}
	if u.cut <= 0 {
		return u, "type its diameter"
	}
	return b.pilot(h, u), ""
}

// pilot makes the hole smaller that is cut where it is drilled out afterwards: a
// hot cut hardens its edge, and drilled holes are truer.
func (b *layer) pilot(h *hole, u used) used {
	if h.recipe.Made != MadePilot || h.recipe.Kind != RoundHole {
		return u
	}
	u.pre = ceil(math.Max(b.process.SmallestHole(b.recipe.Thickness), .4*u.cut))
	if u.pre >= u.cut-tiny {
		b.mind("pilot-none", "Small holes", h.subject(),
			fmt.Sprintf("A pilot of %s is as large as the hole: centre-mark it and drill.", b.len(u.pre)),
			b.fix("Centre-mark and drill it", h.path+"/made", MadeDrilled))
		u.pre = u.cut
	}
	more := fmt.Sprintf("pilot %s, drilled out to %s", b.len(u.pre), b.len(u.cut))
	if u.says != "" {
		more = u.says + ", " + more
	}
	u.says = more
	return u
}
