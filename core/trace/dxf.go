package trace

import (
	"bytes"
	"context"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// block is a named group of entities with its base point.
type block struct {
	base     profile.Point
	entities []entity
}

// insertUnits are $INSUNITS in mm.
var insertUnits = map[int]float64{1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000, 8: 25.4e-6, 9: .0254, 10: 914.4, 13: .001, 14: 100}

type dxfReader struct {
	d       *Drawing
	blocks  map[string]*block
	layers  map[string]int32
	hidden  map[string]bool
	odd     map[string]int
	depth   int
	metric  int // $MEASUREMENT, −1 when not said
	inserts int
	seen    int // entities and their places that were looked at
	raised  int // entities off the plane
	fits    int // splines known by their fit points alone
	points  int // circles and arcs of no radius
	turned  int // and of a negative one
	nodes   int
	names   map[string]string // layers' and blocks' names, once each
	spare   []group           // room for the next entity's groups
}

// tolerance to which curves become arcs, in file units: a hundredth of a
// millimetre, or of what may be one.
func (r *dxfReader) tolerance() float64 {
	if r.d.UnitsToMM != nil {
		return .01 / *r.d.UnitsToMM
	}
	return .001
}

func readDXF(ctx context.Context, data []byte) (*Drawing, error) {
	r := &dxfReader{d: &Drawing{until: ctx}, blocks: map[string]*block{}, layers: map[string]int32{}, hidden: map[string]bool{},
		odd:   map[string]int{},
		names: map[string]string{}, metric: -1}
	p := &pairs{rest: data}
	var pending, later []entity // a polyline waits for its vertices; inserts for blocks that come after them
	section := ""
	sections, ended := 0, false
	for {
		ok, err := p.next()
		if err != nil {
			return nil, err
		}
		if !ok {
			break
		}
		if p.code != 0 {
			if p.code == 2 && section == "?" {
				section = string(p.value)
				if section == "HEADER" {
					if err := r.header(p); err != nil {
						return nil, err
					}
				}
			}
			continue
		}
		switch word := r.name(p.value); word {
		case "SECTION":
			section = "?"
			sections++
		case "ENDSEC":
			section = ""
		case "EOF":
			ended = true
		case "LAYER":
			if section == "TABLES" {
				if err := r.layerRow(p); err != nil {
					return nil, err
				}
			}
		case "BLOCK":
			if section == "BLOCKS" {
				if err := r.readBlock(p); err != nil {
					return nil, err
				}
			}
		default:
			if section != "ENTITIES" {
				break
			}
			if word != "VERTEX" {
				if later, err = r.drawn(pending, later); err != nil {
					return nil, err
				}
				pending = pending[:0]
			}
			if pending, err = r.entity(p, word, pending); err != nil {
				return nil, err
			}
		}
	}
	if sections == 0 {
		return nil, working.Refuse("/base64", "The file has no sections: it is no DXF. Open it where it was drawn and save it as DXF (R12 "+
			"to 2018, text).")
	}
	var err error
	if later, err = r.drawn(pending, later); err != nil {
		return nil, err
	}
	for i := range later {
		if err := r.draw(&later[i], straight, ""); err != nil {
			return nil, err
		}
	}
	r.finish()
	if !ended {
		r.d.say(working.Mind, "cut-off", "File", "", nil,
			"The file has no end mark: it may have been cut off on its way, and lines be missing. Hold it against the original.")
	}
	return r.d, nil
}

// header reads the units.
func (r *dxfReader) header(p *pairs) error {
	name := ""
	for {
		ok, err := p.next()
		if err != nil || !ok {
			return err
		}
		switch {
		case p.code == 0:
			p.back = true
			return nil
		case p.code == 9:
			name = string(p.value)
		case name == "$INSUNITS" && p.code == 70:
			n, _ := strconv.Atoi(string(p.value))
			if mm, ok := insertUnits[n]; ok {
				r.d.UnitsToMM = &mm
			}
		case name == "$MEASUREMENT" && p.code == 70:
			r.metric, _ = strconv.Atoi(string(p.value))
		}
	}
}

// layerRow reads whether a layer is off or frozen.
func (r *dxfReader) layerRow(p *pairs) error {
	name, off := "", false
	for {
		ok, err := p.next()
		if err != nil || !ok {
			return err
		}
		switch p.code {
		case 0:
			p.back = true
			r.hidden[name] = off
			return nil
		case 2:
			name = string(p.value)
		case 62:
			off = off || bytes.HasPrefix(p.value, []byte("-"))
		case 70:
			n, _ := strconv.Atoi(string(p.value))
			off = off || n&1 != 0
		}
	}
}

func (r *dxfReader) readBlock(p *pairs) error {
	b := &block{}
	name := ""
	head := true
	for {
		ok, err := p.next()
		if err != nil || !ok {
			return err
		}
		switch {
		case p.code == 0 && string(p.value) == "ENDBLK":
			r.blocks[name] = b
			return nil
		case p.code == 0 && (string(p.value) == "BLOCK" || string(p.value) == "ENDSEC"):
			p.back = true
			r.blocks[name] = b
			return nil
		case p.code == 0:
			head = false
			if b.entities, err = r.entity(p, string(p.value), b.entities); err != nil {
				return err
			}
		case !head:
		case p.code == 2:
			name = string(p.value)
		case p.code == 10:
			b.base.X = number(p.value)
		case p.code == 20:
			b.base.Y = number(p.value)
		}
	}
}

// finish says what was left out and how sure the units are.
func (r *dxfReader) finish() {
	d := r.d
	if len(r.odd) > 0 {
		var words []string
		for kind, n := range r.odd {
			words = append(words, fmt.Sprintf("%d %s", n, strings.ToLower(kind)))
		}
		slices.Sort(words)
		if len(words) > 8 {
			words = append(words[:8], "and more")
		}
		d.say(working.Note, "left-out", "Drawing", "", nil, "Left out, because they are no lines to cut: "+strings.Join(words, ", ")+".")
	}
	if r.raised > 0 {
		d.say(working.Mind, "not-flat", "Drawing", "", nil, fmt.Sprintf("%d entities do not lie flat: their height was left out.", r.raised))
	}
	if r.points > 0 {
		d.say(working.Mind, "no-radius", "Curves", "", nil,
			fmt.Sprintf("%d circles or arcs have no radius: they are left out. Say their size where it was drawn, or put the holes in by hand.",
				r.points))
	}
	if r.turned > 0 {
		d.say(working.Mind, "turned-radius", "Curves", "", nil,
			fmt.Sprintf("%d circles or arcs have a negative radius: its size was taken. Hold them against the original.", r.turned))
	}
	if r.fits > 0 {
		d.say(working.Mind, "fit-points", "Curves", "", nil,
			fmt.Sprintf("%d splines are known by the points they run through alone: a smooth line through these was drawn; hold it "+
				"against the original.", r.fits))
	}
	for i := range d.Layers {
		l := &d.Layers[i]
		l.Hidden = r.hidden[l.Name]
		if l.Curves > 0 && (l.Hidden || strings.EqualFold(l.Name, "defpoints")) {
			d.say(working.Mind, "odd-layer", "Layers", l.Name, nil,
				fmt.Sprintf("Layer %s is hidden in the file and holds %d lines: leave it out unless it is to be cut.", l.Name, l.Curves))
		}
	}
	if d.UnitsToMM == nil {
		hint := ""
		if r.metric == 1 {
			hint = " It calls itself metric, so they may be millimetres."
		} else if r.metric == 0 {
			hint = " It calls itself imperial, so they may be inches."
		}
		d.say(working.Mind, "no-units", "Units", "", nil,
			"The file does not say its units: say whether they are millimetres or inches, and check one size you know."+hint)
	}
}
