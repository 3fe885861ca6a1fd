package flags_test

import (
	"strings"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/working"
)

// A soft sheet is opened and bent again twice, then it is scrap; hard aluminium never is. A jog is
// told once, though it has two bends.
func TestBentAgain(t *testing.T) {
	ask := func(material string, times int, kind sheet.FlangeKind) (found []working.Finding) {
		r := plates.Plate(200, 100)
		f := plates.Flange("f", sheet.Front, 40, 90)
		f.Rebent, f.InsideRadius = times, 12
		if f.Kind = kind; kind == sheet.Jog {
			f.Angle, f.Depth = 45, 40
		}
		r.Material, r.Base.Flanges = material, []sheet.Flange{f}
		for _, x := range plates.Build(t, r).Findings {
			if strings.HasPrefix(x.Code, "rebent") {
				found = append(found, x)
			}
		}
		return found
	}
	for _, c := range []struct {
		material string
		times    int
		severity working.Severity
		says     string
	}{
		{"alu-3003-h14", 1, working.Note, "once of it 2 times"},
		{"alu-3003-h14", 2, working.Mind, "takes no more"},
		{"alu-3003-h14", 3, working.Stop, "the piece is scrap"},
		{"alu-6061-t6", 1, working.Stop, "takes no such thing"},
	} {
		got := ask(c.material, c.times, sheet.Bent)
		if len(got) != 1 || got[0].Severity != c.severity || !strings.Contains(got[0].Reason, c.says) || got[0].Working == nil {
			t.Errorf("%s, %d: %+v", c.material, c.times, got)
		}
	}
	if got := ask("steel-cold", 0, sheet.Bent); len(got) != 0 {
		t.Errorf("%+v", got)
	}
	if got := ask("steel-cold", 3, sheet.Jog); len(got) != 1 {
		t.Errorf("a jog is told %d times", len(got))
	}
}
