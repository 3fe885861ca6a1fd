package httpapi

import (
	"fmt"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"warmanvil/core/develop"
	"warmanvil/core/exchange"
	"warmanvil/core/profile"
	"warmanvil/strictjson"
)

// developedRoutes serves the flats of the calculations that unroll rounds.
func (s *server) developedRoutes() {
	serve(s, shelf[exchange.Jig]{path: "/api/v1/developed/{kind}", id: "getDeveloped",
		summary: "The flat of a cone, a transition or an elbow: the request of develop.* as JSON; the outside lies up",
		asks: []*huma.Param{{Name: "request", In: "query", Required: true, Schema: &huma.Schema{Type: "string"}},
			{Name: "title", In: "query", Schema: &huma.Schema{Type: "string"}},
			query("unit", "of the drawing", "mm", "fraction", "decimal")},
		files: []file[exchange.Jig]{
			{name: "cone", form: asDXF, says: "a cone's flat", free: true, make: jigged},
			{name: "transition", form: asDXF, says: "a transition's flat, with its press lines", free: true, make: jigged},
			{name: "elbow", form: asDXF, says: "an elbow's pieces", free: true, make: jigged},
		}, open: s.developed})
}

func jigged(j exchange.Jig) ([]byte, error) { return j.DXF(), nil }

func (s *server) developed(w want) (j exchange.Jig, called label, err error) {
	raw := []byte(w.asked("request"))
	j.Inches = w.asked("unit") == "fraction" || w.asked("unit") == "decimal"
	switch w.kind {
	case "cone":
		err = unrolled(raw, develop.Cone, func(_ develop.ConeInput, r develop.ConeResult) {
			j.Plates = []profile.Loop{loopOf(r.Outline, profile.Point{})}
			lapAt(&j, r.Lapped)
		})
	case "elbow":
		err = unrolled(raw, develop.Elbow, func(in develop.ElbowInput, r develop.ElbowResult) {
			j.Plates = []profile.Loop{loopOf(r.End, profile.Point{})}
			j.Marks = append(j.Marks, exchange.Mark{Text: "2 ENDS", At: profile.Point{X: 10, Y: 2}, High: 6})
			if len(r.Whole) > 0 {
				at := profile.Point{Y: -r.Back/2 - 30}
				for _, p := range r.End {
					at.Y = min(at.Y, p[1]-r.Back/2-30)
				}
				j.Plates = append(j.Plates, loopOf(r.Whole, at))
				j.Marks = append(j.Marks, exchange.Mark{Text: fmt.Sprintf("%d WHOLE", in.Middle), At: at.Add(profile.Point{X: 10}),
					High: 6})
			}
		})
	default:
		err = unrolled(raw, develop.Transition, func(_ develop.TransitionInput, r develop.TransitionResult) {
			j.Plates = []profile.Loop{loopOf(r.Outline, profile.Point{})}
			lapAt(&j, r.Lapped)
			for i, l := range r.Lines {
				from, to := profile.Point{X: l.From[0], Y: l.From[1]}, profile.Point{X: l.To[0], Y: l.To[1]}
				j.Bends = append(j.Bends, exchange.BendAt{From: from, To: to, Up: l.Angle < 0})
				if len(r.Lines) <= 40 {
					j.Marks = append(j.Marks, exchange.Mark{Text: fmt.Sprintf("%d: %.1f", i+1, l.Angle), At: from.Add(to).Mul(.5), High: 4})
				}
			}
		})
	}
	title := strings.TrimSpace(w.asked("title"))
	if title == "" || len(title) > 120 {
		title = w.kind
	}
	return j, label{job: "flat", of: title, revision: 1}, err
}

// unrolled answers a calculation by its request as JSON.
func unrolled[I, R any](raw []byte, work func(I) (R, error), take func(I, R)) error {
	var in I
	if err := strictjson.Decode(raw, &in); err != nil {
		return err
	}
	r, err := work(in)
	if err == nil {
		take(in, r)
	}
	return err
}

// lapAt marks where the first side of a lapped seam lies.
func lapAt(j *exchange.Jig, line *[2][2]float64) {
	if line == nil {
		return
	}
	a, b := profile.Point{X: line[0][0], Y: line[0][1]}, profile.Point{X: line[1][0], Y: line[1][1]}
	j.Lines = append(j.Lines, [2]profile.Point{a, b})
	j.Marks = append(j.Marks, exchange.Mark{Text: "LAP", At: a.Add(b.Sub(a).Mul(.3)), High: 4})
}

func loopOf(list [][2]float64, at profile.Point) (l profile.Loop) {
	for _, p := range list {
		l = append(l, profile.Vertex{X: p[0] + at.X, Y: p[1] + at.Y})
	}
	return l
}
