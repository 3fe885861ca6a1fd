package stock

// PilotSteps answers the drills before a hole's last one, mm, smallest first: a
// drill's web does not cut, so the pilot takes it out; beyond that in steps of
// about twice the size (practice).
func PilotSteps(diameter float64, family Family) (out []float64) {
	grow := 2.2
	if family == Stainless { // work-hardens: fewer, larger steps
		grow = 2.6
	}
	for d := diameter / grow; d >= 2.5; d /= grow {
		step := float64(int(d*2+.5)) / 2
		out = append([]float64{step}, out...)
	}
	if diameter <= 6 {
		return nil
	}
	return out
}
