package httpapi

import (
	"context"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
	"warmanvil/core/told"
)

// JobSuppliers is how the parts of a job stand to the rules of suppliers.
type JobSuppliers struct {
	Suppliers []JobSupplier `json:"suppliers"`
}

// JobSupplier is one supplier.
type JobSupplier struct {
	ID    string          `json:"id"`
	Name  string          `json:"name"`
	Does  string          `json:"does,omitempty"`
	Rules int             `json:"rules" doc:"how many of its rules are said; parts are checked for those alone"`
	Parts []JobOfSupplier `json:"parts"`
}

// JobOfSupplier is one hand of a part against the rules of a supplier.
type JobOfSupplier struct {
	Part     string        `json:"part"`
	Name     string        `json:"name"`
	Hand     sheet.Side    `json:"hand,omitempty" enum:"left,right"`
	Revision int           `json:"revision"`
	Quantity int           `json:"quantity" doc:"for the whole job"`
	Breaks   []shop.Broken `json:"breaks"`
	Why      string        `json:"why,omitempty" doc:"why it was not checked"`
}

func (s *server) jobSuppliers(ctx context.Context, id string) (JobSuppliers, error) {
	out := JobSuppliers{Suppliers: []JobSupplier{}}
	j, err := s.jobs.Job(ctx, id)
	if err != nil {
		return out, err
	}
	w, err := s.jobs.Shop(ctx)
	if err != nil || len(w.Suppliers) == 0 {
		return out, err
	}
	parts, err := s.jobs.Parts(ctx, id)
	if err != nil {
		return out, err
	}
	type hand struct {
		JobOfSupplier
		recipe sheet.Recipe
		built  made.Part
	}
	var hands []hand
	for _, p := range parts {
		for _, side := range p.Hands() {
			h := hand{JobOfSupplier: JobOfSupplier{Part: p.ID, Name: p.Name, Hand: side, Revision: p.Revision, Breaks: []shop.Broken{},
				Quantity: p.Quantity * max(j.Brief.Quantity, 1)}, recipe: p.Cut(side)}
			if h.built, err = made.Build(h.recipe, made.Options{Display: j.Brief.Display(), Until: ctx}); err != nil || !h.built.Whole {
				h.Why = "It cannot be unfolded as it stands."
			}
			hands = append(hands, h)
		}
	}
	pen := told.Pen{Display: j.Brief.Display()}
	for _, x := range w.Suppliers {
		v := JobSupplier{ID: x.ID, Name: x.Name, Does: x.Does, Rules: len(x.Rules), Parts: []JobOfSupplier{}}
		for _, h := range hands {
			p := h.JobOfSupplier
			if p.Why == "" {
				p.Breaks = x.Breaks(h.recipe, h.built, pen.MM)
			}
			v.Parts = append(v.Parts, p)
		}
		out.Suppliers = append(out.Suppliers, v)
	}
	return out, nil
}
