package cutlist_test

import (
	"context"
	"fmt"

	"warmanvil/core/member"
	"warmanvil/core/member/cutlist"
	"warmanvil/core/member/racks"
	"warmanvil/core/member/shape"
)

// Two members on sticks of 6 m.
func Example() {
	d := racks.Path(racks.Box40, [3]float64{}, [3]float64{1000}, [3]float64{1000, 500})
	list := cutlist.Plan(context.Background(), shape.Build(d, nil), member.Saw{Stick: 6000, Kerf: 3})
	fmt.Println(len(list.Rows), "rows,", list.Stocks[0].New, "stick:", list.Stocks[0].Says)
	// Output: 2 rows, 1 stick: no plan needs fewer
}
