//go:build race

package httpapi

// Under the race detector work is many times slower: its tests ask what is answered, not how soon.
func init() { patience = 6 }
