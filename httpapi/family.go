package httpapi

import (
	"context"
	"slices"

	"warmanvil/core/sheet/made"
	"warmanvil/core/site"
	"warmanvil/core/working"
	"warmanvil/job"
)

// FamilyView is parts of several sizes of one shape, side by side.
type FamilyView struct {
	Head    string         `json:"head" doc:"id of the part the others follow"`
	Name    string         `json:"name" doc:"its name"`
	Sizes   []FamilySize   `json:"sizes" doc:"in which any of them differs from the head"`
	Members []FamilyMember `json:"members" doc:"the head first"`
	Free    []FamilySize   `json:"free" doc:"all sizes in which a member may differ, as the head has them"`
}

// FamilySize is a size of the head.
type FamilySize struct {
	Feature string             `json:"feature"`
	Size    string             `json:"size"`
	Path    string             `json:"path" doc:"JSON pointer into the head's recipe, and into each member's"`
	Name    string             `json:"name"`
	Kind    made.DimensionKind `json:"kind" enum:"length,angle,count"`
	Main    bool               `json:"main"`
	Value   float64            `json:"value"`
	Text    string             `json:"text"`
}

// FamilyMember is one part of a family.
type FamilyMember struct {
	PartHead
	Away   bool          `json:"away,omitempty" doc:"put away"`
	Values []FamilyValue `json:"values" doc:"of the sizes, in their order"`
}

// FamilyValue is one size of a member.
type FamilyValue struct {
	Value float64 `json:"value"`
	Text  string  `json:"text"`
	Own   bool    `json:"own,omitempty" doc:"it is its own, the head's otherwise"`
}

// NewKin is the members a family is to have.
type NewKin struct {
	Members []job.Born `json:"members"`
}

func (s *server) familyRoutes() {
	route(s, operation{method: "GET", path: "/api/v1/parts/{id}/family", id: "getFamily", work: whole, access: reading,
		summary: "The family a part is of or heads: the sizes in which its members differ, side by side"},
		func(c call, _ none) (FamilyView, error) { return s.family(c.Request.Context(), c.id) })
	route(s, operation{method: "POST", path: "/api/v1/parts/{id}/family", id: "addKin", work: whole,
		summary: "Add members to the family of a part: as its head in all but the sizes that are given"},
		func(c call, in NewKin) (FamilyView, error) {
			if _, err := s.jobs.AddKin(c.Request.Context(), c.id, in.Members); err != nil {
				return FamilyView{}, err
			}
			return s.family(c.Request.Context(), c.id)
		})
}

func (s *server) family(ctx context.Context, id string) (FamilyView, error) {
	f, err := s.jobs.Family(ctx, id)
	if err != nil {
		return FamilyView{}, err
	}
	j, err := s.jobs.Job(ctx, f.Head.JobID)
	if err != nil {
		return FamilyView{}, err
	}
	w, err := s.jobs.ShopFor(ctx, j.ID)
	if err != nil {
		return FamilyView{}, err
	}
	v := FamilyView{Head: f.Head.ID, Name: f.Head.Name, Sizes: []FamilySize{}, Free: []FamilySize{}, Members: []FamilyMember{}}
	opt := j.Brief.BuildOptions()
	opt.Until = ctx
	theirs, err := made.Sizes(f.Head.Recipe, opt)
	if err != nil {
		return v, working.Under("/recipe", err)
	}
	for _, d := range theirs {
		size := FamilySize{d.Feature, d.Size, d.Path, d.Group + ", " + d.Label, d.Kind, d.Main, d.Value, d.Text}
		v.Free = append(v.Free, size)
		if slices.ContainsFunc(f.Members, func(m job.Part) bool { return m.Recipe.Kin.Has(d.Feature, d.Size) }) {
			v.Sizes = append(v.Sizes, size)
		}
	}
	all := append([]job.Part{f.Head}, f.Members...)
	for _, p := range all {
		p.Recipe = w.Fill(p.Recipe)
		mine, err := made.Sizes(p.Recipe, opt)
		if err != nil {
			return v, err
		}
		m := FamilyMember{PartHead: partHead(p, site.CheckedOptions(j.Brief, w, p.Part, job.BareParts(all))), Away: p.Archived,
			Values: []FamilyValue{}}
		for _, z := range v.Sizes {
			k := slices.IndexFunc(mine, func(d made.Dimension) bool { return d.Feature == z.Feature && d.Size == z.Size })
			if k < 0 {
				m.Values = append(m.Values, FamilyValue{})
				continue
			}
			m.Values = append(m.Values, FamilyValue{mine[k].Value, mine[k].Text, p.Recipe.Kin.Has(z.Feature, z.Size)})
		}
		v.Members = append(v.Members, m)
	}
	return v, nil
}
