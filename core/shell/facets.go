// Package shell is bodies that one sheet does not fold into: faceted ones, of flat panels between named
// points, whose blanks are parts of the sheet core. Lengths mm, angles degrees.
package shell

import (
	"fmt"
	"slices"
	"unicode/utf8"

	"warmanvil/core/bend"
	"warmanvil/core/sheet"
	"warmanvil/core/shell/facet"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Schema is the version of the form.
const Schema = 1

// Facets is a faceted body as its fabricator described it.
type Facets struct {
	Schema       int          `json:"schema" doc:"version of this form, 1"`
	Material     string       `json:"material" doc:"key of the material table"`
	Thickness    float64      `json:"thickness" doc:"mm"`
	Process      string       `json:"process" enum:"plasma,laser,waterjet,punch,hand" doc:"how its blanks are cut"`
	Tool         bend.Tool    `json:"tool" doc:"what they are bent on"`
	Bend         bend.Rule    `json:"bend" doc:"where K comes from"`
	Side         facet.Side   `json:"side" enum:"inside,middle,outside" doc:"face of the sheet its points lie on"`
	InsideRadius float64      `json:"insideRadius" doc:"mm, of its bends"`
	Points       []FacetPoint `json:"points,omitempty"`
	Panels       []FacetPanel `json:"panels,omitempty"`
	Seams        []FacetSeam  `json:"seams,omitempty" doc:"edges that are not welded corner to corner"`
	Fits         []FacetFit   `json:"fits,omitempty" doc:"what must fit inside"`
	Hand         sheet.Hand   `json:"hand,omitzero" doc:"left and right pair: every blank is then made as one"`
}

// FacetFit is a box that must fit inside the body: a battery, a tank, a head with its helmet.
type FacetFit struct {
	ID   string  `json:"id"`
	Name string  `json:"name"`
	X    float64 `json:"x" doc:"mm forward, of its rear right lower corner in the body's axes"`
	Y    float64 `json:"y" doc:"mm to the left"`
	Z    float64 `json:"z" doc:"mm up"`
	Long float64 `json:"long" doc:"mm forward"`
	Wide float64 `json:"wide" doc:"mm to the left"`
	High float64 `json:"high" doc:"mm up"`
	Gap  float64 `json:"gap,omitempty" doc:"mm to keep off every panel"`
}

// check refuses what is no box.
func (f FacetFit) check() error {
	place := func(at string, v float64) error { return working.Within(at, "Its place", v, -1e5, 1e5, "mm") }
	size := func(at, name string, v float64) error { return working.Above(at, name, v, 0, 1e5, "mm") }
	return working.First(place("/x", f.X), place("/y", f.Y), place("/z", f.Z), size("/long", "How long it is", f.Long),
		size("/wide", "How wide it is", f.Wide), size("/high", "How high it is", f.High),
		working.Within("/gap", "The gap", f.Gap, 0, 1000, "mm"))
}

// FacetPoint is a corner of the body: by itself, taken over from the survey, so far from another, or
// another seen in the mirror.
type FacetPoint struct {
	ID     string  `json:"id"`
	Name   string  `json:"name,omitempty"`
	X      float64 `json:"x" doc:"mm forward, from the body's origin or the point it counts from"`
	Y      float64 `json:"y" doc:"mm to the left"`
	Z      float64 `json:"z" doc:"mm up"`
	From   string  `json:"from,omitempty" doc:"id of a point of the body it counts from"`
	Mirror bool    `json:"mirror,omitempty" doc:"that one is taken from the other side: left and right change"`
	Survey string  `json:"survey,omitempty" doc:"id of the surveyed point its place was taken over from, in the vehicle's axes; the place stays as taken, so that a later reading moves nothing that is cut"`
}

// FacetPanel is a flat piece between points.
type FacetPanel struct {
	ID     string   `json:"id"`
	Name   string   `json:"name,omitempty"`
	Points []string `json:"points" doc:"ids of its corners in turn, either way round"`
}

// FacetSeam is how two panels meet at the edge between two points.
type FacetSeam struct {
	A     string     `json:"a" doc:"id of a point"`
	B     string     `json:"b" doc:"id of the other"`
	Kind  facet.Kind `json:"kind" enum:"corner,open,lap,bevel,bend"`
	Over  string     `json:"over,omitempty" doc:"of a lap: id of the panel that covers the other's end"`
	Gap   float64    `json:"gap,omitempty" doc:"mm, of an open one"`
	Blend float64    `json:"blend,omitempty" doc:"mm, radius it is ground round to outside once it is welded"`
	Tabs  int        `json:"tabs,omitempty" doc:"of a lapped one that is about square: so many tabs of the end that is covered go through notches of the other"`
}

const (
	mostPoints = 1000
	mostPanels = 500
	mostName   = 80
	mostFits   = 50
)

// Check refuses what cannot be kept: it need not be a whole body yet.
func (f Facets) Check() error {
	if _, err := stock.MaterialByKey(f.Material); err != nil {
		return working.Refuse("/material", "Choose what it is made of.")
	}
	if _, err := stock.ProcessByKey(f.Process); err != nil {
		return working.Refuse("/process", "Choose how its blanks are cut.")
	}
	switch {
	case f.Side != facet.Inside && f.Side != facet.Middle && f.Side != facet.Outside:
		return working.Refuse("/side", "Its points lie on the inside, the middle or the outside of the sheet.")
	case len(f.Points) > mostPoints:
		return working.Refuse("/points", "A body has up to %d points.", mostPoints)
	case len(f.Panels) > mostPanels || len(f.Seams) > 3*mostPanels:
		return working.Refuse("/panels", "A body has up to %d panels.", mostPanels)
	}
	if err := working.First(sheet.OneOf("/hand/drawn", "The hand", f.Hand.Drawn, "", sheet.LeftHand, sheet.RightHand),
		working.Above("/thickness", "The thickness", f.Thickness, 0, 100, "mm"),
		working.Within("/insideRadius", "The inside radius", f.InsideRadius, 0, 1000, "mm")); err != nil {
		return err
	}
	ids := map[string]bool{}
	own := func(at, id, name string) error {
		switch {
		case !sheet.IdForm(id) || ids[id]:
			return working.Refuse(at+"/id", "Every point and panel has an id of its own; %q is none or there twice.", id)
		case utf8.RuneCountInString(name) > mostName:
			return working.Refuse(at+"/name", "A name has up to %d letters.", mostName)
		}
		ids[id] = true
		return nil
	}
	for i, p := range f.Points {
		at := fmt.Sprintf("/points/%d", i)
		if err := working.First(own(at, p.ID, p.Name), working.Within(at+"/x", "Its place", p.X, -1e5, 1e5, "mm"),
			working.Within(at+"/y", "Its place", p.Y, -1e5, 1e5, "mm"), working.Within(at+"/z", "Its place", p.Z, -1e5, 1e5,
				"mm")); err != nil {
			return err
		}
		if len(p.Survey) > 64 || p.Survey != "" && p.From != "" {
			return working.Refuse(at+"/survey", "A point counts from another one or was taken over from the survey, not both.")
		}
	}
	for i, p := range f.Panels {
		at := fmt.Sprintf("/panels/%d", i)
		if err := own(at, p.ID, p.Name); err != nil {
			return err
		}
		if len(p.Points) > 60 {
			return working.Refuse(at+"/points", "A panel has up to 60 corners.")
		}
		for k, id := range p.Points {
			if len(id) > 64 {
				return working.Refuse(fmt.Sprintf("%s/points/%d", at, k), "A corner is the id of a point.")
			}
		}
	}
	if len(f.Fits) > mostFits {
		return working.Refuse("/fits", "Up to %d things are asked to fit inside.", mostFits)
	}
	for i, x := range f.Fits {
		at := fmt.Sprintf("/fits/%d", i)
		if err := working.First(own(at, x.ID, x.Name), working.Under(at, x.check())); err != nil {
			return err
		}
	}
	for i, s := range f.Seams {
		at := fmt.Sprintf("/seams/%d", i)
		if len(s.A) > 64 || len(s.B) > 64 || len(s.Over) > 64 {
			return working.Refuse(at, "A seam lies between two points of the body.")
		}
		if err := working.First(sheet.OneOf(at+"/kind", "How they meet", s.Kind, facet.Corner, facet.Open, facet.Lap, facet.Bevel,
			facet.BentOne),
			working.Within(at+"/gap", "The gap", s.Gap, 0, 100, "mm"), working.Within(at+"/blend", "The radius it is ground to",
				s.Blend, 0, 100, "mm"), working.Within(at+"/tabs", "How many tabs", float64(s.Tabs),
				0, 20, "")); err != nil {
			return err
		}
	}
	return nil
}

// Called names a point or a panel as people know it.
func (f Facets) Called(id string) string {
	for i, p := range f.Points {
		if p.ID == id {
			if p.Name != "" {
				return p.Name
			}
			return fmt.Sprintf("point %d", i+1)
		}
	}
	for i, p := range f.Panels {
		if p.ID == id {
			if p.Name != "" {
				return p.Name
			}
			return fmt.Sprintf("Panel %d", i+1)
		}
	}
	return id
}

// Places answers where its points lie, by id; why says of those that have no place why.
func (f Facets) Places() (at map[string]solid.Vector, why map[string]string) {
	at, why = map[string]solid.Vector{}, map[string]string{}
	index := map[string]int{}
	for i, p := range f.Points {
		index[p.ID] = i
	}
	var place func(id string, under []string) bool
	place = func(id string, under []string) bool {
		if _, done := at[id]; done {
			return true
		}
		i, known := index[id]
		switch {
		case !known:
			return false
		case slices.Contains(under, id):
			why[id] = "it counts from itself, by way of others"
			return false
		}
		p := f.Points[i]
		v := solid.Vector{p.X, p.Y, p.Z}
		if p.From != "" {
			if !place(p.From, append(under, id)) {
				if why[id] == "" {
					why[id] = "the point it counts from has no place"
				}
				return false
			}
			o := at[p.From]
			if p.Mirror {
				o[1] = -o[1]
			}
			v = v.Add(o)
		}
		at[id] = v
		return true
	}
	for _, p := range f.Points {
		place(p.ID, nil)
	}
	return at, why
}

// Build works the body out. It fails with *working.Fault where it is none yet; its paths point into the
// body, and points and panels are called by their names.
func (f Facets) Build() (facet.Built, error) {
	s, err := f.Shell()
	if err != nil {
		return facet.Built{}, err
	}
	return facet.Build(s)
}

// Shell answers the body as panels between places. It fails with *working.Fault where a point has none.
func (f Facets) Shell() (facet.Shell, error) {
	at, why := f.Places()
	k := .42
	if f.Bend.K != nil {
		k = *f.Bend.K
	}
	s := facet.Shell{Thickness: f.Thickness, Side: f.Side, Radius: f.InsideRadius, K: k, Called: f.Called}
	for i, p := range f.Points {
		v, placed := at[p.ID]
		if !placed {
			return s, working.Refuse(fmt.Sprintf("/points/%d/from", i), "%s has no place: %s.", f.Called(p.ID), why[p.ID])
		}
		s.Points = append(s.Points, facet.Point{ID: p.ID, At: v})
	}
	for _, p := range f.Panels {
		s.Panels = append(s.Panels, facet.Panel{ID: p.ID, Points: p.Points})
	}
	for _, e := range f.Seams {
		s.Seams = append(s.Seams, facet.Seam{A: e.A, B: e.B, Kind: e.Kind, Over: e.Over, Gap: e.Gap, Blend: e.Blend, Tabs: e.Tabs})
	}
	return s, nil
}

// Sheet answers of which sheet its blanks are, and how they are cut and bent: a recipe without a base.
func (f Facets) Sheet() sheet.Recipe {
	return sheet.Recipe{Schema: sheet.SchemaVersion, Material: f.Material, Thickness: f.Thickness, Process: f.Process, Tool: f.Tool,
		Bend: f.Bend, Hand: f.Hand}
}
