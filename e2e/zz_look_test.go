package e2e

import "testing"

func TestZZLook(t *testing.T) {
	a := startApp(t)
	jobID, _ := a.demoPart(t, "Orchard truck", "Compressor tray bracket")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/make")
	p.press("Measure again for Compressor tray bracket")
	p.shot("/tmp/shot/make.png")
}
