// Package shape works out what a frame's members are once they meet: points and
// copies laid out, ends cut, corners folded or bent, plates set, pieces with their
// surfaces, mass and what runs into what. Lengths in mm, angles in degrees, masses in kg.
package shape

import (
	"fmt"
	"math"

	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Built is a frame with everything that follows from its shape.
type Built struct {
	Joints   []Joint           `json:"joints" doc:"points as they lie, copies after those they were made from"`
	Pieces   []Piece           `json:"pieces" doc:"members as they are cut"`
	Formed   []Formed          `json:"formed,omitempty" doc:"pieces of several members, folded or bent"`
	Plates   []PlateAt         `json:"plates"`
	Mass     float64           `json:"mass" doc:"kg, members and plates"`
	Gravity  solid.Vector      `json:"gravity" doc:"mm, centre of gravity"`
	Min      solid.Vector      `json:"min"`
	Max      solid.Vector      `json:"max"`
	Findings []working.Finding `json:"findings"`

	Laid  *laid
	Runs  []*Run
	Steel stock.Material
}

// Piece is a member as it is cut.
type Piece struct {
	ID       string        `json:"id"`
	Of       string        `json:"of,omitempty" doc:"id of the member it is a copy of"`
	Name     string        `json:"name"`
	Stock    string        `json:"stock" doc:"name of its section"`
	Why      string        `json:"why,omitempty" doc:"why it cannot be shown"`
	Length   float64       `json:"length" doc:"mm, from long point to long point, trim allowance left out"`
	Short    float64       `json:"short" doc:"mm, between the short points"`
	Middle   float64       `json:"middle" doc:"mm, along its middle"`
	Faces    [4]float64    `json:"faces" doc:"mm along the middle of top, bottom, left, right"`
	Starts   [4]float64    `json:"starts" doc:"mm from the first long point to where each face starts"`
	Between  float64       `json:"between" doc:"mm, point to point"`
	Trim     float64       `json:"trim,omitempty" doc:"mm left on"`
	Ends     [2]Cut        `json:"ends"`
	Mass     float64       `json:"mass" doc:"kg"`
	Paint    float64       `json:"paint" doc:"m² outside"`
	From     solid.Vector  `json:"from" doc:"mm, middle of its first end"`
	To       solid.Vector  `json:"to"`
	Axes     Axes          `json:"axes"`
	Mesh     Mesh          `json:"mesh"`
	Mirrored bool          `json:"mirrored,omitempty"`
	Section  section.Sizes `json:"section"`
	Holes    []string      `json:"holes,omitempty" doc:"vent and drain holes in words"`
	Splice   *SpliceTold   `json:"splice,omitempty"`
	Turned   [2][2]float64 // mitre and tilt of each end, for pieces alike
	first    solid.Vector  // where t = 0 lies on the centroid's line
	bounds   [2][2]float64 // least and largest t at each end
	outline  [][2]float64
	Props    section.Properties
	elbows   []elbow // bends that go with it
}

// elbow is the mass of a bend and its middle.
type elbow struct {
	mass float64
	at   solid.Vector
}

// Cut is one end of a piece.
type Cut struct {
	Kind   member.EndKind `json:"kind" enum:"square,mitre,butt,flush,saddle,fold,bend"`
	Onto   string         `json:"onto,omitempty" doc:"name of what it meets"`
	Cut    float64        `json:"cut" doc:"degrees from the axis; 90 is square"`
	Saw    float64        `json:"saw" doc:"degrees on the saw's scale, 0 is square"`
	Tilt   float64        `json:"tilt" doc:"degrees the blade tilts besides; 0 unless compound"`
	Lies   string         `json:"lies" doc:"side the piece lies on in the saw"`
	Long   string         `json:"long,omitempty" doc:"side of the long point"`
	Slant  float64        `json:"slant" doc:"mm from short point to long point"`
	Gap    float64        `json:"gap" doc:"mm left at the widest"`
	Filler string         `json:"filler,omitempty" doc:"what the gap asks of the weld"`
	Wrap   []float64      `json:"wrap,omitempty" doc:"mm, cut depth every 10° round a round tube from the section's right side towards its top, outer surface, above the lowest"`
	Hole   *HoleSaw       `json:"hole,omitempty"`
	Folded *Folded        `json:"folded,omitempty" doc:"the same corner in one piece, notched and folded"`
}

// HoleSaw is a saddle cut with a hole saw.
type HoleSaw struct {
	Diameter float64 `json:"diameter" doc:"mm, of the tube it sits on"`
	Angle    float64 `json:"angle" doc:"degrees between the axes"`
	Offset   float64 `json:"offset" doc:"mm of the saw's axis sideways from the member's"`
}

// Mesh is what is drawn of a member.
type Mesh struct {
	Corners   []solid.Vector   `json:"corners"`
	Triangles [][3]int         `json:"triangles"`
	Edges     [][]solid.Vector `json:"edges"`
}

// SpliceTold is a splice as it lies.
type SpliceTold struct {
	Kind string  `json:"kind"`
	At   float64 `json:"at" doc:"mm from the first long point"`
	Long float64 `json:"long" doc:"mm"`
	Says string  `json:"says"`
}

// Build works a frame out. What cannot be said of one member is told with it;
// the rest stands.
func Build(d member.Doc, surveyed Surveyed) *Built {
	if surveyed == nil {
		surveyed = func(string) (solid.Vector, string) { return solid.Vector{}, "There is no survey here." }
	}
	l := lay(d, surveyed)
	b := &Built{Laid: l, Joints: l.Joints, Pieces: []Piece{}, Plates: []PlateAt{}, Findings: l.findings}
	m, err := stock.MaterialByKey(d.Material)
	if err != nil {
		m, _ = stock.MaterialByKey("steel-unknown")
		b.say("material", working.Stop, "", "Choose a material: "+err.Error()+" Steel of a grade nobody knows is counted until then.")
	} else if !m.Known() {
		b.say("grade-unknown", working.Mind, "", m.Caution)
	}
	b.Steel = m
	runs := map[string]*Run{}
	for _, x := range l.members {
		x.Section.Density = m.Density
		r := l.place(x)
		b.Runs = append(b.Runs, r)
		runs[x.ID] = r
	}
	b.setBack(d)
	b.corners()
	limit := d.Saw.SawLimit
	if limit == 0 {
		limit = member.SawTurns
	}
	for _, r := range b.Runs {
		p := Piece{ID: r.ID, Of: l.of[r.ID], Name: r.Named(), Stock: r.Stock, Why: r.why, Section: r.Section,
			Mirrored: l.mirrored[r.ID], Trim: r.Trim}
		if p.Stock == "" {
			p.Stock = Words(r.Section)
		}
		if r.why == "" {
			for e := range 2 {
				err := error(nil)
				if r.Formed[e] != nil {
					err = l.formedCut(r, e, b.Runs)
				} else {
					err = l.cut(r, e, runs)
				}
				if err != nil {
					b.say("end", working.Stop, r.ID, fmt.Sprintf("%s, %s end: %v. It is shown cut square.", r.Named(),
						[2]string{"first", "second"}[e], err))
				}
			}
			b.piece(r, &p, runs, limit)
		}
		if p.Why != "" {
			b.say("member", working.Stop, r.ID, r.Named()+": "+p.Why)
		}
		b.Pieces = append(b.Pieces, p)
	}
	b.chain()
	b.plates(d)
	b.weigh()
	b.crossings()
	b.overlaps()
	b.asides(d)
	return b
}

func (b *Built) say(code string, severity working.Severity, feature, reason string) {
	b.Findings = append(b.Findings, working.Finding{Code: code, Severity: severity, Cause: "Points and members",
		Feature: feature, Reason: reason})
}

func (r *Run) Named() string {
	if r.Name == "" {
		return "a member without a name"
	}
	return r.Name
}

// asides marks what was set aside.
func (b *Built) asides(d member.Doc) {
	for i := range b.Findings {
		f := &b.Findings[i]
		for _, a := range d.Asides {
			if a.Code == f.Code && a.Feature == f.Feature {
				f.SetAside = a.Reason
			}
		}
	}
}

// piece cuts a member.
func (b *Built) piece(r *Run, p *Piece, runs map[string]*Run, limit float64) {
	p.Axes, p.first, p.Between, p.outline, p.Props = r.Axes, r.Start, r.Length, r.Outer, r.Props
	ts := [2][]float64{}
	for e := range 2 {
		for _, q := range r.Outer {
			t, ok := r.meets(r.cuts[e], e, q)
			if !ok {
				p.Why = "its cut runs along it; cut it square, or move the points"
				return
			}
			ts[e] = append(ts[e], t)
		}
		p.bounds[e] = Bounds(ts[e])
	}
	for i := range r.Outer {
		if ts[1][i] <= ts[0][i] {
			p.Why = "its ends overlap: the cuts and set-backs leave nothing of it"
			if f := r.Formed; f[0] != nil && f[0].Kind == member.Bent || f[1] != nil && f[1].Kind == member.Bent {
				p.Why = "it is shorter than its bends take: move its points apart, or bend to a smaller radius"
			}
			return
		}
	}
	p.Length, p.Short = p.bounds[1][1]-p.bounds[0][0], p.bounds[1][0]-p.bounds[0][1]
	at := func(x, y float64) float64 {
		lo, _ := r.meets(r.cuts[0], 0, [2]float64{x, y})
		hi, _ := r.meets(r.cuts[1], 1, [2]float64{x, y})
		return hi - lo
	}
	c := r.Box
	mx, my := (c.Left+c.Right)/2, (c.Bottom+c.Top)/2
	p.Faces = [4]float64{at(mx, c.Top), at(mx, c.Bottom), at(c.Left, my), at(c.Right, my)}
	for i, q := range [4][2]float64{{mx, c.Top}, {mx, c.Bottom}, {c.Left, my}, {c.Right, my}} {
		t, _ := r.meets(r.cuts[0], 0, q)
		p.Starts[i] = t - p.bounds[0][0]
	}
	lo, _ := r.meets(r.cuts[0], 0, [2]float64{})
	hi, _ := r.meets(r.cuts[1], 1, [2]float64{})
	p.Middle = hi - lo
	p.From, p.To = r.Start.Add(r.Axes.X.Mul(lo)), r.Start.Add(r.Axes.X.Mul(hi))
	p.Mass = r.Props.Area * mean(ts) * b.Steel.Density * 1e-9
	p.Paint = r.Props.PaintPerMetre * p.Middle / 1000
	if r.cuts[0].radius == 0 && r.cuts[1].radius == 0 {
		p.Mass = r.Props.Area * p.Middle * b.Steel.Density * 1e-9 // exact between planes
	}
	for e := range 2 {
		p.Ends[e] = r.told(e, ts[e], p, limit, b)
		if o := runs[r.cuts[e].onto]; o != nil && r.cuts[e].kind != member.Square {
			p.Ends[e].Onto = o.Named()
			if r.Formed[e] == nil {
				p.Ends[e].Folded = r.folded(o, e, p.Ends[e])
			}
		}
	}
	if member.Closed(r.Section) && r.Drain {
		p.Holes = drains(r)
	}
	p.Mesh = r.mesh(ts)
	for e, f := range r.Formed {
		if f == nil || f.Kind != member.Bent || b.Runs[f.other].Formed[f.far].first {
			continue
		}
		f.first = true // the bend goes with the first of its two members
		long, middle := r.elbow(e, &p.Mesh)
		m := r.Props.Area * long * b.Steel.Density * 1e-9
		p.Mass += m
		p.Paint += r.Props.PaintPerMetre * long / 1000
		p.elbows = append(p.elbows, elbow{m, middle})
	}
	b.splice(r, p)
}

func mean(ts [2][]float64) (m float64) {
	for i := range ts[0] {
		m += (ts[1][i] - ts[0][i]) / float64(len(ts[0]))
	}
	return m
}

func Bounds(v []float64) [2]float64 {
	lo, hi := math.Inf(1), math.Inf(-1)
	for _, x := range v {
		lo, hi = math.Min(lo, x), math.Max(hi, x)
	}
	return [2]float64{lo, hi}
}

// weigh sums masses and finds the centre of gravity.
func (b *Built) weigh() {
	b.Min, b.Max = solid.Vector{math.Inf(1), math.Inf(1), math.Inf(1)}, solid.Vector{math.Inf(-1), math.Inf(-1), math.Inf(-1)}
	any := false
	for _, p := range b.Pieces {
		if p.Why != "" {
			continue
		}
		any = true
		b.Mass += p.Mass
		straight := p.Mass
		for _, e := range p.elbows {
			straight -= e.mass
			b.Gravity = b.Gravity.Add(e.at.Mul(e.mass))
		}
		b.Gravity = b.Gravity.Add(p.From.Add(p.To).Mul(straight / 2))
		for _, v := range p.Mesh.Corners {
			for k := range 3 {
				b.Min[k], b.Max[k] = math.Min(b.Min[k], v[k]), math.Max(b.Max[k], v[k])
			}
		}
	}
	for _, p := range b.Plates {
		b.Mass += p.Mass
		b.Gravity = b.Gravity.Add(p.At.Mul(p.Mass))
		any = true
		for _, v := range p.Mesh.Corners {
			for k := range 3 {
				b.Min[k], b.Max[k] = math.Min(b.Min[k], v[k]), math.Max(b.Max[k], v[k])
			}
		}
	}
	if b.Mass > 0 {
		b.Gravity = b.Gravity.Mul(1 / b.Mass)
	}
	if !any {
		b.Min, b.Max = solid.Vector{}, solid.Vector{}
	}
}

// Words names a section that is not from the table.
func Words(s section.Sizes) string {
	switch s.Kind {
	case "rectTube":
		return fmt.Sprintf("%.4g × %.4g × %.3g tube", s.Width, s.Height, s.Wall)
	case "roundTube":
		return fmt.Sprintf("Ø %.4g × %.3g tube", s.Diameter, s.Wall)
	case "roundBar":
		return fmt.Sprintf("round %.4g", s.Diameter)
	case "flatBar":
		return fmt.Sprintf("flat %.4g × %.4g", s.Width, s.Height)
	case "angle":
		return fmt.Sprintf("L %.4g × %.4g × %.3g", s.LegVertical, s.LegHorizontal, s.Thickness)
	case "channel":
		return fmt.Sprintf("C %.4g × %.4g × %.3g", s.Depth, s.FlangeWidth, s.Web)
	}
	return "no section"
}
