package paper

import (
	"bytes"
	"testing"
	"time"
	"unicode/utf8"
)

// Every character is written or drawn as a box; the font that looks them up is whole.
func TestDrawn(t *testing.T) {
	if _, err := glyphs(); err != nil {
		t.Fatal(err)
	}
	for in, want := range map[string]string{
		"Bracket 3/8\" · Ø 9 ° é ł ±\nnext": "Bracket 3/8\" · Ø 9 ° é ł ±\nnext",
		"𝕎elder 🔧":     "□elder □",
		"שלום":         "□□□□",
		"a\x00b\x1b[1": "a□b□[1",
		"\xff\xfe":     "\ufffd\ufffd",
		"":             "",
	} {
		if got := drawn(in); got != want {
			t.Errorf("%q is drawn as %q, want %q", in, got, want)
		}
	}
	if !hasGlyph('□') || hasGlyph('ש') {
		t.Error("the box itself has to be in the font, Hebrew is not")
	}
	f, w, _ := newScript(A4, time.Unix(0, 0), "𝕎")
	f.AddPage()
	f.SetFont("go", "B", 12)
	for r := rune(1); r <= utf8.MaxRune; r += 37 { // none of them stops the printer
		s := string(r)
		f.Text(10, 20, s)
		f.SplitText(s+" "+s, w)
		if f.GetStringWidth(s) < 0 {
			t.Errorf("%U is less than nothing wide", r)
		}
	}
	var b bytes.Buffer
	if err := f.Output(&b); err != nil || b.Len() == 0 {
		t.Error(err)
	}
}
