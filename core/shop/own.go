package shop

import (
	"fmt"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/section"
	"warmanvil/core/sheet"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// OwnSection is a section the shop takes again and again and no table has.
type OwnSection struct {
	ID    string        `json:"id"`
	Name  string        `json:"name" doc:"as members and sticks are called by it"`
	Sizes section.Sizes `json:"sizes"`
}

// OwnStarter is a part the shop makes again and again: a recipe to start from in any job.
type OwnStarter struct {
	ID     string       `json:"id"`
	Name   string       `json:"name"`
	Recipe sheet.Recipe `json:"recipe"`
}

// OwnMaterial is a metal whose strengths the shop knows better than the table: by the certificate of a
// delivery, or a coupon that was pulled.
type OwnMaterial struct {
	ID      string  `json:"id"`
	Name    string  `json:"name"`
	Base    string  `json:"base" doc:"key of the material of the table it is like"`
	Yield   float64 `json:"yield" doc:"MPa"`
	Tensile float64 `json:"tensile" doc:"MPa"`
}

// Key is what recipes and frames call it by: it says all of it.
func (x OwnMaterial) Key() string { return stock.OwnKey(x.Base, x.Yield, x.Tensile, x.Name) }

func (x OwnMaterial) check(at string, ids map[string]bool) error {
	if err := working.First(own(at, x.ID, ids), text(at+"/name", x.Name, brief.MaxName)); err != nil {
		return err
	}
	if strings.HasPrefix(x.Base, "own:") {
		return working.Refuse(at+"/base", "Say which material of the table it is like.")
	}
	if _, err := stock.MaterialByKey(x.Key()); err != nil {
		return working.Refuse(at+"/yield", "It cannot be kept so: %v.", err)
	}
	return nil
}

// MaterialsTold answers the shop's own materials as the table has its own.
func (s Shop) MaterialsTold() []stock.Material {
	out := []stock.Material{}
	for _, x := range s.Materials {
		if m, err := stock.MaterialByKey(x.Key()); err == nil {
			out = append(out, m)
		}
	}
	return out
}

func (x OwnSection) check(at string, ids map[string]bool) error {
	if err := working.First(own(at, x.ID, ids), text(at+"/name", x.Name, brief.MaxName)); err != nil {
		return err
	}
	if strings.TrimSpace(x.Name) == "" {
		return working.Refuse(at+"/name", "Give the section a name: members are called by it.")
	}
	for _, s := range section.Table() {
		if s.Name == x.Name {
			return working.Refuse(at+"/name", "The table has a section called %s already: give this one another name.", x.Name)
		}
	}
	_, err := section.Work(x.Sizes)
	return working.Under(at+"/sizes", err)
}

func (x OwnStarter) check(at string, ids map[string]bool) error {
	if err := working.First(own(at, x.ID, ids), text(at+"/name", x.Name, brief.MaxName)); err != nil {
		return err
	}
	if x.Recipe.Kin != nil || x.Recipe.Master != nil || x.Recipe.Piece != nil ||
		x.Recipe.Facet != nil {
		return working.Refuse(at+"/recipe", "A starter is a part for itself: of no family, drilled through no other, split from none.")
	}
	return working.Under(at+"/recipe", x.Recipe.Validate())
}

func (s Shop) checkOwn(ids map[string]bool) error {
	names := map[string]bool{}
	for i, x := range s.Sections {
		at := fmt.Sprintf("/sections/%d", i)
		if names[x.Name] {
			return working.Refuse(at+"/name", "Two sections of the Shop are called %s.", x.Name)
		}
		names[x.Name] = true
		if err := x.check(at, ids); err != nil {
			return err
		}
	}
	for i, x := range s.Materials {
		if err := x.check(fmt.Sprintf("/materials/%d", i), ids); err != nil {
			return err
		}
	}
	for i, x := range s.Starters {
		if err := x.check(fmt.Sprintf("/starters/%d", i), ids); err != nil {
			return err
		}
	}
	return nil
}

// SectionTold is a section of the shop with what it weighs.
type SectionTold struct {
	Name   string        `json:"name"`
	Kilos  float64       `json:"kilos" doc:"kg/m"`
	Inches bool          `json:"inches"`
	Sizes  section.Sizes `json:"sizes"`
}

// SectionsTold answers the shop's own sections as the table has its own.
func (s Shop) SectionsTold() []SectionTold {
	out := []SectionTold{}
	for _, x := range s.Sections {
		if p, err := section.Work(x.Sizes); err == nil {
			out = append(out, SectionTold{x.Name, p.MassPerMetre, s.Inches(), x.Sizes})
		}
	}
	return out
}
