package trace_test

import (
	"context"
	"fmt"

	"warmanvil/core/trace"
)

// A drawing becomes outlines, with what was doubtful said.
func Example() {
	d, err := trace.Read(context.Background(), "plate.svg", []byte(`<svg width="100mm" height="60mm" viewBox="0 0 100 60"><rect width="100" height="60"/><circle cx="20" cy="30" r="4"/></svg>`))
	if err != nil {
		panic(err)
	}
	t, err := d.Join(context.Background(), trace.Options{})
	if err != nil {
		panic(err)
	}
	fmt.Printf("%d outlines, %.0f mm² without the hole\n", len(t.Loops), t.Net)
	// Output: 2 outlines, 5950 mm² without the hole
}
