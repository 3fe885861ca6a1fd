package words

import (
	"slices"

	"warmanvil/core/survey"
)

// shapes are the forms of a space with the numbers each is typed by and how a new one
// starts: sizes to be typed over.
func shapes() []Word {
	box := func(at string) []Ask {
		return slices.Concat(place("/at", at), []Ask{length("/size/0", "Length"), length("/size/1", "Width"), length("/size/2", "Height"),
			angle("/yaw", "Turned to the left")})
	}
	const corner = "Rear right lower corner"
	list := []Word{
		{Value: string(survey.BoxForm), Text: "box", Asks: box(corner)},
		{Value: string(survey.CylinderForm), Text: "cylinder", Asks: slices.Concat(place("/at", "One end"), place("/to", "Other end"),
			[]Ask{length("/radius", "Radius")})},
		{Value: string(survey.BallForm), Text: "ball", Asks: append(place("/at", "Middle"), length("/radius", "Radius"))},
		{Value: string(survey.RunForm), Text: "line or pipe", Shows: []string{"corners"}, Asks: []Ask{length("/radius", "Radius")}},
		{Value: string(survey.PrismForm), Text: "outline, extruded", Shows: []string{"outline", "axis"}, Asks: append(place("/at", "Origin"),
			length("/height", "Height"))},
		{Value: string(survey.SwingForm), Text: "swinging leaf", Shows: []string{"moves", "axis", "start"}, Asks: append(place("/at", "Hinge"),
			length("/radius", "Reach from the hinge"), length("/inner", "Begins at, from the hinge"), length("/low", "Along the hinge, from"),
			length("/high", "Along the hinge, to"), length("/thick", "Thickness"), angle("/turn", "Opens by"))},
		{Value: string(survey.TravelForm), Text: "box that travels", Shows: []string{"moves"}, Asks: append(box(corner), place("/travel",
			"Travels")...)},
		{Value: string(survey.TyreForm), Text: "tyre", Shows: []string{"moves"},
			Asks: append(place("/at", "Middle"), length("/radius", "Radius"), length("/size/1", "Width"),
				angle("/lock", "Lock either way"), length("/bump", "Bump, up"), length("/droop", "Droop, down"))},
	}
	for i, w := range list {
		list[i].Fresh = &Fresh{survey.FreshShape(survey.Form(w.Value), false), survey.FreshShape(survey.Form(w.Value), true)}
	}
	return list
}

func surveyed() []Field {
	return slices.Concat(
		of("SurveyPoint", plain("point", "point", "hole", "round hole", "square", "square hole", "thread", "thread", "edge", "edge or face"),
			"kind"),
		of("SurveyPoint", plain("offsets", "by offsets", "twoDistances", "by two distances", "distances", "by three distances or more",
			"onLine", "on a line", "transfer", "marked through a part"), "way"),
		of("SurveyPoint", plain("plan", "from above", "side", "from the right side", "end", "from the front"), "in"),
		of("SurveyPoint", plain("left", "left of A to B", "right", "right of A to B", "upper", "the upper one", "lower", "the lower one"),
			"side"),
		of("SurveyPoint", tapes, "tape", "tapeA", "tapeB"),
		of("FromPoint", tapes, "tape"),
		of("MapReading", tapes, "tape"),
		of("MeantHoles", plain("rectangle", "a rectangle", "row", "in one line", "evenRow", "in one line, evenly spaced", "circle", "on a "+
			"circle",
			"evenCircle", "evenly round a circle"), "form"),
		of("TrialAsk", plain("inOut", "in and out", "pedals", "pedals pressed right down", "knees", "knees clear", "wheel",
			"wheel in both hands, turned",
			"head", "head clear, also on a bump", "sight", "sight forward, over what is before one", "mirrors", "mirrors and sideways",
			"reach", "every control reached with the belt on", "belt", "belt: anchors, run, buckle", "weather", "in working clothes and boots"),
			"what"),
		of("TrialAsk", plain("good", "good", "bad", "not good", "needless", "does not apply"), "answer"),
		of("BodyLine", plain("left", "the left", "right", "the right", "front", "the front", "rear", "the rear", "up", "above"), "seen"),
		of("BodyLine", plain("below", "below it", "above", "above it"), "keep"),
		of("Reached", plain("low", "rear face", "middle", "middle", "high", "front face"), "x"),
		of("Reached", plain("low", "right side", "middle", "middle", "high", "left side"), "y"),
		of("Reached", plain("low", "underside", "middle", "middle", "high", "top"), "z"),
		of("SurveyReading", instruments(), "instrument"),
		of("SurveyReading", trusts, "trust"),
		of("SurveySpace", trusts, "trust"),
		of("SurveySpace", keptOff("fixed", "something fixed", "moving", "a door, lid, lever, slide", "tyre", "a tyre", "hot", "something hot",
			"line", "a line behind a wall", "tank", "a tank behind a wall", "skin", "a visible skin", "loadEdge", "a load-bearing edge",
			"view", "a lamp, plate or view", "plastic", "something of plastic", "glass", "glass", "lining", "lining or "+
				"insulation", "opening", "an opening for air", "room", "room to keep"), "kind"),
		of("SurveyShape", shapes(), "form"),
	)
}

// keptOff are kinds of spaces with the distance that is usually kept off them.
func keptOff(pairs ...string) []Word {
	out := plain(pairs...)
	for i := range out {
		out[i].Usual = survey.Kinds[survey.Kind(out[i].Value)].Need
	}
	return out
}

func vehicle() []Field {
	return slices.Concat(surveyed(),
		of("HoleMap", faces, "face"),
		of("Placed", faces, "facing"),
		of("DeviceRoom", faces, "face"),
		of("DeviceRoom", plain("plug", "plug", "lever", "lever", "hose", "hose", "vent", "vent for air", "grip", "grip for a hand", "cover",
			"cover that opens"), "kind"),
		of("Drilling", faces, "face"),
		of("MeasureRow", plain("headroom", "headroom, upright", "reach", "reach, straight", "step", "step, upright", "width", "width, "+
			"sideways"),
			"kind"),
		of("StackSet", plain("upright", "upright", "sideways", "sideways"), "way"),
		of("SurveyTold", plain("stowed", "stowed", "inUse", "in use", "travelling", "travelling"), "state"),
	)
}

// instruments read lengths, angles or both.
func instruments() []Word {
	reads := func(value, text string, kinds ...string) Word {
		w := Word{Value: value, Text: text}
		for _, k := range kinds {
			w.Asks = append(w.Asks, Ask{Path: "/values", Label: "Reading", Kind: k})
		}
		return w
	}
	return []Word{
		reads("tape", "tape", "length"), reads("caliper", "caliper", "length"), reads("rule", "rule", "length"),
		reads("string", "string", "length"),
		reads("angleGauge", "gauge", "angle"), reads("level", "level", "length", "angle"), reads("scan", "off a scan", "length", "angle"),
		reads("eye", "by eye", "length", "angle"),
	}
}
