package paper

// Station is what is read at a machine before a sheet is worked from: what is looked at, to
// be ticked, what can hurt, and what was tried there before.
type Station struct {
	Machine string
	Ready   []string
	Caution string
	Worked  []string
}

// station prints it; a sheet that goes to no machine has none.
func (p *pages) station(s Station) {
	if s.Machine == "" {
		return
	}
	p.SetFont("go", "", 9)
	text := "Before " + s.Machine + " is used:"
	for _, r := range s.Ready {
		text += "  [   ] " + r
	}
	p.say(9, "", text)
	if s.Caution != "" {
		p.say(9, "B", s.Caution)
	}
	for i, w := range s.Worked {
		if i == 0 {
			w = "Tried before. " + w
		}
		p.say(9, "", w)
	}
	p.y++
}
