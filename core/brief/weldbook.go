package brief

import (
	"fmt"
	"unicode/utf8"

	"warmanvil/core/working"
)

// WeldBook is what was decided and seen of the welding of one thing: a welded joint, a frame or a faceted body.
type WeldBook struct {
	ID     string     `json:"id"`
	Of     string     `json:"of" doc:"id of the welded joint, the frame or the body"`
	Order  []string   `json:"order,omitempty" doc:"ids of runs in an order by hand"`
	Seen   []SeamSeen `json:"seen,omitempty"`
	Back   bool       `json:"back,omitempty" doc:"its strong-back is on the parts list, as what comes off again"`
	Braced []string   `json:"braced,omitempty" doc:"ids of openings that are braced corner to corner while it is welded: on the parts list, as what comes off again"`
	Sizes  []SizeSeen `json:"sizes,omitempty" doc:"what was measured when it was tacked, and when it had cooled"`
	Bowed  *float64   `json:"bowed,omitempty" doc:"mm, how far it is bowed, as measured after"`
	Cause  string     `json:"cause,omitempty" doc:"why it bowed, and what was done"`
}

// SizeSeen is a size of what is welded as it was measured.
type SizeSeen struct {
	ID     string   `json:"id" doc:"of the size"`
	Tacked *float64 `json:"tacked,omitempty" doc:"mm, tacked, before the first run"`
	Cooled *float64 `json:"cooled,omitempty" doc:"mm, welded and cold"`
}

// SeamSeen is a seam as it was tacked, welded and looked at.
type SeamSeen struct {
	ID       string   `json:"id" doc:"of the seam"`
	Tacked   bool     `json:"tacked,omitempty"`
	Until    string   `json:"until,omitempty" doc:"it is tacked on one side only and stays adjustable until then"`
	Welded   bool     `json:"welded,omitempty"`
	Looked   string   `json:"looked,omitempty" doc:"who looked, and when"`
	Leg      *float64 `json:"leg,omitempty" doc:"mm, by gauge"`
	Throat   *float64 `json:"throat,omitempty" doc:"mm, by gauge"`
	Undercut *float64 `json:"undercut,omitempty" doc:"mm"`
	Pore     *float64 `json:"pore,omitempty" doc:"mm"`
	Overlap  bool     `json:"overlap,omitempty"`
	Crack    bool     `json:"crack,omitempty"`
	Crater   bool     `json:"crater,omitempty"`
	Rework   string   `json:"rework,omitempty" doc:"what was wrong and done again"`
	Minutes  *float64 `json:"minutes,omitempty" doc:"min that took"`
}

// Book answers the book of a thing; empty where nobody wrote in it.
func (b Brief) Book(of string) WeldBook {
	for _, k := range b.Books {
		if k.Of == of {
			return k
		}
	}
	return WeldBook{Of: of}
}

// Saw answers what was seen of a seam.
func (k WeldBook) Saw(id string) SeamSeen {
	for _, s := range k.Seen {
		if s.ID == id {
			return s
		}
	}
	return SeamSeen{ID: id}
}

// Size answers what was measured of a size.
func (k WeldBook) Size(id string) SizeSeen {
	for _, z := range k.Sizes {
		if z.ID == id {
			return z
		}
	}
	return SizeSeen{ID: id}
}

// checkBooks refuses books that run away.
func (b Brief) checkBooks() error {
	for i, k := range b.Books {
		at := fmt.Sprintf("/books/%d", i)
		if len(k.Order) > 600 || len(k.Seen) > 300 || len(k.Sizes) > 60 || len(k.Braced) > 20 {
			return working.Refuse(at, "A book of welds holds up to 300 seams, 600 runs, 60 sizes and 20 braces.")
		}
		for j, z := range k.Sizes {
			here := fmt.Sprintf("%s/sizes/%d", at, j)
			for _, x := range []struct {
				key string
				v   *float64
			}{{"tacked", z.Tacked}, {"cooled", z.Cooled}} {
				if x.v != nil {
					if err := working.Within(here+"/"+x.key, "The size", *x.v, 0, 1e5, "mm"); err != nil {
						return err
					}
				}
			}
		}
		if k.Bowed != nil {
			if err := working.Within(at+"/bowed", "The bow", *k.Bowed, 0, 1000, "mm"); err != nil {
				return err
			}
		}
		n := utf8.RuneCountInString(k.Cause)
		for j, s := range k.Seen {
			here := fmt.Sprintf("%s/seen/%d", at, j)
			n += utf8.RuneCountInString(s.Looked + s.Rework + s.Until)
			for _, x := range []struct {
				key, what string
				v         *float64
				most      float64
				unit      string
			}{{"leg", "The leg", s.Leg, 100, "mm"}, {"throat", "The throat", s.Throat, 100, "mm"}, {"undercut", "The " +
				"undercut", s.Undercut, 100, "mm"},
				{"pore", "The pore", s.Pore, 100, "mm"}, {"minutes", "The time", s.Minutes, 1e4, "min"}} {
				if x.v != nil {
					if err := working.Within(here+"/"+x.key, x.what, *x.v, 0, x.most, x.unit); err != nil {
						return err
					}
				}
			}
		}
		if n > MaxText {
			return working.Refuse(at, "Texts hold up to %d characters.", MaxText)
		}
	}
	return nil
}
