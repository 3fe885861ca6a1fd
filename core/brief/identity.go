package brief

import (
	"fmt"
	"strings"
	"unicode/utf8"

	"warmanvil/core/working"
)

// Identity is which of its kind the vehicle is: what was measured holds for that one.
type Identity struct {
	Variant string   `json:"variant,omitempty" doc:"body, wheelbase, drive"`
	Year    string   `json:"year,omitempty" doc:"of the model, as on its plate"`
	Number  string   `json:"number,omitempty" doc:"on its plate"`
	Fitted  []Fitted `json:"fitted,omitempty" doc:"options that decide whether something fits"`
}

// Fitted is an option of the vehicle that decides whether something fits.
type Fitted struct {
	ID    string `json:"id"`
	Text  string `json:"text" doc:"the option: second battery, tow pack, spare wheel below"`
	State string `json:"state" enum:"yes,no,unknown" doc:"whether this vehicle has it"`
	Of    string `json:"of,omitempty" doc:"id of the part or frame that depends on it"`
	Seen  string `json:"seen,omitempty" doc:"who looked, and where"`
}

// Open tells whether nobody looked yet.
func (f Fitted) Open() bool { return f.State != "yes" && f.State != "no" }

// Holds tells whether it holds back a part or frame: that depends on it, and nobody looked.
func (f Fitted) Holds(id string) bool { return f.Open() && f.Of != "" && f.Of == id }

// Called names the vehicle as far as it is known which one it is.
func (b Brief) Called() string {
	parts := []string{}
	for _, s := range []string{b.Vehicle, b.Identity.Variant, b.Identity.Year} {
		if s = strings.TrimSpace(s); s != "" {
			parts = append(parts, s)
		}
	}
	if n := strings.TrimSpace(b.Identity.Number); n != "" {
		parts = append(parts, "no. "+n)
	}
	return strings.Join(parts, ", ")
}

func (d Identity) check() error {
	for _, x := range []struct{ path, text string }{{"variant", d.Variant}, {"year", d.Year}, {"number", d.Number}} {
		if utf8.RuneCountInString(x.text) > MaxName {
			return working.Refuse("/identity/"+x.path, "This holds up to %d characters.", MaxName)
		}
	}
	if len(d.Fitted) > MaxList {
		return working.Refuse("/identity/fitted", "This list holds up to %d.", MaxList)
	}
	for i, f := range d.Fitted {
		at := fmt.Sprintf("/identity/fitted/%d", i)
		if utf8.RuneCountInString(f.Text+f.Seen) > MaxText {
			return working.Refuse(at, "Texts hold up to %d characters.", MaxText)
		}
		if f.State != "yes" && f.State != "no" && f.State != "unknown" && f.State != "" {
			return working.Refuse(at+"/state", "It has it, has it not, or nobody knows: yes, no or unknown, not %q.", f.State)
		}
	}
	return nil
}
