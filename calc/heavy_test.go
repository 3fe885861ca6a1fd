package calc

import (
	"encoding/base64"
	"errors"
	"fmt"
	"math"
	"math/rand/v2"
	"runtime"
	"strings"
	"testing"

	"warmanvil/calc/tangled"
	"warmanvil/core/working"
)

// star is a wavy outline of n corners.
func star(n int, radius float64) string {
	var b strings.Builder
	for i := range n {
		a, r := 2*math.Pi*float64(i)/float64(n), radius*(1+.05*math.Sin(float64(i)*2.7))
		fmt.Fprintf(&b, `,{"x":%.3f,"y":%.3f}`, r*math.Cos(a), r*math.Sin(a))
	}
	return "[" + b.String()[1:] + "]"
}

// sieve is a plate with a cutout of so many corners, repeated.
func sieve(corners, columns, rows int) string {
	return fmt.Sprintf(`{"part":{"schema":1,"material":"steel-a36","thickness":3,"process":"laser","tool":{"kind":"vdie"},
		"bend":{"school":"table","method":"air"},"base":{"id":"base","length":5000,"width":4000,"holes":[{"id":"a","kind":"cutout",
		"x":{"edge":"left","distance":100},"y":{"edge":"front","distance":100},"cut":%s,
		"pattern":{"kind":"grid","columns":%d,"rows":%d,"pitchX":90,"pitchY":90}}]}}}`, star(corners, 20), columns, rows)
}

// heap is a plate with n holes of their own, all in one place.
func heap(n int) string {
	var b strings.Builder
	for i := range n {
		fmt.Fprintf(&b, `,{"id":"h%d","kind":"round","diameter":%d,"x":{"edge":"left","distance":900},"y":{"edge":"front","distance":900}}`, i, 5+i%7)
	}
	return `{"part":{"schema":1,"material":"steel-a36","thickness":3,"process":"laser","tool":{"kind":"vdie"},
		"bend":{"school":"table","method":"air"},"base":{"id":"base","length":2000,"width":2000,"holes":[` + b.String()[1:] + `]}}}`
}

// drawing is an import of a DXF.
func drawing(blocks, entities string) string {
	text := "0\nSECTION\n2\nBLOCKS\n" + blocks + "0\nENDSEC\n0\nSECTION\n2\nENTITIES\n" + entities + "0\nENDSEC\n0\nEOF\n"
	return `{"name":"a.dxf","base64":"` + base64.StdEncoding.EncodeToString([]byte(text)) + `"}`
}

// nested is blocks in blocks, each of the next repeated 60 times, of lines nobody sees.
func nested() string {
	b := "0\nBLOCK\n2\nA\n10\n0\n20\n0\n" + strings.Repeat("0\nLINE\n8\nH\n60\n1\n10\n0\n20\n0\n11\n1\n21\n1\n", 300) + "0\nENDBLK\n"
	for i, name := range []string{"B", "C", "D", "E"} {
		b += "0\nBLOCK\n2\n" + name + "\n10\n0\n20\n0\n" + strings.Repeat("0\nINSERT\n2\n"+"ABCD"[i:i+1]+"\n10\n0\n20\n0\n", 60) + "0\nENDBLK\n"
	}
	return drawing(b, "0\nINSERT\n2\nE\n10\n0\n20\n0\n")
}

// spline is one of n points all over the place.
func spline(n int, wide float64) string {
	r := rand.New(rand.NewPCG(1, 2))
	var b strings.Builder
	b.WriteString("0\nSPLINE\n8\n0\n71\n3\n")
	for i := range n + 4 {
		fmt.Fprintf(&b, "40\n%d\n", min(max(i-3, 0), n-3))
	}
	for i := range n {
		fmt.Fprintf(&b, "10\n%.0f\n20\n%.0f\n", float64(i)*3, r.Float64()*wide)
	}
	return drawing("", b.String())
}

func scattered(n int, entity func(x, y, r float64) string) string {
	r := rand.New(rand.NewPCG(1, 2))
	var b strings.Builder
	for range n {
		b.WriteString(entity(r.Float64()*1000, r.Float64()*1000, 1+r.Float64()*1000))
	}
	return drawing("", b.String())
}

func ring(x, y, r float64) string {
	return fmt.Sprintf("0\nCIRCLE\n8\n0\n10\n%.1f\n20\n%.1f\n40\n%.1f\n", x, y, r)
}

// Small requests cannot occupy the program: what would take long is counted before the
// work begins and refused with its number and the limit, and nothing takes the memory of a
// machine. How long they take is BenchmarkHeavy's.
func TestHeavyRequests(t *testing.T) {
	for name, c := range heavy() {
		t.Run(name, func(t *testing.T) {
			k, err := Find(c.calc)
			if err != nil {
				t.Fatal(err)
			}
			var before, after runtime.MemStats
			runtime.ReadMemStats(&before)
			_, err = k.Run(t.Context(), []byte(c.request))
			runtime.ReadMemStats(&after)
			if mb := (after.TotalAlloc - before.TotalAlloc) >> 20; mb > 300 {
				t.Errorf("it took %d MB", mb)
			}
			var fault *working.Fault
			switch {
			case c.refused == "" && err != nil:
				t.Error("refused:", err)
			case c.refused != "" && (!errors.As(err, &fault) || !strings.Contains(fault.Message, c.refused)):
				t.Errorf("%v, want it refused for %q", err, c.refused)
			}
			if len(c.request) > 1<<20 {
				t.Errorf("a request of %d bytes never arrives", len(c.request))
			}
		})
	}
}

type heavyCase struct{ calc, request, refused string }

func heavy() map[string]heavyCase {
	return map[string]heavyCase{
		"cutout repeated":        {"flat", sieve(2000, 50, 40), "50000 corners at most, patterns counted out, and these have 4000000"},
		"sieve as large as may":  {"flat", sieve(25, 50, 40), ""},
		"tangled frame":          {"frame", tangled.Frame(3000, 10), "up to 6000 and 24 million"},
		"frame as tangled":       {"frame", tangled.Frame(900, 0), ""},
		"its frequencies":        {"frame", tangled.Frame(300, 10), ""},
		"holes over one another": {"flat", heap(2000), ""},
		"blocks in blocks":       {"import", nested(), "4000000 places"},
		"block repeated": {"import", drawing("0\nBLOCK\n2\nA\n0\nTEXT\n0\nENDBLK\n",
			"0\nINSERT\n2\nA\n10\n0\n20\n0\n70\n9999\n71\n9999\n44\n1\n45\n1\n"),
			"250000 times"},
		"spline":      {"import", spline(20_000, 50), ""},
		"wild spline": {"import", spline(20_000, 1e5), "250000 lines and arcs"},
		"ellipses": {"import", scattered(9000, func(x, y, _ float64) string {
			return fmt.Sprintf("0\nELLIPSE\n8\n0\n10\n%.0f\n20\n%.0f\n11\n100000\n21\n0\n40\n0.5\n41\n0\n42\n6.28\n", x, y)
		}), "250000 lines and arcs"},
		"circles over one another": {"import", scattered(12_000, ring), ""},
	}
}

// The time of each heavy request, those that are refused too.
func BenchmarkHeavy(b *testing.B) {
	for name, c := range heavy() {
		b.Run(name, func(b *testing.B) {
			k, err := Find(c.calc)
			if err != nil {
				b.Fatal(err)
			}
			b.ReportAllocs()
			for b.Loop() {
				if _, err := k.Run(b.Context(), []byte(c.request)); (err != nil) != (c.refused != "") {
					b.Fatal(err)
				}
			}
		})
	}
}
