package site

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"warmanvil/core/bend"
	"warmanvil/core/member/shape"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/flags"
	"warmanvil/core/shop"
	"warmanvil/core/stock"
)

// MachineUse is a machine a job goes to, with all that is done there: what stands elsewhere is
// driven to once.
type MachineUse struct {
	ID     string        `json:"id,omitempty" doc:"of the Shop's machine; left out of a usual one"`
	Name   string        `json:"name"`
	Where  shop.Where    `json:"where" enum:"own,borrowed,outside"`
	Of     string        `json:"of,omitempty" doc:"whose it is"`
	Usual  bool          `json:"usual,omitempty" doc:"the Shop names none of its sort"`
	Work   []MachineWork `json:"work"`
	Booked []string      `json:"booked" doc:"when it is taken, in words"`
	Ours   bool          `json:"ours" doc:"it is booked for this job"`
	Lacks  []string      `json:"lacks" doc:"what it does not have: days booked, air"`
}

// MachineWork is one kind of work done there.
type MachineWork struct {
	Op string   `json:"op" enum:"cut,bend,drill,saw,weld,spray"`
	Of []string `json:"of" doc:"names of parts and frames"`
}

// uses collects which machine takes what.
type uses struct {
	list []MachineUse
	shop shop.Shop
	job  string
}

// Machines answers which machines the job's parts and frames go to, those that stand elsewhere
// first. A part that no machine takes is on none: its flags say so.
func (s Site) Machines() []MachineUse {
	u := uses{list: []MachineUse{}, shop: s.Shop, job: s.Brief.Name}
	inch := s.Brief.Inches()
	for i := range s.Parts {
		if p := &s.Parts[i]; p.Err == nil {
			u.part(p, s.Shop.For(p.Recipe, inch))
		}
	}
	from := newStander(s).from
	for _, f := range s.Frames {
		b := shape.Build(f.Doc, from.ForFrame(f.Doc))
		if len(b.Pieces) > 0 {
			u.first(shop.Saw, "saw", f.Name)
		}
		if len(b.Pieces) > 1 {
			u.first(shop.Welder, "weld", f.Name)
		}
		if len(b.Formed) > 0 {
			u.first(shop.Bender, "bend", f.Name)
		}
		if painted(f.Doc.Material) {
			u.first(shop.Spray, "spray", f.Name)
		}
	}
	u.air(s.Shop.Places(inch), compressors(s.Shop, inch))
	rank := map[shop.Where]int{shop.Outside: 0, shop.Borrowed: 1, shop.Own: 2}
	slices.SortStableFunc(u.list, func(a, b MachineUse) int { return cmp.Compare(rank[a.Where], rank[b.Where]) })
	return u.list
}

func compressors(w shop.Shop, inch bool) []flags.Compressor {
	return w.For(sheet.Recipe{}, inch).Compressors
}

// part puts down where a part is cut, bent, drilled, welded and painted.
func (u *uses) part(p *BuiltPart, m flags.Machines) {
	x, y := p.Built.Bounds.Size()
	r := p.Recipe
	if r.Process != "hand" {
		if t := m.Cutter(x, y, r.Thickness); t != nil {
			u.at(*t, "cut", p.Name)
		}
	} else if _, is := u.shop.First(shop.Shear); is {
		u.first(shop.Shear, "cut", p.Name)
	}
	for _, l := range p.Built.BendLines {
		force := 0.
		if l.Force != nil {
			if force = *l.Force; r.Bend.Method == bend.MethodBottomed {
				force *= flags.Bottoming
			}
		}
		for _, b := range m.Brakes {
			if b.Bends(l.Length.MM, r.Thickness, l.Angle, force) {
				u.at(b, "bend", p.Name)
				break
			}
		}
	}
	if p.Built.Round != nil {
		u.pressed(p, m)
	}
	for _, h := range p.Built.Holes {
		if h.Made != "" && h.Made != sheet.MadeCut {
			u.first(shop.Drill, "drill", p.Name)
			break
		}
	}
	if seamsOf(r) > 0 {
		u.first(shop.Welder, "weld", p.Name)
	}
	if painted(r.Material) {
		u.first(shop.Spray, "spray", p.Name)
	}
}

