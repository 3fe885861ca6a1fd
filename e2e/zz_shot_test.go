package e2e

import "testing"

func TestZZ(t *testing.T) {
	a := startApp(t)
	job, _ := a.demoPart(t, "Orchard truck", "Press foot")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + job + "/measure/tried")
	p.wait("rows", `document.querySelector('#trials')`)
	p.calm()
	p.shot("/tmp/s1.png")
	eval[bool](p, `(document.querySelector('#trials').scrollIntoView(), true)`)
	p.calm()
	p.shot("/tmp/s2.png")
	p.goTo("/jobs/" + job + "/measure")
	p.wait("which", `document.querySelector('#which .item')`)
	eval[bool](p, `(document.querySelector('#which').scrollIntoView(), true)`)
	p.calm()
	p.shot("/tmp/s3.png")
}
