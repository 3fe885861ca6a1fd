package vehicle

import (
	"fmt"
	"maps"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/hole"
	"warmanvil/core/survey"
	"warmanvil/core/working"
)

const maxOffset = 3e4 // mm; farther off a vehicle's datum is a slip of the unit

// Check refuses a survey that cannot be kept. What is merely missing is kept and
// said where it matters.
func (s Survey) Check() error {
	if s.Schema > SurveySchema {
		return working.Refuse("/schema", "This survey is of a newer form (%d) than this program knows (%d).", s.Schema, SurveySchema)
	}
	for _, x := range []struct {
		path string
		n    int
	}{{"/points", len(s.Points)}, {"/maps", len(s.Maps)}, {"/levels", len(s.Levels)}, {"/slopes", len(s.Slopes)}, {"/squares", len(s.Squares)},
		{"/sides", len(s.Sides)}, {"/centres", len(s.Centres)}, {"/flushes", len(s.Flushes)}, {"/gaps", len(s.Gaps)}, {"/measures",
			len(s.Measures)}, {"/spaces", len(s.Spaces)}, {"/placed", len(s.Placed)},
		{"/drillings", len(s.Drillings)}, {"/follows", len(s.Follows)}, {"/stacks", len(s.Stacks)}, {"/fits", len(s.Fits)},
		{"/lines", len(s.Lines)}, {"/olds", len(s.Olds)}, {"/trials", len(s.Trials)},
		{"/checks", len(s.Checks)}} {
		if x.n > brief.MaxList {
			return working.Refuse(x.path, "This list holds up to %d.", brief.MaxList)
		}
	}
	for _, name := range slices.Sorted(maps.Keys(s.Shop)) {
		v := s.Shop[name]
		if _, known := survey.Uncertainty[name]; !known {
			return working.Refuse("/instruments", "There is no instrument %q.", string(name))
		}
		if err := working.Within("/instruments/"+string(name), "What it is good for", v, 0, 100, "mm"); err != nil {
			return err
		}
	}
	if err := working.Within("/hook", "The tape's hook", s.Hook, 0, 20, "mm"); err != nil {
		return err
	}
	return working.First(s.checkNames(), s.checkReadings(), s.checkRoom(), s.checkOld())
}

// named lists everything with an id and a name.
func (s Survey) named() (out []struct{ path, id, name string }) {
	add := func(list string, i int, id, name string) {
		out = append(out, struct{ path, id, name string }{fmt.Sprintf("/%s/%d", list, i), id, name})
	}
	for i, p := range s.Points {
		add("points", i, p.ID, p.Name+p.Thread+p.Uses)
	}
	for i, m := range s.Maps {
		add("maps", i, m.ID, m.Name)
		for k, h := range m.Holes {
			add(fmt.Sprintf("maps/%d/holes", i), k, h.ID, h.Name+h.Thread)
		}
		for k, x := range m.Meant {
			add(fmt.Sprintf("maps/%d/meant", i), k, x.ID, string(x.Form))
		}
	}
	for i, v := range s.Levels {
		add("levels", i, v.ID, v.Name)
	}
	for i, v := range s.Slopes {
		add("slopes", i, v.ID, v.Name)
	}
	for i, v := range s.Squares {
		add("squares", i, v.ID, v.Name)
	}
	for i, v := range s.Sides {
		add("sides", i, v.ID, v.Name)
	}
	for i, v := range s.Centres {
		add("centres", i, v.ID, v.Name)
	}
	for i, v := range s.Flushes {
		add("flushes", i, v.ID, v.Name)
	}
	for i, v := range s.Gaps {
		add("gaps", i, v.ID, v.Name)
	}
	for i, v := range s.Measures {
		add("measures", i, v.ID, v.Name)
	}
	for i, v := range s.Spaces {
		add("spaces", i, v.ID, v.Name)
	}
	for i, v := range s.Placed {
		add("placed", i, v.ID, v.Name)
	}
	for i, v := range s.Drillings {
		add("drillings", i, v.ID, v.Name+v.Looked)
	}
	for i, v := range s.Follows {
		add("follows", i, v.ID, v.Name)
	}
	for i, v := range s.Stacks {
		add("stacks", i, v.ID, v.Name)
	}
	for i, v := range s.Fits {
		add("fits", i, v.ID, v.Name)
	}
	for i, v := range s.Lines {
		add("lines", i, v.ID, v.Name)
		for k, e := range v.Edges {
			add(fmt.Sprintf("lines/%d/edges", i), k, e.ID, "")
		}
	}
	for i, v := range s.Olds {
		add("olds", i, v.ID, v.Name)
		for k, z := range v.Sizes {
			add(fmt.Sprintf("olds/%d/sizes", i), k, z.ID, z.Name)
		}
	}
	for i, v := range s.Trials {
		add("trials", i, v.ID, v.Name)
	}
	return out
}

