package working_test

import (
	"errors"
	"fmt"

	"warmanvil/core/working"
)

// A refusal says where and what, and keeps its place when it comes from deeper down.
func Example() {
	err := working.Under("/part", working.Above("/thickness", "The thickness", -1, 0, 100, "mm"))
	var f *working.Fault
	if errors.As(err, &f) {
		fmt.Println(f.Path, f.Message)
	}
	// Output: /part/thickness The thickness must be over 0 and at most 100 mm, not -1 mm.
}
