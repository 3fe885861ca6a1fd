package made

import (
	"fmt"
	"strings"

	"warmanvil/core/sheet"
)

// Welded names the corners of a part that are closed by a weld once it is bent.
func (p Part) Welded(r sheet.Recipe) []string {
	names := map[string]string{}
	for _, x := range p.Panels {
		names[x.ID] = x.Name
	}
	out := []string{}
	if p.Round != nil && p.Round.Closed {
		out = append(out, "its seam, end to end")
	}
	for _, m := range r.WeldedMeets() {
		if a, b := names[m.A], names[m.B]; a != "" && b != "" {
			out = append(out, fmt.Sprintf("%s to %s", a, strings.ToLower(b[:1])+b[1:]))
		}
	}
	return out
}
