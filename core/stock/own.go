package stock

import (
	"fmt"
	"strconv"
	"strings"
	"unicode/utf8"
)

// own begins the key of a material of the shop's own. Such a key says all of it, so that a recipe
// means the same wherever it is read and whatever becomes of the shop's list: the material
// of the table it is like, yield and tensile strength in MPa, and its name.
const own = "own:"

// mostName is how long the name of a material of the shop's own may be.
const mostName = 80

// OwnKey answers the key of a material of the shop's own, strengths in MPa.
func OwnKey(base string, yield, tensile float64, name string) string {
	number := func(v float64) string { return strconv.FormatFloat(v, 'g', -1, 64) }
	return own + strings.Join([]string{base, number(yield), number(tensile), name}, ":")
}

// BaseOf answers the material of the table that one of the shop's own is like; any other's own key.
func BaseOf(key string) string {
	if rest, is := strings.CutPrefix(key, own); is {
		base, _, _ := strings.Cut(rest, ":")
		return base
	}
	return key
}

// ownMaterial reads such a key: the material it is like with its own strengths and name. Density,
// modulus, radii and temper are those of the table's. It fails where a strength is none, or so
// far off the table's that it is another material or a slip of the unit.
func ownMaterial(key string) (Material, error) {
	parts := strings.SplitN(strings.TrimPrefix(key, own), ":", 4)
	if len(parts) != 4 || strings.TrimSpace(parts[3]) == "" || utf8.RuneCountInString(parts[3]) > mostName ||
		strings.HasPrefix(parts[0], own) {
		return Material{}, fmt.Errorf("an own material says what it is like, its strengths and a name of up to %d characters", mostName)
	}
	m, err := MaterialByKey(parts[0])
	if err != nil {
		return Material{}, err
	}
	yield, errY := strconv.ParseFloat(parts[1], 64)
	tensile, errT := strconv.ParseFloat(parts[2], 64)
	switch {
	case errY != nil || errT != nil || !(yield > 0) || !(tensile > 0) || tensile > 3000:
		return Material{}, fmt.Errorf("the strengths of %s are numbers in MPa, over nothing", parts[3])
	case yield > tensile:
		return Material{}, fmt.Errorf("%s yields at %g MPa, over its tensile strength of %g: they are the wrong way round", parts[3],
			yield, tensile)
	case tensile > 2.5*m.Tensile || tensile < .4*m.Tensile:
		return Material{}, fmt.Errorf("a tensile strength of %g MPa is no %s, which has %g: say what else it is like", tensile,
			m.Name, m.Tensile)
	}
	base := m.Name
	m.Key, m.Name, m.Yield, m.Tensile = key, strings.TrimSpace(parts[3]), yield, tensile
	m.Source = "typed in the Shop, as its certificate or coupon says, of one delivery; all else as " + base
	if !m.Known() {
		m.Caution = "" // now it is
	}
	m.Caution = strings.TrimSpace(m.Caution + " Its strengths hold for the delivery they were certified for alone: another plate of " +
		"that name is as the " +
		"standard has it.")
	return m, nil
}
