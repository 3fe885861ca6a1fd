package site

import (
	"strings"
	"unicode"

	"warmanvil/core/sheet"
)

// Hands lists the hands a part is made in: one without a name, or both.
func (p Part) Hands() []sheet.Side {
	if !p.Recipe.Hand.Pair {
		return []sheet.Side{""}
	}
	return []sheet.Side{sheet.LeftHand, sheet.RightHand}
}

// Handed answers the recipe of one hand, mirrored when it is not the drawn one.
func (p Part) Handed(side sheet.Side) sheet.Recipe {
	drawn := p.Recipe.Hand.Drawn
	if drawn == "" {
		drawn = sheet.LeftHand
	}
	if side == "" || side == drawn {
		return p.Recipe
	}
	return p.Recipe.Mirror()
}

// Cut answers the recipe of one hand as it is cut and bent, the face that shows
// up.
func (p Part) Cut(side sheet.Side) sheet.Recipe { return p.Handed(side).CutFace() }

// Mark is what is written on the part: name, hand, revision.
func (p Part) Mark(side sheet.Side) string {
	mark := p.Name
	switch side {
	case sheet.LeftHand:
		mark += " L"
	case sheet.RightHand:
		mark += " R"
	}
	return mark
}

// FileName says job, part, hand and revision, in letters every system takes.
func FileName(jobName, partName string, side sheet.Side, revision string, extension string) string {
	pieces := []string{Slug(jobName), Slug(partName)}
	if side != "" {
		pieces = append(pieces, string(side))
	}
	return strings.Join(append(pieces, revision), "_") + "." + extension
}

const maxSlug = 48

// Slug writes a name in letters and digits every file system takes.
func Slug(s string) string {
	var b strings.Builder
	dash := false
	for _, r := range strings.ToLower(s) {
		if b.Len() >= maxSlug {
			break
		}
		if unicode.IsLetter(r) && r < 0x250 || unicode.IsDigit(r) && r < 128 {
			if dash && b.Len() > 0 {
				b.WriteByte('-')
			}
			b.WriteRune(plain(r))
			dash = false
		} else {
			dash = true
		}
	}
	if b.Len() == 0 {
		return "part"
	}
	return b.String()
}

// plain folds the commonest accented letters; others become x.
func plain(r rune) rune {
	if r < 128 {
		return r
	}
	const from, to = "àáâãäåçèéêëìíîïñòóôõöøùúûüýÿ", "aaaaaaceeeeiiiinoooooouuuuyy"
	if i := strings.IndexRune(from, r); i >= 0 {
		return rune(to[len([]rune(from[:i]))])
	}
	return 'x'
}

// ExportName answers the name of a job's file.
func ExportName(jobName string) string { return Slug(jobName) + ".warmanvil.json" }
