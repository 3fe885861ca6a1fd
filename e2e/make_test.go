package e2e

import (
	"bytes"
	"os"
	"path/filepath"
	"testing"
)

// The list of all parts and a mock-up in the shop's own board come from the
// Make bench; a board nobody has is refused in words.
func TestPartsListAndMockup(t *testing.T) {
	a := startApp(t)
	truck, _ := a.demoPart(t, "Orchard truck", "Shelf bracket")
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + truck + "/make")
	p.see("Parts list")
	p.press("Parts list as CSV")
	name, data := p.download(".csv")
	for _, want := range []string{"name,hand,is,revision,quantity", "Press foot,left,part", "Press foot,right,part",
		"Underfloor outriggers,,frame", "in all"} {
		if !bytes.Contains(data, []byte(want)) {
			t.Errorf("%s lacks %q: %.300q", name, want, data)
		}
	}
	mockup := `document.querySelectorAll('[data-file=mockup-dxf]')[0].click()`
	eval[bool](p, `(`+mockup+`, true)`)
	name, thin := p.download(".dxf")
	if err := os.Remove(filepath.Join(p.downloads, name)); err != nil {
		t.Fatal(err)
	}
	p.set("body", "Board of mock-ups", "5")
	p.wait("the board to be kept", `localStorage.getItem('warmanvil.board.mm') === '5'`)
	eval[bool](p, `(`+mockup+`, true)`)
	if _, thick := p.download(".dxf"); len(thick) == 0 || bytes.Equal(thin, thick) {
		t.Error("the mock-up is the same in any board")
	}
	p.set("body", "Board of mock-ups", "80")
	p.wait("the board to be kept", `localStorage.getItem('warmanvil.board.mm') === '80'`)
	eval[bool](p, `(`+mockup+`, true)`)
	p.see("A mock-up is made of board from 0.2 to 50 mm.")
}
