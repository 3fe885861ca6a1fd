package e2e

import (
	"testing"

	"warmanvil/core/brief"
)

func TestZZ(t *testing.T) {
	a := startApp(t)
	id := a.ear(t, brief.UnitFraction, 6)
	p := open(t, a, 1280, 1600)
	p.goTo("/jobs/" + id + "/hold")
	p.verdict("over")
	p.press("Ways to weld it, side by side")
	p.wait("the schools", `document.querySelectorAll('[data-schools] [data-school]').length === 10`)
	p.shot("/tmp/s1.png")
}
