package site

import (
	"warmanvil/core/shell"
	"warmanvil/core/shell/facet"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
)

// FacetBody is a faceted body of a job.
type FacetBody struct {
	ID       string
	Name     string
	Quantity int
	Revision int
	Doc      shell.Facets
}

// panelled answers a faceted body as it is welded up: placed by its points, or by its origin, which a
// body whose points were taken over from the survey has on the datum.
func (s *stander) panelled(f FacetBody, twin bool, d *stand) {
	if d.told.Name == "" {
		d.told.Name = f.Name
	}
	b, err := f.Doc.Build()
	if err != nil {
		d.Why = "Its body is none yet: look at it on the Shape bench."
		return
	}
	body, _ := plated(&b)
	at, _ := f.Doc.Places()
	mirror := func(v solid.Vector) solid.Vector { return v }
	if twin {
		mirror = func(v solid.Vector) solid.Vector { return solid.Vector{v[0], -v[1], v[2]} }
		body = body.At(solid.Pose{X: solid.Vector{1}, Y: solid.Vector{0, -1}, Z: solid.Vector{0, 0, 1}})
	}
	d.thing.Body = body
	for _, p := range f.Doc.Points {
		if v, placed := at[p.ID]; placed {
			d.Holes[p.ID], d.normal[p.ID] = mirror(v), solid.Vector{0, 0, 1}
			d.told.Holes = append(d.told.Holes, HoleChoice{ID: p.ID, Name: f.Doc.Called(p.ID)})
		}
	}
}

// plated answers a body as one solid of its panels, and their volume, mm³.
func plated(b *facet.Built) (solid.Body, float64) {
	body, area := solid.Body{}, 0.
	for i, f := range b.Faces {
		body.Pieces = append(body.Pieces, plateOf(b, i).Body().Pieces...)
		area += f.Area
	}
	return body, area * b.Thickness
}

// bodyKilos answers what a faceted body weighs: its blanks as parts where all of them are made, else its
// panels; 0 where it is none yet.
func bodyKilos(f FacetBody, parts []BuiltPart, mass map[string]float64) float64 {
	b, err := f.Doc.Build()
	if err != nil {
		return 0
	}
	made, kilos := 0, 0.
	for _, p := range parts {
		if p.Recipe.Facet != nil && p.Recipe.Facet.Of == f.ID && p.Err == nil {
			made, kilos = made+1, kilos+mass[p.ID]
		}
	}
	if made == len(b.Blanks) {
		return kilos
	}
	m, err := stock.MaterialByKey(f.Doc.Material)
	if err != nil {
		return 0
	}
	_, volume := plated(&b)
	return volume * m.Density * 1e-9
}
