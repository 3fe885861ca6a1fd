package e2e

import (
	"math"
	"testing"

	"warmanvil/core/sheet"
	jobs "warmanvil/job"
)

// A fixture for studs is made from the holes of a part that is there, of inch play in an inch job; drilled
// through the part, what cannot be is refused beside its field and nothing typed is lost.
func TestAFixtureFromTheHolesOfAPart(t *testing.T) {
	a := startApp(t)
	job, part := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	shelf, err := a.jobs.Part(t.Context(), part)
	if err != nil {
		t.Fatal(err)
	}
	state := shelf.State()
	h := &state.Recipe.Base.Holes[0]
	h.Kind, h.Length, h.Angle, h.Diameter = sheet.RoundHole, 0, 0, .28125*25.4
	if _, err := a.jobs.SavePart(t.Context(), part, jobs.On{Revision: shelf.Revision}, state); err != nil {
		t.Fatal(err)
	}
	p := open(t, a, 1280, 800)
	p.bench(job, part)
	eval[bool](p, `([...document.querySelectorAll('.drawer [role=tab]')].find(x => x.innerText.startsWith('Holes')).click(), true)`)
	p.wait("the form", `document.querySelector('[data-fixture] summary')`)
	eval[bool](p, `(document.querySelector('[data-fixture] summary').click(), true)`)
	p.set("[data-fixture]", "Studs, diameter", "3")
	p.press("Make the fixture")
	p.see("does not go through")
	p.set("[data-fixture]", "Studs, diameter", "0.2")
	p.press("Make the fixture")
	p.wait("the new part", `!location.pathname.endsWith('`+part+`')`)
	p.drawn()
	parts, err := a.jobs.Parts(t.Context(), job)
	if err != nil {
		t.Fatal(err)
	}
	made := parts[len(parts)-1]
	if made.Quantity != 2 || made.Recipe.Base.Holes[0].Kind != sheet.RoundHole {
		t.Fatalf("%+v", made)
	}
	play := made.Recipe.Base.Holes[0].Diameter - .2*25.4
	if play <= 0 || math.Abs(play-.008*25.4) > 1e-6 {
		t.Errorf("a play of %.4f mm in an inch job", play)
	}
}
