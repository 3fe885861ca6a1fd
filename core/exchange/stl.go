package exchange

import (
	"bytes"
	"encoding/binary"
	"math"

	"warmanvil/core/solid"
)

// STL writes a body as a binary STL in millimetres: 80 bytes of heading, the
// count, then a normal and three corners a triangle.
func STL(b solid.Body, name string) []byte {
	var out bytes.Buffer
	head := make([]byte, 80)
	copy(head, "Warm Anvil, mm: "+name)
	out.Write(head)
	put := func(v any) { _ = binary.Write(&out, binary.LittleEndian, v) } // a buffer does not fail
	put(uint32(b.Count()))
	for _, piece := range b.Pieces {
		for _, t := range piece {
			n := t[1].Sub(t[0]).Cross(t[2].Sub(t[0]))
			if l := n.Len(); l > 0 {
				n = n.Mul(1 / l)
			}
			for _, v := range [4]solid.Vector{n, t[0], t[1], t[2]} {
				for _, x := range v {
					put(math.Float32bits(float32(x)))
				}
			}
			put(uint16(0))
		}
	}
	return out.Bytes()
}