func (s Survey) checkNames() error {
	seen := map[string]bool{}
	for _, n := range s.named() {
		if n.id == "" || seen[n.id] {
			return working.Refuse(n.path+"/id", "Everything in a survey has an id of its own; %q is used twice or empty.", n.id)
		}
		seen[n.id] = true
		if len([]rune(n.name)) > 2*brief.MaxName {
			return working.Refuse(n.path+"/name", "A name holds up to %d characters.", brief.MaxName)
		}
	}
	for _, x := range []struct {
		path string
		text string
	}{{"/datum/origin", s.Datum.Origin}, {"/datum/forward", s.Datum.Forward}, {"/datum/up", s.Datum.Up}} {
		if len([]rune(x.text)) > brief.MaxText {
			return working.Refuse(x.path, "Texts hold up to %d characters.", brief.MaxText)
		}
	}
	return nil
}

func (s Survey) checkReadings() error {
	var errs []error
	for _, r := range s.Readings() {
		lo, hi, unit := -maxOffset, maxOffset, "mm"
		switch r.Kind {
		case sizeReading:
			lo = 1e-6
		case AngleReading:
			lo, hi, unit = -180, 180, "°"
		}
		errs = append(errs, r.Check(r.Path, "What was read, "+r.What+",", lo, hi, unit))
	}
	for i, p := range s.Points {
		errs = append(errs, working.Within(fmt.Sprintf("/points/%d/size", i), "The size", p.Size, 0, 2000, "mm"))
		if len(p.Many) > 50 {
			errs = append(errs, working.Refuse(fmt.Sprintf("/points/%d/many", i), "A point takes up to 50 distances."))
		}
	}
	for i, m := range s.Maps {
		if len(m.Holes) > 120 || len(m.Readings) > 2000 {
			errs = append(errs, working.Refuse(fmt.Sprintf("/maps/%d/holes", i), "A map has up to 120 holes and 2000 readings."))
		}
		if len(m.Meant) > 40 {
			errs = append(errs, working.Refuse(fmt.Sprintf("/maps/%d/meant", i), "Holes of a map are meant to be up to 40 things."))
		}
		for k, x := range m.Meant {
			if !slices.Contains(hole.Forms, x.Form) || len(x.Holes) > 120 {
				errs = append(errs, working.Refuse(fmt.Sprintf("/maps/%d/meant/%d/form", i, k), "Up to 120 holes are meant to be a rectangle, a row, "+
					"an even row, a circle or an even circle, not %q.", string(x.Form)))
			}
		}
		for k, h := range m.Holes {
			errs = append(errs, working.Within(fmt.Sprintf("/maps/%d/holes/%d/diameter", i, k), "The diameter", h.Diameter, 0, 2000, "mm"))
		}
	}
	for i, v := range s.Sides {
		errs = append(errs, working.Within(fmt.Sprintf("/sides/%d/allow", i), "The difference allowed", v.Allow, 0, 1000, "mm"))
	}
	for i, v := range s.Centres {
		at := fmt.Sprintf("/centres/%d", i)
		errs = append(errs, working.Within(at+"/halfFront", "The half width wanted", v.HalfFront, 0, 1e5, "mm"),
			working.Within(at+"/halfRear", "The half width wanted", v.HalfRear, 0, 1e5, "mm"), working.Within(at+"/allow", "What is allowed",
				v.Allow, 0, 1000, "mm"))
	}
	for i, v := range s.Flushes {
		at := fmt.Sprintf("/flushes/%d", i)
		errs = append(errs, working.Within(at+"/wanted", "The step wanted", v.Wanted, -1000, 1000, "mm"),
			working.Within(at+"/allow", "What is allowed", v.Allow, 0, 100, "mm"))
	}
	for i, v := range s.Gaps {
		errs = append(errs, working.Within(fmt.Sprintf("/gaps/%d/need", i), "What must stay", v.Need, 0, 1e4, "mm"),
			working.Within(fmt.Sprintf("/gaps/%d/grows", i), "What it grows", v.Grows, 0, 1000, "mm"))
	}
	for i, v := range s.Stacks {
		if len(v.Places) > 50 || len(v.Layers) > 50 || len(v.Shims) > 20 {
			errs = append(errs, working.Refuse(fmt.Sprintf("/stacks/%d/places", i), "A stack has up to 50 places, 50 layers and 20 shims."))
		}
	}
	for i, v := range s.Fits {
		if v.Still != nil {
			if f, ok := v.Still.Check().(*working.Fault); ok {
				errs = append(errs, working.Refuse(fmt.Sprintf("/fits/%d/still%s", i, f.Path), "%s", f.Message))
			}
		}
		if v.Pocket != nil {
			errs = append(errs, working.Within(fmt.Sprintf("/fits/%d/pocket/play", i), "The play", v.Pocket.Play, 0, 50, "mm"))
		}
	}
	if len([]rune(s.Drawn)) > brief.MaxText {
		errs = append(errs, working.Refuse("/drawn", "Texts hold up to %d characters.", brief.MaxText))
	}
	return working.First(append(errs, s.checkChecks())...)
}

