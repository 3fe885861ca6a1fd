package lay

import (
	"cmp"
	"fmt"
	"math"

	"warmanvil/core/sheet"
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
func (b *layer) use(h *Hole) (u used, why string) {
	r := h.Recipe
	u.cut = r.Diameter
	if r.Use == nil {
		return b.pilot(h, u), ""
	}
	switch r.Use.Kind {
	case sheet.UseTab:
		clear := SlotClearance(b.Process.Key)
		h.Tab = [2]float64{r.Use.Width + clear, OrThickness(r.Use.Thick, b.Recipe.Thickness) + clear}
		u.cut, u.says = h.Tab[1], fmt.Sprintf("for a tab of %s, %s clear", b.Len(r.Use.Width), b.Len(clear))
		return u, ""
	case sheet.UseTapped, sheet.UseWeldNut, sheet.UseRivetNut, sheet.UseCountersink:
		thread, err := stock.ThreadNamed(r.Use.Thread)
		if err != nil {
			return u, "choose its thread: " + err.Error()
		}
		if u, why = b.threaded(h, u, thread); why != "" {
			return u, why
		}
	case sheet.UseAccess:
		u = b.access(h, u)
	case sheet.UseDrain:
		u = b.drain(h, u)
	case sheet.UsePass:
		u = b.pass(h, u)
	case sheet.UseLightening:
		u = b.lightening(h, u)
	}
	if u.cut <= 0 {
		return u, "type its diameter"
	}
	return b.pilot(h, u), ""
}

// or takes a usual diameter in mm where none is typed.
func (u *used) or(mm float64) { u.cut = cmp.Or(u.cut, mm) }

// faceOf is the side that a hole's head, nut or flange is on.
func faceOf(u *sheet.Use) string {
	if u.Back {
		return "back"
	}
	return "good side"
}

// threaded works out a hole that takes a screw.
func (b *layer) threaded(h *Hole, u used, thread stock.Thread) (used, string) {
	switch h.Recipe.Use.Kind {
	case sheet.UseTapped:
		return b.tapped(h, u, thread), ""
	case sheet.UseCountersink:
		return b.countersunk(h, u, thread), ""
	}
	return b.inserted(h, u, thread)
}

func (b *layer) tapped(h *Hole, u used, thread stock.Thread) used {
	t := b.Recipe.Thickness
	u.or(thread.TapDrill)
	u.says = fmt.Sprintf("%s tapped, drill %s", thread.Name(), stock.BitText(u.cut, b.Inches()))
	if pitch := thread.PitchMM(); t < 3*pitch-sheet.Tiny {
		b.Mind("thin-thread", "Threads", h.Subject(),
			fmt.Sprintf("%s in %s has %.1f threads, and three are the least that hold (practice): weld a nut on, or set a rivet nut.",
				thread.Name(), b.Len(t), t/pitch),
			b.Fix("A weld nut", h.Path+"/use/kind", sheet.UseWeldNut, h.Path+"/diameter", 0.0),
			b.Fix("A rivet nut", h.Path+"/use/kind", sheet.UseRivetNut, h.Path+"/diameter", 0.0))
	}
	return u
}

func (b *layer) inserted(h *Hole, u used, thread stock.Thread) (used, string) {
	r, t := h.Recipe, b.Recipe.Thickness
	insert, known := stock.InsertFor(thread)
	if !known && u.cut == 0 {
		return u, fmt.Sprintf("no usual hole is known for a nut of %s: type its diameter", thread.Name())
	}
	word := "weld nut"
	if r.Use.Kind == sheet.UseRivetNut {
		u.or(insert.RivetNut)
		word = "rivet nut"
	} else {
		u.or(insert.WeldNut)
	}
	u.says = fmt.Sprintf("%s %s on the %s", thread.Name(), word, faceOf(r.Use))
	if r.Diameter == 0 {
		b.Note("insert-typical", "Threads", h.Subject(),
			fmt.Sprintf("The hole of %s for the %s %s is a typical one: measure the insert before cutting.", b.Len(u.cut), thread.Name(), word))
	}
	if r.Use.Kind == sheet.UseRivetNut && t > thread.Diameter/2+sheet.Tiny {
		b.Mind("rivet-nut-thick", "Threads", h.Subject(),
			fmt.Sprintf("%s is thick for a rivet nut of %s: look whether its grip reaches, or tap the sheet.", b.Len(t), thread.Name()))
	}
	return u, ""
}

func (b *layer) countersunk(h *Hole, u used, thread stock.Thread) used {
	r, t := h.Recipe, b.Recipe.Thickness
	u.or(thread.Clearance.Normal)
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
	u.says = fmt.Sprintf("countersunk %s × %g° for %s, %s", b.Len(head), cone, thread.Name(), faceOf(r.Use))
	at := len(b.Findings)
	switch {
	case deep > t+sheet.Tiny:
		b.Stop("countersink-deep", "Countersinks", h.Subject(),
			fmt.Sprintf("The head is %s deep and the sheet %s: it would stand proud and its hole grow. Use a smaller screw, a flat head under a "+
				"washer, or dimple the sheet.", b.Len(deep), b.Len(t)))
	case deep > 2*t/3+sheet.Tiny:
		b.Mind("countersink-thin", "Countersinks", h.Subject(),
			fmt.Sprintf("The head takes %s of %s: the edge left under it is thin and cuts into the screw. Two thirds is the usual "+
				"limit (practice).", b.Len(deep), b.Len(t)))
	}
	b.Attach(at, func() working.Working {
		return working.Working{Method: "Depth of a countersunk head", Source: "cone", Formula: "depth = (head − hole)/2 / tan(cone/2)",
			Inputs: []working.Quantity{working.MM("head", "head", head), working.MM("hole", "hole", u.cut),
				{Symbol: "cone", Name: "cone", Value: cone, Unit: "°"}, working.MM("T", "thickness", t)}, Result: working.MM("depth", "depth", deep)}
	})
	return u
}

func (b *layer) access(h *Hole, u used) used {
	r := h.Recipe
	u.or(math.Ceil(r.Use.Tool + 4)) // 2 mm all round
	u.says = fmt.Sprintf("access for a tool of %s", b.Len(r.Use.Tool))
	if u.cut < r.Use.Tool+1 {
		b.Mind("access-tight", "Access", h.Subject(),
			fmt.Sprintf("%s leaves a tool of %s under half a millimetre all round.", b.Len(u.cut), b.Len(r.Use.Tool)),
			b.Fix("Make it Ø "+b.Len(math.Ceil(r.Use.Tool+4)), h.Path+"/diameter", math.Ceil(r.Use.Tool+4)))
	}
	return u
}

func (b *layer) drain(h *Hole, u used) used {
	t := b.Recipe.Thickness
	u.or(math.Max(8, 2*t))
	u.says = "drain"
	if u.cut < 6-sheet.Tiny {
		b.Mind("drain-small", "Water", h.Subject(), fmt.Sprintf("A drain of %s clogs: 6 mm and more stays open (practice).", b.Len(u.cut)),
			b.Fix("Make it Ø 8", h.Path+"/diameter", 8.0))
	}
	return u
}

func (b *layer) pass(h *Hole, u used) used {
	r := h.Recipe
	lining := map[string]float64{"grommet": 6, "split": 3}[r.Use.Cover]
	u.or(math.Ceil(r.Use.Line + lining + 1))
	u.says = fmt.Sprintf("leads %s through", b.Len(r.Use.Line))
	switch {
	case lining == 0:
		b.Mind("pass-bare", "Lines through", h.Subject(), "A line through a bare edge chafes through: put a grommet in, or cover the edge.",
			b.Fix("A grommet", h.Path+"/use/cover", "grommet"), b.Fix("Cover the edge", h.Path+"/use/cover", "split"))
	case u.cut < r.Use.Line+lining-sheet.Tiny:
		b.Mind("pass-tight", "Lines through", h.Subject(),
			fmt.Sprintf("%s lined takes %s; %s does not go through.", b.Len(u.cut), b.Len(u.cut-lining), b.Len(r.Use.Line)))
	}
	if lining > 0 {
		u.says += ", " + map[string]string{"grommet": "grommet", "split": "edge covered"}[r.Use.Cover]
	}
	return u
}

func (b *layer) lightening(h *Hole, u used) used {
	r, t := h.Recipe, b.Recipe.Thickness
	u.says = "lightening hole"
	if height := r.Use.Height; height > 0 {
		// Hole flanging: the middle of the wall keeps its length,
		// d0 = Dm − 2·(H − 0.43·R − 0.72·T) with R = T (usual textbook formula).
		mean := r.Diameter + t
		u.pre = mean - 2*(height-.43*t-.72*t)
		u.says = fmt.Sprintf("flanged to %s inside, %s high towards the %s, from a hole of %s", b.Len(r.Diameter),
			b.Len(height), faceOf(r.Use), b.Len(u.pre))
		if u.pre < .6*r.Diameter {
			b.Stop("flange-hole-high", "Lightening holes", h.Subject(),
				fmt.Sprintf("A flange of %s would have to be drawn from a hole of %s: it splits. Lower it to %s or less.", b.Len(height), b.Len(u.pre),
					b.Len(math.Floor((mean-.6*r.Diameter)/2+1.15*t))))
		}
	}
	return u
}

// pilot makes the hole smaller that is cut where it is drilled out afterwards: a
// hot cut hardens its edge, and drilled holes are truer.
func (b *layer) pilot(h *Hole, u used) used {
	if h.Recipe.Made != sheet.MadePilot || h.Recipe.Kind != sheet.RoundHole {
		return u
	}
	u.pre = sheet.HalfUp(math.Max(b.Process.SmallestHole(b.Recipe.Thickness), .4*u.cut))
	if u.pre >= u.cut-sheet.Tiny {
		b.Mind("pilot-none", "Small holes", h.Subject(),
			fmt.Sprintf("A pilot of %s is as large as the hole: centre-mark it and drill.", b.Len(u.pre)),
			b.Fix("Centre-mark and drill it", h.Path+"/made", sheet.MadeDrilled))
		u.pre = u.cut
	}
	more := fmt.Sprintf("pilot %s, drilled out to %s", b.Len(u.pre), b.Len(u.cut))
	if u.says != "" {
		more = u.says + ", " + more
	}
	u.says = more
	return u
}
