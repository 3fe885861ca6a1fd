package made

import (
	"fmt"
	"math"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// measure works out the part's figures, each with its working.
func (b *maker) measure(part *Part) {
	gross := part.Outline.Area()
	outline := part.Outline.Length()
	var holeArea, holeLength float64
	pierces := 1
	for _, h := range b.Holes {
		if h.Cut() {
			holeArea += h.Area()
			holeLength += h.Length()
			pierces++
		}
	}
	part.Area, part.CutLength, part.Pierces = gross-holeArea, outline+holeLength, pierces
	net, taken := part.Area-b.cutOff(), []string{"nominal density; holes drilled after bending are not taken off"}
	if net < part.Area {
		taken = append(taken, "the plate for the rolls is cut off")
	}
	part.Mass = net * b.Recipe.Thickness * b.Material.Density * 1e-9
	x, y := part.Bounds.Size()
	b.blank(part, "blankX", "Blank, left to right", x, false)
	b.blank(part, "blankY", "Blank, front to back", y, true)
	b.figure(part, "mass", "Mass", part.Mass, "kg", b.massText(part.Mass), working.Working{
		Method: "Mass of the blank", Source: "area times thickness times density", Formula: "m = A·T·ρ",
		Inputs: []working.Quantity{{Symbol: "A", Name: "area net of cut holes", Value: net, Unit: "mm²"},
			working.MM("T", "thickness", b.Recipe.Thickness),
			{Symbol: "ρ", Name: "density of " + b.Material.Name, Value: b.Material.Density, Unit: "kg/m³"}},
		Assumptions: taken})
	b.figure(part, "area", "Area", part.Area, "mm²", b.areaText(part.Area), working.Working{
		Method: "Area of the flat pattern", Source: "outline less cut holes, arcs exact", Formula: "A = outline − Σ holes",
		Inputs: []working.Quantity{{Symbol: "outline", Name: "outline", Value: gross, Unit: "mm²"},
			{Symbol: "holes", Name: "cut holes", Value: holeArea, Unit: "mm²"}}})
	b.figure(part, "cutLength", "Cut length", part.CutLength, "mm", "", working.Working{
		Method: "Length of cut", Source: "outline and cut holes, arcs exact", Formula: "L = outline + Σ holes",
		Inputs: []working.Quantity{working.MM("outline", "outline", outline), working.MM("holes", "cut holes", holeLength)}})
	b.figure(part, "pierces", "Pierces", float64(pierces), "", fmt.Sprint(pierces), working.Working{
		Method: "Pierces", Source: "one for the outline and one for each cut hole", Formula: "n = 1 + holes",
		Inputs: []working.Quantity{{Symbol: "holes", Name: "cut holes", Value: float64(pierces - 1)}}})
	if b.Round != nil {
		b.measureRound(part)
	}
	size := part.Body.Max.Sub(part.Body.Min)
	for i, name := range []string{"Folded, left to right", "Folded, front to back", "Folded, height"} {
		b.figure(part, fmt.Sprintf("folded%c", 'X'+i), name, size[i], "mm", "", working.Working{
			Method: "Size of the folded part", Source: "box round the outer faces", Formula: "largest − smallest coordinate",
			Inputs: []working.Quantity{working.MM("min", "smallest", part.Body.Min[i]), working.MM("max", "largest", part.Body.Max[i])}})
	}
}

func (b *maker) massText(kg float64) string {
	if b.Display.Style == quantity.Fraction || b.Display.Style == quantity.Decimal {
		return lay.TrimZeros(fmt.Sprintf("%.3g", kg/quantity.Pound)) + " lb"
	}
	return lay.TrimZeros(fmt.Sprintf("%.3g", kg)) + " kg"
}

func (b *maker) areaText(mm2 float64) string {
	if b.Display.Style != "mm" {
		return lay.TrimZeros(fmt.Sprintf("%.1f", mm2/645.16)) + " in²"
	}
	return lay.TrimZeros(fmt.Sprintf("%.1f", mm2/100)) + " cm²"
}

func (b *maker) figure(part *Part, key, name string, value float64, unit, text string, w working.Working) {
	w.Result = working.Quantity{Symbol: name, Name: name, Value: value, Unit: unit}
	f := Figure{Key: key, Name: name, Text: text, Lies: "exact", Value: value, Unit: unit, Working: b.Explain(w)}
	if unit == "mm" {
		l := b.Length(value)
		f.Text, f.Lies, f.Off = l.Text, l.Lies, l.Off
	}
	part.Figures = append(part.Figures, f)
}

func (b *maker) blank(part *Part, key, name string, value float64, vertical bool) {
	b.figure(part, key, name, value, "mm", "", b.blankWorking(vertical))
}

// blankWorking explains a blank size as the chain of flats and bend allowances
// that makes it up: the panels that reach farthest both ways.
func (b *maker) blankWorking(vertical bool) working.Working {
	if b.Round != nil {
		w := b.roundWorking()
		x, y := b.Outline.Bounds().Size()
		w.Result = working.MM("blank", "blank", x)
		if vertical {
			w.Result.Value = y
		}
		return w
	}
	w := working.Working{Method: "Blank size", Source: "flats between tangent lines plus bend allowances", Formula: "blank = Σ " +
		"flats + Σ BA"}
	low, high := b.farthest(vertical)
	if b.slanted() {
		lo, hi := low.FlatBounds().Min, high.FlatBounds().Max
		w.Source, w.Formula = "box round the flat pattern: flats between tangent lines and bend allowances", "blank = largest − smallest"
		w.Inputs = []working.Quantity{working.MM("lo", "smallest, on "+lay.Lower(low.Name), lo.X),
			working.MM("hi", "largest, on "+lay.Lower(high.Name), hi.X)}
		if vertical {
			w.Inputs[0].Value, w.Inputs[1].Value = lo.Y, hi.Y
		}
		w.Assumptions = []string{"K by school: " + string(b.School)}
		w.Result = working.MM("blank", "blank", w.Inputs[1].Value-w.Inputs[0].Value)
		return w
	}
	seen := map[*lay.Panel]bool{}
	for _, p := range append(chainOf(low), reversed(chainOf(high))...) {
		if seen[p] {
			continue
		}
		seen[p] = true
		pw, ph := p.Size()
		size := pw
		if turned := p.Pose.Ey.X*p.Pose.Ey.X > .5; vertical != turned {
			size = ph
		}
		w.Inputs = append(w.Inputs, working.MM("flat", lay.Lower(p.Name)+" between tangent lines", size))
		if p.Flange != nil && (p.Pose.Ey.Y*p.Pose.Ey.Y > .5) == vertical {
			w.Inputs = append(w.Inputs, working.MM("BA", "bend allowance of "+lay.Lower(p.Name), p.Taken.Allowance))
		}
	}
	w.Assumptions = []string{"K by school: " + string(b.School)}
	lo, hi := low.FlatBounds().Min, high.FlatBounds().Max
	w.Result = working.MM("blank", "blank", hi.X-lo.X)
	if vertical {
		w.Result.Value = hi.Y - lo.Y
	}
	return w
}

// farthest answers the panels that reach lowest and highest along one axis.
func (b *maker) farthest(vertical bool) (low, high *lay.Panel) {
	var lo, hi float64
	for i, p := range b.Panels {
		box := p.FlatBounds()
		a, c := box.Min.X, box.Max.X
		if vertical {
			a, c = box.Min.Y, box.Max.Y
		}
		if i == 0 || a < lo-sheet.Tiny {
			lo, low = a, p
		}
		if i == 0 || c > hi+sheet.Tiny {
			hi, high = c, p
		}
	}
	return low, high
}

// slanted tells whether some panel is no upright rectangle on the flat pattern.
func (b *maker) slanted() bool {
	for _, p := range b.Panels {
		if !p.Rectangular() || math.Abs(p.Pose.Ex.X*p.Pose.Ex.Y) > sheet.Tiny {
			return true
		}
	}
	return false
}

func chainOf(p *lay.Panel) (chain []*lay.Panel) {
	for ; p != nil; p = p.Parent {
		chain = append(chain, p)
	}
	return chain
}

func reversed(list []*lay.Panel) []*lay.Panel {
	out := make([]*lay.Panel, len(list))
	for i, p := range list {
		out[len(list)-1-i] = p
	}
	return out
}

// schools answers the blank under each school side by side. Each is a whole
// unfolding of its own; the outline's box needs only the panels.
func (b *maker) schools(chosen profile.Bounds) []SchoolBlank {
	cx, cy := chosen.Size()
	out := []SchoolBlank{}
	for _, s := range bend.Schools {
		row := SchoolBlank{School: s, Chosen: s == b.Recipe.Bend.School}
		other := b.Laid
		if s != b.School { // the drawn one is unfolded already
			other = b.Under(s)
		}
		if len(other.Panels) > 1 && !other.FellBack {
			box := profile.Empty()
			for _, p := range other.Panels {
				k := p.FlatBounds()
				box.Include(k.Min)
				box.Include(k.Max)
			}
			x, y := box.Size()
			lx, ly := b.Length(x), b.Length(y)
			off := x - cx
			if dy := y - cy; dy*dy > off*off {
				off = dy
			}
			lo := b.Length(off)
			row.X, row.Y, row.Off = &lx, &ly, &lo
		} else {
			row.Why = b.WhySilent(s)
		}
		out = append(out, row)
	}
	return out
}