// checkChecks refuses what was checked of parts where it cannot be kept.
func (s Survey) checkChecks() error {
	var errs []error
	for i, v := range s.Checks {
		switch v.Fit {
		case "", "paper", "board", "vehicle":
		default:
			errs = append(errs, working.Refuse(fmt.Sprintf("/checks/%d/fit", i), "A fit is tried on paper, board or vehicle, not %q.", v.Fit))
		}
		if len(v.Issues) > brief.MaxList {
			errs = append(errs, working.Refuse(fmt.Sprintf("/checks/%d/issues", i), "This list holds up to %d.", brief.MaxList))
		}
		if v.Made != nil {
			errs = append(errs, v.Made.check(fmt.Sprintf("/checks/%d/firstOff", i)))
		}
		long := v.Aside + v.Result
		for _, x := range v.Issues {
			long += x.Text
		}
		if len([]rune(long)) > brief.MaxText {
			errs = append(errs, working.Refuse(fmt.Sprintf("/checks/%d/aside", i), "Texts hold up to %d characters.", brief.MaxText))
		}
	}
	return working.First(errs...)
}

func (s Survey) checkRoom() error {
	var errs []error
	for i, v := range s.Spaces {
		errs = append(errs, v.Check(fmt.Sprintf("/spaces/%d", i)))
	}
	if s.Wheels != nil {
		errs = append(errs, s.Wheels.Check("/wheels"))
	}
	errs = append(errs, working.Within("/between", "The distance between things", s.Between, 0, 1000, "mm"))
	for i, v := range s.Placed {
		at := fmt.Sprintf("/placed/%d", i)
		for k, x := range v.At {
			errs = append(errs, working.Within(fmt.Sprintf("%s/at/%d", at, k), "The place", x, -maxOffset, maxOffset, "mm"))
		}
		errs = append(errs, working.Within(at+"/yaw", "The turn", v.Yaw, -360, 360, "°"),
			working.Within(at+"/pitch", "The turn", v.Pitch, -360, 360, "°"), working.Within(at+"/roll", "The turn", v.Roll, -360, 360, "°"),
			working.Within(at+"/bolt", "The bolt", v.Bolt, 0, 100, "mm"), working.Within(at+"/wall", "The wall", v.Wall, 0, 200, "mm"))
		for k, end := range v.To.List() {
			if end != "" && end != LowEnd && end != MiddleEnd && end != HighEnd {
				errs = append(errs, working.Refuse(at+"/to/"+"xyz"[k:k+1], "A distance runs to the low, middle or high end of a thing, not %q.",
					string(end)))
			}
		}
		if v.Size != nil {
			errs = append(errs, working.Above(at+"/size/length", "The length", v.Size.Length, 0, maxOffset, "mm"),
				working.Above(at+"/size/width", "The width", v.Size.Width, 0, maxOffset, "mm"),
				working.Above(at+"/size/height", "The height", v.Size.Height, 0, maxOffset, "mm"))
		}
	}
	for i, v := range s.Lines {
		at := fmt.Sprintf("/lines/%d", i)
		errs = append(errs, working.Within(at+"/off", "What they keep off", v.Off, -1000, 1000, "mm"))
		if len(v.Points) > 60 {
			errs = append(errs, working.Refuse(at+"/points", "A line runs through up to 60 points."))
		}
		if len(v.Edges) > 60 {
			errs = append(errs, working.Refuse(at+"/edges", "Up to 60 edges run along a line."))
		}
		for k, e := range v.Edges {
			errs = append(errs, e.check(fmt.Sprintf("%s/edges/%d", at, k)))
		}
		if v.Keep != "below" && v.Keep != "above" {
			errs = append(errs, working.Refuse(at+"/keep", "Things stay below or above it, not %q.", v.Keep))
		}
		if _, _, ok := v.View(); !ok {
			errs = append(errs, working.Refuse(at+"/seen", "It is seen from the front, rear, left, right or from above, not %q.", string(v.Seen)))
		}
	}
	for i, v := range s.Drillings {
		at := fmt.Sprintf("/drillings/%d", i)
		errs = append(errs, working.Within(at+"/diameter", "The drill", v.Diameter, 0, 200, "mm"),
			working.Within(at+"/wall", "The wall", v.Wall, 0, 200, "mm"))
		if v.Free != nil {
			errs = append(errs, working.Within(at+"/free", "What is free behind", *v.Free, 0, 5000, "mm"))
		}
	}
	return working.First(errs...)
}

