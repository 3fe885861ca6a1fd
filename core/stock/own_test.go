package stock

import (
	"math"
	"strings"
	"testing"
)

// A material of the shop's own has its own strengths and name and all else of what it is like; its
// key says it all, whatever is in the name.
func TestOwnMaterials(t *testing.T) {
	base, _ := MaterialByKey("steel-s355")
	for _, name := range []string{"S355 plate, heat 4711", "odd: name: of colons", "ä 1/4"} {
		key := OwnKey("steel-s355", 412.5, 530, name)
		m, err := MaterialByKey(key)
		if err != nil || m.Key != key || m.Name != name || m.Yield != 412.5 || m.Tensile != 530 {
			t.Fatalf("%v %+v", err, m)
		}
		if m.Density != base.Density || m.Modulus != base.Modulus || m.Family != base.Family || m.Temper != base.Temper ||
			!strings.Contains(m.Source, base.Name) || !strings.Contains(m.Caution, "delivery") {
			t.Errorf("%+v", m)
		}
		a, b := m.SmallestRadius(5)
		c, d := base.SmallestRadius(5)
		if math.Abs(a-c)+math.Abs(b-d) > 0 {
			t.Errorf("radii %g %g, of its base %g %g", a, b, c, d)
		}
	}
	if m, err := MaterialByKey(OwnKey("steel-unknown", 260, 380, "pulled coupon")); err != nil || !m.Known() ||
		strings.Contains(m.Caution, "not known") {
		t.Errorf("%v %+v", err, m)
	}
	for what, key := range map[string]string{"no base": OwnKey("cheese", 300, 400, "x"), "no name": OwnKey("steel-s355", 300, 400, " "),
		"round the wrong way": OwnKey("steel-s355", 500, 400, "x"), "nothing": OwnKey("steel-s355", 0, 400, "x"),
		"minus":        OwnKey("steel-s355", -1, 400, "x"),
		"not a number": OwnKey("steel-s355", math.NaN(), 400, "x"), "in ksi": OwnKey("steel-s355", 50, 70, "x"), "a " +
			"slip": OwnKey("steel-s355", 3000, 4000, "x"),
		"of an own one": OwnKey(OwnKey("steel-s355", 400, 500, "y"), 400, 500, "x"), "cut off": "own:steel-s355:300",
		"endless": "own:own:own:own:x",
		"long":    OwnKey("steel-s355", 300, 400, strings.Repeat("x", 200))} {
		if m, err := MaterialByKey(key); err == nil {
			t.Errorf("%s: %+v", what, m)
		}
	}
}
