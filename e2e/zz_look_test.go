package e2e

import "testing"

func TestZZLook(t *testing.T) {
	a := startApp(t)
	jobID, _ := a.demoPart(t, "Orchard truck", "Compressor tray bracket")
	inch, _ := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + jobID + "/measure/fits")
	p.press("Dim")
	p.see("Sliding fits")
	p.shot("/tmp/shot/fits-shed.png")
	p.goTo("/jobs/" + inch + "/measure/fits")
	p.wait("sheet", `document.querySelector("section")`)
	p.shot("/tmp/shot/fits-inch.png")
	p.goTo("/jobs/" + inch + "/make")
	p.see("Amplifier")
	p.shot("/tmp/shot/make-inch.png")
}