// Upgraded answers a survey of an older form in that of today.
func (s Survey) Upgraded() Survey {
	s.Schema = max(s.Schema, SurveySchema)
	s.Maps = slices.Clone(s.Maps)
	for i := range s.Maps {
		s.Maps[i].Readings = named(s.Maps[i].Readings)
	}
	return s
}

// named answers the readings of a map, those of form 1 by their place in it.
func named(list []MapReading) []MapReading {
	used := map[string]bool{}
	for _, r := range list {
		used[r.ID] = true
	}
	list = slices.Clone(list)
	for k := range list {
		for n := k + 1; list[k].ID == ""; n++ {
			if id := fmt.Sprintf("r%d", n); !used[id] {
				list[k].ID, used[id] = id, true
			}
		}
	}
	return list
}

// Renamed answers the survey with the parts of another job, by ids was → is.
func (s Survey) Renamed(ids map[string]string) Survey {
	name := func(id *string) {
		if is, ok := ids[*id]; ok {
			*id = is
		}
	}
	s.Placed, s.Follows, s.Checks = append([]Placed{}, s.Placed...), append([]Follow{}, s.Follows...), append([]PartCheck{}, s.Checks...)
	for i := range s.Placed {
		name(&s.Placed[i].Part)
	}
	for i := range s.Follows {
		name(&s.Follows[i].Part)
	}
	for i := range s.Checks {
		name(&s.Checks[i].Part)
	}
	s.Olds = append([]Replaced{}, s.Olds...)
	for i := range s.Olds {
		name(&s.Olds[i].For)
	}
	return s
}
