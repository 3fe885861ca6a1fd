package sheet

import (
	"strconv"

	"warmanvil/core/working"
)

// Kin makes a part one of a family: pans or trays of several lengths. It is as its head in
// all but its own sizes, and changes with it.
type Kin struct {
	Of   string    `json:"of" doc:"id of the part that heads the family"`
	Name string    `json:"name" doc:"its name then"`
	Own  []OwnSize `json:"own,omitempty" doc:"sizes of its own; all else is as in the head"`
}

// OwnSize is a size that a member of a family does not take from its head.
type OwnSize struct {
	Feature string  `json:"feature" doc:"id of the feature the size is of"`
	Size    string  `json:"size" doc:"which of its sizes, as its dimension says"`
	Value   float64 `json:"value" doc:"mm, degrees or count"`
}

// mostOwn is how many sizes of its own a member of a family has.
const mostOwn = 200

func (k *Kin) validate() error {
	if k == nil {
		return nil
	}
	if k.Of == "" || len(k.Of) > 64 || len(k.Name) > maxReason {
		return working.Refuse("/kin/of", "Say which part of the job heads the family.")
	}
	if len(k.Own) > mostOwn {
		return working.Refuse("/kin/own", "A member of a family has up to %d sizes of its own.", mostOwn)
	}
	for i, o := range k.Own {
		at := "/kin/own/" + strconv.Itoa(i)
		if len(o.Feature) > 64 || len(o.Size) > 200 || o.Size == "" {
			return working.Refuse(at+"/size", "Say which size is its own.")
		}
		if err := working.Within(at+"/value", "A size of its own", o.Value, -1e6, 1e6, ""); err != nil {
			return err
		}
	}
	return nil
}

// Has tells whether a size is a member's own; nothing is of a part of no family.
func (k *Kin) Has(feature, size string) bool {
	if k == nil {
		return false
	}
	for _, o := range k.Own {
		if o.Feature == feature && o.Size == size {
			return true
		}
	}
	return false
}
