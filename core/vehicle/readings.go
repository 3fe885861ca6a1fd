package vehicle

import (
	"fmt"

	"warmanvil/core/survey"
)

// readingKind says what a reading can be.
type readingKind int

const (
	offsetReading readingKind = iota // either way
	sizeReading                      // more than nothing
	AngleReading
)

// taken is one reading of a survey with where it stands and what it is of.
type taken struct {
	Path  string // JSON pointer
	Of    string // name of the row, point or map it belongs to
	What  string // in words
	Kind  readingKind
	Inner bool // an inside width: the smallest counts
	survey.Reading
}

// Readings lists every reading of a survey, taken or not.
func (s Survey) Readings() (out []taken) {
	add := func(path, of, what string, kind readingKind, r survey.Reading) {
		out = append(out, taken{Path: path, Of: of, What: what, Kind: kind, Reading: r})
	}
	for i, p := range s.Points {
		at := fmt.Sprintf("/points/%d", i)
		add(at+"/x", p.Name, "forward", offsetReading, p.X)
		add(at+"/y", p.Name, "left", offsetReading, p.Y)
		add(at+"/z", p.Name, "up", offsetReading, p.Z)
		add(at+"/da", p.Name, "distance from the first point", sizeReading, p.DA)
		add(at+"/db", p.Name, "distance from the second point", sizeReading, p.DB)
		if p.Behind != nil {
			add(at+"/behind", p.Name, "thickness behind", sizeReading, *p.Behind)
		}
		for k, m := range p.Many {
			add(fmt.Sprintf("%s/many/%d/distance", at, k), p.Name, fmt.Sprintf("distance %d", k+1), sizeReading, m.Distance)
		}
	}
	for i, m := range s.Maps {
		for k, r := range m.Readings {
			add(fmt.Sprintf("/maps/%d/readings/%d/value", i, k), m.Name, fmt.Sprintf("distance %d", k+1), sizeReading, r.Value)
		}
	}
	s.tables(add)
	first := len(out) // from here on inside widths
	for i, v := range s.Gaps {
		add(fmt.Sprintf("/gaps/%d/unloaded", i), v.Name, "gap unloaded", sizeReading, v.Unloaded)
		add(fmt.Sprintf("/gaps/%d/loaded", i), v.Name, "gap loaded", sizeReading, v.Loaded)
	}
	for i, v := range s.Stacks {
		for k, p := range v.Places {
			add(fmt.Sprintf("/stacks/%d/places/%d/gap", i, k), v.Name, "gap, "+p.Name, sizeReading, p.Gap)
		}
	}
	for i, v := range s.Fits {
		if v.Pocket != nil {
			add(fmt.Sprintf("/fits/%d/pocket/width", i), v.Name, "pocket width", sizeReading, v.Pocket.Width)
			add(fmt.Sprintf("/fits/%d/pocket/height", i), v.Name, "pocket height", sizeReading, v.Pocket.Height)
		}
	}
	for i := first; i < len(out); i++ {
		out[i].Inner = true
	}
	for i, v := range s.Checks {
		for k, r := range v.Retape {
			add(fmt.Sprintf("/checks/%d/retape/%d/value", i, k), "measured again", r.Dimension, sizeReading, r.Value)
		}
	}
	return out
}

// tables adds the readings of what comes to one line each.
func (s Survey) tables(add func(path, of, what string, kind readingKind, r survey.Reading)) {
	for i, v := range s.Levels {
		at := fmt.Sprintf("/levels/%d", i)
		add(at+"/wheelbase", v.Name, "front to rear", sizeReading, v.Wheelbase)
		add(at+"/track", v.Name, "left to right", sizeReading, v.Track)
		add(at+"/frontLeft", v.Name, "height front left", offsetReading, v.FrontLeft)
		add(at+"/frontRight", v.Name, "height front right", offsetReading, v.FrontRight)
		add(at+"/rearLeft", v.Name, "height rear left", offsetReading, v.RearLeft)
		add(at+"/rearRight", v.Name, "height rear right", offsetReading, v.RearRight)
	}
	for i, v := range s.Slopes {
		add(fmt.Sprintf("/slopes/%d/reading", i), v.Name, "angle on the face", AngleReading, v.Reading)
		add(fmt.Sprintf("/slopes/%d/own", i), v.Name, "the vehicle's own slope", AngleReading, v.Own)
	}
	for i, v := range s.Squares {
		at := fmt.Sprintf("/squares/%d", i)
		add(at+"/length", v.Name, "length", sizeReading, v.Length)
		add(at+"/width", v.Name, "width", sizeReading, v.Width)
		add(at+"/first", v.Name, "first diagonal", sizeReading, v.First)
		add(at+"/second", v.Name, "second diagonal", sizeReading, v.Second)
	}
	for i, v := range s.Sides {
		add(fmt.Sprintf("/sides/%d/left", i), v.Name, "left", offsetReading, v.Left)
		add(fmt.Sprintf("/sides/%d/right", i), v.Name, "right", offsetReading, v.Right)
	}
	for i, v := range s.Centres {
		at := fmt.Sprintf("/centres/%d", i)
		add(at+"/apart", v.Name, "between the ends", sizeReading, v.Apart)
		add(at+"/frontLeft", v.Name, "front left", offsetReading, v.FrontLeft)
		add(at+"/frontRight", v.Name, "front right", offsetReading, v.FrontRight)
		add(at+"/rearLeft", v.Name, "rear left", offsetReading, v.RearLeft)
		add(at+"/rearRight", v.Name, "rear right", offsetReading, v.RearRight)
	}
	for i, v := range s.Flushes {
		at := fmt.Sprintf("/flushes/%d", i)
		add(at+"/one", v.Name, "step at one end", offsetReading, v.One)
		add(at+"/other", v.Name, "step at the other end", offsetReading, v.Other)
		add(at+"/middle", v.Name, "step between them", offsetReading, v.Middle)
	}
	for i, v := range s.Olds {
		for k, z := range v.Sizes {
			add(fmt.Sprintf("/olds/%d/sizes/%d/value", i, k), v.Name, z.Name, sizeReading, z.Value)
		}
	}
}
