package bend_test

import (
	"fmt"

	"warmanvil/core/bend"
)

// A flange of 90° in 3 mm sheet: what the bend takes of the flat.
func Example() {
	r, err := bend.Work(bend.Input{InsideRadius: 3, Thickness: 3, KFactor: .42, Angle: 90})
	if err != nil {
		panic(err)
	}
	fmt.Printf("bend allowance %.2f mm, bend deduction %.2f mm: %s\n", r.BendAllowance, *r.BendDeduction, r.Working.Formula)
	// Output: bend allowance 6.69 mm, bend deduction 5.31 mm: BA = A·π/180·(R + K·T);  OSSB = (R + T)·tan(A/2);  BD = 2·OSSB − BA
}
