package paper

// Station is what is read at a machine before a sheet is worked from: what is looked at, to
// be ticked, and what can hurt.
type Station struct {
	Machine string
	Ready   []string
	Caution string
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
	p.y++
}
