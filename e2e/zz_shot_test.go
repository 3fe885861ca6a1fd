package e2e

import "testing"

func TestZZ(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	for _, s := range []string{"centred", "captive", "socket", "index", "inserts", "gap", "flush"} {
		p.goTo("/quick/" + s)
		p.wait(s, `document.querySelector('.formula')`)
		p.calm()
		p.shot("/tmp/q_" + s + ".png")
	}
}
