package e2e

import ("testing"; "os"; "strings"; "net/http"; "io")

func TestZZLook(t *testing.T) {
	a := startApp(t)
	jobID, id := a.demoPart(t, "Hive trailer", "Hive deck frame")
	for _, k := range strings.Fields("saw labels wraps plan csv xlsx jig stl") {
		r, err := http.Get(a.URL + "/api/v1/frames/" + id + "/files/" + k)
		if err != nil { t.Fatal(err) }
		b, _ := io.ReadAll(r.Body)
		os.WriteFile("/tmp/shot/f-"+k, b, 0o600)
		if r.StatusCode != 200 { t.Errorf("%s %s", k, b) }
	}
	p := open(t, a, 1280, 800)
	u := "/jobs/" + jobID + "/shape/frame/" + id
	p.goTo(u+"/holds")
	p.press("Dim")
	p.wait("drawn", `document.querySelector('.body[data-ready]')`)
	p.pick(".sheet", "Try in all members of", "60 × 40 × 3 mm tube")
	p.see("lightest that holds")
	p.press("10×")
	eval[bool](p, `([...document.querySelectorAll('h2')].find(h => h.innerText.includes('Another')).scrollIntoView(), true)`)
	p.shot("/tmp/shot/f2.png")
	p.goTo(u)
	p.wait("drawn", `document.querySelector('.body[data-ready]')`)
	p.shot("/tmp/shot/f1.png")
}
