package httpapi_test

import (
	"encoding/base64"
	"fmt"
	"strings"
	"testing"
)

// largeDrawing is a request with a drawing of so many lines, in squares.
func largeDrawing(lines int) string {
	var b strings.Builder
	b.WriteString("0\nSECTION\n2\nENTITIES\n")
	for i := range lines / 4 {
		x, y := float64(i%200)*12, float64(i/200)*12
		for _, l := range [][4]float64{{x, y, x + 8, y}, {x + 8, y, x + 8, y + 8}, {x + 8, y + 8, x, y + 8}, {x, y + 8, x, y}} {
			fmt.Fprintf(&b, "0\nLINE\n8\n0\n10\n%g\n20\n%g\n11\n%g\n21\n%g\n", l[0], l[1], l[2], l[3])
		}
	}
	b.WriteString("0\nENDSEC\n0\nEOF\n")
	return `{"name":"a.dxf","base64":"` + base64.StdEncoding.EncodeToString([]byte(b.String())) + `","unitsToMM":1,"tolerance":0,"layers":[]}`
}

// BenchmarkLargestDrawing is the dearest request there is: what it allocates in all is the
// bound that docs/steady.md speaks of.
func BenchmarkLargestDrawing(b *testing.B) {
	c := start(b)
	j, _ := c.demo()
	body := largeDrawing(200_000)
	b.SetBytes(int64(len(body)))
	b.ReportAllocs()
	for b.Loop() {
		if r := c.do("POST", "/api/v1/jobs/"+j.ID+"/trace", body); r.status != 200 {
			b.Fatal(r.status, string(r.body))
		}
	}
}

// A drawing of more lines than are taken is refused with its number and the limit.
func TestTooLargeADrawing(t *testing.T) {
	c := start(t)
	j, _ := c.demo()
	p := c.do("POST", "/api/v1/jobs/"+j.ID+"/trace", largeDrawing(250_004)).refused(t, 422, "/base64")
	if !strings.Contains(p.Detail, "more than 250000") {
		t.Error(p.Detail)
	}
	p = c.do("POST", "/api/v1/jobs/"+j.ID+"/trace", `{"base64":"`+strings.Repeat("A", 21<<20)+`"}`).refused(t, 413, "")
	if !strings.Contains(p.Detail, "20 MB") {
		t.Error(p.Detail)
	}
}
