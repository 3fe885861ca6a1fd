package brief

// Behind answers what every verdict of the job rests on.
func (b Brief) Behind() Behind {
	return Behind{Criticality: b.Criticality, Answers: b.Answers}
}

// Carried adds what is known of some devices to what a verdict rests on, in the order
// of the brief.
func (b Brief) Carried(to *Behind, devices map[string]bool) {
	for _, d := range b.Devices {
		if !devices[d.ID] {
			continue
		}
		to.Sources = append(to.Sources, d.Sources()...)
		if d.NearPeople {
			to.NearPeople = append(to.NearPeople, d.Named())
		}
	}
}

// Rated tells whether a part has a duty of its own.
func (b Brief) Rated(part string) bool {
	for _, d := range b.Duties {
		if d.On.Kind == PartSide && d.On.Of == part {
			return true
		}
	}
	return false
}

// Sources lists the inputs behind a device's loads.
func (d Device) Sources() []Source {
	var out []Source
	if d.Mass != nil {
		out = append(out, Source{Name: "mass of " + d.Named(), Trust: d.Mass.Trust.Or()})
	}
	if d.Gravity != nil {
		out = append(out, Source{Name: "centre of gravity of " + d.Named(), Trust: d.Gravity.Trust.Or()})
	}
	return out
}
