package strength_test

import (
	"fmt"

	"warmanvil/core/strength"
)

// The worst of several checks, and what was not looked at.
func Example() {
	use := .72
	list := []strength.Check{{Key: "shear", Verdict: strength.Holds, Utilisation: &use},
		strength.Silent("bearing", "Bearing", "Nobody said how thick the wall is.")}
	fmt.Println(strength.Worst(list))
	// Output: cannot say
}
