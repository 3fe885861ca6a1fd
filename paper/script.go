package paper

import (
	"strings"
	"sync"
	"time"

	"codeberg.org/go-pdf/fpdf"
	"golang.org/x/image/font/gofont/gobold"
	"golang.org/x/image/font/gofont/goregular"
	"golang.org/x/image/font/sfnt"
)

// script writes on the pages of one PDF. All text goes through it, so that a character the
// font has not is drawn as a box and is never left out in silence.
type script struct{ *fpdf.Fpdf }

// newScript begins a document of a size, in mm. The same date gives the same bytes.
func newScript(size Size, date time.Time, title string) (f script, w, h float64) {
	w, h = size.millimetres()
	f = script{fpdf.NewCustom(&fpdf.InitType{UnitStr: "mm", Size: fpdf.SizeType{Wd: w, Ht: h}})}
	f.SetCreationDate(date)
	f.SetModificationDate(date)
	f.SetCatalogSort(true)
	f.SetAutoPageBreak(false, 0)
	f.SetTitle(drawn(title), true)
	f.AddUTF8FontFromBytes("go", "", goregular.TTF)
	f.AddUTF8FontFromBytes("go", "B", gobold.TTF)
	return f, w, h
}

// Text writes a line with its foot at a point.
func (f script) Text(x, y float64, s string) { f.Fpdf.Text(x, y, drawn(s)) }

// SplitText breaks a text into lines of a width.
func (f script) SplitText(s string, width float64) []string { return f.Fpdf.SplitText(drawn(s), width) }

// GetStringWidth answers how wide a line is in the font in use.
func (f script) GetStringWidth(s string) float64 { return f.Fpdf.GetStringWidth(drawn(s)) }

// drawn is a text as the font can write it.
func drawn(s string) string {
	return strings.Map(func(r rune) rune {
		switch {
		case r == '\n', r == '\r', r == '\t', r >= ' ' && r <= '~':
			return r
		case r < ' ' || r > 0xffff || !hasGlyph(r):
			return '□'
		}
		return r
	}, s)
}

// glyphs looks characters up in the font; its lists end at U+FFFF.
var glyphs = sync.OnceValues(func() (*sfnt.Font, error) { return sfnt.Parse(goregular.TTF) })

func hasGlyph(r rune) bool {
	font, err := glyphs()
	if err != nil {
		return true // the font that is built in is whole: a test reads it
	}
	var buffer sfnt.Buffer
	i, err := font.GlyphIndex(&buffer, r)
	return err == nil && i != 0
}
