package paper

import (
	"fmt"
	"time"
)

// RatingLabel is what was proved of a thing, for what, and what was not.
type RatingLabel struct {
	Job      string
	Revision int
	Date     time.Time
	Paper    Size
	Duty     string
	On       string
	Rated    string // the load, as the job writes forces
	Way      string
	School   string
	Governs  string
	Proved   [][2]string // thing, share used and of what
	Crash    string      // as answered; "" where nothing near people is carried
	Cautions []string
}

// Words of a label that are always there: none of it is an approval.
var unproved = []string{
	"Calculated, not tested, not approved: local rules and a licensed engineer decide.",
	"Fatigue not assessed: look for cracks and moved bolts after the first trips and every season.",
	"Not for lifting people or loads, not for fall arrest.",
	"Void on any change of part, joint, load or vehicle.",
}

// PDF prints the label on one page, framed to be cut out.
func (l RatingLabel) PDF() ([]byte, error) {
	p := &sheetPrinter{pages: newPages(l.Paper, l.Date, l.Job+", rating")}
	p.kind = "Rating label"
	p.line = fmt.Sprintf("%s  ·  revision %d  ·  %s", l.Job, l.Revision, l.Date.Format("2006-01-02"))
	p.next()
	top := p.y
	inner := edge + 6
	p.y += 8
	write := func(size float64, style, text string) {
		p.SetFont("go", style, size)
		for _, line := range p.SplitText(text, p.w-2*inner) {
			p.room(size * .5)
			p.put(inner, p.y, size, style, line)
			p.y += size * .45
		}
		p.y += 1.2
	}
	write(11, "", "Rated for")
	p.y += 3
	write(20, "B", l.Rated)
	if l.Way != "" {
		write(12, "B", "pulled "+l.Way)
	}
	write(12, "", l.Duty+", on "+l.On)
	p.y += 2
	write(10, "B", "What was proved")
	for _, row := range l.Proved {
		write(10, "", row[0]+": "+row[1])
	}
	write(10, "", "Governing: "+l.Governs+". Strength school: "+l.School+".")
	p.y += 2
	write(10, "B", "What was not")
	for _, t := range unproved {
		write(10, "", t)
	}
	if l.Crash != "" {
		write(10, "", "Crash, as answered: "+l.Crash)
	}
	for _, t := range l.Cautions {
		write(10, "B", t)
	}
	p.y += 4
	p.SetLineWidth(.5)
	p.Rect(edge, top, p.w-2*edge, p.y-top, "D")
	return p.bytes()
}
