package lay

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// baseOutline answers the base's outline with its edges' names; a round is unrolled for it.
func (b *layer) baseOutline() (profile.Loop, []sheet.Edge, string) {
	if b.Recipe.Base.Kind() != sheet.Developed {
		return b.Recipe.Base.Outline()
	}
	school := b.School
	round, silent, err := b.Recipe.Developed(b.rule, school)
	if err != nil {
		return nil, nil, Lower(trimmed(b.refused(err)))
	}
	if silent != nil {
		b.FellBack = true
		if school == b.Recipe.Bend.School {
			who := &Panel{ID: b.Recipe.Base.ID, Name: "Base"}
			b.Stop("school-silent", "Bend allowance", who, "The chosen school gives no figure, the chart's is drawn instead: "+
				""+b.refused(silent))
		}
	}
	loop, names, why := sheet.DevelopedOutline(round)
	if why == "" {
		b.Round = round
	}
	return loop, names, why
}

func trimmed(s string) string {
	if n := len(s); n > 0 && s[n-1] == '.' {
		return s[:n-1]
	}
	return s
}

// locateRound answers where so far round and so high comes to on a round's flat: x runs on round it
// there, y square to that, upwards.
func (b *Laid) locateRound(p *Panel, x, y sheet.Offset) (located, string) {
	switch {
	case b.Round == nil || p.Flange != nil:
		return located{}, "only on a round a place is so far round and so high"
	case x.Edge != sheet.Around || y.Edge != sheet.Up:
		return located{}, "say how far round and how high, both"
	}
	at, err := b.Round.Placed(x.Distance, y.Distance)
	if err != nil {
		return located{}, b.refused(err)
	}
	way := profile.Point{X: 1}
	for _, step := range []float64{.05, -.05} {
		if next, err := b.Round.Placed(x.Distance+step, y.Distance); err == nil && next.Sub(at).Len() > 1e-9 {
			way = next.Sub(at).Mul(1 / next.Sub(at).Len())
			if step < 0 {
				way = way.Mul(-1)
			}
			break
		}
	}
	return located{at, way, profile.Point{X: -way.Y, Y: way.X}}, ""
}

// around answers the places of holes spread round a round.
func (b *layer) around(r *sheet.Hole) (places []profile.Point, why string) {
	if r.X.Edge != sheet.Around {
		return nil, "what is spread round says how far round it begins, and how high"
	}
	step := r.Pattern.Start
	if step == 0 {
		if b.Round == nil || !b.Round.Closed {
			return nil, "this one has ends: say the angle from hole to hole"
		}
		step = 360 / float64(r.Pattern.Count)
	}
	for k := range r.Pattern.Count {
		at, err := b.Round.Placed(r.X.Distance+step*float64(k), r.Y.Distance)
		if err != nil {
			return nil, b.refused(err)
		}
		places = append(places, at)
	}
	return places, ""
}

// OnBody answers where a place of a panel is on the body, on its mid-surface, and the way its good side
// faces there; false where a round's blank has more than the round: in a lap, in what is cut off.
func (b *Laid) OnBody(p *Panel, at profile.Point) (place, normal solid.Vector, ok bool) {
	if b.Round == nil || p.Flange != nil {
		return p.Frame.Apply(at, 0), p.Frame.Ez, true
	}
	return b.Round.Onto(at)
}

// checkRound tells what is special of holes on a round: those beside it, and those that come out oval.
func (b *layer) checkRound(h *Hole) {
	place, _, ok := b.OnBody(h.Panel, h.Centre)
	if !ok {
		b.Stop("hole-off-round", "Off its face", h.Subject(), h.Name+" lies in the lap or in what is cut off: it belongs on the round.")
		return
	}
	if b.Round.Sharp == 0 || !h.Cut() {
		return
	}
	// Cut flat it is as wide as typed along the surface; bent it is as wide as the chord.
	turned, _ := b.Round.Where(place)
	sin, cos := math.Sincos(turned * math.Pi / 180)
	radius := math.Max(math.Abs(place[0]*cos+place[1]*sin), b.Round.Sharp)
	wide := 2 * h.Reach()
	lost := wide - 2*radius*math.Sin(math.Min(wide/2/radius, math.Pi/2))
	if lost > .2 {
		b.Mind("hole-oval", "Holes", h.Subject(), fmt.Sprintf("%s is cut flat: rolled it is %s narrower across, seen straight on. "+
			"Cut it so much "+
			"longer round, or after rolling.", h.Name, b.Len(lost)))
	}
}

// movedRound makes a fix that shifts a feature on a round, by so much on its flat.
func (b *Laid) movedRound(label string, h *Hole, by profile.Point) working.Fix {
	fix := working.Fix{Label: label}
	at, _, ok := b.OnBody(h.Panel, h.Centre.Add(by))
	if !ok {
		return fix
	}
	turned, up := b.Round.Where(at)
	for _, e := range []working.Edit{{Path: h.Path + "/x/distance", Value: turned}, {Path: h.Path + "/y/distance", Value: up}} {
		e.Value = math.Round(e.Value.(float64)*1000) / 1000
		fix.Edits = append(fix.Edits, e)
	}
	return fix
}
