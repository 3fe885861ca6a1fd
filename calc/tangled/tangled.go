// Package tangled writes requests that take as long as any may, for tests.
package tangled

import (
	"fmt"
	"math/rand/v2"
	"strings"
)

// Frame is a request of the calculation frame: nodes whose members run from anywhere to
// anywhere, and so many frequencies asked for.
func Frame(nodes, modes int) string {
	r := rand.New(rand.NewPCG(1, 2))
	var at, members strings.Builder
	for i := range nodes {
		fmt.Fprintf(&at, `,"%d":[%.1f,%.1f,%.1f]`, i, r.Float64()*1e4, r.Float64()*1e4, r.Float64()*1e4)
		for range 3 {
			if to := r.IntN(nodes); to != i {
				fmt.Fprintf(&members, `,{"from":"%d","to":"%d","e":2e5,"g":8e4,"area":300,"iy":1e5,"iz":1e5,"j":1e5,"mass":2}`, i, to)
			}
		}
	}
	return fmt.Sprintf(`{"nodes":{%s},"members":[%s],"supports":{"0":[true,true,true,true,true,true]},"modes":%d}`, at.String()[1:],
		members.String()[1:], modes)
}