// painted tells whether a metal is painted: bare steel is, what is galvanised, stainless or
// aluminium stays as it is.
func painted(material string) bool {
	m, err := stock.MaterialByKey(material)
	return err == nil && m.Family == stock.Steel
}

// first puts down work on the machine of a kind that is taken first, where the shop names one.
func (u *uses) first(k shop.Kind, op, of string) {
	if m, is := u.shop.First(k); is {
		u.at(flags.Machine{ID: m.ID, Name: m.Called(), Named: true}, op, of)
	}
}

// at puts down work at a machine.
func (u *uses) at(m flags.Machine, op, of string) {
	i := slices.IndexFunc(u.list, func(x MachineUse) bool { return x.ID == m.ID && x.Name == m.Name })
	if i < 0 {
		x := MachineUse{ID: m.ID, Name: m.Name, Where: shop.Own, Usual: !m.Named, Work: []MachineWork{}, Booked: []string{},
			Lacks: []string{}}
		if own, is := u.shop.ByID(m.ID); is {
			x.Of, x.Where = own.Of, cmp.Or(own.Where, shop.Own)
			for _, b := range own.Booked {
				if b.From != "" {
					x.Booked = append(x.Booked, b.Says())
					x.Ours = x.Ours || strings.EqualFold(strings.TrimSpace(b.For), strings.TrimSpace(u.job))
				}
			}
			if x.Where == shop.Borrowed && !x.Ours {
				x.Lacks = append(x.Lacks, "no day is booked for this job")
			}
		}
		u.list, i = append(u.list, x), len(u.list)
	}
	work := &u.list[i].Work
	k := slices.IndexFunc(*work, func(w MachineWork) bool { return w.Op == op })
	if k < 0 {
		*work, k = append(*work, MachineWork{Op: op, Of: []string{}}), len(*work)
	}
	if !slices.Contains((*work)[k].Of, of) {
		(*work)[k].Of = append((*work)[k].Of, of)
	}
}

// air says of the spray place that is used whether the compressor keeps up with it.
func (u *uses) air(places []flags.Place, list []flags.Compressor) {
	for i := range u.list {
		own, is := u.shop.ByID(u.list[i].ID)
		if !is || own.Kind != shop.Spray || u.list[i].Where != shop.Own {
			continue
		}
		for _, p := range places {
			if p.Kind == "spray" && p.Name == own.Called() {
				if says := flags.Blown(list, fmt.Sprintf("A gun in %s", p.Name), p.Air); says != "" {
					u.list[i].Lacks = append(u.list[i].Lacks, says)
				}
				break
			}
		}
	}
}

// pressed puts down where a round is pressed: the brake that takes its longest line and its sharpest.
func (u *uses) pressed(p *BuiltPart, m flags.Machines) {
	long, sharp := 0., 0.
	for _, l := range p.Built.FoldLines() {
		long, sharp = max(long, l.Long()), max(sharp, l.Angle)
	}
	if long == 0 {
		return
	}
	r, force := p.Recipe, 0.
	if tool, _ := r.Tool.Effective(r.Thickness); tool.Kind == bend.ToolVDie {
		stuff, err := stock.MaterialByKey(r.Material)
		if err != nil {
			return
		}
		if f, err := bend.Force(bend.ForceInput{Thickness: r.Thickness, Length: long, DieOpening: tool.Opening,
			Tensile: stuff.Tensile}); err == nil {
			force = f.Newtons
		}
		if r.Bend.Method == bend.MethodBottomed {
			force *= flags.Bottoming
		}
	}
	for _, b := range m.Brakes {
		if b.Bends(long, r.Thickness, sharp, force) {
			u.at(b, "bend", p.Name)
			return
		}
	}
}
