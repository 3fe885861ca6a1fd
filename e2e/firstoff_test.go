package e2e

import (
	"os"
	"strings"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/job"
)

// Four brackets wait for the first of them: its files say so, its sizes are typed, it is off,
// is taken off again and measured right; then the batch's files are there. What its
// sizes say of K is kept in the shop by a press.
func TestFirstOfABatch(t *testing.T) {
	a := startApp(t)
	if err := a.jobs.LoadDemoShop(t.Context()); err != nil {
		t.Fatal(err)
	}
	truck, id := a.demoPart(t, "Orchard truck", "Shelf bracket")
	a.free(t, truck)
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + truck + "/make")
	p.see("Make one of the 4 first")
	row := `[...document.querySelectorAll('section.part')].find(x => x.querySelector('h2').innerText.startsWith('Shelf bracket'))`
	p.wait("the part", `!!(`+row+`)`)
	eval[bool](p, `(`+row+`.querySelector('[data-file=dxf]').click(), true)`)
	name, data := p.download(".dxf")
	if !strings.Contains(name, "first-piece") || !strings.Contains(string(data), "first piece") {
		t.Errorf("%s is not said to be of the first piece", name)
	}
	if err := os.Remove(p.downloads + "/" + name); err != nil {
		t.Fatal(err)
	}
	eval[bool](p, `(`+row+`.querySelector('[data-first] button').click(), true)`)
	p.wait("its sizes", `(`+row+`).querySelectorAll('[data-size]').length >= 3`)
	sizes := eval[[]string](p, `[...(`+row+`).querySelectorAll('[data-size]')].map(x => x.dataset.size)`)
	read := func(key, text string) {
		t.Helper()
		in := `[data-first] [data-size="` + key + `"]`
		p.set(in, eval[string](p, `document.querySelector('`+in+` label').innerText.trim()`), text)
	}
	text := func(key string) string {
		return eval[string](p, `(`+row+`).querySelector('[data-size="`+key+`"] .big').innerText`)
	}
	leg := ""
	for _, key := range sizes {
		is := strings.Fields(text(key))[0]
		if leg == "" && strings.HasSuffix(key, " length") && !strings.Contains(key, "/base/") {
			leg = key
			is = strings.TrimSuffix(is, " mm") + " + 3"
		}
		read(key, strings.TrimSuffix(is, "°"))
	}
	p.see("The first piece is off in 1 of")
	read(leg, strings.Fields(text(leg))[0]+" + 0.4")
	p.see("and is as computed.")
	p.see("less than computed")
	eval[bool](p, `(`+row+`.querySelector('[data-file=dxf]').click(), true)`)
	if name, _ := p.download(".dxf"); strings.Contains(name, "first-piece") {
		t.Errorf("%s is still of the first piece", name)
	}
	eval[bool](p, `([...`+row+`.querySelectorAll('.learn')].find(x => x.innerText.includes('less')).querySelector(':scope > button').click(), true)`)
	p.see("It is a test strip of the Shop now")
	w, err := a.jobs.Shop(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	kept := w.Strips[len(w.Strips)-1]
	if k, err := bend.FromCoupon(kept.Coupon); err != nil || kept.Batch != "first piece of Shelf bracket" || k.KFactor < .1 ||
		k.KFactor > .4 {
		t.Errorf("kept: %+v, K %.3f, %v", kept, k.KFactor, err)
	}
	// Another length makes it another drawing: the next batch waits again.
	part, err := a.jobs.Part(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	part.Recipe.Base.Width += 10
	if _, err := a.jobs.SavePart(t.Context(), id, job.On{Revision: part.Revision}, job.PartState{Name: part.Name,
		Quantity: part.Quantity, Recipe: part.Recipe}); err != nil {
		t.Fatal(err)
	}
	p.goTo("/jobs/" + truck + "/make")
	p.see("The drawing was changed since the first piece was measured")
	// The first size typed now begins another piece: what was read of the last one is gone, what is typed
	// after it stays.
	eval[bool](p, `(`+row+`.querySelector('[data-first] button').click(), true)`)
	p.wait("its sizes", `(`+row+`).querySelectorAll('[data-size]').length >= 3`)
	for _, key := range sizes[:2] {
		read(key, strings.Fields(text(key))[0])
	}
	p.wait("two sizes of the new piece", `(`+row+`).querySelectorAll('[data-size].good').length === 2`)
	p.see("3 of its 5 sizes wait to be measured")
}
