package sheet

import (
	"math"
	"strconv"
	"strings"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

const tiny = 1e-6

type builder struct {
	recipe      Recipe
	flanges     []Flange // the base's, hems and rolls as the bends they are
	opt         Options
	material    stock.Material
	process     stock.Process
	rule        bend.Prepared
	school      bend.School // the one drawn; differs while schools are compared
	known       []known
	written     map[float64]Length
	limit       *working.Working // of the smallest radius, as told last
	limitRadius float64
	fellBack    bool
	bare        bool     // only the flat places are wanted: no names, no fold
	all         []*panel // base first, parents before children
	holes       []hole
	findings    []working.Finding
	spots       []*spot // of the findings
	broken      bool
}

// Options of Build.
type Options struct {
	Display    quantity.Display // how lengths are written
	Body       bool             // the folded body's faces and edges too, for drawing
	Sections   bool             // the folded part cut square to its bends
	Proved     bool             // fixes are tried, and only those that help told
	Lift       float64          // kg one person lifts; 0 is not asked
	NearPeople bool             // it stands in a space with people
	Quantity   int              // how many are made; 0 is not asked
	Master     *MasterTold      // the part it is drilled through, where there is one
}

// Build answers everything about a part. It
// fails with *working.Fault when the recipe is not one; a recipe that cannot
// be unfolded says so in the findings and still shows the rest.
func Build(r Recipe, opt Options) (Part, error) {
	if err := r.Validate(); err != nil {
		return Part{}, err
	}
	b := newBuilder(r, opt, r.Bend.School)
	outline, ok := b.laidOut()
	part := Part{Whole: !b.broken, Holes: []HoleMade{}, Sections: []Section{}, Marks: []MarkMade{}, Steps: []BendStep{},
		BendLines: []BendLine{}, Panels: []PanelMade{}, Schools: []SchoolBlank{}, Dimensions: []Dimension{},
		Ordinates: Ordinates{[]Ordinate{}, []Ordinate{}}, Figures: []Figure{},
		Body: Body{Panels: []BodyPanel{}, Bends: []BodyBend{}, Edges: [][]Vector{}}, Outline: profile.Loop{}}
	if !ok {
		part.Dimensions = b.dimensions()
		part.Findings = b.sorted()
		if opt.Proved {
			prove(r, opt, &part)
		}
		return part, nil
	}
	part.Outline = outline
	part.Bounds = part.Outline.Bounds()
	b.describe(&part)
	part.Marks = b.marksMade(&part)
	part.Steps = b.steps(&part)
	b.measure(&part)
	if opt.Sections {
		part.Sections = b.sections()
	}
	b.check(&part)
	part.Dimensions = b.dimensions()
	part.Schools = b.schools(part.Bounds)
	part.Findings = b.sorted()
	if opt.Proved {
		prove(r, opt, &part)
	}
	return part, nil
}

// laidOut unfolds the part, places its features and answers the outline of the
// flat pattern; false where there is not even a base.
func (b *builder) laidOut() (profile.Loop, bool) {
	base := b.panels()
	if base == nil {
		return nil, false
	}
	for _, p := range b.all {
		b.cornerReliefs(p)
	}
	for _, p := range b.all {
		b.edgeCuts(p)
	}
	b.features()
	return b.outline(base), true
}

func newBuilder(r Recipe, opt Options, school bend.School) *builder {
	material, _ := stock.MaterialByKey(r.Material)
	process, _ := stock.ProcessByKey(r.Process)
	return &builder{recipe: r, flanges: plain(r.Base.Flanges, r.Thickness), opt: opt, material: material, process: process,
		rule: r.Bend.Prepare(material.Temper), school: school, written: make(map[float64]Length, 64)}
}

// length writes a length for people.
func (b *builder) length(mm float64) Length {
	if l, ok := b.written[mm]; ok { // sizes of a part repeat
		return l
	}
	l := Length{mm, places(mm, 1) + " mm", string(quantity.Exact)}
	if w, err := quantity.Format(mm, b.opt.Display); err == nil {
		l.Text, l.Lies = w.Text, string(w.Lies)
	}
	b.written[mm] = l
	return l
}

func (b *builder) len(mm float64) string { return b.length(mm).Text }

// explain writes the values of a working finely enough to follow it.
func (b *builder) explain(w working.Working) working.Working {
	return w.Written(b.opt.Display.Style != quantity.Metric)
}

func places(v float64, n int) string { return strconv.FormatFloat(v, 'f', n, 64) }

func trimZeros(s string) string {
	if !strings.Contains(s, ".") {
		return s
	}
	return strings.TrimRight(strings.TrimRight(s, "0"), ".")
}

func (b *builder) find(severity working.Severity, code, cause string, p *panel, reason string, fixes []working.Fix) {
	b.findings = append(b.findings, working.Finding{Code: code, Severity: severity, Cause: cause, Feature: p.id, Name: p.name,
		Reason: reason, Fixes: fixes})
	b.spots = append(b.spots, spotOf(p))
}

func (b *builder) stop(code, cause string, p *panel, reason string, fixes ...working.Fix) {
	if cause == "Cannot be unfolded" {
		b.broken = true
	}
	b.find(working.Stop, code, cause, p, reason, fixes)
}

func (b *builder) mind(code, cause string, p *panel, reason string, fixes ...working.Fix) {
	b.find(working.Mind, code, cause, p, reason, fixes)
}

func (b *builder) note(code, cause string, p *panel, reason string, fixes ...working.Fix) {
	b.find(working.Note, code, cause, p, reason, fixes)
}

// fix makes a fix from pairs of path and value.
func (b *builder) fix(label string, pairs ...any) working.Fix {
	f := working.Fix{Label: label}
	for i := 0; i+1 < len(pairs); i += 2 {
		f.Edits = append(f.Edits, working.Edit{Path: pairs[i].(string), Value: pairs[i+1]})
	}
	return f
}

// sorted answers the findings, stops first, doubled ones dropped.
func (b *builder) sorted() []working.Finding {
	out := make([]working.Finding, 0, len(b.findings))
	seen := map[[3]string]bool{}
	for _, severity := range []working.Severity{working.Stop, working.Mind, working.Note} {
		for i, f := range b.findings {
			key := [3]string{f.Code, f.Feature, f.Reason}
			if f.Severity == severity && !seen[key] {
				seen[key] = true
				f.Place = b.placed(b.spots[i])
				for _, a := range b.recipe.SetAside {
					if a.Code == f.Code && a.Feature == f.Feature {
						f.SetAside = a.Reason
					}
				}
				out = append(out, f)
			}
		}
	}
	return out
}

// ceil rounds a suggestion up to a half millimetre.
func ceil(mm float64) float64 { return math.Ceil(mm*2-1e-9) / 2 }

func lower(s string) string {
	if s == "" {
		return s
	}
	return strings.ToLower(s[:1]) + s[1:]
}
